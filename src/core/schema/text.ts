/** Words with a capital at the beginning, for the beginning of a sentence. */
export const capital = (words: string) => words.charAt(0).toUpperCase() + words.slice(1);

/** A name as it is kept, as it is read: `in-use` is in use. */
export const spokenName = (name: string) => name.replaceAll('-', ' ');
