<script lang="ts">
	import { keysOf } from '$core/control';
	import type { Exercise } from '$core/formats';
	import type { KeyCard } from '$core/keying';
	import type { Operable, Stroke } from '$core/machine';
	import type { Room } from '$core/plan';
	import { plannedWeek, type TaskKind } from '$core/rehearsal';
	import { TASK_NAMES } from '$core/words';
	import { ownPace } from '../keyin/pace.svelte';
	import Button from '../kit/Button.svelte';
	import Choice from '../kit/Choice.svelte';
	import ItsRoom from './ItsRoom.svelte';
	import Panel from './Panel.svelte';
	import { keepRehearsal, pastRehearsals, type PastRehearsal } from './ownRehearsals';
	import { Rehearsal } from './rehearsal.svelte';
	import TaskAsked from './TaskAsked.svelte';
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
			if (rehearsal.task.kind !== 'week') return;
			before = pastRehearsals(profile.id);
			keepRehearsal(profile.id, score, Date.now());
		}
	});
	const { standIn } = rehearsal;
	const now = $derived(rehearsal.now);
	/** Drawn by chance, so asked once. */
	const tasks = rehearsal.tasks;
	const task = $derived(rehearsal.task);
	/** Where somebody has to look for it by themselves, nothing is told. */
	const isHidden = $derived(task.kind === 'slip' && now.at !== 'done');
	/** The keys that are next, to stand out on the panel. */
	const asked = $derived(isHidden ? [] : keysIn(rehearsal.strokes[0]));
	const left = $derived(standIn.leavesInSeconds);
	const after = $derived(standIn.display.leavesAfterSeconds);

	function keysIn(stroke: Stroke | undefined): string[] {
		if (!stroke || stroke.do === 'wait') return [];
		if (stroke.do === 'until') return keysIn(stroke.gesture);
		if (stroke.do === 'set') return [`${stroke.key} ${stroke.to}`];
		return stroke.do === 'run' ? [stroke.key] : [...keysOf(stroke)];
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
		<h1>{name}, practised</h1>
		{#if tasks.length > 1}
			<Choice
				label="What to do"
				small
				value={task.kind}
				options={tasks.map((kind) => ({ value: kind, text: TASK_NAMES[kind] }))}
				onchange={(kind) => rehearsal.take(kind as TaskKind)}
			/>
		{/if}
		{#if task.kind !== 'slip'}<p class="soft">
				{now.at === 'value' ? `${now.left} left` : 'all in'}
			</p>{/if}
		<Button small href={leave.href}>{leave.name}</Button>
	</header>

	<section class="ask" aria-live="polite">
		<TaskAsked {rehearsal} {before} />
	</section>
	{#if isHidden}
		<section class="week" aria-label="The week as it is on the card">
			{#each plannedWeek(profile, rehearsal.card) as group (group.section)}
				<div>
					<h2>{group.section}</h2>
					<dl>
						{#each group.values as value, i (i)}
							<div>
								<dt>{value.what}</dt>
								<dd>{value.shows}</dd>
							</div>
						{/each}
					</dl>
				</div>
			{/each}
		</section>
	{/if}

	<section class="control">
		<Panel {standIn} {asked} />
		<div class="under">
			<p class="soft">
				{#if left !== null && after !== null}menu closes in {Math.ceil(left)} s{:else if standIn.state.place}stays
					in its menu{:else}at rest{/if}
			</p>
			{#if task.kind !== 'slip'}<p class="soft">
					{rehearsal.score.slips === 0
						? 'no slip so far'
						: `${rehearsal.score.slips} ${rehearsal.score.slips === 1 ? 'slip' : 'slips'} so far`}
				</p>{/if}
		</div>
		{#if left !== null && after !== null}
			<div class="bar"><span style:width="{(100 * left) / after}%" class:short={left <= 10}></span></div>
		{/if}
	</section>

	<section class="around">
		<ItsRoom {standIn} />
		{#if task.kind === 'week'}<Troubles {standIn} card={rehearsal.card} {begins} bind:broken />{/if}
		<p class="acts">
			<Button small onclick={() => rehearsal.again()}>{task.kind === 'week' ? 'As new' : 'Another'}</Button>
			{#if onsave}<Button small onclick={() => onsave(broken)}>Save as an exercise</Button>{/if}
		</p>
	</section>
</div>

<style>
	.rehearse {
		display: grid;
		grid-template-columns: minmax(0, 1fr) minmax(20rem, 26rem);
		grid-template-areas: 'head head' 'ask control' 'week control' 'around control';
		grid-template-rows: auto auto auto 1fr;
		gap: 1rem 2.5rem;
		max-width: 72rem;
		padding: 0 0 1rem;
	}
	.ask {
		grid-area: ask;
		min-height: 11rem;
	}
	.ask:has(+ .week) {
		min-height: 0;
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
	.week {
		grid-area: week;
		display: flex;
		flex-wrap: wrap;
		gap: 0.75rem 2.5rem;
	}
	header :global(.bx--select) {
		width: 12rem;
	}
	h2 {
		font-size: 1rem;
	}
	dl > div {
		display: flex;
		justify-content: space-between;
		gap: 1.25rem;
	}
	dt {
		color: var(--soft);
	}
	dd {
		font-family: var(--mono);
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
			grid-template-areas: 'head' 'ask' 'control' 'week' 'around';
			grid-template-rows: none;
			gap: 0.6rem;
			padding: 0;
		}
		.ask {
			min-height: 0;
		}
	}
</style>
