<script lang="ts">
	import { TimePicker } from 'carbon-components-svelte';
	import { readTime, writeTime } from './entry';
	import { manner } from './manner';

	let {
		label,
		value,
		hideLabel = false,
		onchange
	}: {
		label: string;
		/** HH:MM; null for none yet. */
		value: string | null;
		hideLabel?: boolean;
		onchange: (value: string) => void;
	} = $props();

	const clock = manner().clock;
	let text = $derived(writeTime(value, clock));
	let problem = $state<string | null>(null);

	function take() {
		const read = readTime(text, clock);
		problem = read.ok ? null : read.sentence;
		if (!read.ok) return;
		text = writeTime(read.value, clock);
		if (read.value !== value) onchange(read.value);
	}
</script>

<TimePicker
	labelText={label}
	{hideLabel}
	placeholder={clock === '24' ? 'hh:mm' : 'hh:mm am'}
	pattern=".*"
	maxlength={9}
	inputmode={clock === '24' ? 'numeric' : 'text'}
	autocomplete="off"
	invalid={problem !== null}
	invalidText={problem ?? ''}
	bind:value={text}
	on:change={take}
/>
