<script lang="ts" generics="T extends string | boolean">
	import Group from './Group.svelte';
	let {
		label,
		choices,
		value,
		onchoose
	}: {
		label: string;
		choices: readonly (readonly [T, string])[];
		/** The chosen one; null where nothing was noted yet. */
		value: T | null;
		onchoose: (value: T | null) => void;
	} = $props();
</script>

<Group {label}>
	<div>
		{#each choices as [id, words] (id)}
			<button class="quiet" aria-pressed={value === id} onclick={() => onchoose(value === id ? null : id)}
				>{words}</button
			>
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
		min-height: 52px;
		padding: 0 1rem;
		font-size: 1.05rem;
	}
</style>
