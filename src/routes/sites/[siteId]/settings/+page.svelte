<script lang="ts">
	import { onMount } from 'svelte';
	import {
		settingRefusal,
		settingWords,
		zoneSettings,
		type SettingValue,
		type SurveyedZone,
		type ZoneSetting
	} from '$core/checks';
	import { findProfile } from '$core/control';
	import { unitOf } from '$core/plan';
	import { call } from '$lib/ui/call';
	import { saving } from '$lib/ui/saving.svelte';
	import SettingValueField from '$lib/ui/site/SettingValueField.svelte';
	import { outboxOf } from '$lib/ui/visit/outbox.svelte';
	import { refresh } from '$lib/ui/refresh';
	import Button from '$lib/ui/kit/Button.svelte';
	import Check from '$lib/ui/kit/Check.svelte';

	let { data } = $props();

	// svelte-ignore state_referenced_locally
	const outbox = outboxOf(data.site.id, data.noted, data);
	onMount(() => outbox.resume());

	interface Row extends SurveyedZone {
		readonly id: string;
		readonly revision: number;
	}
	const rows = $derived(
		data.zones.map((one): Row => ({
			id: one.id,
			revision: one.revision,
			zone: one.document,
			onSite: outbox.of(one.id),
			profile:
				data.profiles.find((profile) => profile.id === one.document.control) ??
				findProfile('six-step-room-stat')!
		}))
	);
	const has = (setting: ZoneSetting, row: Row) => setting.lacks(row) === null;
	/** Only what some zone here has. */
	const settings = $derived(zoneSettings.filter((setting) => rows.some((row) => has(setting, row))));
	const groups = $derived([...new Set(settings.map((setting) => setting.group))]);
	const open = (setting: ZoneSetting) =>
		rows.filter((row) => has(setting, row) && setting.read(row) === null).length;
	/** What many zones rightly go without. */
	const optional = new Set([
		'highLimitC',
		'lowLimitC',
		'floorLimitC',
		'differential',
		'cycles',
		'offsetSetK',
		'sensorTroubles',
		'occupants',
		'paired'
	]);
	const missing = $derived(
		settings.filter((setting) => !optional.has(setting.id)).reduce((sum, one) => sum + open(one), 0)
	);

	let chosenId = $state<string | null>(null);
	/** The one chosen; before that, as it was when the page came, the first that is open. */
	// svelte-ignore state_referenced_locally
	const first = settings.find((one) => !optional.has(one.id) && open(one) > 0)?.id;
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
		for (const { row, put } of puts) if (!('zone' in put)) outbox.note(row.id, put.key, put.value as never);
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
</script>

<svelte:head><title>{data.site.name}, survey and settings · Fond Quarter</title></svelte:head>

