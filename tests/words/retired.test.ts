import { describe, expect, it } from 'vitest';
import { saidStrings } from '../support/saidStrings';

/** Words that one term each has replaced, and that mean nothing else in the program; the term stands beside them. */
const RETIRED: readonly (readonly [words: RegExp, term: string])[] = [
	[/\bloops?\b/i, 'zone'],
	[/\bmisfits?\b/i, 'too cold, too warm'],
	[/\binterlocks?\b/i, 'load-shedding relay'],
	[/\bstand-ins?\b/i, 'simulator'],
	[/\brehears\w*/i, 'practise'],
	[/\babsences?\b/i, 'holiday, away until'],
	[/\buprights?\b/i, 'step'],
	[/\bgoverns?\b|\bgoverned\b/i, 'controls'],
	[/\bhangs\b|\bhung\b/i, 'is fitted'],
	[/\boverrul\w*/i, 'accept'],
	[/\bgerms?\b/i, 'legionella'],
	[/\blicensed\b/i, 'qualified engineer'],
	[/\bearly start\b|\bstarts? early by itself\b/i, 'optimum start'],
	[/\b(a|its|no|own|these|typed|longest) leads?\b/i, 'preheat'],
	[/\bfrost guard\b|\bkept from frost\b/i, 'frost protection'],
	[/\b(high|low) limit\b/i, 'maximum setpoint, minimum setpoint'],
	[/\bhot-water store\b/i, 'cylinder'],
	[/\ba change by hand\b|\bchanged by hand to\b/i, 'override'],
	[/\banew\b|\bin vain\b|\bbears\b/i, 'plain words']
];

/** What people type when they look for something is theirs, not ours. */
const THEIR_WORDS = 'src/lib/ui/shell/places.ts';

describe('one term a thing', () => {
	it('no text of the program says a retired word', () => {
		const said = saidStrings().filter(
			({ file, text }) => file !== THEIR_WORDS && !text.startsWith('SELECT ')
		);
		// a reader that finds nothing would hold nothing out
		expect(said.length).toBeGreaterThan(2500);
		const wrong = said.flatMap(({ file, text }) =>
			RETIRED.filter(([words]) => words.test(text)).map(([, term]) => `${file}: “${text}” → ${term}`)
		);
		expect(wrong).toEqual([]);
	});
});
