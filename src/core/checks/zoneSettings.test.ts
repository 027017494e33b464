import { describe, expect, it } from 'vitest';
import { channelsOf, findProfile, shippedProfiles } from '../control';
import {
	newZone,
	noteOnSite,
	nothingNoted,
	ON_SITE_WORDS,
	onSiteSchema,
	roomSchema,
	type Room
} from '../plan';
import { settingRefusal, settingWords, zoneSettings, type SettingValue, type SurveyedZone } from '.';
import { checksOf } from '../words';

const room = (kind: Room['emitter']['kind'], more: Partial<Room> = {}): Room =>
	roomSchema.parse({
		floorAreaM2: 20,
		heightM: 2.5,
		build: 'medium',
		loss: { by: 'figure', wattsPerKelvin: 60 },
		emitter: { kind, ratedW: 2000 },
		...more
	});
const surveyed = (control: string, described: Room | null): SurveyedZone => {
	const profile = findProfile(control)!;
	return { zone: { ...newZone('Z', profile), room: described }, onSite: nothingNoted, profile };
};
const setting = (id: string) => zoneSettings.find((one) => one.id === id)!;

/** The zone after a setting was put to it. */
function after(one: SurveyedZone, id: string, value: SettingValue | null): SurveyedZone {
	const put = setting(id).put(one, value);
	if ('zone' in put) return { ...one, zone: put.zone };
	const result = noteOnSite(one.onSite, [{ key: put.key, value: put.value }]);
	if ('refused' in result) throw new Error(result.refused);
	return { ...one, onSite: result.noted };
}

/** A value that a setting takes. */
function some(id: string): SettingValue {
	const { asked } = setting(id);
	if (asked.kind === 'choice') return asked.choices[0]![0];
	if (asked.kind === 'several') return [asked.choices[0]![0] as string, asked.choices[1]![0] as string];
	if ('least' in asked) return Math.min(asked.most, Math.max(asked.least, 21));
	return asked.kind === 'date' ? '2026-11-24' : '4711';
}

describe('the settings of a zone', () => {
	it('read back what was put, on every control that has them, and can be taken back', () => {
		const put = new Set<string>();
		for (const profile of shippedProfiles)
			for (const described of [room('wet-floor'), room('radiator')])
				for (const { id, lacks } of zoneSettings) {
					const plain = after(surveyed(profile.id, described), 'lockWanted', true);
					const channel = channelsOf(profile)?.findIndex((name) => /water/i.test(name)) ?? 0;
					const one = { ...plain, zone: { ...plain.zone, options: { ...plain.zone.options, channel } } };
					if (lacks(one) !== null) continue;
					put.add(id);
					const value = some(id);
					expect(settingRefusal(setting(id), one, value), id).toBeNull();
					const set = after(one, id, value);
					expect(setting(id).read(set), id).toEqual(value);
					expect(settingWords(setting(id), value, 'C')).not.toBe('not recorded');
					if (['emitter', 'sensor', 'differential', 'batteryMonths', 'lockWanted'].includes(id)) continue;
					expect(setting(id).read(after(set, id, null)), id).toBeNull();
				}
		expect([...put].sort()).toEqual(zoneSettings.map(({ id }) => id).sort());
	});

	it('say why a zone has not one, and refuse what is none', () => {
		expect(setting('emitter').lacks(surveyed('six-step-room-stat', null))).toBe('its room is not described');
		expect(setting('finish').lacks(surveyed('six-step-room-stat', room('radiator')))).toBe(
			'its floor does not heat'
		);
		// only what this control and this emitter have is asked
		const timer = surveyed('switch-timer', null);
		for (const id of ['sensorHeightM', 'sensorTroubles', 'controlPlace', 'paired', 'frostOn'])
			expect(setting(id).lacks(timer), id).not.toBeNull();
		expect(setting('paired').lacks(surveyed('line-voltage-stat', null))).toBe(
			'it has no receiver to be paired with'
		);
		expect(setting('paired').lacks(surveyed('radio-stat', null))).toBeNull();
		const onFloor = surveyed('four-step-floor-stat', room('wet-floor', { sensor: 'floor' }));
		expect(setting('sensorHeightM').lacks(onFloor)).toBe('its sensor lies in the floor');
		expect(setting('lockCode').lacks(surveyed('six-step-room-stat', null))).toBe('no lock is wanted');
		const one = surveyed('six-step-room-stat', room('radiator'));
		expect(settingRefusal(setting('highLimitC'), one, 80)).toBe(
			'Maximum setpoint: from 5\u00a0°C to 60\u00a0°C.'
		);
		const fahrenheit = {
			...one,
			zone: { ...one.zone, options: { ...one.zone.options, unit: 'F' as const } }
		};
		expect(settingRefusal(setting('highLimitC'), fahrenheit, 80)).toBe(
			'Maximum setpoint: from 41\u00a0°F to 140\u00a0°F.'
		);
		expect(settingWords(setting('differential'), 0.5, 'F')).toBe('0.9\u00a0°F');
		expect(settingRefusal(setting('sensorHeightM'), one, Number.NaN)).toMatch(/from 0 m to 6 m/);
		expect(settingRefusal(setting('batteriesOn'), one, '2026-02-30')).toMatch(/^Batteries fitted on/);
	});

	it('an emitter that is no floor leaves no sensor in the floor', () => {
		const floor = surveyed('six-step-room-stat', room('wet-floor', { sensor: 'floor' }));
		const moved = after(floor, 'emitter', 'radiator');
		expect(moved.zone.room!.sensor).toBe('air');
		expect(settingRefusal(setting('emitter'), floor, 'radiator')).toBeNull();
	});

	it('mends what a check had to say', () => {
		const one = surveyed('six-step-room-stat', room('wet-floor'));
		const ids = ({ zone, onSite, profile }: SurveyedZone) =>
			checksOf({
				zone,
				profile,
				onSite,
				left: 0,
				presses: 0,
				of: 1,
				otherwise: null,
				read: 1,
				toRead: 1,
				livesHere: [],
				readBackStops: false,
				misfit: { coldMinutes: 0, warmMinutes: 0 },
				timeZone: 'Europe/London',
				nowMs: Date.UTC(2026, 10, 25)
			}).map((check) => check.id);
		expect(ids(one)).toContain('floor-finish');
		expect(ids(after(one, 'finish', 'wood'))).not.toContain('floor-finish');
	});

	it('every field noted on site has words', () => {
		expect(Object.keys(ON_SITE_WORDS).sort()).toEqual(Object.keys(onSiteSchema.shape).sort());
	});
});
