import {
	allowedOptions,
	differenceWords,
	limitWords,
	localWords,
	setpointWithUnit,
	temperatureWords
} from '../control';
import { findingsOf, type Checked, type Finding, type MendView, type Severity } from '../checks';
import { LEFT_WORDS, OCCUPANT_WORDS, TEST_WORDS, TROUBLE_WORDS, unitOf } from '../plan';
import { capital } from '../schema';
import { WIPES_WORDS } from './control';
import { gapSentences, sourceOffWords } from './house';
import { clockStanding, endlessWords, fitWords, NOT_DRAWN } from './standing';

/** Something that was forgotten or is out of the usual, said, and where it is mended. */
export interface Check {
	/** The rule, and under it what is overruled. */
	readonly id: Finding['id'];
	readonly severity: Severity;
	readonly sentence: string;
	/** What to do, and the view of the zone where it is done. */
	readonly mend: { readonly words: string; readonly view: MendView };
}

/** How a plan brings a room to a setpoint. */
const FRAIL_BY: Readonly<Record<(Finding & { id: 'frail' })['by'], string>> = {
	week: 'the week falls to',
	absence: 'a holiday lets it fall to',
	'special-day': 'a special day falls to',
	override: 'by hand it is to go to',
	advance: 'it is to go on to',
	hold: 'it is to be held at',
	boost: 'it is boosted to',
	manual: 'by hand it is to stay at',
	off: 'it is to be off at'
};

