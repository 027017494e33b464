/** Whether words answer to what was asked: each word of it begins one of theirs, in any order. */
export function answersTo(words: string, asked: string): boolean {
	const theirs = words.toLowerCase().split(/[^\p{L}\p{N}]+/u);
	return asked
		.toLowerCase()
		.split(/[^\p{L}\p{N}]+/u)
		.every((word) => theirs.some((one) => one.startsWith(word)));
}
