<script lang="ts">
	import { factoryOptions } from '$core/control';
	import {
		beforeWords,
		holidayTaskWords,
		scoreAdvice,
		scoreWords,
		shownWith,
		SLIP_TASK,
		slipFoundWords,
		TASK_DONE
	} from '$core/words';
	import Button from '../kit/Button.svelte';
	import type { PastRehearsal } from './ownRehearsals';
	import type { Rehearsal } from './rehearsal.svelte';
	import Strokes from './Strokes.svelte';

	/** What somebody at a stand-in is asked for next, and in the end how it went. */
	let { rehearsal, before }: { rehearsal: Rehearsal; before: readonly PastRehearsal[] } = $props();

	const { standIn } = $derived(rehearsal);
	const { profile } = $derived(standIn);
	const { panel } = $derived(profile);
	const task = $derived(rehearsal.task);
	const now = $derived(rehearsal.now);
	/** Where somebody has to look for it by themselves, nothing is told. */
	const isHidden = $derived(task.kind === 'slip' && now.at !== 'done');
	const shown = $derived(now.at === 'value' ? shownWith(now.item) : null);
</script>

{#if task.kind === 'holiday' && now.at !== 'done'}
	<p class="what">
		{holidayTaskWords(profile, { ...factoryOptions(profile), ...task.memory.options }, task)}
	</p>
{/if}
{#if isHidden}
	<p class="what">{SLIP_TASK}</p>
{:else if now.at === 'value'}
	<p class="what"><strong>{now.item.section}</strong>, {now.item.what} · must show</p>
	<div class="set">
		<p class="value" class:long={now.item.shows.length > 5}>{shown}</p>
		{#if rehearsal.strokes.length > 0}
			<p class="gesture"><Strokes {panel} strokes={rehearsal.strokes} /></p>
		{/if}
	</div>
	{#if now.index === null}
		<p class="soft">Extra press. Fix this first.</p>
	{/if}
{:else if now.at === 'leaving'}
	<p class="what">Everything is in. Leave it running:</p>
	<p class="gesture"><Strokes {panel} strokes={now.strokes} /></p>
{:else}
	<p class="what"><strong>{TASK_DONE[task.kind]}</strong></p>
	{#if task.kind === 'slip'}
		<p>{slipFoundWords(rehearsal.score)}</p>
	{:else if rehearsal.score.pressed === 0}
		<p>Keyed in for you: let its clock run, or break something and find it.</p>
	{:else}
		<p>{scoreWords(rehearsal.score)}</p>
		<p>{scoreAdvice(rehearsal.score)}</p>
		{#if before.length > 0}<p class="soft">{beforeWords(before)}</p>{/if}
	{/if}
	<p class="acts">
		<Button kind="next" onclick={() => rehearsal.again()}
			>{task.kind !== 'week'
				? 'Another'
				: rehearsal.score.pressed === 0
					? 'Key it yourself'
					: 'Once more'}</Button
		>
	</p>
{/if}

<style>
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
	@media (max-width: 860px) {
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
