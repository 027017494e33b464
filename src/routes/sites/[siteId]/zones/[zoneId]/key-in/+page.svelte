<script lang="ts">
	import { onMount, tick, untrack } from 'svelte';
	import { wallAt } from '$core/civil';
	import { clockTime } from '$core/week';
	import { cardProgress, isKeyed, nextToKey, readId, routeMinutes, type CardItem } from '$core/keying';
	import { keyedNotesOf } from '$lib/ui/keyin/keyedNotes.svelte';
	import { ownPace } from '$lib/ui/keyin/pace.svelte';
	import PrintedCard from '$lib/ui/keyin/PrintedCard.svelte';
	import { changedValues, type ChangedValue } from '$lib/ui/keyin/planChange';
	import WholeCard from '$lib/ui/keyin/WholeCard.svelte';
	import { refresh } from '$lib/ui/refresh';
	import { watchSite } from '$lib/ui/watchSite';
	import { live } from '$lib/ui/zone/live.svelte';

	let { data } = $props();

	// the page is made anew for each zone
	// svelte-ignore state_referenced_locally
	const notes = keyedNotesOf(
		`/api/v1/jobs/${data.site.id}/zones/${data.zone.id}/keyed`,
		data.stored.keyed,
		data.readAtMs
	);

	/** The card as the person has seen it: another plan takes its place when that has been said. */
	// svelte-ignore state_referenced_locally
	let card = $state.raw(data.card);
	const items = $derived(card.items);
	const progress = $derived(cardProgress(card, notes.keyed));
	$effect(() => live.show(data.zone.id, { done: progress.done, of: progress.of }));
	/** The value on show; past the last one everything is in. */
	let index = $state(untrack(() => cardProgress(data.card, data.stored.keyed).next));
	const item = $derived(items[index]);
	/** What the plan asks for otherwise since it was first seen here, until the person has read it. */
	let changes = $state.raw<readonly ChangedValue[]>([]);
	/** What the value on show is to be by now, while the old one is held there; with null, that it is not asked for any more. */
	let instead = $state.raw<{ readonly now: string | null } | null>(null);

	/** Takes another card: its plan is said, and the value on show stays where it is until it is seen. */
	function take(next: typeof card) {
		const all = changedValues(card.items, next.items);
		if (all.length > 0 || instead) {
			// while a value is held the card is still the first one: what was changed back is no change
			const known = instead ? [] : changes.filter((one) => !all.some(({ id }) => id === one.id));
			// against what was first seen: back to that, nothing has changed
			changes = [
				...known,
				...all.map((one) => ({ ...one, was: changes.find(({ id }) => id === one.id)?.was ?? one.was }))
			].filter((one) => one.was !== one.now);
		}
		const held = item && all.find((one) => one.id === item.id);
		if (held) instead = { now: held.now };
		else show(next, item?.id ?? null);
	}
	function show(next: typeof card, id: string | null) {
		card = next;
		instead = null;
		const at = id === null ? -1 : next.items.findIndex((one) => one.id === id);
		index = at >= 0 ? at : cardProgress(next, notes.keyed).next;
	}
	$effect(() => {
		const next = data.card;
		untrack(() => {
			if (next !== card) take(next);
		});
	});
	/** Shows what the plan asks for now, the value that was held included. */
	function seen() {
		changes = [];
		if (instead) show(data.card, item?.id ?? null);
		void tick().then(() => instruction?.focus());
	}
	const changedBy = $derived.by(() => {
		if (!data.planned) return 'The plan has changed';
		const minute = wallAt(data.site.timeZone, Date.parse(data.planned.at));
		const at = clockTime(((minute % 1440) + 1440) % 1440);
		return `${data.planned.by || 'Somebody on another device'} changed the plan at ${at}`;
	});
	// what must be keyed again comes before the end
	$effect(() => {
		if (index >= items.length && progress.next < items.length) index = progress.next;
	});
	let instruction = $state<HTMLElement>();
	/** What is still to be keyed after the value on show. */
	const upNext = $derived(items.filter((one, i) => i > index && !isKeyed(one, notes.keyed)).slice(0, 2));
	/** Where this turn at the control began: its first value says how to get there. */
	const began = untrack(() => cardProgress(data.card, data.stored.keyed).next);
	const enter = $derived(
		item && (item.before ?? (index === began && index > 0 && item.section !== 'Settings' ? card.enter : null))
	);
	/** Whether the display was read to show something else here, rather than the plan changed. */
	const wasRead = $derived(item !== undefined && notes.keyed[readId(item.id)] === notes.keyed[item.id]);

	const changed = $derived(
		items.filter((one) => notes.keyed[one.id] !== undefined && notes.keyed[one.id] !== one.shows).length
	);

	/** What the route takes, and saves against typing every value, at this person's pace. */
	const saved = $derived.by(() => {
		const { route, typed } = card.cost;
		const minutes = (way: typeof route) =>
			Math.max(1, Math.round(routeMinutes({ presses: way.presses, looks: way.values }, ownPace.now)));
		const pace = ownPace.learnt ? ' at your pace' : '';
		if (route.values === typed.values)
			return `; ${route.presses} presses, about ${minutes(route)} min${pace}`;
		return `; ${route.presses} presses, about ${minutes(route)} min${pace} by copying; ${typed.presses} presses, ${minutes(typed)} min to type all ${typed.values}`;
	});

	const words = (presses: number) => (presses === 1 ? '1 press' : `about ${presses} presses`);
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
	/** Until a key is pressed here, what is keyed elsewhere moves this card on too. */
	let touched = $state(false);
	$effect(() => {
		const { next } = cardProgress(card, notes.keyed);
		if (!untrack(() => touched)) index = next;
	});

	let left = $state<number | null>(null);
	let startedAt = $state(0);
	function restartCountdown() {
		startedAt = performance.now();
		left = card.timeoutSeconds;
	}
	onMount(() => {
		const every = setInterval(() => {
			if (card.timeoutSeconds === null || startedAt === 0) return;
			left = Math.max(0, Math.ceil(card.timeoutSeconds - (performance.now() - startedAt) / 1000));
		}, 250);
		return () => clearInterval(every);
	});

	function confirm() {
		touched = true;
		if (!item) return;
		if (!isKeyed(item, notes.keyed)) timed(item);
		notes.note(item.id, item.shows);
		// what was read before it was keyed again is to be read again
		const read = notes.keyed[readId(item.id)];
		if (read !== undefined && read !== item.shows) notes.note(readId(item.id), null);
		// what was keyed is what was on show; where the plan asks for another by now, that is keyed next
		const again = instead !== null && instead.now !== null;
		if (instead) show(data.card, item.id);
		if (!again) index = nextToKey(card, notes.keyed, index);
		void tick().then(() => instruction?.focus({ preventScroll: true }));
		shownAt = performance.now();
		restartCountdown();
	}

	/** A value confirmed right after the one before it tells how fast this person keys. */
	function timed(one: CardItem) {
		if (shownAt > 0) ownPace.note({ presses: one.presses, seconds: (performance.now() - shownAt) / 1000 });
	}

	function back() {
		touched = true;
		shownAt = 0;
		if (index === 0) return;
		index--;
		restartCountdown();
	}

	function onkeydown(event: KeyboardEvent) {
		if (
			event.ctrlKey ||
			event.metaKey ||
			event.altKey ||
			(event.target as HTMLElement).closest('dialog, input')
		)
			return;
		const onControl = (event.target as HTMLElement).closest('a, button:not(.go)');
		if (event.key === 'ArrowRight' || ((event.key === 'Enter' || event.key === ' ') && !onControl)) confirm();
		else if (event.key === 'ArrowLeft' || event.key === 'Backspace') back();
		else return;
		event.preventDefault();
	}

	const share = $derived(left === null || card.timeoutSeconds === null ? 0 : left / card.timeoutSeconds);
