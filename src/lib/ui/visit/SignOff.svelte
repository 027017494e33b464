<script lang="ts">
	import { Button } from 'carbon-components-svelte';

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
	<label><span>Who</span><input bind:value={who} maxlength="80" autocomplete="name" /></label>
	<label class="wide"><span>Note of the visit</span><input bind:value={note} maxlength="400" /></label>
	<div class="keys">
		<Button disabled={busy || open > 0} on:click={() => onend(true)}>Sign off</Button>
		<button class="quiet" disabled={busy} onclick={() => onend(false)}>Keep as it stands</button>
	</div>
</div>

<style>
	.end {
		display: grid;
		grid-template-columns: 1fr 2fr;
		gap: 0.75rem;
		margin-top: 1.25rem;
	}
	.end span {
		display: block;
		color: var(--soft);
		font-size: 0.9rem;
	}
	.end input {
		width: 100%;
		min-height: 48px;
		font-size: 1.05rem;
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
