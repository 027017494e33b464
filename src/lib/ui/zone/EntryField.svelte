<script lang="ts">
	import {
		fromUnit,
		inUnit,
		roundFigure,
		keptSetpoint,
		type ControlProfile,
		type MenuEntry
	} from '$core/control';
	import { entryValue } from '$core/machine';
	import { menuWanted } from '$core/keying';
	import type { Settings, Zone } from '$core/plan';
	import Choice from '../kit/Choice.svelte';
	import NumberField from '../kit/NumberField.svelte';
	import { settingsWithEntry } from './entrySettings';

	/** One entry of a control's menus, put otherwise than the plan would, or left to it again. */
	let {
		entry,
		zone,
		profile,
		onchange,
		ondone
	}: {
		entry: MenuEntry;
		zone: Zone;
		profile: ControlProfile;
		onchange: (settings: Settings) => void;
		ondone: () => void;
	} = $props();

	const unit = $derived(zone.options.unit);
	const { values } = $derived(entry);
	const position = $derived(menuWanted([zone], profile).find((one) => one.entry.id === entry.id)?.position);
	const isDegrees = $derived(values.kind === 'degrees');
	const shown = (value: number) => (isDegrees ? roundFigure(inUnit(unit, value)) : value);
	const figure = $derived(position === undefined ? null : shown(entryValue(profile, unit, entry, position)));
	function put(value: number | null) {
		onchange(settingsWithEntry(zone.settings, entry, value));
		ondone();
	}
	const LEFT = 'left';
</script>

{#if values.kind === 'choices'}
	<Choice
		label={entry.print}
		hideLabel
		small
		value={position === undefined ? LEFT : String(position)}
		options={[
			...values.choices.map(({ shows }, i) => ({ value: String(i), text: shows })),
			{ value: LEFT, text: 'as the plan says' }
		]}
		onchange={(at) => put(at === LEFT ? null : Number(at))}
	/>
{:else}
	<NumberField
		label={entry.print}
		unit={isDegrees ? `°${unit}` : values.kind === 'figure' ? values.unit : ''}
		hideLabel
		empty
		value={figure}
		least={shown(values.kind === 'degrees' ? values.minC : values.min)}
		most={shown(values.kind === 'degrees' ? values.maxC : values.max)}
		onchange={(given) => put(given === null ? null : isDegrees ? keptSetpoint(fromUnit(unit, given)) : given)}
	/>
{/if}
