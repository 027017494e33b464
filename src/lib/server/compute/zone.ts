import type { z } from 'zod';
import { findProfile } from '$core/control';
import { fitZone } from '$core/fit';
import type { computeRequest, fitResponse, keyInResponse, Problem } from '$core/formats';
import { zoneCard } from '$core/keying';

type ComputeRequest = z.output<typeof computeRequest>;
type Computed<T> = { value: T } | { problem: Problem };

function profileFor({ zone, profile }: ComputeRequest) {
	return profile ?? findProfile(zone.control);
}

export const unknownControl = (id: string): { problem: Problem } => ({
	problem: {
		path: 'zone.control',
		sentence: `No control called "${id}" ships with the program; send its profile along.`
	}
});

/** The fits of a zone, as the API answers them. */
export function computeFit(request: ComputeRequest): Computed<z.input<typeof fitResponse>> {
	const profile = profileFor(request);
	if (!profile) return unknownControl(request.zone.control);
	const { fits, chosen, suggested } = fitZone(request.zone, profile);
	return {
		value: {
			chosen: chosen.grouping.id,
			suggested,
			optimal: fits.every((fit) => fit.couldGain === 0),
			fits: fits.map((fit) => ({
				grouping: fit.grouping.id,
				name: fit.grouping.name,
				program: fit.program,
				held: fit.held.map((step) => ({ ...step })),
				heldCool: fit.heldCool && fit.heldCool.map((step) => ({ ...step })),
				coldKelvinMinutes: fit.misfit.coldKelvinMinutes,
				warmKelvinMinutes: fit.misfit.warmKelvinMinutes,
				coldMinutes: fit.misfit.coldMinutes,
				warmMinutes: fit.misfit.warmMinutes,
				weighted: fit.misfit.weighted,
				misfit: fit.misfit.spans.map((span) => ({ ...span, cooling: span.cooling ?? false })),
				valuesToKey: fit.valuesToKey,
				lost: fit.lost.map((period) => ({ ...period })),
				couldGain: fit.couldGain,
				searched: { ...fit.searched }
			}))
		}
	};
}

/** The key-in card of a zone, as the API answers it. */
export function computeKeyIn(request: ComputeRequest): Computed<z.input<typeof keyInResponse>> {
	const profile = profileFor(request);
	if (!profile) return unknownControl(request.zone.control);
	const { notes, ...zone } = request.zone;
	const { chosen, card } = zoneCard(zone, profile, notes ?? undefined);
	const { operated: _, items, route, ...answer } = card;
	// what a value is to bring about at the control is for who presses its keys
	const plain = items.flatMap(({ goal: _goal, why: _why, stood, ...item }) => (stood ? [] : [item]));
	return { value: { grouping: chosen.grouping.id, ...answer, route: route.join(' '), items: plain } };
}
