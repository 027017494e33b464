/** What the framework tells of a browser's page, for tests of what runs in one: they set where it navigates, and see what is read anew. */
export const browser = true;
export const building = false;
export const dev = false;

export const navigating: { complete: Promise<void> | null } = { complete: null };

export const readAnew: string[] = [];
/** How long the next readings take, in ms, and which of them came onto the page: as the framework has it, only the last begun. */
export const readings: { takeMs: number[]; shown: number[] } = { takeMs: [], shown: [] };
export const invalidate = async (what: string) => {
	const mine = readAnew.push(what);
	const takesMs = readings.takeMs.shift();
	if (takesMs !== undefined) await new Promise((done) => setTimeout(done, takesMs));
	if (mine === readAnew.length) readings.shown.push(mine);
};

/** What the built program consists of, for the service worker. */
export const build = ['/_app/start.js'];
export const files = ['/icon.svg'];
export const version = '1';
