<script lang="ts">
	import { Button } from 'carbon-components-svelte';

	let {
		label,
		name,
		accept,
		multiple = false,
		disabled = false,
		onfiles
	}: {
		/** What the button says. */
		label: string;
		/** What the files are, for who does not see the button. */
		name: string;
		/** Media types and endings, as the browser takes them. */
		accept: string;
		multiple?: boolean;
		disabled?: boolean;
		onfiles: (files: readonly File[]) => void;
	} = $props();

	let input = $state<HTMLInputElement>();
</script>

<Button kind="tertiary" {disabled} on:click={() => input?.click()}>{label}</Button>
<input
	class="out-of-sight"
	type="file"
	{accept}
	{multiple}
	tabindex="-1"
	aria-label={name}
	bind:this={input}
	onchange={(event) => {
		const files = [...(event.currentTarget.files ?? [])];
		// the same file chosen again is a choice too
		event.currentTarget.value = '';
		if (files.length > 0) onfiles(files);
	}}
/>
