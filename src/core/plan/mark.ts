/** A short mark of a JSON value (FNV-1a of its text, in base 36): the same value gives the same mark; another mark means another value. */
export function mark(value: unknown): string {
	const text = JSON.stringify(value);
	let hash = 0x811c9dc5;
	for (let i = 0; i < text.length; i++) hash = Math.imul(hash ^ text.charCodeAt(i), 0x01000193);
	return (hash >>> 0).toString(36);
}
