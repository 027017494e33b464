import { describe, expect, it } from 'vitest';
import { findProfile, shippedProfiles } from '../control';
import { newZone, wantedWeek } from '../plan';
import { clockTime, splitByDay } from '../week';
import { drawnHours, hearWeek, refusedFigures, withSaidWeek } from '.';

const time = (minute: number) => (minute > 1440 ? `${clockTime(minute - 1440)}+` : clockTime(minute));
/** A said week as a line: days that are alike together, by their numbers from 1; then what was not understood, and what is missing. */
function line(said: string, drawn?: Parameters<typeof hearWeek>[1]): string {
	const { days, comfort, eco, clauses, missing } = hearWeek(said, drawn);
	const each = days.map((spans) =>
		spans === null ? '?' : spans.map(({ from, to }) => `${time(from)}-${time(to)}`).join(' ') || 'none'
	);
	return [
		...[...new Set(each)]
			.filter((one) => one !== '?')
			.map((one) => `${each.flatMap((other, day) => (other === one ? [day + 1] : [])).join('')} ${one}`),
		...(comfort === null ? [] : [`warm ${comfort}`]),
		...(eco === null ? [] : [`low ${eco}`]),
		...clauses.filter(({ read }) => !read).map(({ words }) => `“${words}”`),
		...(missing.length > 0 ? [`${missing[0]!.what}?`] : [])
	].join(' | ');
}

