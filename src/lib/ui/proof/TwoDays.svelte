<script lang="ts">
	import { differenceWords, type ControlOptions } from '$core/control';
	import { COLD_TOLERANCE_K, type Proof } from '$core/thermal';
	import { DAY_SHORT } from '$core/week';
	import Figures from '../kit/Figures.svelte';
	import More from '../kit/More.svelte';
	import Views from '../kit/Views.svelte';
	import { daysChart } from './charts';
	import { dayFigures } from './figures';
	import Plot from './Plot.svelte';

	let { proof, unit }: { proof: Proof; unit: ControlOptions['unit'] } = $props();

	let firstDay = $state(0);
	const floor = $derived(proof.governs === 'floor');
	const days = $derived(daysChart(proof, firstDay, unit));
</script>

<section aria-label="The days">
	<div class="head">
		<h2>Two days of it</h2>
		<Views
			label="Days drawn"
			views={DAY_SHORT.map((name, i) => [String(i), name] as const)}
			value={String(firstDay)}
			onchange={(day) => (firstDay = Number(day))}
		/>
	</div>
	<Plot
		label="{floor ? 'Floor, room air' : 'Room'}, setpoint and heating over two days; filled where {floor
			? 'the floor'
			: 'the room'} is over {differenceWords(unit, COLD_TOLERANCE_K)} colder than wanted"
		height={270}
		make={days}
	/>
	<More title="The figures day by day">
		<Figures
			label="The figures day by day"
			head={[floor ? 'floor' : 'day', 'coldest', 'warmest', 'heated']}
			rows={dayFigures(proof, unit)}
		/>
	</More>
</section>

<style>
	section {
		margin-top: 1.2rem;
	}
	h2 {
		font-size: 1.05rem;
	}
	.head {
		display: flex;
		flex-wrap: wrap;
		gap: 0.5rem 1rem;
		align-items: center;
		justify-content: space-between;
	}
	.head :global(.bx--content-switcher) {
		width: min(30rem, 100%);
	}
</style>
