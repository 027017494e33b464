import { beforeEach, vi } from 'vitest';

/** The browser's own database, as far as pictures use it. */
export const disk = { kept: new Map<string, unknown>(), full: false };

/** It in the place of `idb-keyval`. */
export const keyval = {
	createStore: () => ({}),
	entries: async () => [...disk.kept],
	get: async (key: string) => disk.kept.get(key),
	set: async (key: string, value: unknown) => {
		if (disk.full) throw new Error('QuotaExceededError');
		disk.kept.set(key, value);
	},
	del: async (key: string) => void disk.kept.delete(key)
};

beforeEach(() => {
	disk.kept.clear();
	disk.full = false;
	vi.stubGlobal('URL', Object.assign(URL, { createObjectURL: () => 'blob:here' }));
});
