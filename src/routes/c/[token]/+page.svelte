<script lang="ts">
	import CustomerSheet from '$lib/ui/handover/CustomerSheet.svelte';
	import Report from '$lib/ui/callback/Report.svelte';
	import Button from '$lib/ui/kit/Button.svelte';

	let { data } = $props();

	const way = (from: number, large: boolean) =>
		`?${[from > 0 && `from=${from}`, large && 'large=1'].filter(Boolean).join('&')}`;
	/** The rooms of a part, by the first and the last of them. */
	const part = (from: number) => {
		const rooms = data.rooms.slice(from, data.begins[data.begins.indexOf(from) + 1]);
		return rooms.length === 1 ? rooms[0]! : `${rooms[0]!} to ${rooms.at(-1)!}`;
	};
</script>

<svelte:head>
	<title>Your heating week</title>
	<meta name="robots" content="noindex" />
</svelte:head>

<main>
	<p class="no-print tools">
		<Button href={way(data.from, !data.large)}>{data.large ? 'Normal print' : 'Large print'}</Button>
		<Button onclick={() => window.print()}>Print</Button>
	</p>
	<Report token={data.token} rooms={data.rooms} firm={data.firm.name} telephone={data.firm.telephone} />
	{#each data.sheets as sheet (sheet.title)}
		<CustomerSheet {sheet} firm={data.firm} large={data.large} />
	{/each}
	{#if data.begins.length > 1}
		<nav class="no-print tools" aria-label="Other rooms">
			{#each data.begins.filter((from) => from !== data.from) as from (from)}
				<Button href={way(from, data.large)}>{part(from)}</Button>
			{/each}
		</nav>
	{/if}
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
		flex-wrap: wrap;
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
