import { testSetpoints } from '$core/checks';
import {
	allowedOptions,
	formInUse,
	setpointWithUnit,
	temperatureWords,
	type ControlProfile
} from '$core/control';
import { heatsStore, TEST_STEPS, type OnSite, type TestStep, type Zone } from '$core/plan';
import { testKeysWords } from '$core/words';

/** The steps of a visit at one control, in the order of the work. */
export const VISIT_STEPS = [
	['found', 'As found'],
	['settings', 'Settings'],
	['clock', 'Clock'],
	['key-in', 'Key in'],
	['test', 'Test'],
	['leave', 'Leave it']
] as const;
export type VisitStep = (typeof VISIT_STEPS)[number][0];

/** Where a visit stands: a zone and a step of it, or the sign-off after the last. */
export interface VisitPlace {
	readonly zone: number;
	readonly step: VisitStep | 'sign-off';
}

/**
 * The steps at each zone, where those of one control stand side by side: what belongs to the control is done once, before the first of its
 * zones is tested and after the last was; each of its zones is tested.
 */
export function stepsAt(zones: readonly { readonly boxId: string }[]): VisitStep[][] {
	return zones.map(({ boxId }, i) => {
		const first = zones[i - 1]?.boxId !== boxId;
		const last = zones[i + 1]?.boxId !== boxId;
		return VISIT_STEPS.map(([id]) => id).filter(
			(step) => step === 'test' || (step === 'leave' ? last : first)
		);
	});
}

/** The place after (or before) another, over all zones and the steps at each, to the sign-off at the end. */
export function placeAfter(
	place: VisitPlace,
	steps: readonly (readonly VisitStep[])[],
	by: 1 | -1
): VisitPlace {
	const lastOf = (zone: number): VisitPlace => ({ zone, step: steps[zone]!.at(-1)! });
	if (place.step === 'sign-off') return by > 0 ? place : lastOf(steps.length - 1);
	const here = steps[place.zone]!;
	const index = here.indexOf(place.step) + by;
	if (index >= here.length)
		return place.zone + 1 < steps.length
			? { zone: place.zone + 1, step: steps[place.zone + 1]![0]! }
			: { zone: place.zone, step: 'sign-off' };
	if (index < 0) return place.zone === 0 ? place : lastOf(place.zone - 1);
	return { ...place, step: here[index]! };
}

/** How a control is set for the test, in words: a few kelvin above or below what it shows, never past a limit. */
function setWords(side: 'raise' | 'lower', zone: Zone, profile: ControlProfile, onSite: OnSite): string {
	const test = testSetpoints(zone, profile, onSite);
	if (!test) return side === 'raise' ? 'Switch it on.' : 'Switch it off.';
	const options = allowedOptions(profile, zone.options);
	const say = (c: number) => setpointWithUnit(profile, options, c);
	const few = options.unit === 'F' ? 'about 5 °F' : 'about 3 K';
	const limit = {
		floor: `${say(test.mostC)}, the floor’s limit`,
		'high-limit': `${say(test.mostC)}, its maximum setpoint`,
		range: say(test.mostC)
	}[test.mostBy];
	const way = side === 'raise' ? 'above' : 'below';
	if (test.shownC === null)
		return side === 'raise'
			? `Set it ${few} above what the ${test.governs} shows now, at most ${limit}.`
			: `Set it ${few} below what the ${test.governs} shows now.`;
	const shows = `${temperatureWords(options.unit, test.shownC)} of the ${test.governs}`;
	const reached = side === 'raise' ? test.raiseBy : test.lowerBy;
	const setC = side === 'raise' ? test.raiseC! : test.lowerC!;
	const set = `Set it to ${say(setC)}, ${way} the ${shows}.`;
	switch (reached) {
		case 'set':
			return set;
		case 'limit':
			return `${limitMoved(side, zone, say)}, which makes it uncertain: put that limit ${side === 'raise' ? 'up' : 'down'} to ${say(setC)} for the test. ${set}`;
		case 'sensed':
			if (side === 'raise')
				return `The ${test.governs} is too warm for a certain call: it is at ${temperatureWords(options.unit, test.shownC)}, and it may be set to ${limit}. Let it cool first; it cannot be tested now.`;
			return test.governs === 'floor'
				? `It cannot be set far enough below the ${shows}: its lowest is ${say(test.leastC)}. Leave it heating, and look again when the floor is warmer.`
				: `It cannot be set far enough below the ${shows}: its lowest is ${say(test.leastC)}. Set that, and warm its sensor with your hand until the call ends.`;
	}
}

