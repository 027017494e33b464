import type { CauseKind } from './cause';
import { saysFrail, type Fact } from './facts';

/** What a fact tells of a cause beside its week and its answers, by a name; null for what is only told on. */
function tellOf(fact: Fact): string | null {
	switch (fact.kind) {
		case 'keys':
			return `keys ${fact.do}`;
		case 'heater':
			return fact.all ? `heater ${fact.is}` : 'some heaters';
		case 'source':
			return `source ${fact.is}`;
		case 'since':
			return fact.sure ? `since ${fact.event}` : null;
		case 'only-when':
			return `when ${fact.what}`;
		case 'cycles':
			return 'cycles';
		case 'noise':
			return /gurgl/.test(fact.what) ? 'gurgles' : null;
		case 'who':
			return saysFrail(fact) ? 'frail' : null;
		case 'aside':
			return fact.about === 'trend' ? 'grows' : null;
		case 'degrees':
			return fact.of === 'reaches' ? 'reaches too little' : null;
		case 'feels':
			return fact.what === 'slow' ? 'slow' : null;
		case 'sign':
			return fact.seen && fact.what === 'battery' ? 'battery shown' : fact.as === 'faint' ? 'faint' : null;
		default:
			return null;
	}
}

/**
 * How likely each is said where it is not what the cause brings, and how likely where it is, by the kind of cause (common practice, from
 * memory). What is not named here is as likely whatever the matter is.
 */
const TELLS: Readonly<Record<string, readonly [else_: number, of: Readonly<Partial<Record<CauseKind, number>>>]>> = {
	'keys stop': [0.05, { limit: 0.8 }],
	'keys back': [0.05, { 'override-ended': 0.85, boost: 0.7 }],
	'heater lukewarm': [0.12, { 'weak-emitter': 0.5, blockage: 0.4, 'slow-room': 0.3, 'channel-off': 0.05 }],
	'heater top-cold': [0.02, { blockage: 0.8 }],
	'some heaters': [0.08, { blockage: 0.8 }],
	'source fault': [0.03, { 'source-off': 0.8 }],
	'source off': [0.05, { 'source-off': 0.7, 'source-later': 0.2, 'channel-off': 0.1 }],
	'source runs': [0.5, { 'source-off': 0.05, blockage: 0.8, 'weak-emitter': 0.8 }],
	'since covered': [0.03, { sensor: 0.7 }],
	'since moved': [0.03, { sensor: 0.5, 'no-radio': 0.5 }],
	'since new-floor': [0.03, { limit: 0.6, 'weak-emitter': 0.3 }],
	'since tradesmen': [0.15, { 'source-off': 0.4, 'somebody-changed': 0.4, 'no-power': 0.3, 'channel-off': 0.3 }],
	'since back': [0.15, { 'left-away': 0.8, 'left-off': 0.4 }],
	'when frost': [0.08, { 'slow-room': 0.7, 'weak-emitter': 0.8 }],
	'when sun': [0.06, { sensor: 0.7 }],
	'when wind': [0.06, { 'weak-emitter': 0.3, 'slow-room': 0.3, 'sensor-low': 0.5 }],
	'when water': [0.04, { 'water-first': 0.9 }],
	cycles: [0.03, { 'cycle-rate': 0.85 }],
	gurgles: [0.04, { blockage: 0.5 }],
	frail: [0.15, { comfort: 0.5 }],
	grows: [0.06, { 'clock-off': 0.4 }],
	'reaches too little': [0.1, { 'weak-emitter': 0.8, limit: 0.6, sensor: 0.4, 'left-manual': 0.3, blockage: 0.4 }],
	slow: [0.08, { 'slow-room': 0.8, 'weak-emitter': 0.4 }],
	'battery shown': [0.05, { 'no-power': 0.8 }],
	faint: [0.05, { 'no-power': 0.7 }]
}; // prettier-ignore

/** How likely a fact is said where a kind of cause is the matter, by what it tells beside the week; 1 for what tells nothing. */
export function toldLikely(kind: CauseKind, fact: Fact): number {
	const row = TELLS[tellOf(fact) ?? ''];
	return row ? (row[1][kind] ?? row[0]) : 1;
}
