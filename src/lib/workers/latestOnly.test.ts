import { describe, expect, it, vi } from 'vitest';
import { LatestOnly } from './latestOnly';

/** Work that the test finishes, or lets fail, by hand. */
function byHand() {
	const begun: { question: string; finish: (answer: string) => void; fail: () => void }[] = [];
	const answers: string[] = [];
	const latest = new LatestOnly<[string], string>(
		(question) =>
			new Promise((resolve, reject) =>
				begun.push({ question, finish: resolve, fail: () => reject(new Error('lost')) })
			),
		(answer) => answers.push(answer)
	);
	return { latest, begun, answers };
}
const turn = () => new Promise((resolve) => setTimeout(resolve));

describe('an answer that follows its question', () => {
	it('is worked on one at a time, and of those asked meanwhile only the last is', async () => {
		const { latest, begun, answers } = byHand();
		for (const question of ['a', 'b', 'c']) latest.ask(question);
		expect(begun.map(({ question }) => question)).toEqual(['a']);
		begun[0]!.finish('A');
		await turn();
		expect(begun.map(({ question }) => question)).toEqual(['a', 'c']);
		begun[1]!.finish('C');
		await turn();
		expect(answers).toEqual(['A', 'C']);
		latest.ask('d');
		expect(begun).toHaveLength(3);
	});

	it('goes on with what was asked meanwhile where one fails', async () => {
		const said = vi.spyOn(console, 'error').mockReturnValue();
		const { latest, begun, answers } = byHand();
		latest.ask('a');
		latest.ask('b');
		begun[0]!.fail();
		await turn();
		begun[1]!.finish('B');
		await turn();
		expect(answers).toEqual(['B']);
		expect(said).toHaveBeenCalledOnce();
		said.mockRestore();
	});
});
