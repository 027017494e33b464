<script lang="ts">
	import { goto } from '$app/navigation';
	import { page } from '$app/state';
	import CustomerLinks from '$lib/ui/handover/CustomerLinks.svelte';
	import CustomerSheet from '$lib/ui/handover/CustomerSheet.svelte';
	import Button from '$lib/ui/kit/Button.svelte';
	import Choice from '$lib/ui/kit/Choice.svelte';

	let { data } = $props();

	const here = $derived(data.zones.find((one) => one.id === data.zone.id));
	const keyed = $derived(here ? here.summary.left === 0 : false);
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
			<Choice
				label="Print"
				value={data.choice.large ? '1' : ''}
				options={[
					{ value: '', text: 'normal print' },
					{ value: '1', text: 'large print' }
				]}
				onchange={(large) => choose('large', large || null)}
			/>
			{#if !isSwitch}
				<Choice
					label="Temperatures"
					value={data.choice.unit ?? ''}
					options={[
						{ value: '', text: 'as the control' },
						{ value: 'C', text: '°C' },
						{ value: 'F', text: '°F' }
					]}
					onchange={(unit) => choose('unit', unit || null)}
				/>
			{/if}
			<Choice
				label="Times"
				value={data.choice.clock ?? ''}
				options={[
					{ value: '', text: 'as the control' },
					{ value: '24', text: '24 h' },
					{ value: '12', text: '12 h' }
				]}
				onchange={(clock) => choose('clock', clock || null)}
			/>
			{#if data.zones.length > 1}
				<Button href="/sites/{data.site.id}/hand-over">Whole house</Button>
			{/if}
			<Button href="{api}/customer.pdf{search}">PDF</Button>
			<Button href="{api}/calendar" download>Calendar</Button>
			<Button href="/api/v1/jobs/{data.site.id}/weeks" download
				>CSV<span class="out-of-sight"> of the weeks of all zones</span></Button
			>
			<Button kind="next" onclick={() => window.print()}>Print</Button>
		</div>
	</div>
	<CustomerLinks siteId={data.site.id} dwelling={here?.document.dwelling ?? ''} links={data.links} />
	<CustomerSheet sheet={data.sheet} firm={data.firm} large={data.choice.large} />
</div>

<style>
	.desk {
		padding: 1rem var(--edge) 3rem;
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
		align-items: end;
	}
	.keys :global(.bx--form-item) {
		flex: 0 1 11rem;
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
