/** Where values are noted as keyed in a running demo: as many as are wanted, each told apart by who sends it and its number. */
export async function notedValues(url: string): Promise<{
	readonly site: string;
	readonly zone: string;
	/** Sends one value; the answer, or null where there was none. */
	readonly send: (at: string, from: string, number: number) => Promise<Response | null>;
	/** Which of them are kept, as `from/number`. */
	readonly kept: (at: string) => Promise<ReadonlySet<string>>;
}> {
	const { jobs } = (await (await fetch(`${url}/api/v1/jobs`)).json()) as { jobs: { id: string }[] };
	const site = jobs[0]!.id;
	const board = await (await fetch(`${url}/sites/${site}`)).text();
	const zone = /\/zones\/([0-9a-f-]{36})\/week/.exec(board)![1]!;
	return {
		site,
		zone,
		send: (at, from, number) =>
			fetch(`${at}/api/v1/jobs/${site}/zones/${zone}/notes`, {
				method: 'POST',
				headers: { 'content-type': 'application/json' },
				body: JSON.stringify({ notes: [noteOf(from, number)] })
			}).catch(() => null),
		async kept(at) {
			const { controls } = (await (await fetch(`${at}/api/v1/jobs/${site}`)).json()) as {
				controls: { notes: { acts: { by: { from: string; number: number } }[] } | null }[];
			};
			return new Set(
				controls.flatMap(({ notes }) => (notes?.acts ?? []).map(({ by }) => `${by.from}/${by.number}`))
			);
		}
	};
}

/** A value keyed by a device, as the number-th of what it notes. */
export const noteOf = (from: string, number: number) => ({
	what: 'keyed',
	goals: [{ of: 'option', id: 'clock', position: number % 2 }],
	by: { from, number, atMs: Date.now() }
});
