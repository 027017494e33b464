<script lang="ts">
	import { Button, Modal } from 'carbon-components-svelte';
	import type { Zone } from '$core/plan';
	import MiniWeek from '../board/MiniWeek.svelte';
	import type { DocumentEditor } from '../documentEditor.svelte';

	let { editor }: { editor: DocumentEditor<Zone> } = $props();

	const theirs = $derived(editor.conflict?.document ?? null);

	/** What differs, in words, beyond the drawn week. */
	function differences(mine: Zone, other: Zone): string[] {
		const said: string[] = [];
		if (mine.name !== other.name) said.push(`named "${other.name}" there`);
		if (JSON.stringify(mine.wanted) !== JSON.stringify(other.wanted)) said.push('another wanted week');
		if (JSON.stringify(mine.levels) !== JSON.stringify(other.levels)) said.push('other levels');
		if (mine.grouping !== other.grouping) said.push(`grouping ${other.grouping ?? 'as suggested'} there`);
		if (mine.control !== other.control) said.push('another control');
		if (JSON.stringify(mine.options) !== JSON.stringify(other.options)) said.push('other control options');
		if (JSON.stringify(mine.weights) !== JSON.stringify(other.weights))
			said.push('another balance of cold and waste');
		return said;
	}
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
		<p class="soft">{differences(editor.document, theirs).join('; ') || 'The two are alike.'}</p>
		<div class="both">
			<figure>
				<figcaption>This window</figcaption>
				<MiniWeek wanted={editor.document.wanted} levels={editor.document.levels} />
				<Button on:click={() => editor.keepMine()}>Keep this one</Button>
			</figure>
			<figure>
				<figcaption>The other window</figcaption>
				<MiniWeek wanted={theirs.wanted} levels={theirs.levels} />
				<Button kind="tertiary" on:click={() => editor.takeTheirs()}>Take the other</Button>
			</figure>
		</div>
	{/if}
</Modal>

<style>
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
