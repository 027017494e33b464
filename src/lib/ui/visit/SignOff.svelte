<script lang="ts">
	import Button from '../kit/Button.svelte';
	import Field from '../kit/Field.svelte';

	let {
		who = $bindable(),
		note = $bindable(),
		busy,
		open,
		onend
	}: {
		who: string;
		note: string;
		busy: boolean;
		/** How many checks still stop the sign-off. */
		open: number;
		onend: (signedOff: boolean) => void;
	} = $props();
</script>

<div class="end">
	<Field label="Who" maxlength={80} autocomplete="name" bind:value={who} />
	<Field label="Note of the visit" maxlength={400} bind:value={note} />
	<div class="keys">
		<Button kind="next" disabled={busy || open > 0} onclick={() => onend(true)}>Sign off</Button>
		<Button disabled={busy} onclick={() => onend(false)}>Save without sign-off</Button>
	</div>
</div>

<style>
	.end {
		display: grid;
		grid-template-columns: 1fr 2fr;
		gap: 0.75rem;
		margin-top: 1.25rem;
	}
	.keys {
		display: flex;
		grid-column: 1 / -1;
		gap: 0.75rem;
		align-items: center;
		margin-top: 1rem;
	}
	@media (max-width: 560px) {
		.end {
			grid-template-columns: 1fr;
		}
	}
</style>
