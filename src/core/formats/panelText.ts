import { keyPrint, slugOf, type Panel, type PanelGesture, type PanelKey } from '../control';
import { capital } from '../schema';

/** What was read of a text, or why it could not be, in a sentence. */
export type Read<T> =
	{ readonly ok: true; readonly value: T } | { readonly ok: false; readonly sentence: string };

const WORDS: Readonly<Record<string, string>> = { '+': 'plus', '-': 'minus', '\u2212': 'minus' };

/** A key's name in the file, from the word on it; `taken` are those of the keys before it: a sign that has no letters, ▲ or ☀, gets one of its own. */
function idOf(print: string, taken: ReadonlySet<string>): string {
	const base =
		WORDS[print] ?? (/[\p{L}\p{N}]/u.test(print) ? slugOf(print).slice(0, 24).replace(/-+$/, '') : 'key');
	let id = base;
	for (let n = 2; taken.has(id); n++) id = `${base}-${n}`;
	return id;
}
/** A minus, however it was typed, as it is printed. */
const printed = (text: string) => (text === '-' || text === '\u2013' ? '\u2212' : text);

/** The keys of a panel as a person writes them: `Menu, +, −, OK; Switch: Run / Off; Reset (pin)`. */
export function writeKeys(keys: readonly PanelKey[]): string {
	const plain = keys.filter(({ kind }) => kind === 'key' || kind === 'field');
	const touch = plain.length > 0 && plain.every(({ kind }) => kind === 'field');
	return [
		plain.map(({ print }) => print).join(', ') + (touch ? ' (touch)' : ''),
		...keys
			.filter(({ kind }) => kind === 'slide')
			.map(({ print, positions }) => `${print}: ${positions.join(' / ')}`),
		...keys.filter(({ kind }) => kind === 'recessed').map(({ print }) => `${print} (pin)`)
	]
		.filter((part) => part.trim() !== '')
		.join('; ');
}

/**
 * The keys that {@link writeKeys} writes. A key that was only given another word keeps its name in the file, so that the
 * ways that press it still do.
 */
export function readKeys(text: string, before: readonly PanelKey[] = []): Read<PanelKey[]> {
	const keys: PanelKey[] = [];
	for (const part of text.split(';').map((one) => one.trim())) {
		if (part === '') continue;
		const slide = /^([^:]+):(.+)$/.exec(part);
		if (slide) {
			const positions = slide[2]!.split('/').map((position) => position.trim());
			if (positions.length < 2 || positions.some((position) => position === ''))
				return {
					ok: false,
					sentence: `“${part}”: name its positions with a stroke between, as in Switch: Run / Off.`
				};
			keys.push({ id: '', print: slide[1]!.trim(), kind: 'slide', positions });
			continue;
		}
		const marked = /^(.*)\((pin|touch)\)$/.exec(part);
		const kind = marked?.[2] === 'pin' ? 'recessed' : marked?.[2] === 'touch' ? 'field' : 'key';
		for (const word of (marked?.[1] ?? part).split(',').map((one) => printed(one.trim())))
			if (word !== '') keys.push({ id: '', print: word, kind, positions: [] });
	}
	if (keys.length === 0)
		return { ok: false, sentence: 'Name its keys with commas between, as in Menu, +, −, OK.' };
	if (keys.length > 24) return { ok: false, sentence: 'A panel has at most 24 keys.' };
	const long = keys.find(({ print, positions }) => [print, ...positions].some((word) => word.length > 16));
	if (long) return { ok: false, sentence: `“${long.print}”: a word on a key has at most 16 letters.` };
	const twice = keys.find((key, i) => keys.some(({ print }, j) => j < i && print === key.print));
	if (twice) return { ok: false, sentence: `Two keys are called ${twice.print}.` };
	// where as many keys stand in the same order, another word is another print of the same key
	const known = new Map(before.map((key) => [key.print, key.id]));
	const taken = new Set(keys.flatMap(({ print }) => known.get(print) ?? []));
	const like = (all: readonly PanelKey[], { kind }: PanelKey) =>
		all.filter((one) => (one.kind === 'slide') === (kind === 'slide'));
	const kept = keys.map((key) => {
		const [now, then] = [like(keys, key), like(before, key)];
		const was = now.length === then.length ? then[now.indexOf(key)]?.id : undefined;
		return known.get(key.print) ?? (was !== undefined && !taken.has(was) ? was : undefined);
	});
	const named = new Set(kept.flatMap((id) => id ?? []));
	return {
		ok: true,
		value: keys.map((key, i) => {
			const id = kept[i] ?? idOf(key.print, named);
			named.add(id);
			return { ...key, id };
		})
	};
}

const AGAIN = ['', '', ' twice'];

