import { expect, it } from 'vitest';
import { saving } from './saving.svelte';

it('is saved only when everything that is sent has come in, and says what waits first', () => {
	const at = Date.UTC(2026, 10, 25, 9);
	saving.say('card', { kind: 'waiting', sentence: 'Kept here: no connection' });
	saving.say('visit', { kind: 'saving' });
	expect(saving.now.kind).toBe('saving');
	saving.say('visit', { kind: 'saved', at });
	expect(saving.now).toEqual({ kind: 'waiting', sentence: 'Kept here: no connection' });
	// a page that comes begins quietly, and still what waits is said
	saving.now = { kind: 'quiet' };
	expect(saving.now.kind).toBe('waiting');
	saving.say('card', { kind: 'saved', at });
	expect(saving.now).toEqual({ kind: 'saved', at });
	expect([saving.takeStale(), saving.takeStale()]).toEqual([true, false]);
	saving.say('card', { kind: 'refused', sentence: 'No.' });
	expect(saving.now).toEqual({ kind: 'refused', sentence: 'No.' });
});
