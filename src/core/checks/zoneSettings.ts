import {
	differenceWords,
	limitWords,
	temperatureWords,
	type ControlProfile,
	type TemperatureUnit
} from '../control';
import {
	boxOnSiteSchema,
	EMITTERS,
	FINISHES,
	heatsByFloor,
	notAsked,
	OCCUPANT_WORDS,
	OCCUPANTS,
	onSiteSchema,
	PLACE_WORDS,
	SENSOR_TROUBLES,
	TROUBLE_WORDS,
	unitOf,
	zoneSchema,
	type OnSite,
	type OnSiteKey,
	type Room,
	type Zone
} from '../plan';
import { wrongWords } from '../schema';
import { emitterClasses, finishes } from '../thermal';

/** A zone as far as its survey and settings go. */
export interface SurveyedZone {
	readonly zone: Zone;
	readonly onSite: OnSite;
	readonly profile: ControlProfile;
}

/** What a setting can be set to. */
export type SettingValue = string | number | boolean | readonly string[];

/** How a setting is asked for. */
export type SettingKind =
	| { readonly kind: 'choice' | 'several'; readonly choices: readonly (readonly [SettingValue, string])[] }
	| { readonly kind: 'figure'; readonly unit: string; readonly least: number; readonly most: number }
	/** In °C or K, asked and said in the zone's unit. */
	| { readonly kind: 'temperature' | 'difference'; readonly least: number; readonly most: number }
	| { readonly kind: 'date' | 'words' };

/** One thing of survey and settings, the same for every zone that has it. */
export interface ZoneSetting {
	readonly id: string;
	readonly group: 'Survey' | 'Limits and regulation' | 'Recorded on site' | 'Lock';
	readonly name: string;
	readonly asked: SettingKind;
	/** Why a zone has not this setting; null where it has. */
	readonly lacks: (one: SurveyedZone) => string | null;
	/** What it is; null where it was not noted or not set. */
	readonly read: (one: SurveyedZone) => SettingValue | null;
	/** The zone's plan, or what is noted on site, with another value; null takes it back. */
	readonly put: (
		one: SurveyedZone,
		value: SettingValue | null
	) => { readonly zone: Zone } | { readonly key: OnSiteKey; readonly value: unknown };
}

const yesNo = (yes: string, no: string): SettingKind => ({
	kind: 'choice',
	choices: [
		[true, yes],
		[false, no]
	]
});
const figure = (unit: string, least: number, most: number): SettingKind => ({
	kind: 'figure',
	unit,
	least,
	most
});
const temperature = (least: number, most: number): SettingKind => ({ kind: 'temperature', least, most });
const difference = (least: number, most: number): SettingKind => ({ kind: 'difference', least, most });

/** A setting that is noted on site under a key of its own. */
function noted(
	key: OnSiteKey,
	name: string,
	group: ZoneSetting['group'],
	asked: SettingKind,
	lacks: ZoneSetting['lacks'] = ({ zone, profile }) => notAsked(key, zone, profile)
): ZoneSetting {
	const empty = onSiteSchema.parse({})[key];
	return {
		id: key,
		group,
		name,
		asked,
		lacks,
		read: ({ onSite }) => {
			const value = onSite[key] as SettingValue | null;
			return value === '' || (Array.isArray(value) && value.length === 0) ? null : value;
		},
		put: (_, value) => ({ key, value: value ?? empty })
	};
}

const noRoom = ({ zone }: SurveyedZone) => (zone.room ? null : 'its room is not described');
const noFloor = ({ zone }: SurveyedZone) =>
	!zone.room ? 'its room is not described' : heatsByFloor(zone.room) ? null : 'its floor does not heat';
const noLimits = ({ profile }: SurveyedZone) => (profile.habits.limits ? null : 'its control has no limits');

/** Whether a setting is one of the control, whatever zones hang on it. */
export const isOfControl = ({ id }: Pick<ZoneSetting, 'id'>): boolean =>
	id === 'highLimitC' || id === 'lowLimitC' || boxNotes.has(id);
