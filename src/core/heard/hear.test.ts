import { describe, expect, it } from 'vitest';
import { factsSchema } from '../callback';
import { factWords } from '../words';
import { dangerIn, hear, minuteIn, understand } from '.';

const of = (said: string) => understand(said).map(factWords);

/** What must never be concluded: sentences that were once read as their opposite, and what comes of them now. */
const UPSIDE_DOWN: readonly (readonly [said: string, facts: readonly string[]])[] = [
	['The other rooms are fine', ['the other rooms: as it should be', 'cold: only this room']],
	['The other rooms are roasting, it’s only the box room that’s like a fridge', ['the other rooms: too hot', 'cold: only this room', 'never warm']],
	['None of the radiators is warm', ['radiators: cold']],
	['Nothing is warm', ['never warm']],
	['It is not cold, it is fine', ['as it should be']],
	['No, the radiators aren’t cold, they’re only barely warm', ['radiators: lukewarm']],
	['It is cold when the sun shines', ['never warm', 'when the sun shines in']],
	['It is too hot all day', ['always too hot']],
	['It’s boiling in here', ['always too hot']],
	['It isn’t too hot', []],
	['It is never warm and says manual', ['it shows “manual”', 'never warm']],
	['The boiler man came Tuesday and it is cold in the evening', ['since tradesmen were there', 'cold 18:00 to 22:00']],
	['It has been cold since Tuesday', ['never warm']],
	['It shows ten past one', []],
	['The screen’s not blank, it’s just very faint', ['its display is faint']],
	['It used to go off at nine', ['it was different before']],
	['Supposed to be on at quarter past five', ['what it should do: Supposed to be on at quarter past five']],
	['I’d like it to come on at six', ['what they want: I\'d like it to come on at six']],
	['My husband thinks it’s the batteries', ['what they think: My husband thinks it\'s the batteries']],
	['One bar left of three on the battery picture', ['it shows a picture: battery']],
	['It’s freezing outside', []],
	['There’s heat but no hot water', ['heater: hot', 'hot water: no']],
	['Mornings are fine, evenings are cold', ['as it should be 06:00 to 09:00', 'cold 18:00 to 22:00']],
	['Weekends it’s fine, it’s Monday to Friday it lets us down in the evening', ['as it should be, Sat, Sun', 'cold 18:00 to 22:00, Mon–Fri']],
	['It comes on an hour early and goes off an hour early', ['starts 1 h early', 'ends 1 h early']],
	['It goes back to 18 by itself after two hours', ['what is set goes back by itself after 2 h']]
]; // prettier-ignore

describe('what is heard', () => {
	it.each(UPSIDE_DOWN)('%s', (said, facts) => {
		expect(of(said)).toEqual(facts);
	});

	it('clock times in words and figures; a figure of something else is none', () => {
		const times: readonly (readonly [string, number | null])[] = [
			['half six in the evening', 1110],
			['at half past six', 390],
			['ten past four', 250],
			['twenty to eight', 460],
			['a quarter to ten at night', 1305],
			['the back of six', 370],
			['five o’clock', 300],
			['18:45', 1125],
			['about 7.30 pm', 1170],
			['at seven', 420],
			['nearly twelve at night', 0],
			['at 18 degrees', null],
			['only two radiators', null],
			['for an hour', null],
			['set to 20.5 °C', null],
			['midnight', 0]
		];
		for (const [said, minute] of times) expect(minuteIn(` ${said} `), said).toBe(minute);
	});

	it('what its clock shows against what the time is', () => {
		const clock = (said: string) => of(said);
		expect(clock('The clock on it says ten past four and my own watch says ten past three')).toEqual([
			'its clock: 1 h fast'
		]);
		expect(clock('It says 6:05, my phone says 7:05')).toEqual(['its clock: 1 h slow']);
		expect(clock('It says 12:30, really it is half past twelve')).toEqual(['its clock: the right time']);
		expect(clock('It says 3:20, the radio says 7:05')).toEqual(['its clock: 3 h 45 slow']);
	});

	it('each clause stands with what was read from it, and with nothing where nothing was', () => {
		const read = hear('Cold in the mornings, the cat is well, and the display is blank.');
		expect(read.map(({ words, facts }) => [words, facts.length])).toEqual([
			['Cold in the mornings', 1],
			['the cat is well', 0],
			['the display is blank', 1]
		]);
	});

	it('whatever is heard can be kept: a figure beyond reason and a word without end are none', () => {
		const said = [
			`It says ${'A'.repeat(60)}`,
			'it never gets to 999',
			'minus 99 outside',
			'my thermometer measured 500',
			'it is 9000 minutes late',
			'it goes back after 5000 minutes',
			'it goes back after 0 minutes',
			`there is a smell of ${'x'.repeat(80)}`
		];
		for (const one of said) expect(factsSchema.safeParse(understand(one)).success, one).toBe(true);
		expect(of('minus 6 outside')).toEqual(['outside -6 °C']);
	});

	it('what hurts is heard whatever else is said', () => {
		expect(
			[
				'I smell gas',
				'it smells of gas here',
				'a smell of burning',
				'the CO alarm went',
				'water drips on the fuse box',
				'cold in the mornings',
				'hot water but no heating',
				'the gas bill is high'
			].map(dangerIn)
		).toEqual(['gas', 'gas', 'burning', 'fumes', 'water', null, null, null]);
	});
});
