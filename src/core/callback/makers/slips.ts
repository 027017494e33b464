import { expandProgram, type Program } from '../../control';
import { DAY_MINUTES } from '../../week';
import type { Making } from '../making';
import { asks, levelsOf } from '../worlds';

/** How a step can be keyed wrong: half a day off (morning for evening), an hour early, an hour late. */
const SLIPS = [720, -60, 60] as const;

/** A slip as one figure: the first day that has it from 1, its step from 1 (0: a whole day's strip), and how it was keyed. */
const figureOf = (day: number, step: number, slip: number) => (day + 1) * 1000 + step * 10 + slip;

/** What a slip's figure says: the first day from 0, the step from 1 (0: all of the day), and the minutes by which it was keyed wrong. */
export function slipOf(figure: number): {
	readonly day: number;
	readonly step: number;
	readonly minutes: number;
} {
	return {
		day: Math.min(6, Math.max(0, Math.floor(figure / 1000) - 1)),
		step: Math.floor((figure % 1000) / 10),
		minutes: SLIPS[figure % 10] ?? SLIPS[0]
	};
}

/** A time keyed wrong; null where it is no time of that day. */
const wrong = (at: number, minutes: number): number | null => {
	const off = Math.abs(minutes) === 720 ? (at + 720) % DAY_MINUTES : at + minutes;
	return off < 0 || off >= DAY_MINUTES ? null : off;
};

type Group<Form extends Program['form']> = Extract<Program, { form: Form }>['groups'][number];
const withGroup = <P extends Program>(program: P, at: number, group: P['groups'][number]): P => ({
	...program,
	groups: program.groups.map((one, i) => (i === at ? group : one))
});

/** The program with one slip; null where the control would not hold that. */
function slipped(program: Program, at: number, step: number, minutes: number): Program | null {
	switch (program.form) {
		case 'plain':
			return null;
		case 'slots': {
			// the cursor stood an hour beside: all of the day is off
			if (step > 0 || Math.abs(minutes) !== 60) return null;
			const group = program.groups[at]!;
			const by = minutes / program.slotMinutes;
			const { length } = group.slots;
			const slots = group.slots.map((_, i) => group.slots[Math.min(length - 1, Math.max(0, i - by))]!);
			return withGroup(program, at, { ...group, slots });
		}
		case 'events': {
			const group: Group<'events'> = program.groups[at]!;
			const event = group.events[step - 1];
			const off = event && wrong(event.at, minutes);
			if (!event || off === null || group.events.some((one) => one.at === off)) return null;
			const events = group.events
				.map((one, i) => (i === step - 1 ? { ...event, at: off! } : one))
				.sort((a, b) => a.at - b.at);
			return withGroup(program, at, { ...group, events });
		}
		case 'pairs': {
			const group: Group<'pairs'> = program.groups[at]!;
			const pair = group.pairs[Math.ceil(step / 2) - 1];
			if (!pair) return null;
			const off = wrong(step % 2 ? pair.on : pair.off, minutes);
			if (off === null) return null;
			const next = step % 2 ? { ...pair, on: off } : { ...pair, off };
			if (next.on >= next.off) return null;
			const pairs = group.pairs.map((one) => (one === pair ? next : one));
			return pairs.some((one, i) => i > 0 && one.on < pairs[i - 1]!.off)
				? null
				: withGroup(program, at, { ...group, pairs });
		}
	}
}

const stepsOf = (program: Program, at: number): number =>
	program.form === 'events'
		? program.groups[at]!.events.length
		: program.form === 'pairs'
			? 2 * program.groups[at]!.pairs.length
			: 0;

/** One value of its week was keyed wrong: each step, as people mistype it. */
export function slipCauses(make: Making): void {
	const { called, add, gated, held, like, usual } = make;
	const { profile, program, zone } = called;
	const lowest = profile.temperature?.minC ?? 0;
	// am for pm is easily done where that is how it shows times
	const weightOf = (minutes: number) => (minutes === 720 ? (zone.options.clock === '12' ? 4 : 0.5) : 1);
	const found = program.groups.flatMap((group, at) =>
		Array.from({ length: stepsOf(program, at) + 1 }, (_, step) => step).flatMap((step) =>
			SLIPS.flatMap((minutes, slip) => {
				const other = slipped(program, at, step, minutes);
				const every = group.days.length === 7;
				return other ? [{ other, minutes, every, figure: figureOf(group.days[0]!, step, slip) }] : [];
			})
		)
	);
	const sum = found.reduce((all, { minutes }) => all + weightOf(minutes), 0);
	for (const { other, minutes, every, figure } of found) {
		const week = expandProgram(other, lowest);
		add(
			'step-slip',
			(SLIPS_PRIOR * weightOf(minutes)) / sum,
			gated(asks(week, like)),
			{ ...usual, since: 'always', 'set-to': 'lower', 'which-days': every ? 'every' : 'some' },
			{ figure, levels: levelsOf(week, held) }
		);
	}
}
/** What all slips together weigh against the other causes (common practice, from memory). */
const SLIPS_PRIOR = 3;
