import { describe, expect, it } from 'vitest';
import { Busy, Lane, type Asker } from './lane';

const never = new AbortController().signal;
const importer: Asker = { person: 'a', place: 'new' };
const saving: Asker = { person: 'b', place: 'mill' };
const reader: Asker = { person: 'c', place: '' };

/** A lane whose work is done when the test says so. */
function held(most: ConstructorParameters<typeof Lane>[0]) {
	const lane = new Lane(most);
	const begun: string[] = [];
	const ends = new Map<string, () => void>();
	const run = (asker: Asker, name: string, signal = never, weight = 0) => {
		const answer = lane.run(
			asker,
			signal,
			() => {
				begun.push(name);
				return new Promise<string>((resolve) => ends.set(name, () => resolve(name)));
			},
			weight
		);
		answer.catch(() => undefined);
		return answer;
	};
	/** Lets what runs take so many ms and end. */
	const end = async (name: string, ms = 4) => {
		await new Promise((resolve) => setTimeout(resolve, ms));
		ends.get(name)!();
		await new Promise((resolve) => setTimeout(resolve, 0));
	};
	return { run, end, begun };
}

describe('a lane that is shared out', () => {
	it('lets one saving pass a whole import, and an importer’s other site too', async () => {
		const { run, end, begun } = held({ running: 1, waiting: 4000, ofOne: 4000 });
		for (let zone = 0; zone < 200; zone++) void run(importer, `zone ${zone}`);
		await end('zone 0');
		void run(saving, 'saved');
		void run({ ...importer, place: 'mill' }, 'own other site');
		await end('zone 1');
		expect(begun.slice(2)).toEqual(['saved']);
		await end('saved');
		expect(begun.slice(3)).toEqual(['own other site']);
		await end('own other site');
		expect(begun.at(-1)).toBe('zone 2');
	});

	it('makes nobody wait for what they were given before others came', async () => {
		const { run, end, begun } = held({ running: 1, waiting: 100, ofOne: 100 });
		for (let one = 0; one < 5; one++) {
			void run(importer, `early ${one}`);
			await end(`early ${one}`);
		}
		// alone until now: from here on both have the same
		for (let one = 0; one < 3; one++) {
			void run(saving, `b ${one}`);
			void run(importer, `a ${one}`);
		}
		for (let turn = 0; turn < 6; turn++) await end(begun.at(-1)!);
		expect([...begun.slice(5, 7)].sort()).toEqual(['a 0', 'b 0']);
	});

	it('gives up the older of one person’s many, never another’s', async () => {
		const { run, end, begun } = held({ running: 1, waiting: 64, ofOne: 8 });
		const heavy = Array.from({ length: 40 }, (_, i) => run(reader, `heavy ${i}`));
		const small = run(saving, 'small');
		await expect(heavy[1]).rejects.toThrow(Busy);
		await end('heavy 0');
		expect(begun).toEqual(['heavy 0', 'small']);
		await end('small');
		await expect(small).resolves.toBe('small');
		expect(begun.at(-1)).toBe('heavy 32');
	});

	it('where two may run, does not even wait for the one that is long; and of one person’s the lighter goes first', async () => {
		const { run, end, begun } = held({ running: 2, waiting: 64, ofOne: 64 });
		for (let zone = 0; zone < 3; zone++) void run(importer, `zone ${zone}`, never, 2000);
		void run(importer, 'light', never, 7);
		expect(begun).toEqual(['zone 0']);
		void run(saving, 'saved');
		expect(begun).toEqual(['zone 0', 'saved']);
		await end('zone 0');
		expect(begun.at(-1)).toBe('light');
	});

	it('takes who is gone, or late, out of the queue, and goes on', async () => {
		const { run, end, begun } = held({ running: 1, waiting: 64, ofOne: 64 });
		const gone = new AbortController();
		void run(reader, 'first');
		const left = run(reader, 'left', gone.signal);
		void run(reader, 'next');
		gone.abort(new Error('gone'));
		await expect(left).rejects.toThrow('gone');
		await end('first');
		expect(begun).toEqual(['first', 'next']);
	});
});
