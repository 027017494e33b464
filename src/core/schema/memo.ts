/** A function of an object that computes once for each, and keeps what it gave as long as that object lives. */
export function memo<Of extends object, Made>(make: (of: Of) => Made): (of: Of) => Made {
	const known = new WeakMap<Of, { readonly made: Made }>();
	return (of) => {
		let kept = known.get(of);
		if (!kept) known.set(of, (kept = { made: make(of) }));
		return kept.made;
	};
}

/** The same of an object and more, which `key` tells apart. */
export function memoBy<Of extends object, More extends unknown[], Made>(
	key: (...more: More) => unknown,
	make: (of: Of, ...more: More) => Made
): (of: Of, ...more: More) => Made {
	const of = memo((_: Of) => new Map<unknown, { readonly made: Made }>());
	return (one, ...more) => {
		const known = of(one);
		const by = key(...more);
		let kept = known.get(by);
		if (!kept) known.set(by, (kept = { made: make(one, ...more) }));
		return kept.made;
	};
}
