import type { ControlProfile } from '../control';
import { answered, type Fact } from './facts';

type Known = Pick<ControlProfile, 'panel' | 'habits' | 'operation'>;

/** What a word is where the control's own modes do not tell: only what no display uses for anything else. */
const WORDS: readonly (readonly [RegExp, string])[] = [
	[/^(man|manual|perm|permanent hold|constant)$/, 'manual'],
	[/^(off|standby)$/, 'off'],
	[/^(holiday|away|vacation)$/, 'away'],
	[/^(auto|automatic|program|programme)$/, 'program']
];

/** What mode a word on the display is, by the control's own names for its modes first; null where neither tells. */
function modeOf(word: string, { panel, habits }: Known): string | null {
	const small = word.toLowerCase();
	const modes = panel?.modes;
	const own = modes?.names.findIndex(
		(name) => name.toLowerCase() === small || (small.length > 2 && name.toLowerCase().startsWith(small))
	);
	if (modes && own !== undefined && own >= 0) {
		const name = modes.names[own]!;
		if (own === 0) return 'program';
		if (name === modes.off) return 'off';
		return WORDS.find(([of]) => of.test(name.toLowerCase()))?.[1] ?? 'manual';
	}
	const usual = WORDS.find(([of]) => of.test(small))?.[1] ?? null;
	return usual === 'away' && !habits.holiday ? null : usual;
}

/** What a lamp means, by the table of the receiver; null where that has no such lamp. */
function lampOf({ colour, is }: Extract<Fact, { kind: 'lamp' }>, { operation }: Known): string | null {
	const lamps = operation.receiver?.lamps ?? [];
	const blinks = is === 'blinking';
	const found = lamps.find(({ shows }) => {
		const text = shows.toLowerCase();
		return (
			(colour === '' || text.includes(colour)) &&
			blinks === text.includes('blink') &&
			(is === 'out') === /\b(off|out)\b/.test(text)
		);
	});
	if (found) return /hears nothing|no signal|lost/.test(found.means) ? 'out-or-blinks' : 'as-usual';
	// one that is out where the table knows no such state has no power
	return is === 'out' || (lamps.length === 0 && blinks) ? 'out-or-blinks' : null;
}

const SINCE: Readonly<Partial<Record<Extract<Fact, { kind: 'since' }>['event'], string>>> = {
	always: 'always',
	'clocks-changed': 'clocks-changed',
	'power-cut': 'power',
	batteries: 'power',
	visitors: 'visitors',
	somebody: 'visitors',
	'new-tenants': 'visitors',
	colder: 'colder'
};

/**
 * A fact as it is weighed: what stands on a display, a lamp and a key mean what the control's own table says. A fact of which that says
 * nothing stays as it is.
 */
export function settled(fact: Fact, profile: Known): Fact {
	switch (fact.kind) {
		case 'sign': {
			if (!fact.seen) return fact;
			if (fact.as === 'nothing') return answered('clock-shows', 'blank');
			const mode =
				fact.as === 'word'
					? modeOf(fact.what, profile)
					: /^(suit ?case|aero ?plane|plane)$/.test(fact.what) && profile.habits.holiday
						? 'away'
						: fact.what === 'hand'
							? 'manual'
							: null;
			if (mode) return answered('mode', mode);
			return /^(padlock|key)$/.test(fact.what) && profile.operation.lock ? answered('keys', 'locked') : fact;
		}
		case 'lamp': {
			const lamp = lampOf(fact, profile);
			return lamp ? answered('lamp', lamp) : fact;
		}
		case 'keys':
			return fact.do === 'dead'
				? answered('keys', 'locked')
				: fact.do === 'work'
					? answered('keys', 'work')
					: fact;
		case 'heater':
			return fact.all && (fact.is === 'hot' || fact.is === 'cold') ? answered('heater-asked', fact.is) : fact;
		case 'since': {
			const since = fact.sure ? SINCE[fact.event] : undefined;
			return since ? answered('since', since) : fact;
		}
		case 'clock':
			return fact.is === 'right' ? answered('clock-shows', 'right') : fact;
		default:
			return fact;
	}
}
