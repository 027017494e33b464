<script lang="ts">
	import type { CustomerPage } from '$core/words';
	import Paper from './Paper.svelte';
	import PrintedWeek from './PrintedWeek.svelte';

	let {
		of,
		zones,
		firm,
		one = false,
		large = false
	}: {
		/** What it is the sheet of: a house, or one control with its channels. */
		of: { readonly name: string; readonly place: string };
		zones: readonly { readonly id: string; readonly name: string; readonly sheet: CustomerPage }[];
		/** Whoever set it up; empty lines to write on where it is not known. */
		firm: { readonly name: string; readonly telephone: string; readonly logo: string | null };
		/** Whether all of it hangs on one control: then how that is used is said too. */
		one?: boolean;
		large?: boolean;
	} = $props();

	/** How its control is overridden, left alone and kept right. */
	const right = $derived(one ? (zones[0]?.sheet.right ?? []) : []);
	/** What is good to know of any of them, said once. */
	const good = $derived([...new Set(zones.flatMap(({ sheet }) => sheet.good))]);
	const setUpBy = $derived(zones[0]?.sheet.setUpBy ?? null);
</script>

<Paper title="Your heating week: {of.name}" place={of.place} {firm} {setUpBy} {large}>
	<div class="page" class:large>
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
		{#each right as part (part.title)}
			<section class="good">
				<h2>{part.title}</h2>
				{#each part.lines as line, i (i)}<p>{line.text}</p>{/each}
			</section>
		{/each}
	</div>
</Paper>

<style>
	.page {
		display: contents;
		font-size: 10.5pt;
		line-height: 1.3;
	}
	.page.large {
		font-size: 14.5pt;
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
	.large section {
		grid-template-columns: 1fr;
	}
	@media (max-width: 860px) {
		section {
			grid-template-columns: 1fr;
		}
	}
	@media print {
		section {
			grid-template-columns: 1fr 72mm;
		}
	}
</style>
