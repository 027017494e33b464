import type { Fact, QuestionId } from './facts';

const ALL = [0, 1, 2, 3, 4, 5, 6];
const NUMBERS = [
	'twelve', 'one', 'two', 'three', 'four', 'five', 'six', 'seven', 'eight', 'nine', 'ten', 'eleven'
]; // prettier-ignore
const WEEKDAYS = ['monday', 'tuesday', 'wednesday', 'thursday', 'friday', 'saturday', 'sunday'];

/** Parts of a day as people mean them, in minutes (common practice). */
const PARTS: readonly (readonly [RegExp, number, number])[] = [
	[/\bmornings?\b/, 360, 540],
	[/\bafternoons?\b/, 720, 1020],
	[/\bevenings?\b/, 1080, 1320],
	[/\b(nights?|overnight)\b/, 60, 300],
	[/\b(days?|daytime)\b/, 600, 1020]
];

/** The days that are named; all of them where none is. What stands after "since" tells when it began. */
function daysIn(text: string): number[] {
	const named = text.replace(/\bsince (last )?\w+day\b/g, '');
	const found = new Set<number>();
	if (/\b(week ?days?|working days?)\b/.test(named)) [0, 1, 2, 3, 4].forEach((day) => found.add(day));
	if (/\bweek-?ends?\b/.test(named)) [5, 6].forEach((day) => found.add(day));
	WEEKDAYS.forEach((name, day) => {
		if (new RegExp(`\\b(${name}|${name.slice(0, 3)})s?\\b`).test(named)) found.add(day);
	});
	return found.size > 0 ? [...found].sort((a, b) => a - b) : ALL;
}

/** The minute of the day that is named after a word such as "at"; null for none. */
function minuteIn(text: string): number | null {
	if (/\bmidnight\b/.test(text)) return 0;
	if (/\b(noon|midday)\b/.test(text)) return 720;
	const number = `(\\d{1,2}|${NUMBERS.join('|')})`;
	const half = new RegExp(`\\b(half past|quarter past|quarter to) ${number}\\b`).exec(text);
	const plain = new RegExp(
		`\\b(?:at|about|around|only|till|until|by|after|before)\\s+(?:about |around |only |nearly )?${number}(?:[:.](\\d{2}))?\\s*(am|pm|a\\.m\\.|p\\.m\\.)?`
	).exec(text);
	const bare = /\b(\d{1,2})(?:[:.](\d{2}))\s*(am|pm)?|\b(\d{1,2})\s*(am|pm|o.?clock)\b/.exec(text);
	const hourOf = (word: string) => (NUMBERS.includes(word) ? NUMBERS.indexOf(word) || 12 : Number(word));
	let hour: number;
	let minute: number;
	let half12: string | undefined;
	if (half) {
		hour = hourOf(half[2]!);
		minute = half[1] === 'half past' ? 30 : half[1] === 'quarter past' ? 15 : -15;
	} else if (plain) {
		hour = hourOf(plain[1]!);
		minute = Number(plain[2] ?? 0);
		half12 = plain[3];
	} else if (bare) {
		hour = Number(bare[1] ?? bare[4]);
		minute = Number(bare[2] ?? 0);
		half12 = bare[3] ?? bare[5];
	} else return null;
	if (hour > 24 || minute > 59) return null;
	const isLate =
		/^p/.test(half12 ?? '') ||
		(half12 === undefined &&
			((/\b(evening|afternoon|tonight)/.test(text) && hour < 12) ||
				(/\bnight/.test(text) && hour >= 7 && hour < 12)));
	const isEarly = /^a/.test(half12 ?? '') || (/\bnight/.test(text) && hour === 12);
	const of = isLate && hour < 12 ? hour + 12 : isEarly && hour === 12 ? 0 : hour;
	return (((of * 60 + minute) % 1440) + 1440) % 1440;
}

