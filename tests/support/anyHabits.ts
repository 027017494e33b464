import fc from 'fast-check';
import { profileSchema, withPanelWords, type PanelGesture } from '../../src/core/control';
import { isOperable, type Operable } from '../../src/core/machine';
import { anyProfile } from './anyProfile';

const tap = (key: string): PanelGesture => ({ do: 'press', key, times: 1 });
const changing = { up: 'plus', down: 'minus', take: tap('ok') };
const how = '';

/** Absences as controls take them, with the fields that each asks for. */
const HOLIDAYS = [
	null,
	{ holiday: { by: 'until-ended', how }, fields: null },
	{ holiday: { by: 'days', mostDays: 99, todayCounts: true, ends: 'midnight', how }, fields: ['away-days'] },
	{ holiday: { by: 'days', mostDays: 30, todayCounts: false, ends: 'midnight', how }, fields: ['away-days'] },
	{
		holiday: { by: 'days', mostDays: 30, todayCounts: false, ends: 'same-time', how },
		fields: ['away-setpoint', 'away-days']
	},
	{ holiday: { by: 'return-date', ends: 'midnight', how }, fields: ['back-month', 'back-day'] },
	{
		holiday: { by: 'return-date', ends: 'time', how },
		fields: ['away-setpoint', 'back-month', 'back-day', 'back-hour', 'back-minute']
	},
	{
		holiday: { by: 'periods', mostPeriods: 1, how },
		fields: ['first-month', 'first-day', 'last-month', 'last-day']
	}
] as const;

/** A control that nobody shipped with habits of its own, each with its key: what ends a change by hand, boosts, holds, modes, absences, a lock, cooling. */
export const anyHabits: fc.Arbitrary<Operable> = anyProfile.chain((profile) =>
	fc
		.record({
			override: fc.constantFrom(null, 'next-change' as const, 'after-minutes' as const),
			minutes: fc.constantFrom(30, 120, 180),
			boost: fc.constantFrom(null, 'after-steps' as const, 'next-change' as const),
			mostSteps: fc.constantFrom(1, 3),
			hold: fc.boolean(),
			advance: fc.boolean(),
			away: fc.constantFrom(...HOLIDAYS),
			modes: fc.constantFrom(null, 'next' as const, 'each' as const),
			keepsC: fc.constantFrom(null, 5, 7),
			lock: fc.constantFrom(null, 'all' as const, 'all-but-setpoint' as const),
			cools: fc.boolean(),
			startsEarly: fc.boolean(),
			summerTime: fc.constantFrom('by-itself' as const, 'by-hand' as const),
			programKept: fc.boolean(),
			reserveMinutes: fc.constantFrom(null, 0, 60)
		})
		.map((any) => {
			const isSwitch = profile.temperature === null;
			const cools = any.cools && profile.program.form === 'events' && !profile.program.modes;
			const { panel, habits } = profile;
			const away =
				any.away &&
				(any.away.fields?.some((field) => field === 'away-setpoint') && isSwitch ? null : any.away);
			const manual = any.modes !== null;
			const names = ['Auto', ...(isSwitch ? ['On'] : ['Manual']), ...(cools ? ['Cool'] : []), 'Off'];
			const key = (id: string, is: boolean) => (is ? [{ id, print: id.toUpperCase() }] : []);
			const toggles = isSwitch && any.override !== null;
			const made = profileSchema.parse({
				...profile,
				cooling: cools ? { deadBandK: 2, maxC: 32 } : null,
				startsEarly: any.startsEarly && !isSwitch,
				habits: {
					...habits,
					override: any.override && {
						ends: any.override,
						minutes: any.minutes,
						how: isSwitch ? 'Press TOGGLE.' : 'Press + or −.'
					},
					boost: any.boost && { ends: any.boost, stepMinutes: 30, mostSteps: any.mostSteps, how },
					hold: any.hold ? { until: ['ended'], how } : null,
					advance: any.advance ? { how } : null,
					holiday: away?.holiday ?? null,
					manual: manual ? { how } : null,
					off: manual ? { keepsC: isSwitch ? null : any.keepsC, how } : null,
					clock: {
						...habits.clock,
						summerTime: any.summerTime,
						programKept: any.programKept,
						reserveMinutes: any.reserveMinutes
					}
				},
				panel: {
					...panel,
					keys: [
						...panel.keys,
						...key('boost', any.boost !== null),
						...key('hold', any.hold),
						...key('advance', any.advance),
						...key('away', away !== null),
						...key('toggle', toggles),
						...key('mode', manual),
						...key('lock', any.lock !== null)
					],
					rest: isSwitch ? null : { up: 'plus', down: 'minus' },
					modes: manual
						? {
								names,
								off: 'Off',
								next: any.modes === 'next' ? tap('mode') : null,
								each:
									any.modes === 'next'
										? []
										: names.map((_, i) => [{ do: 'hold', keys: ['mode'], seconds: 2 + 2 * i }]),
								figures: {
									...(isSwitch ? { On: 'on' } : { Manual: 'kept' }),
									...(cools ? { Cool: 'cool-only' } : {})
								}
							}
						: null,
					hand: {
						...(any.boost ? { boost: [tap('boost')] } : {}),
						...(any.hold ? { hold: [tap('hold')] } : {}),
						...(any.advance ? { advance: [tap('advance')] } : {}),
						...(away && !away.fields ? { away: [tap('away')] } : {}),
						...(toggles ? { toggle: [tap('toggle')] } : {})
					},
					places: [
						...panel.places,
						...(away?.fields
							? [{ name: 'Away', way: [tap('away')], fields: [...away.fields], ...changing }]
							: [])
					],
					lock: any.lock && {
						covers: any.lock,
						way: [{ do: 'hold', keys: ['lock'], seconds: 3 }],
						ends: [{ do: 'hold', keys: ['lock'], seconds: 3 }]
					}
				}
			});
			const said = withPanelWords(made);
			if (!isOperable(said)) throw new Error('no panel');
			return said;
		})
);
