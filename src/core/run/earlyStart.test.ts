import { describe, expect, it } from 'vitest';
import { menuWanted } from '../keying';
import { findProfile } from '../control';
import { fitZone } from '../fit';
import { canStartEarly, newZone, startsEarlyIn, zoneSchema, type Lead, type Zone } from '../plan';
import { runOfZone } from '.';

const zoneOf = (id: string, school: Lead['school'], menu: Record<string, number> = {}): Zone => {
	const fresh = newZone('Any', findProfile(id)!);
	return zoneSchema.parse({
		...fresh,
		lead: { ...fresh.lead, school, minutes: 60 },
		settings: { ...fresh.settings, menu }
	});
};
/** By how many minutes its control starts early in the run, and what its card sets its early start to. */
function early(id: string, zone: Zone) {
	const profile = findProfile(id)!;
	const { chosen } = fitZone(zone, profile);
	const run = runOfZone(zone, profile, chosen.program, { timeZone: 'Europe/Berlin', nowMs: 0 });
	const set = menuWanted([zone], profile).find(({ entry }) => entry.means === 'early-start');
	return { minutes: run.earlyMinutes, set: set?.shows ?? null };
}

describe('optimum start', () => {
	it('is turned off by the card where the lead is in the week, and then no run counts it twice', () => {
		expect(early('four-step-floor-stat', zoneOf('four-step-floor-stat', 'fixed'))).toEqual({
			minutes: 0,
			set: 'Off'
		});
		expect(early('four-step-floor-stat', zoneOf('four-step-floor-stat', 'control'))).toEqual({
			minutes: 90,
			set: 'On'
		});
		// without a lead it stays as it comes
		expect(early('four-step-floor-stat', zoneOf('four-step-floor-stat', 'at-need'))).toEqual({
			minutes: 90,
			set: null
		});
	});

	it('is on where a control has it in its menus and the lead is left to it, off as it comes', () => {
		expect(early('six-step-room-stat', zoneOf('six-step-room-stat', 'control'))).toEqual({
			minutes: 60,
			set: 'On'
		});
		expect(early('six-step-room-stat', zoneOf('six-step-room-stat', 'at-need'))).toEqual({
			minutes: 0,
			set: null
		});
		expect(canStartEarly(findProfile('six-step-room-stat')!)).toBe(true);
		expect(canStartEarly(findProfile('hour-strip-keypad')!)).toBe(false);
	});

	it('is what was set by hand at the control, whatever the lead asks', () => {
		const profile = findProfile('four-step-floor-stat')!;
		const on = profile.menu.find(({ means }) => means === 'early-start')!;
		const at = (is: string) =>
			on.values.kind === 'choices' ? on.values.choices.findIndex((choice) => choice.is === is) : -1;
		expect(startsEarlyIn(zoneOf(profile.id, 'fixed', { [on.id]: at('on') }), profile)).toBe(true);
		expect(startsEarlyIn(zoneOf(profile.id, 'control', { [on.id]: at('off') }), profile)).toBe(false);
	});
});
