<script lang="ts">
	let { open = $bindable() }: { open: boolean } = $props();
	let dialog = $state<HTMLDialogElement>();

	$effect(() => {
		if (open) dialog?.showModal();
	});

	const parts = [
		{
			name: 'Everywhere',
			keys: [
				['Ctrl K', 'go to a site, zone or view'],
				['?', 'this list']
			]
		},
		{
			name: 'Week',
			keys: [
				['Tab', 'to the next change'],
				['← →', 'move the change by one step of the control (Shift: one hour)'],
				['↑ ↓', 'warmer or cooler from that change on'],
				['a letter', 'set the level with that letter'],
				['Enter', 'add a change in the middle of this stretch'],
				['Delete', 'clear the change'],
				['↑ ↓ Home End', 'on a day’s name: another day'],
				['Insert', 'on a day’s name: add a change at noon'],
				['Ctrl Z, Ctrl Shift Z', 'undo, redo']
			]
		},
		{
			name: 'Key in',
			keys: [
				['Enter, Space or →', 'the display shows it: next value'],
				['← or Backspace', 'back one value']
			]
		},
		{ name: 'Board', keys: [['Alt ↑, Alt ↓', 'move the zone up or down']] }
	];
</script>

<dialog bind:this={dialog} onclose={() => (open = false)} aria-labelledby="keys-title">
	<h2 id="keys-title">Keys</h2>
	{#each parts as part (part.name)}
		<h3>{part.name}</h3>
		<dl>
			{#each part.keys as [key, what] (key)}
				<dt class="mono">{key}</dt>
				<dd>{what}</dd>
			{/each}
		</dl>
	{/each}
	<button class="quiet" onclick={() => dialog?.close()}>Close</button>
</dialog>

<style>
	dialog {
		width: min(36rem, calc(100vw - 2rem));
		padding: 1.25rem 1.5rem;
		border: 1px solid var(--rule);
		border-radius: 6px;
		background: var(--sheet);
		color: var(--ink);
	}
	dialog::backdrop {
		background: rgb(10 12 14 / 45%);
	}
	h3 {
		margin-top: 1rem;
		font-size: 0.9rem;
		color: var(--soft);
	}
	dl {
		display: grid;
		grid-template-columns: 13rem 1fr;
		gap: 0.25rem 1rem;
		margin: 0.25rem 0;
	}
	dd {
		margin: 0;
	}
	.quiet {
		margin-top: 1rem;
	}
	@media (max-width: 600px) {
		dl {
			grid-template-columns: 1fr;
		}
		dd {
			margin-bottom: 0.5rem;
			color: var(--soft);
		}
	}
</style>
