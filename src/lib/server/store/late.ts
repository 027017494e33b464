/** When and from where values noted were sent, as the browser that sent them counts. */
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
 * Of what was noted at a control, what no later request of the same browser has noted already: a network may deliver a request long
 * after its sender gave it up and sent what came next. Known while the server runs. Without `sent`, all of it.
 */
export function notLate<T>(
	boxId: string,
	changes: Readonly<Record<string, T>>,
	sent: Sent | undefined
): Record<string, T> {
	if (!sent) return { ...changes };
	const known = latest.get(boxId) ?? new Map<string, number>();
	latest.delete(boxId);
	latest.set(boxId, known);
	if (latest.size > MOST_CONTROLS) latest.delete(latest.keys().next().value!);
	return Object.fromEntries(
		Object.entries(changes).filter(([key]) => {
			const of = `${sent.from} ${key}`;
			if ((known.get(of) ?? -Infinity) > sent.number) return false;
			known.set(of, sent.number);
			return true;
		})
	);
}
