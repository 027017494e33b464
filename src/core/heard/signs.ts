import type { Fact } from '../callback';
import type { Clause } from './clause';
import { inFigures } from './times';

const SYMBOLS =
	'sun|moon|flame|snow ?flake|padlock|key|hand|suit ?case|aero ?plane|plane|bird|battery|house|man|drop|leaf|bed|aerial|mast|bell|clock face';
const WORDS =
	'off|on|auto(?:matic)?|man(?:ual)?|(?:temporary |permanent )?hold|holiday|away|boost|run|day|night|comfort|eco|cooling|cool|heating|heat|once|frost|program(?:me)?|stay|standby|constant';
/** That something stands on the display, and not in the world. */
const ON_DISPLAY =
	/\b(says|shows?|showing|reads|displays?|written|drawn|lit|came up|picture|signs?|symbols?|icon|on the (glass|screen|display)|(wee|little) (sun|moon|house|man|hand|plane|aeroplane)|it has it on|on (day|night))\b/;
const NOT_THE_DISPLAY = /\b(fuse|rattl|press(ed)? the key|lost the key)\b/;

/** Words, symbols and steps on the display, and an empty one. */
export function signsIn({ words, text, mood, denies }: Clause): Fact[] {
	const facts: Fact[] = [];
	const put = (as: Extract<Fact, { kind: 'sign' }>['as'], what: string, seen = true) =>
		facts.push({ kind: 'sign', as, what, seen });
	const EMPTY =
		/\b(blank|(display|screen|it) (is|'s|has gone) (dead|empty)|nothing (on|in) (the|its|it)|dead as)\b/;
	if (EMPTY.test(text) && !denies(/\b(blank|dead|empty)\b/)) put('nothing', '');
	if (/\b(faint|dim|pale|hardly read)\b/.test(text)) put('faint', '');
	const step = /\b(?:step |p|number )(\d)\b/.exec(text) ?? /\brun\W+(\d)\b/.exec(text);
	if (step && /\b(p\d|step|run)\b/.test(text))
		if (mood === 'planned') return facts;
		else put('step', step[1]!);
	if (mood !== 'so' || NOT_THE_DISPLAY.test(text)) return facts;
	const isShown = ON_DISPLAY.test(text);
	for (const [symbol] of text.matchAll(new RegExp(`\\b(?:${SYMBOLS})\\b`, 'g'))) {
		const named = new RegExp(`\\b(?:a|an|the|little|wee)(?: \\w+)? ${symbol}\\b`).test(text);
		// the sun that comes in and the key that is pressed are no symbols
		const isOnIt = isShown || new RegExp(`\\blittle ${symbol}\\b|\\b(never|no) the ${symbol}\\b`).test(text);
		const isWorld = new RegExp(`\\b(when(ever)?|in|while) the ${symbol}\\b`).test(text);
		// a man before a house is one picture
		if (named && isOnIt && !isWorld && facts.every(({ kind }) => kind !== 'sign'))
			put('symbol', symbol, !denies(new RegExp(`\\b${symbol}\\b`)));
	}
	const shown = new RegExp(
		`\\b(?:says|shows?|showing|reads|displays|has|stuck (?:on|in)|left (?:on|in)|still (?:on|in)|(?:it's|is|switched|set) (?:on|to|in)|written)\\s+(?:the word |still |only |its |the )?(${WORDS})\\b(?! (?:and off|at|from|until|all night|for))`
	).exec(text);
	// what stands in capitals is read off; letters may be spelled
	const capitals = /\b(?:[A-Z](?:-[A-Z])+|[A-Z]{2,}[a-z]{0,2})\b/.exec(
		words.replace(/\b(TV|OK|CO|UK|US|I'M)\b/g, '')
	);
	if (capitals && !/^P\d$/.test(capitals[0]))
		put(
			'word',
			capitals[0].replaceAll('-', ''),
			!/\bnever knew\b/.test(text) && !denies(new RegExp(`\\b${capitals[0].toLowerCase()}\\b`))
		);
	else if (shown && !denies(new RegExp(`\\b${shown[1]!}\\b`))) put('word', shown[1]!);
	else if (/\b(temporary|permanent) hold\b/.test(text))
		put('word', /\b(temporary|permanent) hold\b/.exec(text)![0]);
	return facts;
}

/** More than this is said in °F. */
const WARMEST_C = 40;
const unitOf = (degrees: number, text: string): 'C' | 'F' =>
	degrees > WARMEST_C || /fahrenheit|°f\b/.test(text) ? 'F' : 'C';
const FIGURE =
	'(-?\\d{1,3}(?:\\.\\d)?)(?![\\d:.]|\\s*(?:am|pm|a\\.m|p\\.m|o.?clock|minutes?|mins?|hours?|h\\b|times|of|past|to))';
const SHOWN: readonly (readonly [RegExp, 'set' | 'room' | undefined])[] = [
	[new RegExp(`\\b(?:set (?:to|for|at|on)|(?:cooling|heating) to|number went to|turned (?:it |the dial |down |up )*(?:to|at))\\s+(?:only |about )?${FIGURE}`), 'set'],
	[new RegExp(`\\b(?:room(?:'s| is| says)?|claims|reads|room temperature (?:is|says))\\s+(?:only |about )?${FIGURE}`), 'room'],
	[new RegExp(`\\b(?:shows?|says|showing|displays?|stands at)\\s+(?:only |about |still )?${FIGURE}`), undefined]
]; // prettier-ignore
const REACHES = new RegExp(
	`\\b(?:won't|will not|can't|doesn't|does not|never) (?:go|get|gets|reach|come)(?:es)? (?:past|over|above|beyond|up to|to|higher than)?\\s*${FIGURE}|\\bgets? (?:up )?to (?:only |about )?${FIGURE}|\\bnumber stops at ${FIGURE}|\\bno (?:more|higher) than ${FIGURE}`
);

/** Degrees, with what shows or has them. A set figure said before makes the next one the room's. */
export function degreesIn({ text, days, at, mood }: Clause, said: readonly Fact[]): Fact[] {
	if (mood === 'planned' || mood === 'wish') return [];
	const figures = inFigures(text);
	const facts: Fact[] = [];
	const outdoors =
		/-\d+/.exec(figures) ??
		(/\b(outside|outdoors|out there)\b/.test(text) ? /\b-?\d{1,2}(?= degrees)/.exec(figures) : null);
	if (outdoors) return [{ kind: 'degrees', of: 'outdoors', degrees: Number(outdoors[0]), unit: 'C' }];
	if (/\b(thermometer|measured|own gauge)\b/.test(text)) {
		const own = new RegExp(`\\b${FIGURE}`).exec(figures);
		if (own)
			return [
				{ kind: 'degrees', of: 'measured', degrees: Number(own[1]), unit: unitOf(Number(own[1]), text) }
			];
	}
	const most = REACHES.exec(figures);
	if (most) {
		const degrees = Number(most.slice(1).find((one) => one !== undefined));
		if (degrees >= 5) facts.push({ kind: 'degrees', of: 'reaches', degrees, unit: unitOf(degrees, text) });
	}
	for (const [of, which] of SHOWN) {
		const found = of.exec(figures);
		if (!found) continue;
		const degrees = Number(found[1]);
		if (degrees < -30 || degrees > 120 || (degrees < 4 && which === undefined)) continue;
		// a bar, and a clock, are no degrees
		if (/\b(clock|bars?)\b/.test(text)) break;
		const isRoom = which === undefined && said.some((fact) => fact.kind === 'shows' && fact.of === 'set');
		const place = which ?? (isRoom ? 'room' : undefined);
		const rest = at !== null && new RegExp(`\\b(?:at|by|about|around)\\b`).test(text) ? at : null;
		facts.push({
			kind: 'shows',
			degrees,
			unit: unitOf(degrees, text),
			days: [...days],
			at: rest,
			...(place ? { of: place } : {})
		});
		break;
	}
	return facts;
}

const COLOURS = /\b(red|green|amber|orange|yellow|blue|white)\b(?! (box|van))/;
/** A lamp, by its colour and how it shines. */
export function lampIn({ text, speech }: Clause): Fact[] {
	const isLamp =
		/\b(lamp|light|led|eye)\b(?! in the (morning|evening)\b)/.test(text) && !/\blights? (at|up)\b/.test(text);
	const colour = COLOURS.exec(text)?.[1] ?? '';
	if (!isLamp && !/^ (it's|it is|always) (been )?(red|green|amber|orange)\b/.test(text)) return [];
	if (/\b(used to|was) be\b/.test(text)) return [];
	const is =
		/\b(blink|flash|on and off)/.test(text) || /\bone second\b/.test(speech)
			? 'blinking'
			: /\b(out|off|dark|gone|no lamp|no light)\b/.test(text)
				? 'out'
				: 'steady';
	if (!colour && is === 'steady') return [];
	const where = /\b(receiver|white box|wee box|box by the boiler)\b/.test(text) ? 'receiver' : '';
	return [{ kind: 'lamp', where, colour, is }];
}
