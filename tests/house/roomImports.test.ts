import { ESLint } from 'eslint';
import { mkdtempSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { describe, expect, it } from 'vitest';
import { wayBack } from '../../scripts/lint/noCircles.js';
import { importRefusal } from '../../scripts/lint/roomImports.js';

describe('the rule of who may import whom', () => {
	it.each([
		['src/core/week/a.ts', 'svelte', /may not import "svelte"/],
		['src/core/fit/a.ts', 'node:fs', /may not import "node:fs"/],
		['src/core/fit/a.ts', 'sequelize', /may not import/],
		['src/core/week/a.ts', '../control', /core\/week may not import core\/control/],
		['src/core/control/a.ts', '../fit', /may not import core\/fit/],
		['src/core/fit/a.ts', '../control/level', /by its index/],
		['src/core/plan/a.ts', '../../lib/ui/call', /may not import from lib\/ui/],
		['src/lib/ui/a.ts', '$lib/server/db', /lib\/ui may not import from lib\/server/],
		['src/lib/server/a.ts', '../ui/call', /lib\/server may not import from lib\/ui/],
		['src/lib/ui/a.ts', '../../routes/x', /may not import from routes/]
	])('%s importing %s is refused', (file, source, words) => {
		expect(importRefusal(file, source)).toMatch(words);
	});

	it.each([
		['src/core/fit/a.ts', '../control'],
		['src/core/fit/a.ts', './cost'],
		['src/core/formats/a.ts', 'zod'],
		['src/lib/ui/a.ts', '$core/week'],
		['src/lib/ui/a.ts', '$lib/workers/fitFollower'],
		['src/routes/+page.svelte', '$lib/server/db'],
		['src/core/fit/a.test.ts', 'node:fs'],
		['bench/a.ts', '../src/core/fit/cost']
	])('%s importing %s is allowed', (file, source) => {
		expect(importRefusal(file, source)).toBeNull();
	});

	it('fails the project’s own lint on a wrong import', async () => {
		const lint = new ESLint();
		const [wrong] = await lint.lintText("import { onMount } from 'svelte';\nexport const x = onMount;\n", {
			filePath: 'src/core/week/wrong.ts'
		});
		expect(wrong!.messages.map((message) => message.ruleId)).toContain('house/room-imports');
		const [right] = await lint.lintText("import { z } from 'zod';\nexport const x = z;\n", {
			filePath: 'src/core/week/right.ts'
		});
		expect(right!.messages).toEqual([]);
	});
});

describe('the rule that no file leads back to itself', () => {
	const room = mkdtempSync(path.join(tmpdir(), 'circle-'));
	const write = (name: string, lines: string) => writeFileSync(path.join(room, name), lines);
	const ways = (name: string, source: string) =>
		wayBack(path.join(room, name), source)?.map((file) => path.basename(file)) ?? null;

	it('names the way round, by a type, over several lines, by what is passed on, and forgets it once it is mended', () => {
		write('a.ts', "import { b } from './b';\n");
		write('b.ts', "export * from './c';\n");
		write('c.ts', "import {\n\ttype A,\n\ttype B\n} from './a';\n");
		expect(ways('a.ts', './b')).toEqual(['b.ts', 'c.ts']);
		expect(ways('c.ts', './a')).toEqual(['a.ts', 'b.ts']);
		write('c.ts', "import { z } from 'zod';\nconst said = 'from ./a';\n");
		expect(ways('a.ts', './b')).toBeNull();
	});

	it('is part of the project’s own lint', async () => {
		const [found] = await new ESLint().lintText(
			"import { zoneCard } from '../keying';\nexport const x = zoneCard;\n",
			{
				filePath: 'src/core/machine/machine.ts'
			}
		);
		expect(found!.messages.map(({ ruleId }) => ruleId)).toContain('house/no-circles');
	});
});
