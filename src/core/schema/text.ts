import { z } from 'zod';

// eslint-disable-next-line no-control-regex
const CONTROL = /[\u0000-\u001f\u007f]+/g;
// eslint-disable-next-line no-control-regex
const CONTROL_BUT_BREAKS = /[\u0000-\u0008\u000b-\u001f\u007f]+/g;

/** What a display shows, of at most so many characters, as it stands but for control characters. */
export const shownText = (most: number) =>
	z
		.string()
		.max(most, `is longer than ${most} characters`)
		.transform((text) => text.replace(CONTROL, ' '));

/** A line of words of at most so many characters: line breaks and other control characters in it become a space. */
export const oneLine = (most: number) =>
	z
		.string()
		.trim()
		.max(most, `is longer than ${most} characters`)
		.transform((text) => text.replace(CONTROL, ' ').trim());

/** A few lines of words of at most so many characters: control characters but line breaks become a space. */
export const someLines = (most: number) =>
	z
		.string()
		.trim()
		.max(most, `is longer than ${most} characters`)
		.transform((text) => text.replace(CONTROL_BUT_BREAKS, ' ').trim());

/** Words with a capital at the beginning, for the beginning of a sentence. */
export const capital = (words: string) => words.charAt(0).toUpperCase() + words.slice(1);

/** A name as it is kept, as it is read: `in-use` is in use. */
export const spokenName = (name: string) => name.replaceAll('-', ' ');

/** So many of something: "1 value", "3 values"; `many` where it is no mere s. */
export const counted = (count: number, one: string, many = `${one}s`): string =>
	`${count} ${count === 1 ? one : many}`;
