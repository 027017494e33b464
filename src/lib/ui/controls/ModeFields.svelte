<script lang="ts">
	import { keptSetpoints } from '$core/machine';
	import { entryName, type ControlProfile, type Panel } from '$core/control';
	import Choice from '../kit/Choice.svelte';
	import Field from '../kit/Field.svelte';
	import NumberField from '../kit/NumberField.svelte';
	import { codeOf, handActs, modeNames, modesBy, modesOf, put } from './panelDraft';
	import WayField from './WayField.svelte';

	/** What is done at a control's keys apart from its menus: modes, what the household does, resets, the lock. */
	let { draft, onchange }: { draft: ControlProfile; onchange: (draft: ControlProfile) => void } = $props();

	const panel = $derived(draft.panel!);
	const set = (part: Partial<Panel>) => onchange({ ...draft, panel: { ...panel, ...part } });
	/** The entries that hold a temperature, for the modes that keep one. */
	const degrees = $derived(
		draft.menu
			.filter(({ values }) => values.kind === 'degrees')
			.map((entry) => ({ value: entry.id, text: `${entry.print}: ${entryName(entry)}` }))
	);
	/** The setpoints that are kept for its week, warmest first. */
	const weekly = $derived(
		keptSetpoints(draft).map((name, i) => ({ value: `setpoint-${i + 1}`, text: `${name} of its week` }))
	);
	const RESETS = [
		['program', 'the week'],
		['clock', 'the time'],
		['all', 'everything']
	] as const;
</script>

<h3>Modes, resets, lock</h3>
<Field
	label="Its modes, the first when new"
	help="With commas between; none if it has none."
	value={panel.modes?.names.join(', ') ?? ''}
	maxlength={110}
	onchange={(text) => {
		const names = modeNames(text);
		set({ modes: names && modesOf(panel, names) });
	}}
/>
{#if panel.modes}
	{@const { modes } = panel}
	<WayField
		label="On to the next mode"
		single
		{panel}
		way={modes.next ? [modes.next] : []}
		onchange={([next]) => set({ modes: modesBy(panel, next) })}
	/>
	{#each modes.each as way, i (i)}
		<WayField
			label="To {modes.names[i]}"
			needed
			{panel}
			{way}
			onchange={(next) =>
				set({ modes: { ...modes, each: modes.each.map((one, j) => (j === i ? next : one)) } })}
		/>
	{/each}
	<Choice
		label="Which of them is off"
		value={modes.off ?? ''}
		options={[{ value: '', text: 'none' }, ...modes.names.map((name) => ({ value: name, text: name }))]}
		onchange={(off) => set({ modes: { ...modes, off: off || null } })}
	/>
	{#if draft.temperature}
		{#each modes.names.slice(1) as name (name)}
			<Choice
				label="{name} keeps"
				value={modes.figures[name] ?? ''}
				options={[
					{ value: '', text: 'nothing of its own' },
					{ value: 'kept', text: 'the setpoint without a program' },
					...weekly,
					...(draft.cooling
						? [
								{ value: 'heat-only', text: 'its program, heating only' },
								{ value: 'cool-only', text: 'its program, cooling only' }
							]
						: []),
					...degrees
				]}
				onchange={(figure) =>
					set({ modes: { ...modes, figures: put(modes.figures, name, figure || undefined) } })}
			/>
		{/each}
	{/if}
{/if}
{#each handActs(draft) as [what, label] (what)}
	<WayField
		{label}
		{panel}
		way={panel.hand[what] ?? []}
		onchange={(way) => set({ hand: put(panel.hand, what, way.length > 0 ? way : undefined) })}
	/>
{/each}
{#each RESETS as [wipes, words] (wipes)}
	<WayField
		label="As new, wiping {words}"
		{panel}
		way={panel.resets[wipes] ?? []}
		onchange={(way) => set({ resets: put(panel.resets, wipes, way.length > 0 ? way : undefined) })}
	/>
{/each}
<WayField
	label="Locks its keys"
	{panel}
	way={panel.lock?.way ?? []}
	onchange={(way) =>
		set({
			lock:
				way.length > 0
					? {
							covers: panel.lock?.covers ?? 'all',
							ends: panel.lock?.ends ?? way,
							code: panel.lock?.code ?? null,
							way
						}
					: null
		})}
/>
{#if panel.lock}
	{@const { lock } = panel}
	<WayField
		label="Ends the lock"
		needed
		{panel}
		way={lock.ends}
		onchange={(ends) => set({ lock: { ...lock, ends } })}
	/>
	<NumberField
		label="Its code has so many figures; none: empty"
		value={lock.code?.digits ?? null}
		least={1}
		most={6}
		whole
		empty
		onchange={(digits) => set({ lock: { ...lock, code: codeOf(panel, digits) } })}
	/>
	{#if lock.code}
		{@const { code } = lock}
		<Field
			label="The code that it comes with"
			maxlength={6}
			value={code.factory}
			onchange={(factory) => set({ lock: { ...lock, code: { ...code, factory: factory.trim() } } })}
		/>
	{/if}
{/if}

<style>
	h3 {
		flex: 1 1 100%;
		margin-top: 0.6rem;
		font-size: 1rem;
	}
</style>
