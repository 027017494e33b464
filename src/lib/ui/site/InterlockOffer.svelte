<script lang="ts">
	import { staggerInputs, type HeatedZone, type Interlock, type Limit, type Source } from '$core/thermal';
	import { duration } from '$core/week';
	import { interlockInWorker } from '$lib/workers/siteHeat';
	import Button from '$lib/ui/kit/Button.svelte';

	let {
		heated,
		source,
		limit,
		outdoorC,
		busy,
		ontake
	}: {
		heated: readonly HeatedZone[];
		source: Source;
		limit: Limit;
		outdoorC: number;
		busy: boolean;
		/** The zones whose leads are to be taken over. */
		ontake: (zones: Interlock['zones']) => void;
	} = $props();

	/** What was found, or null where no interlock can help, and for what. */
	let latest = $state.raw<{ readonly inputs: string; readonly found: Interlock | null } | null>(null);
	let locking = $state(false);
	let problem = $state<string | null>(null);

	const inputs = $derived(staggerInputs(heated, limit, outdoorC));
	const now = $derived(latest?.inputs === inputs ? latest : null);
	const locked = $derived(now?.found ?? null);
	/** Whether the zones have its starts already. */
	const taken = $derived(
		locked?.zones.every(
			({ id, zone }) =>
				JSON.stringify(heated.find((one) => one.id === id)?.zone.lead) === JSON.stringify(zone.lead)
		) ?? false
	);

	async function lock() {
		locking = true;
		problem = null;
		const asked = inputs;
		const sent = heated.map(({ id, zone, profile }) => ({ id, zone, profile }));
		try {
			const found = await interlockInWorker($state.snapshot(sent), source, { ...limit }, outdoorC);
			latest = { inputs: asked, found };
		} catch {
			problem = 'It could not be computed here. Try it again.';
		}
		locking = false;
	}
</script>

<section aria-label="A load-shedding relay">
	<h2>A load-shedding relay</h2>
	{#if problem}<p class="signal" role="alert">{problem}</p>{/if}
	{#if locked}
		<p role="status">
			At most {locked.atMost} of {heated.length} at once never draw more than {(locked.worstW / 1000).toFixed(
				1
			)} kW.
			{locked.earlierMinutes === null
				? 'Even with starts four hours earlier not every room would be warm in time.'
				: locked.earlierMinutes === 0
					? 'Every room is warm in time without earlier starts.'
					: `Every room is warm in time if all start ${duration(locked.earlierMinutes)} earlier; ${Math.round(locked.kWh)} kWh a week.`}
			A qualified engineer wires it.
		</p>
		{#if taken}
			<p>The zones have its starts.</p>
		{:else if locked.earlierMinutes !== null}
			<Button disabled={busy} onclick={() => ontake(locked.zones)}>Take its starts into the zones</Button>
		{/if}
	{:else if now}
		<p class="signal" role="status">
			Not even one of these may heat under this limit: a load-shedding relay cannot help.
		</p>
	{:else}
		<p>
			Earlier starts keep the average down; only a load-shedding relay keeps every minute under the limit.
		</p>
		<Button disabled={locking} onclick={lock}
			>{locking ? 'Running the week …' : 'Check a load-shedding relay'}</Button
		>
	{/if}
</section>

<style>
	section {
		margin-top: 1.1rem;
	}
	h2 {
		font-size: 1.05rem;
	}
</style>
