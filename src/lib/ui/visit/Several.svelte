<script lang="ts" generics="T extends string">
	import Group from './Group.svelte';
	let {
		label,
		choices,
		value,
		onchange
	}: {
		label: string;
		choices: readonly (readonly [T, string])[];
		value: readonly T[];
		onchange: (value: T[]) => void;
	} = $props();

	const toggle = (id: T) => onchange(value.includes(id) ? value.filter((one) => one !== id) : [...value, id]);
</script>

<Group {label}>
	<div>
		{#each choices as [id, words] (id)}
			<button class="quiet" aria-pressed={value.includes(id)} onclick={() => toggle(id)}>{words}</button>
		{/each}
	</div>
</Group>

<style>
	div {
		display: flex;
		flex-wrap: wrap;
		gap: 0.5rem;
	}
	button {
		min-height: 48px;
	}
</style>
