import { expect, it } from 'vitest';
import { findProfile } from '../control';
import { cardAsNew, noNotes, turnFrom, zoneCard, standingAt, atRest } from '../keying';
import type { Operable } from '../machine';
import { newZone } from '../plan';
import { keysSaid, spokenText, strokePart } from '.';

const timer = findProfile('switch-timer') as Operable;

it('keys are said as somebody would say them at the control, and read aloud without a sign', () => {
	const { panel } = timer;
	expect(
		keysSaid(
			panel,
			{ change: null, until: null, take: [] },
			[
				{ do: 'hold', keys: ['plus', 'minus'], seconds: 2 },
				{ do: 'press', key: 'plus', times: 7 },
				{ do: 'run', key: 'minus', steps: 30 },
				{ do: 'set', key: 'switch', to: 'Off' },
				{ do: 'wait', seconds: 20 }
			],
			''
		)
	).toBe(
		'Hold + and \u2212 together 2\u00a0s, press + 7 times, hold \u2212 until it shows, put Switch to Off, touch no key for 20\u00a0s'
	);
	expect(strokePart(panel, { do: 'run', key: 'plus', steps: 30 })).toEqual({ keys: ['+'], says: 'held' });
	expect(spokenText('Hold + and \u2212 together 2\u00a0s, it shows 20.5\u00a0°C, then --:--')).toBe(
		'Hold plus and minus together 2 seconds, it shows 20.5 degrees, then dashes'
	);
});

it('the keys of a value are its way, its change and what takes it; where nothing is known, until it shows', () => {
	const { card } = zoneCard({ ...newZone('Rail', timer), grouping: '7-day' }, timer);
	const toKey = { items: card.items, ...card.operated! };
	const [first] = cardAsNew(timer, toKey).steps;
	expect(keysSaid(timer.panel, first!.keys!, first!.keys!.way, first!.item.shows)).toMatch(
		/^Hold Day 5\u00a0s, (press [+\u2212], )?press Enter$/
	);
	const { known } = standingAt(timer, toKey.options, { ...noNotes(timer), found: 'in-use' });
	const [unknown] = turnFrom(timer, toKey, atRest(known)).steps;
	expect(keysSaid(timer.panel, unknown!.keys!, [], unknown!.item.shows)).toBe(
		'Press + or \u2212 until it shows 7-day, press Enter'
	);
});
