<script lang="ts">
	import { type CustomerPage } from '$core/words';
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

	const today = new Date().toLocaleDateString('en-GB', { day: 'numeric', month: 'long', year: 'numeric' });
	const blank = '______________________';
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

<article class:large>
	<header>
		<div>
			<h1>{sheet.title}</h1>
			<p>{sheet.place}</p>
		</div>
		{#if firm.logo}<img src={firm.logo} alt="" />{/if}
		<p>{today}</p>
	</header>
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
	<footer>
		<p>
			Control: {sheet.control}. Set up by: {[sheet.setUpBy, firm.name].filter(Boolean).join(', ') || blank}.
			Telephone: {firm.telephone || blank}
		</p>
	</footer>
</article>

<style>
	article {
		display: flex;
		flex-direction: column;
		gap: 3.5mm;
		max-width: 210mm;
		min-height: 285mm;
		margin: 0 auto;
		padding: 12mm 15mm 8mm;
		background: #fff;
		color: #000;
		box-shadow: 0 1px 6px rgb(0 0 0 / 20%);
		font-size: 11pt;
		line-height: 1.35;
		color-scheme: light;
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
	header {
		display: flex;
		justify-content: space-between;
		gap: 1rem;
		border-bottom: 1.5pt solid #000;
		padding-bottom: 3mm;
	}
	header > p {
		white-space: nowrap;
	}
	h1 {
		font-size: 17pt;
		overflow-wrap: anywhere;
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
	img {
		max-width: 50mm;
		max-height: 16mm;
	}
	.large {
		font-size: 15pt;
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
	footer {
		margin-top: auto;
		border-top: 0.5pt solid #000;
		padding-top: 3mm;
		font-size: 10pt;
	}
	@media (max-width: 860px) {
		article {
			padding: 6mm 5mm;
			min-height: 0;
		}
		.two {
			grid-template-columns: 1fr;
		}
	}
	@media print {
		@page {
			size: A4;
			margin: 0;
		}
		article {
			box-shadow: none;
			width: 210mm;
			/* a page too full runs on to a second one: nothing is cut off */
			min-height: 296mm;
			padding: 12mm 15mm 8mm;
		}
		.two {
			grid-template-columns: 1fr 1fr;
		}
	}
</style>
