<script lang="ts">
	import type { Snippet } from 'svelte';

	let {
		title,
		place,
		firm,
		control = null,
		setUpBy,
		large = false,
		children
	}: {
		title: string;
		place: string;
		/** Whoever set it up; empty lines to write on where it is not known. */
		firm: { readonly name: string; readonly telephone: string; readonly logo: string | null };
		/** The control that it is about; null where it is about a whole house. */
		control?: string | null;
		/** Who signed the last visit off; null where nobody did yet. */
		setUpBy: string | null;
		/** Large print: it may then run on to a second page. */
		large?: boolean;
		children: Snippet;
	} = $props();

	const today = new Date().toLocaleDateString('en-GB', { day: 'numeric', month: 'long', year: 'numeric' });
	const blank = '______________________';
</script>

<article class:large>
	<header>
		<div>
			<h1>{title}</h1>
			<p>{place}</p>
		</div>
		{#if firm.logo}<img src={firm.logo} alt="" />{/if}
		<p>{today}</p>
	</header>
	{@render children()}
	<footer>
		<p>
			{control === null ? '' : `Control: ${control}. `}Set up by: {[setUpBy, firm.name]
				.filter(Boolean)
				.join(', ') || blank}. Telephone: {firm.telephone || blank}
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
	img {
		max-width: 50mm;
		max-height: 16mm;
	}
	.large {
		font-size: 15pt;
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
	}
	@media print {
		@page {
			size: A4;
			margin: 0;
		}
		article {
			width: 210mm;
			/* a page too full runs on to a second one: nothing is cut off */
			min-height: 296mm;
			padding: 12mm 15mm 8mm;
			box-shadow: none;
		}
	}
</style>
