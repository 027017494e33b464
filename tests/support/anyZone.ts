import fc from 'fast-check';
import { channelsOf, perDayOffers, shippedProfiles } from '../../src/core/control';
import { isOperable, type Operable } from '../../src/core/machine';
import { newZone, withWanted, zoneSchema, type Zone } from '../../src/core/plan';
import { buildWeek } from '../../src/core/week';

/** The shipped families, each with a panel. */
export const operable = shippedProfiles.filter(isOperable);

/** Entries of a control's menus put somewhere by hand, every tenth part of their range; those past the picks are left to the plan. */
const anyMenu = (profile: Operable, picks: readonly number[]) =>
	Object.fromEntries(
		picks.map((tenths, i) => {
			const { id, values } = profile.menu[i]!;
			const [low, high] =
				values.kind === 'choices'
					? [0, values.choices.length - 1]
					: values.kind === 'degrees'
						? [values.minC, values.maxC]
						: [values.min, values.max];
			return [id, Math.round(low + ((high - low) * tenths) / 9)];
		})
	);

/** A zone of a control with any week, any of its options and any entries of its menus chosen by hand. */
export const anyZone = (profile: Operable) =>
	fc
		.record({
			steps: fc.array(fc.record({ at: fc.nat(10_079), pick: fc.nat(2) }), { minLength: 1, maxLength: 24 }),
			alike: fc.boolean(),
			unit: fc.constantFrom(...(profile.temperature?.units ?? (['C'] as const))),
			clock: fc.constantFrom(...profile.clockFormats),
			perDay: fc.constantFrom(...perDayOffers(profile), 1),
			channel: fc.nat((channelsOf(profile)?.length ?? 1) - 1),
			grouping: fc.constantFrom(...profile.groupings.map(({ id }) => id)),
			plain: fc.boolean(),
			menu: fc.array(fc.nat(9), { maxLength: profile.menu.length })
		})
		.map(({ steps, alike, grouping, plain, menu, ...options }): Zone => {
			const fresh = newZone('Any', profile);
			// half of the weeks have days that are alike, so that days are copied
			const byMinute = new Map(
				steps.flatMap(({ at, pick }) => {
					const level = fresh.levels[pick % fresh.levels.length]!.id;
					return alike
						? [0, 1, 2, 3, 4, ...(at % 2 ? [5, 6] : [])].map(
								(day) => [day * 1440 + (at % 1440), level] as const
							)
						: [[at, level] as const];
				})
			);
			return zoneSchema.parse({
				...withWanted(fresh, buildWeek([...byMinute].map(([at, value]) => ({ at, value })))),
				grouping,
				settings: { ...fresh.settings, menu: anyMenu(profile, menu) },
				options: { ...fresh.options, ...options, plain: plain && profile.canBePlain }
			});
		});
