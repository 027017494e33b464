<script lang="ts">
	import { allowedOptions, type ControlProfile } from '$core/control';
	import Headline from '$lib/ui/kit/Headline.svelte';
	import type { Zone } from '$core/plan';
	import type { WeekSteps } from '$core/week';
	import WholeSiteAway from '$lib/ui/run/WholeSiteAway.svelte';
	import YearStrip from '$lib/ui/run/YearStrip.svelte';
	import { stripRow, yearAhead } from '$lib/ui/run/yearStrip';

	let { data } = $props();

	/** What the controls hold: it comes after the page. */
	let held = $state.raw<Readonly<Record<string, WeekSteps<number>>> | null>(null);
	$effect(() => {
		let isOver = false;
		void data.held.then((now) => isOver || (held = now)).catch(() => undefined);
		return () => (isOver = true);
	});
	const timeZone = $derived(data.site.timeZone);
	const strip = $derived(yearAhead(timeZone, data.nowMs));
	const profileOf = (zone: Zone): ControlProfile =>
		data.profiles.find((profile) => profile.id === zone.control) ?? data.profiles[0]!;
	const zones = $derived(
		data.zones.map((row) => {
			const profile = profileOf(row.document);
			return { ...row, profile, options: allowedOptions(profile, row.document.options) };
		})
	);
	const rows = $derived(
		zones.map((row) =>
			stripRow(row.document, row.profile, strip, row.id, `/sites/${data.site.id}/zones/${row.id}/away`)
		)
	);
	const ahead = $derived(rows.filter((row) => row.spans.length > 0).length);
</script>

<main>
	<Headline of="{data.site.name}: holidays and special days">
		{ahead === 0 ? 'No holiday planned' : `${ahead} of ${rows.length} zones have dates planned`}
	</Headline>
	<YearStrip {strip} {rows} {timeZone} names />
	<p class="soft legend">
		<span class="swatch away"></span> away, as the control will hold it
		<span class="swatch special"></span> special day
		<span class="swatch stays"></span> on hold, manual or off with no end
	</p>

	<WholeSiteAway
		siteId={data.site.id}
		{zones}
		sources={data.site.sources}
		{held}
		{timeZone}
		nowMs={data.nowMs}
	/>
</main>

<style>
	.swatch {
		background: var(--held);
	}
	.legend {
		display: flex;
		flex-wrap: wrap;
		gap: 0.5rem;
		align-items: center;
		font-size: var(--small);
	}
	.swatch.special {
		width: 6px;
		background: var(--warm);
	}
	.swatch.stays {
		background: repeating-linear-gradient(-45deg, var(--signal) 0 2px, transparent 2px 5px);
		border: 1px solid var(--signal);
	}
</style>
