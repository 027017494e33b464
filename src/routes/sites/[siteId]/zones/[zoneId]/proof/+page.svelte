<script lang="ts">
	import { onMount, untrack } from 'svelte';
	import { differenceWords, roundTemperatureWords, temperatureWords } from '$core/control';
	import { leadIsStale, unitOf, withComputedLead } from '$core/plan';
	import { COLD_TOLERANCE_K, LONGEST_LEAD, type Proof } from '$core/thermal';
	import { DAY_SHORT, duration } from '$core/week';
	import { proofWords, riseWords } from '$core/words';
	import Button from '$lib/ui/kit/Button.svelte';
	import Figures from '$lib/ui/kit/Figures.svelte';
	import More from '$lib/ui/kit/More.svelte';
	import Slide from '$lib/ui/kit/Slide.svelte';
	import Views from '$lib/ui/kit/Views.svelte';
	import { curveChart, daysChart } from '$lib/ui/proof/charts';
	import { dayFigures, wayFigures } from '$lib/ui/proof/figures';
	import Plot from '$lib/ui/proof/Plot.svelte';
	import YearProof from '$lib/ui/proof/YearProof.svelte';
	import DescribeRoom from '$lib/ui/zone/DescribeRoom.svelte';
	import { zoneModel } from '$lib/ui/zone/zoneModel.svelte';
	import { ProofFollower } from '$lib/workers/proofFollower';

	let { data } = $props();

	const model = zoneModel();
	const zone = $derived(model.zone);
	const profile = $derived(model.profile);
	const room = $derived(zone.room);
	const base = $derived(`/sites/${data.site.id}/zones/${data.zone.id}`);

	let outdoorC = $state(untrack(() => model.zone.lead.computed?.outdoorC ?? 0));
	let proof = $state.raw<Proof | null>(null);
	let follower = $state.raw<ProofFollower>();
	onMount(() => {
		follower = new ProofFollower((next) => (proof = next));
		return () => follower?.stop();
	});
	$effect(() => follower?.request(zone, profile, outdoorC));
	const words = $derived(proof && room ? proofWords(proof, zone, room, profile) : null);

	const taken = $derived(
		zone.lead.school === 'computed' && !leadIsStale(zone) && zone.lead.computed?.outdoorC === outdoorC
	);
	function takeLead() {
		if (!proof) return;
		const leads = proof.rises.map((rise) => ({
			at: rise.at,
			minutes: rise.minutes ?? LONGEST_LEAD,
			earlier: 0
		}));
		model.change(withComputedLead(zone, outdoorC, leads));
	}

	let firstDay = $state(0);
	const unit = $derived(unitOf(zone, profile));
	const outside = (c: number) => roundTemperatureWords(unit, c);
	const floor = $derived(proof?.governs === 'floor');
	const days = $derived(proof && daysChart(proof, firstDay, unit));
	const curve = $derived(proof && proof.curve.length > 0 ? curveChart(proof, unit) : null);
	const never = $derived(proof?.rises.some((rise) => rise.minutes === null) ?? false);
	const cycles = $derived(room?.regulation.kind === 'cycling');
</script>

<svelte:head><title>{zone.name}, proof · Fond Quarter</title></svelte:head>

