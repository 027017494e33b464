import { expect, it } from 'vitest';
import { DWELLING_STEPS, dwellingRows, type DwellingZone } from './dwellings';

const zone = (
	id: string,
	part: Partial<DwellingZone> & { readonly dwelling?: string; readonly type?: string } = {},
	summary: Partial<DwellingZone['summary']> = {}
): DwellingZone => ({
	id,
	boxId: `box of ${id}`,
	undrawn: false,
	isSwitch: false,
	proof: 'computed',
	clock: { kind: 'fine', words: 'set Tue 17 Nov', bad: false },
	away: { kind: 'none', words: '–', bad: false },
	tested: true,
	signed: '17 Nov',
	...part,
	document: { dwelling: part.dwelling ?? 'Flat 1', type: part.type ?? 'Flat A' },
	summary: { coldMinutes: 0, warmMinutes: 0, left: 0, presses: 0, read: 2, toRead: 2, ...summary }
});
/** The cells of one dwelling, a word each. */
const cells = (...zones: DwellingZone[]) => {
	const [row] = dwellingRows(zones);
	return DWELLING_STEPS.map(([step]) => {
		const { state, words, path } = row!.cells[step];
		return `${state} ${words} ${path}`;
	});
};

it('a dwelling is one line: what is done in all its rooms is ticked, what is not leads to the first that is open', () => {
	expect(cells(zone('a'), zone('b')).map((cell) => cell.split(' ')[0])).toEqual(Array(5).fill('done'));
	expect(
		cells(
			zone('a', { signed: null }, { left: 0 }),
			zone(
				'b',
				{ tested: false, signed: null, clock: { kind: 'unseen', words: 'not checked', bad: false } },
				{ left: 12, read: 0 }
			),
			// on the same control: its clock is not counted twice
			zone('c', { boxId: 'box of b', tested: false, signed: null }, { left: 3, read: 1 })
		)
	).toEqual([
		'open 1 of 2 /zones/b/clock',
		'open 15 left /zones/b/key-in',
		'open 1 of 3 /visit',
		'open 3 of 6 /zones/b/read-back',
		'open – /checks?dwelling=Flat%201'
	]);
});

it('what is wrong is said, and a week that nobody drew is not keyed', () => {
	const wrong = zone('b', {
		clock: { kind: 'wrong', words: '3 min slow', bad: true },
		away: { kind: 'wrong', words: 'left off', bad: true }
	});
	expect(cells(zone('a', { undrawn: true }, { left: 9 }), wrong).slice(0, 2)).toEqual([
		'bad 3 min slow /zones/b/clock',
		'bad not drawn yet /zones/a/week'
	]);
	expect(dwellingRows([zone('a'), wrong])[0]!.alarm).toBe('left off');
});

it('a test that was signed off is made; the house itself and dwellings without a like have no line', () => {
	expect(cells(zone('a', { tested: false }))[2]).toBe('done tested /visit');
	expect(
		dwellingRows([
			zone('x', { type: '', dwelling: '' }),
			zone('a', { dwelling: 'Flat 2' }),
			zone('y', { type: '', dwelling: 'Lodge' }),
			zone('b')
		]).map(({ dwelling, type }) => `${dwelling} of ${type}`)
	).toEqual(['Flat 2 of Flat A', 'Flat 1 of Flat A']);
});
