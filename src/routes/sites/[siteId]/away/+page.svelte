<script lang="ts">
	import { Table, TableBody, TableCell, TableHead, TableHeader, TableRow } from 'carbon-components-svelte';
	import { untrack } from 'svelte';
	import { allowedOptions, type ControlProfile, localWords } from '$core/control';
	import { dateOfDay, dayNumber, localTime, wallAt, weekdayOfDay } from '$core/civil';
	import { exceptionSchema, type Absence, type Zone } from '$core/plan';
	import { fitZone } from '$core/fit';
	import { wrongWords } from '$core/schema';
	import { planAbsence } from '$core/run';
	import { call } from '$lib/ui/call';
	import YearStrip from '$lib/ui/run/YearStrip.svelte';
	import { stripRow, yearAhead } from '$lib/ui/run/yearStrip';
	import { saving } from '$lib/ui/saving.svelte';
	import { refresh } from '$lib/ui/refresh';
	import Button from '$lib/ui/kit/Button.svelte';
	import Check from '$lib/ui/kit/Check.svelte';
	import Field from '$lib/ui/kit/Field.svelte';
	import MomentField from '$lib/ui/kit/MomentField.svelte';

	let { data } = $props();

	const timeZone = $derived(data.site.timeZone);
	const strip = $derived(yearAhead(timeZone, data.nowMs));
	const profileOf = (zone: Zone): ControlProfile =>
		data.profiles.find((profile) => profile.id === zone.control) ?? data.profiles[0]!;
	const zones = $derived(
		data.zones.map((row) => {
			const profile = profileOf(row.document);
			return { ...row, profile, options: allowedOptions(profile, row.document.options) };
		})
	);
	const rows = $derived(
		zones.map((row) =>
			stripRow(row.document, row.profile, strip, row.id, `/sites/${data.site.id}/zones/${row.id}/away`)
		)
	);
	const ahead = $derived(rows.filter((row) => row.spans.length > 0).length);

	const friday = untrack(() => {
		const day = dayNumber(localTime(wallAt(data.site.timeZone, data.nowMs)).slice(0, 10)) + 1;
		return day + ((4 - weekdayOfDay(day) + 7) % 7);
	});
	let leave = $state(`${dateOfDay(friday)}T14:00`);
	let back = $state(`${dateOfDay(friday + 9)}T18:00`);
	let note = $state('');
	let left = $state.raw<readonly string[]>([]);
	let problem = $state<string | null>(null);
	let said = $state<string | null>(null);
	let busy = $state(false);

	const absenceOf = (zone: Zone): Absence | string => {
		const coolest = Math.min(...zone.levels.map((level) => level.setpointC));
		const read = exceptionSchema.safeParse({
			kind: 'absence',
			id: 'draft',
			leave,
			back,
			setpointC: coolest,
			note
		});
		if (read.success) return read.data as Absence;
		const issue = read.error.issues[0]!;
		return `${issue.path[0] === 'leave' ? 'Leaving' : 'The return'} ${wrongWords(read.error)}.`;
	};
	const plans = $derived(
		zones.map((row) => {
			const absence = absenceOf(row.document);
			return {
				row,
				absence,
				plan:
					typeof absence === 'string'
						? null
						: planAbsence(
								row.profile,
								absence,
								(local) => localWords(local, row.options),
								fitZone(row.document, row.profile).chosen.held
							)
			};
		})
	);
	const refusal = $derived(plans.find((one) => typeof one.absence === 'string')?.absence ?? null);
	const kept = $derived(plans.filter((one) => !left.includes(one.row.id)));

	async function keep() {
		busy = true;
		problem = said = null;
		const changes = kept.map(({ row, absence }) => ({
			id: row.id,
			revision: row.revision,
			zone: {
				...row.document,
				exceptions: [...row.document.exceptions, { ...(absence as Absence), id: crypto.randomUUID() }]
			}
		}));
		const answer = await call('POST', `/api/v1/jobs/${data.site.id}/zones/apply`, { changes });
		problem = answer.ok ? null : answer.sentence;
		said = answer.ok
			? `Planned for ${kept.length === 1 ? kept[0]!.row.name : `${kept.length} zones`}.`
			: null;
		saving.now = answer.ok ? { kind: 'saved', at: Date.now() } : { kind: 'refused', sentence: 'Not saved' };
		await refresh('fq:site');
		busy = false;
	}
