import { temperatureWords, type TemperatureUnit } from '../control';
import type { MenuWhy } from '../keying';
import { finishes } from '../thermal';

/** Why an entry stands as it is to, as it stands beside it. */
export function menuWhyWords(why: MenuWhy, unit: TemperatureUnit): string {
	switch (why.because) {
		case 'by-hand':
			return 'chosen for this control';
		case 'limit':
			return 'the limit that was set for it';
		case 'setting':
			return 'as it is set for this control';
		case 'nothing-freezes':
			return 'so that nothing freezes while it is off';
		case 'changes-by-itself':
			return 'so that nobody has to change its clock';
		case 'sensor':
			return {
				air: 'surveyed: the air of the room',
				floor: 'surveyed: the sensor is in the floor',
				'air-with-floor-guard': 'surveyed: the air, with the floor guarded',
				'no-floor': 'the floor does not heat'
			}[why.sensor];
		case 'floor':
			return why.finish
				? `${finishes[why.finish].words}: ${temperatureWords(unit, why.limitC)} at most`
				: `the floor may reach ${temperatureWords(unit, why.limitC)}`;
		case 'regulation':
			return why.kind === 'on-off' ? 'the room is reckoned on and off' : 'the room is reckoned in cycles';
		case 'lead':
			return {
				typed: 'the lead is in the week: both together would warm too soon',
				none: 'no start ahead is wanted',
				'by-itself': 'it is to find the start by itself'
			}[why.lead];
		case 'level':
			return `the level ${why.level}`;
	}
}
