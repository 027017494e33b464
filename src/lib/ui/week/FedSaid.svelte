<script lang="ts">
	import { setpointWithUnit, type ControlProfile } from '$core/control';
	import { askingOf, gapsOf } from '$core/house';
	import type { Zone } from '$core/plan';
	import type { WeekSteps } from '$core/week';
	import { gapSentences, sourceOffWords, waterFirstSentences } from '$core/words';

	let {
		zone,
		profile,
		feeding,
		held,
		house
	}: {
		zone: Zone;
		profile: ControlProfile;
		/** What feeds the zone, and what governs that. */
		feeding: {
			readonly source: string;
			readonly may: WeekSteps<boolean>;
			readonly waterFirst: WeekSteps<boolean>;
			readonly governor: string | null;
			readonly isOff: boolean;
		};
		held: WeekSteps<number>;
		/** Where the house is drawn. */
		house: string;
	} = $props();

	const asks = $derived(askingOf(zone, profile, held));
	const sentences = $derived(
		gapSentences(zone.name, feeding.source, gapsOf(asks, feeding.may), (c) =>
			setpointWithUnit(profile, zone.options, c)
		)
	);
	const water = $derived(waterFirstSentences(feeding, asks)[0]);
	const more = $derived(sentences.length - 1);
</script>

{#if feeding.isOff && feeding.governor}
	<p class="signal" role="status">{sourceOffWords(feeding.source, feeding.governor)}</p>
{:else if sentences[0]}
	<p class="signal" role="status">
		<span class="mark" aria-hidden="true"></span>
		{sentences[0].text}
		<a href={house}>{more === 0 ? 'See the house' : more === 1 ? 'and one more' : `and ${more} more`}</a>
	</p>
{/if}
{#if water}<p class="soft">{water}</p>{/if}

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
