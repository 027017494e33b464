<script lang="ts">
	import { nearestWeightStop, weightStops } from '$core/fit';
	import type { Zone } from '$core/plan';
	import Slide from '../kit/Slide.svelte';
	import type { ZoneModel } from '../zone/zoneModel.svelte';

	let { model }: { model: ZoneModel } = $props();

	const times = (more: number, less: number) => (less === 0 ? 'alone' : `${more / less} times`);
	const words = ({ cold, warm }: Zone['weights']) =>
		cold === warm
			? 'too cold and too warm count alike'
			: cold > warm
				? `too cold counts ${times(cold, warm)}`
				: `too warm counts ${times(warm, cold)}`;
</script>

<section>
	<h2>If not everything fits</h2>
	<Slide
		label="What counts more"
		hideLabel
		least={0}
		most={weightStops.length - 1}
		value={nearestWeightStop(model.zone.weights)}
		said={(stop) => words(weightStops[stop]!)}
		ends={[' ', ' ']}
		oninput={(stop) => model.editor.preview({ ...model.zone, weights: { ...weightStops[stop]! } })}
		onchange={() => model.editor.commit()}
	/>
	<p class="ends soft" aria-hidden="true"><span>save energy</span><span>keep warm</span></p>
	<p class="soft">{words(model.zone.weights)}</p>
</section>

<style>
	section :global(.bx--slider__range-label) {
		display: none;
	}
	section :global(.bx--slider) {
		margin: 0;
	}
	.ends {
		display: flex;
		justify-content: space-between;
	}
</style>
