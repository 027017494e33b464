import { z } from 'zod';
import { buildWeek, spansOf, WEEK_MINUTES, wrapWeek, type Step, type WeekSteps } from '../week';

/**
 * When the setpoint rises before a warmer level is wanted. The schools that need no physics: at the
 * time of need; a fixed time before (half an hour is common practice); not at all, because the
 * control starts early by itself. Or computed for the room, rise by rise. `stopMinutes`: falls come earlier by that.
 */
export const leadSchema = z.strictObject({
	school: z.enum(['at-need', 'fixed', 'control', 'computed']),
	/** Minutes before the need; with the computed school for rises that it does not name. */
	minutes: z.int().min(0).max(720),
	stopMinutes: z.int().min(0).max(240),
	/** What was computed for this room, by rise, and from what; null where it was not. */
	computed: z
		.strictObject({
			outdoorC: z.number().min(-40).max(30),
			leads: z
				.array(
					z.strictObject({
						at: z
							.int()
							.min(0)
							.max(WEEK_MINUTES - 1),
						minutes: z.int().min(0).max(720),
						/** How many of them are for the sake of other zones on the same supply. */
						earlier: z.int().min(0).max(720).default(0)
					})
				)
				.max(500),
			/** A mark of the room and week that it was computed from: another now means that it is stale. */
			inputs: z.string().max(40)
		})
		.nullable()
		.default(null)
});
export type Lead = z.infer<typeof leadSchema>;

/** The lead a new zone has: none. */
export const noLead: Lead = { school: 'at-need', minutes: 30, stopMinutes: 0, computed: null };

/** A rise whose lead was cut short, because the room had only just been let cool: week minute of the need, minutes given. */
export interface ShortLead {
	readonly at: number;
	readonly givenMinutes: number;
}

/** The week the setpoint should follow, and the leads that were cut. */
export interface Target {
	readonly week: WeekSteps<string>;
	readonly short: readonly ShortLead[];
}

/** Minutes from one week minute forward to another, round Sunday. */
const ahead = (from: number, to: number) => wrapWeek(to - from);

/** The minutes by which a rise that is needed at a week minute comes before it. */
export function leadAt(lead: Lead, at: number): number {
	if (lead.school === 'fixed') return lead.minutes;
	if (lead.school !== 'computed' || !lead.computed) return 0;
	return lead.computed.leads.find((one) => one.at === at)?.minutes ?? lead.minutes;
}

/**
 * The target week of a wanted week of level ids. A rise wanted at t begins `minutes` before it, but
 * never before the last fall: there the setback is dropped and the lead reported as short. Leads that
 * overlap merge: at every minute the warmest wins. A fall comes `stopMinutes` earlier, but not before
 * the change that led to it. `setpointOf` gives a level's setpoint in °C (0/1 on a switch).
 */
export function applyLead(
	wanted: WeekSteps<string>,
	lead: Lead,
	setpointOf: (level: string) => number
): Target {
	const minutesAt = (at: number) => leadAt(lead, at);
	const leads = wanted.some((step) => minutesAt(step.at) > 0);
	if (wanted.length < 2 || (!leads && lead.stopMinutes === 0)) return { week: wanted, short: [] };
	const before = (i: number) => wanted[(i + wanted.length - 1) % wanted.length]!;
	const rises = (i: number) => setpointOf(wanted[i]!.value) > setpointOf(before(i).value);

	const early: Step<string>[] = wanted.map((step, i) => {
		if (rises(i)) return step;
		return { ...step, at: wrapWeek(step.at - Math.min(lead.stopMinutes, ahead(before(i).at, step.at) - 1)) };
	});
	const cooled = buildWeek(early);

	const short: ShortLead[] = [];
	const raised: { from: number; length: number; value: string }[] = [];
	wanted.forEach((step, i) => {
		const minutes = minutesAt(step.at);
		if (!rises(i) || minutes === 0) return;
		let room = WEEK_MINUTES - 1;
		for (let back = 1; back <= wanted.length; back++) {
			const j = (i + wanted.length - back) % wanted.length;
			if (rises(j)) continue;
			room = ahead(early[j]!.at, step.at) || room;
			break;
		}
		const given = Math.min(minutes, room);
		if (given < minutes) short.push({ at: step.at, givenMinutes: given });
		raised.push({ from: wrapWeek(step.at - given), length: given, value: step.value });
	});

	const marks = new Set<number>([0]);
	for (const span of spansOf(cooled)) marks.add(span.from);
	for (const lift of raised) marks.add(lift.from).add(wrapWeek(lift.from + lift.length));
	const rulingAt = (minute: number) => {
		const spans = spansOf(cooled);
		let value = spans.find((span) => span.from <= minute && minute < span.to)!.value;
		for (const lift of raised)
			if (ahead(lift.from, minute) < lift.length && setpointOf(lift.value) > setpointOf(value))
				value = lift.value;
		return value;
	};
	return { week: buildWeek([...marks].map((at) => ({ at, value: rulingAt(at) }))), short };
}
