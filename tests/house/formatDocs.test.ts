import { readFileSync } from 'node:fs';
import { describe, expect, it } from 'vitest';
import { readControlFile } from '../../src/core/formats';
import { formatPages } from '../../scripts/formatDocs';

describe('the pages about files', () => {
	it.each(Object.entries(formatPages()))('docs/formats/%s says what the schema says', (name, text) => {
		expect(readFileSync(`docs/formats/${name}`, 'utf8')).toBe(text);
	});

	it('show a control file that is read', () => {
		const [, example] = /```json\n([\s\S]*?)```/.exec(readFileSync('docs/control-file.md', 'utf8'))!;
		const read = readControlFile(example!);
		expect(read.ok && read.value.id).toBe('cellar-stat');
	});
});
