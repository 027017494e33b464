<script lang="ts">
	import { Table, TableBody, TableCell, TableHead, TableHeader, TableRow } from 'carbon-components-svelte';
	import { untrack } from 'svelte';
	import { dateOfDay, dayNumber, localTime, wallAt, weekdayOfDay } from '$core/civil';
	import {
		localWords,
		setpointWithUnit,
		temperatureWords,
		type ControlOptions,
		type ControlProfile
	} from '$core/control';
	import { exceptionSchema, unitOf, type Absence, type Source, type Zone } from '$core/plan';
	import { absenceHolds, planAbsence } from '$core/run';
	import { absenceConflictWords, absenceKey } from '$core/words';
	import { wrongWords } from '$core/schema';
	import type { WeekSteps } from '$core/week';
	import { call } from '../call';
	import Button from '../kit/Button.svelte';
	import Check from '../kit/Check.svelte';
	import Choice from '../kit/Choice.svelte';
	import Field from '../kit/Field.svelte';
	import MomentField from '../kit/MomentField.svelte';
	import { refresh } from '../refresh';
	import { saving } from '../saving.svelte';
	import { awayCut } from './governed';
	import { leadsOf, onBoxOf } from '../zone/boxes';

	let {
		siteId,
		zones,
		sources,
		held,
		timeZone,
		nowMs
	}: {
		siteId: string;
		zones: readonly {
			readonly id: string;
			readonly boxId: string;
			readonly box: string;
			readonly name: string;
			readonly control: string;
			readonly revision: number;
			readonly document: Zone;
			readonly profile: ControlProfile;
			readonly options: ControlOptions;
		}[];
		/** What makes heat here. */
		sources: readonly Source[];
		/** What their controls hold, by the zones’ ids; null while that is being computed. */
		held: Readonly<Record<string, WeekSteps<number>>> | null;
		timeZone: string;
		nowMs: number;
	} = $props();

	/** What rooms are usually kept at while nobody is there, in °C: over what protects pipes, up to what keeps them dry. */
	const KEPT = [7, 8, 10, 12, 14, 16];
	const first = $derived(zones.find(({ profile }) => profile.temperature) ?? zones[0]);
	const unit = $derived(first ? unitOf(first.document, first.profile) : 'C');
	const friday = untrack(() => {
		const day = dayNumber(localTime(wallAt(timeZone, nowMs)).slice(0, 10)) + 1;
		return day + ((4 - weekdayOfDay(day) + 7) % 7);
	});
	let leave = $state(`${dateOfDay(friday)}T14:00`);
	let back = $state(`${dateOfDay(friday + 9)}T18:00`);
	let note = $state('');
	/** What rooms are kept at, in °C; null for each zone’s coolest level. */
	let keptC = $state<number | null>(null);
	/** Those that it is not planned for: to begin with, those that let a source run for rooms that freeze without it. */
	let left = $state.raw<readonly string[]>(
		untrack(() =>
			zones.flatMap((row) =>
				awayCut(row.document, row.profile, sources, zones) === null ? [] : [leadsOf(zones)[row.id]!]
			)
		)
	);
	/** Those that are better left on their week, with why. */
	const stays = $derived(
		zones.flatMap((row) => {
			const cut = awayCut(row.document, row.profile, sources, zones);
			return cut === null || !left.includes(leads[row.id]!) ? [] : [cut];
		})
	);
	let problem = $state<string | null>(null);
	let said = $state<string | null>(null);
	let busy = $state(false);

	const say = (options: ControlOptions) => (local: string) => localWords(local, options);
	const absenceOf = ({ id, document: zone, profile }: (typeof zones)[number]): Absence | string => {
		const coolest = Math.min(...zone.levels.map((level) => level.setpointC));
		const isSwitch = coolest < 2;
		const read = exceptionSchema.safeParse({
			kind: 'absence',
			id: 'draft',
			leave,
			back,
			setpointC: absenceHolds(
				profile,
				isSwitch ? coolest : (keptC ?? coolest),
				held?.[id] ?? [{ at: 0, value: coolest }]
			),
			note
		});
		if (read.success) return read.data as Absence;
		const issue = read.error.issues[0]!;
		return `${issue.path[0] === 'leave' ? 'Leaving' : 'The return'} ${wrongWords(read.error)}.`;
	};
	const plans = $derived(
		zones.map((row) => {
			const absence = absenceOf(row);
			return {
				row,
				absence,
				plan: typeof absence === 'string' ? null : planAbsence(row.profile, absence, held?.[row.id])
			};
		})
	);
	const refusal = $derived(plans.find((one) => typeof one.absence === 'string')?.absence ?? null);
	/** A control is keyed once, whatever hangs on it. */
	const leads = $derived(leadsOf(zones));
	const shown = $derived(plans.filter(({ row }) => leads[row.id] === row.id));
	const kept = $derived(plans.filter(({ row }) => !left.includes(leads[row.id]!)));
	const keptControls = $derived(shown.filter(({ row }) => !left.includes(row.id)).length);
	const nameOf = (row: (typeof zones)[number]) => (onBoxOf(zones, row.boxId).length > 1 ? row.box : row.name);
	/** What is cut off: a source whose governing control keeps nothing on while it is away. */
	const cuts = $derived(kept.flatMap(({ row }) => awayCut(row.document, row.profile, sources, zones) ?? []));

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
		const answer = await call('POST', `/api/v1/jobs/${siteId}/zones/apply`, { changes });
		problem = answer.ok ? null : answer.sentence;
		said = answer.ok
			? `Planned for ${keptControls === 1 ? nameOf(kept[0]!.row) : `${keptControls} controls`}.`
			: null;
		saving.now = answer.ok ? { kind: 'saved', at: Date.now() } : { kind: 'refused', sentence: 'Not saved' };
		await refresh('fq:site');
		busy = false;
	}
