import type { Operable } from '../machine';
import { roomSchema, type Room } from '../plan';
import { memo, memoBy } from '../schema';
import { readyRoom, roomModel, type Regulation, type RoomModel } from '../thermal';

/** A room of the usual size to hang a stand-in in, by what such a control governs (common practice). */
export function usualRoom(profile: Operable): Room {
	const floor = /floor/.test(profile.family);
	return roomSchema.parse({
		floorAreaM2: 16,
		heightM: 2.5,
		build: 'medium',
		loss: { by: 'survey', insulation: 'fair', exposedM2: 26 },
		emitter: { kind: floor ? 'floor-cable' : 'radiator', ratedW: floor ? 1800 : 1700 },
		sensor: floor ? 'air-with-floor-guard' : 'air',
		finish: floor ? 'tile' : null
	});
}

const models = memoBy(
	(minimumOffMinutes: number) => minimumOffMinutes,
	(room: Room, minimumOffMinutes: number) => readyRoom(room, minimumOffMinutes)
);
const opened = memo((room: Room): RoomModel => roomModel(withWindowOpen(room)));

/** The room's equations with the window as it stands, and how the control switches. */
export function ready(
	profile: Operable,
	{ room, windowOpen }: { room: Room; windowOpen: boolean }
): { readonly model: RoomModel; readonly regulation: Regulation } {
	const { model, regulation } = models(room, profile.habits.minimumOffMinutes);
	return { model: windowOpen ? opened(room) : model, regulation };
}

/** A room that loses four times as much (common practice for a window that stands wide open). */
function withWindowOpen(room: Room): Room {
	const { loss } = room;
	return loss.by === 'survey'
		? { ...room, loss: { ...loss, exposedM2: loss.exposedM2 * 4 } }
		: { ...room, loss: { ...loss, wattsPerKelvin: loss.wattsPerKelvin * 4 } };
}
