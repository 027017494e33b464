<script lang="ts">
	import { PasswordInput } from 'carbon-components-svelte';
	import { browser } from '$app/environment';
	import { onMount } from 'svelte';
	import Button from '$lib/ui/kit/Button.svelte';
	import { emptyBrowser, forgetHouses, notesWaiting, sendAllWaiting } from '$lib/ui/outbox/signingOut';

	let { data, form } = $props();

	/** What was typed before the page was alive stays: on a slow network a hand is quicker. */
	const typedBefore = browser
		? (document.querySelector<HTMLInputElement>('input[name="passphrase"]')?.value ?? '')
		: '';

	/** Notes made here that the server has not; null while they are being sent. */
	let waiting = $state<number | null>(0);
	let losing = $state(false);

	onMount(() => {
		// nothing of a visit stays behind for whoever comes next
		if (!data.role) void forgetHouses();
		else if (notesWaiting() > 0) {
			waiting = null;
			void sendAllWaiting().then((left) => (waiting = left));
		}
	});
	const notes = $derived(waiting === 1 ? '1 note' : `${waiting} notes`);

	/** What this browser keeps is gone before anybody is signed out. */
	async function leave(event: SubmitEvent & { currentTarget: HTMLFormElement }) {
		event.preventDefault();
		const { currentTarget: form } = event;
		await emptyBrowser({ losing });
		form.submit();
	}
</script>

<svelte:head><title>Sign in · Fond Quarter</title></svelte:head>

<main>
	{#if data.role}
		<h1>You are signed in as {data.role}</h1>
		{#if waiting === null}
			<p role="status">Sending your notes …</p>
		{:else if waiting > 0}
			<p class="signal" role="alert">
				{notes} made here could not be sent. Kept here, {waiting === 1 ? 'it is' : 'they are'} sent when somebody
				signs in on this device again.
			</p>
		{:else}
			<p>Pages and drafts that this device keeps are taken off it.</p>
		{/if}
		<form method="POST" action="?/out" onsubmit={leave}>
			<Button kind="next" type="submit" disabled={waiting === null} onclick={() => (losing = false)}>
				{waiting ? `Sign out, keep ${waiting === 1 ? 'it' : 'them'} here` : 'Sign out'}
			</Button>
			{#if waiting}
				<Button kind="danger" type="submit" onclick={() => (losing = true)}>Sign out and lose {notes}</Button>
			{/if}
		</form>
	{:else}
		<h1>Sign in to Fond Quarter</h1>
		<p>The passphrase of your firm opens its jobs on this device.</p>
		<form method="POST" action="?/in&to={encodeURIComponent(data.to)}">
			<PasswordInput
				labelText="Passphrase"
				name="passphrase"
				autocomplete="current-password"
				showPasswordLabel="Show it"
				hidePasswordLabel="Hide it"
				value={typedBefore}
				required
			/>
			<Button kind="next" type="submit">Sign in</Button>
		</form>
		{#if form?.sentence ?? data.later}<p class="signal" role="alert">{form?.sentence ?? data.later}</p>{/if}
	{/if}
</main>

<style>
	main {
		max-width: 30rem;
		margin: 0 auto;
		padding: 3rem 1rem;
	}
	form {
		display: flex;
		flex-wrap: wrap;
		gap: 0.75rem;
		align-items: end;
		margin: 1rem 0;
	}
	form :global(.bx--form-item) {
		flex: 1 1 16rem;
	}
</style>
