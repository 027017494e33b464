<script lang="ts">
	import { goto } from '$app/navigation';
	import { dateWords } from '$core/civil';
	import { ROUND_PACE, stopMinutes, type RoundSite, type RoundStop } from '$core/record';
	import { duration } from '$core/week';
	import { call } from '$lib/ui/call';
	import { saving } from '$lib/ui/saving.svelte';
	import { refresh } from '$lib/ui/refresh';
	import RoundStops, { type RoundDay } from '$lib/ui/due/RoundStops.svelte';
	import SpreadRound, { type RoundPace } from '$lib/ui/due/SpreadRound.svelte';
	import Button from '$lib/ui/kit/Button.svelte';
	import Choice from '$lib/ui/kit/Choice.svelte';

	let { data } = $props();

	/** What was changed here and is not yet on the server, over what it knows. */
	let here = $state.raw<Readonly<Record<string, RoundStop | null>>>({});
	let problem = $state<string | null>(null);
	const stopOf = (site: RoundSite): RoundStop | null =>
		site.siteId in here
			? here[site.siteId]!
			: ((data.stops as Record<string, RoundStop>)[site.siteId] ?? null);

	const dayAfter = (day: string) =>
		new Date(Date.parse(`${day}T00:00:00Z`) + 86_400_000).toISOString().slice(0, 10);
	let pace = $state.raw<RoundPace>({ ...ROUND_PACE });

	const clocks = $derived(data.sites.flatMap((site) => site.clocks));
	const left = $derived(clocks.filter((clock) => !clock.set).length);
	const sitesLeft = $derived(data.sites.filter((site) => stopMinutes(site) > 0).length);
	const shift = $derived(data.sites[0]!.shiftMinutes);
	const whole = $derived(data.sites.reduce((sum, site) => sum + stopMinutes(site, pace), 0));

	const days = $derived.by((): RoundDay[] => {
		const found: Record<string, RoundSite[]> = {};
		for (const site of data.sites) (found[stopOf(site)?.day ?? ''] ??= []).push(site);
		return Object.keys(found)
			.sort((a, b) => (a === '' ? 1 : b === '' ? -1 : a < b ? -1 : 1))
			.map((day) => {
				const sites = found[day]!.sort(
					(a, b) => (stopOf(a)?.place ?? 0) - (stopOf(b)?.place ?? 0) || a.siteName.localeCompare(b.siteName)
				);
				return {
					day: day === '' ? null : day,
					sites,
					minutes: sites.reduce((sum, site) => sum + stopMinutes(site, pace), 0)
				};
			});
	});

	async function change(stops: Record<string, RoundStop | null>) {
		here = { ...here, ...stops };
		saving.now = { kind: 'saving' };
		const answer = await call('PATCH', `/api/v1/rounds/${data.on}`, { stops });
		problem = answer.ok ? null : answer.sentence;
		saving.now = answer.ok ? { kind: 'saved', at: Date.now() } : { kind: 'refused', sentence: 'Not saved' };
		if (!answer.ok) return;
		await refresh('fq:round');
		// what was changed again meanwhile is still on its way
		here = Object.fromEntries(Object.entries(here).filter(([id, stop]) => stop !== stops[id]));
	}
	function spread(plan: Readonly<Record<string, Pick<RoundStop, 'day' | 'place'>>>) {
		void change(
			Object.fromEntries(
				data.sites.map((site) => {
					const stop = plan[site.siteId];
					return [site.siteId, stop ? { ...stop, who: stopOf(site)?.who ?? '' } : null];
				})
			)
		);
	}
	function setDay(site: RoundSite, day: string | null) {
		if (day === null) void change({ [site.siteId]: null });
		else {
			const last = days.find((one) => one.day === day)?.sites.at(-1);
			const place = last ? (stopOf(last)?.place ?? 0) + 1 : 0;
			void change({ [site.siteId]: { day, place, who: stopOf(site)?.who ?? '' } });
		}
	}
	function setWho(site: RoundSite, who: string) {
		const stop = stopOf(site);
		if (stop) void change({ [site.siteId]: { ...stop, who: who.trim() } });
	}
	/** Moves a site among those of its day; the whole day is numbered anew. */
	function move(day: RoundDay, site: RoundSite, by: 1 | -1) {
		const order = [...day.sites];
		const at = order.indexOf(site);
		const to = at + by;
		if (to < 0 || to >= order.length) return;
		[order[at], order[to]] = [order[to]!, order[at]!];
		void change(Object.fromEntries(order.map((one, place) => [one.siteId, { ...stopOf(one)!, place }])));
	}
</script>

<svelte:head><title>Clock round, {dateWords(data.on)} · Fond Quarter</title></svelte:head>

<main>
	<div class="top">
		<div>
			<h1>Clock round, {dateWords(data.on)}</h1>
			<p class="answer">
				{#if left === 0}
					All {clocks.length} clocks are set.
				{:else}
					<span class="signal">{left === 1 ? '1 clock' : `${left} clocks`}</span> at
					{sitesLeft === 1 ? 'one site' : `${sitesLeft} sites`} go {duration(Math.abs(shift))}
					{shift > 0 ? 'on' : 'back'}: about {duration(whole)}.
				{/if}
			</p>
			<p class="soft">
				{shift > 0
					? 'Until a clock is set on, its mornings are cold.'
					: 'Until a clock is set back, its evenings are cold.'}
				Set before the change, it is wrong until then.
			</p>
		</div>
		<div class="tools no-print">
			{#if data.dates.length > 1}
				<Choice
					label="Change of clocks"
					hideLabel
					value={data.on}
					options={data.dates.map((date) => ({
						value: date.on,
						text: `${dateWords(date.on)}, ${date.left} of ${date.clocks} left${date.unseen > 0 ? `, ${date.unseen} never checked` : ''}`
					}))}
					onchange={(on) => goto(`/due/round/${on}`)}
				/>
			{/if}
			<Button href="/api/v1/rounds/{data.on}/calendar" download>As a calendar</Button>
			<Button onclick={() => window.print()}>Print</Button>
		</div>
	</div>

	<SpreadRound
		sites={data.sites}
		first={data.on < data.today ? data.today : dayAfter(data.on)}
		done={left === 0}
		bind:pace
		onspread={spread}
	/>
	{#if problem}<p class="signal" role="alert">{problem}</p>{/if}

	{#each days as day (day.day)}
		<section aria-label={day.day ? dateWords(day.day) : 'Not planned'}>
			<h2>
				{day.day ? dateWords(day.day) : 'Not planned yet'}
				<span class="soft">{day.minutes === 0 ? 'all set' : duration(day.minutes)}</span>
			</h2>
			<RoundStops {day} {stopOf} onday={setDay} onwho={setWho} onmove={(site, by) => move(day, site, by)} />
		</section>
	{/each}
</main>

<style>
	.top {
		display: flex;
		flex-wrap: wrap;
		gap: 0.75rem 1.5rem;
		align-items: start;
		justify-content: space-between;
	}
	.answer {
		margin: 0.2rem 0;
		font-size: 1.4rem;
		font-weight: 700;
	}
	.tools,
	h2 {
		display: flex;
		gap: 0.9rem;
		align-items: baseline;
		margin-top: 1rem;
		padding-bottom: 0.3rem;
		border-bottom: 2px solid var(--ink);
		font-size: 1.1rem;
	}
	h2 .soft {
		font-size: var(--small);
		font-weight: 400;
	}
</style>
