<script lang="ts">
	import { OverflowMenu, OverflowMenuItem } from 'carbon-components-svelte';
	import { goto } from '$app/navigation';
	import { page } from '$app/state';
	import { freshCopy } from '$core/plan';
	import { fitsOfSite, siteHeadline, telephoneParts } from '$core/words';
	import AddZone from '$lib/ui/board/AddZone.svelte';
	import BoardTable, { type BoardZone } from '$lib/ui/board/BoardTable.svelte';
	import Dwellings from '$lib/ui/board/Dwellings.svelte';
	import DueStrip from '$lib/ui/board/DueStrip.svelte';
	import NameZone from '$lib/ui/board/NameZone.svelte';
	import WithinDwelling from '$lib/ui/board/WithinDwelling.svelte';
	import RemovedZones from '$lib/ui/board/RemovedZones.svelte';
	import SiteDetails from '$lib/ui/board/SiteDetails.svelte';
	import OpenCalls from '$lib/ui/callback/OpenCalls.svelte';
	import TakeCall from '$lib/ui/callback/TakeCall.svelte';
	import { call, type Answer } from '$lib/ui/call';
	import Button from '$lib/ui/kit/Button.svelte';
	import Empty from '$lib/ui/kit/Empty.svelte';
	import Problem from '$lib/ui/kit/Problem.svelte';
	import { refresh } from '$lib/ui/refresh';

	let { data } = $props();

	let problem = $state<string | null>(null);
	let busy = $state(false);
	let renaming = $state<BoardZone | null>(null);
	let editing = $state(false);

	const api = $derived(`/api/v1/jobs/${data.site.id}`);
	const headline = $derived(siteHeadline(data.zones, data.due));
	/** What is due beside what the headline says. */
	const below = $derived(data.due.filter((one) => one !== headline.late).slice(0, 3));
	const fits = $derived(fitsOfSite(data.zones));
	/** What is keyed next: never a week that nobody has drawn. */
	const next = $derived(data.zones.find((row) => row.summary.left > 0 && !row.undrawn));

	/** The dwelling that is looked into; null for the whole site. */
	const within = $derived(
		data.zones.find(({ document }) => document.dwelling === page.url.searchParams.get('dwelling'))
			?.document ?? null
	);
	/** Dwellings of a type are a line each: their zones stand within them. */
	const rows = $derived(
		data.zones.filter(({ document }) =>
			within ? document.dwelling === within.dwelling : document.type === ''
		)
	);

	async function act<T>(answer: Promise<Answer<T>>): Promise<Answer<T>> {
		busy = true;
		const result = await answer;
		busy = false;
		problem = result.ok ? null : result.sentence;
		await refresh('fq:site');
		return result;
	}

	async function copy(row: BoardZone) {
		// another control: nobody has looked at its clock, and it lets no boiler run
		const zone = {
			...freshCopy(row.document),
			governs: null,
			name: `${row.name.slice(0, 72)} (copy)`
		};
		await act(call('POST', `${api}/zones`, { zone, after: row.id }));
	}

	/** The rows on screen in another order; what is not on screen keeps its place. */
	async function order(ids: readonly string[]) {
		const next = [...ids];
		const all = data.zones.map(({ id }) => (ids.includes(id) ? next.shift()! : id));
		await act(call('PUT', `${api}/zones/order`, { order: all }));
	}

	async function duplicate() {
		const answer = await act(call<{ id: string }>('POST', `${api}/duplicate`));
		if (answer.ok) await goto(`/sites/${answer.data.id}`);
	}
	async function remove() {
		if ((await act(call('DELETE', api))).ok) await goto('/');
	}
</script>

<svelte:head><title>{data.site.name} · Fond Quarter</title></svelte:head>

{#snippet addZone(first: boolean)}
	<AddZone
		siteId={data.site.id}
		livesHere={data.site.occupants}
		profiles={data.profiles}
		zones={data.zones}
		dwelling={within}
		{first}
	/>
{/snippet}

<main>
	<div class="top">
		<div>
			<h1 class:signal={headline.bad}>{headline.words}</h1>
			{#if fits}<p class="lead">{fits}</p>{/if}
			<p class="soft">
				{#each telephoneParts([data.site.place, data.site.note].filter(Boolean).join(' · ')) as part, i (i)}
					{#if part.telephone}<a href="tel:{part.telephone}">{part.text}</a>{:else}{part.text}{/if}
				{/each}
			</p>
		</div>
		<div class="acts">
			{#if headline.act}
				<Button kind="next" href="/sites/{data.site.id}{headline.act.path}">{headline.act.words}</Button>
			{/if}
			{#if data.zones.length > 0}
				<TakeCall
					which="Which room?"
					begun={page.url.searchParams.has('call')}
					find={() =>
						data.zones.map(({ id, name, box }) => ({
							label: name,
							detail: box,
							to: `/sites/${data.site.id}/zones/${id}/callback`
						}))}
				/>
			{/if}
			<OverflowMenu flipped aria-label="More for this site" iconDescription="More for this site">
				<OverflowMenuItem text="Name, place, who lives here" on:click={() => (editing = true)} />
				{#if data.zones.length > 0}<OverflowMenuItem
						text="Print all cards"
						href="/sites/{data.site.id}/cards"
					/>{/if}
				<OverflowMenuItem text="Duplicate" on:click={duplicate} />
				<OverflowMenuItem text="Export job file" href={api} />
				<OverflowMenuItem danger text="Delete" on:click={remove} />
			</OverflowMenu>
		</div>
	</div>
	<DueStrip siteId={data.site.id} due={below} more={data.allDue - below.length - (headline.late ? 1 : 0)} />
	{#if data.calls.length > 0}<OpenCalls calls={data.calls} nowMs={data.nowMs} named={false} />{/if}
	<Problem sentence={problem} onclose={() => (problem = null)} />

	{#if within}
		<WithinDwelling siteId={data.site.id} of={within} />
	{:else}
		<Dwellings
			siteId={data.site.id}
			livesHere={data.site.occupants}
			profiles={data.profiles}
			zones={data.zones}
		/>
	{/if}
	{#if data.zones.length > 0}
		{#if rows.length > 0}<BoardTable
				siteId={data.site.id}
				zones={rows}
				nextId={next?.id ?? null}
				onorder={order}
				onrename={(zone) => (renaming = zone)}
				oncopy={copy}
				onremove={(row) => act(call('DELETE', `${api}/zones/${row.id}`))}
			/>{/if}
		{@render addZone(false)}
	{:else}
		<Empty heading="The first room">
			<p>A zone is a room, a cylinder or a radiator with its control. Draw its week next.</p>
			<div>{@render addZone(true)}</div>
		</Empty>
	{/if}

	{#if data.removed.length > 0}
		<RemovedZones
			zones={data.removed}
			{busy}
			onback={(id) => act(call('POST', `${api}/zones/${id}/restore`))}
		/>
	{/if}
</main>

{#if editing}<SiteDetails site={data.site} onclose={() => (editing = false)} />{/if}
{#if renaming}
	<NameZone siteId={data.site.id} row={renaming} zones={data.zones} onclose={() => (renaming = null)} />
{/if}

<style>
	.top {
		display: flex;
		flex-wrap: wrap;
		gap: 0.75rem 2rem;
		justify-content: space-between;
	}
	.top > :first-child {
		flex: 1 1 22rem;
		min-width: 0;
	}
	.acts {
		display: flex;
		flex-wrap: wrap;
		gap: 0.5rem;
		align-items: start;
	}
</style>
