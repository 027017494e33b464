<script lang="ts">
	import { Slider } from 'carbon-components-svelte';

	let {
		label,
		value = $bindable(),
		least,
		most,
		step = 1,
		said,
		ends,
		hideLabel = false,
		oninput,
		onchange
	}: {
		label: string;
		value: number;
		least: number;
		most: number;
		step?: number;
		/** A value with its unit. */
		said: (value: number) => string;
		/** What stands at the ends of the slider; the least and the most where nothing is given. */
		ends?: readonly [string, string];
		hideLabel?: boolean;
		/** While it is moved. */
		oninput?: (value: number) => void;
		/** When it is let go. */
		onchange?: (value: number) => void;
	} = $props();
</script>

<Slider
	labelText="{label}: {said(value)}"
	{hideLabel}
	hideTextInput
	fullWidth
	min={least}
	max={most}
	{step}
	minLabel={ends?.[0] ?? said(least)}
	maxLabel={ends?.[1] ?? said(most)}
	formatValue={said}
	bind:value
	on:input={({ detail }) => oninput?.(detail)}
	on:change={({ detail }) => onchange?.(detail)}
/>
