import type { Habits } from './habits';
import type { Panel, PanelFault, PanelPlace } from './panel';
import { isAwayField, type AwayField } from './panelParts';

type Holiday = Habits['holiday'];

/** What an absence must be asked for on a control that takes it so; null where it is asked for nothing. */
export function awayNeeds(holiday: Holiday): readonly AwayField[] | null {
	switch (holiday?.by) {
		case 'days':
			return ['away-days'];
		case 'return-date':
			return holiday.ends === 'time'
				? ['back-month', 'back-day', 'back-hour', 'back-minute']
				: ['back-month', 'back-day'];
		case 'periods':
			return ['first-month', 'first-day', 'last-month', 'last-day'];
		default:
			return null;
	}
}

/** The menu in which an absence is set, by its place among the panel's; −1 where there is none. */
export const awayPlaceAt = (panel: Panel): number =>
	panel.places.findIndex(({ fields }) => fields.some(isAwayField));

/** Whether taking what stands in this menu's last field begins an absence. */
export const beginsAbsence = ({ fields }: PanelPlace): boolean => fields.some(isAwayField);

/** A panel whose menu of an absence asks for what the control takes; without that menu where it takes none so. */
export function withAwayFitted(panel: Panel, holiday: Holiday): Panel {
	const at = awayPlaceAt(panel);
	if (at < 0 || awayFaults(panel, holiday).length === 0) return panel;
	const needs = awayNeeds(holiday);
	const { fields } = panel.places[at]!;
	const fitted = needs && [...needs, ...fields.filter((field) => field === 'away-setpoint')];
	return {
		...panel,
		places: panel.places.flatMap((place, i) => {
			if (!beginsAbsence(place)) return [place];
			return i === at && fitted ? [{ ...place, fields: fitted }] : [];
		})
	};
}

/** What does not fit between the menu of an absence and how the control takes one. */
export function awayFaults(panel: Panel | null, holiday: Holiday): PanelFault[] {
	if (!panel) return [];
	const at = awayPlaceAt(panel);
	if (at < 0) return [];
	const path = ['places', at, 'fields'];
	const { fields } = panel.places[at]!;
	const needs = awayNeeds(holiday);
	if (!needs) return [{ path, message: 'asks for a holiday, which this control does not take so' }];
	const faults: PanelFault[] = [];
	const twice = panel.places.findIndex((place, i) => i > at && beginsAbsence(place));
	if (twice >= 0) faults.push({ path: ['places', twice, 'fields'], message: 'asks for a holiday once more' });
	const missing = needs.find((field) => !fields.includes(field));
	if (missing) faults.push({ path, message: `leaves out what a holiday needs: ${AWAY_WORDS[missing]}` });
	const other = fields.find((field) => field !== 'away-setpoint' && !needs.includes(field as AwayField));
	if (other) faults.push({ path, message: 'holds something that is no part of its holiday' });
	return faults;
}

/** What is set of an absence, as it is said. */
export const AWAY_WORDS: Readonly<Record<AwayField, string>> = {
	'away-setpoint': 'temperature away',
	'away-days': 'days away',
	'first-month': 'month of the first day',
	'first-day': 'first day',
	'last-month': 'month of the last day',
	'last-day': 'last day',
	'back-month': 'month of return',
	'back-day': 'day of return',
	'back-hour': 'hour of return',
	'back-minute': 'minute of return'
};
