<script lang="ts">
	import {
		blankProgram,
		standardGroupings,
		withForm,
		type ControlProfile,
		type Grouping,
		type ProgramForm
	} from '$core/control';
	import { readBlocks, writeBlocks } from '$core/formats';
	import HabitFields from './HabitFields.svelte';
	import MenuFields from './MenuFields.svelte';
	import OptionFields from './OptionFields.svelte';
	import PanelFields from './PanelFields.svelte';
	import Button from '../kit/Button.svelte';
	import Check from '../kit/Check.svelte';
	import Choice from '../kit/Choice.svelte';
	import Field from '../kit/Field.svelte';
	import NumberField from '../kit/NumberField.svelte';
	import { type FactTopic } from '$core/words';

	let {
		topic,
		draft,
		onchange,
		onproblem
	}: {
		topic: FactTopic;
		draft: ControlProfile;
		onchange: (draft: ControlProfile) => void;
		/** A sentence about what was typed here and could not be read at all. */
		onproblem: (sentence: string) => void;
	} = $props();

	const program = $derived(draft.program);
	const keying = $derived(draft.keying);

	const patch = (part: Partial<ControlProfile>) => onchange({ ...draft, ...part });
	const patchProgram = (part: object) => patch({ program: { ...program, ...part } as ProgramForm });
	const patchKeying = (part: Partial<ControlProfile['keying']>) => patch({ keying: { ...keying, ...part } });

	const PRESSES = [
		['enter', 'Presses to begin'],
		['leave', 'to end'],
		['day', 'to reach a day'],
		['field', 'to take a value'],
		['step', 'for one step']
	] as const;

	const words = (text: string) =>
		text
			.split(/[,;]/)
			.map((word) => word.trim())
			.filter((word) => word !== '');

	function figures(text: string, what: string): number[] | null {
		const read = words(text).map(Number);
		if (read.length > 0 && read.every((value) => Number.isFinite(value))) return read;
		onproblem(`${what}: write figures with commas between, as in 6, 4.`);
		return null;
	}

	const sameDays = (a: Grouping, b: Grouping) => JSON.stringify(a.groups) === JSON.stringify(b.groups);
	const offered = (grouping: Grouping) => draft.groupings.some((one) => sameDays(one, grouping));
	const ownBlocks = $derived(
		draft.groupings.filter((one) => !standardGroupings.some((grouping) => sameDays(one, grouping)))
	);

	function toggle(grouping: Grouping) {
		const kept = offered(grouping)
			? draft.groupings.filter((one) => !sameDays(one, grouping))
			: [...draft.groupings, grouping];
		patch({ groupings: kept });
	}

	/** Blocks of days as a person writes them: `Mon Wed Fri / Tue Thu / Sat-Sun`, or `Mon-Thu, Fri, Sat-Sun`. */
	let blocks = $state('');
	function addBlocks(text: string) {
		if (text.trim() === '') return;
		const read = readBlocks(text);
		if (!read.ok) {
			onproblem(read.problem.sentence);
			return;
		}
		const groups = read.value;
		let n = 1;
		while (draft.groupings.some((one) => one.id === `blocks-${n}`)) n++;
		const name = writeBlocks(groups).slice(0, 80);
		patch({ groupings: [...draft.groupings, { id: `blocks-${n}`, name, groups }] });
		blocks = '';
	}
</script>

