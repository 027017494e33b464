import type { SenseFact } from '../checks';
import { gesturePhrase, keyPrint, type Panel, type StateId } from '../control';
import { trailOf, type OperationFault } from '../machine';
import { capital } from '../schema';
import { OPTION_NAMES } from './control';

/** An option by its name, an entry of the menus by what its display calls it. */
const settingName = (id: string) => OPTION_NAMES[id as keyof typeof OPTION_NAMES] ?? id;

/** Where a control is in a state, in words. */
function stateWords({ places, states }: Panel, id: StateId): string {
	const own = states?.find((state) => state.id === id);
	if (own?.field?.of === 'group') return 'where the days are chosen';
	if (own?.field?.of === 'day') return `at the ${own.field.name.split('/').at(-1) || 'setting'}`;
	if (own && trailOf(id) === null) return own.title === '' ? 'in a menu' : `in ${own.title}`;
	if (id.startsWith('menu/')) return `in ${places[Number(id.split('/')[1])]!.name}`;
	if (id.startsWith('week>')) return 'where the day to copy onto is chosen';
	if (id.startsWith('week')) return 'in the week';
	return id.startsWith('locked') ? 'while its keys are locked' : 'at its normal display';
}

/** What no keys can be like, in a sentence. */
function operationWords(panel: Panel, fault: OperationFault): string {
	switch (fault.kind) {
		case 'dead-key':
			return fault.position === null
				? `${keyPrint(panel, fault.key)} does nothing anywhere: say what it does, or take it out.`
				: `${keyPrint(panel, fault.key)} at ${fault.position} does nothing anywhere: say what it does there, or take the position out.`;
		case 'no-way-to-rest':
			return `${capital(stateWords(panel, fault.state))} no key and no time leads back to the normal display.`;
		case 'no-way-on':
			return `${capital(stateWords(panel, fault.state))} of ${fault.last ? 'the last step' : 'a step before the last'} no key leads on.`;
		case 'never-stored':
			return `${capital(stateWords(panel, fault.state))} nothing ever stores what is keyed.`;
		case 'hidden':
			return `“${capital(gesturePhrase(panel, fault.by))}” is said twice ${stateWords(panel, fault.state)}: the second is never done.`;
	}
}

/** What of a profile no control could be like, or makes its card useless, in a sentence. */
export function senseWords(fact: SenseFact): string {
	switch (fact.kind) {
		case 'top-not-shown':
			return `From ${fact.minC} °C in steps of ${fact.stepK} K the display never shows ${fact.maxC} °C.`;
		case 'step-over-range':
			return `One step of ${fact.stepK} K is more than the whole range: nothing to set.`;
		case 'no-frost':
			return `It cannot be set to frost protection: ${fact.minC} °C is its lowest.`;
		case 'no-room-to-cool':
			return `Cooling up to ${fact.maxC} °C leaves no room for ${fact.deadBandK} K above the lowest heating setpoint.`;
		case 'day-too-short':
			return `${fact.changes} changes that must all be keyed do not fit into a day at ${fact.stepMinutes} minutes.`;
		case 'twice-offered':
			return 'The same number of changes a day is offered twice.';
		case 'weekend-in-one':
			return 'Saturday and Sunday hold other numbers of changes, but a grouping gives all days one program.';
		case 'same-grouping':
			return `${fact.name} puts the days together as ${fact.as} does.`;
		case 'copies-nothing':
			return 'Days are copied, but no grouping has each day by itself.';
		case 'wipes-each-other':
			return `${capital(fact.settings.map(settingName).join(' and '))} each bring everything back: what is set first is lost by the next.`;
		case 'idle-bracket':
			return `It is set to ${fact.state} before and after: nothing changes.`;
		case 'leaves-too-soon':
			return `The menu leaves after ${fact.timeoutSeconds} s, but ${fact.section}, ${fact.what} takes about ${fact.seconds} s (${fact.presses} presses): the card cannot be keyed.`;
		case 'operation':
			return operationWords(fact.panel, fact.fault);
		case 'long-card':
			return `A plain working week takes ${fact.values} values to key: look whether days can be copied.`;
	}
}
