<script lang="ts">
	import { dateWords } from '$core/civil';
	import { DUE_KINDS, DUE_VIEW, type Due } from '$core/words';
	import Button from '$lib/ui/kit/Button.svelte';

	let { data } = $props();

	type Kind = Due['kind'];
	const kinds = Object.entries(DUE_KINDS) as [Kind, string][];
	interface Day {
		readonly on: string;
		readonly late: boolean;
		/** Entries of one site that say the same, together: a round over the site. */
		readonly sites: {
			readonly siteId: string;
			readonly siteName: string;
			readonly place: string;
			readonly groups: { sentence: string; kind: Kind; zones: { id: string; name: string }[] }[];
		}[];
	}
	const days = $derived.by(() => {
		const found: Day[] = [];
		for (const one of data.due) {
			let day = found.find((known) => known.on === one.on);
			if (!day) found.push((day = { on: one.on, late: one.late, sites: [] }));
			let site = day.sites.find((known) => known.siteId === one.siteId);
			if (!site)
				day.sites.push((site = { siteId: one.siteId, siteName: one.siteName, place: one.place, groups: [] }));
			const zone = { id: one.zoneId, name: one.zoneName };
			const group = site.groups.find((known) => known.sentence === one.sentence);
			if (group) group.zones.push(zone);
			else site.groups.push({ sentence: one.sentence, kind: one.kind, zones: [zone] });
		}
		return found;
	});
	const roundOf = (on: string) => data.rounds.find((round) => round.on === on && round.sites > 1);
</script>

<svelte:head><title>Visits due · Fond Quarter</title></svelte:head>

<main>
	<div class="top">
		<div>
			<h1>Visits due</h1>
			<p class="answer" class:signal={data.late > 0}>
				{#if data.all === 0}
					Nothing is due.
				{:else if data.late > 0}
					{data.late === 1 ? '1 thing is late' : `${data.late} things are late`}{data.next
						? `; next on ${dateWords(data.next.on)}`
						: ''}.
				{:else}
					Next: {data.next?.siteName} on {data.next ? dateWords(data.next.on) : ''}.
				{/if}
			</p>
		</div>
		<Button href="/api/v1/due.ics" download>As a calendar</Button>
	</div>
	<nav class="pick" aria-label="What is shown">
		<Button href="/due" aria-current={data.kind === null ? 'true' : undefined}>Everything, {data.all}</Button>
		{#each kinds as [id, name] (id)}
			{#if data.counts[id] > 0}
				<Button href="/due?kind={id}" aria-current={data.kind === id ? 'true' : undefined}
					>{name}, {data.counts[id]}</Button
				>
			{/if}
		{/each}
	</nav>
	{#each days as day (day.on)}
		<section>
			<div class="day">
				<h2 class:signal={day.late}>
					{dateWords(day.on)}{day.late ? ', late' : day.on === data.today ? ', today' : ''}
				</h2>
				{#if roundOf(day.on)}
					<a href="/due/round/{day.on}">Plan the round of its clocks</a>
				{/if}
			</div>
			{#each day.sites as site (site.siteId)}
				<div class="site">
					<p>
						<a href="/sites/{site.siteId}"><strong>{site.siteName}</strong></a>
						<span class="soft">{site.place}</span>
					</p>
					<div>
						{#each site.groups as group (group.sentence)}
							<p>
								{group.sentence}
								{#each group.zones as zone, i (zone.id)}{i > 0 ? ', ' : ' '}<a
										href="/sites/{site.siteId}/zones/{zone.id}/{DUE_VIEW[group.kind]}">{zone.name}</a
									>{/each}{group.kind === 'clock' && group.zones.length > 1 ? '. ' : ''}
								{#if group.kind === 'clock' && group.zones.length > 1}<a href="/sites/{site.siteId}/clocks"
										>Round of its clocks</a
									>{/if}
							</p>
						{/each}
					</div>
				</div>
			{/each}
		</section>
	{/each}
	{#if data.due.length < data.found}
		<p>
			<Button href="/due?all=1{data.kind ? `&kind=${data.kind}` : ''}"
				>Show all {data.found}, to {dateWords(data.last)}</Button
			>
		</p>
	{/if}
</main>

<style>
	.top {
		display: flex;
		flex-wrap: wrap;
		gap: 1rem;
		justify-content: space-between;
		align-items: start;
	}
	.answer {
		margin: 0.2rem 0 0.7rem;
		font-size: 1.4rem;
		font-weight: 700;
	}
	.pick :global(a[aria-current]) {
		border-color: var(--ink);
		background: var(--ink);
		color: var(--sheet);
	}
	.pick {
		display: flex;
		flex-wrap: wrap;
		gap: 0.4rem;
	}
	section {
		display: grid;
		grid-template-columns: 12rem minmax(0, 1fr);
		gap: 0 1.5rem;
		margin-top: 0.9rem;
		padding-top: 0.6rem;
		border-top: 1px solid var(--rule);
	}
	.day {
		grid-row: span 20;
	}
	h2 {
		font-size: 1.05rem;
	}
	.site {
		display: grid;
		grid-template-columns: minmax(10rem, 1fr) 2fr;
		gap: 0 1.5rem;
		padding-bottom: 0.5rem;
	}
	.site p .soft {
		display: block;
		font-size: var(--small);
	}
	@media (max-width: 760px) {
		section,
		.site {
			grid-template-columns: minmax(0, 1fr);
		}
		.day {
			grid-row: auto;
			margin-bottom: 0.3rem;
		}
	}
</style>
