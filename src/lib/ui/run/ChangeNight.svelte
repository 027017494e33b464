<script lang="ts">
	import { localTime, wallAt } from '$core/civil';
	import { allowedOptions, type ControlProfile, type Program } from '$core/control';
	import type { Zone } from '$core/plan';
	import { rightClock, runOfZone } from '$core/run';
	import Tiles from '../kit/Tiles.svelte';
	import DatedChart from './DatedChart.svelte';
	import { datedDays } from './datedDays';
	import { clockChanges, summerTimeSentences } from '$core/words';

	let {
		zone,
		profile,
		program,
		timeZone,
		nowMs
	}: {
		zone: Zone;
		profile: ControlProfile;
		program: Program;
		timeZone: string;
		nowMs: number;
	} = $props();

	const options = $derived(allowedOptions(profile, zone.options));
	const changes = $derived(clockChanges(profile, options, timeZone, nowMs, 2));
	const rule = $derived(summerTimeSentences(timeZone, options, new Date(nowMs).getUTCFullYear()));
	let which = $state(0);

	let frameWidth = $state(760);
	const narrow = $derived(frameWidth < 640);
	const hourWidth = $derived(
		Math.max(6, narrow ? (frameWidth - 90) / 25.3 : (frameWidth / 2 - 12 - 124) / 25.3)
	);
	/** The week round a clock change on two controls that differ in one thing: whether they change by themselves. */
	const night = $derived.by(() => {
		const change = changes[which];
		if (!change) return null;
		const before = rightClock(profile, change.atMs - 7 * 86_400_000);
		const run = (follows: boolean) =>
			runOfZone({ ...zone, exceptions: [] }, profile, program, {
				timeZone,
				nowMs,
				clock: { ...before, follows }
			});
		const start = localTime(wallAt(timeZone, change.atMs - 2 * 86_400_000)).slice(0, 10);
		const right = run(true);
		const height = 30;
		return {
			change,
			itself: datedDays(right, start, 7, hourWidth, height),
			byHand: datedDays(run(false), start, 7, hourWidth, height, right)
		};
	});
	const ownWay = $derived(profile.habits.clock.summerTime === 'by-hand' ? 'byHand' : 'itself');
</script>

<section>
	<div class="changes-head">
		<h2>The next changes of clocks</h2>
		<p class="soft">{rule.join(' ')}</p>
	</div>
	{#if changes.length > 0}
		<div class="changes">
			<Tiles
				label="Which change is drawn"
				name="change"
				value={String(which)}
				tiles={changes.map((change, i) => ({ value: String(i), change }))}
				onchange={(next) => (which = Number(next))}
			>
				{#snippet tile({ change })}
					<span><strong>{change.date}</strong>, {change.from} becomes {change.to}</span><br />
					<span class:warm={change.byHand}>{change.sentence}</span>
				{/snippet}
			</Tiles>
		</div>
	{/if}
</section>
<div class="night" bind:clientWidth={frameWidth}>
	{#if night}
		{#each [['itself', 'A clock that changes by itself'], ['byHand', 'One that waits for a hand']] as const as [key, title] (key)}
			<figure class:own={ownWay === key}>
				<figcaption>
					<strong>{title}</strong>{#if ownWay === key}<span class="soft">, as this control does</span>{/if}
				</figcaption>
				<DatedChart
					drawing={night[key]}
					rowHeight={38}
					hours={[0, 6, 12, 18, 24]}
					narrowLabels={narrow}
					label="The week round {night.change.date}: {title}"
				/>
			</figure>
		{/each}
	{/if}
</div>
{#if night}
	<p class="soft hint">
		Drawn by the right time, a day of 23 or 25 hours as long as it is.
		<span class="swatch cold" aria-hidden="true"></span> colder,
		<span class="swatch warm-dots" aria-hidden="true"></span> warmer than it should be.
	</p>
{/if}

<style>
	h2 {
		margin-bottom: 0.25rem;
		font-size: 1.05rem;
	}
	.changes-head {
		display: flex;
		flex-wrap: wrap;
		gap: 0 1rem;
		align-items: baseline;
	}
	.changes {
		border-top: 2px solid var(--ink);
		border-bottom: 1px solid var(--rule);
	}
	.night {
		display: grid;
		grid-template-columns: 1fr 1fr;
		gap: 24px;
		margin-top: 0.4rem;
	}
	figure {
		min-width: 0;
		margin: 0;
	}
	figcaption {
		margin-bottom: 0.2rem;
	}
	.hint {
		margin-top: 0.4rem;
	}
	@media (max-width: 860px) {
		.night {
			grid-template-columns: minmax(0, 1fr);
		}
	}
</style>
