<script lang="ts">
	import { onMount } from 'svelte';
	import { beforeNavigate, goto } from '$app/navigation';
	import { Button } from 'carbon-components-svelte';
	import {
		leadIsStale,
		roomSchema,
		unitOf,
		withComputedLead,
		type Room,
		levelOf,
		wantedWeek
	} from '$core/plan';
	import { COLD_TOLERANCE_K, LONGEST_LEAD, proofWords, riseWords, type Proof } from '$core/thermal';
	import { differenceWords, roundTemperatureWords, temperatureWords } from '$core/control';
	import { DAY_SHORT, duration, DAY_MINUTES, valueAt, wrapWeek } from '$core/week';
	import { DocumentEditor } from '$lib/ui/documentEditor.svelte';
	import { curveChart, daysChart } from '$lib/ui/proof/charts';
	import MeasureRoom from '$lib/ui/proof/MeasureRoom.svelte';
	import Plot from '$lib/ui/proof/Plot.svelte';
	import RoomSurvey from '$lib/ui/proof/RoomSurvey.svelte';
	import YearProof from '$lib/ui/proof/YearProof.svelte';
	import { saving } from '$lib/ui/saving.svelte';
	import { refresh } from '$lib/ui/refresh';
	import Conflict from '$lib/ui/zone/Conflict.svelte';
	import { live } from '$lib/ui/zone/live.svelte';
	import { ProofFollower } from '$lib/workers/proofFollower';

	let { data } = $props();

	// the page is made anew for each zone
	// svelte-ignore state_referenced_locally
	const editor = new DocumentEditor(
		`/api/v1/jobs/${data.site.id}/zones/${data.zone.id}`,
		'zone',
		data.stored.zone,
		data.stored.revision,
		// the tabs and lists are read again, so that none of them is older than this page
		() => void refresh('fq:site')
	);
	$effect(() => {
		if (editor.unsaved) live.show(data.zone.id, { changed: true });
	});
	const zone = $derived(editor.document);
	const profile = $derived(data.profile);
	const room = $derived(zone.room);
	const wanted = $derived(wantedWeek(zone));
	/** What is wanted at a minute on the wall since 1970, which began on a Thursday; null where the control only switches. */
	const plannedC = $derived(
		profile.temperature
			? (minute: number) => levelOf(zone, valueAt(wanted, wrapWeek(minute + 3 * DAY_MINUTES))).setpointC
			: null
	);

	// svelte-ignore state_referenced_locally
	let outdoorC = $state(data.stored.zone.lead.computed?.outdoorC ?? 0);
	let proof = $state.raw<Proof | null>(null);
	let follower: ProofFollower | undefined;
	onMount(() => {
		follower = new ProofFollower((next) => (proof = next));
		follower.request(zone, profile, outdoorC);
		return () => follower?.stop();
	});
	$effect(() => follower?.request(zone, profile, outdoorC));
	const words = $derived(proof && room ? proofWords(proof, zone, room, profile) : null);

	/** Something to begin with, to be corrected: a room of the usual size. */
	function describe(kind: Room['emitter']['kind'], build: Room['build']) {
		const floor = kind === 'wet-floor' || kind === 'floor-cable';
		const start = roomSchema.parse({
			floorAreaM2: 20,
			heightM: 2.5,
			build,
			loss: { by: 'survey', insulation: 'fair', exposedM2: 30 },
			emitter: {
				kind,
				ratedW: floor ? 1600 : kind === 'towel-rail' ? 500 : 1800,
				waterC: kind === 'wet-floor' ? 38 : 55
			},
			finish: floor ? 'tile' : null
		});
		editor.change({ ...zone, room: start });
	}

	const never = $derived(proof?.rises.some((rise) => rise.minutes === null) ?? false);
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
		editor.change(withComputedLead(zone, outdoorC, leads));
	}

	let firstDay = $state(0);
	const unit = $derived(unitOf(zone, profile));
	const say = (c: number) => temperatureWords(unit, c);
	const outside = (c: number) => roundTemperatureWords(unit, c);
	const governed = $derived(proof?.governs === 'floor' ? 'the floor' : 'the room');

	const days = $derived(proof && daysChart(proof, firstDay, unit));
	const curve = $derived(proof && proof.curve.length > 0 ? curveChart(proof, unit) : null);

	/** The drawn week day by day, for those who read figures. */
	const byDay = $derived(
		proof
			? DAY_SHORT.map((name, day) => {
					const part = (all: readonly number[]) => all.slice(day * 288, (day + 1) * 288);
					const air = part(proof!.governs === 'floor' ? proof!.days.floor! : proof!.days.air);
					return {
						name,
						coldest: Math.min(...air),
						warmest: Math.max(...air),
						heated: part(proof!.days.heating).reduce((sum, share) => sum + share * 5, 0)
					};
				})
			: []
	);

	const ways = $derived(
		proof
			? ([
					['One temperature', proof.ways.steady],
					['The program', proof.ways.programmed],
					['Frost level between', proof.ways.frost]
				] as const)
			: []
	);

	beforeNavigate(({ cancel, to, willUnload }) => {
		if (!editor.unsaved || willUnload || !to || saving.now.kind === 'waiting') return;
		cancel();
		void editor.flush().then(() => goto(to.url));
	});
