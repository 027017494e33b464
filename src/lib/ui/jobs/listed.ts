/** A site as it stands in the list of jobs. */
export interface ListedJob {
	readonly id: string;
	readonly name: string;
	readonly place: string;
	readonly zones: number;
	readonly zonesKeyed: number;
	readonly zonesMisfit: number;
	readonly valuesLeft: number;
	readonly visitOpenSince: string | null;
	/** What is due next there; null where nothing is. */
	readonly next: {
		readonly on: string;
		readonly late: boolean;
		readonly zone: string;
		readonly sentence: string;
	} | null;
}

// made once: making it takes longer than a hundred dates
const day = new Intl.DateTimeFormat('en-GB', { day: 'numeric', month: 'short', year: 'numeric' });

/** A date as lists say it: 3 Apr 2026. @param iso a date, or an instant */
export const dayWords = (iso: string): string => day.format(new Date(iso));

/** How far the keying of a site is. */
export function standingAt(job: ListedJob): string {
	if (job.zones === 0) return 'No zones yet';
	if (job.valuesLeft === 0) return job.zones === 1 ? 'Keyed' : `All ${job.zones} zones keyed`;
	const zones = job.zonesKeyed === 0 ? '' : `, ${job.zonesKeyed} of ${job.zones} zones done`;
	return `${job.valuesLeft} values to key${zones}`;
}

/** What is due next at a site, from when, and whether it cannot wait: something late or of today, a visit that is not ended. */
export function nextAt(
	{ next, visitOpenSince }: Pick<ListedJob, 'next' | 'visitOpenSince'>,
	today: string
): {
	readonly on: string;
	readonly since: boolean;
	readonly what: string;
	readonly pressing: boolean;
} | null {
	const due = next && { on: next.on, since: next.late, what: `${next.zone}: ${next.sentence}` };
	if (due && due.on <= today) return { ...due, pressing: true };
	if (visitOpenSince) return { on: visitOpenSince, since: true, what: 'Visit not finished.', pressing: true };
	return due && { ...due, pressing: false };
}
