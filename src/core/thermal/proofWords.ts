import type { ControlProfile } from '../control';
import type { Room, Zone } from '../plan';
import { clockTime, DAY_SHORT, dayOf, duration, minuteOfDay } from '../week';
import { LONGEST_LEAD, type Proof } from './proof';

/** What a proof says, in sentences for an installer. */
export interface ProofWords {
	/** Will it be warm in time? */
	readonly answer: string;
	readonly warm: boolean;
	/** What of the fixed half hour, and what to allow instead. */
	readonly halfHour: string;
	/** Whether to set back at all, and why. */
	readonly setback: string;
	/** What comes of the chosen setback against how far the room falls. */
	readonly low: string;
	readonly floor: string | null;
	readonly frost: string | null;
}

const percent = (share: number) => `${Math.round(100 * share)} %`;
const celsius = (c: number) => `${c.toFixed(1)} °C`;

/** A saving under this is not worth a cold morning. */
const SMALL_SAVING = 0.05;
/** A room that takes longer than this to come back is better kept near its comfort. */
const SLOW_MINUTES = 180;

/** The sentences of a proof. The outdoor temperature is the mean of the day. */
export function proofWords(proof: Proof, zone: Zone, room: Room, profile: ControlProfile): ProofWords {
	const { ways, curve, night, rises, outdoorC } = proof;
	const at = `at ${outdoorC} °C outside`;
	const never = rises.filter((rise) => rise.minutes === null);
	const longest = Math.max(0, ...rises.map((rise) => rise.minutes ?? 0));
	const cold = ways.programmed.coldMinutes;
	const answer =
		never.length > 0
			? `Not warm in time ${at}: with the heating on for good the room reaches ${celsius(never[0]!.highestC)}${
					never[0]!.highestC < never[0]!.night.comfortC
						? `, ${celsius(never[0]!.night.comfortC)} is wanted: the emitter is too small`
						: `, but not within ${duration(LONGEST_LEAD)}`
				}.`
			: cold === 0
				? `Warm in time ${at}, all week.`
				: `Cold for ${duration(cold)} of the week ${at} while warmth is wanted.`;
	const here = curve.find((point) => point.outdoorC === outdoorC);
	const need = here?.minutes ?? null;
	const down = proof.halfHourDownTo;
	const halfHour = !night
		? 'The week never rises: there is nothing to lead.'
		: `${
				down === null
					? 'Half an hour is never enough'
					: down === curve[0]!.outdoorC
						? `Half an hour is enough down to ${down} °C and below`
						: `Half an hour is enough down to ${down} °C outside`
			}; ${at} ${need === null ? 'it is not reached at all' : need === 0 ? 'no lead is needed: the room does not fall' : `allow ${duration(need)}`}.`;
	const saving = ways.steady.kWhPerDay > 0 ? 1 - ways.programmed.kWhPerDay / ways.steady.kWhPerDay : 0;
	const low = proof.overnightLowC;
	const slow = longest > SLOW_MINUTES || never.length > 0;
	const setback =
		!profile.temperature || !night
			? 'No setback is kept.'
			: saving < SMALL_SAVING
				? `Leave it nearly steady: the program saves ${percent(saving)} against one temperature, because the room hardly falls (time constant ${Math.round(proof.timeConstantHours)} h).`
				: slow
					? `Keep the setback small: the program saves ${percent(saving)}, but the room takes ${never.length > 0 ? 'too long' : duration(longest)} to come back.`
					: `Set it back: the program saves ${percent(saving)} against one temperature, and the room is back in ${duration(longest)}.`;
	const lowWords =
		low === null || !night
			? 'There is no night to look at.'
			: low >= night.setbackC - 0.05
				? `In ${duration(night.minutes)} without heat the room falls to ${celsius(low)}: a setback to ${celsius(night.setbackC)} or any lower one changes nothing.`
				: `Without heat it would fall to ${celsius(low)} in ${duration(night.minutes)}: the setback of ${celsius(night.setbackC)} holds it.`;
	return {
		answer,
		warm: never.length === 0 && cold === 0,
		halfHour,
		setback,
		low: lowWords,
		floor:
			proof.floor === null
				? null
				: proof.floor.warmestC > proof.floor.limitC + 0.05
					? `Stop: the floor surface reaches ${celsius(proof.floor.warmestC)}, its limit is ${celsius(proof.floor.limitC)}${room.sensor === 'air' ? '; nothing guards it' : ''}.`
					: `The floor surface stays at ${celsius(proof.floor.warmestC)} at most, under its limit of ${celsius(proof.floor.limitC)}.`,
		frost: proof.frost
			? `Part of the week lies under 5 °C ${at}: pipes can freeze; raise ${zone.levels.reduce((a, b) => (b.setpointC < a.setpointC ? b : a)).name} or drain them.`
			: null
	};
}

/** When the setpoint must rise for a need, in words: `Mon 06:30: 1 h 20 before`. */
export function riseWords(at: number, minutes: number | null): string {
	return `${DAY_SHORT[dayOf(at)]} ${clockTime(minuteOfDay(at))}: ${minutes === null ? 'not reached' : minutes === 0 ? 'no lead' : `${duration(minutes)} before`}`;
}
