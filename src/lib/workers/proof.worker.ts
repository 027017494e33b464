import { expose, transfer } from 'comlink';
import { z } from 'zod';
import { profileSchema } from '$core/control';
import { fitZone } from '$core/fit';
import { onOwnScale, roomSchema, targetWeek, zoneSchema } from '$core/plan';
import type { WeekSteps } from '$core/week';
import type { Felt } from '$core/words';
import {
	feltMinutes,
	measureRoom,
	type LogRefusal,
	proofOf,
	roomWeek,
	yearOf,
	type EvenLog,
	type Measured,
	type Proof,
	type YearProof
} from '$core/thermal';

/** When what feeds a zone heats it. */
const permissionSchema = z.array(z.strictObject({ at: z.int(), value: z.boolean() })).nullable();

/** A proof with the week that its control holds, in °C, or 0 and 1 on a switch. */
export interface HeldProof extends Proof {
	readonly held: WeekSteps<number>;
}

/** Proves a zone's room off the main thread. All documents cross the border through their schemas. */
const api = {
	/** Null where the room has not been described. */
	proof(zone: unknown, profile: unknown, outdoorC: number, may: unknown = null): HeldProof | null {
		const known = zoneSchema.parse(zone);
		const control = profileSchema.parse(profile);
		if (!known.room) return null;
		const { held } = fitZone(known, control).chosen;
		return { ...proofOf(known, known.room, control, held, outdoorC, permissionSchema.parse(may)), held };
	},
	/** The room's air every five minutes of the week, in °C; null where it has not been described. */
	room(zone: unknown, profile: unknown, outdoorC: number, may: unknown = null): Float32Array | null {
		const known = zoneSchema.parse(zone);
		const control = profileSchema.parse(profile);
		if (!known.room) return null;
		const { held } = fitZone(known, control).chosen;
		const line = Float32Array.from(
			roomWeek(known, known.room, control, held, outdoorC, permissionSchema.parse(may))
		);
		return transfer(line, [line.buffer]);
	},
	/**
	 * What would be felt: minutes of the week in which the room itself is short of what is wanted, for each day grouping that its control
	 * offers, and if the control held all that is asked of it. Null where the room has not been described, or only switches.
	 */
	felt(zone: unknown, profile: unknown, outdoorC: number, may: unknown = null): Felt | null {
		const known = zoneSchema.parse(zone);
		const control = profileSchema.parse(profile);
		if (!known.room || !control.temperature) return null;
		const { fits } = fitZone(known, control);
		const permission = permissionSchema.parse(may);
		const [exact, ...of] = feltMinutes(
			known,
			known.room,
			control,
			[targetWeek(onOwnScale(known, control)), ...fits.map((fit) => fit.held)],
			outdoorC,
			permission
		);
		return {
			exactMinutes: exact!,
			minutes: Object.fromEntries(fits.map((fit, i) => [fit.grouping.id, of[i]!]))
		};
	},
	/** A described room's year of hours, three ways; `onshare` hears the share done. */
	year(
		zone: unknown,
		profile: unknown,
		hoursC: readonly number[],
		onshare: (share: number) => void,
		may: unknown = null
	): YearProof {
		const known = zoneSchema.parse(zone);
		const control = profileSchema.parse(profile);
		const { held } = fitZone(known, control).chosen;
		return yearOf(known, known.room!, control, held, hoursC, onshare, permissionSchema.parse(may));
	},
	/** A room's loss and capacity from a log, or why it gives none. */
	measure(room: unknown, log: EvenLog): Measured | LogRefusal {
		return measureRoom(roomSchema.parse(room), log);
	}
};
export type ProofWorkerApi = typeof api;

expose(api);
