<script lang="ts">
	import { onMount, untrack } from 'svelte';
	import Headline from '$lib/ui/kit/Headline.svelte';
	import { differenceWords, roundTemperatureWords } from '$core/control';
	import { leadIsStale, startsEarlyIn, unitOf, withComputedLead } from '$core/plan';
	import { costGivens, LONGEST_LEAD } from '$core/thermal';
	import { costWords, proofWords } from '$core/words';
	import Button from '$lib/ui/kit/Button.svelte';
	import Figures from '$lib/ui/kit/Figures.svelte';
	import Slide from '$lib/ui/kit/Slide.svelte';
	import { wayFigures } from '$lib/ui/proof/figures';
	import TwoDays from '$lib/ui/proof/TwoDays.svelte';
	import WarmUp from '$lib/ui/proof/WarmUp.svelte';
	import YearProof from '$lib/ui/proof/YearProof.svelte';
	import DescribeRoom from '$lib/ui/zone/DescribeRoom.svelte';
	import { zoneModel } from '$lib/ui/zone/zoneModel.svelte';
	import { askingOf, gapsOf, heatWeek } from '$core/house';
	import FedSaid from '$lib/ui/week/FedSaid.svelte';
	import type { HeldProof } from '$lib/workers/proof.worker';
	import { ProofFollower } from '$lib/workers/proofFollower';
	import Term from '$lib/ui/kit/Term.svelte';

	let { data } = $props();

	const model = zoneModel();
	const zone = $derived(model.zone);
	const profile = $derived(model.profile);
	const room = $derived(zone.room);
	const base = $derived(`/sites/${data.site.id}/zones/${data.zone.id}`);

	let outdoorC = $state(untrack(() => model.zone.lead.computed?.outdoorC ?? 0));
	let proof = $state.raw<HeldProof | null>(null);
	const heats = $derived(data.feeding && heatWeek(data.feeding));
	/** What is asked while what feeds the zone may not run. */
	const gaps = $derived(
		proof && data.feeding ? gapsOf(askingOf(zone, profile, proof.held), data.feeding.may) : []
	);
	let follower = $state.raw<ProofFollower>();
	onMount(() => {
		follower = new ProofFollower((next) => (proof = next));
		return () => follower?.stop();
	});
	$effect(() => follower?.request(zone, profile, outdoorC, heats));
	const words = $derived(proof && room ? proofWords(proof, zone, room, profile, data.feeding?.source) : null);

	const givens = $derived(room && costGivens(zone, room, data.site));
	const cost = $derived(proof && room && givens ? costWords(proof, room, givens, data.site.currency) : null);

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

	const unit = $derived(unitOf(zone, profile));
	const outside = (c: number) => roundTemperatureWords(unit, c);
	const cycles = $derived(room?.regulation.kind === 'cycling');
</script>

<main>
	<Headline
		of="{zone.name}: {profile.temperature ? 'will it be warm in time?' : 'what it does to the room'}"
		bad={words !== null && !words.warm}
	>
		{room ? (words?.answer ?? 'Computing …') : 'Room not described yet'}
	</Headline>
	{#if !room}
		<DescribeRoom {model} />
	{:else}
		{#if proof && data.feeding}
			<FedSaid
				{zone}
				{profile}
				feeding={data.feeding}
				held={proof.held}
				house="/sites/{data.site.id}/house"
			/>
		{/if}
		{#if words?.floor?.stops}<p class="signal">{words.floor.text}</p>{/if}
		{#if words?.frost}<p class="signal">{words.frost}</p>{/if}
		<div class="act">
			<div class="outside">
				<Slide
					label="Outside, daily average"
					least={-15}
					most={15}
					said={(c) => `${outside(c)}${proof && proof.outdoorC !== c ? ' …' : ''}`}
					ends={[outside(-15), outside(15)]}
					bind:value={outdoorC}
				/>
			</div>
			{#if words?.floor?.stops || words?.frost || words?.mend === 'room'}
				<Button href="{base}/room">Correct the room and its limits</Button>
			{:else if gaps.length > 0 || words?.mend === 'source'}
				<Button href="/sites/{data.site.id}/house">Mend the hours of {data.feeding?.source}</Button>
			{:else if words?.mend === 'week'}
				<Button href="{base}/week">See what the week cannot hold</Button>
			{:else if words?.mend === 'own-start'}
				<Button href="{base}/control">Start it earlier</Button>
			{:else if words?.mend === 'limit'}
				<Button href="{base}/control">Raise the maximum setpoint</Button>
			{:else if words?.mend === 'regulation'}
				<Button href="{base}/room">Correct how its control regulates</Button>
			{/if}
			{#if startsEarlyIn(zone, profile) && profile.temperature}
				<p>Set preheat to none: the control has optimum start.</p>
			{:else if proof && proof.rises.length > 0 && !taken}
				<Button onclick={takeLead}>Use these preheat times for {outside(outdoorC)}</Button>
			{:else if taken}
				<p class="soft">
					Preheat times for {outside(outdoorC)} are taken into the <a href="{base}/week">week</a>.
				</p>
			{/if}
		</div>
		{#if leadIsStale(zone)}
			<p class="signal">Preheat out of date: computed for another room or week. Take it again.</p>
		{/if}
		{#if proof && words}
			<TwoDays {proof} {unit} />
			<WarmUp {proof} halfHour={words.halfHour} {unit} clock={zone.options.clock} />
			<section>
				<div class="titled">
					<h2>Steady, programmed, or frost level between</h2>
					<Term of="setback" />
				</div>
				{#if cost?.sentence}<p class:signal={cost.loses}><strong>{cost.sentence}</strong></p>{/if}
				<p>{words.setback} {words.low} {words.floor && !words.floor.stops ? words.floor.text : ''}</p>
				<Figures
					label="Three ways to run it"
					head={[
						'',
						'heat a day',
						...(cost ? [cost.what] : []),
						'cold while wanted',
						'coldest',
						'starts a day'
					]}
					rows={wayFigures(proof, unit, cost, data.site.currency)}
				/>
			</section>
			<section>
				<div class="titled">
					<h2>{cycles ? 'What the cycle rate does' : 'What the differential does'}</h2>
					<Term of="differential" />
				</div>
				<Figures
					label="Switching and starts"
					head={[cycles ? 'cycles at half load' : 'differential', 'the room swings', 'starts an hour']}
					rows={proof.regulation.map((one) => [
						cycles ? `${one.setting} an hour` : differenceWords(unit, one.setting),
						differenceWords(unit, one.swingK),
						one.startsPerHour.toFixed(1)
					])}
				/>
				<p class="soft">Time constant of the room: {Math.round(proof.timeConstantHours)} h.</p>
			</section>
			<YearProof {zone} {profile} may={heats} {givens} currency={data.site.currency} siteId={data.site.id} />
		{/if}
	{/if}
</main>

<style>
	.act {
		display: flex;
		flex-wrap: wrap;
		gap: 0.5rem 1.5rem;
		align-items: end;
	}
	.outside {
		flex: 0 1 26rem;
		min-width: min(16rem, 100%);
	}
	section {
		margin-top: 1.2rem;
	}
	h2 {
		font-size: 1.05rem;
	}
</style>
