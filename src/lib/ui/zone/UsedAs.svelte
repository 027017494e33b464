<script lang="ts">
	import { roomUses, type Zone } from '$core/plan';
	import Choice from '../kit/Choice.svelte';

	let { zone, onchange }: { zone: Zone; onchange: (zone: Zone) => void } = $props();
</script>

<Choice
	label="Room used as"
	value={zone.use ?? ''}
	options={[{ value: '', text: 'not said' }, ...roomUses.map((one) => ({ value: one.id, text: one.name }))]}
	onchange={(id) => onchange({ ...zone, use: (id || null) as Zone['use'] })}
/>
