<script lang="ts">
	import { goto } from '$app/navigation';
	import { page } from '$app/state';
	import { dwellingsOf } from '$core/plan';
	import CustomerLinks from '$lib/ui/handover/CustomerLinks.svelte';
	import CustomerSheet from '$lib/ui/handover/CustomerSheet.svelte';
	import HouseSheet from '$lib/ui/handover/HouseSheet.svelte';
	import { call } from '$lib/ui/call';
	import Button from '$lib/ui/kit/Button.svelte';
	import Check from '$lib/ui/kit/Check.svelte';
	import Empty from '$lib/ui/kit/Empty.svelte';
	import Problem from '$lib/ui/kit/Problem.svelte';
	import Views from '$lib/ui/kit/Views.svelte';
	import { onBoxOf } from '$lib/ui/zone/boxes';
	import { refresh } from '$lib/ui/refresh';

	let { data } = $props();

	const each = $derived(page.url.searchParams.get('pages') === 'each');
	const zones = $derived(
		data.zones.filter(({ document }) => data.dwelling === null || document.dwelling === data.dwelling)
	);
	/** A page a control, whatever hangs on it. */
	const pages = $derived(
		zones
			.filter((zone) => onBoxOf(zones, zone.boxId)[0]!.id === zone.id)
			.map((zone) => ({
				id: zone.boxId,
				of: { name: zone.box, place: [data.site.name, data.site.place].filter(Boolean).join(', ') },
				zones: onBoxOf(zones, zone.boxId).map(({ id }) => id)
			}))
	);
	/** A sheet belongs to a dwelling, and shows no other's rooms. */
	const dwellings = $derived(dwellingsOf(zones.map(({ document }) => document)));
	const unkeyed = $derived(zones.filter((zone) => zone.summary.left > 0));

	function choose(view: 'house' | 'each') {
		const next = new URL(page.url);
		if (view === 'each') next.searchParams.set('pages', 'each');
		else next.searchParams.delete('pages');
		void goto(next, { replaceState: true, keepFocus: true, noScroll: true });
	}
	let problem = $state<string | null>(null);
	async function tell(tellsCost: boolean) {
		const answer = await call('PATCH', `/api/v1/jobs/${data.site.id}`, { tellsCost });
		problem = answer.ok ? null : answer.sentence;
		await refresh('fq:site');
	}
</script>

<svelte:head><title>{data.site.name}, handover sheet · Fond Quarter</title></svelte:head>

<main>
	<div class="tools no-print">
		<div>
			<h1>Handover sheet</h1>
			<p class="lead">
				{#if data.zones.length === 0}
					There is no zone yet to write about.
				{:else if unkeyed.length === 0}
					Everything here is keyed: this is what they keep.
				{:else}
					{unkeyed.length === 1 ? '1 zone is' : `${unkeyed.length} zones are`} not keyed to the end: this is what
					the sheet will say.
				{/if}
			</p>
		</div>
		{#if data.zones.length > 0}
			<div class="ways">
				<Views
					label="What is printed"
					value={(each ? 'each' : 'house') as 'each' | 'house'}
					views={[
						['house', 'One sheet'],
						['each', 'By control']
					] as const}
					onchange={choose}
				/>
				<Check
					label="Say what heating costs"
					checked={data.site.tellsCost}
					onchange={(tellsCost) => void tell(tellsCost)}
				/>
				<Button kind="next" onclick={() => window.print()}>Print</Button>
			</div>
		{/if}
	</div>
	<Problem sentence={problem} onclose={() => (problem = null)} />
	{#if data.dwelling !== null}
		<CustomerLinks siteId={data.site.id} dwelling={data.dwelling} links={data.links} />
	{/if}
	{#if data.zones.length === 0}
		<Empty heading="Nothing to hand over yet"><p>Add the first zone on the overview.</p></Empty>
	{:else}
		{#await data.sheets}
			<p role="status">Being written …</p>
		{:then sheets}
			{#if each}
				{#each pages as { id, of, zones } (id)}
					{@const own = zones.flatMap((zone) => sheets.filter((one) => one.id === zone))}
					<div class="page">
						{#if own.length === 1}
							<CustomerSheet sheet={own[0]!.sheet} firm={data.firm} large={data.choice.large} />
						{:else}
							<HouseSheet {of} zones={own} firm={data.firm} one large={data.choice.large} />
						{/if}
					</div>
				{/each}
			{:else}
				{#each dwellings as dwelling (dwelling)}
					<div class="page">
						<HouseSheet
							of={dwelling === ''
								? data.site
								: { name: dwelling, place: [data.site.name, data.site.place].filter(Boolean).join(', ') }}
							zones={sheets.filter((one) => one.dwelling === dwelling)}
							firm={data.firm}
							large={data.choice.large}
						/>
					</div>
				{/each}
			{/if}
		{:catch}
			<Problem sentence="They could not be written just now: load the page again." />
		{/await}
	{/if}
</main>

<style>
	.tools {
		display: flex;
		flex-wrap: wrap;
		gap: 0.75rem 2rem;
		align-items: end;
		justify-content: space-between;
		margin-bottom: 1rem;
	}
	.ways {
		display: flex;
		flex-wrap: wrap;
		gap: 0.75rem;
		align-items: center;
	}
	.ways :global(.bx--content-switcher) {
		width: min(17rem, 100%);
	}
	.page {
		margin-bottom: 1rem;
	}
	@media print {
		.page {
			margin: 0;
			break-after: page;
		}
		.page:last-child {
			break-after: auto;
		}
		main {
			padding: 0;
		}
	}
</style>
