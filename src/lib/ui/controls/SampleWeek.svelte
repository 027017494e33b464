<script lang="ts">
	import { onMount, untrack } from 'svelte';
	import { allowedOptions, setpointWithUnit, type ControlProfile } from '$core/control';
	import { sampleZone } from '$core/checks';
	import { misfitSentences } from '$core/words';
	import { pricedFit, type PricedFit } from '$core/keying';
	import { onControl, type Zone } from '$core/plan';
	import { FitFollower } from '$lib/workers/fitFollower';
	import GroupingCost from '../week/GroupingCost.svelte';
	import Groupings from '../week/Groupings.svelte';
	import WeekChart from '../week/WeekChart.svelte';
	import type { RiserPlace } from '../week/weekEdits';

	let { profile }: { profile: ControlProfile } = $props();

	/** The control that the sample was drawn for: one that only switches knows other levels. */
	let drawnFor = untrack(() => profile);
	let sample = $state.raw<Zone>(untrack(() => sampleZone(profile)));
	let before = $state.raw<Zone | null>(null);
	let fit = $state.raw<PricedFit>(untrack(() => pricedFit(sample, profile)));
	let selected = $state.raw<RiserPlace | null>(null);
	let selectedDay = $state(0);
	const shown = { wanted: true, held: true, misfit: true };

	const options = $derived(allowedOptions(profile, sample.options));
	const say = $derived((c: number) => setpointWithUnit(profile, options, c));
	const sentence = $derived(misfitSentences(fit.chosen.misfit, sample.weights, say)[0]);

	let follower: FitFollower | undefined;
	onMount(() => {
		follower = new FitFollower((next) => (fit = next));
		return () => follower?.stop();
	});
	$effect(() => {
		const next = profile;
		untrack(() => {
			if ((drawnFor.temperature === null) !== (next.temperature === null))
				sample = onControl(sample, drawnFor, next);
			drawnFor = next;
		});
		follower?.request(sample, next);
	});
</script>

<section aria-label="A sample week on it">
	<div class="head">
		<h2>A sample week on it</h2>
		<p class="soft">
			{#if sentence}Programmed as {fit.chosen.grouping.name}:
				<span class={sentence.cold ? 'signal' : 'warm'}>{sentence.text}</span>
			{:else}{`The whole week fits, programmed ${fit.chosen.grouping.name}.`}{/if}
		</p>
	</div>
	<WeekChart
		zone={sample}
		{profile}
		{fit}
		{shown}
		rowHeight={46}
		bind:selected
		bind:selectedDay
		onpreview={(next) => {
			before ??= sample;
			sample = next;
		}}
		oncommit={() => (before = null)}
		oncancel={() => {
			sample = before ?? sample;
			before = null;
		}}
		onchange={(next) => (sample = next)}
	/>
	<p class="soft hint">
		Four working days, a day at home, a weekend: drag to try another. Nothing of it is kept.
	</p>
	<Groupings {fit} {profile} onchoose={(grouping) => (sample = { ...sample, grouping })} />
	<GroupingCost {fit} {profile} {say} />
</section>

<style>
	.head {
		display: flex;
		flex-wrap: wrap;
		gap: 0 1rem;
		align-items: baseline;
		margin-bottom: 0.3rem;
	}
	h2 {
		color: var(--soft);
		font-size: var(--small);
	}
	.hint {
		margin: 0.35rem 0 0.75rem;
	}
</style>