/** Weeks as households and caretakers say them (written by hand), with their hours. Those that follow a line that says so were written before the rules and first read after them. */
const WEEKS: readonly (readonly [said: string, hours: string])[] = [
	['weekdays up at six, out half eight to five, bed half ten; weekends home all day, Sunday from nine; eco 17 at night', '12345 06:00-08:30 17:00-22:30 | 6 06:00-22:30 | 7 09:00-22:30 | low 17'],
	['up at seven, bed at eleven every day', '1234567 07:00-23:00'],
	['weekdays up at six, out half eight to five, bed half ten. Fridays from noon', '1234 06:00-08:30 17:00-22:30 | 5 06:00-08:30 12:00-22:30'],
	['warm from six to nine and from five to ten in the evening', '1234567 06:00-09:00 17:00-22:00'],
	['every day warm from 6:30 to 8:30 and 17:00 to 22:30, comfort 21, eco 16.5', '1234567 06:30-08:30 17:00-22:30 | warm 21 | low 16.5'],
	['weekdays up at quarter to seven, leave at ten to eight, back at half four, bed at ten; weekends up at nine, bed at midnight', '12345 06:45-07:50 16:30-22:00 | 67 09:00-24:00'],
	['Monday to Friday open from nine to five, closed at weekends', '12345 09:00-17:00 | 67 none'],
	['up at six, out eight to four, bed ten. half an hour earlier on Tuesday', '134567 06:00-08:00 16:00-22:00 | 2 05:30-08:00 16:00-22:00'],
	['we are up at seven and in bed by eleven, the cat sleeps on the boiler', '1234567 07:00-23:00 | “the cat sleeps on the boiler”'],
	['Tuesdays and Thursdays warm from seven to nine in the evening', '24 19:00-21:00'],
	['weekdays up at six, out from eight till half three, bed at half past ten. Wednesdays home all day', '1245 06:00-08:00 15:30-22:30 | 3 06:00-22:30'],
	['weekends up at eight, bed at one', '67 08:00-01:00+'],
	['heated between 8 am and 6 pm on weekdays', '12345 08:00-18:00'],
	['out all day on Saturday', '6 none'],
	['Sunday from ten to one', '7 10:00-13:00'],
	['weekdays up at five', 'bed?'],
	['the usual, please', '“the usual” | “please”'],
	['up at half six, out at eight, back at six, bed at eleven', '1234567 06:30-08:00 18:00-23:00'],
	['Mondays warm from half past seven until noon', '1 07:30-12:00'],
	['weekdays warm from 7 to 9 and from 16:30 to 22', '12345 07:00-09:00 16:30-22:00'],
	// read first when the rules stood
	['on working days we get up at half five and leave at quarter past six, home again at three, in bed by nine', '12345 05:30-06:15 15:00-21:00'],
	['Saturday and Sunday up at nine, bed at midnight, never out', '67 09:00-24:00'],
	['weekdays up at seven, out from half eight to half five, bed at eleven; Fridays an hour earlier', '1234 07:00-08:30 17:30-23:00 | 5 06:00-08:30 17:30-23:00'],
	['the office is used from eight to six, Monday to Thursday, Friday until four', '1234 08:00-18:00 | 5 08:00-16:00'],
	['every day up at quarter past six, bed at ten, 20.5 degrees', '1234567 06:15-22:00 | warm 20.5'],
	['choir on Tuesdays from half seven to nine in the evening', '2 19:30-21:00'],
	['shut on Mondays, open Tuesday to Sunday from ten to six', '1 none | 234567 10:00-18:00'],
	['weekdays awake at 6.15, away 7.45 to 16.30, asleep at 22.30', '12345 06:15-07:45 16:30-22:30'],
	['up at six, bed at ten, out from nine to twelve on Thursdays', '123567 06:00-22:00 | 4 06:00-09:00 12:00-22:00'],
	['warm from six to eight, off for the rest of the day', '1234567 06:00-08:00'],
	['weekends from eight till late', 'bed?'],
	['bed at ten', 'up?'],
	['weekdays up at six, bed at ten, not until nine on Mondays', '1 09:00-22:00 | 2345 06:00-22:00'],
	// more of them, with which the rules were made
	["it's open from nine to five, we're shut on Sundays", '123456 09:00-17:00 | 7 none'],
	['Tues and Thurs from six to nine in the evening', '24 18:00-21:00'],
	['up at six, the bus is at eight, bed at ten', '1234567 06:00-22:00 | “the bus is at eight”'],
	['we get up at half past six on weekdays and at eight at the weekend, bed is half ten every night', '12345 06:30-22:30 | 67 08:00-22:30'],
	['up at seven, bed at half ten; during the week nobody in from nine to three', '12345 07:00-09:00 15:00-22:30 | 67 07:00-22:30'],
	['shop opens at nine and closes at half five, Monday to Saturday', '123456 09:00-17:30'],
	['shop open nine to half five Monday to Saturday, closed Sundays', '123456 09:00-17:30 | 7 none'],
	['Sunday service ten to twelve, choir Thursday seven to nine in the evening', '4 19:00-21:00 | 7 10:00-12:00'],
	['warm mornings from six to eight and evenings from five to half ten', '1234567 06:00-08:00 17:00-22:30'],
	['weekdays 6 to 8 and 16:30 to 22, weekends 8 to 23', '12345 06:00-08:00 16:30-22:00 | 67 08:00-23:00'],
	['Mon–Fri 06:00–08:30, 17:00–22:30; Sat and Sun 08:00–23:00', '12345 06:00-08:30 17:00-22:30 | 67 08:00-23:00'],
	['6am till 9am then 4pm till 10pm every day', '1234567 06:00-09:00 16:00-22:00'],
	['up at six except Sundays when it is nine, bed at ten', '123456 06:00-22:00 | 7 09:00-22:00'],
	['every day except Monday from eleven to eight', '234567 11:00-20:00'],
	['the children are home from three on weekdays, up at seven, out at half eight, bed at nine', '12345 07:00-08:30 15:00-21:00'],
	['keep it at 20 from 7 am to 10 pm, 16 the rest of the time', '1234567 07:00-22:00 | warm 20 | low 16'],
	['68 when we are up, 60 at night, up at six, bed at ten', '1234567 06:00-22:00 | warm 68 | low 60'],
	['weekdays up at six, bed at ten, Fridays the same but bed at midnight', '1234 06:00-22:00 | 5 06:00-24:00'],
	['weekdays up at six, out at half seven, home at four, bed at ten; Saturday the same as Sunday, up at eight, bed at eleven', '12345 06:00-07:30 16:00-22:00 | 67 08:00-23:00'],
	['nothing on Sunday; the other days from eight to five', '123456 08:00-17:00 | 7 none'],
	['only at weekends, from Friday at four in the afternoon until Sunday at six in the evening', '5 16:00-24:00 | 6 00:00-24:00 | 7 00:00-18:00'],
	['the hall is let Tuesday evenings from seven to ten and Saturday mornings from nine to one', '2 19:00-22:00 | 6 09:00-13:00'],
	['we are retired, home all day, up about eight, bed about eleven', '1234567 08:00-23:00 | “we are retired”'],
	['gran is never out; she gets up at nine and goes to bed at eight', '1234567 09:00-20:00'],
	['up at 5.45, out by 6.30, back by 14.30, bed at 21.00, Monday till Thursday', '1234 05:45-06:30 14:30-21:00'],
	['lunch club Wednesday twelve to two', '3 12:00-14:00'],
	['bathroom warm from half six to half seven in the mornings and from eight to nine in the evenings', '1234567 06:30-07:30 20:00-21:00'],
	['leave it off on Saturdays, it is the sabbath; other days up at seven and bed at eleven', '123457 07:00-23:00 | 6 none | “it is the sabbath”'],
	['up at seven, in bed at ten, but not before half eight on Sundays', '123456 07:00-22:00 | 7 08:30-22:00'],
	['weekdays the boys are up at quarter to six and out by half past, back at two, bed at nine', '12345 05:45-06:30 14:00-21:00'],
	// set aside before the rules, and read first when they stood: 15 of 20 right then; of the two that are still otherwise one is asked for, one has two meanings
	['we rise at half five, leave at half six, are home by four and turn in at nine, Monday to Friday', '12345 05:30-06:30 16:00-21:00'],
	['weekend: up at nine, bed at half eleven; week: up at quarter past six, bed at half ten', '12345 06:15-22:30 | 67 09:00-23:30'],
	['the surgery runs from half eight to half twelve and from two to six, weekdays only', '12345 08:30-12:30 14:00-18:00'],
	['Thursdays late opening until eight, other weekdays ten to six', '1235 10:00-18:00 | up?'],
	['every morning from 6:15 to 7:45 and every evening from 18:00 to 22:15', '1234567 06:15-07:45 18:00-22:15'],
	['weekdays up at seven, school run eight to nine, then home until bed at ten', '12345 07:00-08:00 09:00-22:00'],
	['Sundays warm all day from eight to ten, other days evenings only, from six to ten', '123456 18:00-22:00 | 7 08:00-22:00'],
	['nobody lives here in the week; Saturday and Sunday from nine to eleven at night', '12345 none | 67 21:00-23:00'],
	['up at six, bed at ten, 21 in the day and 17 at night', '1234567 06:00-22:00 | warm 21 | low 17'],
	['Monday, Wednesday and Friday from four to eight in the afternoon, Tuesday and Thursday from six to nine in the evening', '135 16:00-20:00 | 24 18:00-21:00'],
	['we like it warm by seven and off at ten at night', '1234567 07:00-22:00'],
	['up at seven thirty, out at eight fifteen, home at five forty-five, bed at ten thirty', '1234567 07:30-08:15 17:45-22:30'],
	['Mondays the cleaner comes from eight to ten; otherwise weekdays from twelve to six', '1 08:00-10:00 | 2345 12:00-18:00'],
	['weekdays 0600-0830 and 1700-2230', '12345 06:00-08:30 17:00-22:30'],
	['please have it warm when we come down at half seven, bed is around eleven', '1234567 07:30-23:00'],
	['Tuesday and Friday nights from eight until midnight', '25 20:00-24:00'],
	['up at six on Mondays, at seven the rest of the week, bed at ten', '1 06:00-22:00 | 234567 07:00-22:00'],
	['the same every day: six till nine, four till ten', '1234567 06:00-09:00 16:00-22:00'],
	['weekdays out from seven to seven, up at six, bed at eleven', '12345 06:00-07:00 19:00-23:00'],
	['Saturdays we lie in till ten, bed at one; Sundays up at nine, bed at ten', '6 10:00-01:00+ | 7 09:00-22:00']
]; // prettier-ignore