<main>
	<h1>{zone.name}: {profile.temperature ? 'will it be warm in time?' : 'what it does to the room'}</h1>
	{#if !room}
		<DescribeRoom {model} />
	{:else}
		<p class="answer" aria-live="polite" class:signal={words && !words.warm}>
			{words?.answer ?? 'Computing …'}
		</p>
		{#if words?.floor?.stops}<p class="signal">{words.floor.text}</p>{/if}
		{#if words?.frost}<p class="signal">{words.frost}</p>{/if}
		<div class="act">
			<div class="outside">
				<Slide
					label="Outside, mean of the day"
					least={-15}
					most={15}
					said={(c) => `${outside(c)}${proof && proof.outdoorC !== c ? ' …' : ''}`}
					ends={[outside(-15), outside(15)]}
					bind:value={outdoorC}
				/>
			</div>
			{#if words?.floor?.stops || words?.frost}
				<Button kind="next" href="{base}/room">Correct the room and its limits</Button>
			{:else if profile.startsEarly && profile.temperature}
				<p>
					This control starts early by itself: leave the typed lead at none, or it is warm twice too soon.
				</p>
			{:else if proof && proof.rises.length > 0 && !taken}
				<Button kind="next" onclick={takeLead}>Take these leads for {outside(outdoorC)}</Button>
			{:else if taken}
				<Button kind="next" href="{base}/key-in">Key it in</Button>
				<p class="soft">
					The leads for {outside(outdoorC)} are taken into the <a href="{base}/week">week</a>.
				</p>
			{/if}
		</div>
		{#if leadIsStale(zone)}
			<p class="signal">The lead in the week was computed for another room or week: take it again.</p>
		{/if}
		{#if proof && words}
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
				{#if days}
					<Plot
						label="{floor
							? 'Floor, room air'
							: 'Room'}, setpoint and heating over two days; filled where {floor
							? 'the floor'
							: 'the room'} is over {differenceWords(unit, COLD_TOLERANCE_K)} colder than wanted"
						height={270}
						make={days}
					/>
				{/if}
				<More title="The figures day by day">
					<Figures
						label="The figures day by day"
						head={[floor ? 'floor' : 'day', 'coldest', 'warmest', 'heated']}
						rows={dayFigures(proof, unit)}
					/>
				</More>
			</section>
			<div class="two">
				<section>
					<h2>How long it takes to warm</h2>
					<p>{words.halfHour}</p>
					{#if curve}<Plot
							label="Warm-up minutes against outdoor temperature"
							height={220}
							make={curve}
						/>{/if}
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
					<h2>How early for each rise, and why</h2>
					<ul class="rises">
						{#each proof.rises as rise (rise.at)}
							{@const said = riseWords(rise, unit, zone.options.clock)}
							<li>
								<strong class="mono">{said.at}</strong>
								<span class:signal={rise.minutes === null}>{said.lead}</span>
								<span class="soft">{said.why}</span>
							</li>
						{/each}
					</ul>
					{#if never}<p class="signal">
							What is not reached gets the longest lead, {duration(LONGEST_LEAD)}.
						</p>{/if}
				</section>
			</div>
			<section>
				<h2>Steady, programmed, or frost level between</h2>
				<p>{words.setback} {words.low} {words.floor && !words.floor.stops ? words.floor.text : ''}</p>
				<Figures
					label="Three ways to run it"
					head={['', 'a day', 'cold while wanted', 'coldest', 'starts a day']}
					rows={wayFigures(proof, unit)}
				/>
			</section>
			<section>
				<h2>{cycles ? 'What the cycle rate does' : 'What the differential does'}</h2>
				<Figures
					label="Swing and starts"
					head={[cycles ? 'cycles at half load' : 'differential', 'the room swings', 'starts an hour']}
					rows={proof.regulation.map((one) => [
						cycles ? `${one.setting} an hour` : differenceWords(unit, one.setting),
						differenceWords(unit, one.swingK),
						one.startsPerHour.toFixed(1)
					])}
				/>
				<p class="soft">Time constant of the room: {Math.round(proof.timeConstantHours)} h.</p>
			</section>
			<YearProof {zone} {profile} siteId={data.site.id} />
		{/if}
	{/if}
</main>

<style>
	.answer {
		max-width: 60rem;
		margin: 0.3rem 0 0.6rem;
		font-size: 1.45rem;
		font-weight: 700;
		line-height: 1.25;
	}
	.act {
		display: flex;
		flex-wrap: wrap;
		gap: 0.5rem 1.5rem;
		align-items: end;
	}
	.outside {
		flex: 0 1 26rem;
		min-width: 16rem;
	}
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
	.two {
		display: grid;
		grid-template-columns: minmax(0, 3fr) minmax(0, 2fr);
		gap: 0 2rem;
	}
	.rises {
		margin: 0.3rem 0 0.6rem;
		padding: 0;
		list-style: none;
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
