<script lang="ts">
	import type { Fact, Named, Ranked } from '$core/callback';
	import type { ControlProfile } from '$core/control';
	import { explainsWords, likelyWords, matterWords, whyRankedWords } from '$core/words';
	import Why from '../kit/Why.svelte';

	/** What would explain what was said, likeliest first; those that are hardly likely are counted. */
	let {
		ranked,
		facts,
		profile
	}: { ranked: readonly Ranked<Named>[]; facts: readonly Fact[]; profile: ControlProfile } = $props();

	const shown = $derived(ranked.filter(({ share }, i) => i < 5 && share >= 0.03));
	const rest = $derived(ranked.slice(shown.length));
	const sum = $derived(ranked.reduce((all, { cause }) => all + cause.prior, 0));
</script>

<h2>What would explain it</h2>
<ol>
	{#each shown as one (one.cause.id)}
		<li>
			<span class="share" class:soft={one.share < 0.5}>{likelyWords(one.share)}</span>
			<div>
				<p>
					<strong>{matterWords(one.cause, profile)}</strong>
					<Why of="Why {likelyWords(one.share)}">{whyRankedWords(one, facts, one.cause.prior / sum)}</Why>
				</p>
				<p class="soft">{explainsWords(facts, one.explains)}</p>
			</div>
		</li>
	{/each}
</ol>
<p class="soft">
	{rest.length} more, each unlikely
</p>

<style>
	ol {
		margin: 1em 0;
	}
	h2 {
		font-size: 1.05rem;
	}
	li {
		display: grid;
		grid-template-columns: 6.2rem minmax(0, 1fr);
		padding: 0.6rem 0;
		border-bottom: 1px solid var(--rule);
	}
	.share {
		padding-right: 0.6rem;
	}
</style>
