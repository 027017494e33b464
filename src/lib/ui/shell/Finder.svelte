<script lang="ts">
	import { goto } from '$app/navigation';
	import Dialog from '../kit/Dialog.svelte';
	import Field from '../kit/Field.svelte';
	import type { Found } from './finding';

	let {
		open = $bindable(),
		query = $bindable(),
		heading,
		label,
		placeholder,
		none = 'Nothing found.',
		found
	}: {
		open: boolean;
		query: string;
		heading: string;
		label: string;
		placeholder?: string;
		/** What is said where nothing answers. */
		none?: string;
		/** What answers to the query. */
		found: readonly Found[];
	} = $props();

	let index = $state(0);
	/** Entered before anything had answered: the first that does is meant. */
	let isEntered = $state(false);
	$effect(() => {
		isEntered = false;
		if (!open) return;
		query = '';
		index = 0;
	});
	$effect(() => {
		if (isEntered && found.length > 0) choose(found[0]);
	});

	function choose(one: Found | undefined) {
		if (!one) return;
		open = isEntered = false;
		if (typeof one.to === 'string') void goto(one.to);
		else one.to();
	}

	function onkeydown(event: KeyboardEvent) {
		if (event.key === 'ArrowDown') index = Math.min(index + 1, found.length - 1);
		else if (event.key === 'ArrowUp') index = Math.max(index - 1, 0);
		else if (event.key === 'Enter') {
			isEntered = found.length === 0;
			choose(found[index]);
		} else return;
		event.preventDefault();
	}
</script>

<Dialog {heading} focus="[role='combobox']" bind:open>
	<div class="find">
		<Field
			{label}
			{placeholder}
			role="combobox"
			autocomplete="off"
			aria-expanded="true"
			aria-controls="found"
			aria-activedescendant={found.length > 0 ? `found-${index}` : undefined}
			bind:value={query}
			oninput={() => {
				index = 0;
				isEntered = false;
			}}
			{onkeydown}
		/>
		<ul id="found" role="listbox" aria-label="Places and acts">
			{#each found as one, i (`${one.label}|${one.detail}|${i}`)}
				<!-- svelte-ignore a11y_click_events_have_key_events -->
				<li
					id="found-{i}"
					role="option"
					aria-selected={i === index}
					class:now={i === index}
					class:here={one.here}
					onclick={() => choose(one)}
				>
					<span>{one.label}</span><span class="soft">{one.detail}</span>
				</li>
			{:else}
				<li class="none soft">{none}</li>
			{/each}
		</ul>
	</div>
</Dialog>

<style>
	ul {
		min-height: 16rem;
		max-height: 50vh;
		margin: 0.5rem 0 0;
		overflow: auto;
	}
	li {
		display: flex;
		gap: 1rem;
		align-items: center;
		justify-content: space-between;
		min-height: 44px;
		padding: 0 0.75rem;
		cursor: pointer;
	}
	li.now,
	li:hover:not(.none) {
		background: var(--faint);
	}
	.here {
		font-weight: 700;
	}
</style>