/** What tells nothing of when a home is warm. */
const NO_WEEK = [
	'the boiler man comes on Tuesday at ten',
	'the cat sleeps from two to four',
	'we have two children and three dogs',
	'Dad turned seventy on Sunday',
	'it was cold at six on Monday',
	'call me between nine and five',
	'my number is 0141 555 22 10',
	'the radiator in bed 2 is off',
	'it is the coldest room from Friday to Monday',
	'the tenant before us had it at 25',
	'heating off until November',
	'we leave on the third of May',
	'let me know by nine',
	'it was 17 degrees at night',
	'work starts at eight on Mondays'
];

/** What is said of a week that is drawn, and what it makes of it: warm every day 06:00 to 08:30 and 17:00 to 22:30, Saturday until 01:00. */
const CORRECTIONS: readonly (readonly [said: string, hours: string])[] = [
	['Fridays from noon', '5 06:00-08:30 12:00-22:30'],
	['half an hour earlier on Tuesday', '2 05:30-08:30 17:00-22:30'],
	['Sundays up at nine', '7 09:00-22:30'],
	['bed at eleven on weekdays', '12345 06:00-08:30 17:00-23:00'],
	['an hour later to bed on Saturday', '6 06:00-08:30 17:00-02:00+'],
	['Wednesdays home all day', '3 06:00-22:30'],
	['out from seven to nine in the evening on Thursdays', '4 06:00-19:00 21:00-22:30'],
	['Mondays closed', '1 none'],
	['Friday until four', 'bed?'],
	['weekdays up at seven, bed at ten', '12345 07:00-22:00'],
	['Fridays from noon; half an hour earlier on Tuesday', '2 05:30-08:30 17:00-22:30 | 5 06:00-08:30 12:00-22:30'],
	['Sundays up at nine; Mondays bed at eleven', '1 06:00-08:30 17:00-23:00 | 7 09:00-22:30'],
	['weekends from eight till late', 'bed?']
]; // prettier-ignore

