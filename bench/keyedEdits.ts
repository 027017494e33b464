/** Where values are noted as keyed in a running demo, and ids that a card of that control could have: as many as are wanted. */
export async function keyedEdits(url: string): Promise<{
	readonly site: string;
	readonly zone: string;
	/** Sends one value; the answer, or null where there was none. */
	readonly send: (at: string, key: string, value: string) => Promise<Response | null>;
	readonly key: (i: number) => string;
	/** What is kept of them. */
	readonly kept: (at: string) => Promise<Record<string, string>>;
}> {
	const read = async <T>(address: string) => (await (await fetch(url + address)).json()) as T;
	const { jobs } = await read<{ jobs: { id: string }[] }>('/api/v1/jobs');
	const site = jobs[0]!.id;
	const board = await (await fetch(`${url}/sites/${site}`)).text();
	const zone = /\/zones\/([0-9a-f-]{36})\/week/.exec(board)![1]!;
	const job = await read<{ controls: { control: string }[] }>(`/api/v1/jobs/${site}`);
	const { profile } = await read<{ profile: { groupings: { id: string }[] } }>(
		`/api/v1/controls/${job.controls[0]!.control}`
	);
	const stem = `${profile.groupings[0]!.id}/4/C/24/copy/0-1`;
	return {
		site,
		zone,
		key: (i) => `${stem}/${i.toString(36)}`,
		send: (at, key, value) =>
			fetch(`${at}/api/v1/jobs/${site}/zones/${zone}/keyed`, {
				method: 'POST',
				headers: { 'content-type': 'application/json' },
				body: JSON.stringify({ changes: { [key]: value } })
			}).catch(() => null),
		async kept(at) {
			const now = (await (await fetch(`${at}/api/v1/jobs/${site}`)).json()) as {
				controls: { keyed: Record<string, string> }[];
			};
			return Object.assign({}, ...now.controls.map((one) => one.keyed)) as Record<string, string>;
		}
	};
}
