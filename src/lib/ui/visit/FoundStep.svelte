<script lang="ts">
	import {
		LEFT_WORDS,
		notAsked,
		OCCUPANT_WORDS,
		PLACE_WORDS,
		TROUBLE_WORDS,
		unitOf,
		type OnSiteKey
	} from '$core/plan';
	import Choice from './Choice.svelte';
	import Degrees from './Degrees.svelte';
	import { entries } from './entries';
	import Figure from './Figure.svelte';
	import Several from './Several.svelte';
	import Words from './Words.svelte';
	import type { StepProps } from './stepProps';

	let { zone, profile, onSite, set }: StepProps = $props();

	const unit = $derived(unitOf(zone, profile));
	const asked = (key: OnSiteKey) => notAsked(key, zone, profile) === null;
</script>

<Choice
	label="It was in"
	choices={entries(LEFT_WORDS)}
	value={onSite.foundIn}
	onchoose={(value) => set('foundIn', value)}
/>
<Words
	label="What it showed, what was said"
	value={onSite.foundNote}
	onchange={(value) => set('foundNote', value)}
/>
{#if asked('controlPlace')}
	<Choice
		label="The control is fitted"
		choices={entries(PLACE_WORDS)}
		value={onSite.controlPlace}
		onchoose={(value) => set('controlPlace', value)}
	/>
{/if}
{#if asked('sensorTroubles')}
	<Several
		label="Its sensor is"
		choices={entries(TROUBLE_WORDS)}
		value={onSite.sensorTroubles}
		onchange={(value) => set('sensorTroubles', value)}
	/>
	<Figure
		label="Height of the sensor"
		unit="m"
		value={onSite.sensorHeightM}
		onchange={(value) => set('sensorHeightM', value)}
	/>
{/if}
{#if asked('occupants')}
	<Several
		label="Who is in this room"
		choices={entries(OCCUPANT_WORDS)}
		value={onSite.occupants}
		onchange={(value) => set('occupants', value)}
	/>
{/if}
<Degrees label="Room, measured" {unit} value={onSite.roomC} onchange={(value) => set('roomC', value)} />
<Degrees label="Floor, measured" {unit} value={onSite.floorC} onchange={(value) => set('floorC', value)} />
<Degrees label="Flow temperature" {unit} value={onSite.supplyC} onchange={(value) => set('supplyC', value)} />
