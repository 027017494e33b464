import { getContext, setContext, untrack } from 'svelte';
import { profileOf, type ControlProfile } from '$core/control';
import type { Zone } from '$core/plan';
import { DocumentEditor } from '../document/documentEditor.svelte';
import { refresh } from '../refresh';

/** What a page of the zone read from the server. */
export interface StoredZone {
	readonly zone: Zone;
	readonly revision: number;
}

/**
 * The zone that is open, one for all its views: its document with undo, saving and conflict (see {@link DocumentEditor}), and
 * its control. A step made in one view is undone in another.
 */
export interface ZoneModel {
	readonly id: string;
	readonly siteId: string;
	readonly editor: DocumentEditor<Zone>;
	readonly zone: Zone;
	readonly profile: ControlProfile;
	/** Takes a change as one step of undo, and saves it. */
	change(next: Zone): void;
}

export function openZone(
	siteId: string,
	id: string,
	stored: StoredZone,
	profiles: () => readonly ControlProfile[]
): ZoneModel {
	const editor = untrack(
		() =>
			new DocumentEditor(
				`/api/v1/jobs/${siteId}/zones/${id}`,
				'zone',
				stored.zone,
				stored.revision,
				// the tabs and lists are read again, so that none of them is older than the page
				() => void refresh('fq:site')
			)
	);
	return {
		id,
		siteId,
		editor,
		get zone() {
			return editor.document;
		},
		get profile() {
			return profileOf(editor.document, profiles());
		},
		change: (next) => editor.change(next)
	};
}

const KEY = Symbol('the open zone');

/** Gives the open zone to the views under a layout. */
export const giveZone = (model: () => ZoneModel): void => void setContext(KEY, model);

/** The open zone; a view is made anew for each zone. */
export const zoneModel = (): ZoneModel => getContext<() => ZoneModel>(KEY)();
