<script lang="ts">
	let {
		label,
		unit,
		value,
		onchange
	}: {
		label: string;
		unit: string;
		value: number | null;
		onchange: (value: number | null) => void;
	} = $props();

	let problem = $state<string | null>(null);

	function read(field: HTMLInputElement) {
		const text = field.value.trim().replace(',', '.');
		problem = null;
		if (text === '') onchange(null);
		else if (Number.isFinite(Number(text))) onchange(Number(text));
		else {
			problem = `"${field.value}" is no number.`;
			field.value = value === null ? '' : String(value);
		}
	}
</script>

<label>
	<span>{label}</span>
	<input inputmode="decimal" value={value ?? ''} onchange={(event) => read(event.currentTarget)} />
	<span class="soft">{unit}</span>
</label>
{#if problem}<p class="signal" role="alert">{problem}</p>{/if}

<style>
	label {
		display: grid;
		grid-template-columns: minmax(0, 1fr) 7rem 2.5rem;
		gap: 0.6rem;
		align-items: center;
		min-height: 52px;
	}
	input {
		min-height: 48px;
		font-size: 1.15rem;
		text-align: right;
	}
</style>
