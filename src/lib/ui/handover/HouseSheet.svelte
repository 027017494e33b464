<script lang="ts">
	import type { CustomerPage } from '$core/words';
	import PrintedWeek from './PrintedWeek.svelte';

	let {
		site,
		zones,
		firm,
		large = false
	}: {
		site: { readonly name: string; readonly place: string };
		zones: readonly { readonly id: string; readonly name: string; readonly sheet: CustomerPage }[];
		/** Whoever set it up; empty lines to write on where it is not known. */
		firm: { readonly name: string; readonly telephone: string; readonly logo: string | null };
		large?: boolean;
	} = $props();

	const today = new Date().toLocaleDateString('en-GB', { day: 'numeric', month: 'long', year: 'numeric' });
	const blank = '______________________';
	/** What is good to know of any of them, said once. */
	const good = $derived([
		...new Set(
			zones.flatMap(({ sheet }) =>
				sheet.left
					.filter((part) => part.title === 'Good to know')
					.flatMap((part) => part.lines.map((line) => line.text))
			)
		)
	]);
	const setUpBy = $derived(zones[0]?.sheet.setUpBy ?? null);
</script>

<article class:large>
	<header>
		<div>
			<h1>Your heating week: {site.name}</h1>
			<p>{site.place}</p>
		</div>
		{#if firm.logo}<img src={firm.logo} alt="" />{/if}
		<p>{today}</p>
	</header>
	{#each zones as { id, name, sheet } (id)}
		<section>
			<div>
				<h2>{name}</h2>
				<p class="control">{sheet.control}</p>
				{#each sheet.week as day (day.days)}
					<p><strong>{day.days}:</strong> {day.sentence}</p>
				{/each}
				{#each sheet.cooling as day (day.days)}
					<p><strong>{day.days}, in warm weather:</strong> {day.sentence}</p>
				{/each}
			</div>
			<PrintedWeek drawing={sheet.narrowDrawing} />
		</section>
	{/each}
	<section class="good">
		<h2>Good to know</h2>
		<ul>
			{#each good as line (line)}<li>{line}</li>{/each}
		</ul>
	</section>
	<footer>
		<p>
			Set up by: {[setUpBy, firm.name].filter(Boolean).join(', ') || blank}. Telephone: {firm.telephone ||
				blank}
		</p>
	</footer>
</article>

<style>
	article {
		display: flex;
		flex-direction: column;
		gap: 3mm;
		max-width: 210mm;
		min-height: 285mm;
		margin: 0 auto;
		padding: 12mm 15mm 8mm;
		background: #fff;
		color: #000;
		box-shadow: 0 1px 6px rgb(0 0 0 / 20%);
		font-size: 10.5pt;
		line-height: 1.3;
		color-scheme: light;
	}
	header {
		display: flex;
		justify-content: space-between;
		gap: 1rem;
		padding-bottom: 3mm;
		border-bottom: 1.5pt solid #000;
	}
	header > p {
		white-space: nowrap;
	}
	h1 {
		font-size: 17pt;
		overflow-wrap: anywhere;
	}
	h2 {
		margin: 0;
		font-size: 12pt;
	}
	section {
		display: grid;
		grid-template-columns: 1fr 72mm;
		gap: 6mm;
		align-items: start;
		padding-bottom: 3mm;
		border-bottom: 0.5pt solid #000;
		break-inside: avoid;
	}
	section p {
		margin-bottom: 0.7mm;
	}
	.control {
		color: #444;
		font-size: 9.5pt;
	}
	.good {
		display: block;
		border-bottom: 0;
	}
	ul {
		margin: 1mm 0 0;
		padding-left: 4mm;
		list-style: disc;
	}
	img {
		max-width: 50mm;
		max-height: 16mm;
	}
	.large {
		font-size: 14.5pt;
	}
	.large section {
		grid-template-columns: 1fr;
	}
	footer {
		margin-top: auto;
		padding-top: 3mm;
		border-top: 0.5pt solid #000;
		font-size: 10pt;
	}
	@media (max-width: 860px) {
		article {
			min-height: 0;
			padding: 6mm 5mm;
		}
		section {
			grid-template-columns: 1fr;
		}
	}
	@media print {
		@page {
			size: A4;
			margin: 0;
		}
		article {
			width: 210mm;
			min-height: 296mm;
			padding: 12mm 15mm 8mm;
			box-shadow: none;
		}
		section {
			grid-template-columns: 1fr 72mm;
		}
	}
</style>
