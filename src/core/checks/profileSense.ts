import {
	factoryOptions,
	isOffered,
	OPTION_IDS,
	perDayOffers,
	type ControlProfile,
	type Panel
} from '../control';
import { isOperable, operationFaults, type OperationFault } from '../machine';
import { fitZone } from '../fit';
import { newZone, routineFromTemplate, routineTemplates, withRoutine, type Zone } from '../plan';
import { keyCard, startingPace } from '../keying';
import { DAY_MINUTES } from '../week';

/** What of a profile no control could be like, or makes its card useless. */
export type SenseFact =
	| { readonly kind: 'top-not-shown'; readonly minC: number; readonly stepK: number; readonly maxC: number }
	| { readonly kind: 'step-over-range'; readonly stepK: number }
	| { readonly kind: 'no-frost'; readonly minC: number }
	| { readonly kind: 'no-room-to-cool'; readonly maxC: number; readonly deadBandK: number }
	| { readonly kind: 'day-too-short'; readonly changes: number; readonly stepMinutes: number }
	| { readonly kind: 'twice-offered' | 'weekend-in-one' | 'copies-nothing' }
	| { readonly kind: 'same-grouping'; readonly name: string; readonly as: string }
	| { readonly kind: 'idle-bracket'; readonly state: string }
	/** Settings, by their ids, of which a change of each brings everything back. */
	| { readonly kind: 'wipes-each-other'; readonly settings: readonly string[] }
	| {
			readonly kind: 'leaves-too-soon';
			readonly timeoutSeconds: number;
			readonly section: string;
			readonly what: string;
			readonly seconds: number;
			readonly presses: number;
	  }
	| { readonly kind: 'long-card'; readonly values: number }
	/** What no keys can be like: see {@link operationFaults}. */
	| { readonly kind: 'operation'; readonly panel: Panel; readonly fault: OperationFault };

/** Something about a profile that no such control could be like, or that makes its card useless. */
export interface SenseFinding {
	/** The field it is about, as in a control file. */
	readonly path: string;
	/** stop: the card cannot be keyed as it stands; look: unlikely, look at the control again. */
	readonly severity: 'stop' | 'look';
	readonly fact: SenseFact;
}

/** A zone on a control with a week that shows what it can hold: four working days, a day at home, a weekend. */
export function sampleZone(profile: ControlProfile): Zone {
	const zone = newZone('Sample room', profile);
	const template = routineTemplates.find((one) => one.id === 'one-home-day')!;
	return withRoutine(zone, routineFromTemplate(template, zone.levels));
}

/**
 * What a sound profile may still have wrong with it, by sense: settings that no control could have
 * together, and a card that cannot be keyed. Empty when nothing was found.
 */
export function profileSense(profile: ControlProfile): SenseFinding[] {
	const findings: SenseFinding[] = [];
	const stop = (path: string, fact: SenseFact) => findings.push({ path, severity: 'stop', fact });
	const look = (path: string, fact: SenseFact) => findings.push({ path, severity: 'look', fact });
	const { temperature, cooling, program, groupings, keying } = profile;

	if (temperature) {
		const steps = (temperature.maxC - temperature.minC) / temperature.stepC;
		if (Math.abs(steps - Math.round(steps)) > 1e-6)
			look('temperature.stepC', {
				kind: 'top-not-shown',
				minC: temperature.minC,
				stepK: temperature.stepC,
				maxC: temperature.maxC
			});
		if (steps < 1) stop('temperature', { kind: 'step-over-range', stepK: temperature.stepC });
		if (temperature.minC > 7) look('temperature.minC', { kind: 'no-frost', minC: temperature.minC });
		if (cooling && cooling.maxC < temperature.minC + cooling.deadBandK)
			stop('cooling.maxC', { kind: 'no-room-to-cool', maxC: cooling.maxC, deadBandK: cooling.deadBandK });
	}
	for (const most of perDayOffers(profile)) {
		const step = program.form === 'events' || program.form === 'pairs' ? program.stepMinutes : 60;
		const forced = program.form === 'events' && !program.clearable;
		if (forced && most * step > DAY_MINUTES)
			stop('program.perDay', { kind: 'day-too-short', changes: most, stepMinutes: step });
	}
	if (program.form === 'events' || program.form === 'pairs') {
		if (new Set(program.perDay).size !== program.perDay.length)
			look('program.perDay', { kind: 'twice-offered' });
	}
	if (program.form === 'events' && program.weekend && groupings.some((one) => one.groups.length === 1))
		stop('groupings', { kind: 'weekend-in-one' });
	const wiping = [
		...OPTION_IDS.filter((id) => isOffered(profile, id) && profile.operation.options[id]?.wipes === 'all'),
		...profile.menu.filter(({ wipes }) => wipes === 'all').map(({ print }) => print)
	];
	if (wiping.length > 1) look('operation.options', { kind: 'wipes-each-other', settings: wiping });
	const seen = new Map<string, string>();
	for (const [index, grouping] of groupings.entries()) {
		const key = JSON.stringify(grouping.groups.map((days) => [...days].sort()).sort());
		if (seen.has(key))
			look(`groupings[${index}]`, { kind: 'same-grouping', name: grouping.name, as: seen.get(key)! });
		seen.set(key, grouping.name);
	}
	if (keying.copy && groupings.every((grouping) => grouping.groups.some((days) => days.length > 1)))
		look('keying.copy', { kind: 'copies-nothing' });
	if (keying.bracket && keying.bracket.before === keying.bracket.after)
		look('keying.bracket', { kind: 'idle-bracket', state: keying.bracket.before });
	findings.push(...operationSense(profile));

	const zone = sampleZone(profile);
	const { chosen } = fitZone(zone, profile);
	const card = keyCard(profile, factoryOptions(profile), chosen.grouping, chosen.program);
	const longest = card.items.toSorted((a, b) => b.presses - a.presses)[0];
	const seconds = Math.ceil((longest?.presses ?? 0) * startingPace.pressSeconds + startingPace.lookSeconds);
	if (longest && keying.timeoutSeconds !== null && seconds > keying.timeoutSeconds)
		stop('keying.timeoutSeconds', {
			kind: 'leaves-too-soon',
			timeoutSeconds: keying.timeoutSeconds,
			section: longest.section,
			what: longest.what,
			seconds,
			presses: longest.presses
		});
	if (card.items.length > 300) look('keying', { kind: 'long-card', values: card.items.length });
	return findings;
}

/** What of a control's keys no control can be like; empty where nobody described them. */
export const operationSense = (profile: ControlProfile): SenseFinding[] =>
	isOperable(profile)
		? operationFaults(profile).map((fault) => ({
				path: fault.kind === 'dead-key' ? 'panel.keys' : 'panel',
				severity: 'stop',
				fact: { kind: 'operation', panel: profile.panel, fault }
			}))
		: [];
