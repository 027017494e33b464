import { onMount } from 'svelte';
import {
	settingRefusal,
	settingWords,
	isOfControl,
	zoneSettings,
	type SettingValue,
	type SurveyedZone,
	type ZoneSetting
} from '$core/checks';
import { profileOf, type ControlProfile } from '$core/control';
import { unitOf, type OnSite, type Zone } from '$core/plan';
import { call } from '../call';
import { refresh } from '../refresh';
import { saving } from '../saving.svelte';
import { leadsOf, type OnBox } from '../zone/boxes';
import { sendWaiting } from '../outbox/outbox.svelte';
import { onSiteNotesOf } from '../visit/onSiteNotes.svelte';

/** What the page of all settings read from the server. */
export interface SettingsData {
	readonly site: { readonly id: string };
	readonly zones: readonly (OnBox & { readonly revision: number; readonly document: Zone })[];
	readonly profiles: readonly ControlProfile[];
	readonly noted: Readonly<Record<string, OnSite>>;
	readonly readAtMs: number;
}

/** A zone of the list. */
export interface SettingRow extends SurveyedZone {
	readonly id: string;
	readonly revision: number;
}
type Row = SettingRow;

/** What many zones rightly go without. */
const OPTIONAL: readonly string[] = [
	'highLimitC',
	'lowLimitC',
	'floorLimitC',
	'differential',
	'cycles',
	'offsetSetK',
	'sensorTroubles',
	'occupants',
	'paired'
];

/** Each once, in the order of the first. */
const distinct = <T>(all: readonly T[]): T[] => all.filter((one, i) => all.indexOf(one) === i);

/** What all zones of a site are set to, one setting at a time: seen at once, set for several, taken back. */
export function settingsView(read: () => SettingsData) {
	const data = $derived(read());
	const onSiteNotes = onSiteNotesOf(data.site.id, data.noted, data);
	onMount(() => sendWaiting(data.site.id));

	const leads = $derived(leadsOf(data.zones));
	const rows = $derived(
		data.zones.map((one): Row => ({
			id: one.id,
			revision: one.revision,
			zone: one.document,
			onSite: onSiteNotes.of(one.id),
			profile: profileOf(one.document, data.profiles)
		}))
	);
	/** Why a zone has not a setting; what belongs to a control is set at the first of its zones. */
	const lacks = (setting: ZoneSetting, row: Row): string | null => {
		const lead =
			isOfControl(setting) && leads[row.id] !== row.id && rows.find(({ id }) => id === leads[row.id]);
		return lead ? `its control has it at ${lead.zone.name}` : setting.lacks(row);
	};
	const has = (setting: ZoneSetting, row: Row) => lacks(setting, row) === null;
	/** Only what some zone here has. */
	const settings = $derived(zoneSettings.filter((setting) => rows.some((row) => has(setting, row))));
	const groups = $derived(distinct(settings.map((setting) => setting.group)));
	const open = (setting: ZoneSetting) =>
		rows.filter((row) => has(setting, row) && setting.read(row) === null).length;
	const missing = $derived(
		settings.filter((setting) => !OPTIONAL.includes(setting.id)).reduce((sum, one) => sum + open(one), 0)
	);

	let chosenId = $state<string | null>(null);
	/** The one chosen; before that, as it was when the page came, the first that is open. */
	const first = settings.find((one) => !OPTIONAL.includes(one.id) && open(one) > 0)?.id;
	const setting = $derived(settings.find((one) => one.id === (chosenId ?? first)) ?? settings[0] ?? null);
	/** Which zones are to be set; those not noted yet unless a person says otherwise. */
	let ticked = $state<Record<string, boolean>>({});
	const isTicked = (row: Row) =>
		setting !== null && has(setting, row) && (ticked[row.id] ?? setting.read(row) === null);
	const picked = $derived(rows.filter(isTicked));
	/** The unit of what is set: that of the first zone that is ticked. */
	const unit = $derived(picked[0] ? unitOf(picked[0].zone, picked[0].profile) : 'C');
	let value = $state<SettingValue | null>(null);
	/** Whether nothing is chosen to be set; then what is there can be cleared, if something is. */
	const nothing = $derived(value === null || (Array.isArray(value) && value.length === 0));
	const nothingThere = $derived(setting !== null && picked.every((row) => setting.read(row) === null));
	let problem = $state<string | null>(null);
	let done = $state<{ words: string; before: { row: Row; value: SettingValue | null }[] } | null>(null);

	function choose(id: string) {
		chosenId = id;
		ticked = {};
		value = null;
		problem = null;
		done = null;
	}

	/** Sets one value, or each zone's own, for several zones: what is planned all at once or not at all, what is noted field by field. */
	async function put(of: ZoneSetting, changes: readonly { row: Row; value: SettingValue | null }[]) {
		problem = null;
		const refused = changes
			.map(({ row, value }) => settingRefusal(of, row, value))
			.find((sentence) => sentence !== null);
		if (refused) {
			problem = refused;
			return false;
		}
		const puts = changes.map(({ row, value }) => ({ row, put: of.put(row, value) }));
		const planned = puts.flatMap(({ row, put }) =>
			'zone' in put ? [{ id: row.id, revision: row.revision, zone: put.zone }] : []
		);
		for (const { row, put } of puts)
			if (!('zone' in put)) onSiteNotes.note(row.id, put.key, put.value as never);
		if (planned.length > 0) {
			saving.now = { kind: 'saving' };
			const answer = await call('POST', `/api/v1/jobs/${data.site.id}/zones/apply`, { changes: planned });
			saving.now = answer.ok ? { kind: 'saved', at: Date.now() } : { kind: 'refused', sentence: 'Not saved' };
			problem = answer.ok ? null : answer.sentence;
			await refresh('fq:site');
			return answer.ok;
		}
		return true;
	}
	const zonesWords = (count: number) => (count === 1 ? '1 zone' : `${count} zones`);
	async function setAll() {
		if (!setting) return;
		const before = picked.map((row) => ({ row, value: setting.read(row) }));
		const to = value;
		if (
			!(await put(
				setting,
				before.map(({ row }) => ({ row, value: to }))
			))
		)
			return;
		done = {
			words: `${setting.name}: ${settingWords(setting, to, unit)}, for ${before.length === 1 ? before[0]!.row.zone.name : zonesWords(before.length)}.`,
			before
		};
		ticked = {};
		value = null;
	}
	async function undo() {
		if (!setting || !done) return;
		const { before } = done;
		done = null;
		await put(
			setting,
			before.map(({ row, value }) => ({ row: rows.find((one) => one.id === row.id) ?? row, value }))
		);
	}

	return {
		has,
		lacks,
		settings: () => settings,
		groups: () => groups,
		open,
		isOptional: (of: ZoneSetting) => OPTIONAL.includes(of.id),
		get rows() {
			return rows;
		},
		get missing() {
			return missing;
		},
		get setting() {
			return setting;
		},
		choose,
		isTicked,
		tick: (id: string, on: boolean) => (ticked = { ...ticked, [id]: on }),
		tickAll: (which: (row: Row) => boolean) =>
			(ticked = Object.fromEntries(rows.map((row) => [row.id, which(row)]))),
		get picked() {
			return picked;
		},
		get unit() {
			return unit;
		},
		get value() {
			return value;
		},
		set value(next) {
			value = next;
		},
		get nothing() {
			return nothing;
		},
		get nothingThere() {
			return nothingThere;
		},
		get problem() {
			return problem;
		},
		get done() {
			return done;
		},
		zonesWords,
		setAll,
		undo
	};
}
