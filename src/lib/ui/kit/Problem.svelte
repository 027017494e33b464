<script lang="ts">
	import { InlineNotification } from 'carbon-components-svelte';

	let {
		title = 'Not done.',
		sentence,
		onclose
	}: {
		title?: string;
		/** What is wrong, and where; nothing is shown for null. */
		sentence: string | null;
		onclose?: () => void;
	} = $props();
</script>

{#if sentence !== null}
	<InlineNotification
		lowContrast
		kind="error"
		{title}
		subtitle={sentence}
		hideCloseButton={onclose === undefined}
		on:close={() => onclose?.()}
	/>
{/if}
