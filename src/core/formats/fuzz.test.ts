import { describe, expect, it } from 'vitest';
import { fileKinds } from '../../../tests/support/damage';
import { seeded } from '../../../tests/support/siteModel';

describe('a file from anywhere, damaged past its head', () => {
	it.each(fileKinds())('is read or refused in a sentence: %s', (name, damaged, read) => {
		const random = seeded(20_261_126);
		let refused = 0;
		for (let i = 0; i < (name === 'weather' ? 25 : 120); i++) {
			const result = read(damaged(random));
			if (result.ok) continue;
			refused++;
			expect(result.problem.sentence).toMatch(/^["“(\p{Lu}\d].*\.$/su);
			expect(result.problem.sentence).not.toMatch(
				/undefined|TypeError|\bis not a function|Cannot read|ZodError|\[object/
			);
			expect(result.problem.sentence.length).toBeLessThan(400);
		}
		expect(refused).toBeGreaterThan(5);
	});
});
