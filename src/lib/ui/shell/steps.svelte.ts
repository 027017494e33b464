/** What can be taken back and done again where the person is. */
export interface Steps {
	readonly canUndo: boolean;
	readonly canRedo: boolean;
	readonly undo: () => void;
	readonly redo: () => void;
}

let offered = $state.raw<Steps | null>(null);

/** Offers undo and redo as long as what offers them is on the page; it is asked only while it is there. */
export function offerSteps(steps: () => Steps): void {
	$effect(() => {
		offered = steps();
	});
	$effect(() => () => void (offered = null));
}

/** Undo and redo where the person is; null where there is nothing of the kind. */
export const stepsHere = (): Steps | null => offered;
