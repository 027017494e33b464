<script lang="ts">
	import { untrack } from 'svelte';
	import { dateOfDay, dayNumber, localTime, wallAt, weekdayOfDay } from '$core/civil';
	import { allowedOptions, expandProgram, setpointWithUnit, type Program } from '$core/control';
	import { absenceHolds, absenceKeeps } from '$core/run';
	import { exceptionSchema, type Absence } from '$core/plan';
	import { wrongWords } from '$core/schema';
	import Button from '../kit/Button.svelte';
	import Choice from '../kit/Choice.svelte';
	import MomentField from '../kit/MomentField.svelte';
	import AbsencePlanned from './AbsencePlanned.svelte';
	import type { ZoneModel } from '../zone/zoneModel.svelte';

	let {
		model,
		program,
		timeZone,
		nowMs
	}: {
		model: ZoneModel;
		program: Program;
		timeZone: string;
		nowMs: number;
	} = $props();

	const { zone, profile } = $derived(model);
	const options = $derived(allowedOptions(profile, zone.options));
	const isSwitch = $derived(profile.temperature === null);
	const ranked = $derived([...zone.levels].sort((a, b) => a.setpointC - b.setpointC));

	/** The coming Friday at 14:00, and nine nights later at 18:00: something to change, not a guess at a life. */
	const friday = untrack(() => {
		const day = dayNumber(localTime(wallAt(timeZone, nowMs)).slice(0, 10)) + 1;
		return day + ((4 - weekdayOfDay(day) + 7) % 7);
	});
	let leave = $state(`${dateOfDay(friday)}T14:00`);
	let back = $state(`${dateOfDay(friday + 9)}T18:00`);
	let level = $state<string | null>(null);
	const kept = $derived(ranked.find((one) => one.id === level) ?? ranked[0]!);
	/** Whether its menu of absences takes a figure; else it holds the lowest of its week. */
	const keeps = $derived(absenceKeeps(profile));
	const heldC = $derived(absenceHolds(profile, kept.setpointC, expandProgram(program, ranked[0]!.setpointC)));
	const words = $derived(setpointWithUnit(profile, options, heldC));
	const draft = $derived.by((): { absence: Absence } | { problem: string } => {
		const read = exceptionSchema.safeParse({
			kind: 'absence',
			id: 'draft',
			leave,
			back,
			setpointC: heldC
		});
		if (read.success) return { absence: read.data as Absence };
		const field = read.error.issues[0]!.path[0] === 'leave' ? 'Leaving' : 'The return';
		return { problem: `${field} ${wrongWords(read.error)}.` };
	});

	let keyedBy = $state<NonNullable<Absence['keyedBy']>>('household');

	const isPlanned = $derived(
		zone.exceptions.some((one) => one.kind === 'absence' && one.leave === leave && one.back === back)
	);

	function plan() {
		if (!('absence' in draft)) return;
		const exceptions = [...zone.exceptions, { ...draft.absence, keyedBy, id: crypto.randomUUID() }];
		model.change({ ...zone, exceptions });
	}
</script>

<section>
	<h2>Plan a holiday</h2>
	<div class="fields">
		<MomentField label="Leaving" value={leave} onchange={(local) => (leave = local)} />
		<MomentField label="Back" value={back} onchange={(local) => (back = local)} />
		{#if keeps === 'figure'}
			<Choice
				label="Kept at"
				value={kept.id}
				options={ranked.map((one) => ({
					value: one.id,
					text: `${one.name}${isSwitch ? '' : ` ${setpointWithUnit(profile, options, one.setpointC)}`}`
				}))}
				onchange={(id) => (level = id)}
			/>
		{/if}
		<Choice
			label="Keyed by"
			value={keyedBy}
			options={[
				{ value: 'household', text: 'the household' },
				{ value: 'installer', text: 'us' }
			]}
			onchange={(who) => (keyedBy = who as typeof keyedBy)}
		/>
	</div>
	{#if isPlanned}
		<p class="soft">These days are planned: what is keyed for them stands with what is planned.</p>
	{:else if 'absence' in draft}
		<AbsencePlanned {zone} {profile} {program} {timeZone} {nowMs} absence={draft.absence} proposed />
		{#if keeps === 'lowest' && !isSwitch}
			<p class="soft">
				It holds {words} while away, the lowest of its week: another temperature cannot be keyed.
			</p>
		{/if}
		{#if !isSwitch && heldC < 12}
			<p class="soft">{words} protects pipes, not people or pets; cold corners freeze first.</p>
		{/if}
		<Button onclick={plan}>Plan this holiday</Button>
	{:else}
		<p class="signal" role="alert">{draft.problem}</p>
	{/if}
</section>

<style>
	section {
		display: grid;
		gap: 0.6rem;
		align-content: start;
		justify-items: start;
	}
	.fields {
		display: flex;
		flex-wrap: wrap;
		gap: 0.5rem 0.9rem;
		align-items: end;
	}
	.fields :global(.bx--select) {
		width: min(14rem, 100%);
	}
</style>
