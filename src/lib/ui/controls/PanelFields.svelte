<script lang="ts">
	import {
		shippedProfiles,
		startingPanel,
		withAwayFitted,
		type ControlProfile,
		type Panel,
		type PanelPlace,
		type ProgramPlace
	} from '$core/control';
	import { readKeys, writeKeys } from '$core/formats';
	import { placeFields } from '$core/words';
	import Button from '../kit/Button.svelte';
	import Check from '../kit/Check.svelte';
	import Choice from '../kit/Choice.svelte';
	import Field from '../kit/Field.svelte';
	import ModeFields from './ModeFields.svelte';
	import { newAwayPlace, newPlace, writingKeys } from './panelDraft';
	import WayField from './WayField.svelte';

	let { draft, onchange }: { draft: ControlProfile; onchange: (draft: ControlProfile) => void } = $props();

	const { panel } = $derived(draft);
	const set = (part: Partial<Panel>) => onchange({ ...draft, panel: { ...panel!, ...part } });
	const setProgram = (part: Partial<ProgramPlace>) => set({ program: { ...panel!.program!, ...part } });
	const setPlace = (index: number, part: Partial<PanelPlace>) =>
		set({ places: panel!.places.map((one, i) => (i === index ? { ...one, ...part } : one)) });

	/** Families that hold the same kind of program, to begin from their keys. */
	const alike = $derived(
		shippedProfiles.filter(
			({ id, program, panel: its }) => its && program.form === draft.program.form && id !== draft.id
		)
	);
	let problem = $state<string | null>(null);
	function takeKeys(text: string) {
		const read = readKeys(text, panel!.keys);
		problem = read.ok ? null : read.sentence;
		if (read.ok) set({ keys: read.value });
	}

	const keyChoices = $derived(panel?.keys.map(({ id, print }) => ({ value: id, text: print })) ?? []);
	/** What can stand in a menu of this control. */
	const possible = $derived(placeFields(draft));
	const away = $derived(newAwayPlace(draft));
</script>

