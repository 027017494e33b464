import type { CalledZone, Cause, CauseKind } from './cause';
import { QUESTIONS, type Fact, type QuestionId } from './facts';
import { clockCauses } from './makers/clock';
import { handCauses } from './makers/hand';
import { houseCauses } from './makers/house';
import { roomCauses } from './makers/room';
import { slipCauses } from './makers/slips';
import { weekCauses } from './makers/week';
import { making } from './making';

/** Everything that may be the matter with a zone, each with its world, by figures that were said too; the weights are not brought to one. */
export function causesOf(called: CalledZone, facts: readonly Fact[] = []): Cause[] {
	const make = making(called, facts);
	for (const causes of [clockCauses, weekCauses, slipCauses, handCauses, houseCauses, roomCauses])
		causes(make);
	return make.causes;
}

/** Questions that are not asked of a zone: its control, its house or its record answers them already. */
export function unaskable({ zone, profile, program }: CalledZone): QuestionId[] {
	const { habits, panel } = profile;
	const hasClock = habits.clock.summerTime !== 'no-clock' && program.form !== 'plain';
	return [
		...(hasClock ? [] : (['clock-shows', 'which-days'] as const)),
		...(panel?.modes || habits.manual || habits.hold || habits.off || habits.holiday
			? []
			: (['mode'] as const)),
		...(habits.paired ? [] : (['lamp'] as const)),
		...(profile.temperature ? [] : (['set-to'] as const)),
		...(profile.operation.lock ? [] : (['keys'] as const)),
		...(zone.fedBy === null ? (['water'] as const) : [])
	];
}

/** Calls for which the trade's own frequencies stand: as many of a firm's own weigh as much. */
const TRADE_CALLS = 20;

/** Causes with a firm's own closed calls counted in, by kind: common practice first, experience as it comes. */
export function taught(
	causes: readonly Cause[],
	closed: Readonly<Partial<Record<CauseKind, number>>>
): Cause[] {
	const sum = causes.reduce((all, { prior }) => all + prior, 0);
	const ofKind = new Map<CauseKind, number>();
	for (const { kind, prior } of causes) ofKind.set(kind, (ofKind.get(kind) ?? 0) + prior / sum);
	return causes.map((cause) => {
		const base = ofKind.get(cause.kind)!;
		return {
			...cause,
			prior: (cause.prior * (TRADE_CALLS * base + (closed[cause.kind] ?? 0))) / (TRADE_CALLS * base)
		};
	});
}

/** The answers that a question has. */
export const answersTo = (question: QuestionId): readonly string[] => QUESTIONS[question];
