<script lang="ts">
	import type { OnSite } from '$core/plan';
	import Choice from './Choice.svelte';
	import Figure from './Figure.svelte';
	import Several from './Several.svelte';
	import { LEFT_WORDS } from './words';
	import Words from './Words.svelte';

	let { onSite, set }: { onSite: OnSite; set: <K extends keyof OnSite>(key: K, value: OnSite[K]) => void } =
		$props();
</script>

<Choice
	label="It was in"
	choices={LEFT_WORDS}
	value={onSite.foundIn}
	onchoose={(value) => set('foundIn', value)}
/>
<Words
	label="What it showed, what was said"
	value={onSite.foundNote}
	onchange={(value) => set('foundNote', value)}
/>
<Choice
	label="The control hangs"
	choices={[
		['in-room', 'in its room'],
		['other-room', 'in another room'],
		['outside-bathroom', 'outside the bathroom']
	] as const}
	value={onSite.controlPlace}
	onchoose={(value) => set('controlPlace', value)}
/>
<Several
	label="Its sensor is"
	choices={[
		['sun', 'in the sun'],
		['draught', 'in a draught'],
		['above-emitter', 'above the emitter'],
		['covered', 'covered']
	] as const}
	value={onSite.sensorTroubles}
	onchange={(value) => set('sensorTroubles', value)}
/>
<Figure
	label="Height of the sensor"
	unit="m"
	value={onSite.sensorHeightM}
	onchange={(value) => set('sensorHeightM', value)}
/>
<Several
	label="Who lives or works here"
	choices={[
		['infants', 'infants'],
		['elderly', 'the old'],
		['ill', 'the ill'],
		['children', 'children'],
		['tenants', 'tenants'],
		['hirers', 'hirers of the hall']
	] as const}
	value={onSite.occupants}
	onchange={(value) => set('occupants', value)}
/>
<Figure label="Room, measured" unit="°C" value={onSite.roomC} onchange={(value) => set('roomC', value)} />
<Figure label="Floor, measured" unit="°C" value={onSite.floorC} onchange={(value) => set('floorC', value)} />
<Figure
	label="Supply, measured"
	unit="°C"
	value={onSite.supplyC}
	onchange={(value) => set('supplyC', value)}
/>
