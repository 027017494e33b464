<script lang="ts">
	import { dateWords } from '$core/civil';
	import { exceptionSchema } from '$core/plan';
	import { wrongWords } from '$core/schema';
	import { DAY_NAMES } from '$core/week';
	import Button from '../kit/Button.svelte';
	import Choice from '../kit/Choice.svelte';
	import DateField from '../kit/DateField.svelte';
	import type { ZoneModel } from '../zone/zoneModel.svelte';

	let { model, today }: { model: ZoneModel; /** The first date that counts. */ today: string } = $props();

	const { zone, profile } = $derived(model);
	const offered = $derived(profile.habits.specialDays);
	const coolest = $derived([...zone.levels].sort((a, b) => a.setpointC - b.setpointC)[0]!);
	const special = $derived(zone.exceptions.filter((one) => one.kind === 'special-day'));
	const taken = $derived(special.filter((one) => one.date >= today).length);

	let date = $state<string | null>(null);
	let runs = $state('rest');
	let problem = $state<string | null>(null);

	function add(event: SubmitEvent) {
		event.preventDefault();
		const read = exceptionSchema.safeParse({
			kind: 'special-day',
			id: crypto.randomUUID(),
			date,
			runs: runs === 'rest' ? { level: coolest.id } : { like: Number(runs) }
		});
		if (date === null) problem = 'Say which date.';
		else if (!read.success) problem = `The date ${wrongWords(read.error)}.`;
		else if (special.some((one) => one.date === date))
			problem = `${dateWords(date, 'short')} is a special day already.`;
		else if (taken >= (offered?.most ?? 0))
			problem = `This control holds ${offered?.most} special days; all are taken.`;
		else {
			problem = null;
			model.change({ ...zone, exceptions: [...zone.exceptions, read.data] });
			date = null;
		}
	}
</script>

{#if offered}
	<h2>Special days <span class="soft">{taken} of {offered.most}</span></h2>
	<form onsubmit={add}>
		<DateField label="Date" value={date} onchange={(next) => (date = next)} />
		<Choice
			label="Runs"
			value={runs}
			options={[
				{ value: 'rest', text: `${coolest.name} all day` },
				...DAY_NAMES.map((name, i) => ({ value: String(i), text: `as ${name}` }))
			]}
			onchange={(next) => (runs = next)}
		/>
		<Button type="submit">Add</Button>
	</form>
	{#if problem}<p class="signal" role="alert">{problem}</p>{/if}
	<p class="soft">{offered.how}</p>
{:else}
	<p class="soft">This control has no special days: override single dates.</p>
{/if}

<style>
	form {
		display: flex;
		flex-wrap: wrap;
		gap: 0.5rem 0.9rem;
		align-items: end;
	}
	form :global(.bx--select) {
		width: min(14rem, 100%);
	}
</style>
