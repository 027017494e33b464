import { untrack } from 'svelte';

/** Something that find can do where the person is. */
export interface Command {
	readonly label: string;
	readonly detail: string;
	/** Other words that it is found by. */
	readonly also?: string;
	readonly run: () => void;
}

let offered = $state.raw<readonly (() => readonly Command[])[]>([]);

/** Offers commands as long as what offers them is on the page. */
export function offerCommands(commands: () => readonly Command[]): void {
	$effect(() => {
		untrack(() => (offered = [...offered, commands]));
		return () => {
			offered = offered.filter((one) => one !== commands);
		};
	});
}

/** Everything that can be done where the person is. */
export const commandsHere = (): readonly Command[] => offered.flatMap((commands) => commands());
