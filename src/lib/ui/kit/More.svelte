<script lang="ts">
	import { Accordion, AccordionItem } from 'carbon-components-svelte';
	import type { Snippet } from 'svelte';

	let {
		title,
		open = $bindable(false),
		children
	}: {
		/** What is shown when it is opened. */
		title: string;
		open?: boolean;
		children: Snippet;
	} = $props();
</script>

<Accordion align="start">
	<AccordionItem {title} bind:open
		>{#if open}{@render children()}{/if}</AccordionItem
	>
</Accordion>
