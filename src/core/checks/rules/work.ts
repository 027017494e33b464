import { allowedOptions } from '../../control';
import { LEFT_WORDS, TEST_WORDS, testStanding } from '../../plan';
import { awayStanding } from '../../run';
import { type Rule, visit } from './check';

/** What was done at the control and what it is left in. Figures are common practice unless another source stands beside them: docs/domain.md §11. */
export const workRules = {
	'keyed-missing': ({ done, of }) =>
		done < of
			? {
					id: 'keyed-missing',
					severity: 'stop',
					sentence: done === 0 ? 'Nothing is keyed yet.' : `${of - done} of ${of} values are not keyed.`,
					mend: { words: 'Key in', view: 'key-in' }
				}
			: null,
	unread: ({ done, of, read, toRead, readBackStops }) =>
		// what is not keyed yet cannot be read
		done < of || read >= toRead
			? null
			: {
					id: 'unread',
					severity: readBackStops ? 'stop' : 'look',
					sentence:
						read === 0
							? 'Nothing was read back from the display.'
							: `${toRead - read} of ${toRead} groups of days were not read back from the display.`,
					mend: { words: 'Read it back', view: 'read-back' }
				},
	'test-missing': ({ onSite }) => {
		const standing = testStanding(onSite.test);
		if (standing === 'passed') return null;
		const failed = onSite.test.find((step) => !step.seen);
		const words = {
			missing: 'was not made',
			'under-way': 'was begun and not ended',
			failed: `failed at ${failed ? TEST_WORDS[failed.step] : ''}`
		};
		return {
			id: 'test-missing',
			severity: 'stop',
			sentence: `The functional test ${words[standing as keyof typeof words]}.`,
			mend: visit('Make the test')
		};
	},
	'left-in': ({ onSite }) =>
		onSite.leftIn === 'automatic'
			? null
			: {
					id: 'left-in',
					severity: onSite.leftIn === null ? 'look' : 'stop',
					sentence:
						onSite.leftIn === null
							? 'What the control was left in is not noted.'
							: `The control was left in ${LEFT_WORDS[onSite.leftIn]}: its program does not run.`,
					mend: visit('Put it back on automatic')
				},
	'left-standing': (checked) => {
		const standing = awayStanding(checked.zone, checked.profile, checked.timeZone, checked.nowMs);
		return standing.bad
			? {
					id: 'left-standing',
					severity: 'stop',
					sentence: `It is ${standing.words}.`,
					mend: { words: 'End it', view: 'away' }
				}
			: null;
	},
	unpaired: ({ onSite, profile }) =>
		profile.habits.paired && onSite.paired === false
			? {
					id: 'unpaired',
					severity: 'stop',
					sentence: 'Control and receiver are not paired: nothing will heat.',
					mend: visit('Pair them')
				}
			: null,
	'settings-changed': ({ zone, profile, keyed, groupingName }) => {
		const options = allowedOptions(profile, zone.options);
		const unit = keyed['setting/unit'];
		const grouping = keyed['setting/grouping'];
		const what =
			unit !== undefined && unit !== `°${options.unit}`
				? 'unit'
				: grouping !== undefined && grouping !== groupingName
					? 'day grouping'
					: null;
		return what
			? {
					id: 'settings-changed',
					severity: 'look',
					sentence: `The ${what} was changed after it was keyed: on many controls that wipes the program.`,
					mend: { words: 'Key in again', view: 'key-in' }
				}
			: null;
	}
} satisfies Readonly<Record<string, Rule>>;
