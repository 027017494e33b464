/** Dwellings of one type as a line says them; none, and why not, where it says nothing that can be taken. */
export interface SaidDwellings {
	readonly type: string;
	readonly names: readonly string[];
	readonly problem: string | null;
}

/** As many dwellings as a site can have zones. */
const MOST = 200;

/** The names within "1–20, 101–104, Lodge", numbers counted out; null where a count runs backwards or on and on. */
function namesSaid(text: string): string[] | null {
	const names = text
		.split(/[,;]|\band\b/)
		.map((part) => part.trim())
		.filter(Boolean)
		.map((part) => {
			const [, stem = '', from, again = '', to] =
				/^(.*?)(\d{1,5})\s*(?:[-–—]|to)\s*(\D*)(\d{1,5})$/u.exec(part) ?? [];
			// "G1–G4" says its stem again
			if (from === undefined || (again !== '' && again !== stem)) return [part];
			const [first, last] = [Number(from), Number(to)];
			if (last < first || last - first >= MOST) return null;
			return Array.from({ length: last - first + 1 }, (_, i) => `${stem}${first + i}`);
		});
	return names.every((some) => some !== null) ? names.flat() : null;
}

/**
 * Dwellings from one line: "Flat A × 20, named 1–20". Before the sign stands the type, after it how many; a name that is only a number takes the
 * type's first words before it ("Flat 7"). Where no names are said they are counted on after those that are `there`.
 */
export function dwellingsSaid(text: string, there: readonly string[]): SaidDwellings {
	const refused = (type: string, problem: string | null) => ({ type, names: [], problem });
	const said =
		/^(.*?)(?:\s*[×*]\s*|\s+(?:x|times)\s+)(\d+)(?:\s*[,:]?\s*(?:(?:named|called)\s+)?(.+))?$/iu.exec(
			text.trim()
		);
	const named = said ?? /^(.*?)()\s*,?\s*(?:named|called)\s+(.+)$/iu.exec(text.trim());
	const type = (named?.[1] ?? text).trim().replace(/,$/, '').slice(0, 80);
	if (type === '') return refused('', null);
	if (!named) return refused(type, 'How many? Write “× 20”, or their names: “named 1–20”.');
	const count = said ? Number(said[2]) : null;
	if (count !== null && (count < 1 || count > MOST)) return refused(type, `From 1 to ${MOST} at a time.`);
	// "Flat A" and "Flat B" are both flats; "Studio" is one itself
	const kind = type.replace(/\s+(?:\p{L}|\d+)$/u, '');
	const called = (name: string) => (/^\d+\p{L}?$/u.test(name) ? `${kind} ${name}` : name).slice(0, 40);
	let names: readonly string[] | null;
	if (named[3] === undefined) {
		const numbers = there
			.filter((one) => one.startsWith(`${kind} `))
			.map((one) => Number(one.slice(kind.length + 1)));
		const last = Math.max(0, ...numbers.filter(Number.isInteger));
		names = Array.from({ length: count! }, (_, i) => called(String(last + 1 + i)));
	} else names = namesSaid(named[3])?.map(called) ?? null;
	if (!names || names.length > MOST) return refused(type, 'These names cannot be counted out. Write “1–20”.');
	const twice = names.find((name, i) => names.indexOf(name) < i);
	if (twice !== undefined) return refused(type, `${twice} is named twice.`);
	const taken = names.find((name) => there.includes(name));
	if (taken !== undefined) return refused(type, `${taken} is on this site already.`);
	if (count !== null && count !== names.length)
		return refused(type, `${count} dwellings, but ${names.length} names.`);
	return { type, names, problem: null };
}
