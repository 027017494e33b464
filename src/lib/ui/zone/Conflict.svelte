<script lang="ts">
	import { Modal } from 'carbon-components-svelte';
	import type { ControlProfile } from '$core/control';
	import type { Zone } from '$core/plan';
	import { planChanges } from '$core/words';
	import MiniWeek from '../board/MiniWeek.svelte';
	import type { DocumentEditor } from '../document/documentEditor.svelte';
	import Button from '$lib/ui/kit/Button.svelte';

	let { editor, profile }: { editor: DocumentEditor<Zone>; profile: ControlProfile } = $props();

	const theirs = $derived(editor.conflict?.document ?? null);
	/** What the other window's version has otherwise, everything compared. */
	const differences = $derived(theirs ? planChanges(editor.document, theirs, profile).sentences : []);
</script>

<Modal
	open={theirs !== null}
	modalHeading="Another window changed this zone"
	passiveModal
	preventCloseOnClickOutside
	hasForm
	on:close={(event) => event.preventDefault()}
>
	{#if theirs}
		<p>Nothing is lost: both versions are here. Choose the one to keep; the other stays one undo away.</p>
		{#if differences.length === 0}
			<p class="soft">The two are alike.</p>
		{:else}
			<p>From this window to the other:</p>
			<ul class="differences">
				{#each differences as sentence, i (i)}<li>{sentence}</li>{/each}
			</ul>
		{/if}
		<div class="both">
			<figure>
				<figcaption>This window</figcaption>
				<MiniWeek wanted={editor.document.wanted} levels={editor.document.levels} />
				<Button kind="next" onclick={() => editor.keepMine()}>Keep this one</Button>
			</figure>
			<figure>
				<figcaption>The other window</figcaption>
				<MiniWeek wanted={theirs.wanted} levels={theirs.levels} />
				<Button onclick={() => editor.takeTheirs()}>Take the other</Button>
			</figure>
		</div>
	{/if}
</Modal>

<style>
	.differences {
		max-height: 12rem;
		margin: 0.3rem 0 0;
		padding-left: 1.2rem;
		overflow-y: auto;
		list-style: disc;
	}
	.both {
		display: flex;
		flex-wrap: wrap;
		gap: 2rem;
		margin-top: 1rem;
	}
	figure {
		margin: 0;
		display: grid;
		gap: 0.6rem;
	}
	figcaption {
		font-weight: 700;
	}
</style>