describe('a week that is said', () => {
	it.each(WEEKS)('%s', (said, hours) => {
		expect(line(said)).toBe(hours);
	});

	it.each(NO_WEEK)('takes nothing of it: %s', (said) => {
		const { days, missing, comfort, eco, clauses } = hearWeek(said);
		expect([days.some(Boolean), missing, comfort, eco]).toEqual([false, [], null, null]);
		expect(clauses.some(({ read }) => read)).toBe(false);
	});

	it.each(CORRECTIONS)('of a week that is drawn: %s', (said, hours) => {
		const stat = findProfile('six-step-room-stat')!;
		const week = hearWeek(
			'warm from 6:00 to 8:30 and from 17:00 to 22:30; Saturday from 6:00 to 8:30 and from 17:00 to 1:00'
		);
		const zone = withSaidWeek(newZone('Loft', stat), stat, week);
		const drawn = drawnHours(zone, stat)!;
		expect(drawn[5]).toEqual(week.days[5]);
		expect(line(said, drawn)).toBe(hours);
		// what nobody spoke of stays as it was drawn, past its midnight too
		const after = drawnHours(withSaidWeek(zone, stat, hearWeek(said, drawn)), stat)!;
		hearWeek(said, drawn).days.forEach((spans, day) => expect(after[day]).toEqual(spans ?? drawn[day]));
	});

	it('is on every control what was said, and a correction changes its own day alone', () => {
		const said = hearWeek(
			'weekdays up at six, out half eight to five, bed at one; weekends up at eight, bed at eleven'
		);
		for (const profile of shippedProfiles)
			for (const unit of ['C', 'F'] as const) {
				const bare = newZone('Loft', profile);
				const zone = withSaidWeek({ ...bare, options: { ...bare.options, unit } }, profile, said);
				const drawn = drawnHours(zone, profile)!;
				expect(drawn, profile.id).toEqual(said.days);
				const next = drawnHours(
					withSaidWeek(zone, profile, hearWeek('Tuesdays up at seven', drawn)),
					profile
				)!;
				expect(next, profile.id).toEqual(
					drawn.map((spans, day) => (day === 1 ? [{ from: 420, to: 510 }, spans![1]!] : spans))
				);
			}
	});

	it('is drawn on the levels that a zone has; a day of which nothing was said stays', () => {
		const stat = findProfile('six-step-room-stat')!;
		const zone = newZone('Loft', stat);
		const said = hearWeek('weekdays up at six, bed at one, 21 degrees, eco 16.5');
		const next = withSaidWeek(zone, stat, said);
		const ofDay = (day: number) =>
			splitByDay(wantedWeek(next))[day]!.map(({ from, value }) => `${clockTime(from)} ${value}`);
		expect(ofDay(0)).toEqual(['00:00 eco', '06:00 comfort']);
		expect(ofDay(1)).toEqual(['00:00 comfort', '01:00 eco', '06:00 comfort']);
		// Friday runs into Saturday, of which nothing else was said
		expect(ofDay(5)[0]).toBe('00:00 comfort');
		expect(next.levels.map(({ id, setpointC }) => [id, setpointC])).toEqual(
			expect.arrayContaining([
				['comfort', 21],
				['eco', 16.5]
			])
		);
		const hot = withSaidWeek(zone, stat, hearWeek('every day up at six, bed at ten, 60 degrees'));
		expect(hot.levels).toEqual(zone.levels);
		// and that is told: out of range, and anything at all on a switch
		const figures = (control: string, said: string, unit: 'C' | 'F' = 'C') => {
			const profile = findProfile(control)!;
			const bare = newZone('Loft', profile);
			return refusedFigures({ ...bare, options: { ...bare.options, unit } }, profile, hearWeek(said));
		};
		expect(figures('six-step-room-stat', 'up at six, bed at ten, 60 degrees, eco 16')).toEqual([60]);
		expect(figures('six-step-room-stat', 'up at six, bed at ten, 68 degrees, eco 62', 'F')).toEqual([]);
		expect(figures('switch-timer', 'up at six, bed at ten, eco 16')).toEqual([16]);
	});
});
