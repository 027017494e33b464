import type { Role } from '../guard/roles';

/** Fields that a role does not see, with what stands in their place: whoever only reads learns no lock code, nor that it is the one it came with. */
const hidden: Partial<Record<Role, Readonly<Record<string, unknown>>>> = {
	reader: { lockCode: '', lockCodeIsFactory: null }
};

/** Checks that would tell what is hidden, by their id; the reasons for which they were overruled as well. */
const telling: Partial<Record<Role, readonly string[]>> = { reader: ['lock-code'] };

function cut(value: unknown, fields: Readonly<Record<string, unknown>>, checks: readonly string[]): unknown {
	if (Array.isArray(value))
		return value
			.filter((one: unknown) => {
				const { id, check } = (one ?? {}) as { id?: unknown; check?: unknown };
				return !checks.includes(String(id)) && !checks.includes(String(check));
			})
			.map((one) => cut(one, fields, checks));
	if (value === null || typeof value !== 'object') return value;
	if (value instanceof Promise) {
		const later = value.then((one: unknown) => cut(one, fields, checks));
		// what a page waits for may fail before it listens
		later.catch(() => undefined);
		return later;
	}
	const prototype: unknown = Object.getPrototypeOf(value);
	// only plain records hold fields; bytes and dates pass as they are
	if (prototype !== Object.prototype && prototype !== null) return value;
	return Object.fromEntries(
		Object.entries(value).map(([key, inner]) => [
			key,
			key in fields ? fields[key] : cut(inner, fields, checks)
		])
	);
}

/** Plain data as a role may see it (null: somebody not signed in, who sees what a reader does): the one place where anything is cut. */
export function seenBy<T>(role: Role | null, value: T): T {
	const as = role ?? 'reader';
	const fields = hidden[as];
	return fields ? (cut(value, fields, telling[as] ?? []) as T) : value;
}
