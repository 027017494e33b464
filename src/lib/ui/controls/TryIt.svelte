<script lang="ts">
	import { untrack } from 'svelte';
	import { sampleZone } from '$core/checks';
	import type { ControlProfile } from '$core/control';
	import { cardAsNew, zoneCard } from '$core/keying';
	import { isOperable } from '$core/machine';
	import { strokesOf } from '$core/rehearsal';
	import { shownWith } from '$core/words';
	import Button from '../kit/Button.svelte';
	import Panel from '../panel/Panel.svelte';
	import { StandIn } from '../panel/standIn.svelte';
	import Strokes from '../panel/Strokes.svelte';

	/** Simulator of the control as it is described just now, and how the card of the sample week begins on it. */
	let { profile }: { profile: ControlProfile } = $props();

	/** The first values of the card that are shown. */
	const FIRST = 6;

	const operable = $derived(isOperable(profile) ? profile : null);
	// what is changed in the description is a new control on the wall
	const standIn = $derived.by(() => {
		const described = operable;
		return untrack(() => described && new StandIn(described));
	});
	const card = $derived(operable && zoneCard(sampleZone(operable), operable).card);
	const turn = $derived(operable && card && cardAsNew(operable, { items: card.items, ...card.operated }));
	const missing = $derived(turn?.steps.find(({ keys }) => keys === null));
</script>

{#if operable && standIn && turn}
	<section class="try" aria-label="Simulator">
		<div>
			<h2>Simulator: press its keys</h2>
			{#key standIn}<Panel {standIn} />{/key}
		</div>
		<div>
			<h2>The card of the sample week begins</h2>
			<ol>
				{#each turn.steps.slice(0, FIRST) as { item, keys: its } (item.id)}
					<li>
						<span class="soft">{item.section}, {item.what}</span>
						<strong class="mono">{shownWith(item)}</strong>
						{#if its}<Strokes panel={operable.panel} strokes={strokesOf(its)} />{/if}
					</li>
				{/each}
			</ol>
			<p class="soft">
				{turn.steps.length} values, {turn.presses} presses from factory settings.
			</p>
			{#if missing}
				<p class="signal">
					Its keys do not say how “{missing.item.what}” of {missing.item.section} is reached.
				</p>
			{/if}
			<p class="acts"><Button href="/rehearse?control={operable.id}">Practise</Button></p>
		</div>
	</section>
{/if}

<style>
	.try {
		display: grid;
		grid-template-columns: minmax(17rem, 21rem) minmax(0, 1fr);
		gap: 1.75rem;
		margin-top: 1.5rem;
		padding-top: 1rem;
		border-top: 1px solid var(--rule);
	}
	h2 {
		margin-bottom: 0.5rem;
		color: var(--soft);
		font-size: var(--small);
	}
	ol {
		margin: 1em 0;
		list-style: revert;
		padding-left: 1.2rem;
	}
	li {
		padding: 0.2rem 0;
	}
	.acts {
		margin-top: 0.75rem;
	}
	@media (max-width: 700px) {
		.try {
			grid-template-columns: minmax(0, 1fr);
		}
	}
</style>