const boxNotes = new Set<string>(Object.keys(boxOnSiteSchema.shape));

/** A setting of the described room. */
function ofRoom(
	id: string,
	name: string,
	group: ZoneSetting['group'],
	asked: SettingKind,
	lacks: ZoneSetting['lacks'],
	read: (room: Room) => SettingValue | null,
	put: (room: Room, value: SettingValue | null) => Room
): ZoneSetting {
	return {
		id,
		group,
		name,
		asked,
		lacks,
		read: ({ zone }) => (zone.room ? read(zone.room) : null),
		put: ({ zone }, value) => ({ zone: zone.room ? { ...zone, room: put(zone.room, value) } : zone })
	};
}

function ofSettings(id: 'highLimitC' | 'lowLimitC', name: string, asked: SettingKind): ZoneSetting {
	return {
		id,
		group: 'Limits and regulation',
		name,
		asked,
		lacks: noLimits,
		read: ({ zone }) => zone.settings[id],
		put: ({ zone }, value) => ({
			zone: { ...zone, settings: { ...zone.settings, [id]: value as number | null } }
		})
	};
}

/** Everything of survey and settings that several zones can have alike, in the order of the work. */
export const zoneSettings: readonly ZoneSetting[] = [
	ofRoom(
		'emitter',
		'Emitter',
		'Survey',
		{ kind: 'choice', choices: EMITTERS.map((id) => [id, emitterClasses[id].words]) },
		noRoom,
		(room) => room.emitter.kind,
		(room, value) => {
			const next = {
				...room,
				emitter: { ...room.emitter, kind: (value ?? room.emitter.kind) as Room['emitter']['kind'] }
			};
			return heatsByFloor(next)
				? next
				: { ...next, sensor: 'air', emitter: { ...next.emitter, heatedM2: null } };
		}
	),
	noted('controlPlace', 'Where the control is fitted', 'Survey', {
		kind: 'choice',
		choices: Object.entries(PLACE_WORDS)
	}),
	ofRoom(
		'sensor',
		'Sensor',
		'Survey',
		{
			kind: 'choice',
			choices: [
				['air', 'air'],
				['floor', 'floor'],
				['air-with-floor-guard', 'air with floor guard']
			]
		},
		noFloor,
		(room) => room.sensor,
		(room, value) => ({ ...room, sensor: (value ?? 'air') as Room['sensor'] })
	),
	noted('sensorHeightM', 'Height of the sensor', 'Survey', figure('m', 0, 6)),
	noted('sensorTroubles', 'What the sensor stands in', 'Survey', {
		kind: 'several',
		choices: SENSOR_TROUBLES.map((id) => [id, TROUBLE_WORDS[id]])
	}),
	ofRoom(
		'finish',
		'Floor finish',
		'Survey',
		{ kind: 'choice', choices: FINISHES.map((id) => [id, finishes[id].words]) },
		noFloor,
		(room) => room.finish,
		(room, value) => ({ ...room, finish: value as Room['finish'] })
	),
	noted('occupants', 'Who is in this room', 'Survey', {
		kind: 'several',
		choices: OCCUPANTS.map((id) => [id, OCCUPANT_WORDS[id]])
	}),
	ofSettings('highLimitC', 'Maximum setpoint', temperature(5, 60)),
	ofSettings('lowLimitC', 'Minimum setpoint', temperature(0, 40)),
	ofRoom(
		'floorLimitC',
		'Floor limit',
		'Limits and regulation',
		temperature(20, 40),
		noFloor,
		(room) => room.floorLimitC,
		(room, value) => ({ ...room, floorLimitC: value as number | null })
	),
	ofRoom(
		'differential',
		'Differential',
		'Limits and regulation',
		difference(0.1, 5),
		noRoom,
		(room) => (room.regulation.kind === 'on-off' ? room.regulation.differentialK : null),
		(room, value) => ({
			...room,
			regulation: { kind: 'on-off', differentialK: (value as number | null) ?? 0.5 }
		})
	),
	ofRoom(
		'cycles',
		'Cycles an hour',
		'Limits and regulation',
		figure('an hour', 1, 12),
		noRoom,
		(room) => (room.regulation.kind === 'cycling' ? room.regulation.perHour : null),
		(room, value) => ({
			...room,
			regulation:
				value === null
					? { kind: 'on-off', differentialK: 0.5 }
					: {
							kind: 'cycling',
							perHour: value as number,
							bandK: room.regulation.kind === 'cycling' ? room.regulation.bandK : 1
						}
		})
	),
	noted('frostOn', 'Frost protection', 'Limits and regulation', yesNo('on', 'off')),
	noted('offsetSetK', 'Offset keyed', 'Recorded on site', difference(-10, 10)),
	noted('paired', 'Paired with its receiver', 'Recorded on site', yesNo('paired', 'not paired')),
	noted('batteriesOn', 'Batteries fitted on', 'Recorded on site', { kind: 'date' }),
	noted('batteryMonths', 'Batteries last about', 'Recorded on site', figure('months', 1, 120)),
	noted('storeC', 'Cylinder', 'Recorded on site', temperature(-30, 90)),
	noted('lockWanted', 'A lock is wanted', 'Lock', yesNo('yes', 'no')),
	noted('lockSet', 'It is locked', 'Lock', yesNo('yes', 'no'), ({ onSite }) =>
		onSite.lockWanted ? null : 'no lock is wanted'
	),
	noted('lockCode', 'Lock code', 'Lock', { kind: 'words' }, ({ onSite }) =>
		onSite.lockWanted ? null : 'no lock is wanted'
	),
	noted('lockCodeIsFactory', 'The code is', 'Lock', yesNo('the one it came with', 'our own'), ({ onSite }) =>
		onSite.lockWanted ? null : 'no lock is wanted'
	)
];

