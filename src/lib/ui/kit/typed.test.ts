import { expect, it } from 'vitest';
import { keepTyped } from './typed';

it('keeps what is half typed, field by field and page by page, until it is left', () => {
	const kept = new Map<string, string>();
	const storage = {
		getItem: (key: string) => kept.get(key) ?? null,
		setItem: (key: string, value: string) => void kept.set(key, value),
		removeItem: (key: string) => void kept.delete(key)
	};
	const area = keepTyped(storage, '/sites/1/zones/2/room', 'Floor area, m²');
	expect(area.before).toBeNull();
	area.keep('1');
	area.keep('12,');
	// the page is read again
	expect(keepTyped(storage, '/sites/1/zones/2/room', 'Floor area, m²').before).toBe('12,');
	expect(keepTyped(storage, '/sites/1/zones/3/room', 'Floor area, m²').before).toBeNull();
	expect(keepTyped(storage, '/sites/1/zones/2/room', 'Height, m').before).toBeNull();
	area.forget();
	expect(keepTyped(storage, '/sites/1/zones/2/room', 'Floor area, m²').before).toBeNull();
	expect(kept.size).toBe(0);
});

it('a browser that keeps nothing, or is full, is no worse than before', () => {
	const full = {
		getItem: () => {
			throw new Error('forbidden');
		},
		setItem: () => {
			throw new Error('full');
		},
		removeItem: () => {
			throw new Error('forbidden');
		}
	};
	for (const storage of [null, full]) {
		const field = keepTyped(storage, '/', 'Name');
		field.keep('half');
		field.forget();
		expect(field.before).toBeNull();
	}
});
