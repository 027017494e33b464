<script lang="ts">
	import { FileUploaderButton } from 'carbon-components-svelte';

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
</script>

<FileUploaderButton
	kind="tertiary"
	size="field"
	labelText={label}
	disableLabelChanges
	accept={accept.split(',')}
	{multiple}
	{disabled}
	aria-label={name}
	on:change={({ detail }) => {
		if (detail.length > 0) onfiles(detail);
	}}
/>
