<script lang="ts">
	import { Modal } from 'carbon-components-svelte';
	import type { Snippet } from 'svelte';

	let {
		heading,
		open = $bindable(false),
		large = false,
		focus,
		onclose,
		children
	}: {
		heading: string;
		open?: boolean;
		large?: boolean;
		/** A selector of what has the focus first; else the close button. */
		focus?: string;
		onclose?: () => void;
		children: Snippet;
	} = $props();
</script>

{#if open}
	<Modal
		open
		passiveModal
		size={large ? 'lg' : 'sm'}
		modalHeading={heading}
		iconDescription="Close"
		selectorPrimaryFocus={focus}
		on:close={() => {
			open = false;
			onclose?.();
		}}
	>
		{@render children()}
	</Modal>
{/if}
