import type { z } from 'zod';
import { findProfile } from '$core/control';
import { fitZone } from '$core/fit';
import type { Problem, roomRequest, simulateResponse, warmUpResponse } from '$core/formats';
import { proofOf, type Proof } from '$core/thermal';
import { without } from '$core/schema';
import { proofWords, type ProofWords } from '$core/words';
import { unknownControl } from './zone';

type RoomRequest = z.output<typeof roomRequest>;
type Computed<T> = { value: T } | { problem: Problem };

function proved({
	zone,
	profile,
	outdoorC
}: RoomRequest): { proof: Proof; words: ProofWords } | { problem: Problem } {
	const control = profile ?? findProfile(zone.control);
	if (!control) return unknownControl(zone.control);
	const room = zone.room!;
	const proof = proofOf(zone, room, control, fitZone(zone, control).chosen.held, outdoorC);
	return { proof, words: proofWords(proof, zone, room, control) };
}

/** How long a zone's room takes to warm, as the API answers it. */
export function computeWarmUp(request: RoomRequest): Computed<z.input<typeof warmUpResponse>> {
	const made = proved(request);
	if ('problem' in made) return made;
	const { night, curve, halfHourDownTo, rises } = made.proof;
	return {
		value: {
			night: night && { ...night },
			curve: curve.map((point) => ({ ...point })),
			halfHourDownTo,
			rises: rises.map(({ at, minutes, highestC }) => ({ at, minutes, highestC })),
			sentence: made.words.halfHour
		}
	};
}

/** A week of a zone's room under its program, as the API answers it. */
export function computeSimulate(request: RoomRequest): Computed<z.input<typeof simulateResponse>> {
	const made = proved(request);
	if ('problem' in made) return made;
	const { days, ways, timeConstantHours, overnightLowC, regulation, floor, frost } = made.proof;
	const hourly = (values: readonly number[]) => values.filter((_, i) => i % 12 === 0);
	return {
		value: {
			answer: made.words.answer,
			timeConstantHours,
			airC: hourly(days.air),
			outdoorC: hourly(days.outdoor),
			ways: {
				steady: without(ways.steady, 'hoursKWh'),
				programmed: without(ways.programmed, 'hoursKWh'),
				frost: without(ways.frost, 'hoursKWh')
			},
			overnightLowC,
			regulation: regulation.map((one) => ({ ...one })),
			floor: floor && { ...floor },
			frost
		}
	};
}
