import { keepJson, keptJson } from '../browserStore';

/** How long a lease in storage holds without being renewed, and how often it is looked at. */
const LEASE_MS = 20_000;
const LOOK_MS = 50;

/** Does something while no other window of this browser does: by the browser's own locks, or by a lease where it has none. */
export async function alone<T>(name: string, act: () => Promise<T>): Promise<T> {
	if (typeof navigator !== 'undefined' && navigator.locks) return navigator.locks.request(name, act);
	const key = `${name}/lease`;
	const mine = Math.random().toString(36).slice(2);
	const held = () => keptJson(key) as { by: string; untilMs: number } | null;
	const take = () => keepJson(key, { by: mine, untilMs: Date.now() + LEASE_MS });
	for (;;) {
		const now = held();
		if (!now || now.untilMs < Date.now()) {
			take();
			await new Promise((resolve) => setTimeout(resolve, LOOK_MS));
			// of two who took it at once the later has it
			if (held()?.by === mine || held() === null) break;
		} else await new Promise((resolve) => setTimeout(resolve, LOOK_MS));
	}
	const renewing = setInterval(take, LEASE_MS / 2);
	try {
		return await act();
	} finally {
		clearInterval(renewing);
		keepJson(key, null);
	}
}
