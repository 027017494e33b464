interface FileControl {
	readonly name: string;
	readonly place: string;
	readonly note: string;
	readonly options: object;
	readonly keyed: Readonly<Record<string, string>>;
	readonly onSite: object;
}
interface FileZone {
	readonly on: { readonly control: number; readonly channel: number };
	readonly onSite: object;
}

/** A zone of a job file as it is seen: with what belongs to its control in it, as the computations of the API take it. */
export function seenZone(
	job: { readonly controls: unknown; readonly zones: unknown },
	index = 0
): Record<string, unknown> {
	const { on, onSite: own, ...zone } = (job.zones as FileZone[])[index]!;
	const { name, place, note, options, keyed, onSite, ...control } = (job.controls as FileControl[])[
		on.control
	]!;
	return {
		...zone,
		...control,
		box: { name, place, note },
		options: { ...options, channel: on.channel },
		keyed,
		onSite: { ...onSite, ...own }
	};
}

/** A job file with some of its zones, from a place on, and the controls that they hang on. */
export function someZones<J extends { readonly controls: unknown[]; readonly zones: unknown[] }>(
	job: J,
	from: number,
	to: number
): J {
	const zones = (job.zones as FileZone[]).slice(from, to);
	const controls = [...new Set(zones.map(({ on }) => on.control))];
	return {
		...job,
		controls: controls.map((at) => job.controls[at]),
		zones: zones.map((zone) => ({ ...zone, on: { ...zone.on, control: controls.indexOf(zone.on.control) } }))
	};
}
