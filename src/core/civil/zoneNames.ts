const known = new Set<string>();

/** Whether the run-time's tz database knows a zone by this name. */
export function isTimeZone(name: string): boolean {
	if (known.has(name)) return true;
	const is = asked(name);
	if (is) known.add(name);
	return is;
}

function asked(name: string): boolean {
	try {
		new Intl.DateTimeFormat('en', { timeZone: name });
		return /^[A-Za-z]/.test(name);
	} catch {
		return false;
	}
}

/** The time zones of the run-time's tz database, UTC first. */
export function timeZones(): string[] {
	return ['UTC', ...Intl.supportedValuesOf('timeZone').filter((zone) => zone !== 'UTC')];
}