/** What is found, and what to do about it. */
function findingWords(one: Finding, checked: Checked): readonly [sentence: string, mend: string] {
	const { zone, profile } = checked;
	const options = allowedOptions(profile, zone.options);
	const unit = unitOf(zone, profile);
	const set = (c: number) => setpointWithUnit(profile, options, c);
	/** A threshold in the zone's own figures, on its safe side. */
	const limit = (c: number, side: 'most' | 'least') => limitWords(unit, c, side);
	const difference = (k: number) => differenceWords(unit, k);
	switch (one.id) {
		case 'keyed-missing':
			return [
				one.left >= one.of ? 'Nothing is keyed yet.' : `${one.left} of ${one.of} values are not keyed.`,
				'Key in'
			];
		case 'unread':
			return [
				one.read === 0
					? 'Nothing was read back from the display.'
					: `${one.toRead - one.read} of ${one.toRead} groups of days were not read back from the display.`,
				'Read it back'
			];
		case 'test-missing':
			return [
				`The functional test ${
					'step' in one
						? `failed at ${one.step ? TEST_WORDS[one.step] : ''}`
						: one.standing === 'missing'
							? 'was not made'
							: 'was begun and not ended'
				}.`,
				'Make the test'
			];
		case 'left-in':
			return [
				one.leftIn === null
					? 'What the control was left in is not recorded.'
					: `The control was left in ${LEFT_WORDS[one.leftIn]}: its program does not run.`,
				'Put it back on automatic'
			];
		case 'left-standing':
			return [`${capital(endlessWords(one.away))}.`, 'End it'];
		case 'unpaired':
			return ['No heat: control and receiver not paired.', 'Pair them'];
		case 'settings-changed':
			return [
				`The ${one.what === 'unit' ? 'unit' : 'day grouping'} was changed after it was keyed: setting it ${WIPES_WORDS[profile.operation.options[one.what]?.wipes ?? 'program']}.`,
				'Key in again'
			];
		case 'undrawn':
			return [`Its week is ${NOT_DRAWN}: one level throughout.`, 'Draw the week'];
		case 'floor-limit':
			return [`Floor at risk: ${set(one.setC)} set, ${limit(one.limitC, 'most')} allowed.`, 'Lower it'];
		case 'power-density':
			return [
				`The floor would give ${Math.round(one.isWattsPerM2)} W/m²; floors are made for ${one.mostWattsPerM2} at most: its area or its power is wrong.`,
				'Correct the room'
			];
		case 'floor-finish':
			return [
				'The floor heats, but its finish is not recorded: the limit is a guess.',
				'Say what lies on it'
			];
		case 'setback':
			return [
				`The setback is ${difference(one.depthK)} under comfort; ${unit === 'F' ? '7 to 9 °F' : '4 to 5 K'} are usual.`,
				'Change the level'
			];
		case 'comfort-high':
			return [`Comfort is ${set(one.setC)}, above ${limit(one.mostC, 'most')}.`, 'Change the level'];
		case 'frost':
			return one.lowestC === null
				? ['Frost protection is switched off: pipes can freeze.', 'Switch it on']
				: [
						`The lowest level is ${set(one.lowestC)}, under ${limit(one.leastC, 'least')}: pipes can freeze.`,
						'Raise it'
					];
		case 'high-limit':
			return [
				`Maximum setpoint ${set(one.limitC)} is below a level in use (${set(one.setC)}): ${one.binds ? 'the program stops there' : 'overrides stop there'}.`,
				'Change the limit'
			];
		case 'frail': {
			const who = capital(one.who.map((who) => OCCUPANT_WORDS[who]).join(' and '));
			const falls = one.setC === null ? 'it is to be switched off' : `${FRAIL_BY[one.by]} ${set(one.setC)}`;
			return [
				`${who} are in this room, and ${falls}, under ${limit(one.leastC, 'least')}.`,
				one.by === 'week' ? 'Raise the level' : 'See what is planned'
			];
		}
		case 'double-lead':
			return ['Starts too early: optimum start plus preheat.', 'Set preheat to none'];
		case 'lead-stale':
			return ['Preheat out of date: computed for another room or week.', 'Compute it again'];
		case 'unfed': {
			const [worst, ...others] = gapSentences('', one.source, one.gaps, set);
			const more = others.length === 0 ? '' : ` And ${others.length} more like it.`;
			return [`${worst!.text}${more}`, 'See the week'];
		}
		case 'source-away': {
			const [leave, back] = [localWords(one.leave, options), localWords(one.back, options)];
			return [
				`Do not set ${one.governor} to holiday (${leave} to ${back}): no heat and no frost protection here without ${one.source}.`,
				'See the house'
			];
		}
		case 'source-off':
			return [sourceOffWords(one.source, one.governor), 'See the house'];
		case 'misfit':
			return [
				`The control cannot hold the week: ${fitWords(one, profile.temperature === null)}.`,
				'See the week'
			];
		case 'control-outside':
			return ['The control is outside its room and measures the air there.', 'Regulate by the floor sensor'];
		case 'clock':
			return [
				one.clock.kind === 'unseen'
					? 'Clock not checked.'
					: `Clock ${clockStanding(zone, profile, checked.timeZone, checked.nowMs).words}.`,
				'Set the clock'
			];
		case 'summer-time':
			return [
				`Clock to change by hand on ${localWords(one.date, options)}: the customer was not told.`,
				'Tell them, then tick it'
			];
		case 'lock-code':
			return ['The lock code is still the one it came with.', 'Change the code'];
		case 'stored-program':
			return ['Running a factory program, not yours.', 'Have it run the week'];
		case 'lock-missing':
			return ['A lock is wanted and not set.', 'Lock it'];
		case 'batteries':
			return one.due === null
				? ['The battery change is not recorded.', 'Record it']
				: [`Its batteries were due on ${one.due}.`, 'Change them'];
		case 'sensor-place':
			return 'troubles' in one
				? [
						`The sensor is ${one.troubles.map((trouble) => TROUBLE_WORDS[trouble]).join(' and ')}.`,
						'Move it, or say why not'
					]
				: [`The sensor is at ${one.heightM.toFixed(1)} m; about 1.5 m is usual.`, 'Look again'];
		case 'hot-water':
			return one.storeC === null
				? [`Cylinder not measured: at least ${limit(one.leastC, 'least')} is required.`, 'Measure it']
				: [
						`Cylinder ${temperatureWords(unit, one.storeC)}: legionella can grow below ${limit(one.leastC, 'least')}. Local rules come first.`,
						'Measure again'
					];
		case 'fan':
			return ['The fan runs day and night.', 'Set it to automatic'];
		case 'differential':
			return [
				`A differential of ${difference(one.isK)} makes the boiler start too often; ${difference(one.leastK)} is the least.`,
				'Widen it'
			];
		case 'offset':
			return [
				`The control reads ${difference(Math.abs(one.leftK))} ${one.leftK > 0 ? 'below' : 'above'} the thermometer.`,
				'Key the offset'
			];
	}
}

/** All that is to be said of a zone, worst first. */
export const checksOf = (checked: Checked): Check[] =>
	findingsOf(checked).map((one) => {
		const [sentence, words] = findingWords(one, checked);
		return { id: one.id, severity: one.severity, sentence, mend: { words, view: one.view } };
	});