/** A way as a person writes it: `Menu 5 s, OK twice, Switch to Off`. */
export function writeWay(panel: Pick<Panel, 'keys'>, way: readonly PanelGesture[]): string {
	const word = (id: string) => keyPrint(panel as Panel, id);
	return way
		.map((gesture) => {
			switch (gesture.do) {
				case 'press':
					return `${word(gesture.key)}${AGAIN[gesture.times] ?? ` ${gesture.times} times`}`;
				case 'hold':
					return `${gesture.keys.map(word).join(' and ')} ${gesture.seconds} s`;
				case 'tap':
					return `${gesture.held.map(word).join(' and ')} held and ${word(gesture.key)}`;
				case 'set':
					return `${word(gesture.key)} to ${gesture.to}`;
			}
		})
		.join(', ');
}

/** The way that {@link writeWay} writes: keys by the words on them, with commas between. An empty text is no way at all. */
export function readWay(panel: Pick<Panel, 'keys'>, text: string): Read<PanelGesture[]> {
	const keyOf = (word: string) => {
		const plain = printed(word.trim());
		const exact = panel.keys.find(({ print }) => print === plain);
		return exact ?? panel.keys.find(({ print }) => print.toLowerCase() === plain.toLowerCase());
	};
	const unknown = (word: string) => ({
		ok: false as const,
		sentence: `“${word.trim()}” is none of its keys: ${panel.keys.map(({ print }) => print).join(', ')}.`
	});
	const way: PanelGesture[] = [];
	for (const whole of text.split(',').map((one) => one.trim())) {
		if (whole === '') continue;
		const part = whole.replace(/^(then |and )?(press|hold|touch|put) /i, '');
		const slide = /^(.+?) to (.+)$/i.exec(part);
		const slid = slide && keyOf(slide[1]!);
		if (slide && slid?.kind === 'slide') {
			const to = slid.positions.find((position) => position.toLowerCase() === slide[2]!.trim().toLowerCase());
			if (to === undefined)
				return {
					ok: false,
					sentence: `${slid.print} has no position “${slide[2]!.trim()}”: ${slid.positions.join(', ')}.`
				};
			way.push({ do: 'set', key: slid.id, to });
			continue;
		}
		const tap = /^(.+?) held(?:,)? and (.+)$/i.exec(part);
		if (tap) {
			const both = [...tap[1]!.split(/ and /i), tap[2]!];
			const keys = both.map(keyOf);
			const missing = both.find((_, i) => !keys[i]);
			if (missing !== undefined) return unknown(missing);
			if (keys.length > 3)
				return { ok: false, sentence: `“${whole}”: one key is pressed while one or two are held.` };
			const ids = keys.map((key) => key!.id);
			way.push({ do: 'tap', key: ids.at(-1)!, held: ids.slice(0, -1) });
			continue;
		}
		const held = /^(.+?)(?: together)?(?: for)? (\d{1,2}) ?s(?:econds?)?$/i.exec(part);
		if (held) {
			const both = held[1]!.split(/ and /i);
			const keys = both.map(keyOf);
			const missing = both.find((_, i) => !keys[i]);
			if (missing !== undefined) return unknown(missing);
			const seconds = Number(held[2]);
			if (keys.length > 3 || seconds < 1 || seconds > 30)
				return { ok: false, sentence: `“${whole}”: one to three keys are held, for 1 to 30 seconds.` };
			way.push({ do: 'hold', keys: keys.map((key) => key!.id), seconds });
			continue;
		}
		const often = /^(.+?) (?:(once|twice)|(\d{1,2}) (?:times|x))$/i.exec(part);
		const word = often ? often[1]! : part;
		const key = keyOf(word);
		if (!key) return unknown(word);
		if (key.kind === 'slide')
			return {
				ok: false,
				sentence: `${key.print} is put somewhere: write ${key.print} to ${key.positions[0] ?? 'a position'}.`
			};
		const times = often ? (often[3] ? Number(often[3]) : often[2]!.toLowerCase() === 'twice' ? 2 : 1) : 1;
		if (times < 1 || times > 60)
			return { ok: false, sentence: `“${whole}”: a key is pressed 1 to 60 times.` };
		way.push({ do: 'press', key: key.id, times });
	}
	return way.length > 8
		? { ok: false, sentence: 'A way has at most eight parts.' }
		: { ok: true, value: way };
}

/** One gesture; null for an empty text. */
export function readGesture(panel: Pick<Panel, 'keys'>, text: string): Read<PanelGesture | null> {
	const read = readWay(panel, text);
	if (!read.ok) return read;
	return read.value.length > 1
		? { ok: false, sentence: `${capital(text.trim())}: one gesture stands here.` }
		: { ok: true, value: read.value[0] ?? null };
}
