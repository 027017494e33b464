<script lang="ts">
	import { onMount } from 'svelte';
	import { Button } from 'carbon-components-svelte';
	import { forgetPages } from '$lib/ui/visit/keptPages.svelte';

	let { data, form } = $props();

	onMount(() => {
		// nothing of a visit stays behind for whoever comes next
		if (!data.role) void forgetPages();
	});
</script>

<svelte:head><title>Sign in · Fond Quarter</title></svelte:head>

<main>
	{#if data.role}
		<h1>You are signed in as {data.role}</h1>
		<form method="POST" action="?/out"><Button type="submit">Sign out</Button></form>
	{:else}
		<h1>Who goes there?</h1>
		<form method="POST" action="?/in&to={encodeURIComponent(data.to)}">
			<label>
				<span>Passphrase</span>
				<input type="password" name="passphrase" autocomplete="current-password" required />
			</label>
			<Button type="submit">Sign in</Button>
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
	label {
		flex: 1 1 16rem;
	}
	span {
		display: block;
		color: var(--soft);
	}
	input {
		width: 100%;
		min-height: 48px;
		font-size: 1.1rem;
	}
</style>