</script>

<svelte:head><title>{data.site.name}, away · Fond Quarter</title></svelte:head>

<main>
	<h1>{data.site.name}: holidays and special days</h1>
	<p class="lead">
		{ahead === 0
			? 'Nothing is planned: every zone runs its week.'
			: `${ahead} of ${rows.length} zones have something planned.`}
	</p>
	<YearStrip {strip} {rows} {timeZone} names />
	<p class="soft legend">
		<span class="swatch away"></span> away, as the control will hold it
		<span class="swatch special"></span> special day
		<span class="swatch stays"></span> on hold, manual or off with no end
	</p>

	<section>
		<h2>The whole site away</h2>
		<div class="fields">
			<MomentField label="Leaving" value={leave} onchange={(local) => (leave = local)} />
			<MomentField label="Back" value={back} onchange={(local) => (back = local)} />
			<Field label="What for" maxlength={60} placeholder="Winter closing" bind:value={note} />
		</div>
		{#if refusal}
			<p class="signal" role="alert">{refusal}</p>
		{:else}
			<Table>
				<TableHead>
					<TableRow>
						{#each ['Zone', 'Key', 'When', 'Goes on', 'Watch out for'] as name (name)}
							<TableHeader>{name}</TableHeader>
						{/each}
					</TableRow>
				</TableHead>
				<TableBody>
					{#each plans as { row, plan } (row.id)}
						{#if plan}
							<TableRow>
								<TableCell>
									<Check
										checked={!left.includes(row.id)}
										onchange={(on) => (left = on ? left.filter((id) => id !== row.id) : [...left, row.id])}
									>
										<strong>{row.name}</strong><br /><span class="soft">{row.control.toLowerCase()}</span>
									</Check>
								</TableCell>
								<TableCell><strong class="key">{plan.key}</strong></TableCell>
								<TableCell>{plan.when}</TableCell>
								<TableCell
									>{plan.toWall === null
										? 'when someone ends it'
										: localWords(localTime(plan.toWall), row.options)}</TableCell
								>
								<TableCell><span class="warm">{plan.conflicts.join(' ')}</span></TableCell>
							</TableRow>
						{/if}
					{/each}
				</TableBody>
			</Table>
			<p class="act">
				<Button kind="next" disabled={busy || kept.length === 0} onclick={keep}
					>Plan it for {kept.length === 1 ? kept[0]!.row.name : `${kept.length} zones`}</Button
				>
			</p>
		{/if}
		{#if said}<p role="status">{said}</p>{/if}
		{#if problem}<p class="signal" role="alert">{problem}</p>{/if}
	</section>
</main>

<style>
	.swatch {
		background: var(--held);
	}
	.lead {
		margin: 0.25rem 0 0.75rem;
		font-size: 1.05rem;
	}
	.legend {
		display: flex;
		flex-wrap: wrap;
		gap: 0.5rem;
		align-items: center;
		font-size: var(--small);
	}
	.swatch.special {
		width: 6px;
		background: var(--warm);
	}
	.swatch.stays {
		background: repeating-linear-gradient(-45deg, var(--signal) 0 2px, transparent 2px 5px);
		border: 1px solid var(--signal);
	}
	h2 {
		margin: 1.5rem 0 0.5rem;
		font-size: 1.1rem;
	}
	.fields {
		display: flex;
		flex-wrap: wrap;
		gap: 0.5rem 1.5rem;
	}
	.act {
		margin-top: 0.75rem;
	}
	.key {
		font-size: 1.15rem;
	}
</style>
