<script lang="ts">
	import Button from '../kit/Button.svelte';
	import type { visitHere } from './visitHere.svelte';
	import { placeAfter } from './visitSteps';

	let { visit }: { visit: ReturnType<typeof visitHere> } = $props();

	const place = $derived(visit.place);
</script>

<div class="bar">
	<Button
		disabled={place.zone === 0 && place.step === 'found'}
		onclick={() => visit.go(placeAfter(place, visit.steps, -1))}>Back</Button
	>
	<Button
		kind={visit.skips ? 'quiet' : place.step === 'sign-off' ? 'plain' : 'next'}
		disabled={place.step === 'sign-off'}
		onclick={() => visit.go(placeAfter(place, visit.steps, 1))}>{visit.skips ? 'Skip' : 'Next'}</Button
	>
</div>

<style>
	.bar {
		position: fixed;
		right: 0;
		bottom: 0;
		left: 0;
		display: grid;
		grid-template-columns: 1fr 2fr;
		gap: 0.75rem;
		max-width: 46rem;
		margin: 0 auto;
		padding: 0.6rem 1rem;
		border-top: 1px solid var(--rule);
		background: var(--ground);
	}
	.bar :global(.kit-button) {
		width: 100%;
		min-height: 60px;
		font-size: 1.15rem;
	}
	@media (min-width: 1056px) {
		.bar {
			left: var(--side);
		}
	}
	@media (forced-colors: active) {
		.bar :global(.kit-next) {
			border: 3px solid ButtonText;
		}
	}
</style>
