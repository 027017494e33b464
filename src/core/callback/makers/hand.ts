import type { Exception, OnSite } from '../../plan';
import type { Making } from '../making';
import { around, SLOT_MINUTES, SLOTS } from '../worlds';

/** It was left in what a hand put it to: manual, off, away. */
export function handCauses(make: Making): void {
	const { called, add, always, asked, gated, nothing, spanC, usual, wanted } = make;
	const { zone, onSite, profile } = called;
	const [lowC, highC] = spanC;
	const leastC = profile.temperature?.minC ?? 0;
	const { habits } = profile;
	// what it was left in at the last visit, or was said to stand on with no end
	const left = (what: NonNullable<OnSite['leftIn']>, kind?: Exception['kind']) =>
		onSite.leftIn === what ||
		zone.exceptions.some((one) => one.kind === kind && 'until' in one && one.until === null)
			? 10
			: 1;
	if (habits.manual || habits.hold || habits.override) {
		const more = Math.max(left('manual', 'manual'), left('hold', 'hold'));
		add(
			'left-manual',
			5 * more,
			nothing,
			{ ...usual, mode: 'manual', since: 'visitors', 'which-days': 'every', 'set-to': 'lower' },
			{ figure: -1, shown: [leastC, highC - 1] }
		);
		add(
			'left-manual',
			2 * more,
			gated(always),
			{ ...usual, mode: 'manual', since: 'visitors', 'which-days': 'every', 'set-to': 'higher' },
			{ figure: 1, levels: new Float64Array(SLOTS).fill(1), shown: [highC - 0.5, highC + 6] }
		);
	}
	if (habits.off)
		add(
			'left-off',
			3 * left('off', 'off'),
			nothing,
			{ ...usual, mode: 'off', since: 'visitors', 'set-to': 'lower', 'heater-asked': 'cold' },
			{ shown: [leastC, 10] }
		);
	if (habits.holiday)
		add(
			'left-away',
			3 * left('holiday'),
			nothing,
			{ ...usual, mode: 'away', since: 'visitors', 'set-to': 'lower' },
			{ shown: [leastC, lowC] }
		);
	// it goes back as it was built to
	if (habits.override)
		add('override-ended', 1, gated(wanted), { ...usual, since: undefined, 'set-to': undefined });
	if (habits.boost) {
		const longest = Math.round((habits.boost.stepMinutes * habits.boost.mostSteps) / SLOT_MINUTES);
		// pressed as it goes off, it stays warm so much longer
		const late = wanted.map((on, i) => (on || wanted[around(i - Math.min(longest, 18))] ? 1 : 0));
		const levels = asked.map((level, i) =>
			Math.max(level, late[i] ? asked[around(i - Math.min(longest, 18))]! : 0)
		);
		add('boost', 0.3, gated(late), { ...usual, since: 'visitors', 'which-days': 'some' }, { levels });
	}
	// at a figure that nobody can change: manual first, then the lock
	if (profile.operation.lock && (habits.manual || habits.hold))
		add(
			'locked',
			onSite.lockSet ? 2 : 0.8,
			nothing,
			{
				...usual,
				mode: 'manual',
				since: 'visitors',
				'set-to': 'lower',
				'heater-asked': undefined,
				keys: 'locked'
			},
			{ shown: [leastC, highC - 1] }
		);
}
