/** What the framework tells of a browser's page, for tests of what runs in one: they set where it navigates, and see what is read anew. */
export const browser = true;
export const building = false;
export const dev = false;

export const navigating: { complete: Promise<void> | null } = { complete: null };

export const readAnew: string[] = [];
export const invalidate = (what: string) => {
	readAnew.push(what);
	return Promise.resolve();
};

/** What the built program consists of, for the service worker. */
export const build = ['/_app/start.js'];
export const files = ['/icon.svg'];
export const version = '1';
