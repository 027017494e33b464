<script lang="ts" generics="T extends string | boolean | number">
	import Button from './Button.svelte';

	let {
		label,
		choices,
		chosen,
		large = false,
		onpress
	}: {
		/** What is chosen here, for who does not see it; the words before it are the view's own. */
		label: string;
		choices: readonly (readonly [T, string])[];
		chosen: readonly T[];
		/** For a thumb in a glove. */
		large?: boolean;
		onpress: (value: T) => void;
	} = $props();
</script>

<div role="group" aria-label={label} class="chips" class:large>
	{#each choices as [value, words] (value)}
		<Button aria-pressed={chosen.includes(value)} onclick={() => onpress(value)}>{words}</Button>
	{/each}
</div>

<style>
	.chips {
		display: flex;
		flex-wrap: wrap;
		gap: 0.5rem;
	}
	.large :global(.bx--btn) {
		min-height: 52px;
		font-size: 1.05rem;
	}
</style>
