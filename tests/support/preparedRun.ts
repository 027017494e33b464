import { instantOf, wallMinute } from '../../src/core/civil';
import { factoryOptions, findProfile, startingLevels, type ControlProfile } from '../../src/core/control';
import { fitZone } from '../../src/core/fit';
import { newZone, settingsSchema, withWanted, type Exception, type Settings } from '../../src/core/plan';
import { buildWeek } from '../../src/core/week';
import {
	aheadOf,
	prepareRun,
	resolve,
	rightClock,
	type ControlClock,
	type Prepared,
	type RunSpan
} from '../../src/core/run';

export const ZONE = 'Europe/Berlin';
export const at = (local: string, zone = ZONE) => instantOf(zone, wallMinute(local));
export const profileOf = (id: string) => findProfile(id)!;
/** The starts of stretches whose setpoint differs from the one before: spare events that repeat it are passed over. */
export const changes = (spans: readonly RunSpan[]) =>
	spans.filter((span, i) => span.heatC !== spans[i - 1]?.heatC).map((span) => [utc(span.fromMs), span.heatC]);
export const utc = (ms: number) => new Date(ms).toISOString().slice(0, 16);

/** A control that holds, every day: eco 16 from 22:00, comfort 20 from 06:00 (or on and off at those times). */
export function prepared(
	id: string,
	more: {
		exceptions?: Exception[];
		settings?: Partial<Settings>;
		clock?: ControlClock;
		profile?: ControlProfile;
		timeZone?: string;
		times?: readonly [string, string];
	} = {}
): Prepared {
	const profile = more.profile ?? profileOf(id);
	const levels = startingLevels(profile);
	const [on, off] = (more.times ?? ['06:00', '22:00']).map((time) => wallMinute(`2026-01-01T${time}`) % 1440);
	const zone = withWanted(
		newZone('Z', profile),
		buildWeek(
			[0, 1, 2, 3, 4, 5, 6].flatMap((day) => [
				{ at: day * 1440 + on!, value: levels[0]!.id },
				{ at: day * 1440 + off!, value: levels[1]!.id }
			])
		)
	);
	return prepareRun({
		profile,
		options: factoryOptions(profile),
		levels,
		program: fitZone(zone, profile).chosen.program,
		settings: settingsSchema.parse(more.settings ?? {}),
		exceptions: more.exceptions ?? [],
		timeZone: more.timeZone ?? ZONE,
		clock: more.clock ?? rightClock(profile, at('2026-01-10T12:00'))
	});
}

export const now = (run: Prepared, local: string) => {
	const state = resolve(run, at(local));
	const ahead = aheadOf(run, at(local));
	return { c: state.heatC, by: state.by, until: ahead.now.toMs, next: ahead.next?.heatC ?? null };
};
