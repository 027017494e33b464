<script lang="ts">
	import { isUndrawn, type Zone } from '$core/plan';
	import { counted } from '$core/schema';
	import { NOT_DRAWN } from '$core/words';
	import { fitMany } from '$lib/workers/fitMany';
	import Button from '../kit/Button.svelte';
	import { followed, following, type TypeStanding, type ZoneInList } from './followers';
	import { together } from './together.svelte';
	import type { ZoneModel } from './zoneModel.svelte';

	let {
		model,
		zone,
		zones,
		standing
	}: {
		model: ZoneModel;
		/** As it stands, but not while it is dragged. */
		zone: Zone;
		/** All zones of the site. */
		zones: readonly ZoneInList[];
		standing: TypeStanding;
	} = $props();

	/** A week is given once it rests, in ms. */
	const REST_MS = 400;

	let said = $state<string | null>(null);
	let problem = $state<string | null>(null);
	const { shared, own } = $derived(standing);
	const changes = $derived(followed(zone, shared, model.profile));

	/** What each of them is keyed anew; the whole card where hardly a value stays, null while it is computed. */
	let toKey = $state.raw<number | null>(null);
	$effect(() => {
		const [first] = shared;
		const next = changes[0]?.zone;
		toKey = null;
		// the card of several channels is not that of one
		if (!first || !next || next.otherChannels) return;
		let running: ReturnType<typeof fitMany> | null = null;
		const rest = setTimeout(() => {
			running = fitMany([{ zone: next, was: first.document, profile: model.profile }], () => {});
			void running.outcomes.then((found) => (toKey = found?.[0]?.toKey ?? found?.[0]?.values ?? null));
		}, REST_MS);
		return () => {
			clearTimeout(rest);
			running?.stop();
		};
	});

	const undrawn = $derived(shared.length > 0 && isUndrawn(shared[0]!.document, model.profile));
	const dwellings = (list: readonly ZoneInList[]) =>
		list.length < 3
			? list.map(({ document }) => document.dwelling).join(' and ')
			: `${list.length} dwellings`;

	async function give() {
		const [only, ...more] = changes;
		problem = await together.give(model.siteId, { id: model.id, zone }, changes, () => zones);
		if (!problem)
			said = `${more.length === 0 ? only!.zone.name : `${more.length + 1} zones`} followed; one undo takes it back everywhere.`;
	}
</script>

{#if problem}<p class="signal" role="alert">{problem}</p>{/if}
{#if shared.length > 0}
	<p class="offer" role="status">
		<span>
			{dwellings(shared)} of {zone.type}
			{shared.length === 1 ? 'has' : 'share'} another week{undrawn
				? `, ${NOT_DRAWN}`
				: toKey === null
					? ''
					: `: ${counted(toKey, 'value')}${shared.length === 1 ? '' : ' each'}`}.
			{#if own.length > 0}{dwellings(own)} {own.length === 1 ? 'keeps its own' : 'keep their own'}.{/if}
		</span>
		<!-- a week that nobody drew is given to nobody -->
		{#if !isUndrawn(zone, model.profile)}
			<Button kind="quiet" onclick={give}>Give {shared.length === 1 ? 'it' : 'them'} this week</Button>
		{/if}
		{#if !undrawn}
			<Button kind="quiet" onclick={() => model.change(following(zone, shared[0]!.document, model.profile))}
				>Take {shared.length === 1 ? 'its' : 'their'} week</Button
			>
		{/if}
	</p>
{:else if said}
	<p role="status">{said}</p>
{/if}

<style>
	.offer {
		display: flex;
		flex-wrap: wrap;
		gap: 0 0.75rem;
		align-items: center;
	}
</style>
