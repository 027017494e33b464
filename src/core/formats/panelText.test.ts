import { expect, it } from 'vitest';
import { profileSchema, shippedProfiles, startingPanel, type Panel, type PanelGesture } from '../control';
import { readGesture, readKeys, readWay, writeKeys, writeWay } from '.';

/** Every way of a panel. */
function waysOf({ program, places, modes, resets, lock }: Panel): PanelGesture[][] {
	return [
		...(program ? [program.way, program.leave, [program.take], [program.day], ...program.channels] : []),
		...places.flatMap(({ way, take, leave }) => [way, [take], leave]),
		...(modes?.next ? [[modes.next]] : (modes?.each ?? [])),
		...Object.values(resets).flatMap((way) => (way ? [way] : [])),
		...(lock ? [lock.way, lock.ends] : [])
	];
}

it('every shipped panel is written in words and read back the same', () => {
	let ways = 0;
	for (const { panel } of shippedProfiles) {
		const read = readKeys(writeKeys(panel!.keys), panel!.keys);
		// the keys that are pressed stand first, then slides, then what takes a pin
		expect(read.ok && [...read.value].sort((a, b) => (a.id < b.id ? -1 : 1))).toEqual(
			[...panel!.keys].sort((a, b) => (a.id < b.id ? -1 : 1))
		);
		for (const way of waysOf(panel!)) {
			expect(readWay(panel!, writeWay(panel!, way))).toEqual({ ok: true, value: way });
			ways++;
		}
	}
	expect(ways).toBeGreaterThan(120);
});

const keysOf = (text: string, before?: Panel['keys']) => {
	const read = readKeys(text, before);
	return read.ok ? read.value : read.sentence;
};

it('keys are named as they are printed; another word on a key is no other key', () => {
	const keys = keysOf('Menu, +, -, OK; Switch: Run / Off; Reset (pin)') as Panel['keys'];
	expect(keys.map(({ id, print, kind }) => `${id} ${print} ${kind}`)).toEqual([
		'menu Menu key',
		'plus + key',
		'minus − key',
		'ok OK key',
		'switch Switch slide',
		'reset Reset recessed'
	]);
	const renamed = keysOf('Set-up, +, -, OK; Switch: Run / Off; Reset (pin)', keys) as Panel['keys'];
	expect(renamed[0]).toMatchObject({ id: 'menu', print: 'Set-up' });
	expect(keysOf('OK, OK')).toBe('Two keys are called OK.');
	expect(keysOf(' ; ')).toMatch(/^Name its keys/);
	expect(keysOf('Switch: Run')).toMatch(/name its positions/);
});

it('any signs are keys of their own, whatever is printed on them, and ways press the very key', () => {
	for (const text of [
		'▲, ▼, OK',
		'<, >',
		'←, →, ↑, ↓',
		'☀, ☾, Menu',
		'Ä, A, a',
		'上, 下',
		'+, −, ▲, ▼, key, key-2'
	]) {
		const keys = keysOf(text) as Panel['keys'];
		expect(new Set(keys.map(({ id }) => id)).size, text).toBe(keys.length);
		for (const { id, print } of keys) {
			expect(id).toMatch(/^[a-z0-9]+(-[a-z0-9]+)*$/);
			expect(readWay({ keys }, `press ${print}`), print).toMatchObject({ value: [{ do: 'press', key: id }] });
		}
		// an edit keeps every key that is still there
		const more = keysOf(`${text}, Extra`, keys) as Panel['keys'];
		expect(more.slice(0, keys.length)).toEqual(keys);
		const profile = { ...shippedProfiles.find(({ panel }) => panel)! };
		const described = {
			...profile,
			panel: {
				...startingPanel(profile)!,
				keys: [
					...startingPanel(profile)!.keys,
					...keys.filter(({ id }) => !startingPanel(profile)!.keys.some((one) => one.id === id))
				]
			}
		};
		expect(profileSchema.safeParse(described).success, text).toBe(true);
	}
});

it('a way is read as people write it, and what it cannot be is said', () => {
	const panel = { keys: keysOf('Menu, +, -, OK; Switch: Run / Off') as Panel['keys'] };
	const way = (text: string) => {
		const read = readWay(panel, text);
		return read.ok ? writeWay(panel, read.value) : read.sentence;
	};
	expect(way('hold menu for 5 seconds, then press ok 3 times, put switch to off')).toBe(
		'Menu 5 s, OK 3 times, Switch to Off'
	);
	expect(way('+ and - together 3s')).toBe('+ and − 3 s');
	expect(way('')).toBe('');
	expect(way('Set')).toBe('“Set” is none of its keys: Menu, +, −, OK, Switch.');
	expect(way('Switch to Auto')).toBe('Switch has no position “Auto”: Run, Off.');
	expect(way('Switch')).toBe('Switch is put somewhere: write Switch to Run.');
	expect(way('Menu 90 s')).toMatch(/for 1 to 30 seconds/);
	expect(readGesture(panel, 'Menu, OK')).toEqual({
		ok: false,
		sentence: 'Menu, OK: one gesture stands here.'
	});
	expect(readGesture(panel, '  ')).toEqual({ ok: true, value: null });
});
