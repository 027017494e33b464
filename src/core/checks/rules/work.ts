import { testStanding } from '../../plan';
import { awayFacts } from '../../run';
import { type Rule } from './check';

/** What was done at the control and what it is left in. Figures are common practice unless another source stands beside them: docs/domain.md §11. */
export const workRules = {
	'keyed-missing': ({ left, of }) =>
		left > 0 ? { id: 'keyed-missing', severity: 'stop', view: 'key-in', left, of } : null,
	unread: ({ left, read, toRead, readBackStops }) =>
		// what is not keyed yet cannot be read
		left > 0 || read >= toRead
			? null
			: { id: 'unread', severity: readBackStops ? 'stop' : 'look', view: 'read-back', read, toRead },
	'test-missing': ({ onSite }) => {
		const standing = testStanding(onSite.test);
		if (standing === 'passed') return null;
		const found = { id: 'test-missing', severity: 'stop', view: 'visit' } as const;
		return standing === 'failed'
			? { ...found, standing, step: onSite.test.find(({ seen }) => !seen)?.step ?? null }
			: { ...found, standing };
	},
	'left-in': ({ onSite: { leftIn } }) =>
		leftIn === 'automatic'
			? null
			: { id: 'left-in', severity: leftIn === null ? 'look' : 'stop', view: 'visit', leftIn },
	'left-standing': ({ zone, timeZone, nowMs }) => {
		const away = awayFacts(zone, timeZone, nowMs);
		return away.kind === 'endless' ? { id: 'left-standing', severity: 'stop', view: 'away', away } : null;
	},
	unpaired: ({ onSite, profile }) =>
		profile.habits.paired && onSite.paired === false
			? { id: 'unpaired', severity: 'stop', view: 'visit' }
			: null,
	'settings-changed': ({ otherwise }) =>
		otherwise ? { id: 'settings-changed', severity: 'look', view: 'key-in', what: otherwise } : null
} satisfies Readonly<Record<string, Rule>>;
