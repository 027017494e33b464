<script lang="ts">
	import { ProgressIndicator, ProgressStep } from 'carbon-components-svelte';
	import { VISIT_STEPS, type VisitPlace, type VisitStep } from './visitSteps';

	let {
		here,
		steps,
		stateOf,
		isDone,
		ongo
	}: {
		here: VisitPlace['step'];
		/** The steps at this zone. */
		steps: readonly VisitStep[];
		/** How a step stands, in a word. */
		stateOf: (step: VisitStep) => string;
		isDone: (step: VisitStep) => boolean;
		ongo: (step: VisitStep) => void;
	} = $props();

	const shown = $derived(VISIT_STEPS.filter(([id]) => steps.includes(id)));
	const at = $derived(shown.findIndex(([id]) => id === here));
</script>

<nav aria-label="Steps at this control">
	<ProgressIndicator currentIndex={at} spaceEqually>
		{#each shown as [id, name] (id)}
			<ProgressStep
				label={name}
				secondaryLabel={stateOf(id)}
				complete={isDone(id)}
				current={id === here}
				on:click={() => ongo(id)}
			/>
		{/each}
	</ProgressIndicator>
</nav>

<style>
	nav {
		margin: 0 0 0.9rem;
	}
	nav :global(.bx--progress) {
		display: grid;
		grid-template-columns: repeat(6, minmax(0, 1fr));
	}
	nav :global(.bx--progress-step) {
		width: auto;
		min-width: 0;
	}
	nav :global(.bx--progress-step-button) {
		min-height: 52px;
		color: var(--ink);
	}
	nav :global(.bx--progress-label),
	nav :global(.bx--progress-optional) {
		position: static;
		max-width: none;
		margin: 0;
		color: inherit;
		font-size: var(--small);
	}
	nav :global(.bx--progress-optional) {
		color: var(--soft);
	}
	nav :global(.bx--progress-step--current .bx--progress-label) {
		font-weight: 700;
	}
	nav :global(.bx--progress-line) {
		width: 100%;
	}
	@media (max-width: 560px) {
		nav :global(.bx--progress) {
			grid-template-columns: repeat(3, minmax(0, 1fr));
			row-gap: 0.4rem;
		}
	}
</style>
