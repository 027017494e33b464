<script lang="ts">
	import type { Asking, Named, QuestionId } from '$core/callback';
	import type { ControlProfile } from '$core/control';
	import { answerWords, askingWords, matterWords } from '$core/words';
	import Button from '../kit/Button.svelte';

	/** The one question that tells most, read out as it stands, answered by one tap. */
	let {
		asking,
		profile,
		answered,
		onanswer
	}: {
		asking: Asking<Named>;
		profile: ControlProfile;
		/** Whether it was answered just now, and what comes next is not known yet. */
		answered: boolean;
		/** null where nobody can say. */
		onanswer: (question: QuestionId, answer: string | null) => void;
	} = $props();
	const { question, answers } = $derived(asking);
</script>

<section aria-label="Ask now">
	<p class="soft">Ask this next</p>
	<h2>“{askingWords(question)}”</h2>
	<div class="answers">
		{#each answers as { answer } (answer)}
			<Button disabled={answered} onclick={() => onanswer(question, answer)}
				>{answerWords(question, answer)}</Button
			>
		{/each}
		<Button kind="quiet" disabled={answered} onclick={() => onanswer(question, null)}>Cannot say</Button>
	</div>
	<ul class="soft">
		{#each answers.filter(({ share }) => share > 0.12) as { answer, likeliest } (answer)}
			<li>{answerWords(question, answer)}: {matterWords(likeliest, profile)}</li>
		{/each}
	</ul>
</section>

<style>
	section {
		padding: 0.9rem 1.1rem;
		border-left: 4px solid var(--ink);
		background: var(--sheet);
	}
	h2 {
		margin: 0.3rem 0 0.8rem;
		font-size: 1.35rem;
	}
	.answers {
		display: grid;
		grid-template-columns: repeat(auto-fill, minmax(10rem, 1fr));
		gap: 0.5rem;
	}
	ul {
		margin: 0.8rem 0 1em;
		padding-left: 2.5rem;
		list-style: revert;
		font-size: var(--small);
	}
</style>
