<script lang="ts">
	import { untrack } from 'svelte';
	import type { ControlProfile } from '$core/control';
	import { cardOf, isNoted, leftToKey, notesAt, wholePlan, type Notes, type ToHold } from '$core/keying';
	import Check from '../kit/Check.svelte';
	import { notesOf, type ControlNotes } from './controlNotes.svelte';
	import { live } from '../zone/live.svelte';

	let {
		siteId,
		profile,
		hold,
		alike,
		readAtMs
	}: {
		siteId: string;
		profile: ControlProfile;
		/** What each of them is to hold. */
		hold: ToHold;
		/** Other controls of the same kind, and by how many values their card differs. */
		alike: readonly {
			readonly id: string;
			readonly name: string;
			readonly notes: Notes | null;
			readonly differs: number | null;
		}[];
		readAtMs: number;
	} = $props();

	/** What is noted at each of them, opened once: what is read again is laid under it. */
	const opened: Record<string, ControlNotes> = {};
	const openNotes = ({ id, notes }: (typeof alike)[number]) =>
		(opened[id] ??= untrack(() => notesOf(siteId, id, profile, notes, readAtMs)));
	$effect(() => {
		const [all, at] = [alike, readAtMs];
		untrack(() => all.forEach(({ id, notes }) => opened[id]?.refresh(notes, at)));
	});
	/** The same card: what is noted here waits and is sent as if it were keyed there. */
	const same = $derived(
		alike.filter(({ differs }) => differs === 0).map((one) => ({ ...one, own: openNotes(one) }))
	);
	const others = $derived(alike.filter(({ differs }) => differs !== 0));
	const left = (one: (typeof same)[number]) => {
		const noted = notesAt(profile, one.own.notes);
		const { steps } = leftToKey(profile, cardOf(profile, hold, noted), noted);
		return isNoted(noted) ? steps.length : Math.max(1, steps.length);
	};
	const done = $derived(same.filter((one) => left(one) === 0).length);

	function tick(one: (typeof same)[number], on: boolean) {
		const goals = wholePlan(profile, cardOf(profile, hold));
		one.own.note(on ? { what: 'keyed', goals } : { what: 'not-keyed', goals });
		live.show(one.id, { left: left(one) });
	}
</script>

{#if same.length > 0}
	<section aria-label="The same card">
		<h2>
			{same.length === 1 ? 'One more control takes' : `${same.length} more controls take`} this very card
		</h2>
		<p class="soft">Key it there, then tick it: {done} of {same.length} done.</p>
		<ul>
			{#each same as one (one.id)}
				<li>
					<Check checked={left(one) === 0} label="{one.name}, keyed in" onchange={(on) => tick(one, on)} />
					<a href="/sites/{siteId}/zones/{one.id}/key-in">value by value</a>
				</li>
			{/each}
		</ul>
		{#if others.length > 0}
			<p>
				Not the same:
				{#each others as one, i (one.id)}{i > 0 ? ', ' : ''}<a href="/sites/{siteId}/zones/{one.id}/key-in"
						>{one.name}</a
					>{one.differs === null
						? ' (set otherwise)'
						: one.differs === 1
							? ' (1 value)'
							: ` (${one.differs} values)`}{/each}.
			</p>
		{/if}
	</section>
{/if}

<style>
	section {
		margin-top: 1.2rem;
		padding-top: 0.6rem;
		border-top: 2px solid var(--ink);
	}
	h2 {
		font-size: 1.1rem;
	}
	ul {
		margin: 0.4rem 0;
	}
	li {
		display: flex;
		flex-wrap: wrap;
		gap: 0.25rem 1rem;
		align-items: center;
		justify-content: space-between;
		max-width: 30rem;
		min-height: 48px;
		border-bottom: 1px solid var(--rule);
	}
</style>
