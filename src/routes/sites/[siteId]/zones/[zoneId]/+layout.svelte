<script lang="ts">
	import { untrack } from 'svelte';
	import { beforeNavigate, goto } from '$app/navigation';
	import { page } from '$app/state';
	import { saving } from '$lib/ui/saving.svelte';
	import { offerCommands } from '$lib/ui/shell/commands.svelte';
	import { offerSteps } from '$lib/ui/shell/steps.svelte';
	import Conflict from '$lib/ui/zone/Conflict.svelte';
	import { live } from '$lib/ui/zone/live.svelte';
	import { together } from '$lib/ui/zone/together.svelte';
	import { zoneCommands } from '$lib/ui/zone/zoneCommands';
	import { giveZone, openZone } from '$lib/ui/zone/zoneModel.svelte';

	let { data, children } = $props();

	/** What is read anew is another object each time: only another zone makes another model. */
	const zoneId = $derived(data.zone.id);
	const model = $derived.by(() => {
		const id = zoneId;
		return untrack(() => openZone(data.site.id, id, data.kept, () => data.profiles));
	});
	giveZone(() => model);
	const editor = $derived(model.editor);

	$effect(() => editor.keepSteps(sessionStorage));
	// what another hand saved meanwhile, as soon as a view has read it
	$effect(() => {
		const { kept } = page.data as { kept?: typeof data.kept };
		if (kept) untrack(() => editor.meet(kept.zone, kept.revision));
	});
	// what was read again is as new as the page
	$effect(() => {
		void data.zones;
		untrack(() => live.forget());
	});
	$effect(() => {
		if (editor.unsaved) live.show(model.id, { changed: true });
	});

	// leaving never asks: what is not stored yet is stored first, unless the server cannot be reached
	beforeNavigate(({ cancel, to, willUnload }) => {
		if (!editor.unsaved || willUnload || !to || saving.now.kind === 'waiting') return;
		cancel();
		void editor.flush().then(() => goto(to.url));
	});

	function onbeforeunload(event: BeforeUnloadEvent) {
		void editor.flush();
		if (editor.refusal || editor.conflict) event.preventDefault();
	}

	/** One step back, here and in the zones that were given the same in that step. */
	let undone = $state<string | null>(null);
	async function undo() {
		const given = together.lastOf(model.id, editor.document);
		undone = null;
		if (given) {
			const came = await together.takeBack(data.site.id, given, data.zones);
			undone = came.said;
		}
		editor.undo();
	}

	function onkeydown(event: KeyboardEvent) {
		if (!(event.ctrlKey || event.metaKey) || (event.target as HTMLElement).closest('input, textarea')) return;
		const key = event.key.toLowerCase();
		if (key === 'z' && !event.shiftKey) void undo();
		else if (key === 'y' || (key === 'z' && event.shiftKey)) editor.redo();
		else return;
		event.preventDefault();
	}

	offerCommands(() => zoneCommands(data.site.id, model));

	offerSteps(() => ({
		canUndo: editor.canUndo || together.lastOf(model.id, editor.document) !== null,
		canRedo: editor.canRedo,
		undo: () => void undo(),
		redo: () => editor.redo()
	}));
</script>

<svelte:window {onkeydown} {onbeforeunload} />

{#if undone}<p class="refused" role="status">{undone}</p>{/if}
{#if editor.refusal}
	<p class="signal refused" role="alert">Not saved. {editor.refusal}</p>
{/if}
{#key data.zone.id}
	{@render children()}
{/key}
<Conflict {editor} profile={model.profile} />

<style>
	.refused {
		padding: 0.6rem var(--edge) 0;
	}
</style>
