<script lang="ts">
	import { dateOfDay, dateWords, wallAt } from '$core/civil';
	import Headline from '$lib/ui/kit/Headline.svelte';
	import { profileOf } from '$core/control';
	import { onlyOf, putBack, visitBefore, type Visit } from '$core/record';
	import KeptCalls from '$lib/ui/callback/KeptCalls.svelte';
	import { call } from '$lib/ui/call';
	import { saving } from '$lib/ui/saving.svelte';
	import VisitList from '$lib/ui/record/VisitList.svelte';
	import WeekOverlay from '$lib/ui/record/WeekOverlay.svelte';
	import { refresh } from '$lib/ui/refresh';
	import Button from '$lib/ui/kit/Button.svelte';
	import More from '$lib/ui/kit/More.svelte';
	import { changesBetween } from '$core/words';

	let { data } = $props();

	const NOW = 'now';
	const nowVisit = $derived<Visit>({
		at: new Date(data.nowMs).toISOString(),
		who: '',
		note: '',
		signedOff: false,
		dwelling: null,
		zones: data.now
	});
	const all = $derived([
		...data.visits.map(({ id, visit }) => ({ id, visit })),
		{ id: NOW, visit: nowVisit }
	]);
	const dateOf = (visit: Visit) =>
		dateWords(dateOfDay(Math.floor(wallAt(data.site.timeZone, Date.parse(visit.at)) / 1440)));

	/** One is chosen; it is held against the one before it. */
	let chosenId = $state<string>(NOW);
	const after = $derived(all.find((one) => one.id === chosenId) ?? all.at(-1)!);
	const before = $derived(visitBefore(all, after) ?? after);
	const changes = $derived(
		before.id === after.id ? [] : changesBetween(before.visit, after.visit, profileOf)
	);
	/** The visit whose weeks are put back: the one that is chosen, or the last where that is now. */
	const kept = $derived(after.id === NOW ? before : after);
	/** The zones whose weeks are other ones by now. */
	const differing = $derived(
		(kept.id === NOW
			? []
			: changesBetween(kept.visit, onlyOf(nowVisit, kept.visit.dwelling), profileOf)
		).filter(({ id, weekDiffers }) => weekDiffers && data.zones.some((one) => one.id === id))
	);
	const nameOf = (one: (typeof all)[number]) => (one.id === NOW ? 'now' : dateOf(one.visit));

	let problem = $state<string | null>(null);
	let done = $state<string | null>(null);
	async function put(zoneId: string) {
		const old = kept.visit.zones.find((zone) => zone.id === zoneId)!;
		const row = data.zones.find((zone) => zone.id === zoneId);
		if (!row) return;
		saving.now = { kind: 'saving' };
		const answer = await call('PUT', `/api/v1/jobs/${data.site.id}/zones/${zoneId}`, {
			revision: row.revision,
			zone: putBack(row.document, old.zone)
		});
		problem = answer.ok ? null : answer.sentence;
		saving.now = answer.ok ? { kind: 'saved', at: Date.now() } : { kind: 'refused', sentence: 'Not saved' };
		done = answer.ok
			? `${row.name} has the week of ${nameOf(kept)} again: key it in, and keep a visit.`
			: null;
		chosenId = NOW;
		await refresh('fq:site');
	}
</script>

<main>
	<div class="top">
		<Headline of="{data.site.name}: how was it left, and what changed?">
			{data.visits.length === 0
				? 'No visits yet'
				: changes.length === 0
					? `Nothing changed from ${nameOf(before)} to ${nameOf(after)}`
					: `${changes.length === 1 ? '1 zone' : `${changes.length} zones`} changed from ${nameOf(before)} to ${nameOf(after)}`}
		</Headline>
		<div class="tools">
			<Button href="/api/v1/jobs/{data.site.id}/record.pdf">The record as PDF</Button>
			<Button href="/api/v1/jobs/{data.site.id}/weeks" download>Weeks as CSV</Button>
			<Button href="/sites/{data.site.id}/visit">To the visit</Button>
		</div>
	</div>
	{#if data.visits.length === 0}
		<p class="answer">
			The first is kept when a <a href="/sites/{data.site.id}/visit">visit</a> ends.
		</p>
	{:else}
		<div class="columns">
			<VisitList {data} {all} chosen={after} {nameOf} onchoose={(id) => (chosenId = id)} />
			<section aria-label="What changed">
				{#if problem}<p class="signal" role="alert">{problem}</p>{/if}
				{#if done}<p role="status">{done}</p>{/if}
				{#each changes as zone (zone.id)}
					{@const old = before.visit.zones.find((one) => one.id === zone.id)}
					{@const next = after.visit.zones.find((one) => one.id === zone.id)}
					<article>
						<h2>{zone.name}</h2>
						{#if zone.weekDiffers && old && next}
							<WeekOverlay before={old.zone} after={next.zone} names={[nameOf(before), nameOf(after)]} />
						{/if}
						<More title="What changed, in words" open={!zone.weekDiffers}>
							<ul>
								{#each zone.sentences as sentence, i (i)}<li>{sentence}</li>{/each}
							</ul>
						</More>
					</article>
				{/each}
				{#each differing as zone (zone.id)}
					<p class="zone-head">
						{zone.name} has another week now.
						<Button onclick={() => put(zone.id)}>Put this week of {nameOf(kept)} back</Button>
					</p>
				{/each}
			</section>
		</div>
	{/if}
	<KeptCalls
		calls={data.calls}
		profile={{ panel: null }}
		timeZone={data.site.timeZone}
		to={(id, one) =>
			`/sites/${data.site.id}/zones/${one.zoneId ?? data.zones[0]?.id ?? ''}/callback?call=${id}`}
	/>
</main>

<style>
	.top,
	.zone-head {
		display: flex;
		flex-wrap: wrap;
		gap: 0.6rem 1rem;
		align-items: center;
		justify-content: space-between;
	}
	.tools {
		display: flex;
		flex-wrap: wrap;
		gap: 0.5rem;
	}
	.answer {
		margin: 0.3rem 0 0.9rem;
		font-size: 1.35rem;
		font-weight: 700;
	}
	.columns {
		display: grid;
		grid-template-columns: minmax(17rem, 2fr) minmax(0, 3fr);
		gap: 2rem;
	}
	article {
		padding-bottom: 0.9rem;
		margin-bottom: 0.9rem;
		border-bottom: 1px solid var(--rule);
	}
	h2 {
		font-size: 1.1rem;
	}
	section li {
		padding: 0.15rem 0;
		overflow-wrap: anywhere;
	}
	@media (max-width: 800px) {
		.columns {
			grid-template-columns: minmax(0, 1fr);
			gap: 1rem;
		}
	}
</style>
