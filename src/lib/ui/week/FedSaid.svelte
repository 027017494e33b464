<script lang="ts">
	import { setpointWithUnit, type ControlProfile } from '$core/control';
	import type { Gap } from '$core/house';
	import type { Zone } from '$core/plan';
	import { gapSentences, sourceOffWords } from '$core/words';

	let {
		zone,
		profile,
		feeding,
		gaps,
		house
	}: {
		zone: Zone;
		profile: ControlProfile;
		/** What feeds the zone, and what governs that. */
		feeding: { readonly source: string; readonly governor: string; readonly isOff: boolean };
		gaps: readonly Gap[];
		/** Where the house is drawn. */
		house: string;
	} = $props();

	const sentences = $derived(
		gapSentences(zone.name, feeding.source, gaps, (c) => setpointWithUnit(profile, zone.options, c))
	);
	const more = $derived(sentences.length - 1);
</script>

{#if feeding.isOff}
	<p class="signal" role="status">{sourceOffWords(feeding.source, feeding.governor)}</p>
{:else if sentences[0]}
	<p class="signal" role="status">
		<span class="mark" aria-hidden="true"></span>
		{sentences[0].text}
		<a href={house}>{more === 0 ? 'See the house' : more === 1 ? 'and one more' : `and ${more} more`}</a>
	</p>
{/if}

<style>
	p {
		margin: 0.2rem 0 0.4rem;
	}
	/* as it is drawn under the day */
	.mark {
		display: inline-block;
		width: 1.6rem;
		height: 5px;
		margin-right: 0.3rem;
		background: var(--signal);
		vertical-align: middle;
	}
</style>
