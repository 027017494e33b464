import { describe, expect, it } from 'vitest';
import { findProfile } from '../control';
import { newZone, wantedWeek } from '../plan';
import { clockTime, splitByDay } from '../week';
import { hearWeek, refusedFigures, withSaidWeek } from '.';

const time = (minute: number) => (minute > 1440 ? `${clockTime(minute - 1440)}+` : clockTime(minute));
/** A said week as a line: days that are alike together, by their numbers from 1; then what was not understood, and what is missing. */
function line(said: string): string {
	const { days, comfort, eco, clauses, missing } = hearWeek(said);
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

/** Weeks as households and caretakers say them (written by hand), with their hours. The last twelve were written before the rules and first read after them. */
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
	['weekdays up at six, bed at ten, not until nine on Mondays', '12345 06:00-22:00 | “not until nine on Mondays”']
]; // prettier-ignore

describe('a week that is said', () => {
	it.each(WEEKS)('%s', (said, hours) => {
		expect(line(said)).toBe(hours);
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