<main>
	<h1>{data.site.name}: survey and settings of all zones</h1>
	<p class="answer" aria-live="polite">
		{missing === 0
			? 'Nothing is missing.'
			: missing === 1
				? '1 answer is missing.'
				: `${missing} answers are missing.`}
	</p>
	{#if setting}
		<div class="columns">
			<nav aria-label="Settings">
				{#each groups as group (group)}
					<h2>{group}</h2>
					<ul>
						{#each settings.filter((one) => one.group === group) as one (one.id)}
							<li>
								<Button
									kind="quiet"
									aria-current={one === setting ? 'true' : undefined}
									onclick={() => choose(one.id)}
								>
									<span>{one.name}</span>
									<span class="soft">
										{open(one) === 0
											? 'filled in'
											: optional.has(one.id)
												? `${open(one)} have none`
												: `${open(one)} missing`}
									</span>
								</Button>
							</li>
						{/each}
					</ul>
				{/each}
			</nav>
			<section aria-label={setting.name}>
				<h2 class="out-of-sight">{setting.name}</h2>
				<ul class="zones">
					{#each rows as row (row.id)}
						{@const why = setting.lacks(row)}
						<li>
							<Check
								disabled={why !== null}
								checked={isTicked(row)}
								onchange={(on) => (ticked = { ...ticked, [row.id]: on })}
							>
								<span class="zone" class:lacks={why !== null}>
									<span class="name">{row.zone.name}</span>
									{#if why}
										<span class="soft">{why}</span>
									{:else}
										<span class="value" class:soft={setting.read(row) === null}
											>{settingWords(setting, setting.read(row), unitOf(row.zone, row.profile))}</span
										>
									{/if}
								</span>
							</Check>
						</li>
					{/each}
				</ul>
				<div class="quick">
					<Button
						onclick={() => (ticked = Object.fromEntries(rows.map((row) => [row.id, has(setting, row)])))}
						>All that have it</Button
					>
					<Button onclick={() => (ticked = Object.fromEntries(rows.map((row) => [row.id, false])))}
						>None of them</Button
					>
				</div>
				{#key setting.id}
					<SettingValueField {setting} {unit} {value} onchange={(next) => (value = next)} />
				{/key}
				{#if setting.id === 'frostOn'}<p class="soft">It protects pipes, not people.</p>{/if}
				{#if setting.id === 'floorLimitC'}
					<p class="soft">The maker of the floor says what it bears; none: the usual limit of its finish.</p>
				{/if}
				<div class="quick">
					<Button
						kind="next"
						disabled={picked.length === 0 || (nothing && (setting.id === 'emitter' || nothingThere))}
						onclick={setAll}
					>
						{picked.length === 0
							? 'Choose the zones'
							: nothing
								? nothingThere
									? 'Choose what to set'
									: `Clear it for ${zonesWords(picked.length)}`
								: `Set ${settingWords(setting, value, unit)} for ${zonesWords(picked.length)}`}
					</Button>
				</div>
				{#if problem}<p class="signal" role="alert">{problem}</p>{/if}
				{#if done}
					<p role="status">{done.words} <Button onclick={undo}>Undo</Button></p>
				{/if}
			</section>
		</div>
	{:else}
		<p>There are no zones yet. <a href="/sites/{data.site.id}">Add the first room</a>, then come back.</p>
	{/if}
</main>

<style>
	.answer {
		margin: 0.2rem 0 1rem;
		font-size: 1.4rem;
		font-weight: 700;
	}
	.columns {
		display: grid;
		grid-template-columns: minmax(16rem, 1fr) minmax(0, 2fr);
		gap: 2rem;
	}
	nav h2 {
		margin: 0.9rem 0 0.2rem;
		font-size: var(--small);
		color: var(--soft);
	}
	nav h2:first-child {
		margin-top: 0;
	}
	ul {
		margin: 0;
		padding: 0;
		list-style: none;
	}
	nav :global(.bx--btn) {
		justify-content: space-between;
		width: 100%;
		border: 0;
		border-bottom: 1px solid var(--rule);
		border-left: 4px solid transparent;
		border-radius: 0;
		text-align: left;
		text-decoration: none;
	}
	nav :global(.bx--btn[aria-current]) {
		border-left-color: var(--ink);
		background: var(--sheet);
		font-weight: 700;
	}
	nav .soft {
		margin-left: 1rem;
		font-weight: 400;
		white-space: nowrap;
	}
	.zones li {
		border-bottom: 1px solid var(--rule);
	}
	.zone {
		display: grid;
		grid-template-columns: minmax(8rem, 1fr) minmax(0, 1.4fr);
		gap: 0.75rem;
	}
	.zones :global(.bx--checkbox-label-text) {
		width: 100%;
	}
	.name,
	.value {
		overflow-wrap: anywhere;
	}
	.value {
		font-weight: 700;
	}
	.lacks .name {
		color: var(--soft);
	}
	.quick {
		display: flex;
		flex-wrap: wrap;
		gap: 0.5rem;
		margin: 0.7rem 0;
	}
	@media (max-width: 800px) {
		.columns {
			grid-template-columns: minmax(0, 1fr);
		}
		nav {
			max-height: 15rem;
			overflow-y: auto;
			border: 1px solid var(--rule);
		}
	}
</style>
