<script lang="ts">
	import { displaySetpoint, setpointWithUnit, timeStep } from '$core/control';
	import type { ZoneFit } from '$core/fit';
	import { levelOf, type Zone } from '$core/plan';
	import { clockTime, DAY_NAMES, DAY_SHORT, splitByDay, timeMinute } from '$core/week';
	import Button from '../kit/Button.svelte';
	import TimeField from '../kit/TimeField.svelte';
	import type { ZoneModel } from '../zone/zoneModel.svelte';
	import {
		dayCopied,
		dayShapes,
		riserCleared,
		riserMoved,
		risersOf,
		treadSet,
		type RiserPlace
	} from './weekEdits';

	let {
		model,
		zone,
		fit,
		day,
		selected
	}: {
		model: ZoneModel;
		/** The zone as it is shown here: while it is dragged, a moment old. */
		zone: Zone;
		fit: ZoneFit | null;
		day: number;
		selected: RiserPlace | null;
	} = $props();

	const { profile } = $derived(model);
	let problem = $state<string | null>(null);

	const riser = $derived(
		selected ? (risersOf(zone, selected.day).find((r) => r.riser === selected.riser) ?? null) : null
	);
	const tread = $derived(selected && riser ? dayShapes(zone)[selected.day]![selected.riser]! : null);
	const level = $derived(tread ? levelOf(zone, tread.value) : null);
	const step = $derived(timeStep(profile));
	const others = $derived(DAY_SHORT.map((_, d) => d).filter((d) => d !== day));
	const sorted = $derived([...zone.levels].sort((a, b) => b.setpointC - a.setpointC));

	/** Where the control makes this change, if it makes it at all. */
	const heldWords = $derived.by(() => {
		if (!fit || !selected || !riser || !level) return '';
		const spans = splitByDay(fit.chosen.held)[selected.day]!;
		const at = spans.find((span) => span.from <= riser.minute && riser.minute < span.to);
		const then = at ? setpointWithUnit(profile, zone.options, at.value) : '';
		const change = spans.find((span) => span.from === riser.minute && span.from > 0);
		if (change) return 'The control changes at this very minute.';
		if (riser.minute % step !== 0)
			return `This control moves in steps of ${step} min; it holds ${then} here.`;
		return `The control makes no change here; it holds ${then}.`;
	});

	function moveTo(time: string) {
		if (!selected) return;
		const minute = timeMinute(time);
		const next = riserMoved(zone, selected, minute, 1);
		model.change(next);
		const now = risersOf(next, selected.day).find((r) => r.riser === selected.riser);
		problem =
			now && now.minute !== minute
				? `The changes before and after leave room only up to ${clockTime(now.minute)}.`
				: null;
	}
</script>

{#if selected && riser && level}
	<section aria-label="The chosen change">
		<div class="line">
			<span class="day">{DAY_SHORT[selected.day]} from</span>
			{#if selected.riser === 0}
				<span class="day">00:00</span>
			{:else}
				<TimeField label="Time of this change" hideLabel value={clockTime(riser.minute)} onchange={moveTo} />
			{/if}
			<div class="levels" role="group" aria-label="Level from this change on">
				{#each sorted as one (one.id)}
					<Button
						aria-pressed={one.id === level.id}
						aria-label="{one.name}, {displaySetpoint(profile, zone.options, one.setpointC)}"
						onclick={() => model.change(treadSet(zone, selected.day, selected.riser, one.id))}
						>{profile.temperature ? one.letter : one.name}</Button
					>
				{/each}
				<Button onclick={() => model.change(riserCleared(zone, selected))}>Clear</Button>
			</div>
		</div>
		<p class="soft">{heldWords}</p>
		{#if problem}<p class="signal" role="alert">{problem}</p>{/if}
	</section>
{/if}

<section aria-label="Copy a day" class="line">
	<span class="day">Copy {DAY_SHORT[day]} onto</span>
	{#each others as other (other)}
		<Button
			small
			onclick={() => model.change(dayCopied(zone, day, [other]))}
			aria-label="Copy {DAY_NAMES[day]} onto {DAY_NAMES[other]}">{DAY_SHORT[other]}</Button
		>
	{/each}
	{#if day < 5}
		<Button small onclick={() => model.change(dayCopied(zone, day, [0, 1, 2, 3, 4]))}>Mon–Fri</Button>
	{/if}
	<Button small onclick={() => model.change(dayCopied(zone, day, [0, 1, 2, 3, 4, 5, 6]))}>all</Button>
</section>

<style>
	.line {
		display: flex;
		flex-wrap: wrap;
		gap: 0.35rem;
		align-items: center;
	}
	.line :global(.kit-button) {
		min-width: 0;
		padding-inline: 0.6rem;
	}
	.line :global(.bx--time-picker__input-field) {
		width: 5.5rem;
		font-family: var(--mono);
		font-weight: 700;
	}
	.day {
		margin-right: 0.3rem;
		font-weight: 700;
	}
	.levels {
		display: flex;
		flex-wrap: wrap;
		gap: 0.35rem;
	}
	.levels :global(.kit-button) {
		min-width: 44px;
		font-family: var(--mono);
	}
	p {
		margin: 0.3rem 0;
		font-size: var(--small);
	}
</style>
