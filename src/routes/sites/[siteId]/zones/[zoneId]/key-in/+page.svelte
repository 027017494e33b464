<script lang="ts">
	import { onMount, tick, untrack } from 'svelte';
	import { afterNavigate } from '$app/navigation';
	import { wallAt } from '$core/civil';
	import { isKeyed, itemsOfChannel } from '$core/keying';
	import { clockTime } from '$core/week';
	import { routeWords, shownWith } from '$core/words';
	import { keyedNotesOf } from '$lib/ui/keyin/keyedNotes.svelte';
	import { ownPace } from '$lib/ui/keyin/pace.svelte';
	import { aloud } from '$lib/ui/keyin/aloud.svelte';
	import { hearHeadset } from '$lib/ui/keyin/headset';
	import AllIn from '$lib/ui/keyin/AllIn.svelte';
	import Ask from '$lib/ui/keyin/Ask.svelte';
	import PrintedCard from '$lib/ui/keyin/PrintedCard.svelte';
	import { HeldCard } from '$lib/ui/keyin/heldCard.svelte';
	import KeyHead from '$lib/ui/keyin/KeyHead.svelte';
	import KeyBar from '$lib/ui/keyin/KeyBar.svelte';
	import PlanChanged from '$lib/ui/keyin/PlanChanged.svelte';
	import { turnAt } from '$lib/ui/keyin/turn.svelte';
	import SameCard from '$lib/ui/keyin/SameCard.svelte';
	import Track from '$lib/ui/keyin/Track.svelte';
	import WholeCard from '$lib/ui/keyin/WholeCard.svelte';
	import { refresh } from '$lib/ui/refresh';
	import { watchSite } from '$lib/ui/watchSite';
	import { live } from '$lib/ui/zone/live.svelte';

	let { data } = $props();
	const base = $derived(`/sites/${data.site.id}/zones/${data.zone.id}`);

	// the page is made anew for each zone
	// svelte-ignore state_referenced_locally
	const notes = keyedNotesOf(
		`/api/v1/jobs/${data.site.id}/zones/${data.channels[0]!.id}/keyed`,
		data.stored.keyed,
		data.readAtMs
	);

	// svelte-ignore state_referenced_locally
	const held = new HeldCard(data.card, () => notes.keyed, data);
	$effect(() => {
		const { card: next, readAtMs } = data;
		untrack(() => held.take(next, readAtMs));
	});
	$effect(() => {
		void notes.keyed;
		untrack(() => held.end());
	});
	const { card, items, index, item, progress, toKeyAgain } = $derived(held);
	const upNext = $derived(held.upNext.slice(0, 2));
	/** How far each zone of the control is. */
	const ofChannels = $derived(
		data.channels.map(({ id, name, channel }) => {
			const own = itemsOfChannel(items, data.profile, channel);
			return { id, name, done: own.filter((one) => isKeyed(one, notes.keyed)).length, of: own.length };
		})
	);
	$effect(() => {
		for (const { id, done, of } of ofChannels) live.show(id, { done, of });
	});
	/** A control that governs more than one zone is keyed as one. */
	const name = $derived(data.channels.length > 1 ? data.box : data.zone.name);
	const changedBy = $derived.by(() => {
		if (!data.planned) return 'The plan has changed';
		const minute = wallAt(data.site.timeZone, Date.parse(data.planned.at));
		const at = clockTime(((minute % 1440) + 1440) % 1440);
		return `${data.planned.by || 'Somebody on another device'} changed the plan at ${at}`;
	});
	let instruction = $state<HTMLElement>();
	/** Where this turn at the control began: its first value says how to get there. */
	const began = held.index;
	const enter = $derived(
		item && (item.before ?? (index === began && index > 0 && item.section !== 'Settings' ? card.enter : null))
	);

	/** Where leaving leads: back into the visit, if that is where it was come from. */
	let leaveTo = $state<{ readonly href: string; readonly name: string }>();
	afterNavigate(({ from }) => {
		const visit = `/sites/${data.site.id}/visit`;
		if (from?.url.pathname === visit) leaveTo = { href: visit, name: 'Back to the visit' };
	});
	const leave = $derived(leaveTo ?? { href: `/sites/${data.site.id}`, name: 'Leave' });

	onMount(() => {
		ownPace.load();
		notes.resume();
		// a reload may have been read before the last notes were written: ask again a few times
		const again = [0, 1000, 2500].map((ms) => setTimeout(() => void refresh('fq:keyed'), ms));
		const stop = watchSite(
			data.site.id,
			() => data.mark,
			() => refresh('fq:keyed')
		);
		return () => {
			stop();
			again.forEach(clearTimeout);
		};
	});
	$effect(() => {
		const { stored, readAtMs } = data;
		untrack(() => notes.refresh(stored.keyed, readAtMs));
	});
	const toInstruction = () => void tick().then(() => instruction?.focus({ preventScroll: true }));
	const turn = turnAt(held, notes, toInstruction);
	$effect(() => (aloud.on ? hearHeadset(turn.confirm, turn.back) : undefined));
