<script lang="ts">
	import {
		allowedOptions,
		expandProgram,
		type ControlProfile,
		type Program,
		localWords
	} from '$core/control';
	import { instantOf, localTime, wallAt, wallMinute } from '$core/civil';
	import type { Absence, Zone } from '$core/plan';
	import { planAbsence, runOfZone, timeline } from '$core/run';
	import { awayKeys } from '$core/keying';
	import { isOperable } from '$core/machine';
	import { absenceConflictWords, absenceKey } from '$core/words';
	import AwayStrokes from './AwayStrokes.svelte';

	let {
		zone,
		profile,
		program,
		timeZone,
		nowMs,
		absence,
		proposed = false
	}: {
		zone: Zone;
		profile: ControlProfile;
		program: Program;
		timeZone: string;
		nowMs: number;
		absence: Absence;
		/** Whether it is only thought of: what is keyed belongs to what is planned. */
		proposed?: boolean;
	} = $props();

	const options = $derived(allowedOptions(profile, zone.options));
	const say = $derived((local: string) => localWords(local, options));
	const held = $derived(expandProgram(program, Math.min(...zone.levels.map((level) => level.setpointC))));
	const plan = $derived(planAbsence(profile, absence, held));

	/** When, after the holiday, the control first asks for the zone's warmest again. */
	const warm = $derived.by(() => {
		const run = runOfZone({ ...zone, exceptions: [absence] }, profile, program, { timeZone, nowMs });
		const from = instantOf(timeZone, wallMinute(absence.leave));
		const spans = timeline(run, from, from + 400 * 86_400_000);
		const over = spans.findLastIndex((span) => span.exception === absence.id);
		if (over < 0) return null;
		const keptC = spans[over]!.heatC ?? 0;
		const after = spans.slice(over + 1);
		const warmest = Math.max(...after.map((span) => span.heatC ?? 0));
		const first = after.find((span) => (span.heatC ?? 0) >= warmest && (span.heatC ?? 0) > keptC);
		return first ? localTime(wallAt(timeZone, first.fromMs)) : null;
	});
	const keys = $derived(isOperable(profile) ? awayKeys(profile, options, { ...absence, ...plan }) : null);
	const resumes = $derived(plan.toWall === null ? null : localTime(plan.toWall));
</script>

<div class="plan" class:proposed>
	{#if proposed}
		<p>
			<strong>Not planned yet.</strong> It would be {plan.by === 'by-hand' ? 'done' : 'keyed'}
			{plan.when}: <span class="would">{absenceKey(plan, say)}</span>.
		</p>
	{:else}
		<p class="key">
			<span class="soft">{plan.by === 'by-hand' ? 'Do' : 'Key'} {plan.when}</span>
			<strong>{absenceKey(plan, say)}</strong>
		</p>
		{#if keys && isOperable(profile)}<AwayStrokes {keys} panel={profile.panel} />
		{:else if profile.habits.holiday}<p class="soft">{profile.habits.holiday.how}</p>{/if}
	{/if}
	<p>
		{#if resumes}
			In force until <strong>{say(resumes)}</strong>{#if warm}; calls for heat again {warm === resumes
					? 'at once'
					: say(warm)}{/if}.
		{:else}
			It does not end by itself{#if warm}; ended on return it calls for heat {say(warm)}{/if}.
		{/if}
	</p>
	{#each plan.conflicts as conflict (conflict.kind)}
		<p class="conflict">{absenceConflictWords(conflict, say)}</p>
	{/each}
</div>

<style>
	.plan {
		padding-left: 0.75rem;
		border-left: 4px solid var(--ink);
	}
	.proposed {
		border-left-color: var(--rule);
	}
	.key {
		display: flex;
		flex-wrap: wrap;
		gap: 0 0.75rem;
		align-items: baseline;
	}
	.key strong {
		font-family: var(--display);
		font-weight: 600;
		font-size: 1.9rem;
		line-height: 1.25;
	}
	.conflict {
		color: var(--warm);
		font-weight: 700;
		font-size: var(--small);
	}
</style>
