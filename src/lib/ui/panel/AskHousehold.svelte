<script lang="ts">
	import { weigh, type Fact, type QuestionId } from '$core/callback';
	import { calledOf, CAUSES_OF, householdAnswers, livedThrough, type Planted } from '$core/rehearsal';
	import { answerWords, askingWords, factWords, headlineWords, mendWords, questionsWords } from '$core/words';
	import Causes from '../callback/Causes.svelte';
	import Button from '../kit/Button.svelte';

	/** What is wrong with a stand-in is found out by telephone: its household says what it lives through, and answers what it is asked. */
	let { planted }: { planted: Planted } = $props();

	const { profile } = $derived(planted.world);
	const called = $derived(calledOf(planted));
	const lived = $derived(livedThrough(planted));
	let answered = $state.raw<readonly Fact[]>([]);
	/** What was asked last, and what they said. */
	let last = $state.raw<{ question: QuestionId; answer: string | null } | null>(null);
	let passed = $state.raw<readonly QuestionId[]>([]);
	const facts = $derived([...lived, ...answered]);
	const { ranked, asking: next } = $derived(weigh(called, { facts, passed, counts: {} }));
	const first = $derived(ranked[0]!);
	const isIt = $derived(CAUSES_OF[planted.fault].includes(first.cause.kind));

	function ask(question: QuestionId) {
		const answer = householdAnswers(planted, question);
		last = { question, answer };
		if (answer === null) passed = [...passed, question];
		else answered = [...answered, { kind: 'answer', question, answer }];
	}
</script>

<section aria-label="Asking the household">
	<p>
		{lived.length > 0 ? `They say: ${lived.map(factWords).join(' · ')}.` : 'They cannot say when it is so.'}
	</p>
	<p class="headline" role="status">{headlineWords(first, profile)}</p>
	{#if last}
		<p class="soft">
			“{askingWords(last.question)}” – {last.answer === null
				? 'They cannot say.'
				: `“${answerWords(last.question, last.answer)}”`}
		</p>
	{/if}
	{#if next}
		<p class="soft">Ask this next</p>
		<p class="question">“{askingWords(next.question)}”</p>
		<Button kind="next" onclick={() => ask(next.question)}>Ask them</Button>
	{:else}
		<p><strong>{questionsWords(answered.length, isIt)}</strong></p>
		<p>{mendWords(first.cause, profile)}</p>
	{/if}
	<Causes {ranked} {facts} {profile} />
</section>

<style>
	section {
		display: grid;
		gap: 0.5rem;
		justify-items: start;
		margin-top: 0.8rem;
		padding-top: 0.8rem;
		border-top: 1px solid var(--rule);
	}
	.headline {
		font-size: 1.2rem;
		font-weight: 700;
	}
	.question {
		font-size: 1.2rem;
	}
	section > :global(ol) {
		width: 100%;
	}
</style>