{#snippet number(label: string, value: number, take: (value: number) => void, unit = '')}
	<NumberField {label} {unit} {value} onchange={(figure) => take(figure!)} />
{/snippet}

{#snippet text(label: string, value: string, take: (value: string) => void)}
	<div class="wide"><Field {label} {value} maxlength={200} onchange={take} /></div>
{/snippet}

{#snippet tick(label: string, checked: boolean, take: (checked: boolean) => void)}
	<Check {label} {checked} onchange={take} />
{/snippet}

{#snippet choice(label: string, value: string, options: [string, string][], take: (value: string) => void)}
	<Choice
		{label}
		{value}
		options={options.map(([id, name]) => ({ value: id, text: name }))}
		onchange={take}
	/>
{/snippet}

<div class="fields">
	{#if topic === 'holds'}
		{@render choice(
			'Holds',
			program.form,
			[
				['events', 'changes at times of day'],
				['slots', 'one value for each stretch'],
				['pairs', 'on/off pairs'],
				['plain', 'one setpoint']
			],
			(form) => onchange(withForm(draft, form as ProgramForm['form']))
		)}
		{#if program.form === 'events' || program.form === 'pairs'}
			{@render text('A day (factory setting first)', program.perDay.join(', '), (value) => {
				const perDay = figures(value, 'Changes a day');
				if (perDay) patchProgram({ perDay });
			})}
			{@render number(
				'On a raster of',
				program.stepMinutes,
				(stepMinutes) => patchProgram({ stepMinutes }),
				'minutes'
			)}
		{/if}
		{#if program.form === 'events'}
			{@render tick('Spare changes can be cleared', program.clearable, (clearable) =>
				patchProgram({ clearable })
			)}
			{@render tick('Saturday and Sunday hold other numbers', program.weekend !== null, (other) =>
				patchProgram({ weekend: other ? { saturday: 4, sunday: 4 } : null })
			)}
			{#if program.weekend}
				{@const weekend = program.weekend}
				{@render number('On Saturday', weekend.saturday, (saturday) =>
					patchProgram({ weekend: { ...weekend, saturday } })
				)}
				{@render number('On Sunday', weekend.sunday, (sunday) =>
					patchProgram({ weekend: { ...weekend, sunday } })
				)}
			{/if}
			{@render text(
				'Modes, warmest first (empty: a setpoint each)',
				program.modes?.join(', ') ?? '',
				(value) => {
					const modes = words(value).length === 0 ? null : words(value);
					patchProgram({ modes, beforeFirst: modes ? program.beforeFirst : 'carried' });
				}
			)}
			{#if program.modes}
				{@render tick(
					'Coolest mode before the first of a day',
					program.beforeFirst === 'coolest-mode',
					(cool) => patchProgram({ beforeFirst: cool ? 'coolest-mode' : 'carried' })
				)}
			{/if}
			{@render text('Its names for them (empty: numbered)', program.eventNames?.join(', ') ?? '', (value) =>
				patchProgram({ eventNames: words(value).length === 0 ? null : words(value) })
			)}
		{:else if program.form === 'slots'}
			{@render choice(
				'Each stretch is',
				String(program.slotMinutes),
				[
					['60', '60 min'],
					['30', '30 min'],
					['15', '15 min']
				],
				(value) => patchProgram({ slotMinutes: Number(value) })
			)}
			{@render text('Settings, warmest first', program.settings.join(', '), (value) =>
				patchProgram({ settings: words(value) })
			)}
		{:else if program.form === 'pairs'}
			{@render tick('A pair may end at 24:00', program.endsAtMidnight, (endsAtMidnight) =>
				patchProgram({ endsAtMidnight })
			)}
			{@render tick('On or off is keyed after each time', program.keyedAs === 'steps', (steps) =>
				patchProgram({ keyedAs: steps ? 'steps' : 'times' })
			)}
			{@render text(
				'Two setpoints, warmer first (empty: it only switches)',
				program.settings?.join(', ') ?? '',
				(value) => {
					const settings = words(value).length === 0 ? null : words(value);
					onchange({
						...draft,
						program: { ...program, settings: settings as [string, string] | null },
						temperature: settings
							? (draft.temperature ?? { minC: 5, maxC: 30, stepC: 0.5, units: ['C'] })
							: null
					});
				}
			)}
			{@render text('Channels (empty: one)', program.channels?.join(', ') ?? '', (value) =>
				patchProgram({ channels: words(value).length === 0 ? null : words(value) })
			)}
		{/if}
		{#if JSON.stringify(program) !== JSON.stringify(blankProgram(program.form)) && program.form !== 'plain'}
			<Button onclick={() => patch({ program: blankProgram(program.form) })}>Back to the usual</Button>
		{/if}
	{:else if topic === 'days'}
		{#each standardGroupings as grouping (grouping.id)}
			{@render tick(grouping.name, offered(grouping), () => toggle(grouping))}
		{/each}
		{#each ownBlocks as grouping (grouping.id)}
			{@render tick(grouping.name, true, () => toggle(grouping))}
		{/each}
		<div class="wide">
			<Field
				label="Other blocks"
				placeholder="Mon Wed Fri / Tue Thu / Sat-Sun"
				bind:value={blocks}
				onchange={addBlocks}
			/>
		</div>
	{:else if topic === 'temperatures'}
		{#if draft.temperature}
			{@const temperature = draft.temperature}
			{@const set = (part: object) => patch({ temperature: { ...temperature, ...part } })}
			{@render number('From', temperature.minC, (minC) => set({ minC }), '°C')}
			{@render number('to', temperature.maxC, (maxC) => set({ maxC }), '°C')}
			{@render number('in steps of', temperature.stepC, (stepC) => set({ stepC }), 'K')}
			{@render choice(
				'Shows',
				temperature.units.join(''),
				[
					['C', '°C'],
					['CF', '°C (factory) or °F'],
					['FC', '°F (factory) or °C'],
					['F', '°F']
				],
				(value) => set({ units: value.split('') })
			)}
			{#if program.form === 'events' && !program.modes}
				{@render tick('Also cools', draft.cooling !== null, (cools) =>
					patch({ cooling: cools ? { deadBandK: 2, maxC: 35 } : null })
				)}
			{/if}
			{#if draft.cooling}
				{@const cooling = draft.cooling}
				{@render number(
					'Dead band',
					cooling.deadBandK,
					(deadBandK) => patch({ cooling: { ...cooling, deadBandK } }),
					'K'
				)}
				{@render number(
					'Cooling up to',
					cooling.maxC,
					(maxC) => patch({ cooling: { ...cooling, maxC } }),
					'°C'
				)}
			{/if}
		{:else}
			<p class="soft">A control that only switches has none. Give its pairs two setpoints if it has.</p>
		{/if}
	{:else if topic === 'shows'}
		{@render choice(
			'Days as',
			draft.dayNumbering,
			[
				['names', 'names'],
				['monday-is-1', 'figures, Monday is 1'],
				['sunday-is-1', 'figures, Sunday is 1']
			],
			(value) => patch({ dayNumbering: value as ControlProfile['dayNumbering'] })
		)}
		{@render choice(
			'Clock',
			draft.clockFormats.join(','),
			[
				['24', '24 hours'],
				['24,12', '24 hours (factory) or 12'],
				['12,24', '12 hours (factory) or 24'],
				['12', '12 hours, am and pm']
			],
			(value) => patch({ clockFormats: value.split(',') as ControlProfile['clockFormats'] })
		)}
	{:else if topic === 'panel'}
		<PanelFields {draft} {onchange} />
	{:else if topic === 'keying'}
		{#if !draft.panel}
			{@render text('To begin', keying.enter, (enter) => patchKeying({ enter }))}
			{@render text('To end', keying.leave, (leave) => patchKeying({ leave }))}
			{@render text('The key that takes a value', keying.confirm, (confirm) => patchKeying({ confirm }))}
		{/if}
		{@render choice(
			'Asks first for',
			keying.eventOrder,
			[
				['time-first', 'the time'],
				['temperature-first', 'the temperature']
			],
			(value) => patchKeying({ eventOrder: value as 'time-first' })
		)}
		{@render choice(
			'A time is',
			keying.timeEntry,
			[
				['whole', 'one value'],
				['hour-then-minute', 'hours, then minutes']
			],
			(value) => patchKeying({ timeEntry: value as 'whole' })
		)}
		{#if !draft.panel}
			{@render choice(
				'A day is copied',
				keying.copy?.onto ?? 'none',
				[
					['none', 'not at all'],
					['next-day', 'onto the next day'],
					['any-day', 'onto any day'],
					['block', 'onto every day up to a chosen one']
				],
				(value) =>
					patchKeying({
						copy: value === 'none' ? null : { onto: value as 'next-day', presses: keying.copy?.presses ?? 3 }
					})
			)}
			{#if keying.copy}
				{@const copy = keying.copy}
				{@render number('in presses', copy.presses, (presses) => patchKeying({ copy: { ...copy, presses } }))}
			{/if}
		{/if}
		{@render tick('One entry can fill all days', keying.allDays, (allDays) => patchKeying({ allDays }))}
		{@render tick('A single value can be corrected', keying.correctsSingly, (correctsSingly) =>
			patchKeying({ correctsSingly })
		)}
		{@render tick('Leaves the menu by itself', keying.timeoutSeconds !== null, (leaves) =>
			patchKeying({ timeoutSeconds: leaves ? 60 : null })
		)}
		{#if keying.timeoutSeconds !== null}
			{@render number(
				'after',
				keying.timeoutSeconds,
				(timeoutSeconds) => patchKeying({ timeoutSeconds }),
				's'
			)}
		{/if}
		{@render tick('Must be set to a mode first', keying.bracket !== null, (needs) =>
			patchKeying({ bracket: needs ? { before: 'Off', after: 'Auto' } : null })
		)}
		{#if keying.bracket}
			{@const bracket = keying.bracket}
			{@render text('Before keying', bracket.before, (before) =>
				patchKeying({ bracket: { ...bracket, before } })
			)}
			{@render text('Afterwards', bracket.after, (after) => patchKeying({ bracket: { ...bracket, after } }))}
		{/if}
		{#each draft.panel ? [] : PRESSES as [key, label] (key)}
			{@render number(label, keying.presses[key], (value) =>
				patchKeying({ presses: { ...keying.presses, [key]: value } })
			)}
		{/each}
	{:else if topic === 'options'}
		<OptionFields {draft} {onchange} />
		<MenuFields {draft} {onchange} />
	{:else if topic === 'hand' || topic === 'away' || topic === 'clock'}
		<HabitFields {topic} {draft} {onchange} {number} {tick} {choice} />
	{:else}
		{@render tick('Learns to start early', draft.startsEarly, (startsEarly) => patch({ startsEarly }))}
		{#if draft.startsEarly}
			{@render number(
				'by at most',
				draft.habits.earlyStartMostMinutes,
				(earlyStartMostMinutes) => patch({ habits: { ...draft.habits, earlyStartMostMinutes } }),
				'minutes'
			)}
		{/if}
		{#if program.form !== 'plain'}
			{@render tick('Can be set to one setpoint, no program', draft.canBePlain, (canBePlain) =>
				patch({ canBePlain })
			)}
		{/if}
	{/if}
</div>

<style>
	.fields {
		display: flex;
		flex-wrap: wrap;
		gap: 0.35rem 1.1rem;
		align-items: center;
		padding: 0.5rem 0 0.25rem;
	}
	.fields > :global(.bx--form-item) {
		flex: 0 1 13rem;
	}
	.fields > :global(.bx--checkbox-wrapper) {
		flex: 0 1 auto;
	}
	.wide {
		flex: 1 1 100%;
	}
</style>
