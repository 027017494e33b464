<script lang="ts">
	import { ComboBox } from 'carbon-components-svelte';

	let {
		label,
		value,
		options,
		onchange
	}: {
		label: string;
		value: string;
		options: readonly { readonly value: string; readonly text: string }[];
		onchange: (value: string) => void;
	} = $props();

	/** What is chosen in the field: nothing while it is cleared, and what stood there once it is left. */
	let chosen = $state<string | undefined>();
	$effect.pre(() => void (chosen = value));
	const items = $derived(options.map((option) => ({ id: option.value, text: option.text })));
	const shown = $derived(items.find((item) => item.id === chosen)?.text ?? '');
	/** Found by any part of its words, in any order; while nothing is typed over what is chosen, all are shown. */
	const fits = (item: { readonly text: string }, typed: string) =>
		typed === shown ||
		typed
			.toLowerCase()
			.split(/\s+/)
			.every((part) => item.text.toLowerCase().includes(part));
</script>

<ComboBox
	labelText={label}
	{items}
	bind:selectedId={chosen}
	shouldFilterItem={fits}
	on:select={(event) => {
		if (event.detail.selectedId && event.detail.selectedId !== value) onchange(event.detail.selectedId);
	}}
	selectTextOnFocus
	on:blur={() => (chosen = value)}
/>
