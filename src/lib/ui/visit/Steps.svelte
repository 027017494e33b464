<script lang="ts">
	import { VISIT_STEPS, type VisitPlace, type VisitStep } from './visitSteps';

	let {
		here,
		stateOf,
		ongo
	}: {
		here: VisitPlace['step'];
		/** How a step stands, in a word. */
		stateOf: (step: VisitStep) => string;
		ongo: (step: VisitStep) => void;
	} = $props();
</script>

<nav aria-label="Steps at this control">
	{#each VISIT_STEPS as [id, name] (id)}
		<button aria-current={here === id ? 'step' : undefined} onclick={() => ongo(id)}
			><span>{name}</span><span class="state">{stateOf(id)}</span></button
		>
	{/each}
</nav>

<style>
	nav {
		display: grid;
		grid-template-columns: repeat(6, 1fr);
		gap: 2px;
		margin: 0 0 0.9rem;
	}
	nav button {
		display: flex;
		flex-direction: column;
		min-width: 0;
		min-height: 52px;
		padding: 0.3rem 0.1rem;
		border: 0;
		border-bottom: 3px solid var(--rule);
		background: none;
		color: inherit;
		font-size: 0.85rem;
		text-align: left;
		cursor: pointer;
	}
	nav button[aria-current] {
		border-bottom-color: var(--ink);
		font-weight: 700;
	}
	nav .state {
		overflow: hidden;
		max-width: 100%;
		color: var(--soft);
		font-size: 0.8rem;
		font-weight: 400;
		text-overflow: ellipsis;
		white-space: nowrap;
	}
	@media (forced-colors: active) {
		nav button {
			border-bottom-color: ButtonFace;
		}
		nav button[aria-current] {
			border-bottom: 6px solid Highlight;
		}
	}
	@media (max-width: 560px) {
		nav {
			grid-template-columns: repeat(3, 1fr);
		}
	}
</style>
