/**
 * What a browser keeps for a page, over reloads. Some are full and some forbid it: then it is kept for as long as the window is open, and
 * whoever asks hears that it is no longer than that.
 */
const held = new Map<string, string>();

/** What is kept under a name; null for nothing. */
export function kept(name: string): string | null {
	if (held.has(name)) return held.get(name)!;
	try {
		return localStorage.getItem(name);
	} catch {
		return null;
	}
}

/** Keeps a text under a name, or with null forgets it. Returns whether it is kept over a reload too. */
export function keep(name: string, text: string | null): boolean {
	try {
		if (text === null) localStorage.removeItem(name);
		else localStorage.setItem(name, text);
		held.delete(name);
		return true;
	} catch {
		if (text === null) held.delete(name);
		else held.set(name, text);
		return text === null;
	}
}

/** What is kept as JSON under a name; null for nothing, or for what is no JSON. */
export function keptJson(name: string): unknown {
	try {
		return JSON.parse(kept(name) ?? 'null');
	} catch {
		return null;
	}
}

/** Keeps a value as JSON; see {@link keep}. */
export const keepJson = (name: string, value: unknown): boolean =>
	keep(name, value === null ? null : JSON.stringify(value));

/** The names under which something is kept. */
export function keptNames(): string[] {
	const names = [...held.keys()];
	try {
		for (let i = 0; i < localStorage.length; i++) names.push(localStorage.key(i)!);
	} catch {
		// nothing may be read: then nothing is kept but what is held
	}
	return [...new Set(names)];
}
