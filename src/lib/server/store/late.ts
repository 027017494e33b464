import { targetOf, type Note } from '$core/keying';

/** When and from where notes were sent, as the browser that sent them counts. */
export interface Sent {
	/** The browser that sent them. */
	readonly from: string;
	/** Its own count, higher with each request; a time in ms serves. */
	readonly number: number;
}

/** Controls for which it is known what came last; beyond them those asked least lately are forgotten. */
const MOST_CONTROLS = 1000;
/** By control, then by sender and value: the number under which the value came last. */
const latest = new Map<string, Map<string, number>>();

/**
 * Of what was noted at a control, what neither this nor a later request of the same browser has noted already: a network may deliver a
 * request twice, or long after its sender gave it up and sent what came next. Known while the server runs. Without `sent`, all of it.
 */
export function notLate(boxId: string, notes: readonly Note[], sent: Sent | undefined): readonly Note[] {
	if (!sent) return notes;
	const known = latest.get(boxId) ?? new Map<string, number>();
	latest.delete(boxId);
	latest.set(boxId, known);
	if (latest.size > MOST_CONTROLS) latest.delete(latest.keys().next().value!);
	const of = (target: string) => `${sent.from} ${target}`;
	const isNew = (target: string) => (known.get(of(target)) ?? -Infinity) < sent.number;
	const fresh = notes.flatMap((note): Note[] => {
		if (note.what === 'found') return isNew('found') ? [note] : [];
		const goals = note.goals.filter((goal) => isNew(targetOf(goal)));
		return goals.length > 0 ? [{ ...note, goals }] : [];
	});
	for (const note of notes)
		for (const target of note.what === 'found' ? ['found'] : note.goals.map(targetOf))
			if (isNew(target)) known.set(of(target), sent.number);
	return fresh;
}
