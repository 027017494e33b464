<script lang="ts">
	import { onMount } from 'svelte';
	import { shownClock, type Asking, type Fact, type Named, type QuestionId } from '$core/callback';
	import { wallAt } from '$core/civil';
	import type { ControlProfile } from '$core/control';
	import { answerWords, askingWords, matterWords } from '$core/words';
	import { clockTime, DAY_MINUTES, DAY_NAMES, timeMinute } from '$core/week';
	import Button from '../kit/Button.svelte';
	import Choice from '../kit/Choice.svelte';
	import TimeField from '../kit/TimeField.svelte';

	/** The one question that tells most, read out as it stands, answered by one tap, or by the day and the time that are shown. */
	let {
		asking,
		profile,
		timeZone,
		answered,
		onanswer,
		onfacts
	}: {
		asking: Asking<Named>;
		profile: ControlProfile;
		timeZone: string;
		/** Whether it was answered just now, and what comes next is not known yet. */
		answered: boolean;
		/** null where nobody can say. */
		onanswer: (question: QuestionId, answer: string | null) => void;
		onfacts: (facts: readonly Fact[]) => void;
	} = $props();
	const { question, answers } = $derived(asking);

	/** What the day and the time that are shown say better. */
	const SHOWN = ['another-time', 'another-day'];

	/** So long after a question took another's place a press counts for nothing: it was meant for the one before. */
	const SETTLES_MS = 600;
	let since = 0;
	$effect(() => {
		void question;
		since = performance.now();
	});
	function press(answer: string | null) {
		if (performance.now() - since >= SETTLES_MS) onanswer(question, answer);
	}

	let nowMs = $state(0);
	onMount(() => {
		nowMs = Date.now();
		const timer = setInterval(() => (nowMs = Date.now()), 5_000);
		return () => clearInterval(timer);
	});
	const wall = $derived(Math.floor(wallAt(timeZone, nowMs)));
	let shownDay = $state<string>('');
	let shownTime = $state<string | null>(null);
	function takeShown() {
		if (shownTime === null) return;
		const day = shownDay === '' ? null : Number(shownDay);
		onfacts(shownClock(day, timeMinute(shownTime), wall));
	}
</script>

<section aria-label="Ask now">
	<p class="soft">
		Ask this next{#if question === 'clock-shows' && nowMs > 0}&ensp;now {clockTime(wall % DAY_MINUTES)}{/if}
	</p>
	<h2>“{askingWords(question)}”</h2>
	{#if question === 'clock-shows'}
		<div class="shown">
			<Choice
				label="Day"
				value={shownDay}
				options={[
					{ value: '', text: 'no day' },
					...DAY_NAMES.map((name, day) => ({ value: String(day), text: name }))
				]}
				onchange={(day) => (shownDay = day)}
			/>
			<TimeField label="Time" value={shownTime} onchange={(time) => (shownTime = time)} />
			<Button kind="next" disabled={shownTime === null} onclick={takeShown}>Shows this</Button>
		</div>
	{/if}
	<div class="answers">
		{#each answers.filter(({ answer }) => !SHOWN.includes(answer)) as { answer } (answer)}
			<Button disabled={answered} onclick={() => press(answer)}>{answerWords(question, answer)}</Button>
		{/each}
		<Button kind="quiet" disabled={answered} onclick={() => press(null)}>Cannot say</Button>
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
		border: 2px solid var(--ink);
		border-radius: 4px;
		background: var(--sheet);
	}
	h2 {
		margin: 0.3rem 0 0.8rem;
		font-size: 1.35rem;
	}
	.shown {
		display: grid;
		grid-template-columns: minmax(7rem, 1fr) 7rem auto;
		gap: 0.5rem;
		align-items: end;
		margin-bottom: 0.6rem;
	}
	.answers {
		display: grid;
		grid-template-columns: repeat(auto-fill, minmax(10rem, 1fr));
		gap: 0.5rem;
	}
	ul {
		margin: 0.8rem 0 0;
		padding-left: 1.3rem;
		list-style: revert;
		font-size: var(--small);
	}
</style>
