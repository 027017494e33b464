import { expect, it } from 'vitest';
import { dwellingsSaid } from '.';

const said = (text: string, there: readonly string[] = []) => {
	const { type, names, problem } = dwellingsSaid(text, there);
	return (
		problem ??
		`${type}: ${names.length > 3 ? `${names[0]} … ${names.at(-1)}, ${names.length}` : names.join(', ')}`
	);
};

// ways in which landlords' lists are written (from memory)
it.each([
	['Flat A × 20, named 1–20', 'Flat A: Flat 1 … Flat 20, 20'],
	['Flat A x 3', 'Flat A: Flat 1, Flat 2, Flat 3'],
	['Flat A × 4, named 101-102, 201 to 202', 'Flat A: Flat 101 … Flat 202, 4'],
	['Studio, named 1, 2b and Lodge', 'Studio: Studio 1, Studio 2b, Lodge'],
	['Studio * 2: North, South', 'Studio: North, South'],
	['Flat 3 × 2, named G1–G2', 'Flat 3: G1, G2'],
	['Two bed times 2', 'Two bed: Two bed 1, Two bed 2'],
	['', ': '],
	['Flat A', 'How many? Write “× 20”, or their names: “named 1–20”.'],
	['Flat A × 20, named 1–19', '20 dwellings, but 19 names.'],
	['Flat A × 2, named 1, 1', 'Flat 1 is named twice.'],
	['Flat A, named 20–1', 'These names cannot be counted out. Write “1–20”.'],
	['Flat A × 0', 'From 1 to 200 at a time.']
])('%s', (text, heard) => {
	expect(said(text)).toBe(heard);
});

it('counts on after those that are there, and takes none twice', () => {
	expect(said('Flat B × 2', ['', 'Flat 1', 'Flat 20', 'Lodge'])).toBe('Flat B: Flat 21, Flat 22');
	expect(said('Flat B, named 20–22', ['Flat 20'])).toBe('Flat 20 is on this site already.');
});
