import { factoryOptions, perDayOffers, type ControlProfile } from '../control';
import { fitZone } from '../fit';
import { newZone, routineFromTemplate, routineTemplates, withRoutine, type Zone } from '../plan';
import { keyCard, startingPace } from '../keying';
import { DAY_MINUTES } from '../week';

/** Something about a profile that no such control could be like, or that makes its card useless. */
export interface SenseFinding {
	/** The field it is about, as in a control file. */
	readonly path: string;
	/** stop: the card cannot be keyed as it stands; look: unlikely, look at the control again. */
	readonly severity: 'stop' | 'look';
	readonly sentence: string;
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
	const stop = (path: string, sentence: string) => findings.push({ path, severity: 'stop', sentence });
	const look = (path: string, sentence: string) => findings.push({ path, severity: 'look', sentence });
	const { temperature, cooling, program, groupings, keying } = profile;

	if (temperature) {
		const steps = (temperature.maxC - temperature.minC) / temperature.stepC;
		if (Math.abs(steps - Math.round(steps)) > 1e-6)
			look(
				'temperature.stepC',
				`From ${temperature.minC} °C in steps of ${temperature.stepC} K the display never shows ${temperature.maxC} °C.`
			);
		if (steps < 1)
			stop('temperature', `One step of ${temperature.stepC} K is more than the whole range: nothing to set.`);
		if (temperature.minC > 7)
			look('temperature.minC', `It cannot be set to frost protection: ${temperature.minC} °C is its lowest.`);
		if (cooling && cooling.maxC < temperature.minC + cooling.deadBandK)
			stop(
				'cooling.maxC',
				`Cooling up to ${cooling.maxC} °C leaves no room for ${cooling.deadBandK} K above the lowest heating setpoint.`
			);
	}
	for (const most of perDayOffers(profile)) {
		const step = program.form === 'events' || program.form === 'pairs' ? program.stepMinutes : 60;
		const forced = program.form === 'events' && !program.clearable;
		if (forced && most * step > DAY_MINUTES)
			stop(
				'program.perDay',
				`${most} changes that must all be keyed do not fit into a day at ${step} minutes.`
			);
	}
	if (program.form === 'events' || program.form === 'pairs') {
		if (new Set(program.perDay).size !== program.perDay.length)
			look('program.perDay', 'The same number of changes a day is offered twice.');
	}
	if (program.form === 'events' && program.weekend && groupings.some((one) => one.groups.length === 1))
		stop(
			'groupings',
			'Saturday and Sunday hold other numbers of changes, but a grouping gives all days one program.'
		);
	const seen = new Map<string, string>();
	for (const [index, grouping] of groupings.entries()) {
		const key = JSON.stringify(grouping.groups.map((days) => [...days].sort()).sort());
		if (seen.has(key))
			look(`groupings[${index}]`, `${grouping.name} puts the days together as ${seen.get(key)} does.`);
		seen.set(key, grouping.name);
	}
	if (keying.copy && groupings.every((grouping) => grouping.groups.some((days) => days.length > 1)))
		look('keying.copy', 'Days are copied, but no grouping has each day by itself.');
	if (keying.bracket && keying.bracket.before === keying.bracket.after)
		look('keying.bracket', `It is set to ${keying.bracket.before} before and after: nothing changes.`);

	const zone = sampleZone(profile);
	const { chosen } = fitZone(zone, profile);
	const card = keyCard(profile, factoryOptions(profile), chosen.grouping, chosen.program);
	const longest = card.items.reduce((a, b) => (b.presses > a.presses ? b : a), card.items[0]!);
	const seconds = Math.ceil(longest.presses * startingPace.pressSeconds + startingPace.lookSeconds);
	if (keying.timeoutSeconds !== null && seconds > keying.timeoutSeconds)
		stop(
			'keying.timeoutSeconds',
			`The menu leaves after ${keying.timeoutSeconds} s, but ${longest.section}, ${longest.what} takes about ${seconds} s (${longest.presses} presses): the card cannot be keyed.`
		);
	if (card.items.length > 300)
		look(
			'keying',
			`A plain working week takes ${card.items.length} values to key: look whether days can be copied.`
		);
	return findings;
}