</script>

<section>
	<h2>The whole site away</h2>
	<div class="fields">
		<MomentField label="Leaving" value={leave} onchange={(local) => (leave = local)} />
		<MomentField label="Back" value={back} onchange={(local) => (back = local)} />
		<Choice
			label="Rooms are kept at"
			value={String(keptC ?? '')}
			options={[
				{ value: '', text: 'each zone’s coolest level' },
				...KEPT.map((c) => ({ value: String(c), text: temperatureWords(unit, c) }))
			]}
			onchange={(c) => (keptC = c === '' ? null : Number(c))}
		/>
		<Field label="What for" maxlength={60} placeholder="Winter closing" bind:value={note} />
	</div>
	{#if refusal}
		<p class="signal" role="alert">{refusal}</p>
	{:else}
		<Table>
			<TableHead>
				<TableRow>
					{#each ['Control', 'Key', 'When', 'Goes on', 'Watch out for'] as name (name)}
						<TableHeader>{name}</TableHeader>
					{/each}
				</TableRow>
			</TableHead>
			<TableBody>
				{#each shown as { row, plan, absence } (row.id)}
					{#if plan}
						<TableRow>
							<TableCell>
								<Check
									checked={!left.includes(row.id)}
									onchange={(on) => (left = on ? left.filter((id) => id !== row.id) : [...left, row.id])}
								>
									<strong>{nameOf(row)}</strong><br /><span class="soft">{row.control.toLowerCase()}</span>
								</Check>
							</TableCell>
							<TableCell
								><strong class="key">{absenceKey(plan, say(row.options))}</strong>
								{#if row.profile.temperature && typeof absence !== 'string'}<br /><span class="soft"
										>at {setpointWithUnit(row.profile, row.options, absence.setpointC)}</span
									>{/if}</TableCell
							>
							<TableCell>{plan.when}</TableCell>
							<TableCell
								>{plan.toWall === null
									? 'when someone ends it'
									: localWords(localTime(plan.toWall), row.options)}</TableCell
							>
							<TableCell
								><span class="warm"
									>{held
										? plan.conflicts.map((one) => absenceConflictWords(one, say(row.options))).join(' ')
										: '…'}</span
								></TableCell
							>
						</TableRow>
					{/if}
				{/each}
			</TableBody>
		</Table>
		{#each cuts as words (words)}<p class="signal" role="alert">{words}</p>{/each}
		{#each stays as words (words)}<p class="soft">{words}</p>{/each}
		<p class="act">
			<Button kind="next" disabled={busy || kept.length === 0} onclick={keep}
				>Plan it for {keptControls === 1 ? nameOf(kept[0]!.row) : `${keptControls} controls`}</Button
			>
		</p>
	{/if}
	{#if said}<p role="status">{said}</p>{/if}
	{#if problem}<p class="signal" role="alert">{problem}</p>{/if}
</section>

<style>
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
