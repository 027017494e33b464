<script lang="ts">
	import CustomerSheet from '$lib/ui/handover/CustomerSheet.svelte';

	let { data } = $props();
</script>

<svelte:head>
	<title>Your heating week</title>
	<meta name="robots" content="noindex" />
</svelte:head>

<main>
	<p class="no-print tools">
		<a class="quiet" href={data.large ? '?' : '?large=1'}>{data.large ? 'Usual print' : 'Large print'}</a>
		<button class="quiet" onclick={() => window.print()}>Print</button>
	</p>
	{#each data.sheets as sheet (sheet.title)}
		<CustomerSheet {sheet} firm={data.firm} large={data.large} />
	{/each}
</main>

<style>
	main {
		display: flex;
		flex-direction: column;
		gap: 1.5rem;
		padding: 1rem 0 3rem;
	}
	.tools {
		display: flex;
		gap: 0.75rem;
		width: 100%;
		max-width: 210mm;
		margin: 0 auto;
		padding: 0 0.75rem;
	}
	a {
		display: inline-flex;
		align-items: center;
		text-decoration: none;
	}
	@media print {
		main {
			display: block;
			padding: 0;
		}
	}
</style>
