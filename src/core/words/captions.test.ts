import { describe, expect, it } from 'vitest';
import { nextView, nextWords, planCaptions, siteCaptions, zoneCaptions, type PlacedZone } from './captions';
import { fitsOfSite, siteHeadline } from './overview';
import type { Due } from './due';

const zone = (part: Partial<PlacedZone> & { readonly name?: string } = {}) => ({
	id: 'z',
	boxId: 'b',
	name: 'Sail loft',
	undrawn: false,
	isSwitch: false,
	proof: 'computed',
	clock: { kind: 'fine', words: 'set Tue 17 Nov', bad: false } as const,
	away: { kind: 'none', words: '–', bad: false } as const,
	...part,
	summary: { coldMinutes: 0, warmMinutes: 0, left: 0, presses: 0, read: 2, toRead: 2, ...part.summary }
});
const summary = (part: Partial<PlacedZone['summary']>) => zone({ summary: part as PlacedZone['summary'] });
const none = { visits: 0, last: null, isOpen: false, openCalls: [] };
const late: Due = {
	on: '2026-10-25',
	late: true,
	zoneId: 'z',
	zoneName: 'Sail loft',
	kind: 'clock',
	sentence: 'Clock not changed, heating runs at the wrong hour.'
};

describe('what stands under the places of a zone', () => {
	it.each([
		['not drawn yet', zone({ undrawn: true }), true],
		['20 min too cold', summary({ coldMinutes: 20, warmMinutes: 40 }), true],
		['10 min too warm', summary({ warmMinutes: 10 }), false],
		[
			'1 h on when not wanted',
			zone({ isSwitch: true, summary: { ...zone().summary, warmMinutes: 60 } }),
			false
		],
		['preheat out of date', zone({ proof: 'preheat out of date' }), false],
		['room not described', zone({ proof: 'room not described' }), false],
		['fits', zone(), false]
	])('of its plan the first that applies: %s', (words, of, bad) => {
		expect(zoneCaptions(of, false, false).plan).toEqual({ words, bad });
	});

	it('says nothing of a plan and its card while a change is on its way', () => {
		const { plan, 'key-in': keyIn } = zoneCaptions(summary({ left: 3, presses: 9 }), true, false);
		expect([plan.words, keyIn.words]).toEqual(['…', '…']);
	});

	it('goes from what is left to key over what is read back, and so does the next act', () => {
		const said = [summary({ left: 1, presses: 4, read: 0 }), summary({ read: 1 }), zone()].map((of) => [
			zoneCaptions(of, false, false)['key-in'].words,
			[nextWords(of.summary), nextView(of.summary)]
		]);
		expect(said).toEqual([
			['1 left, 1 min', ['Key in 1 value, 1 min', 'key-in']],
			['1 of 2 read back', ['Read back, 1 of 2', 'read-back']],
			['keyed in, read back', ['To the visit', null]]
		]);
	});

	it('a wrong clock is red, none is as planned; an open call comes before what it was left on', () => {
		const wrong = { kind: 'wrong', words: '3 min behind', bad: true } as const;
		const left = { kind: 'wrong', words: 'left on manual', bad: true } as const;
		expect(zoneCaptions(zone({ clock: wrong }), false, false).control).toEqual({
			words: 'clock 3 min behind',
			bad: true
		});
		expect(
			zoneCaptions(zone({ clock: { kind: 'none', words: 'has none', bad: false } }), false, false).control
				.words
		).toBe('as planned');
		expect(zoneCaptions(zone({ away: left }), false, true).now.words).toBe('call open');
		expect(zoneCaptions(zone({ away: left }), false, false).now).toEqual({
			words: 'left on manual',
			bad: true
		});
		expect(planCaptions(zone({ away: left })).away.bad).toBe(true);
	});
});

describe('what stands under the places of a site', () => {
	const said = (zones: readonly PlacedZone[], history: Parameters<typeof siteCaptions>[3] = none) =>
		Object.values(siteCaptions(zones, 1, 'Europe/London', history)).map(({ words }) => words);

	it('goes from nothing to all signed off', () => {
		expect(said([])).toEqual(['no zones yet', '1 heat source', 'none yet', 'no visits yet']);
		expect(said([zone({ clock: { kind: 'wrong', words: 'lost its time', bad: true } })])[0]).toBe(
			'1 clock wrong'
		);
		// two zones on one control have one clock
		const wrong = { clock: { kind: 'wrong', words: 'lost its time', bad: true } } as const;
		expect(said([zone(wrong), zone({ ...wrong, id: 'other' }), zone({ ...wrong, boxId: 'c' })])[0]).toBe(
			'2 clocks wrong'
		);
		expect(said([zone({ away: { kind: 'wrong', words: 'left off', bad: true } })])[0]).toBe('1 left on');
		expect(said([summary({ left: 4 }), zone()])[0]).toBe('1 zone to key in');
		expect(said([summary({ read: 1 })])[0]).toBe('1 not read back');
		const last = { atMs: Date.UTC(2026, 10, 17, 12), signedOff: true };
		expect(said([zone()], { ...none, visits: 3, last })).toEqual([
			'all signed off',
			'1 heat source',
			'signed off Tue 17 Nov',
			'3 visits'
		]);
		expect(said([zone()], { visits: 3, last, isOpen: true, openCalls: ['z'] })).toEqual([
			'ready to sign off',
			'1 heat source',
			'not finished',
			'1 call open'
		]);
	});

	it('heads the overview with the worst fact and its act', () => {
		const key = summary({ left: 44, presses: 339, read: 0 });
		expect(siteHeadline([], [])).toMatchObject({ words: 'No zones yet', act: null });
		expect(siteHeadline([key], [late])).toEqual({
			words: 'Sail loft: clock not changed, heating runs at the wrong hour',
			bad: true,
			act: { words: 'See to Sail loft', path: '/zones/z/clock' },
			late
		});
		expect(
			siteHeadline([key, zone({ undrawn: true, name: 'Store' })], [{ ...late, late: false }])
		).toMatchObject({
			words: 'Store: not drawn yet',
			bad: true,
			act: { words: 'Draw the week of Store' }
		});
		expect(siteHeadline([key, zone()], [])).toMatchObject({
			words: '44 values to key in',
			bad: false,
			act: { path: '/zones/z/key-in' }
		});
		expect(siteHeadline([summary({ read: 0 })], []).act!.path).toBe('/zones/z/read-back');
		expect(siteHeadline([zone()], [])).toMatchObject({ words: 'Ready to sign off', act: { path: '/visit' } });
	});

	it('says how many weeks fit, and the worst that does not', () => {
		expect(fitsOfSite([zone({ undrawn: true })])).toBeNull();
		expect(fitsOfSite([zone(), zone({ undrawn: true })])).toBe('The one drawn week fits.');
		expect(fitsOfSite([zone(), zone()])).toBe('All 2 weeks fit.');
		expect(fitsOfSite([zone(), summary({ coldMinutes: 20 }), summary({ warmMinutes: 300 })])).toBe(
			'1 of 3 weeks fit; worst: Sail loft, 20 min too cold.'
		);
	});
});
