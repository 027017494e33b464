<script lang="ts">
	import { causesOf, nextQuestion, rank, type Fact, type QuestionId } from '$core/callback';
	import {
		answerWords,
		askingWords,
		matterWords,
		explainsWords,
		factWords,
		headlineWords,
		mendWords
	} from '$core/words';
	import AsItRuns from '$lib/ui/callback/AsItRuns.svelte';
	import WhatWasSaid from '$lib/ui/callback/WhatWasSaid.svelte';
	import Button from '$lib/ui/kit/Button.svelte';
	import Choice from '$lib/ui/kit/Choice.svelte';

	let { data } = $props();

	let facts = $state.raw<readonly Fact[]>([]);
	/** Questions to which nobody could say anything. */
	let passed = $state.raw<readonly QuestionId[]>([]);
	let outdoorC = $state(5);

	const causes = $derived(causesOf({ ...data.called, outdoorC }));
	const ranked = $derived(rank(causes, facts));
	const asking = $derived(facts.length === 0 ? null : nextQuestion(ranked, facts, passed));
	const first = $derived(ranked[0]!);
	/** Those that are named; the others are counted. */
	const shown = $derived(ranked.filter(({ share }, i) => i < 5 && share >= 0.03));
	const rest = $derived(ranked.slice(shown.length));
	const { profile } = $derived(data.called);

	function answer(given: string | null) {
		if (!asking) return;
		if (given === null) passed = [...passed, asking.question];
		else facts = [...facts, { kind: 'answer', question: asking.question, answer: given }];
	}
</script>

<svelte:head><title>{data.zone.name}, a call · Fond Quarter</title></svelte:head>

<main>
	<h1>{data.zone.name}: what is the matter?</h1>
	<p class="lead" role="status">{headlineWords(facts.length === 0 ? null : first, profile)}</p>
	<div class="parts">
		<div>
			<WhatWasSaid
				{facts}
				words={factWords}
				onchange={(next) => {
					facts = next;
					if (next.length === 0) passed = [];
				}}
			/>
			<Choice
				label="Outside it was about"
				small
				value={String(outdoorC)}
				options={[
					{ value: '-8', text: 'hard frost' },
					{ value: '-2', text: 'frost' },
					{ value: '5', text: 'cold' },
					{ value: '12', text: 'mild' }
				]}
				onchange={(c) => (outdoorC = Number(c))}
			/>
			{#if asking}
				<section class="ask" aria-label="Ask now">
					<p class="soft">Ask now, it tells most</p>
					<h2>“{askingWords(asking.question)}”</h2>
					<div class="answers">
						{#each asking.answers as one (one.answer)}
							<Button onclick={() => answer(one.answer)}>{answerWords(asking.question, one.answer)}</Button>
						{/each}
						<Button kind="quiet" onclick={() => answer(null)}>Cannot say</Button>
					</div>
					<ul class="soft">
						{#each asking.answers.filter(({ share }) => share > 0.12) as one (one.answer)}
							<li>
								{answerWords(asking.question, one.answer)}: {matterWords(one.likeliest, profile)}
							</li>
						{/each}
					</ul>
				</section>
			{:else if facts.length > 0}
				<section class="ask" aria-label="What to do">
					<p class="soft">
						{first.share >= 0.85 ? 'What to do' : 'No more can be told by telephone. Likeliest first'}
					</p>
					<p>{mendWords(first.cause, profile)}</p>
				</section>
			{/if}
		</div>
		{#if facts.length > 0}
			<section aria-label="What would explain it">
				<h2>What would explain it</h2>
				<ol>
					{#each shown as { cause, share, explains } (cause.id)}
						<li>
							<strong class="share">{Math.round(share * 100)} %</strong>
							<div>
								<p><strong>{matterWords(cause, profile)}</strong></p>
								<p class="soft">{explainsWords(facts, explains)}</p>
								<div class="bar"><span style:width="{share * 100}%"></span></div>
							</div>
						</li>
					{/each}
				</ol>
				<p class="soft">
					{rest.length} more, together {Math.round(rest.reduce((sum, { share }) => sum + share, 0) * 100)} %
				</p>
				<AsItRuns planned={causes.at(-1)!} likeliest={first.cause} {facts} />
			</section>
		{/if}
	</div>
</main>

<style>
	.parts {
		display: grid;
		grid-template-columns: minmax(16rem, 26rem) minmax(0, 1fr);
		gap: 1.5rem 2.5rem;
	}
	h2 {
		font-size: 1.05rem;
	}
	.parts > div {
		display: grid;
		gap: 0.8rem;
		align-content: start;
	}
	.ask {
		padding: 0.9rem 1.1rem;
		border-left: 4px solid var(--ink);
		background: var(--sheet);
	}
	.ask h2 {
		margin: 0.3rem 0 0.8rem;
		font-size: 1.35rem;
	}
	.answers {
		display: grid;
		grid-template-columns: repeat(auto-fill, minmax(10rem, 1fr));
		gap: 0.5rem;
	}
	.ask ul {
		margin-top: 0.8rem;
		font-size: var(--small);
	}
	ol {
		padding: 0;
		list-style: none;
	}
	ol li {
		display: grid;
		grid-template-columns: 4.5rem minmax(0, 1fr);
		padding: 0.7rem 0;
		border-bottom: 1px solid var(--rule);
	}
	.share {
		font-family: var(--display);
		font-size: 1.4rem;
	}
	.bar {
		height: 8px;
		margin-top: 0.4rem;
		background: var(--rule);
	}
	.bar span {
		display: block;
		height: 100%;
		background: var(--held);
	}
	@media (max-width: 860px) {
		.parts {
			grid-template-columns: minmax(0, 1fr);
		}
	}
</style>
