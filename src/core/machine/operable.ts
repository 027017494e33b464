import type { ControlProfile, Panel, PanelGesture } from '../control';

/** A control with a panel that is described. */
export type Operable = ControlProfile & { readonly panel: Panel };

/** Whether a control can be operated by what is known of it. */
export const isOperable = (profile: ControlProfile): profile is Operable => profile.panel !== null;

/** What a hand does: a gesture of the panel, or a key held until the value has run on by so many steps. */
export type Stroke =
	| PanelGesture
	| { readonly do: 'run'; readonly key: string; readonly steps: number }
	/** No key touched until the menu has left by itself. */
	| { readonly do: 'wait'; readonly seconds: number }
	/** At rest, where nobody knows its mode: a gesture done again until the display shows this one. */
	| { readonly do: 'until'; readonly gesture: PanelGesture; readonly shows: string };

/** One thing that a hand does at once, a press single. */
export type Hand = Exclude<Stroke, { readonly do: 'run' | 'wait' | 'until' }>;
