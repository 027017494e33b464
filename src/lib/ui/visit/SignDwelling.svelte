<script lang="ts">
	import { kept } from '../browserStore';
	import { WHO } from '../call';
	import Button from '../kit/Button.svelte';
	import Field from '../kit/Field.svelte';
	import Problem from '../kit/Problem.svelte';
	import { newUuid } from '../newUuid';
	import { signEnd } from '../outbox/outbox.svelte';
	import { refresh } from '../refresh';

	let {
		siteId,
		dwelling,
		open
	}: {
		siteId: string;
		dwelling: string;
		/** How many checks still stop its sign-off. */
		open: number;
	} = $props();

	let who = $state(kept(WHO) ?? '');
	let note = $state('');
	let busy = $state(false);
	let done = $state(false);
	let problem = $state<string | null>(null);
	let id = newUuid();

	async function sign(event: SubmitEvent) {
		event.preventDefault();
		busy = true;
		problem = await signEnd(siteId, { who, note, signedOff: true, dwelling, id });
		busy = false;
		done = problem === null;
		if (!done) return;
		id = newUuid();
		await refresh('fq:site');
	}
</script>

<form onsubmit={sign} aria-label="Sign off {dwelling}">
	<Field label="Who" maxlength={80} autocomplete="name" bind:value={who} />
	<Field label="Note" maxlength={400} bind:value={note} />
	<div class="keys">
		<Button kind="next" type="submit" disabled={busy || open > 0}>Sign off {dwelling}</Button>
		<Button href="/sites/{siteId}/hand-over?dwelling={encodeURIComponent(dwelling)}"
			>Its sheet and link</Button
		>
	</div>
	<Problem sentence={problem} onclose={() => (problem = null)} />
	{#if done}<p role="status">{dwelling} is signed off. The visit goes on elsewhere.</p>{/if}
</form>

<style>
	form {
		display: grid;
		grid-template-columns: 1fr 2fr;
		gap: 0.75rem;
		margin: 1rem 0;
	}
	.keys {
		display: flex;
		flex-wrap: wrap;
		grid-column: 1 / -1;
		gap: 0.75rem;
	}
	form > :global(p),
	form > :global([role='alert']) {
		grid-column: 1 / -1;
	}
	@media (max-width: 560px) {
		form {
			grid-template-columns: 1fr;
		}
	}
</style>