/** A setting's value in words, temperatures in a unit; "not noted" for none. */
export function settingWords(
	{ asked }: ZoneSetting,
	value: SettingValue | null,
	unit: TemperatureUnit
): string {
	if (value === null) return 'not recorded';
	if (asked.kind === 'choice') return asked.choices.find(([id]) => id === value)?.[1] ?? String(value);
	if (asked.kind === 'several')
		return (value as readonly string[])
			.map((one) => asked.choices.find(([id]) => id === one)?.[1] ?? one)
			.join(', ');
	if (asked.kind === 'figure') return `${String(value)} ${asked.unit}`;
	if (asked.kind === 'temperature') return temperatureWords(unit, Number(value));
	if (asked.kind === 'difference') return differenceWords(unit, Number(value));
	return String(value);
}

/** Why a value is none for a setting of a zone, in a sentence; null where it is one. */
export function settingRefusal(
	setting: ZoneSetting,
	one: SurveyedZone,
	value: SettingValue | null
): string | null {
	const { asked, name } = setting;
	if ('least' in asked && value !== null) {
		const { least, most } = asked;
		if (typeof value !== 'number' || !(value >= least && value <= most)) {
			const unit = unitOf(one.zone, one.profile);
			const words = (figure: number, side: 'least' | 'most') =>
				asked.kind === 'figure'
					? `${figure} ${asked.unit}`
					: asked.kind === 'temperature'
						? limitWords(unit, figure, side)
						: differenceWords(unit, figure);
			return `${name}: from ${words(least, 'least')} to ${words(most, 'most')}.`;
		}
	}
	const put = setting.put(one, value);
	const read =
		'zone' in put
			? zoneSchema.safeParse(put.zone)
			: onSiteSchema.safeParse({ ...one.onSite, [put.key]: put.value });
	return read.success ? null : `${name} ${wrongWords(read.error)}.`;
}
