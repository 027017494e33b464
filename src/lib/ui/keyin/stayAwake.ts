/** Keeps the screen awake while it is looked at, where the browser can. Returns what ends it. Call in the browser. */
export function stayAwake(): () => void {
	let lock: WakeLockSentinel | null = null;
	let ended = false;
	const ask = async () => {
		if (ended || document.visibilityState !== 'visible' || !('wakeLock' in navigator)) return;
		// a browser that saves its battery does not let it: then the screen sleeps as it always did
		lock = await navigator.wakeLock.request('screen').catch(() => null);
		if (ended) void lock?.release();
	};
	// a lock ends with every look away
	document.addEventListener('visibilitychange', ask);
	void ask();
	return () => {
		ended = true;
		document.removeEventListener('visibilitychange', ask);
		void lock?.release();
	};
}
