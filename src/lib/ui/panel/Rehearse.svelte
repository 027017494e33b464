<script lang="ts">
	import type { Exercise } from '$core/formats';
	import type { KeyCard } from '$core/keying';
	import type { Operable, Stroke } from '$core/machine';
	import type { Room } from '$core/plan';
	import { beforeWords, scoreAdvice, scoreWords, shownWith } from '$core/words';
	import { ownPace } from '../keyin/pace.svelte';
	import Button from '../kit/Button.svelte';
	import ItsRoom from './ItsRoom.svelte';
	import Panel from './Panel.svelte';
	import { keepRehearsal, pastRehearsals, type PastRehearsal } from './ownRehearsals';
	import { Rehearsal } from './rehearsal.svelte';
	import Strokes from './Strokes.svelte';
	import Troubles from './Troubles.svelte';

	let {
		name,
		profile,
		card,
		place = {},
		leave,
		begins = null,
		onsave
	}: {
		/** What is rehearsed: the zone, or the control. */
		name: string;
		profile: Operable;
		card: KeyCard;
		/** Where it hangs: the site's time zone, and the zone's own room; without them here, in a usual one. */
		place?: { readonly timeZone?: string; readonly room?: Room | null };
		leave: { readonly href: string; readonly name: string };
		/** What is broken from the beginning, and to be found. */
		begins?: Exercise['broken'];
		/** It is to be saved as an exercise for others, with what is broken just now. */
		onsave?: (broken: Exercise['broken']) => void;
	} = $props();
	let broken = $state.raw<Exercise['broken']>(null);

	/** How it went on this control before. */
	let before = $state.raw<readonly PastRehearsal[]>([]);
	// the page is made anew for each card
	// svelte-ignore state_referenced_locally
	const rehearsal = new Rehearsal(profile, { items: card.items, ...card.operated! }, place, {
		onvalue: (presses, seconds) => ownPace.note({ presses, seconds }),
		ondone: (score) => {
			before = pastRehearsals(profile.id);
			keepRehearsal(profile.id, score, Date.now());
		}
	});
	const { standIn } = rehearsal;
	const { panel } = $derived(profile);
	const now = $derived(rehearsal.now);
	const of = $derived(card.items.length);
	const step = $derived(now.at === 'value' && now.index !== null ? now.index + 1 : null);
	const shown = $derived(now.at === 'value' ? shownWith(now.item) : null);
	/** The keys that are next, to stand out on the panel. */
	const asked = $derived(keysIn(rehearsal.strokes[0]));
	const left = $derived(standIn.leavesInSeconds);
	const after = $derived(standIn.display.leavesAfterSeconds);

	function keysIn(stroke: Stroke | undefined): string[] {
		if (!stroke || stroke.do === 'wait') return [];
		if (stroke.do === 'hold') return [...stroke.keys];
		return stroke.do === 'set' ? [`${stroke.key} ${stroke.to}`] : [stroke.key];
	}

	/** A menu that is left without a key being touched was left by itself. */
	let inside = false;
	let touchedAt = 0;
	$effect(() => {
		const { place, atSeconds } = standIn.state;
		if (inside && !place && atSeconds === touchedAt && now.at === 'value') rehearsal.leftByItself();
		inside = place !== null;
		touchedAt = atSeconds;
	});
</script>

