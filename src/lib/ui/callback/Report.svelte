<script lang="ts">
	import { QUESTIONS, type Fact } from '$core/callback';
	import { answerWords, TROUBLES } from '$core/words';
	import { call } from '../call';
	import Button from '../kit/Button.svelte';
	import Chips from '../kit/Chips.svelte';
	import Choice from '../kit/Choice.svelte';
	import Field from '../kit/Field.svelte';

	/** Something is wrong: what a customer says by their link, in large choices and their own words. Nothing of the site but their rooms' names is shown. */
	let {
		token,
		rooms,
		firm,
		telephone
	}: { token: string; rooms: readonly string[]; firm: string; telephone: string } = $props();

	let open = $state(false);
	let room = $state('');
	let chosen = $state<readonly number[]>([]);
	let since = $state('');
	let often = $state('');
	let said = $state('');
	let caller = $state('');
	let problem = $state<string | null>(null);
	let sent = $state(false);
	let busy = $state(false);

	const press = (at: number) =>
		(chosen = chosen.includes(at) ? chosen.filter((one) => one !== at) : [...chosen, at]);

	async function send(event: SubmitEvent) {
		event.preventDefault();
		if (caller.trim() === '') {
			problem = 'Say who you are, so that they can call you back.';
			return;
		}
		if (chosen.length === 0 && said.trim() === '') {
			problem = 'Choose what is wrong, or write it in your own words.';
			return;
		}
		busy = true;
		const answers: Fact[] = [
			...(room === '' && rooms.length > 1
				? [{ kind: 'answer', question: 'rooms', answer: 'all' } as const]
				: []),
			...(since === '' ? [] : [{ kind: 'answer', question: 'since', answer: since } as const]),
			...(often === '' ? [] : [{ kind: 'answer', question: 'which-days', answer: often } as const])
		];
		const answer = await call('POST', `/api/v1/reports/${token}`, {
			room: room === '' ? null : Number(room),
			said: said.trim(),
			caller: caller.trim(),
			facts: [...chosen.map((at) => TROUBLES[at]!.fact), ...answers]
		});
		busy = false;
		problem = answer.ok ? null : answer.sentence;
		sent = answer.ok;
	}
	const options = (question: 'since' | 'which-days') => [
		{ value: '', text: 'cannot say' },
		...QUESTIONS[question].map((one) => ({ value: one, text: answerWords(question, one) }))
	];
</script>

<section class="no-print" aria-label="Something is wrong">
	{#if sent}
		<p role="status"><strong>Sent.</strong> {firm || 'Your installer'} will call you back.</p>
	{:else if !open}
		<Button onclick={() => (open = true)}>Something is wrong</Button>
	{:else}
		<h2>What is wrong?</h2>
		<p class="soft">
			Gas? Get out, then ring the gas emergency line. Leak? Turn the water off.{telephone &&
				` The firm’s telephone: ${telephone}.`}
		</p>
		<form onsubmit={send}>
			{#if rooms.length > 1}
				<Choice
					label="Where"
					value={room}
					options={[
						{ value: '', text: 'in all rooms' },
						...rooms.map((text, i) => ({ value: String(i), text }))
					]}
					onchange={(next) => (room = next)}
				/>
			{/if}
			<Chips
				label="What is wrong"
				large
				choices={TROUBLES.map(({ words }, i) => [i, words] as const)}
				{chosen}
				onpress={press}
			/>
			<Choice label="Since" value={since} options={options('since')} onchange={(next) => (since = next)} />
			<Choice
				label="How often"
				value={often}
				options={options('which-days')}
				onchange={(next) => (often = next)}
			/>
			<Field label="In your own words" maxlength={400} bind:value={said} />
			<Field
				label="Your name, and where to call you"
				maxlength={60}
				autocomplete="name"
				bind:value={caller}
			/>
			{#if problem}<p class="signal" role="alert">{problem}</p>{/if}
			<Button kind="next" type="submit" disabled={busy}>Send</Button>
		</form>
	{/if}
</section>

<style>
	section {
		width: 100%;
		max-width: 210mm;
		margin: 0 auto;
		padding: 0 0.75rem;
	}
	form {
		display: grid;
		gap: 0.9rem;
		max-width: 34rem;
		margin-top: 0.8rem;
	}
</style>
