import { readFileSync } from 'node:fs';
import { describe, expect, it } from 'vitest';
import { sampleZone } from '../../src/core/checks';
import { shippedProfiles } from '../../src/core/control';
import { readControlFile } from '../../src/core/formats';
import { cardAsNew, zoneCard } from '../../src/core/keying';
import { isOperable } from '../../src/core/machine';
import { formatPages } from '../../scripts/formatDocs';

describe('the pages about files', () => {
	it.each(Object.entries(formatPages()))('docs/formats/%s says what the schema says', (name, text) => {
		expect(readFileSync(`docs/formats/${name}`, 'utf8')).toBe(text);
	});

	it('say how many kinds of control ship', () => {
		for (const page of ['README.md', 'docs/domain.md'])
			expect(readFileSync(page, 'utf8'), page).toMatch(new RegExp(`^${shippedProfiles.length} kinds`, 'm'));
	});

	it('show a control file that is read', () => {
		const [, example] = /```json\n([\s\S]*?)```/.exec(readFileSync('docs/control-file.md', 'utf8'))!;
		const read = readControlFile(example!);
		expect(read.ok && read.value.id).toBe('cellar-stat');
	});

	it('show a panel that works: every value of a card has its keys on it', () => {
		const text = readFileSync('docs/control-file.md', 'utf8');
		const [whole] = /```json\n([\s\S]*?)```/.exec(text)!.slice(1);
		const [panel] = /```json\n"panel": ([\s\S]*?)```/.exec(text)!.slice(1);
		const [menu] = /```json\n"menu": ([\s\S]*?)```/.exec(text)!.slice(1);
		const file = JSON.parse(whole!) as { profile: object };
		const read = readControlFile(
			JSON.stringify({
				...file,
				profile: { ...file.profile, panel: JSON.parse(panel!) as object, menu: JSON.parse(menu!) as object }
			})
		);
		if (!read.ok || !isOperable(read.value)) throw new Error(read.ok ? 'no panel' : JSON.stringify(read));
		const { card } = zoneCard(sampleZone(read.value), read.value);
		const { steps } = cardAsNew(read.value, { items: card.items, ...card.operated! });
		expect(steps.filter(({ keys }) => keys === null)).toEqual([]);
		expect(steps.length).toBeGreaterThan(10);
	});
});
