<script lang="ts">
	import { setpointWithUnit, type ControlProfile } from '$core/control';
	import { type ZoneFit } from '$core/fit';
	import { allWeek, isUndrawn, levelOf, withRoutine, type Zone } from '$core/plan';
	import { capital } from '$core/schema';
	import { misfitCauseWords, misfitSentences, NOT_DRAWN } from '$core/words';
	import Button from '../kit/Button.svelte';
	import Headline from '../kit/Headline.svelte';

	let {
		name,
		zone,
		profile,
		fit,
		onchange
	}: {
		name: string;
		zone: Zone;
		profile: ControlProfile;
		fit: ZoneFit;
		onchange: (zone: Zone) => void;
	} = $props();

	const only = $derived(levelOf(zone, zone.wanted[0]!.level));
	const isOpen = $derived(isUndrawn(zone, profile));

	let all = $state(false);
	const say = $derived((c: number) => {
		const shown = setpointWithUnit(profile, zone.options, c);
		return profile.temperature === null ? shown.toLowerCase() : shown;
	});
	const sentences = $derived(isOpen ? [] : misfitSentences(fit.chosen.misfit, zone.weights, say));
	const more = $derived(sentences.length - 1);
	const cause = $derived(
		sentences[0] ? misfitCauseWords(sentences[0], fit.chosen.grouping, zone, profile) : ''
	);
	/** Another grouping that leaves less than half of it; the one that leaves least. */
	const better = $derived(
		fit.fits
			.filter(({ misfit }) => misfit.weighted < fit.chosen.misfit.weighted / 2)
			.sort((a, b) => a.misfit.weighted - b.misfit.weighted)[0]
	);
</script>

<div>
	<Headline of="{name}, the week" bad={sentences[0]?.cold}>
		{isOpen ? `Week ${NOT_DRAWN}` : capital(sentences[0]?.text ?? 'The whole week fits')}
	</Headline>
	<p>
		{#if isOpen}
			Begin with a routine, or draw.
			<Button kind="quiet" small onclick={() => onchange(withRoutine(zone, allWeek(only)))}
				>{only.name} all week is what they want</Button
			>
		{:else}
			{cause || `Programmed ${fit.chosen.grouping.name}.`}
			{#if better}
				<Button kind="quiet" small onclick={() => onchange({ ...zone, grouping: better.grouping.id })}
					>Take {better.grouping.name}</Button
				>
			{/if}
			{#if more > 0}
				<Button kind="quiet" small aria-expanded={all} onclick={() => (all = !all)}
					>{all ? 'Only the worst' : `${more} more`}</Button
				>
			{/if}
		{/if}
	</p>
	{#if all && more > 0}
		<ul aria-label="Everything else that does not fit">
			{#each sentences.slice(1) as sentence, i (i)}
				<li>
					<span class="swatch {sentence.cold ? 'cold' : 'warm-dots'}" aria-hidden="true"
					></span>{sentence.text}
				</li>
			{/each}
		</ul>
	{/if}
</div>

<style>
	p {
		min-height: 2rem;
	}
	ul {
		margin: 0.2rem 0 0;
		columns: 2 22rem;
	}
</style>
