<script lang="ts" generics="T extends string">
	import Chips from '../kit/Chips.svelte';
	import Group from './Group.svelte';
	let {
		label,
		choices,
		value,
		onchange
	}: {
		label: string;
		choices: readonly (readonly [T, string])[];
		value: readonly T[];
		onchange: (value: T[]) => void;
	} = $props();

	const toggle = (id: T) => onchange(value.includes(id) ? value.filter((one) => one !== id) : [...value, id]);
</script>

<Group {label}><Chips {label} {choices} large chosen={value} onpress={toggle} /></Group>
