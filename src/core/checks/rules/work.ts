import { allowedOptions } from '../../control';
import { testStanding } from '../../plan';
import { awayFacts } from '../../run';
import { type Rule } from './check';

/** What was done at the control and what it is left in. Figures are common practice unless another source stands beside them: docs/domain.md §11. */
export const workRules = {
	'keyed-missing': ({ done, of }) =>
		done < of ? { id: 'keyed-missing', severity: 'stop', view: 'key-in', done, of } : null,
	unread: ({ done, of, read, toRead, readBackStops }) =>
		// what is not keyed yet cannot be read
		done < of || read >= toRead
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
	'settings-changed': ({ zone, profile, keyed, groupingName }) => {
		const options = allowedOptions(profile, zone.options);
		const unit = keyed['setting/unit'];
		const grouping = keyed['setting/grouping'];
		const what =
			unit !== undefined && unit !== `°${options.unit}`
				? 'unit'
				: grouping !== undefined && grouping !== groupingName
					? 'grouping'
					: null;
		return what ? { id: 'settings-changed', severity: 'look', view: 'key-in', what } : null;
	}
} satisfies Readonly<Record<string, Rule>>;
