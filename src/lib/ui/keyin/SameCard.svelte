<script lang="ts">
	import { untrack } from 'svelte';
	import { isKeyed, type CardItem } from '$core/keying';
	import Check from '../kit/Check.svelte';
	import { live } from '../zone/live.svelte';
	import { keyedNotesOf, type KeyedNotes } from './keyedNotes.svelte';

	let {
		siteId,
		alike,
		items,
		readAtMs
	}: {
		siteId: string;
		/** Other controls of the same kind, and by how many values their card differs. */
		alike: readonly {
			readonly id: string;
			readonly name: string;
			readonly keyed: Readonly<Record<string, string>>;
			readonly differs: number | null;
		}[];
		/** The values of this card. */
		items: readonly CardItem[];
		readAtMs: number;
	} = $props();

	/** What is noted at each of them, opened once: what is read again is laid under it. */
	const opened: Record<string, KeyedNotes> = {};
	const notesOf = ({ id, keyed }: (typeof alike)[number]) =>
		(opened[id] ??= untrack(() => keyedNotesOf(`/api/v1/jobs/${siteId}/zones/${id}/keyed`, keyed, readAtMs)));
	$effect(() => {
		const [all, at] = [alike, readAtMs];
		untrack(() => all.forEach(({ id, keyed }) => opened[id]?.refresh(keyed, at)));
	});
	/** The same card: what is noted here waits and is sent as if it were keyed there. */
	const same = $derived(
		alike.filter(({ differs }) => differs === 0).map((one) => ({ ...one, notes: notesOf(one) }))
	);
	const others = $derived(alike.filter(({ differs }) => differs !== 0));
	const isIn = (one: (typeof same)[number]) => items.every((item) => isKeyed(item, one.notes.keyed));
	const done = $derived(same.filter(isIn).length);

	function tick(one: (typeof same)[number], on: boolean) {
		for (const item of items)
			if (on !== isKeyed(item, one.notes.keyed)) one.notes.note(item.id, on ? item.shows : null);
		live.show(one.id, { done: on ? items.length : 0, of: items.length });
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
					<Check checked={isIn(one)} label="{one.name}, keyed" onchange={(on) => tick(one, on)} />
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
		padding: 0;
		list-style: none;
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
