type Lamp = { readonly shows: string; readonly means: string };

/** What a lamp shows and means, as a person writes it: "green: it rests; red: it heats". */
export const writeLamps = (lamps: readonly Lamp[]): string =>
	lamps.map(({ shows, means }) => `${shows}: ${means}`).join('; ');

/** Lamps read as {@link writeLamps} writes them: at most eight; what has no colon is left out. */
export const readLamps = (text: string): Lamp[] =>
	text
		.split(';')
		.flatMap((part): Lamp[] => {
			const [, shows, means] = /^\s*([^:]{1,40}?)\s*:\s*(.{1,200}?)\s*$/.exec(part) ?? [];
			return shows && means ? [{ shows, means }] : [];
		})
		.slice(0, 8);