/** The limit that is moved for one side of the test. */
function limitMoved(side: 'raise' | 'lower', zone: Zone, say: (c: number) => string): string {
	const { highLimitC, lowLimitC } = zone.settings;
	return side === 'raise'
		? `Its maximum setpoint is ${say(highLimitC!)}`
		: `Its minimum setpoint is ${say(lowLimitC!)}`;
}

/** The limits that were moved for the test, to be put back; empty where none were. */
function limitsBack(zone: Zone, profile: ControlProfile, onSite: OnSite): string {
	const test = testSetpoints(zone, profile, onSite);
	const options = allowedOptions(profile, zone.options);
	const say = (c: number) => setpointWithUnit(profile, options, c);
	return [
		test?.raiseBy === 'limit' && ` Put its maximum setpoint back to ${say(zone.settings.highLimitC!)}.`,
		test?.lowerBy === 'limit' && ` Put its minimum setpoint back to ${say(zone.settings.lowLimitC!)}.`
	]
		.filter(Boolean)
		.join('');
}

/** What a person does at one step of the functional test, with which keys, and what they should then see. */
export function testWords(
	step: TestStep,
	zone: Zone,
	profile: ControlProfile,
	onSite: OnSite
): {
	readonly does: string;
	readonly keys: string | null;
	readonly sees: string;
	readonly reads: boolean;
} {
	const keys =
		step === 'raise' || step === 'lower' || step === 'automatic' ? testKeysWords(profile, step) : null;
	const words = (does: string, sees: string, reads = false) => ({ does, keys, sees, reads });
	switch (step) {
		case 'raise':
			return words(setWords('raise', zone, profile, onSite), 'The display shows it.', true);
		case 'call':
			return words('Wait for the call for heat.', 'A click, the lamp or the sign for heat.');
		case 'warm':
			return heatsStore(profile, zone)
				? words('Feel the pipe into the cylinder, with care: it may be hot.', 'It gets hot.', true)
				: words('Feel the emitter, with care: it may be hot.', 'It gets warm.', true);
		case 'lower':
			return words(setWords('lower', zone, profile, onSite), 'The display shows it.');
		case 'ends':
			return words('Wait for the call to end.', 'The lamp or sign goes out.');
		case 'automatic': {
			const back = limitsBack(zone, profile, onSite);
			return formInUse(profile, allowedOptions(profile, zone.options)).form === 'plain'
				? { ...words(`Set it back to what was agreed.${back}`, 'The display shows it.'), keys: null }
				: words(`Put it back on its program.${back}`, 'It shows that the program runs.');
		}
	}
}

/** The next step of a test that is not yet done; null when all are. */
export function nextTestStep(test: OnSite['test']): TestStep | null {
	return TEST_STEPS.find((step) => !test.some((one) => one.step === step)) ?? null;
}

/** How long a control may still hold back after its setpoint was raised, in seconds: what it switches must stay off for some minutes. */
export function delayLeft(test: OnSite['test'], minimumOffMinutes: number, nowMs: number): number {
	const raised = test.find((one) => one.step === 'raise');
	if (!raised || minimumOffMinutes === 0) return 0;
	return Math.max(0, Math.ceil((Date.parse(raised.at) + minimumOffMinutes * 60_000 - nowMs) / 1000));
}

/** A place on a visit as it was kept, with the zone that it was at. */
export interface KeptPlace extends VisitPlace {
	readonly zoneId?: string | undefined;
}

/** The place among the zones as they stand now: at the same zone, or where that is gone by now at the one in its place, from the beginning. */
export function placeKept(
	{ zoneId, ...place }: KeptPlace,
	zoneIds: readonly string[],
	steps: readonly (readonly VisitStep[])[]
): VisitPlace {
	const at = zoneId === undefined ? -1 : zoneIds.indexOf(zoneId);
	const zone = at >= 0 ? at : Math.max(0, Math.min(place.zone, zoneIds.length - 1));
	if (place.step === 'sign-off') return { zone, step: 'sign-off' };
	const isGone = zoneId !== undefined && at < 0;
	// a step that belongs to its control alone is made at another of its zones by now
	const here = steps[zone] ?? ['found'];
	return { zone, step: isGone || !here.includes(place.step) ? here[0]! : place.step };
}
