/** A short mark of a day's content by what it shows, so that a copy made of another content is another copy. */
export function markOf(shown: readonly string[]): string {
	const text = shown.join('|');
	let hash = 0;
	for (let i = 0; i < text.length; i++) hash = (Math.imul(hash, 31) + text.charCodeAt(i)) | 0;
	return (hash >>> 0).toString(36);
}
