import { nextView, type PlacedZone } from './captions';
import { DUE_VIEW, type Due } from './due';
import { fitWords, leftWords, NOT_DRAWN } from './standing';

/** The worst fact of a site, and the act that comes next there. */
export interface SiteHeadline {
	readonly words: string;
	/** Whether it is wrong, not merely next. */
	readonly bad: boolean;
	/** What is done about it, and at which view of the site; null where there is nothing but to begin. */
	readonly act: { readonly words: string; readonly path: string } | null;
	/** What is late, where the headline says that. */
	readonly late: Due | null;
}

/** At most so many names stand in a headline. */
const MOST_NAMES = 3;

const named = (zones: readonly { readonly name: string }[]): string =>
	zones.length > MOST_NAMES
		? `${zones.length} zones`
		: zones
				.map(({ name }) => name)
				.join(', ')
				.replace(/, (?=[^,]*$)/, ' and ');

/**
 * The worst fact of a site: what is late, then weeks that nobody has drawn, then what is to be keyed and read back. Its act
 * is what puts that right; of a week that is not drawn nothing is keyed.
 */
export function siteHeadline(
	zones: readonly (PlacedZone & { readonly name: string })[],
	due: readonly Due[]
): SiteHeadline {
	if (zones.length === 0) return { words: 'No zones yet', bad: false, act: null, late: null };
	const at = (zoneId: string, view: string) => `/zones/${zoneId}/${view}`;
	const undrawn = zones.filter((zone) => zone.undrawn);
	const [first] = undrawn;
	const toKey = zones.filter((zone) => nextView(zone.summary) === 'key-in' && !zone.undrawn);
	const [next] = toKey;
	const unread = zones.find(({ summary }) => nextView(summary) === 'read-back');
	const act = first
		? { words: `Draw the week of ${first.name}`, path: at(first.id, 'week') }
		: next
			? { words: `Key in ${next.name}, ${leftWords(next.summary)}`, path: at(next.id, 'key-in') }
			: unread
				? { words: `Read back ${unread.name}`, path: at(unread.id, 'read-back') }
				: { words: 'To the visit', path: '/visit' };
	const late = due.find((one) => one.late);
	if (late)
		return {
			words: `${late.zoneName}: ${late.sentence[0]!.toLowerCase()}${late.sentence.slice(1).replace(/\.$/, '')}`,
			bad: true,
			act: { words: `See to ${late.zoneName}`, path: at(late.zoneId, DUE_VIEW[late.kind]) },
			late
		};
	if (first) return { words: `${named(undrawn)}: ${NOT_DRAWN}`, bad: true, act, late: null };
	if (next) {
		const left = toKey.reduce((sum, { summary }) => sum + summary.left, 0);
		return { words: `${left} ${left === 1 ? 'value' : 'values'} to key in`, bad: false, act, late: null };
	}
	return {
		words: unread ? `${unread.name}: not read back` : 'Ready to sign off',
		bad: false,
		act,
		late: null
	};
}

/** How many weeks of a site fit, and the worst that does not: "3 of 5 weeks fit; worst: Bindery, 20 min too cold". */
export function fitsOfSite(zones: readonly (PlacedZone & { readonly name: string })[]): string | null {
	const drawn = zones.filter((zone) => !zone.undrawn);
	if (drawn.length === 0) return null;
	const missed = ({ summary }: PlacedZone) => summary.coldMinutes * 10_000 + summary.warmMinutes;
	const worst = drawn.reduce((a, b) => (missed(b) > missed(a) ? b : a));
	const fit = drawn.filter((zone) => missed(zone) === 0).length;
	if (fit === drawn.length) {
		if (fit < zones.length) return fit === 1 ? 'The one drawn week fits.' : `All ${fit} drawn weeks fit.`;
		return fit === 1 ? 'The week fits.' : `All ${fit} weeks fit.`;
	}
	return `${fit} of ${drawn.length} weeks fit; worst: ${worst.name}, ${fitWords(worst.summary, worst.isSwitch)}.`;
}
