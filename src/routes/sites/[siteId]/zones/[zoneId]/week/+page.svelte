<script lang="ts">
	import { onMount } from 'svelte';
	import { beforeNavigate, goto } from '$app/navigation';
	import { channelsOf, displaySetpoint, perDayOffers, temperatureWords } from '$core/control';
	import { misfitSentences, nearestWeightStop, weightStops } from '$core/fit';
	import { followsRoutine, movedLevels, onControl, onOwnScale, unitOf } from '$core/plan';
	import Chosen from '$lib/ui/week/Chosen.svelte';
	import Groupings from '$lib/ui/week/Groupings.svelte';
	import LeadChoice from '$lib/ui/week/LeadChoice.svelte';
	import Levels from '$lib/ui/week/Levels.svelte';
	import MarksShown from '$lib/ui/week/MarksShown.svelte';
	import WeekChart from '$lib/ui/week/WeekChart.svelte';
	import type { RiserPlace } from '$lib/ui/week/weekEdits';
	import { DocumentEditor } from '$lib/ui/documentEditor.svelte';
	import { saving } from '$lib/ui/saving.svelte';
	import Conflict from '$lib/ui/zone/Conflict.svelte';
	import { live } from '$lib/ui/zone/live.svelte';
	import { FitFollower } from '$lib/workers/fitFollower';
	import { RoomFollower } from '$lib/workers/proofFollower';
	import type { PricedFit } from '$core/keying';
	import { onceAFrame } from '$lib/ui/onceAFrame';
	import { refresh } from '$lib/ui/refresh';

	let { data } = $props();

	// the page is made anew for each zone: its editor starts from what was loaded
	// svelte-ignore state_referenced_locally
	const editor = new DocumentEditor(
		`/api/v1/jobs/${data.site.id}/zones/${data.zone.id}`,
		'zone',
		data.stored.zone,
		data.stored.revision,
		// the tabs and lists are read again, so that none of them is older than this page
		() => void refresh('fq:site')
	);
	$effect(() => {
		if (editor.unsaved) live.show(data.zone.id, { changed: true });
	});
	// svelte-ignore state_referenced_locally
	let fit = $state.raw<PricedFit>(data.firstFit);
	let selected = $state.raw<RiserPlace | null>(null);
	let selectedDay = $state(0);
	let shown = $state({ wanted: true, held: true, misfit: true });
	let all = $state(false);
	/** What stands open above the drawing. */
	let open = $state<'table' | 'routine' | null>(null);
	let giving = $state(false);
	let windowHeight = $state(800);

	const zone = $derived(editor.document);
	const profile = $derived(data.profiles.find((candidate) => candidate.id === zone.control) ?? data.profile);
	const isSwitch = $derived(profile.temperature === null);
	const rowHeight = $derived(Math.min(92, Math.max(46, Math.floor((windowHeight - 443) / 7))));
	const say = $derived((c: number) => {
		const shown = displaySetpoint(profile, zone.options, c);
		return isSwitch ? shown.toLowerCase() : shown;
	});
	const sentences = $derived(misfitSentences(fit.chosen.misfit, zone.weights, say));
	const stop = $derived(nearestWeightStop(zone.weights));

	let follower: FitFollower | undefined;
	let rooms: RoomFollower | undefined;
	/** The room as its held week leaves it; null until it is known, or where it was not described. */
	let airC = $state.raw<Float32Array | null>(null);
	let showRoom = $state(true);
	$effect(() => {
		const { coldMinutes, warmMinutes } = fit.chosen.misfit;
		live.show(data.zone.id, { coldMinutes, warmMinutes });
	});
	const outdoorC = $derived(zone.lead.computed?.outdoorC ?? 0);
	onMount(() => {
		follower = new FitFollower(onceAFrame((next) => (fit = next)));
		return () => {
			follower?.stop();
			rooms?.stop();
		};
	});

	$effect(() => {
		follower?.request(zone, profile);
		if (!zone.room || !showRoom || isSwitch) return;
		rooms ??= new RoomFollower(onceAFrame((next) => (airC = next)));
		rooms.request(zone, profile, outdoorC);
	});
	const roomC = $derived(zone.room && showRoom && !isSwitch ? airC : null);

	// leaving never asks: what is not stored yet is stored first, unless the server cannot be reached
	beforeNavigate(({ cancel, to, willUnload }) => {
		if (!editor.unsaved || willUnload || !to || saving.now.kind === 'waiting') return;
		cancel();
		void editor.flush().then(() => goto(to.url));
	});

	function onbeforeunload(event: BeforeUnloadEvent) {
		void editor.flush();
		if (editor.refusal || editor.conflict) event.preventDefault();
	}

	function onkeydown(event: KeyboardEvent) {
		if (!(event.ctrlKey || event.metaKey) || (event.target as HTMLElement).closest('input, textarea')) return;
		const key = event.key.toLowerCase();
		if (key === 'z' && !event.shiftKey) editor.undo();
		else if (key === 'y' || (key === 'z' && event.shiftKey)) editor.redo();
		else return;
		event.preventDefault();
	}

	function option<K extends keyof typeof zone.options>(key: K, value: (typeof zone.options)[K]) {
		editor.change({ ...zone, options: { ...zone.options, [key]: value } });
	}

	/** What another unit made of the levels, said once. */
	let moved = $state<string | null>(null);
	function changeUnit(unit: 'C' | 'F') {
		const switched = { ...zone, options: { ...zone.options, unit } };
		const next = onOwnScale(switched, profile);
		const levels = movedLevels(switched, next);
		moved =
			levels.length === 0
				? null
				: `On this control a level is a whole °F: ${levels
						.map(
							({ from, to }) =>
								`${from.name} ${temperatureWords('C', from.setpointC)} is ${temperatureWords('F', to.setpointC)} now`
						)
						.join(', ')}.`;
		editor.change(next);
	}

	function changeControl(id: string) {
		const next = data.profiles.find((candidate) => candidate.id === id);
		if (next) editor.change(onControl(zone, profile, next));
	}
