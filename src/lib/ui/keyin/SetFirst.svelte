<!-- What comes before the week of a control: its values in a list, the keys of the one that is next under it. -->
<script lang="ts">
	import Checkmark from 'carbon-icons-svelte/lib/Checkmark.svelte';
	import { untrack } from 'svelte';
	import type { ControlProfile } from '$core/control';
	import { notesAt, settingsCard, type Notes } from '$core/keying';
	import { isOperable } from '$core/machine';
	import type { Zone } from '$core/plan';
	import { FOUND_WORDS, fromRestWords, gestureWords, shownWith } from '$core/words';
	import Button from '../kit/Button.svelte';
	import { notesOf } from './controlNotes.svelte';
	import { Keying } from './keying.svelte';
	import Keys from './Keys.svelte';
	import MenuTimer from './MenuTimer.svelte';
	import SeenInstead from './SeenInstead.svelte';

	let {
		siteId,
		lead,
		profile,
		zones,
		grouping,
		notes: read,
		readAtMs
	}: {
		siteId: string;
		/** The first of the zones that hang on the control: what is keyed at it is noted there. */
		lead: string;
		profile: ControlProfile;
		zones: readonly Zone[];
		grouping: string;
		/** What was noted at it when the page was read by the server, and when that was. */
		notes: Notes | null;
		readAtMs: number;
	} = $props();

	// the step is made anew for each control
	// svelte-ignore state_referenced_locally
	const notes = notesOf(siteId, lead, profile, read, readAtMs);
	const hold = $derived({ zones, grouping });
	const keying = new Keying(
		// svelte-ignore state_referenced_locally
		lead,
		// svelte-ignore state_referenced_locally
		profile,
		// svelte-ignore state_referenced_locally
		hold,
		notes,
		(own, { zones, grouping }, noted) => settingsCard(own, zones, grouping, noted),
		// svelte-ignore state_referenced_locally
		readAtMs
	);
	$effect(() => {
		const now = hold;
		const at = readAtMs;
		untrack(() => keying.plan(now, at));
	});
	$effect(() => {
		const [stored, at] = [read, readAtMs];
		untrack(() => notes.refresh(stored, at));
	});
	$effect(() => {
		void notes.notes;
		untrack(() => keying.noted());
	});
	const { card, step, open, session, closesAfter } = $derived(keying);
	const { found } = $derived(notesAt(profile, notes.notes));
	const panel = $derived(isOperable(profile) ? profile.panel : null);
	const from = $derived(
		panel && step?.keys && step.before.place === null ? fromRestWords(panel, session.out) : null
	);
	const wipes = $derived(
		card.items.some(
			({ goal }) => goal.of === 'option' && profile.operation.options[goal.id]?.wipes !== 'nothing'
		)
	);
	const say = (said: Notes['found']) => keying.say(said);
</script>

{#if card.items.length === 0}
	<p>This control has no settings that come before its week.</p>
{:else}
	{#if found === null}
		<div class="found" role="group" aria-label="How was it set when it was found?">
			<p><strong>How was it set when it was found?</strong></p>
			<Button onclick={() => say('as-new')}>{FOUND_WORDS['as-new']}</Button>
			<Button onclick={() => say('in-use')}>{FOUND_WORDS['in-use']}</Button>
		</div>
	{/if}
	<ul aria-label="Set before the week">
		{#each card.items as item (item.id)}
			{@const isIn = found !== null && !open.includes(item.id)}
			{@const isNext = found !== null && item.id === step?.item.id}
			<li class:next={isNext}>
				<span class="tick">
					{#if isIn}<Checkmark size={20} /><span class="out-of-sight">set</span>{/if}
				</span>
				<span class="what">{item.what}</span>
				<span class="shows">{shownWith(item)}</span>
				{#if isNext && step}
					<div class="how">
						{#if from}<p class="soft">{from}</p>{/if}
						{#if step.keys && panel}<Keys {panel} keys={step.keys} small />{:else}<p>
								{item.before ?? ''}
								{gestureWords(item, card.confirm)}
							</p>{/if}
						{#if closesAfter !== null}
							<MenuTimer
								seconds={closesAfter}
								restarted={keying.pressedAt}
								onclosed={() => keying.saw('rest')}
							/>
						{/if}
						<div class="does">
							<Button kind="next" onclick={() => keying.confirm()}>Shows {shownWith(item)}</Button>
							{#if step.keys}<SeenInstead {keying} onsaw={(what) => keying.saw(what)} />{/if}
						</div>
					</div>
				{/if}
			</li>
		{/each}
	</ul>
	{#if wipes}<p class="soft">In this order, before the week: a later change of some of them wipes it.</p>{/if}
{/if}

<style>
	.found,
	.does {
		display: flex;
		flex-wrap: wrap;
		gap: 0.5rem;
		align-items: center;
		margin: 0.5rem 0;
	}
	.found p {
		flex-basis: 100%;
	}
	.does :global(.seen) {
		margin: 0;
	}
	ul {
		margin: 0.5rem 0;
	}
	li {
		display: grid;
		grid-template-columns: 1.75rem minmax(0, 1fr) auto;
		gap: 0 0.5rem;
		align-items: center;
		min-height: 44px;
		padding: 0.2rem 0.3rem;
		border-bottom: 1px solid var(--rule);
	}
	.next {
		outline: 2px solid var(--ink);
		outline-offset: -2px;
		background: var(--sheet);
	}
	.what::first-letter {
		text-transform: uppercase;
	}
	.shows {
		font-family: var(--display);
		font-size: 1.25rem;
		font-weight: 600;
	}
	.how {
		grid-column: 1 / -1;
		padding: 0 0.3rem 0.4rem 1.75rem;
	}
</style>
