import {
	displayTime,
	limitWords,
	roundTemperatureWords,
	setpointWithUnit,
	temperatureWords,
	type ControlOptions,
	type ControlProfile,
	type TemperatureUnit
} from '../control';
import { bindingLimits, levelOf, mostOwnStart, startsEarlyIn, unitOf, type Room, type Zone } from '../plan';
import { DAY_MINUTES, DAY_SHORT, dayOf, duration, minuteOfDay } from '../week';
import { LONGEST_LEAD, yearSaved, type Proof, type RiseLead, type YearProof } from '../thermal';

/** What mends a room that is cold: its room and limits, the hours of its source, its week, its leads, how early its control may start, its limit. */
export type ProofMend = 'room' | 'source' | 'week' | 'leads' | 'own-start' | 'limit' | 'regulation';

/** What a proof says, in sentences for an installer. */
export interface ProofWords {
	/** Will it be warm in time? */
	readonly answer: string;
	readonly warm: boolean;
	/** What mends what the answer says; null where nothing is cold. */
	readonly mend: ProofMend | null;
	/** What of the fixed half hour, and what to allow instead. */
	readonly halfHour: string;
	/** Whether to set back at all, and why. */
	readonly setback: string;
	/** What comes of the chosen setback against how far the room falls. */
	readonly low: string;
	/** What of the floor's own limit, and whether it is passed. */
	readonly floor: { readonly text: string; readonly stops: boolean } | null;
	readonly frost: string | null;
}

const percent = (share: number) => `${Math.round(100 * share)} %`;

/** Minutes of a week in which a control may let a room go under by its swing, before that is called cold: half an hour a day. */
const SWING_MINUTES = 7 * 30;

/** A saving under this is not worth a cold morning. */
const SMALL_SAVING = 0.05;
/** A room that takes longer than this to come back is better kept near its comfort. */
const SLOW_MINUTES = 180;

/** The warmest setpoint that a zone's week asks for, in °C. */
const warmestWanted = (zone: Zone) =>
	Math.max(...zone.wanted.map((step) => levelOf(zone, step.level).setpointC));

