<script lang="ts">
	import { OCCUPANT_WORDS, OCCUPANTS, type Occupant } from '$core/plan';
	import Chips from '../kit/Chips.svelte';

	let { value = $bindable() }: { value: Occupant[] } = $props();
</script>

<div>
	<p class="soft">Who lives or works here</p>
	<Chips
		label="Who lives or works here"
		choices={OCCUPANTS.map((id) => [id, OCCUPANT_WORDS[id]] as const)}
		chosen={value}
		onpress={(id) => (value = value.includes(id) ? value.filter((one) => one !== id) : [...value, id])}
	/>
</div>
