<script lang="ts">
	import { goto } from '$app/navigation';
	import { page } from '$app/state';
	import { Button } from 'carbon-components-svelte';
	import CustomerLinks from '$lib/ui/handover/CustomerLinks.svelte';
	import CustomerSheet from '$lib/ui/handover/CustomerSheet.svelte';

	let { data } = $props();

	const here = $derived(data.zones.find((one) => one.id === data.zone.id));
	const keyed = $derived(here ? here.summary.done === here.summary.of : false);
	const api = $derived(`/api/v1/jobs/${data.site.id}/zones/${data.zone.id}`);
	const isSwitch = $derived(here?.isSwitch ?? false);

	function choose(key: 'large' | 'unit' | 'clock', value: string | null) {
		const next = new URL(page.url);
		if (value === null) next.searchParams.delete(key);
		else next.searchParams.set(key, value);
		void goto(next, { replaceState: true, keepFocus: true, noScroll: true });
	}
	const search = $derived(page.url.search);
</script>

<svelte:head><title>{data.zone.name}, your heating week · Fond Quarter</title></svelte:head>

<div class="desk">
	<div class="tools no-print">
		<p>
			{keyed
				? 'This is what the customer keeps.'
				: 'Not everything is keyed yet; this is what the page will say.'}
			<span class="soft"
				>{data.choice.large
					? 'Large print may take two pages.'
					: 'One A4 page; black and white will do.'}</span
			>
		</p>
		<div class="keys">
			<label>
				<span class="out-of-sight">Print</span>
				<select
					value={data.choice.large ? '1' : ''}
					onchange={(event) => choose('large', event.currentTarget.value || null)}
				>
					<option value="">usual print</option>
					<option value="1">large print</option>
				</select>
			</label>
			{#if !isSwitch}
				<label>
					<span class="out-of-sight">Unit</span>
					<select
						value={data.choice.unit ?? ''}
						onchange={(event) => choose('unit', event.currentTarget.value || null)}
					>
						<option value="">its unit</option>
						<option value="C">°C</option>
						<option value="F">°F</option>
					</select>
				</label>
			{/if}
			<label>
				<span class="out-of-sight">Times</span>
				<select
					value={data.choice.clock ?? ''}
					onchange={(event) => choose('clock', event.currentTarget.value || null)}
				>
					<option value="">its clock</option>
					<option value="24">24 h</option>
					<option value="12">12 h</option>
				</select>
			</label>
			<a class="quiet" href="{api}/customer.pdf{search}">PDF</a>
			<a class="quiet" href="{api}/calendar" download>Calendar</a>
			<a class="quiet" href="/api/v1/jobs/{data.site.id}/weeks" download
				>CSV<span class="out-of-sight"> of the weeks of all zones</span></a
			>
			<Button on:click={() => window.print()}>Print</Button>
		</div>
	</div>
	<CustomerLinks siteId={data.site.id} links={data.links} />
	<CustomerSheet sheet={data.sheet} firm={data.firm} large={data.choice.large} />
</div>

<style>
	.desk {
		padding: 1rem 1.4rem 3rem;
	}
	.tools {
		display: flex;
		flex-wrap: wrap;
		gap: 0.6rem 1rem;
		align-items: center;
		justify-content: space-between;
		max-width: 210mm;
		margin: 0 auto 0.6rem;
	}
	.keys {
		display: flex;
		flex-wrap: wrap;
		gap: 0.5rem;
		align-items: center;
	}
	a {
		display: inline-flex;
		align-items: center;
		text-decoration: none;
	}
	@media (max-width: 860px) {
		.desk {
			padding: 0.75rem 0 2rem;
		}
		.tools {
			padding: 0 0.75rem;
		}
	}
	@media print {
		.desk {
			padding: 0;
		}
	}
</style>
