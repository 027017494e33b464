<script lang="ts">
	import { displayTime, displaySetpoint, timeStep, type ControlProfile } from '$core/control';
	import type { ZoneFit } from '$core/fit';
	import { levelOf, type Zone } from '$core/plan';
	import { DAY_NAMES, DAY_SHORT, splitByDay } from '$core/week';
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
		zone,
		profile,
		fit,
		day,
		selected,
		onchange
	}: {
		zone: Zone;
		profile: ControlProfile;
		fit: ZoneFit | null;
		day: number;
		selected: RiserPlace | null;
		onchange: (zone: Zone) => void;
	} = $props();

	let problem = $state<string | null>(null);

	const riser = $derived(
		selected ? (risersOf(zone, selected.day).find((r) => r.riser === selected.riser) ?? null) : null
	);
	const tread = $derived(selected && riser ? dayShapes(zone)[selected.day]![selected.riser]! : null);
	const level = $derived(tread ? levelOf(zone, tread.value) : null);
	const step = $derived(timeStep(profile));
	const others = $derived(DAY_SHORT.map((_, d) => d).filter((d) => d !== day));

	/** Where the control makes this change, if it makes it at all. */
	const heldWords = $derived.by(() => {
		if (!fit || !selected || !riser || !level) return '';
		const spans = splitByDay(fit.chosen.held)[selected.day]!;
		const at = spans.find((span) => span.from <= riser.minute && riser.minute < span.to);
		const then = at ? displaySetpoint(profile, zone.options, at.value) : '';
		const change = spans.find((span) => span.from === riser.minute && span.from > 0);
		if (change) return 'The control changes at this very minute.';
		if (riser.minute % step !== 0)
			return `This control moves in steps of ${step} min; it holds ${then} here.`;
		return `The control makes no change here; it holds ${then}.`;
	});

	function typed(field: HTMLInputElement) {
		const match = /^\s*(\d{1,2})[:.]?(\d{2})\s*$/.exec(field.value);
		const minute = match ? Number(match[1]) * 60 + Number(match[2]) : NaN;
		if (!selected || !match || Number(match[2]) > 59 || minute >= 1440) {
			problem = `"${field.value}" is no time of day; write it like 06:30.`;
			field.value = displayTime(riser!.minute, '24');
			return;
		}
		problem = null;
		const next = riserMoved(zone, selected, minute, 1);
		onchange(next);
		const now = risersOf(next, selected.day).find((r) => r.riser === selected.riser);
		if (now && now.minute !== minute)
			problem = `The changes before and after leave room only up to ${displayTime(now.minute, '24')}.`;
	}
</script>

{#if selected && riser && level}
	<section aria-label="The chosen change">
		<h2>{DAY_NAMES[selected.day]}, from</h2>
		{#key `${selected.day}-${riser.riser}-${riser.minute}`}
			<input
				class="time"
				aria-label="Time of this change"
				value={displayTime(riser.minute, '24')}
				disabled={selected.riser === 0}
				onchange={(event) => typed(event.currentTarget)}
			/>
		{/key}
		<div class="levels" role="group" aria-label="Level from this change on">
			{#each [...zone.levels].sort((a, b) => b.setpointC - a.setpointC) as one (one.id)}
				<button
					class="quiet mono"
					aria-pressed={one.id === level.id}
					aria-label={one.name}
					onclick={() => onchange(treadSet(zone, selected.day, selected.riser, one.id))}>{one.letter}</button
				>
			{/each}
			<button class="quiet" onclick={() => onchange(riserCleared(zone, selected))}>Clear</button>
		</div>
		<p class="soft">{heldWords}</p>
		{#if problem}<p class="signal" role="alert">{problem}</p>{/if}
	</section>
{/if}

<section aria-label="Copy a day">
	<h2>Copy {DAY_NAMES[day]} onto</h2>
	<div class="days">
		{#each others as other (other)}
			<button
				class="quiet"
				onclick={() => onchange(dayCopied(zone, day, [other]))}
				aria-label="Copy {DAY_NAMES[day]} onto {DAY_NAMES[other]}">{DAY_SHORT[other]}</button
			>
		{/each}
		{#if day < 5}
			<button class="quiet" onclick={() => onchange(dayCopied(zone, day, [0, 1, 2, 3, 4]))}>Mon–Fri</button>
		{/if}
		<button class="quiet" onclick={() => onchange(dayCopied(zone, day, [0, 1, 2, 3, 4, 5, 6]))}>all</button>
	</div>
</section>

<style>
	h2 {
		font-size: 0.85rem;
		color: var(--soft);
	}
	.time {
		width: 100%;
		padding: 0;
		border: 0;
		border-bottom: 1px dashed var(--rule);
		background: none;
		color: inherit;
		font-family: var(--display);
		font-size: 2.1rem;
		line-height: 1.25;
	}
	.time:disabled {
		border-bottom: 0;
		opacity: 1;
	}
	.levels,
	.days {
		display: flex;
		flex-wrap: wrap;
		gap: 0.35rem;
		margin: 0.4rem 0;
	}
	.days {
		display: grid;
		grid-template-columns: repeat(4, 1fr);
	}
	.days .quiet {
		font-size: 0.86rem;
		letter-spacing: -0.01em;
	}
	.levels .quiet,
	.days .quiet {
		min-width: 44px;
		padding: 0 0.2rem;
		white-space: nowrap;
	}
	p {
		font-size: 0.92rem;
	}
	section + section {
		margin-top: 1rem;
	}
</style>
