import { describe, expect, it } from 'vitest';
import { findProfile, type ControlProfile } from '../control';
import { movedLevels, newZone, onOwnScale, withWanted, zoneSchema } from '../plan';
import { buildWeek, constantWeek } from '../week';
import { defaultWeights, fitZone, misfitOf, nearestWeightStop, tieOf, weightStops } from '.';
import { groupingCostWords, misfitSentences } from '../words';

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
		expect(words.map((one) => one.text)).toEqual(['Mon, Tue 13:10–14:00 will be 17.0, not 20.5']);
	});
});

describe('what a grouping costs', () => {
	/** Weekdays warm from seven to nine; one of them at noon too, for so long. */
	const noon = (minutes: number, weights = defaultWeights) => ({
		...withWanted(
			newZone('Loft', stat),
			buildWeek(
				[0, 1, 2, 3, 4].flatMap((day) => [
					{ at: day * 1440 + 420, value: 'comfort' },
					{ at: day * 1440 + 540, value: 'eco' },
					...(day === 2
						? [
								{ at: day * 1440 + 720, value: 'comfort' },
								{ at: day * 1440 + 720 + minutes, value: 'eco' }
							]
						: [])
				])
			)
		),
		weights,
		grouping: '5-2'
	});
	const words = (zone: ReturnType<typeof noon>) => {
		const fit = fitZone(zone, stat);
		const tie = tieOf(zone, stat, fit);
		return { fit, tie, said: groupingCostWords(fit.chosen, tie, (c) => c.toFixed(1)) };
	};

	it('names the program that misses as much and is warm instead of cold', () => {
		// one day in five without its hour is four times as cold as the other four with it are warm
		const { fit, tie, said } = words(noon(60));
		expect([fit.chosen.misfit.coldMinutes, fit.chosen.misfit.warmMinutes]).toEqual([60, 0]);
		expect([tie!.coldMinutes, tie!.warmMinutes]).toEqual([0, 240]);
		expect(tie!.weighted > 0).toBe(true);
		expect(said).toContain(
			'By your weights as good: 0 min too cold and 4 h too warm, instead of 1 h and 0 min'
		);
		// followed: with cold weighed more that is what is held
		const followed = fitZone(noon(60, { cold: 16, warm: 1 }), stat).chosen.misfit;
		expect([followed.coldMinutes, followed.warmMinutes]).toEqual([0, 240]);
		expect(words(noon(60, { cold: 3, warm: 1 })).tie).toBeNull();
		expect(words(noon(60, { cold: 16, warm: 1 })).tie).toBeNull();
	});

	it('says a little of a little only', () => {
		const late = (minutes: number) =>
			groupingCostWords(
				{
					lost: [],
					misfit: misfitOf(
						buildWeek([
							{ at: 0, value: 17 },
							{ at: 420, value: 20 },
							{ at: 900, value: 17 }
						]),
						buildWeek([
							{ at: 0, value: 17 },
							{ at: 420 + minutes, value: 20 },
							{ at: 900, value: 17 }
						]),
						defaultWeights
					)
				},
				null,
				String
			);
		expect(late(20)).toBe('Every period is there; some begin or end a little early or late.');
		expect(late(180)).toBe('Every period is there; some begin or end early or late, by up to 3 h.');
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

	it('is planned on its control’s own scale: what is only a change of unit to whole °F is no misfit, and is said once', () => {
		const celsius = withWanted(
			{
				...newZone('Loft', stat),
				levels: newZone('Loft', stat).levels.map((level) => ({
					...level,
					setpointC: { comfort: 21, eco: 17, frost: 7 }[level.id]!
				}))
			},
			buildWeek([
				{ at: 420, value: 'comfort' },
				{ at: 1320, value: 'eco' }
			])
		);
		const switched = { ...celsius, options: { ...celsius.options, unit: 'F' as const } };
		// a zone kept in tenths of °C from before fits exactly too
		for (const zone of [switched, onOwnScale(switched, stat)]) {
			const { misfit, lost } = fitZone({ ...zone, grouping: '7-day' }, stat).chosen;
			expect([misfit.weighted, misfit.spans, lost]).toEqual([0, [], []]);
		}
		const whole = onOwnScale(switched, stat);
		expect(movedLevels(switched, whole).map(({ from, to }) => [from.name, to.setpointC * 1.8 + 32])).toEqual([
			['Comfort', 70],
			['Eco', 63],
			['Frost', 45]
		]);
		// it stays so through a file, and a second time changes nothing
		expect(zoneSchema.parse(JSON.parse(JSON.stringify(whole)))).toEqual(whole);
		expect(onOwnScale(whole, stat)).toEqual(whole);
		expect(onOwnScale(celsius, stat)).toEqual(celsius);
	});

	it('is fitted under a high limit that binds its program, in its own unit, and not under one that does not', () => {
		const week = buildWeek([
			{ at: 420, value: 'comfort' },
			{ at: 1320, value: 'eco' }
		]);
		const zone = withWanted(newZone('Loft', stat), week);
		const under = (highLimitC: number, unit: 'C' | 'F' = 'C') => ({
			...zone,
			options: { ...zone.options, unit },
			settings: { ...zone.settings, highLimitC }
		});
		const warmest = (of: typeof zone, profile = stat) =>
			Math.max(...fitZone(of, profile).chosen.held.map((step) => step.value));
		expect(warmest(under(19))).toBe(19);
		expect(fitZone(under(19), stat).chosen.misfit.coldKelvinMinutes).toBeGreaterThan(0);
		expect(warmest(under(19.3))).toBe(19);
		expect(warmest(under(19, 'F')) * 1.8 + 32).toBeCloseTo(66, 9);
		expect(warmest(under(25))).toBe(20);
		const free: ControlProfile = { ...stat, habits: { ...stat.habits, limits: { bindProgram: false } } };
		expect(warmest(under(19), free)).toBe(20);
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
