<script lang="ts">
	import Redo from 'carbon-icons-svelte/lib/Redo.svelte';
	import Undo from 'carbon-icons-svelte/lib/Undo.svelte';
	import { untrack } from 'svelte';
	import { beforeNavigate, goto } from '$app/navigation';
	import { page } from '$app/state';
	import Button from '$lib/ui/kit/Button.svelte';
	import { saving } from '$lib/ui/saving.svelte';
	import { offerCommands } from '$lib/ui/shell/commands.svelte';
	import { zonePlaces } from '$lib/ui/shell/places';
	import Conflict from '$lib/ui/zone/Conflict.svelte';
	import { live } from '$lib/ui/zone/live.svelte';
	import { together } from '$lib/ui/zone/together.svelte';
	import { tabStates } from '$lib/ui/zone/tabs';
	import { zoneCommands } from '$lib/ui/zone/zoneCommands';
	import { giveZone, openZone } from '$lib/ui/zone/zoneModel.svelte';

	let { data, children } = $props();

	const view = $derived(page.url.pathname.split('/').at(-1) ?? 'week');
	const here = $derived(data.zones.find((zone) => zone.id === data.zone.id));
	const states = $derived(
		tabStates(
			here ? { ...here, known: { ...here.summary, undrawn: here.undrawn, ...live.of(here.id) } } : null
		)
	);

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

	let tabs = $state<HTMLElement>();
	$effect(() => {
		void view;
		const tab = tabs?.querySelector<HTMLElement>('[aria-current]');
		if (tabs && tab) tabs.scrollLeft = tab.offsetLeft - tabs.clientWidth / 2 + tab.clientWidth / 2;
	});
</script>

<svelte:window {onkeydown} {onbeforeunload} />

<div class="tabs no-print" class:alone={view === 'key-in'}>
	<nav aria-label="Steps of the work" bind:this={tabs}>
		{#each zonePlaces(data.site.id, data.zone.id) as place (place.id)}
			{@const state = states[place.id]}
			<a href={place.href} aria-current={view === place.id ? 'step' : undefined}>
				<span>{place.name}</span>
				<span class="state" class:signal={state.bad}>{state.words}</span>
			</a>
		{/each}
	</nav>
	<div class="steps">
		<Button
			kind="quiet"
			icon={Undo}
			iconLabel="Undo"
			tip="end"
			disabled={!editor.canUndo && !together.lastOf(model.id, editor.document)}
			onclick={() => void undo()}
		/>
		<Button
			kind="quiet"
			icon={Redo}
			iconLabel="Redo"
			tip="end"
			disabled={!editor.canRedo}
			onclick={() => editor.redo()}
		/>
	</div>
</div>
{#if undone}<p class="refused" role="status">{undone}</p>{/if}
{#if editor.refusal}
	<p class="signal refused" role="alert">Not saved. {editor.refusal}</p>
{/if}
{#key data.zone.id}
	{@render children()}
{/key}
<Conflict {editor} profile={model.profile} />

<style>
	.tabs {
		display: flex;
		align-items: center;
		border-bottom: 1px solid var(--rule);
	}
	nav {
		display: flex;
		flex: 1 1 auto;
		gap: 1.25rem;
		min-width: 0;
		padding: 0 1.4rem;
		overflow-x: auto;
		scrollbar-width: none;
	}
	a {
		display: grid;
		flex: none;
		align-content: center;
		min-height: 58px;
		border-bottom: 3px solid transparent;
		color: var(--soft);
		text-decoration: none;
	}
	a:hover {
		color: var(--ink);
	}
	a[aria-current] {
		border-bottom-color: var(--ink);
		color: var(--ink);
		font-weight: 700;
	}
	.state {
		max-width: 9rem;
		min-height: 1.2em;
		overflow: hidden;
		font-size: var(--small);
		text-overflow: ellipsis;
		white-space: nowrap;
	}
	.steps {
		display: flex;
		flex: none;
		padding-right: 0.5rem;
	}
	.refused {
		padding: 0.6rem 1.4rem 0;
	}
	@media (max-width: 860px) {
		nav {
			gap: 1.25rem;
			padding: 0 0.75rem;
		}
		.state {
			font-size: 1rem;
		}
		.alone {
			display: none;
		}
	}
</style>
