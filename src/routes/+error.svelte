<script lang="ts">
	import { page } from '$app/state';
	import Button from '$lib/ui/kit/Button.svelte';

	const siteId = $derived(/^\/sites\/([^/]+)\/./.exec(page.url.pathname)?.[1]);
</script>

<svelte:head><title>{page.status} · Fond Quarter</title></svelte:head>

<main>
	<h1>{page.error?.message ?? 'Something went wrong.'}</h1>
	<p class="lead">
		{page.status === 404
			? 'It may have been removed, or the address was copied incompletely. Nothing is lost by this.'
			: 'What was saved is safe. Try again in a moment.'}
	</p>
	<p class="ways">
		{#if siteId && page.status === 404}<Button href="/sites/{siteId}">To the site</Button>{/if}
		<Button kind="next" href="/">Back to the jobs</Button>
	</p>
</main>

<style>
	.ways {
		display: flex;
		flex-wrap: wrap;
		gap: 0.75rem;
		margin-top: 1rem;
	}
</style>
