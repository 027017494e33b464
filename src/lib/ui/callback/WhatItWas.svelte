<script lang="ts">
	import type { CauseKind } from '$core/callback';
	import { outcomeWords } from '$core/words';
	import { call } from '../call';
	import Button from '../kit/Button.svelte';

	/** What closed calls of all sites turned out to be: it counts for what is thought likely, until it is begun anew. */
	let {
		outcomes,
		onanew,
		onproblem
	}: {
		outcomes: {
			readonly since: string | null;
			readonly counts: Readonly<Partial<Record<CauseKind, number>>>;
		};
		onanew: () => void;
		onproblem: (sentence: string) => void;
	} = $props();

	const rows = $derived(
		(Object.entries(outcomes.counts) as [CauseKind, number][]).sort(([, a], [, b]) => b - a)
	);
	const most = $derived(rows[0]?.[1] ?? 1);

	async function anew() {
		const answer = await call('POST', '/api/v1/calls/count-anew');
		if (answer.ok) onanew();
		else onproblem(answer.sentence);
	}
</script>

<h2>What calls turned out to be</h2>
{#if rows.length === 0}
	<p class="soft">
		No call is closed yet{outcomes.since ? ` since ${outcomes.since.slice(0, 10)}` : ''}. Until then what is
		likely goes by common practice.
	</p>
{:else}
	<ul>
		{#each rows as [kind, count] (kind)}
			<li>
				<span>{outcomeWords(kind)}</span>
				<span class="bar"><span style:width="{(count / most) * 100}%"></span></span>
				<strong class="mono">{count}</strong>
			</li>
		{/each}
	</ul>
	<p class="soft">
		They count for what is thought likely on the next call; twenty weigh as much as common practice.
	</p>
	<Button onclick={() => void anew()}>Count again from today</Button>
{/if}

<style>
	ul {
		margin: 0.5rem 0;
	}
	li {
		display: grid;
		grid-template-columns: minmax(10rem, 1fr) minmax(4rem, 1fr) 3rem;
		gap: 0.8rem;
		align-items: center;
		padding: 0.3rem 0;
	}
	.bar > span {
		display: block;
		height: 10px;
		background: var(--held);
	}
	strong {
		text-align: right;
	}
</style>
