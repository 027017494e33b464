import type { ControlProfile } from '../control';
import { clockTime } from '../week';
import type { CardItem } from './cardItems';
import { isWritten } from './strokes';

/** Slots of a strip that is written, one after another with the same value, as one value each run: each writes and goes on. */
export function inRuns(profile: ControlProfile, items: readonly CardItem[]): CardItem[] {
	const { program } = profile;
	if (program.form !== 'slots' || !isWritten(profile)) return [...items];
	const runs: CardItem[] = [];
	for (const item of items) {
		const last = runs.at(-1);
		const [was, goal] = [last?.goal, item.goal];
		if (
			last &&
			was?.of === 'field' &&
			goal.of === 'field' &&
			!goal.all &&
			was.day === goal.day &&
			was.position === goal.position &&
			Number(was.key) + (was.slots ?? 1) === Number(goal.key)
		) {
			const slots = (was.slots ?? 1) + 1;
			const from = Number(was.key);
			runs[runs.length - 1] = {
				...last,
				id: `${item.id.slice(0, -goal.key.length)}${from}-${from + slots - 1}`,
				what: `${clockTime(from * program.slotMinutes)} to ${clockTime((from + slots) * program.slotMinutes)}`,
				presses: last.presses + item.presses,
				goal: { ...was, slots }
			};
		} else runs.push(item);
	}
	return runs;
}
