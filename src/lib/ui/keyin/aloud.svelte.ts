import { browser } from '$app/environment';

let on = $state(false);

/** The browser's own voice, for hands that are at the control. */
export const aloud = {
	/** Whether this browser has a voice. Call in the browser. */
	get can(): boolean {
		return browser && 'speechSynthesis' in window;
	},
	get on(): boolean {
		return on;
	},
	turn(next: boolean): void {
		on = next;
		if (!next && aloud.can) speechSynthesis.cancel();
	},
	/** Says something in the place of what is still being said. */
	say(text: string): void {
		if (!on || !aloud.can) return;
		speechSynthesis.cancel();
		speechSynthesis.speak(new SpeechSynthesisUtterance(text));
	}
};
