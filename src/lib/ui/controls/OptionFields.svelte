<script lang="ts">
	import {
		isOffered,
		OPTION_IDS,
		operationSchema,
		WIPES,
		type ControlProfile,
		type Operation,
		type OptionId,
		type OptionPlace,
		type Wipes
	} from '$core/control';
	import { readLamps, writeLamps } from '$core/formats';
	import { OPTION_NAMES, WIPES_WORDS } from '$core/words';
	import Check from '../kit/Check.svelte';
	import Choice from '../kit/Choice.svelte';
	import Field from '../kit/Field.svelte';
	import NumberField from '../kit/NumberField.svelte';

	let { draft, onchange }: { draft: ControlProfile; onchange: (draft: ControlProfile) => void } = $props();

	const operation = $derived(draft.operation);
	const set = (part: Partial<Operation>) => onchange({ ...draft, operation: { ...operation, ...part } });
	const offered = $derived(OPTION_IDS.filter((id) => isOffered(draft, id)));
	/** What may be reset by itself. */
	const RESETS = WIPES.filter((wipes): wipes is Exclude<Wipes, 'nothing'> => wipes !== 'nothing');

	/** Another word of where an option is; without a way to it nothing of it is said. */
	function place(id: OptionId, part: Partial<OptionPlace>) {
		const was = operation.options[id] ?? { how: '', wipes: 'program', onlyWhenOff: false };
		const next: OptionPlace = { ...was, ...part };
		const { [id]: _, ...others } = operation.options;
		set({ options: next.how.trim() === '' ? others : { ...others, [id]: next } });
	}
	function reset(wipes: (typeof RESETS)[number], how: string) {
		const others = operation.resets.filter((one) => one.wipes !== wipes);
		set({ resets: how.trim() === '' ? others : [...others, { wipes, how }] });
	}
	/** A lock to start from. */
	const usual = operationSchema.parse({
		lock: { how: 'Hold two keys until the padlock shows.', ends: 'Hold the same keys again.' }
	}).lock!;
</script>

{#each offered as id (id)}
	{@const known = operation.options[id]}
	{#if !draft.panel}
		<div class="wide">
			<Field
				label="{OPTION_NAMES[id]}: the way to it"
				value={known?.how ?? ''}
				maxlength={200}
				onchange={(how) => place(id, { how })}
			/>
		</div>
	{/if}
	{#if known}
		<Choice
			label="{OPTION_NAMES[id]}: a change of it"
			value={known.wipes}
			options={WIPES.map((wipes) => ({ value: wipes, text: WIPES_WORDS[wipes] }))}
			onchange={(wipes) => place(id, { wipes: wipes as Wipes })}
		/>
		{#if !draft.panel}
			<Check
				label="{OPTION_NAMES[id]}: only while it is off"
				checked={known.onlyWhenOff}
				onchange={(onlyWhenOff) => place(id, { onlyWhenOff })}
			/>
		{/if}
	{/if}
{/each}
{#if draft.panel}
	<p class="wide soft">Where they are found, how it is reset and locked is said with its keys.</p>
{:else}
	{#each RESETS as wipes (wipes)}
		<div class="wide">
			<Field
				label="As new, {WIPES_WORDS[wipes]}: how"
				value={operation.resets.find((one) => one.wipes === wipes)?.how ?? ''}
				maxlength={200}
				onchange={(how) => reset(wipes, how)}
			/>
		</div>
	{/each}
	<Choice
		label="Its lock"
		value={operation.lock?.covers ?? ''}
		options={[
			{ value: '', text: 'cannot be locked, or it is not known' },
			{ value: 'all', text: 'can be locked' },
			{ value: 'all-but-setpoint', text: 'can be locked, the setpoint stays free' }
		]}
		onchange={(covers) =>
			set({
				lock:
					covers === ''
						? null
						: { ...(operation.lock ?? usual), covers: covers as 'all' | 'all-but-setpoint' }
			})}
	/>
	{#if operation.lock}
		{@const lock = operation.lock}
		<div class="wide">
			<Field
				label="How: lock"
				value={lock.how}
				maxlength={200}
				onchange={(how) => set({ lock: { ...lock, how } })}
			/>
			<Field
				label="How: end the lock"
				value={lock.ends}
				maxlength={200}
				onchange={(ends) => set({ lock: { ...lock, ends } })}
			/>
		</div>
	{/if}
{/if}

{#if draft.habits.paired}
	{@const receiver = operation.receiver}
	<div class="wide">
		<Field
			label="How it is paired with its receiver"
			value={receiver?.pairing ?? ''}
			maxlength={200}
			onchange={(pairing) =>
				set({
					receiver:
						pairing.trim() === ''
							? null
							: { ...(receiver ?? { ownKey: '', alone: 'off', aloneAfterMinutes: 60, lamps: [] }), pairing }
				})}
		/>
	</div>
	{#if receiver}
		<div class="wide">
			<Field
				label="What the key of the receiver does"
				value={receiver.ownKey}
				maxlength={200}
				onchange={(ownKey) => set({ receiver: { ...receiver, ownKey } })}
			/>
			<Field
				label="What its lamp shows"
				help="As green: it rests; red: it heats."
				value={writeLamps(receiver.lamps)}
				maxlength={600}
				onchange={(text) => set({ receiver: { ...receiver, lamps: readLamps(text) } })}
			/>
		</div>
		<Choice
			label="When it hears nothing"
			value={receiver.alone}
			options={[
				{ value: 'off', text: 'it switches off' },
				{ value: 'stays', text: 'it stays as it is' },
				{ value: 'part-time', text: 'it heats part of the time' }
			]}
			onchange={(alone) => set({ receiver: { ...receiver, alone: alone as typeof receiver.alone } })}
		/>
		<NumberField
			label="It hears nothing after"
			unit="min"
			whole
			value={receiver.aloneAfterMinutes}
			least={1}
			most={1440}
			onchange={(minutes) => minutes && set({ receiver: { ...receiver, aloneAfterMinutes: minutes } })}
		/>
	{/if}
{/if}
<div class="wide">
	<Field
		label="What it counts, and where that is seen"
		value={operation.counts}
		maxlength={200}
		onchange={(counts) => set({ counts })}
	/>
</div>

<style>
	.wide {
		flex: 1 1 100%;
	}
</style>
