<script lang="ts">
	import CustomerSheet from '$lib/ui/handover/CustomerSheet.svelte';
	import Report from '$lib/ui/callback/Report.svelte';
	import Button from '$lib/ui/kit/Button.svelte';

	let { data } = $props();
</script>

<svelte:head>
	<title>Your heating week</title>
	<meta name="robots" content="noindex" />
</svelte:head>

<main>
	<p class="no-print tools">
		<Button href={data.large ? '?' : '?large=1'}>{data.large ? 'Normal print' : 'Large print'}</Button>
		<Button onclick={() => window.print()}>Print</Button>
	</p>
	<Report token={data.token} rooms={data.rooms} telephone={data.firm.telephone} />
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
	@media print {
		main {
			display: block;
			padding: 0;
		}
	}
</style>
