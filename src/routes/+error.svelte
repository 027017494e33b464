<script lang="ts">
	import { page } from '$app/state';
</script>

<svelte:head><title>{page.status} · Fond Quarter</title></svelte:head>

<main>
	<h1>{page.error?.message ?? 'Something went wrong.'}</h1>
	<p><a href="/">Back to the jobs</a></p>
</main>

<style>
	p {
		margin-top: 0.75rem;
	}
</style>