/** The sentences of a proof. The outdoor temperature is the mean of the day; `source` names what feeds the room. */
export function proofWords(
	proof: Proof,
	zone: Zone,
	room: Room,
	profile: ControlProfile,
	source = 'its source'
): ProofWords {
	const { ways, curve, night, rises, outdoorC } = proof;
	const unit = unitOf(zone, profile);
	const say = (c: number) => temperatureWords(unit, c);
	const outside = (c: number) => roundTemperatureWords(unit, c);
	const at = `at ${outside(outdoorC)} outside`;
	const floor = proof.governs === 'floor';
	const it = floor ? 'the floor' : 'the room';
	const never = rises.filter((rise) => rise.minutes === null);
	const longest = Math.max(0, ...rises.map((rise) => rise.minutes ?? 0));
	const limit = bindingLimits(zone, profile)?.highC ?? null;
	const held = limit !== null && warmestWanted(zone) > limit + 1e-9 ? limit : null;
	const own = startsEarlyIn(zone, profile);
	const all = ways.programmed.coldMinutes;
	/** The cause of most of the cold, and what mends it. */
	const { sourceMinutes, weekMinutes, leadMinutes, restMinutes } = proof.cold;
	const causes: readonly (readonly [number, ProofMend, string])[] = [
		[sourceMinutes, 'source', `${source} is timed off`],
		[weekMinutes, 'week', 'the control cannot hold the week that is wanted'],
		[
			leadMinutes,
			own ? 'own-start' : 'leads',
			own
				? `it may begin ${duration(mostOwnStart(zone, profile))} early, and ${it} needs up to ${duration(longest)}`
				: 'the setpoint rises too late'
		],
		held === null
			? [restMinutes, 'regulation', 'its control switches that far apart']
			: [
					restMinutes,
					'limit',
					`the maximum setpoint is ${setpointWithUnit(profile, { ...zone.options, unit }, held)}`
				]
	];
	const worst = causes.reduce((a, b) => (b[0] > a[0] ? b : a));
	// any control that switches on and off lets the room go a little under now and then
	const swings = worst[1] === 'regulation' && all <= SWING_MINUTES;
	const cold = swings ? 0 : all;
	const because = worst[0] === cold ? worst[2] : `${worst[2]} for ${duration(worst[0])} of it`;
	const drawn = new Set(zone.wanted.map((step) => step.level)).size > 1;
	const answer =
		proof.governs === 'nothing'
			? 'This control only switches: how warm the room gets depends on its times, not on a setpoint.'
			: never.length > 0
				? `Too small ${at}: flat out ${it} reaches ${say(never[0]!.highestC)}${
						never[0]!.highestC < never[0]!.night.comfortC
							? `, ${say(never[0]!.night.comfortC)} wanted`
							: `, but not within ${duration(LONGEST_LEAD)}`
					}.`
				: cold > 0
					? `${floor ? 'Floor cold' : 'Cold'} ${duration(cold)} a week ${at}: ${because}`
					: !drawn
						? `No warm time is drawn yet: ${it} is kept at ${say(warmestWanted(zone))} all week.`
						: `${floor ? 'The floor is warm' : 'Warm'} in time ${at}, all week${all > 0 ? `; between starts it dips for ${duration(all)} in all` : ''}.`;
	// one fact, one figure: what is allowed here is what the rises below ask for after a usual night
	const usual = rises.filter((rise) => rise.night.minutes <= DAY_MINUTES);
	const need =
		never.length > 0
			? null
			: Math.max(0, ...(usual.length > 0 ? usual : rises).map((rise) => rise.minutes ?? 0));
	const longer =
		need !== null && longest > need
			? `, up to ${duration(longest)} after more than a day at the setback`
			: '';
	const down = proof.halfHourDownTo;
	const halfHour = !night
		? profile.temperature
			? 'No preheat needed: the setpoint never rises.'
			: 'A timer needs no preheat: it is on or off at its times.'
		: `${
				down === null
					? 'Half an hour is never enough'
					: down === curve[0]!.outdoorC
						? `Half an hour is enough down to ${outside(down)} and below`
						: `Half an hour is enough down to ${outside(down)} outside`
			}; ${proof.days.may ? `while ${source} may run, ` : ''}${at} ${need === null ? 'it is not reached at all' : need === 0 ? `no preheat needed: ${it} does not cool` : `allow ${duration(need)}${longer}`}.`;
	const saving = ways.steady.kWhPerDay > 0 ? 1 - ways.programmed.kWhPerDay / ways.steady.kWhPerDay : 0;
	const low = proof.overnightLowC;
	const slow = longest > SLOW_MINUTES || never.length > 0;
	const setback =
		!profile.temperature || !night
			? 'No setback is kept.'
			: saving < SMALL_SAVING
				? `Keep it steady: a setback saves only ${percent(saving)}, because ${it} hardly cools (time constant ${Math.round(proof.timeConstantHours)} h).`
				: slow
					? `Keep the setback small: the program saves ${percent(saving)}, but ${it} takes ${never.length > 0 ? 'too long' : duration(longest)} to come back.`
					: `Set it back: the program saves ${percent(saving)} against one temperature, and ${it} is back in ${duration(longest)}${proof.cold.sourceMinutes > 0 ? ` once ${source} may run` : ''}.`;
	const lowWords =
		low === null || !night
			? 'There is no night to look at.'
			: low >= night.setbackC - 0.05
				? `In ${duration(night.minutes)} without heat ${it} falls to ${say(low)}: a setback to ${say(night.setbackC)} or any lower one changes nothing.`
				: `Without heat it would fall to ${say(low)} in ${duration(night.minutes)}: the setback of ${say(night.setbackC)} holds it.`;
	return {
		answer,
		warm: never.length === 0 && cold === 0,
		mend: never.length > 0 ? 'room' : cold > 0 ? worst[1] : null,
		halfHour,
		setback,
		low: lowWords,
		floor:
			proof.floor === null
				? null
				: proof.floor.warmestC > proof.floor.limitC + 0.05
					? {
							stops: true,
							text: `Stop: the floor surface reaches ${say(proof.floor.warmestC)}, its limit is ${limitWords(unit, proof.floor.limitC, 'most')}${room.sensor === 'air' ? '; nothing guards it' : ''}.`
						}
					: {
							stops: false,
							text: `The floor surface stays at ${say(proof.floor.warmestC)} at most, under its limit of ${limitWords(unit, proof.floor.limitC, 'most')}.`
						},
		frost: proof.frost
			? `Part of the week lies under ${limitWords(unit, 5, 'least')} ${at}: pipes can freeze; raise ${zone.levels.reduce((a, b) => (b.setpointC < a.setpointC ? b : a)).name} or drain them.`
			: null
	};
}

/** When the setpoint must rise for a need, and why so early: the night before it. */
export interface RiseSaid {
	/** In the control's clock format: `Mon 06:30`. */
	readonly at: string;
	/** `1 h 20 before`. */
	readonly lead: string;
	/** `after 9 h at 17.0 °C`. */
	readonly why: string;
}

/** A rise in words. */
export function riseWords(
	{ at, minutes, night }: RiseLead,
	unit: TemperatureUnit,
	clock: ControlOptions['clock']
): RiseSaid {
	return {
		at: `${DAY_SHORT[dayOf(at)]} ${displayTime(minuteOfDay(at), clock)}`,
		lead: minutes === null ? 'not reached' : minutes === 0 ? 'no preheat' : `${duration(minutes)} before`,
		why: `after ${duration(night.minutes)} at ${temperatureWords(unit, night.setbackC)}`
	};
}

/** What a program uses in a year, saves against one temperature, and leaves cold, in a sentence. */
export function yearWords(year: YearProof): string {
	const { programmedKWh, savedKWh, coldHours } = yearSaved(year);
	const against =
		Math.abs(savedKWh) < 1
			? 'as much as'
			: `${Math.round(Math.abs(savedKWh))} kWh ${savedKWh > 0 ? 'less' : 'more'} than`;
	const hours = Math.round(coldHours);
	const cold =
		hours === 0
			? 'never cold while warmth is wanted'
			: `cold for ${hours} h of the year while warmth is wanted`;
	return `${Math.round(programmedKWh)} kWh a year, ${against} at one temperature; ${cold}.`;
}
