<script lang="ts" generics="T extends string | boolean">
	import Chips from '../kit/Chips.svelte';
	import Group from './Group.svelte';
	let {
		label,
		choices,
		value,
		onchoose
	}: {
		label: string;
		choices: readonly (readonly [T, string])[];
		/** The chosen one; null where nothing was noted yet. */
		value: T | null;
		onchoose: (value: T | null) => void;
	} = $props();
</script>

<Group {label}>
	<Chips
		{label}
		{choices}
		large
		chosen={value === null ? [] : [value]}
		onpress={(one) => onchoose(value === one ? null : one)}
	/>
</Group>
