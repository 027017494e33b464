<script lang="ts">
	let {
		label,
		value,
		type = 'text',
		most = 400,
		onchange
	}: {
		label: string;
		value: string;
		type?: 'text' | 'date';
		most?: number;
		onchange: (value: string) => void;
	} = $props();
</script>

<label>
	<span>{label}</span>
	<input {type} {value} maxlength={most} onchange={(event) => onchange(event.currentTarget.value)} />
</label>

<style>
	label {
		display: block;
		margin-top: 0.9rem;
	}
	span {
		display: block;
		margin-bottom: 0.2rem;
		font-weight: 700;
	}
	input {
		width: 100%;
		min-height: 48px;
		font-size: 1.05rem;
	}
</style>