</script>

<svelte:head><title>{data.zone.name}, key in · Fond Quarter</title></svelte:head>
<svelte:window {onkeydown} />

<div class="page">
	<main>
		<div class="top">
			<h1>{data.zone.name}</h1>
			<span class="soft" role="status"
				>{item ? `value ${index + 1} of ${items.length}` : `all ${items.length} values`}{changed > 0
					? `, ${changed} to key again`
					: ''}</span
			>
			<button class="quiet print" onclick={() => window.print()}>print</button>
			<a class="quiet" href="/sites/{data.site.id}">leave</a>
		</div>
		<div
			class="track"
			role="progressbar"
			aria-label="Values in the control"
			aria-valuemin="0"
			aria-valuemax={progress.of}
			aria-valuenow={progress.done}
		>
			{#if items.length <= 60}
				{#each items as one, i (one.id)}
					<span class:done={isKeyed(one, notes.keyed)} class:here={i === index}></span>
				{/each}
			{:else}
				<span class="whole"><span style:width="{(100 * progress.done) / progress.of}%"></span></span>
			{/if}
		</div>

		{#if changes.length > 0}
			<div class="changed" role="alert">
				<p>
					<strong>{changedBy}:</strong>
					{#each changes.slice(0, 4) as one, i (one.id)}{i > 0 ? '; ' : ' '}{one.what}
						{one.was === null
							? 'is new, '
							: one.now === null
								? `${one.was} goes`
								: `${one.was} is now `}{#if one.now !== null}<strong>{one.now}</strong
							>{/if}{/each}{changes.length > 4 ? `; and ${changes.length - 4} more` : ''}.
				</p>
				{#if instead}
					<p>
						The value below is from before. If you have keyed it, say so, and it comes again with the new one.
					</p>
				{/if}
				<button class="quiet" onclick={seen}>{instead ? 'Show the new value' : 'Seen'}</button>
			</div>
		{/if}
		{#if item}
			<div class="ask">
				{#if index === 0}
					<p class="care soft">
						The keys at the front are all this needs: never open a live enclosure; wiring and gas belong to
						licensed trades.
					</p>
				{/if}
				{#if enter}<p class="before">{enter}</p>{/if}
				<div
					class="instruction"
					role="group"
					tabindex="-1"
					aria-label="{item.section}, {item.what}: {item.shows}{item.unit}"
					bind:this={instruction}
				>
					<p class="what"><strong>{item.section}</strong>, {item.what}</p>
					<p class="soft aside">{item.aside}</p>
					<p class="value" class:long={item.shows.length > 5}>
						{item.shows}{#if item.unit}<span class="unit">{item.unit}</span>{/if}
					</p>
				</div>
				<p class="soft">
					{#if item.from !== null}shows now <span class="mono">{item.from}{item.unit}</span> ·
					{/if}{words(item.presses)}
				</p>
				{#if notes.keyed[item.id] !== undefined && notes.keyed[item.id] !== item.shows}
					<p class="signal">
						{wasRead
							? `Read from the display: ${notes.keyed[item.id]}. Key it again.`
							: `The plan has changed: ${notes.keyed[item.id]} was keyed here before.`}
					</p>
				{:else if isKeyed(item, notes.keyed)}
					<p class="soft">Keyed already. Confirm again, or go on.</p>
				{/if}
				{#if card.timeoutSeconds !== null}
					{#if left === null}
						<p class="soft timer">
							The menu leaves by itself after {card.timeoutSeconds} s without a key.
						</p>
					{:else if left > 0}
						<p class="soft timer">menu leaves by itself in {left} s</p>
						<div class="bar"><span style:width="{share * 100}%" class:short={left <= 10}></span></div>
					{:else}
						<p class="signal timer">
							The menu may have left by itself. Go in again: nothing done here is lost.
						</p>
					{/if}
				{/if}
				{#if upNext.length > 0}
					<p class="then soft">
						then {#each upNext as one, i (one.id)}{i > 0 ? ', then ' : ''}{one.section === item.section
								? ''
								: `${one.section}, `}{one.what} <strong>{one.shows}{one.unit}</strong>{/each}
					</p>
				{:else}
					<p class="then soft">That is the last value to key.</p>
				{/if}
			</div>
			<div class="keys">
				<button class="back" onclick={back} disabled={index === 0}>Back</button>
				<button class="go" onclick={confirm}>Shows {item.shows}{item.unit}</button>
			</div>
		{:else}
			<div class="ask">
				<p class="finished" tabindex="-1" bind:this={instruction}>All in.</p>
				<p>{card.leave}</p>
				<p>
					Leave the control on automatic, then
					<a href="/sites/{data.site.id}/zones/{data.zone.id}/read-back">read it back</a>.
				</p>
				<p><a href="/sites/{data.site.id}/zones/{data.zone.id}/hand-over">The customer's page</a></p>
			</div>
			<div class="keys">
				<button class="back" onclick={back} disabled={items.length === 0}>Back</button>
				<a class="go" href="/sites/{data.site.id}">To the board</a>
			</div>
		{/if}
	</main>

	<WholeCard
		{items}
		keyed={notes.keyed}
		{index}
		ongo={(at) => {
			touched = true;
			index = at;
			shownAt = 0;
			restartCountdown();
		}}
	>
		{progress.done} of {progress.of} in{saved}{changed > 0 ? `; ${changed} to key again` : ''}
	</WholeCard>
</div>

<PrintedCard name={data.zone.name} site={data.site.name} {card} keyed={notes.keyed} />

<style>
	@media print {
		.page {
			display: none;
		}
	}
	@media (max-width: 860px) {
		.print {
			display: none;
		}
	}
	.page {
		display: grid;
		grid-template-columns: minmax(0, 1fr) 21rem;
		height: calc(100vh - 106px);
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
	.changed {
		margin: 0.75rem 1.4rem 0;
		padding: 0.6rem 0.75rem;
		border-left: 4px solid var(--signal);
		background: var(--sheet);
	}
	.changed button {
		min-height: 44px;
		margin-top: 0.4rem;
		font-size: 1rem;
	}
	.instruction:focus {
		outline: none;
	}
	.track {
		display: flex;
		gap: 2px;
		height: 8px;
		margin: 0.9rem 1.4rem 0;
	}
	.track span {
		flex: 1;
		background: var(--rule);
	}
	.track .done,
	.whole span {
		background: var(--held);
	}
	.track .here {
		background: var(--ink);
	}
	.whole {
		display: flex;
	}
	.whole span {
		flex: none;
	}
	.ask {
		flex: 1;
		padding: 1.4rem 1.4rem 0;
		overflow: auto;
	}
	.care {
		margin-bottom: 0.75rem;
		font-size: 0.9rem;
	}
	.before {
		margin-bottom: 0.9rem;
		padding: 0.6rem 0.75rem;
		border-left: 4px solid var(--ink);
		background: var(--sheet);
	}
	.what {
		font-size: 1.25rem;
	}
	.value {
		margin: 0.75rem 0 0.5rem;
		font-family: var(--display);
		font-weight: 600;
		font-size: clamp(5rem, 17vw, 9rem);
		line-height: 1.05;
		letter-spacing: -0.01em;
		overflow-wrap: anywhere;
	}
	.value.long {
		font-size: clamp(3rem, 13vw, 6rem);
	}
	.unit {
		margin-left: 0.15em;
		font-size: 0.42em;
		font-weight: 600;
		vertical-align: 0.75em;
		color: var(--soft);
	}
	.timer {
		margin-top: 0.9rem;
	}
	.bar {
		height: 8px;
		margin-top: 0.35rem;
		max-width: 30rem;
		background: var(--rule);
		border-radius: 4px;
		overflow: hidden;
	}
	.bar span {
		display: block;
		height: 100%;
		background: var(--held);
	}
	.bar .short {
		background: var(--signal);
	}
	.then {
		margin-top: 1rem;
		padding-top: 0.75rem;
		border-top: 1px solid var(--rule);
		max-width: 40rem;
	}
	.then strong {
		font-family: var(--display);
		font-weight: 600;
		color: var(--ink);
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
	.keys > * {
		display: grid;
		place-items: center;
		min-height: 96px;
		border: 0;
		font-size: 1.25rem;
		text-decoration: none;
		cursor: pointer;
	}
	.back {
		background: none;
		color: inherit;
	}
	.back:disabled {
		color: var(--soft);
		opacity: 0.5;
	}
	.go {
		background: var(--ink);
		color: var(--ground);
		font-family: var(--display);
		font-weight: 600;
		font-size: 1.5rem;
	}
	.keys > *:focus-visible {
		outline-offset: -6px;
		outline-color: var(--held);
	}
	@media (forced-colors: active) {
		.go {
			border: 3px solid ButtonText;
		}
		.track span {
			border: 1px solid CanvasText;
		}
		.track .done,
		.whole span,
		.bar span {
			background: Highlight;
			forced-color-adjust: none;
		}
		.track .here {
			background: CanvasText;
			forced-color-adjust: none;
		}
		.bar {
			border: 1px solid CanvasText;
		}
	}
	@media (max-width: 860px) {
		.page {
			grid-template-columns: minmax(0, 1fr);
			height: calc(100dvh - 47px);
		}
		.top,
		.ask {
			padding-left: 1.1rem;
			padding-right: 1.1rem;
		}
		.track {
			margin: 0.9rem 1.1rem 0;
		}
		.value {
			font-size: clamp(4.6rem, 27vw, 9rem);
		}
		.value.long {
			font-size: clamp(3rem, 17vw, 6rem);
		}
		.keys > * {
			min-height: 112px;
		}
	}
</style>
