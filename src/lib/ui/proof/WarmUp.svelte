<script lang="ts">
	import { roundTemperatureWords, temperatureWords, type ControlOptions } from '$core/control';
	import { LONGEST_LEAD, type Proof } from '$core/thermal';
	import { duration } from '$core/week';
	import { riseWords } from '$core/words';
	import Figures from '../kit/Figures.svelte';
	import More from '../kit/More.svelte';
	import { curveChart } from './charts';
	import Plot from './Plot.svelte';
	import Term from '../kit/Term.svelte';

	let {
		proof,
		halfHour,
		unit,
		clock
	}: {
		proof: Proof;
		/** What half an hour of heating gives, in words. */
		halfHour: string;
		unit: ControlOptions['unit'];
		clock: ControlOptions['clock'];
	} = $props();

	const outside = (c: number) => roundTemperatureWords(unit, c);
	const curve = $derived(proof.curve.length > 0 ? curveChart(proof, unit) : null);
	const never = $derived(proof.rises.some((rise) => rise.minutes === null));
</script>

<div class="two">
	<section>
		<h2>How long it takes to warm</h2>
		<p>{halfHour}</p>
		{#if curve}<Plot label="Warm-up minutes against outdoor temperature" height={220} make={curve} />{/if}
		{#if proof.curve.length > 0}
			<More title="The figures by outdoor temperature">
				<Figures
					label="Warm-up by outdoor temperature"
					head={['outside', 'from', 'minutes']}
					rows={proof.curve
						.filter((_, i) => i % 5 === 0)
						.map((point) => [
							outside(point.outdoorC),
							temperatureWords(unit, point.fromC),
							point.minutes === null
								? { text: `not reached, ${temperatureWords(unit, point.highestC)} at most`, bad: true }
								: String(point.minutes)
						])}
				/>
			</More>
		{/if}
	</section>
	<section>
		<div class="titled">
			<h2>How early for each rise, and why</h2>
			<Term of="preheat" />
		</div>
		<ul class="rises">
			{#each proof.rises as rise (rise.at)}
				{@const said = riseWords(rise, unit, clock)}
				<li>
					<strong class="mono">{said.at}</strong>
					<span class:signal={rise.minutes === null}>{said.lead}</span>
					<span class="soft">{said.why}</span>
				</li>
			{/each}
		</ul>
		{#if never}<p class="signal">
				What is not reached gets the longest preheat, {duration(LONGEST_LEAD)}.
			</p>{/if}
	</section>
</div>

<style>
	.two {
		display: grid;
		grid-template-columns: minmax(0, 3fr) minmax(0, 2fr);
		gap: 0 2rem;
	}
	section {
		margin-top: 1.2rem;
	}
	h2 {
		font-size: 1.05rem;
	}
	.rises {
		margin: 0.3rem 0 0.6rem;
	}
	.rises li {
		display: grid;
		grid-template-columns: 6.5rem 8rem minmax(0, 1fr);
		gap: 0.5rem;
		padding: 0.15rem 0;
	}
	@media (max-width: 860px) {
		.two {
			grid-template-columns: minmax(0, 1fr);
		}
	}
</style>