</script>

<svelte:head><title>{name}, key in · Fond Quarter</title></svelte:head>
<svelte:window onkeydown={turn.onkeydown} onclick={turn.onclick} />

<div class="page">
	<main>
		<KeyHead {name} {ofChannels} {leave} rehearse={card.operated ? `${base}/rehearse` : null}>
			{item ? `value ${index + 1} of ${items.length}` : `all ${items.length} values`}{toKeyAgain > 0
				? `, ${toKeyAgain} to key again`
				: ''}
		</KeyHead>
		<div class="track"><Track {items} keyed={notes.keyed} {index} {progress} /></div>

		<PlanChanged
			{held}
			by={changedBy}
			onseen={() => {
				held.seen();
				toInstruction();
			}}
		/>
		{#if item}
			<Ask
				{item}
				{card}
				profile={data.profile}
				keys={held.keys}
				goingOn={held.goingOn}
				onfound={(id, shows) => notes.note(id, shows)}
				{enter}
				keyed={notes.keyed}
				isFirst={index === 0}
				{upNext}
				pressedAt={turn.pressedAt}
				bind:instruction
			/>
			<KeyBar first={index === 0} onback={turn.back} onnext={turn.confirm}>Shows {shownWith(item)}</KeyBar>
		{:else}
			<AllIn leave={card.leave} {base} siteId={data.site.id} bind:instruction>
				<SameCard siteId={data.site.id} alike={data.alike} {items} readAtMs={data.readAtMs} />
			</AllIn>
			<KeyBar first={items.length === 0} onback={turn.back} href={leaveTo?.href ?? `${base}/read-back`}
				>{leaveTo?.name ?? 'Read it back'}</KeyBar
			>
		{/if}
	</main>

	<WholeCard {items} keyed={notes.keyed} {index} ongo={turn.go}>
		{progress.done} of {progress.of} in; {routeWords(card.cost, ownPace)}{toKeyAgain > 0
			? `; ${toKeyAgain} to key again`
			: ''}
	</WholeCard>
</div>

<PrintedCard {name} site={data.site.name} {card} keyed={notes.keyed} profile={data.profile} />

<style>
	.page {
		display: grid;
		grid-template-columns: minmax(0, 1fr) 21rem;
		height: calc(100vh - 108px);
	}
	main {
		display: flex;
		flex-direction: column;
		padding: 1rem 0 0;
		min-height: 0;
	}
	.track {
		margin: 0.9rem 1.4rem 0;
	}
	@media (max-width: 860px) {
		.page {
			grid-template-columns: minmax(0, 1fr);
			height: calc(100dvh - 49px);
		}
		.track {
			margin: 0.9rem 1.1rem 0;
		}
	}
	/* what is printed is the card alone; this stands last, so that nothing above shows the page again */
	@media print {
		.page {
			display: none;
		}
	}
</style>
