import { expandProgram } from '../../control';
import { factoryMemory, programOf } from '../../machine';
import { canStartEarly, startsEarlyIn } from '../../plan';
import type { Making } from '../making';
import { around, asks, levelsOf, SLOT_MINUTES, SLOTS, USUAL_RISE_MINUTES } from '../worlds';

/** It runs another week than was planned: that of the factory, or some days that of others. */
export function weekCauses(make: Making): void {
	const { called, add, asked, gated, held, like, mild, usual, wanted } = make;
	const { profile, program, zone } = called;
	const { habits } = profile;
	if (habits.clock.summerTime === 'no-clock' || program.form === 'plain') return;
	const factory = profile.panel && programOf(profile, factoryMemory(profile));
	if (factory && factory.form !== 'plain') {
		const week = expandProgram(factory, profile.temperature?.minC ?? 0);
		add(
			'factory-week',
			habits.clock.programKept ? 0.7 : 4,
			gated(asks(week, like)),
			{
				...usual,
				since: 'power',
				'set-to': 'lower',
				'which-days': 'every'
			},
			{ levels: levelsOf(week, held) }
		);
	}
	if (canStartEarly(profile) && zone.lead.school !== 'at-need') {
		// it begins before a start that was brought forward already, by what the room takes
		const early = Math.max(1, Math.round((mild ?? USUAL_RISE_MINUTES) / SLOT_MINUTES));
		const sooner = wanted.map((on, i) => (on || wanted[around(i + early)] ? 1 : 0));
		const isBoth = zone.lead.school !== 'control' && startsEarlyIn(zone, profile);
		add(
			'starts-early',
			isBoth ? 8 : 0.5,
			gated(sooner),
			{ ...usual, since: 'always', 'which-days': 'every' },
			{ levels: asked.map((level, i) => Math.max(level, sooner[i] ? asked[around(i + early)]! : 0)) }
		);
	}
	const byDay = Array.from({ length: 7 }, (_, d) => wanted.slice((d * SLOTS) / 7, ((d + 1) * SLOTS) / 7));
	/** Days that may hold what another is meant to have, as likely against each other as their weights. */
	const missed: { days: readonly number[]; source: number; figure: number; weight: number }[] = [];
	for (let d = 0; d < 7; d++) {
		const source = (d + 6) % 7;
		if (byDay[source]!.join() !== byDay[d]!.join())
			missed.push({ days: [d], source, figure: d + 1, weight: 0.4 });
	}
	// days that are alike are keyed together, and can be given what others are meant to have
	const alike = new Map<string, number[]>();
	byDay.forEach((day, d) => alike.set(day.join(), [...(alike.get(day.join()) ?? []), d]));
	const groups = [...alike.values()];
	for (const days of groups)
		for (const others of groups) {
			const source = others[0]!;
			// of a single day after another it is said already
			if (days === others || (days.length === 1 && (days[0]! + 6) % 7 === source)) continue;
			missed.push({ days, source, figure: 10 * (days[0]! + 1) + source + 1, weight: 0.6 });
			// or one of them alone was missed
			if (days.length > 1)
				for (const d of days)
					if ((d + 6) % 7 !== source)
						missed.push({ days: [d], source, figure: 100 + 10 * (d + 1) + source + 1, weight: 0.3 });
		}
	const sum = missed.reduce((all, { weight }) => all + weight, 0);
	const perDay = SLOTS / 7;
	for (const { days, source, figure, weight } of missed) {
		const heats = Uint8Array.from(wanted);
		const levels = Float64Array.from(asked);
		for (const d of days) {
			heats.set(byDay[source]!, d * perDay);
			levels.set(asked.slice(source * perDay, (source + 1) * perDay), d * perDay);
		}
		add(
			'day-not-copied',
			weight * Math.min(1, MISSED_PRIOR / sum),
			gated(heats),
			{ ...usual, since: 'always', 'set-to': 'lower', 'which-days': 'some' },
			{ figure, levels }
		);
	}
}
/** What all missed days together weigh against the other causes at most (common practice, from memory): many days that differ make none likelier. */
const MISSED_PRIOR = 3;
