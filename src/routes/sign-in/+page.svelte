<script lang="ts">
	import { PasswordInput } from 'carbon-components-svelte';
	import { browser } from '$app/environment';
	import { onMount } from 'svelte';
	import Button from '$lib/ui/kit/Button.svelte';
	import { forgetPages } from '$lib/ui/visit/keptPages.svelte';

	let { data, form } = $props();

	/** What was typed before the page was alive stays: on a slow network a hand is quicker. */
	const typedBefore = browser
		? (document.querySelector<HTMLInputElement>('input[name="passphrase"]')?.value ?? '')
		: '';

	onMount(() => {
		// nothing of a visit stays behind for whoever comes next
		if (!data.role) void forgetPages();
	});
</script>

<svelte:head><title>Sign in · Fond Quarter</title></svelte:head>

<main>
	{#if data.role}
		<h1>You are signed in as {data.role}</h1>
		<form method="POST" action="?/out"><Button kind="next" type="submit">Sign out</Button></form>
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
