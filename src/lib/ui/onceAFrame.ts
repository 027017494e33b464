/** Passes on what comes at most once a frame, always the latest: more than that nobody sees. Call in the browser. */
export function onceAFrame<T>(show: (latest: T) => void): (value: T) => void {
	let waiting: { readonly value: T } | null = null;
	return (value) => {
		if (waiting === null)
			requestAnimationFrame(() => {
				const { value: latest } = waiting!;
				waiting = null;
				show(latest);
			});
		waiting = { value };
	};
}
