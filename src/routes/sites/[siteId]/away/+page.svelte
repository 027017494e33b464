<script lang="ts">
	import { untrack } from 'svelte';
	import { Button } from 'carbon-components-svelte';
	import { allowedOptions, type ControlProfile } from '$core/control';
	import { dateOfDay, dayNumber, localTime, wallAt, weekdayOfDay } from '$core/civil';
	import { exceptionSchema, type Absence, type Zone } from '$core/plan';
	import { fitZone } from '$core/fit';
	import { wrongWords } from '$core/schema';
	import { localWords, planAbsence } from '$core/run';
	import { call } from '$lib/ui/call';
	import YearStrip from '$lib/ui/run/YearStrip.svelte';
	import { stripRow, yearAhead } from '$lib/ui/run/yearStrip';
	import { saving } from '$lib/ui/saving.svelte';
	import { refresh } from '$lib/ui/refresh';

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
		said = answer.ok ? `Kept for ${kept.length === 1 ? kept[0]!.row.name : `${kept.length} zones`}.` : null;
		saving.now = answer.ok ? { kind: 'saved', at: Date.now() } : { kind: 'refused', sentence: 'Not saved' };
		await refresh('fq:site');
		busy = false;
	}
</script>

<svelte:head><title>{data.site.name}, away · Fond Quarter</title></svelte:head>

<main>
	<h1>{data.site.name}: days that are not ordinary</h1>
	<p class="lead">
		{ahead === 0
			? 'Nothing out of the ordinary ahead on any zone.'
			: `${ahead} of ${rows.length} zones have something ahead.`}
	</p>
	<YearStrip {strip} {rows} {timeZone} names />
	<p class="soft legend">
		<span class="swatch away"></span> away, as the control will hold it
		<span class="swatch special"></span> special day
		<span class="swatch stays"></span> left on hold, manual or off
	</p>

	<section>
		<h2>Everybody away</h2>
		<div class="fields">
			<label><span class="soft">leaving</span> <input type="datetime-local" bind:value={leave} /></label>
			<label><span class="soft">back</span> <input type="datetime-local" bind:value={back} /></label>
			<label
				><span class="soft">what for</span>
				<input maxlength="60" placeholder="Winter closing" bind:value={note} /></label
			>
		</div>
		{#if refusal}
			<p class="signal" role="alert">{refusal}</p>
		{:else}
			<table>
				<thead>
					<tr><th>Zone</th><th>Key</th><th>When</th><th>Goes on</th><th>Mind</th></tr>
				</thead>
				<tbody>
					{#each plans as { row, plan } (row.id)}
						{#if plan}
							<tr class:out={left.includes(row.id)}>
								<th scope="row">
									<label class="pick"
										><input
											type="checkbox"
											checked={!left.includes(row.id)}
											onchange={() =>
												(left = left.includes(row.id)
													? left.filter((id) => id !== row.id)
													: [...left, row.id])}
										/>
										<span
											><strong>{row.name}</strong><br /><span class="soft">{row.control.toLowerCase()}</span
											></span
										></label
									>
								</th>
								<td class="key">{plan.key}</td>
								<td>{plan.when}</td>
								<td
									>{plan.toWall === null
										? 'when someone ends it'
										: localWords(localTime(plan.toWall), row.options)}</td
								>
								<td class="mind">{plan.conflicts.join(' ')}</td>
							</tr>
						{/if}
					{/each}
				</tbody>
			</table>
			<Button disabled={busy || kept.length === 0} on:click={keep}
				>Keep it for {kept.length === 1 ? kept[0]!.row.name : `${kept.length} zones`}</Button
			>
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
		font-size: 0.9rem;
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
		gap: 0.5rem 0.9rem;
	}
	.fields label {
		display: grid;
	}
	input[type='checkbox'] {
		flex: none;
		width: 1.25rem;
		height: 1.25rem;
		accent-color: var(--ink);
	}
	table {
		width: 100%;
		margin: 0.75rem 0;
		border-collapse: collapse;
	}
	thead th {
		padding: 0.4rem 0.6rem;
		border-bottom: 2px solid var(--ink);
		text-align: left;
		font-size: 0.85rem;
		color: var(--soft);
	}
	tbody tr {
		border-bottom: 1px solid var(--rule);
	}
	tbody .out {
		opacity: 0.5;
	}
	th[scope='row'] {
		text-align: left;
		font-weight: 400;
	}
	td,
	th[scope='row'] {
		padding: 0.35rem 0.6rem;
		vertical-align: top;
	}
	.pick {
		display: flex;
		gap: 0.6rem;
		min-height: 44px;
	}
	.key {
		font-size: 1.15rem;
		font-weight: 700;
		white-space: nowrap;
	}
	.mind {
		max-width: 30rem;
		font-size: 0.95rem;
		color: var(--soft);
	}
	@media (max-width: 700px) {
		thead {
			display: none;
		}
		tbody tr {
			display: grid;
			padding: 0.4rem 0;
		}
		.key {
			white-space: normal;
		}
	}
</style>