</script>

<svelte:head><title>{zone.name}, the week · Fond Quarter</title></svelte:head>
<svelte:window {onkeydown} {onbeforeunload} bind:innerHeight={windowHeight} />

<div class="with-aside">
	<main>
		<div class="heading">
			<h1>{zone.name}, the week</h1>
			<div class="history">
				<button class="quiet" disabled={!editor.canUndo} onclick={() => editor.undo()}>Undo</button>
				<button class="quiet" disabled={!editor.canRedo} onclick={() => editor.redo()}>Redo</button>
			</div>
		</div>
		<p class="lead" aria-live="polite">
			{#if sentences.length === 0}
				This control holds the week exactly, with {fit.chosen.grouping.name}.
			{:else}
				With {fit.chosen.grouping.name} this control leaves
				<span class={sentences[0]!.cold ? 'signal' : 'warm'}>{sentences[0]!.text}</span>{sentences.length > 1
					? ' '
					: '.'}
				{#if sentences.length > 1}
					<button class="more" aria-expanded={all} onclick={() => (all = !all)}
						>and {sentences.length - 1} more{all ? ' ▴' : ' ▾'}</button
					>
				{/if}
			{/if}
		</p>
		{#if all && sentences.length > 1}
			<ul class="sentences" aria-label="Everything that is off">
				{#each sentences.slice(1) as sentence, i (i)}
					<li>
						<span class="swatch {sentence.cold ? 'cold' : 'warm-dots'}" aria-hidden="true"
						></span>{sentence.text}
					</li>
				{/each}
			</ul>
		{/if}

		<div class="bar">
			<MarksShown
				bind:shown
				bind:showRoom
				{isSwitch}
				governed={zone.room?.sensor === 'floor' ? 'floor' : 'room'}
				unit={unitOf(zone, profile)}
				outdoorC={zone.room && !isSwitch ? outdoorC : null}
			/>
			<div class="history">
				{#each [['routine', 'Routine'], ['table', 'Table']] as const as [id, name] (id)}
					<button class="quiet" aria-pressed={open === id} onclick={() => (open = open === id ? null : id)}
						>{name}</button
					>
				{/each}
				{#if data.zones.length > 1}
					<button class="quiet" onclick={() => (giving = true)}>Other zones</button>
				{/if}
			</div>
		</div>

		{#if editor.refusal}
			<p class="signal" role="alert">Not saved. {editor.refusal}</p>
		{/if}

		{#if open === 'table'}
			{#await import('$lib/ui/week/WeekTable.svelte') then { default: WeekTable }}
				<WeekTable {zone} onchange={(next) => editor.change(next)} />
			{/await}
		{:else if open === 'routine'}
			{#await import('$lib/ui/week/RoutinePanel.svelte') then { default: RoutinePanel }}
				<RoutinePanel {zone} {profile} onchange={(next) => editor.change(next)} />
			{/await}
		{:else if zone.routine && !followsRoutine(zone)}
			<p class="parted">
				The drawing no longer follows its routine.
				<button class="more" onclick={() => (open = 'routine')}>See both</button>
			</p>
		{/if}

		<WeekChart
			{zone}
			{profile}
			{fit}
			{shown}
			{roomC}
			{rowHeight}
			bind:selected
			bind:selectedDay
			onpreview={(next) => editor.preview(next)}
			oncommit={() => editor.commit()}
			oncancel={() => editor.cancel()}
			onchange={(next) => editor.change(next)}
		/>
		<p class="soft hint">
			Drag an upright to change its time, a level stretch to change its level; double-click adds a change.
		</p>

		<div class="gap"></div>
		<Groupings {fit} {profile} {say} onchoose={(grouping) => editor.change({ ...zone, grouping })} />
	</main>

	<aside>
		<Levels {zone} {profile} onchange={(next) => editor.change(next)} />
		<Chosen {zone} {profile} {fit} day={selectedDay} {selected} onchange={(next) => editor.change(next)} />
		<section>
			<h2 id="balance">When it cannot hold everything</h2>
			<input
				type="range"
				min="0"
				max={weightStops.length - 1}
				step="1"
				value={stop}
				aria-labelledby="balance"
				aria-valuetext="a minute too cold counts {zone.weights.cold} to {zone.weights
					.warm} against one too warm"
				oninput={(event) =>
					editor.preview({ ...zone, weights: { ...weightStops[Number(event.currentTarget.value)]! } })}
				onchange={() => editor.commit()}
			/>
			<p class="ends soft">
				<span>never waste</span><span class="mono">{zone.weights.cold} : {zone.weights.warm}</span><span
					>never cold</span
				>
			</p>
		</section>
		<LeadChoice
			{zone}
			{profile}
			proof="/sites/{data.site.id}/zones/{data.zone.id}/proof"
			onchange={(next) => editor.change(next)}
		/>
		<section>
			<h2>Its control</h2>
			<label>
				<span class="soft">Kind</span>
				<select value={zone.control} onchange={(event) => changeControl(event.currentTarget.value)}>
					{#each data.profiles as one (one.id)}
						<option value={one.id}>{one.name}</option>
					{/each}
				</select>
			</label>
			{#if perDayOffers(profile).length > 1 && !zone.options.plain}
				<label>
					<span class="soft">Steps a day</span>
					<select
						value={zone.options.perDay}
						onchange={(event) => option('perDay', Number(event.currentTarget.value))}
					>
						{#each perDayOffers(profile) as count (count)}
							<option value={count}>{count}</option>
						{/each}
					</select>
				</label>
			{/if}
			{#if profile.canBePlain}
				<label>
					<span class="soft">Runs</span>
					<select
						value={zone.options.plain ? 'plain' : 'program'}
						onchange={(event) => option('plain', event.currentTarget.value === 'plain')}
					>
						<option value="program">its program</option>
						<option value="plain">one setpoint</option>
					</select>
				</label>
			{/if}
			{#if channelsOf(profile)}
				<label>
					<span class="soft">Channel</span>
					<select
						value={zone.options.channel}
						onchange={(event) => option('channel', Number(event.currentTarget.value))}
					>
						{#each channelsOf(profile) ?? [] as channel, i (channel)}
							<option value={i}>{channel}</option>
						{/each}
					</select>
				</label>
			{/if}
			{#if profile.clockFormats.length > 1}
				<label>
					<span class="soft">Its clock</span>
					<select
						value={zone.options.clock}
						onchange={(event) => option('clock', event.currentTarget.value as '24' | '12')}
					>
						<option value="24">24-hour</option>
						<option value="12">12-hour</option>
					</select>
				</label>
			{/if}
			{#if profile.temperature && profile.temperature.units.length > 1}
				<label>
					<span class="soft">Its unit</span>
					<select
						value={zone.options.unit}
						onchange={(event) => changeUnit(event.currentTarget.value as 'C' | 'F')}
					>
						<option value="C">°C</option>
						<option value="F">°F</option>
					</select>
				</label>
				{#if moved}<p role="status">{moved}</p>{/if}
			{/if}
		</section>
		{#if zone.note}
			<section>
				<h2>Note</h2>
				<p>{zone.note}</p>
			</section>
		{/if}
	</aside>
</div>

<Conflict {editor} {profile} />
{#if giving}
	{#await import('$lib/ui/zone/OtherZones.svelte') then { default: OtherZones }}
		<OtherZones
			{zone}
			zoneId={data.zone.id}
			siteId={data.site.id}
			zones={data.zones}
			profiles={data.profiles}
			ontake={(next) => editor.change(next)}
			ongiven={() => refresh('fq:site')}
			onclose={() => (giving = false)}
		/>
	{/await}
{/if}

<style>
	.heading {
		display: flex;
		justify-content: space-between;
		gap: 1rem;
		align-items: start;
	}
	.lead {
		min-height: 1.45em;
	}
	.more {
		padding: 0 0.2rem;
		border: 0;
		background: none;
		color: inherit;
		font-size: inherit;
		text-decoration: underline;
		cursor: pointer;
	}
	.parted {
		margin-bottom: 0.4rem;
		padding-left: 0.6rem;
		border-left: 4px solid var(--signal);
	}
	.sentences {
		margin: 0.4rem 0 0;
		padding: 0;
		list-style: none;
		columns: 2 22rem;
		font-size: 0.95rem;
	}
	.bar {
		display: flex;
		justify-content: space-between;
		align-items: center;
		gap: 0.75rem;
		flex-wrap: wrap;
		margin: 0.25rem 0 0.3rem;
	}
	.history {
		display: flex;
		gap: 0.5rem;
		align-items: center;
		flex-wrap: wrap;
	}
	.history .quiet {
		min-height: 36px;
	}
	.gap {
		height: 0.6rem;
	}
	.hint {
		margin: 0.35rem 0 0;
		font-size: 0.9rem;
	}
	aside select {
		max-width: 11rem;
	}
	input[type='range'] {
		width: 100%;
		height: 32px;
	}
	.ends {
		display: flex;
		justify-content: space-between;
		font-size: 0.9rem;
	}
	@media (max-height: 880px) {
		.hint {
			display: none;
		}
	}
	@media (max-width: 860px) {
		.hint {
			display: none;
		}
		aside select,
		.history .quiet {
			min-height: 44px;
		}
	}
</style>