<div class="rehearse">
	<header>
		<h1>{name}, rehearsed</h1>
		<p class="soft">{step === null ? `${of} values` : `value ${step} of ${of}`}</p>
		<Button small href={leave.href}>{leave.name}</Button>
	</header>

	<section class="ask" aria-live="polite">
		{#if now.at === 'value'}
			<p class="what"><strong>{now.item.section}</strong>, {now.item.what} · must show</p>
			<div class="set">
				<p class="value" class:long={now.item.shows.length > 5}>{shown}</p>
				{#if rehearsal.strokes.length > 0}
					<p class="gesture"><Strokes {panel} strokes={rehearsal.strokes} /></p>
				{/if}
			</div>
			{#if now.index === null}
				<p class="soft">A press too many has changed something else: this is put right first.</p>
			{/if}
		{:else if now.at === 'leaving'}
			<p class="what">Everything is in. Leave it running:</p>
			<p class="gesture"><Strokes {panel} strokes={now.strokes} /></p>
		{:else}
			<p class="what"><strong>It holds the whole week.</strong></p>
			{#if rehearsal.score.pressed === 0}
				<p>It was keyed by itself: let its clock run, or break something and find it.</p>
			{:else}
				<p>{scoreWords(rehearsal.score)}</p>
				<p>{scoreAdvice(rehearsal.score)}</p>
				{#if before.length > 0}<p class="soft">{beforeWords(before)}</p>{/if}
			{/if}
			<p class="acts">
				<Button kind="next" onclick={() => rehearsal.again()}
					>{rehearsal.score.pressed === 0 ? 'Key it yourself' : 'Once more'}</Button
				>
			</p>
		{/if}
	</section>

	<section class="control">
		<Panel {standIn} {asked} />
		<div class="under">
			<p class="soft">
				{#if left !== null && after !== null}throws you out in {Math.ceil(left)} s{:else if standIn.state.place}stays
					in its menu{:else}at rest{/if}
			</p>
			<p class="soft">
				{rehearsal.score.slips === 0
					? 'no slip so far'
					: `${rehearsal.score.slips} ${rehearsal.score.slips === 1 ? 'slip' : 'slips'} so far`}
			</p>
		</div>
		{#if left !== null && after !== null}
			<div class="bar"><span style:width="{(100 * left) / after}%" class:short={left <= 10}></span></div>
		{/if}
	</section>

	<section class="around">
		<ItsRoom {standIn} />
		<Troubles {standIn} card={rehearsal.card} {begins} bind:broken />
		<p class="acts">
			<Button small onclick={() => rehearsal.again()}>As new</Button>
			{#if onsave}<Button small onclick={() => onsave(broken)}>Save as an exercise</Button>{/if}
		</p>
	</section>
</div>

<style>
	.rehearse {
		display: grid;
		grid-template-columns: minmax(0, 1fr) minmax(20rem, 26rem);
		grid-template-areas: 'head head' 'ask control' 'around control';
		grid-template-rows: auto auto 1fr;
		gap: 1rem 2.5rem;
		max-width: 72rem;
		padding: 0 0 1rem;
	}
	.ask {
		grid-area: ask;
		min-height: 11rem;
	}
	.control {
		grid-area: control;
	}
	.around {
		grid-area: around;
		max-width: 34rem;
	}
	header {
		grid-area: head;
		display: flex;
		flex-wrap: wrap;
		gap: 0.25rem 1.25rem;
		align-items: center;
	}
	h1 {
		flex: 1 1 auto;
		font-size: 1.2rem;
	}
	.set {
		display: flex;
		flex-wrap: wrap;
		gap: 0.5rem 2rem;
		align-items: center;
	}
	.value {
		margin: 0.4rem 0;
		font-family: var(--display);
		font-size: clamp(3.6rem, 10vw, 6.5rem);
		font-weight: 600;
		line-height: 1.05;
	}
	.value.long {
		font-size: clamp(2.2rem, 7vw, 4rem);
	}
	.gesture {
		padding: 0.35rem 0.9rem;
		border: 2px solid var(--ink);
		border-radius: 6px;
		font-size: 1.25rem;
	}
	.what {
		font-size: 1.15rem;
	}
	.acts {
		margin-top: 0.75rem;
	}
	.under {
		display: flex;
		justify-content: space-between;
		gap: 1rem;
		margin-top: 0.6rem;
	}
	.bar {
		height: 8px;
		margin-top: 0.3rem;
		border-radius: 4px;
		background: var(--rule);
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
	@media (max-width: 860px) {
		.rehearse {
			grid-template-columns: minmax(0, 1fr);
			grid-template-areas: 'head' 'ask' 'control' 'around';
			grid-template-rows: none;
			gap: 0.6rem;
			padding: 0;
		}
		.ask {
			min-height: 0;
		}
		.value {
			margin: 0.1rem 0;
			font-size: 3rem;
		}
		.value.long {
			font-size: 2rem;
		}
		.gesture {
			font-size: 1.1rem;
		}
	}
</style>
