import { describe, expect, it } from 'vitest';
import { findProfile, type ControlProfile } from '../control';
import { newZone, withWanted } from '../plan';
import { buildWeek, constantWeek } from '../week';
import { defaultWeights, fitZone, misfitOf, misfitSentences, nearestWeightStop, weightStops } from '.';

const [stat, keypad, timer] = ['six-step-room-stat', 'hour-strip-keypad', 'switch-timer'].map((id) =>
	findProfile(id)!
) as [ControlProfile, ControlProfile, ControlProfile];

describe('the words of a misfit', () => {
	it('name day, times, length and both setpoints, like days together, worst first', () => {
		const target = buildWeek([
			{ at: 0, value: 17 },
			{ at: 790, value: 20.5 },
			{ at: 900, value: 17 },
			{ at: 2230, value: 20.5 },
			{ at: 2340, value: 17 }
		]);
		const held = buildWeek([
			{ at: 0, value: 17 },
			{ at: 840, value: 20.5 },
			{ at: 900, value: 17 },
			{ at: 2280, value: 20.5 },
			{ at: 2340, value: 17 }
		]);
		const words = misfitSentences(misfitOf(target, held, defaultWeights), defaultWeights, (c) =>
			c.toFixed(1)
		);
		expect(words.map((one) => one.text)).toEqual(['Mon, Tue 13:10–14:00, 50 min at 17.0 instead of 20.5']);
	});
});

describe('a zone', () => {
	it('takes its own grouping over the suggestion, and the suggestion when it has none', () => {
		const zone = withWanted(
			newZone('Loft', stat),
			buildWeek([
				{ at: 480, value: 'comfort' },
				{ at: 900, value: 'eco' }
			])
		);
		expect(fitZone(zone, stat).chosen.grouping.id).toBe('7-day');
		expect(fitZone({ ...zone, grouping: '5-2' }, stat).chosen.grouping.id).toBe('5-2');
		const alike = withWanted(newZone('Loft', stat), constantWeek('eco'));
		expect(fitZone(alike, stat).chosen.grouping.id).toBe('24-hour');
	});

	it('finds its place on the slider again', () => {
		weightStops.forEach((stop, i) => expect(nearestWeightStop(stop)).toBe(i));
	});

	it('takes as settings of an hour strip the two levels that serve the week best', () => {
		const zone = withWanted(
			newZone('Room', keypad),
			buildWeek([
				{ at: 480, value: 'eco' },
				{ at: 900, value: 'frost' }
			])
		);
		const { program, misfit } = fitZone(zone, keypad).chosen;
		expect(program.form === 'slots' && program.settings.map((s) => s.setpointC)).toEqual([16, 7]);
		expect(misfit.weighted).toBe(0);
	});

	it('ends a switch timer pair at midnight where the week runs on', () => {
		const zone = withWanted(
			newZone('Rail', timer),
			buildWeek([
				{ at: 1320, value: 'on' },
				{ at: 1500, value: 'off' }
			])
		);
		const { program } = fitZone({ ...zone, grouping: '7-day' }, timer).chosen;
		expect(program.groups[0]).toMatchObject({ pairs: [{ on: 1320, off: 1440 }] });
		expect(program.groups[1]).toMatchObject({ pairs: [{ on: 0, off: 60 }] });
	});
});
