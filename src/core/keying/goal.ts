import type { AwayField, OptionId } from '../control';

/** What one value of a card is to bring about at the control. Positions are on the field's own scale. */
export type Goal =
	| { readonly of: 'option'; readonly id: OptionId; readonly position: number }
	/** An entry of the control's own menus. */
	| { readonly of: 'menu'; readonly id: string; readonly position: number }
	/** A setpoint kept for the week, by its place among them, warmest 0. */
	| { readonly of: 'setpoint'; readonly index: number; readonly position: number }
	/** The setpoint kept without a program. */
	| { readonly of: 'kept'; readonly side: 'heat' | 'cool'; readonly position: number }
	/** A field of the program, of the group that begins with `day`, or of all days at once; position null clears its step. */
	| {
			readonly of: 'field';
			readonly channel: number;
			readonly day: number;
			readonly all: boolean;
			readonly key: string;
			readonly position: number | null;
			/** How many slots of a strip that is written are to hold it, beginning with that of the key: keyed in one run. */
			readonly slots?: number;
	  }
	/** A day copied onto others, each by the first day of its group; `onto` is the last of them, that is chosen. */
	| {
			readonly of: 'copy';
			readonly channel: number;
			readonly from: number;
			readonly onto: number;
			readonly over: readonly number[];
	  }
	/** What is set of an absence. */
	| { readonly of: 'away'; readonly field: AwayField; readonly position: number }
	/** A mode, by its name on the display. */
	| { readonly of: 'mode'; readonly name: string };

/** The keys of the slots that a run of a strip covers; of any other field its own. */
export const keysOfRun = ({ key, slots = 1 }: { readonly key: string; readonly slots?: number }): string[] =>
	slots === 1 ? [key] : Array.from({ length: slots }, (_, i) => String(Number(key) + i));
