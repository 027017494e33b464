/** A record without some of its fields. */
export function without<T extends object, Key extends keyof T>(
	record: T,
	...keys: readonly Key[]
): Omit<T, Key> {
	const gone = new Set<PropertyKey>(keys);
	return Object.fromEntries(Object.entries(record).filter(([key]) => !gone.has(key))) as Omit<T, Key>;
}
