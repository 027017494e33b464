<script lang="ts">
	import { TextInput } from 'carbon-components-svelte';
	import { onMount, tick } from 'svelte';
	import type { HTMLInputAttributes } from 'svelte/elements';
	import { keepTyped, type Typed } from './typed';

	let {
		label,
		value = $bindable(''),
		hideLabel = false,
		help,
		problem = null,
		small = false,
		ref = $bindable(null),
		oninput,
		onchange,
		...rest
	}: Omit<HTMLInputAttributes, 'value' | 'oninput' | 'onchange' | 'size'> & {
		label: string;
		value?: string;
		/** Whether only who does not see it hears the label. */
		hideLabel?: boolean;
		help?: string;
		/** What is wrong with what was written; null where nothing is. */
		problem?: string | null;
		small?: boolean;
		ref?: HTMLInputElement | null;
		/** With each letter. */
		oninput?: (value: string) => void;
		/** When it is left or Enter is pressed. */
		onchange?: (value: string) => void;
	} = $props();

	const given = $derived(rest as object);

	/** What is half typed outlives a reload, in fields that are saved when they are left; a secret does not. */
	let typed: Typed | null = null;
	/** Whether what stands there came from before a reload and was not left since. */
	let waits = false;
	onMount(async () => {
		if (!onchange || rest.type === 'password') return;
		await tick();
		// of several fields of one name nobody could tell whose it was
		const named = [...document.querySelectorAll('label')].filter((one) => one.textContent?.trim() === label);
		if (named.length !== 1) return;
		let storage: Storage | null = null;
		try {
			storage = sessionStorage;
		} catch {
			// forbidden here
		}
		typed = keepTyped(storage, location.pathname, label);
		const { before } = typed;
		if (before === null || before === value) return;
		waits = true;
		value = before;
		// where the hand was, so that leaving it takes it
		ref?.focus();
	});
	function take() {
		waits = false;
		typed?.forget();
		onchange?.(ref?.value ?? '');
	}
</script>

<TextInput
	labelText={label}
	{hideLabel}
	helperText={help}
	invalid={problem !== null}
	invalidText={problem ?? ''}
	size={small ? 'sm' : undefined}
	bind:value
	bind:ref
	on:input={() => {
		typed?.keep(ref?.value ?? '');
		oninput?.(ref?.value ?? '');
	}}
	on:change={take}
	on:blur={() => {
		if (waits) take();
		else typed?.forget();
	}}
	{...given}
/>