/** From when until when, in minutes of the day, where both are said; null else. */
function stretchIn(text: string): readonly [from: number, to: number] | null {
	const both = /\b(?:from|between)\s+([\w:. ]+?)\s+(?:until|till|to|and)\s+([\w:. ]+)/.exec(text);
	if (!both) return null;
	// the part of the day that is said counts for both
	const part = /\b(in the (morning|afternoon|evening)s?|at night|tonight)\b/.exec(text)?.[0] ?? '';
	const [from, to] = [both[1]!, both[2]!].map((time) => minuteIn(` at ${time} ${part} `));
	return from != null && to != null && from < to ? [from, to] : null;
}

/** More than this is said in °F. */
const WARMEST_C = 40;

/** What is said of a question, with the answer that it is. */
const SAYINGS: readonly (readonly [RegExp, QuestionId, string])[] = [
	[/\b(blank|nothing on (the|its) (display|screen)|(display|screen) is (dead|off|empty))\b/, 'clock-shows', 'blank'],
	[/\b(an? |one )hour (ahead|fast|too early|early)\b/, 'clock-shows', 'hour-ahead'],
	[/\b(an? |one )hour (behind|slow|too late|late)\b/, 'clock-shows', 'hour-behind'],
	[/\b(clock is right|right time)\b/, 'clock-shows', 'right'],
	[/\bwrong (day|weekday)\b/, 'clock-shows', 'another-day'],
	[/\b(wrong time|clock is wrong|time is wrong)\b/, 'clock-shows', 'another-time'],
	[/\b(says|shows|on|in) manual\b|\bpadlock and a hand\b|\bshows a hand\b/, 'mode', 'manual'],
	[/\b(says|shows|is on) (auto(matic)?|its program|the program)\b/, 'mode', 'program'],
	[/\b(says|shows) off\b/, 'mode', 'off'],
	[/\b(says|shows|still on|still in) (holiday|away|a suitcase)\b/, 'mode', 'away'],
	[/\bclocks? (changed|went|change)|\bsummer ?time\b|\bwinter ?time\b/, 'since', 'clocks-changed'],
	[/\bpower (cut|failure|was out|outage)|\bbatter(y|ies)\b/, 'since', 'power'],
	[/\b(visitors?|guests?|the (kids?|children|tenants?|cleaner)|somebody|someone) (was|were|played|pressed|touched|had|have|has)\b/, 'since', 'visitors'],
	[/\bsince (it|the weather) (got|became|turned|is) (so )?(cold|colder)|\bcold snap\b|\bin (the )?frost\b/, 'since', 'colder'],
	[/\b(has )?always (been )?|\bsince it was (set up|fitted|installed|new)\b/, 'since', 'always'],
	[/\b(all|other|every) rooms?\b|\bwhole house\b|\beverywhere\b/, 'rooms', 'all'],
	[/\bonly (in )?(this|one|that|the) (one )?room\b|\bthe other rooms are (fine|warm|all right)\b/, 'rooms', 'this'],
	[/\b(no|lamp is|light is|lamp’s|lamp's) (lamp|light|out|off)\b.*|\b(lamp|light) (blinks|flashes|is blinking|is flashing)\b/, 'lamp', 'out-or-blinks'],
	[/\b(will not|won.t|can.t|cannot) (go|be set|be turned) (any )?(higher|up)\b/, 'set-to', 'lower'],
	[/\bpadlock\b|\b(is|are|keys) locked\b|\b(keys|buttons) (do|does) nothing\b|\bnothing happens when\b/, 'keys', 'locked'],
	[/\b(time|clock|display|screen) (blinks|flashes|is (blinking|flashing))\b/, 'clock-shows', 'another-time'],
	[/\bno hot water\b/, 'water', 'no'],
	[/\bhot water (but|and) no heating\b|\b(hot )?water is (hot|fine)\b|\bhot water works\b/, 'water', 'yes'],
	[/\b(radiators?|heaters?|floor) (is|are|stays?) (stone )?cold\b/, 'heater-asked', 'cold'],
	[/\b(radiators?|heaters?|floor) (is|are|gets?) (hot|warm)\b/, 'heater-asked', 'hot']
]; // prettier-ignore

/**
 * What a plain sentence says, as facts: times, days, cold and hot, on and off, and what belongs to a question. What is not understood
 * (names of rooms, of people) is passed over; empty where nothing is.
 */
export function understand(said: string): Fact[] {
	const facts: Fact[] = [];
	const put = (fact: Fact) => {
		const text = JSON.stringify(fact);
		if (!facts.some((one) => JSON.stringify(one) === text)) facts.push(fact);
	};
	for (const part of said
		.toLowerCase()
		.split(/[,;!?]|\.(?!\d|m\b)|\bbut (?!no heating)|\band (?=it|then|comes|goes|cold|hot)/)) {
		const text = ` ${part.trim()} `;
		const days = daysIn(text);
		const at = minuteIn(text);
		const turns = /\b(comes?|came|turns?|switche[sd]|goes|starts?|kicks?) (itself )?on\b|\bstarts?\b|\bon (at|only|from)\b|\b(does not|doesn.t|only) (come|start)s? (on )?(before|until|till|at|after)\b/.test(text)
			? 'on'
			: /\b(goes|turns?|switches|shuts?|stops?) (itself )?off\b|\bstops\b|\boff (at|by|from)\b/.test(text)
				? 'off'
				: null; // prettier-ignore
		const isHeater = /\b(radiators?|heaters?|floor|lamp|light|water) (is|are|stays?|gets?)\b/.test(text);
		const cold =
			/\b(cold|freezing|chilly|cool|not warm|isn.t warm|no heat|no heating|not heating|does not heat|doesn.t heat)\b/.test(
				text.replace(/since .*cold\w*/, '')
			);
		const never =
			/\bnever (gets |is )?(warm|heats)|\b(all day|all the time) cold|\b(no heat|no heating|not heating) (at all)?/.test(
				text
			);
		const hot = /\b((too|so|very) (hot|warm)|boiling|sweating|on all night|heats all night|roasting)\b/.test(
			text
		);
		if (turns && at !== null) put({ kind: 'turns', to: turns, days, at });
		else if ((cold || hot || never) && !isHeater) {
			const what = hot ? 'hot' : 'cold';
			const stretch = stretchIn(text);
			const when = never || /\ball (day|the time)\b/.test(text) ? null : PARTS.find(([of]) => of.test(text));
			if (stretch) put({ kind: 'feels', what, days, from: stretch[0], to: stretch[1] });
			else if (at !== null && /\b(until|till|before)\b/.test(text)) {
				const from = Math.max(0, at - 180);
				put({
					kind: 'feels',
					what,
					days,
					from: Math.min(from, at - 30 < 0 ? 0 : at - 30),
					to: Math.max(1, at)
				});
			} else if (at !== null)
				put({ kind: 'feels', what, days, from: Math.max(0, at - 30), to: Math.min(1440, at + 60) });
			else if (when) put({ kind: 'feels', what, days, from: when[1], to: when[2] });
			else put({ kind: 'feels', what, days, from: 0, to: 1440 });
		}
		const shown =
			/\b(?:shows?|says|reads|displays?|set (?:to|at)|stands at)\s+(?:only |about |still )?(-?\d{1,3}(?:\.\d)?)(?![\d:.]|\s*(?:am|pm|a\.m|p\.m|o.?clock|hours?|h)\b)/.exec(
				text
			);
		if (shown) {
			const degrees = Number(shown[1]);
			// nobody's room is at forty degrees Celsius
			const unit = degrees > WARMEST_C ? 'F' : 'C';
			const rest = text.replace(shown[0], ' ');
			if (degrees >= -30 && degrees <= 120)
				put({ kind: 'shows', degrees, unit, days: daysIn(rest), at: minuteIn(rest) });
		}
		for (const [of, question, answer] of SAYINGS)
			if (of.test(text) && !facts.some((fact) => fact.kind === 'answer' && fact.question === question))
				put({ kind: 'answer', question, answer });
	}
	return facts;
}
