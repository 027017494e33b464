<script lang="ts">
	import Printer from 'carbon-icons-svelte/lib/Printer.svelte';
	import { onMount, tick, untrack } from 'svelte';
	import { afterNavigate } from '$app/navigation';
	import { wallAt } from '$core/civil';
	import { clockTime } from '$core/week';
	import { shownWith } from '$core/words';
	import { isKeyed, readId, routeMinutes, type CardItem } from '$core/keying';
	import { keyedNotesOf } from '$lib/ui/keyin/keyedNotes.svelte';
	import { ownPace } from '$lib/ui/keyin/pace.svelte';
	import Ask from '$lib/ui/keyin/Ask.svelte';
	import PrintedCard from '$lib/ui/keyin/PrintedCard.svelte';
	import { HeldCard } from '$lib/ui/keyin/heldCard.svelte';
	import PlanChanged from '$lib/ui/keyin/PlanChanged.svelte';
	import Track from '$lib/ui/keyin/Track.svelte';
	import WholeCard from '$lib/ui/keyin/WholeCard.svelte';
	import { refresh } from '$lib/ui/refresh';
	import { watchSite } from '$lib/ui/watchSite';
	import { live } from '$lib/ui/zone/live.svelte';
	import Button from '$lib/ui/kit/Button.svelte';

	let { data } = $props();
	const base = $derived(`/sites/${data.site.id}/zones/${data.zone.id}`);

	// the page is made anew for each zone
	// svelte-ignore state_referenced_locally
	const notes = keyedNotesOf(
		`/api/v1/jobs/${data.site.id}/zones/${data.zone.id}/keyed`,
		data.stored.keyed,
		data.readAtMs
	);

	// svelte-ignore state_referenced_locally
	const held = new HeldCard(data.card, () => notes.keyed);
	$effect(() => {
		const next = data.card;
		untrack(() => held.take(next));
	});
	$effect(() => {
		void notes.keyed;
		untrack(() => held.end());
	});
	const { card, items, index, item, progress, toKeyAgain } = $derived(held);
	const upNext = $derived(held.upNext.slice(0, 2));
	$effect(() => live.show(data.zone.id, { done: progress.done, of: progress.of }));
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

	/** What the route takes, and saves against typing every value, at this person's pace. */
	const saved = $derived.by(() => {
		const { route, typed } = card.cost;
		const minutes = Math.max(
			1,
			Math.round(routeMinutes({ presses: route.presses, looks: route.values }, ownPace.now))
		);
		const takes = `${route.presses} presses, about ${minutes} min${ownPace.learnt ? ' at your pace' : ''}`;
		const fewer = typed.presses - route.presses;
		return fewer > 0 ? `${takes}. This order saves ${fewer} presses` : takes;
	});

	/** Where leaving leads: back into the visit, if that is where it was come from. */
	let leaveTo = $state<{ readonly href: string; readonly name: string }>();
	afterNavigate(({ from }) => {
		const visit = `/sites/${data.site.id}/visit`;
		if (from?.url.pathname === visit) leaveTo = { href: visit, name: 'Back to the visit' };
	});
	const leave = $derived(leaveTo ?? { href: `/sites/${data.site.id}`, name: 'Leave' });

	/** When the value on show came up, for learning the person's pace. */
	let shownAt = 0;

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
	/** When the last key was pressed here, for the control's menu leaves by itself. */
	let pressedAt = $state(0);

	const toInstruction = () => void tick().then(() => instruction?.focus({ preventScroll: true }));

	function confirm() {
		if (!item) return;
		if (!isKeyed(item, notes.keyed)) timed(item);
		notes.note(item.id, item.shows);
		// what was read before it was keyed again is to be read again
		const read = notes.keyed[readId(item.id)];
		if (read !== undefined && read !== item.shows) notes.note(readId(item.id), null);
		held.confirmed();
		toInstruction();
		shownAt = pressedAt = performance.now();
	}

	/** A value confirmed right after the one before it tells how fast this person keys. */
	function timed(one: CardItem) {
		if (shownAt > 0) ownPace.note({ presses: one.presses, seconds: (performance.now() - shownAt) / 1000 });
	}

	/** To another value than the next: what that takes says nothing of the person's pace. */
	function go(to: number) {
		shownAt = 0;
		if (to === index) return;
		held.go(to);
		pressedAt = performance.now();
	}
	const back = () => go(Math.max(0, index - 1));

	function onkeydown(event: KeyboardEvent) {
		if (
			event.ctrlKey ||
			event.metaKey ||
			event.altKey ||
			(event.target as HTMLElement).closest('[role="dialog"], input')
		)
			return;
		const onControl = (event.target as HTMLElement).closest('a:not(.go), button:not(.go)');
		if (event.key === 'ArrowRight' || ((event.key === 'Enter' || event.key === ' ') && !onControl)) confirm();
		else if (event.key === 'ArrowLeft' || event.key === 'Backspace') back();
		else return;
		event.preventDefault();
	}