{#if !panel}
	<p class="wide soft">
		With its keys described the card says which to press, and its simulator can be tried beside it.
	</p>
	<Button onclick={() => onchange({ ...draft, panel: startingPanel(draft) })}
		>Start with the usual keys</Button
	>
	{#if alike.length > 0}
		<Choice
			label="or with the keys of"
			value=""
			options={[
				{ value: '', text: 'a shipped control' },
				...alike.map(({ id, name }) => ({ value: id, text: name }))
			]}
			onchange={(id) => {
				const from = alike.find((one) => one.id === id);
				if (from?.panel) onchange({ ...draft, panel: withAwayFitted(from.panel, draft.habits.holiday) });
			}}
		/>
	{/if}
{:else if panel.states}
	<p class="wide">
		Its file says what each key does in each state. That is changed in the file: save it, change it, bring it
		in again.
	</p>
{:else}
	<div class="wide">
		<Field
			label="Its keys, by the words on them"
			help="A slide as Switch: Run / Off, a key behind a hole as Reset (pin), a touch glass ends on (touch)."
			value={writeKeys(panel.keys)}
			{problem}
			maxlength={240}
			onchange={takeKeys}
		/>
	</div>
	<Check
		label="At rest its keys change the setpoint"
		checked={panel.rest !== null}
		onchange={(changes) =>
			set({
				rest: changes
					? { up: panel.program?.up ?? panel.keys[0]!.id, down: panel.program?.down ?? panel.keys[0]!.id }
					: null
			})}
	/>
	{#if panel.rest}
		{@const { rest } = panel}
		<Choice
			label="Warmer"
			value={rest.up}
			options={keyChoices}
			onchange={(up) => set({ rest: { ...rest, up } })}
		/>
		<Choice
			label="Cooler"
			value={rest.down}
			options={keyChoices}
			onchange={(down) => set({ rest: { ...rest, down } })}
		/>
	{/if}
	{#if panel.program}
		{@const { program } = panel}
		<h3 class="wide">Its week</h3>
		<WayField
			label="The way to the week"
			needed
			{panel}
			way={program.way}
			onchange={(way) => setProgram({ way })}
		/>
		{#each program.channels as more, i (i)}
			<WayField
				label="then to channel {i + 1}"
				{panel}
				way={more}
				onchange={(way) => setProgram({ channels: program.channels.map((one, j) => (j === i ? way : one)) })}
			/>
		{/each}
		{#if program.writes.length === 0}
			<Choice label="More" value={program.up} options={keyChoices} onchange={(up) => setProgram({ up })} />
			<Choice
				label="Less"
				value={program.down}
				options={keyChoices}
				onchange={(down) => setProgram({ down })}
			/>
		{/if}
		<WayField
			label="Takes a value, goes on"
			single
			needed
			{panel}
			way={[program.take]}
			onchange={([take]) => setProgram({ take: take! })}
		/>
		<WayField
			label="To the next day"
			single
			needed
			{panel}
			way={[program.day]}
			onchange={([day]) => setProgram({ day: day! })}
		/>
		<WayField
			label="Clears a step"
			single
			{panel}
			way={program.clear ? [program.clear] : []}
			onchange={([clear]) => setProgram({ clear: clear ?? null })}
		/>
		<WayField
			label="Copies the day"
			single
			{panel}
			way={program.copy ? [program.copy.start] : []}
			onchange={([start]) =>
				setProgram({
					copy: start ? { put: null, block: false, ...program.copy, start } : null
				})}
		/>
		{#if program.copy}
			{@const { copy } = program}
			<WayField
				label="Puts the copy, where the day is chosen"
				single
				{panel}
				way={copy.put ? [copy.put] : []}
				onchange={([put]) =>
					setProgram({ copy: { ...copy, put: put ?? null, block: copy.block && put !== undefined } })}
			/>
			{#if copy.put}
				<Check
					label="Copies onto every day up to the chosen one"
					checked={copy.block}
					onchange={(block) => setProgram({ copy: { ...copy, block } })}
				/>
			{/if}
		{/if}
		<WayField label="The way out" {panel} way={program.leave} onchange={(leave) => setProgram({ leave })} />
		<Choice
			label="After a day’s last value"
			value={program.afterLast}
			options={[
				{ value: 'first-again', text: 'its first again' },
				{ value: 'next-day', text: 'the next day' }
			]}
			onchange={(afterLast) => setProgram({ afterLast: afterLast as ProgramPlace['afterLast'] })}
		/>
		{#if draft.program.form === 'slots'}
			{@const { settings } = draft.program}
			<Check
				label="A key writes the stretch and goes on"
				checked={program.writes.length > 0}
				onchange={(writes) => setProgram({ writes: writes ? writingKeys(panel, settings.length) : [] })}
			/>
			{#each program.writes as gesture, i (i)}
				<WayField
					label="Writes {settings[i]}"
					single
					needed
					{panel}
					way={[gesture]}
					onchange={([write]) =>
						setProgram({ writes: program.writes.map((one, j) => (j === i ? write! : one)) })}
				/>
			{/each}
		{/if}
		<Check
			label="Keeps what was not taken"
			checked={program.keeps}
			onchange={(keeps) => setProgram({ keeps })}
		/>
	{/if}
	{#each panel.places as place, i (i)}
		<h3 class="wide">Menu {i + 1}: {place.name}</h3>
		<Field
			label="Menu {i + 1}, as it shows"
			value={place.name}
			maxlength={24}
			onchange={(name) => setPlace(i, { name })}
		/>
		<WayField
			label="The way to menu {i + 1}"
			needed
			{panel}
			way={place.way}
			onchange={(way) => setPlace(i, { way })}
		/>
		<WayField
			label="Takes a value in menu {i + 1}"
			single
			needed
			{panel}
			way={[place.take]}
			onchange={([take]) => setPlace(i, { take: take! })}
		/>
		<WayField
			label="The way out of menu {i + 1}"
			{panel}
			way={place.leave}
			onchange={(leave) => setPlace(i, { leave })}
		/>
		<div class="wide ticks">
			{#each possible as [id, name] (id)}
				<Check
					label={name}
					checked={place.fields.includes(id)}
					onchange={(there) => {
						const fields = there ? [...place.fields, id] : place.fields.filter((one) => one !== id);
						if (fields.length > 0) setPlace(i, { fields });
					}}
				/>
			{/each}
			<Check
				label="Only while it is off"
				checked={place.onlyWhenOff}
				onchange={(onlyWhenOff) => setPlace(i, { onlyWhenOff })}
			/>
		</div>
		<Button small onclick={() => set({ places: panel.places.filter((_, j) => j !== i) })}
			>Leave out menu {i + 1}</Button
		>
	{/each}
	<div class="wide">
		<Button small onclick={() => set({ places: [...panel.places, newPlace(panel, possible[0]![0])] })}
			>Another menu</Button
		>
		{#if away}
			<Button small onclick={() => set({ places: [...panel.places, away] })}>A menu for being away</Button>
		{/if}
	</div>
	<ModeFields {draft} {onchange} />
	<div class="wide">
		<Button small onclick={() => onchange({ ...draft, panel: null })}>Leave the keys out again</Button>
	</div>
{/if}

<style>
	.wide {
		flex: 1 1 100%;
	}
	h3 {
		margin-top: 0.6rem;
		font-size: 1rem;
	}
	.ticks {
		display: flex;
		flex-wrap: wrap;
		gap: 0.2rem 1.1rem;
	}
</style>