</script>

<svelte:head><title>{zone.name}, proof · Fond Quarter</title></svelte:head>
<svelte:window onbeforeunload={() => void editor.flush()} />

<div class="page with-aside">
	<main>
		<div class="heading">
			<h1>{zone.name}: {profile.temperature ? 'will it be warm in time?' : 'what it does to the room'}</h1>
			<button class="quiet" disabled={!editor.canUndo} onclick={() => editor.undo()}>Undo</button>
		</div>
		{#if !room}
			<p class="lead">
				Say what warms this room and how it is built; the rest can be corrected beside the answer.
			</p>
			<div class="starts">
				<button class="quiet" onclick={() => describe('radiator', 'medium')}>A radiator, block walls</button>
				<button class="quiet" onclick={() => describe('radiator', 'heavy')}>A radiator, heavy walls</button>
				<button class="quiet" onclick={() => describe('electric-panel', 'light')}
					>An electric panel, light build</button
				>
				<button class="quiet" onclick={() => describe('wet-floor', 'heavy')}>A wet floor, heavy build</button>
				<button class="quiet" onclick={() => describe('floor-cable', 'medium')}>A floor cable</button>
				<button class="quiet" onclick={() => describe('towel-rail', 'medium')}>A towel rail</button>
			</div>
		{:else}
			<p class="answer" aria-live="polite" class:signal={words && !words.warm}>
				{words?.answer ?? 'Computing …'}
			</p>
			<label class="outside">
				<span>Outside, mean of the day</span>
				<input type="range" min="-15" max="15" step="1" bind:value={outdoorC} />
				<strong class="mono">{outside(outdoorC)}{proof && proof.outdoorC !== outdoorC ? ' …' : ''}</strong>
			</label>
			{#if words?.frost}<p class="signal">{words.frost}</p>{/if}
			{#if words?.floor}<p class:signal={words.floor.startsWith('Stop')}>{words.floor}</p>{/if}
			{#if proof && words}
				<section>
					<div class="section-head">
						<h2>The days</h2>
						<div class="pick" role="group" aria-label="Days drawn">
							{#each DAY_SHORT as name, i (name)}
								<button class="quiet small" aria-pressed={firstDay === i} onclick={() => (firstDay = i)}
									>{name}</button
								>
							{/each}
						</div>
					</div>
					{#if days}<Plot
							label="{proof.governs === 'floor'
								? 'Floor, room air'
								: 'Room'}, setpoint and heating over two days; filled where {governed} is over {differenceWords(
								unit,
								COLD_TOLERANCE_K
							)} colder than wanted"
							height={250}
							make={days}
						/>{/if}
					<details>
						<summary>The figures</summary>
						<table class="figures">
							<thead
								><tr
									><th>{proof.governs === 'floor' ? 'floor' : 'day'}</th><th>coldest</th><th>warmest</th><th
										>heated</th
									></tr
								></thead
							>
							<tbody>
								{#each byDay as day (day.name)}
									<tr>
										<td>{day.name}</td>
										<td>{say(day.coldest)}</td>
										<td>{say(day.warmest)}</td>
										<td>{duration(day.heated)}</td>
									</tr>
								{/each}
							</tbody>
						</table>
					</details>
				</section>
				<div class="two">
					<section>
						<h2>How long it takes to warm</h2>
						<p>{words.halfHour}</p>
						{#if curve}<Plot
								label="Warm-up minutes against outdoor temperature"
								height={210}
								make={curve}
							/>{/if}
						{#if proof.curve.length > 0}
							<details>
								<summary>The figures</summary>
								<table class="figures">
									<thead><tr><th>outside</th><th>from</th><th>minutes</th></tr></thead>
									<tbody>
										{#each proof.curve.filter((_, i) => i % 5 === 0) as point (point.outdoorC)}
											<tr
												><td>{outside(point.outdoorC)}</td><td>{say(point.fromC)}</td><td
													>{point.minutes ?? `not reached, ${say(point.highestC)} at most`}</td
												></tr
											>
										{/each}
									</tbody>
								</table>
							</details>
						{/if}
					</section>
					<section>
						<h2>The lead for each rise</h2>
						<ul class="rises">
							{#each proof.rises as rise (rise.at)}
								<li class:signal={rise.minutes === null}>
									{riseWords(rise.at, rise.minutes, zone.options.clock)}
								</li>
							{/each}
						</ul>
						{#if profile.startsEarly}
							<p class="warm">
								This control starts early by itself: leave the typed lead at none, or it is warm twice too
								soon.
							</p>
						{:else if proof.rises.length > 0}
							<Button disabled={taken} on:click={takeLead}
								>{taken ? 'Taken into the week' : `Take these leads for ${outside(outdoorC)}`}</Button
							>
							{#if never}<p class="signal">
									What is not reached gets the longest lead, {duration(LONGEST_LEAD)}.
								</p>{/if}
							{#if taken}
								<p>
									<a href="/sites/{data.site.id}/zones/{data.zone.id}/week">The week</a>, its fit and the
									<a href="/sites/{data.site.id}/zones/{data.zone.id}/key-in">card</a> have changed with it.
								</p>
							{:else if leadIsStale(zone)}
								<p class="signal">
									The lead in the week was computed for another room or week: take it anew.
								</p>
							{/if}
						{/if}
					</section>
				</div>
				<section>
					<h2>Steady, programmed, or frost level between</h2>
					<p>{words.setback} {words.low}</p>
					<table class="figures ways">
						<thead
							><tr><th></th><th>a day</th><th>cold while wanted</th><th>coldest</th><th>starts a day</th></tr
							></thead
						>
						<tbody>
							{#each ways as [name, way] (name)}
								<tr>
									<th scope="row">{name}</th>
									<td>{way.kWhPerDay.toFixed(1)} kWh</td>
									<td class:signal={way.coldMinutes > 0}>{duration(way.coldMinutes)} a week</td>
									<td>{say(way.coldestC)}</td>
									<td>{Math.round(way.startsPerDay)}</td>
								</tr>
							{/each}
						</tbody>
					</table>
				</section>
				<section>
					<h2>
						{room.regulation.kind === 'on-off' ? 'What the differential does' : 'What the cycle rate does'}
					</h2>
					<table class="figures ways">
						<thead
							><tr
								><th>{room.regulation.kind === 'on-off' ? 'differential' : 'cycles at half load'}</th><th
									>the room swings</th
								><th>starts an hour</th></tr
							></thead
						>
						<tbody>
							{#each proof.regulation as one (one.setting)}
								<tr>
									<th scope="row"
										>{room.regulation.kind === 'on-off'
											? differenceWords(unit, one.setting)
											: `${one.setting} / h`}</th
									>
									<td>{differenceWords(unit, one.swingK)}</td>
									<td>{one.startsPerHour.toFixed(1)}</td>
								</tr>
							{/each}
						</tbody>
					</table>
				</section>
				<YearProof {zone} {profile} siteId={data.site.id} />
				<MeasureRoom
					{room}
					{outdoorC}
					{unit}
					{plannedC}
					onmeasured={(next) => editor.change({ ...zone, room: next })}
				/>
			{/if}
		{/if}
	</main>
	{#if room}
		<aside>
			<RoomSurvey {room} {unit} onchange={(next) => editor.change({ ...zone, room: next })} />
			{#if proof}<p class="soft">Time constant {Math.round(proof.timeConstantHours)} h.</p>{/if}
			<button class="quiet" onclick={() => editor.change({ ...zone, room: null })}>Forget the room</button>
		</aside>
	{/if}
</div>

<Conflict {editor} {profile} />

<style>
	.page {
		--aside: 17.5rem;
	}
	.heading,
	.section-head {
		display: flex;
		flex-wrap: wrap;
		justify-content: space-between;
		gap: 0.5rem 1rem;
		align-items: center;
	}
	.starts {
		display: flex;
		flex-wrap: wrap;
		gap: 0.5rem;
		margin-top: 0.75rem;
	}
	.answer {
		margin: 0.3rem 0 0.4rem;
		font-size: 1.45rem;
		font-weight: 700;
		line-height: 1.25;
		max-width: 46rem;
	}
	.outside {
		display: grid;
		grid-template-columns: auto minmax(8rem, 22rem) 5rem;
		gap: 0.75rem;
		align-items: center;
		min-height: 44px;
	}
	input[type='range'] {
		height: 40px;
	}
	section {
		margin-top: 0.9rem;
	}
	h2 {
		font-size: 1rem;
	}
	.two {
		display: grid;
		grid-template-columns: 3fr 2fr;
		gap: 2rem;
	}
	.pick {
		display: flex;
		gap: 0.25rem;
	}
	.rises {
		margin: 0.3rem 0 0.6rem;
		padding: 0;
		list-style: none;
		columns: 2 9rem;
		font-variant-numeric: tabular-nums;
	}
	.ways {
		width: 100%;
	}
	@media (max-width: 860px) {
		.two {
			grid-template-columns: minmax(0, 1fr);
			gap: 0;
		}
		.outside {
			grid-template-columns: 1fr auto;
		}
		.outside span {
			grid-column: 1 / -1;
		}
	}
</style>