</script>

<svelte:head><title>{data.zone.name}, key in · Fond Quarter</title></svelte:head>
<svelte:window {onkeydown} />

<div class="page">
	<main>
		<div class="top">
			<h1>{data.zone.name}</h1>
			<span class="soft" role="status"
				>{item ? `value ${index + 1} of ${items.length}` : `all ${items.length} values`}{toKeyAgain > 0
					? `, ${toKeyAgain} to key again`
					: ''}</span
			>
			<span class="print"
				><Button icon={Printer} iconLabel="Print the card" onclick={() => window.print()} /></span
			>
			<Button href={leave.href}>{leave.name}</Button>
		</div>
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
				{enter}
				keyed={notes.keyed}
				isFirst={index === 0}
				{upNext}
				{pressedAt}
				bind:instruction
			/>
			<div class="keys">
				<Button kind="quiet" onclick={back} disabled={index === 0}>Back</Button>
				<Button kind="next" class="go" onclick={confirm}>Shows {shownWith(item)}</Button>
			</div>
		{:else}
			<div class="ask">
				<p class="finished" tabindex="-1" bind:this={instruction}>All in.</p>
				<p>{card.leave}</p>
				<p>
					Leave the control on automatic, then <a href="{base}/read-back">read it back</a>, or go
					<a href="/sites/{data.site.id}">to the overview</a>.
				</p>
				<p><a href="{base}/hand-over">The customer's page</a></p>
			</div>
			<div class="keys">
				<Button kind="quiet" onclick={back} disabled={items.length === 0}>Back</Button>
				<Button kind="next" class="go" href={leaveTo?.href ?? `${base}/read-back`}
					>{leaveTo?.name ?? 'Read it back'}</Button
				>
			</div>
		{/if}
	</main>

	<WholeCard {items} keyed={notes.keyed} {index} ongo={go}>
		{progress.done} of {progress.of} in; {saved}{toKeyAgain > 0 ? `; ${toKeyAgain} to key again` : ''}
	</WholeCard>
</div>

<PrintedCard name={data.zone.name} site={data.site.name} {card} keyed={notes.keyed} />

<style>
	@media (max-width: 860px) {
		.print {
			display: none;
		}
	}
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
	.top {
		display: flex;
		flex-wrap: wrap;
		align-items: center;
		gap: 1rem;
		padding: 0 1.4rem;
	}
	.top h1 {
		flex: 1 1 8rem;
		font-size: 1.1rem;
		overflow-wrap: anywhere;
	}
	.track {
		margin: 0.9rem 1.4rem 0;
	}
	.ask {
		flex: 1;
		padding: 1.4rem 1.4rem 0;
		overflow: auto;
	}
	.finished {
		font-family: var(--display);
		font-weight: 600;
		font-size: 4rem;
		line-height: 1.2;
	}
	.keys {
		display: grid;
		grid-template-columns: minmax(0, min(7rem, 30%)) minmax(0, 1fr);
		border-top: 1px solid var(--rule);
	}
	.keys :global(.bx--btn) {
		width: 100%;
		min-height: 96px;
		border-radius: 0;
		font-size: 1.25rem;
	}
	.keys :global(.go) {
		font-family: var(--display);
		font-size: 1.5rem;
	}
	.keys :global(.bx--btn:focus-visible) {
		outline-offset: -6px;
		outline-color: var(--held);
	}
	@media (max-width: 860px) {
		.page {
			grid-template-columns: minmax(0, 1fr);
			height: calc(100dvh - 49px);
		}
		.top,
		.ask {
			padding-left: 1.1rem;
			padding-right: 1.1rem;
		}
		.track {
			margin: 0.9rem 1.1rem 0;
		}
		.keys :global(.bx--btn) {
			min-height: 112px;
		}
	}
	/* what is printed is the card alone; this stands last, so that nothing above shows the page again */
	@media print {
		.page {
			display: none;
		}
	}
</style>
