/** A tap or an entry that came before the page was alive. */
interface Early {
	readonly type: 'click' | 'change' | 'submit';
	readonly element: HTMLElement;
	readonly value?: string;
	readonly checked?: boolean;
}

/** The element itself, or where the page made another in its place, the only one that says the same. */
function standing({ element }: Early): HTMLElement | null {
	if (element.isConnected) return element;
	const alike = [...document.querySelectorAll<HTMLElement>(element.tagName)].filter(
		(one) => one.textContent === element.textContent
	);
	return alike.length === 1 ? alike[0]! : null;
}

/** Does what was tapped and typed before the page was alive, in its order, and marks the page as alive. Call once, when it is. */
export function doEarlyTaps(): void {
	document.documentElement.dataset.alive = 'yes';
	const take = (globalThis as { earlyTaps?: () => Early[] }).earlyTaps;
	for (const early of take?.() ?? []) {
		const element = standing(early);
		if (!element) continue;
		if (early.type === 'click') element.click();
		else if (early.type === 'submit') (element as HTMLFormElement).requestSubmit();
		else {
			const field = element as HTMLInputElement;
			if (field.type === 'checkbox' || field.type === 'radio') field.checked = early.checked ?? false;
			else if (field.type !== 'file') field.value = early.value ?? '';
			for (const type of ['input', 'change']) field.dispatchEvent(new Event(type, { bubbles: true }));
		}
	}
}
