<script lang="ts">
	import { type CustomerPage } from '$core/words';
	import Paper from './Paper.svelte';
	import PrintedWeek from './PrintedWeek.svelte';

	let {
		sheet,
		firm,
		large = false
	}: {
		sheet: CustomerPage;
		/** Whoever set it up; empty lines to write on where it is not known. */
		firm: { readonly name: string; readonly telephone: string; readonly logo: string | null };
		/** Large print: it may then run on to a second page. */
		large?: boolean;
	} = $props();
</script>

{#snippet parts(all: CustomerPage['left'])}
	{#each all as part (part.title)}
		<h2>{part.title}</h2>
		{#if part.list}
			<ul>
				{#each part.lines as line, i (i)}
					<li>
						{#if line.strong}<strong>{line.strong}</strong>{/if}
						{line.strong ? ` ${line.text}` : line.text}
					</li>
				{/each}
			</ul>
		{:else}
			{#each part.lines as line, i (i)}<p>{line.text}</p>{/each}
		{/if}
	{/each}
{/snippet}

<Paper title={sheet.title} place={sheet.place} {firm} control={sheet.control} setUpBy={sheet.setUpBy} {large}>
	<div class="page" class:large>
		<div class="wide"><PrintedWeek drawing={sheet.drawing} /></div>
		<div class="narrow"><PrintedWeek drawing={sheet.narrowDrawing} /></div>
		<section class="words">
			{#each sheet.week as day (day.days)}
				<p><strong>{day.days}:</strong> {day.sentence}</p>
			{/each}
		</section>
		{#if sheet.cooling.length > 0}
			<section class="words">
				<h2>In warm weather it cools above</h2>
				{#each sheet.cooling as day (day.days)}
					<p><strong>{day.days}:</strong> {day.sentence}</p>
				{/each}
			</section>
		{/if}
		<section class="two">
			<div>{@render parts(sheet.left)}</div>
			<div>{@render parts(sheet.right)}</div>
		</section>
	</div>
</Paper>

<style>
	.page {
		display: contents;
	}
	.narrow {
		display: none;
	}
	@media screen and (max-width: 560px) {
		.narrow {
			display: block;
		}
		.wide {
			display: none;
		}
	}
	h2 {
		font-size: 11pt;
		margin: 0 0 1mm;
	}
	ul + h2,
	p + h2 {
		margin-top: 2mm;
	}
	.words p {
		margin-bottom: 0.9mm;
		font-size: 10.5pt;
		line-height: 1.28;
	}
	.two {
		display: grid;
		grid-template-columns: 1fr 1fr;
		gap: 8mm;
	}
	.two p,
	.two li {
		font-size: 10pt;
		line-height: 1.25;
	}
	ul {
		margin: 0;
		padding-left: 4mm;
		list-style: disc;
	}
	.large h2 {
		font-size: 15pt;
	}
	.large .words p,
	.large .two p,
	.large .two li {
		font-size: 14.5pt;
	}
	.large .two {
		grid-template-columns: 1fr;
	}
	@media (max-width: 860px) {
		.two {
			grid-template-columns: 1fr;
		}
	}
	@media print {
		.two {
			grid-template-columns: 1fr 1fr;
		}
	}
</style>
