<script lang="ts">
	import { setpointWithUnit, type ControlProfile } from '$core/control';
	import { type ZoneFit } from '$core/fit';
	import { allWeek, isUndrawn, levelOf, withRoutine, type Zone } from '$core/plan';
	import Button from '../kit/Button.svelte';
	import { misfitSentences, NOT_DRAWN } from '$core/words';

	let {
		zone,
		profile,
		fit,
		onchange
	}: { zone: Zone; profile: ControlProfile; fit: ZoneFit; onchange: (zone: Zone) => void } = $props();

	const only = $derived(levelOf(zone, zone.wanted[0]!.level));

	let all = $state(false);
	const say = $derived((c: number) => {
		const shown = setpointWithUnit(profile, zone.options, c);
		return profile.temperature === null ? shown.toLowerCase() : shown;
	});
	const sentences = $derived(misfitSentences(fit.chosen.misfit, zone.weights, say));
	const more = $derived(sentences.length - 1);
	const grouping = $derived(fit.chosen.grouping.name);
</script>

<p class="lead" aria-live="polite">
	{#if isUndrawn(zone, profile)}
		The week is {NOT_DRAWN}: begin with a routine, or draw.
		<Button kind="quiet" small onclick={() => onchange(withRoutine(zone, allWeek(only)))}
			>{only.name} all week is what they want</Button
		>
	{:else if sentences.length === 0}
		This control holds the week exactly, programmed as {grouping}.
	{:else}
		Programmed as {grouping}, this control leaves
		<span class={sentences[0]!.cold ? 'signal' : 'warm'}>{sentences[0]!.text}</span>{more > 0 ? ' ' : '.'}
		{#if more > 0}
			<Button kind="quiet" small aria-expanded={all} onclick={() => (all = !all)}
				>{all ? 'Only the worst' : `and ${more} more`}</Button
			>
		{/if}
	{/if}
</p>
{#if all && more > 0}
	<ul aria-label="Everything the control does not hold">
		{#each sentences.slice(1) as sentence, i (i)}
			<li>
				<span class="swatch {sentence.cold ? 'cold' : 'warm-dots'}" aria-hidden="true"></span>{sentence.text}
			</li>
		{/each}
	</ul>
{/if}

<style>
	.lead {
		min-height: 2.3rem;
		margin-top: 0.2rem;
	}
	ul {
		margin: 0.2rem 0 0;
		columns: 2 22rem;
	}
</style>
