<script lang="ts">
	import { Modal } from 'carbon-components-svelte';
	import type { Snippet } from 'svelte';

	let {
		heading,
		open = $bindable(false),
		large = false,
		side = false,
		focus,
		onclose,
		children
	}: {
		heading: string;
		open?: boolean;
		large?: boolean;
		/** Whether it lies along the edge of the window as a drawer: what it changes stays in sight. */
		side?: boolean;
		/** A selector of what has the focus first; else the close button. */
		focus?: string;
		onclose?: () => void;
		children: Snippet;
	} = $props();

	function close() {
		open = false;
		onclose?.();
	}
	/** Escape closes it also where what had the focus is gone: a button that is disabled by being pressed. */
	function onkeydown(event: KeyboardEvent) {
		if (open && event.key === 'Escape' && event.target === document.body) close();
	}
</script>

<svelte:window {onkeydown} />

{#if open}
	<Modal
		open
		passiveModal
		class={side ? 'drawer' : undefined}
		size={large ? 'lg' : 'sm'}
		modalHeading={heading}
		iconDescription="Close"
		selectorPrimaryFocus={focus}
		on:close={close}
	>
		{@render children()}
	</Modal>
{/if}
