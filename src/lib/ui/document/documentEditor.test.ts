import fc from 'fast-check';
import { beforeEach, describe, expect, it } from 'vitest';
import { asked, later, net, type Network } from '../../../../tests/support/network';
import { DocumentEditor } from './documentEditor.svelte';
import { saving } from '../saving.svelte';

interface Doc {
	readonly text: string;
}
let stored: { revision: number; document: Doc };
let history: string[];

/** A second window saves. */
function elsewhere(text: string) {
	stored = { revision: stored.revision + 1, document: { text } };
	history.push(text);
}

beforeEach(() => {
	stored = { revision: 1, document: { text: 'as found' } };
	history = [];
	net.serve((_method, _path, body) => {
		const { revision, zone } = body as { revision: number; zone: Doc };
		if (zone.text === 'nonsense') return { status: 422, body: { error: { sentence: 'It is nonsense.' } } };
		if (revision !== stored.revision)
			return { status: 409, body: { current: { revision: stored.revision, zone: stored.document } } };
		stored = { revision: revision + 1, document: zone };
		history.push(zone.text);
		return { status: 200, body: { revision: stored.revision } };
	});
});

const opened = () => new DocumentEditor<Doc>('/zone', 'zone', stored.document, stored.revision);
const text = (words: string): Doc => ({ text: words });

describe('a document on a page', () => {
	it('is saved a moment after a change, several quick ones as one, and says where it stands', async () => {
		const editor = opened();
		editor.change(text('a'));
		editor.change(text('b'));
		expect([saving.now.kind, editor.unsaved]).toEqual(['saving', true]);
		await later(400);
		expect(asked).toHaveLength(1);
		expect(stored.document.text).toBe('b');
		expect([saving.now.kind, editor.unsaved]).toEqual(['saved', false]);
		// changed while a save is on its way
		editor.change(text('c'));
		await later(260);
		editor.change(text('d'));
		await later(1000);
		expect(stored).toMatchObject({ document: { text: 'd' }, revision: 4 });
		expect(saving.now.kind).toBe('saved');
	});

	it('changed while a slow save is on its way is sent once after it, whoever asks for it meanwhile', async () => {
		const editor = opened();
		editor.change(text('a'));
		await later(260);
		editor.change(text('b'));
		void editor.flush();
		void editor.flush();
		await later(1000);
		expect(editor.conflict).toBeNull();
		expect([history, asked.length]).toEqual([['a', 'b'], 2]);
	});

	it('undone before it was sent is not sent, and counts as saved', async () => {
		const editor = opened();
		editor.change(text('a'));
		editor.undo();
		await later(1000);
		expect(asked).toEqual([]);
		expect(saving.now.kind).toBe('saved');
	});

	it('takes a drag as one step of undo, or as none where it is dropped', () => {
		const editor = opened();
		for (const words of ['x', 'xy', 'xyz']) editor.preview(text(words));
		editor.commit();
		expect(editor.document.text).toBe('xyz');
		editor.preview(text('far'));
		editor.cancel();
		expect(editor.document.text).toBe('xyz');
		editor.undo();
		expect([editor.document.text, editor.canUndo, editor.canRedo]).toEqual(['as found', false, true]);
		editor.redo();
		expect(editor.document.text).toBe('xyz');
	});

	it('that another window changed first is shown in both versions, and either choice is one undo away', async () => {
		const editor = opened();
		elsewhere('theirs');
		editor.change(text('mine'));
		await later(400);
		expect(editor.conflict).toEqual({ revision: 2, document: text('theirs') });
		expect(saving.now.kind).toBe('refused');
		editor.takeTheirs();
		expect(editor.document.text).toBe('theirs');
		editor.undo();
		await later(400);
		expect(stored.document.text).toBe('mine');

		elsewhere('theirs again');
		editor.change(text('mine again'));
		await later(400);
		editor.keepMine();
		await later(400);
		expect(stored.document.text).toBe('mine again');
		expect(editor.conflict).toBeNull();
	});

	it('is not at odds with itself where only the answer was lost', async () => {
		const editor = opened();
		net.is = 'answer-lost';
		editor.change(text('a'));
		await later(400);
		expect(stored.document.text).toBe('a');
		expect(saving.now).toEqual({ kind: 'waiting', sentence: 'Not saved yet: no connection' });
		editor.change(text('b'));
		net.is = 'up';
		await later(4000);
		expect(editor.conflict).toBeNull();
		expect(stored.document.text).toBe('b');
		expect(saving.now.kind).toBe('saved');
	});

	it('refused says why, keeps what is on screen, and is sent again when it was put right', async () => {
		const editor = opened();
		editor.change(text('nonsense'));
		await later(400);
		expect([editor.refusal, editor.document.text]).toEqual(['It is nonsense.', 'nonsense']);
		editor.change(text('sense'));
		await later(400);
		expect([editor.refusal, stored.document.text]).toEqual([null, 'sense']);
	});

	it('ends as it stands on screen, whatever is undone and redone while the network comes and goes', async () => {
		const step = fc.oneof(
			fc.constant('change' as const),
			fc.constantFrom('undo' as const, 'redo' as const),
			fc.constantFrom<Network>('up', 'down', 'answer-lost'),
			fc.constantFrom(10, 300, 3500)
		);
		await fc.assert(
			fc.asyncProperty(fc.array(step, { minLength: 4, maxLength: 30 }), async (steps) => {
				stored = { revision: 1, document: text('as found') };
				net.is = 'up';
				const editor = opened();
				for (const [i, does] of steps.entries()) {
					if (does === 'change') editor.change(text(`change ${i}`));
					else if (does === 'undo') editor.undo();
					else if (does === 'redo') editor.redo();
					else if (typeof does === 'number') await later(does);
					else net.is = does;
				}
				net.is = 'up';
				await later(10_000);
				expect(editor.conflict).toBeNull();
				expect(stored.document).toEqual(editor.document);
				expect(editor.unsaved).toBe(false);
			}),
			{ numRuns: 200 }
		);
	});

	it('takes over what another hand saved meanwhile, and undoing here does not undo theirs', async () => {
		interface Two extends Doc {
			readonly note: string;
		}
		const found: Two = { text: 'as found', note: '' };
		const editor = new DocumentEditor<Two>('/zone', 'zone', found, 1);
		editor.change({ ...found, text: 'mine' });
		await later(400);
		editor.meet({ text: 'mine', note: 'theirs' }, 3);
		expect(editor.document).toEqual({ text: 'mine', note: 'theirs' });
		editor.undo();
		expect(editor.document).toEqual({ text: 'as found', note: 'theirs' });
		// what is older, or comes while something is unsaved here, is not taken over
		editor.meet({ text: 'old', note: '' }, 2);
		editor.meet({ text: 'new', note: '' }, 9);
		expect(editor.document.note).toBe('theirs');
	});

	it('keeps its steps of undo over a reload, but not over what another window saved', async () => {
		const stack = new Map<string, string>();
		const keeper = {
			getItem: (key: string) => stack.get(key) ?? null,
			setItem: (key: string, value: string) => void stack.set(key, value),
			removeItem: (key: string) => void stack.delete(key)
		};
		const before = opened();
		before.keepSteps(keeper);
		before.change(text('a'));
		await later(400);
		const after = opened();
		after.keepSteps(keeper);
		after.undo();
		expect(after.document.text).toBe('as found');
		await later(400);
		elsewhere('theirs');
		const late = opened();
		late.keepSteps(keeper);
		expect([late.canUndo, late.canRedo]).toEqual([false, false]);
	});
});
