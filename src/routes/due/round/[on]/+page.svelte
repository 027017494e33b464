<script lang="ts">
	import { goto } from '$app/navigation';
	import { dateWords } from '$core/civil';
	import { ROUND_PACE, spreadRound, stopMinutes, type RoundSite, type RoundStop } from '$core/record';
	import { duration } from '$core/week';
	import { call } from '$lib/ui/call';
	import { saving } from '$lib/ui/saving.svelte';
	import { refresh } from '$lib/ui/refresh';

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
	// svelte-ignore state_referenced_locally
	let from = $state(data.on < data.today ? data.today : dayAfter(data.on));
	let hours = $state('6');
	let minutesAStop = $state(String(ROUND_PACE.minutesAStop));
	let minutesAClock = $state(String(ROUND_PACE.minutesAClock));
	let weekends = $state(false);
	const number = (text: string, least: number, most: number) => {
		const value = Number(text.replace(',', '.'));
		return text.trim() !== '' && value >= least && value <= most ? value : null;
	};
	const pace = $derived({
		minutesAStop: number(minutesAStop, 0, 600) ?? ROUND_PACE.minutesAStop,
		minutesAClock: number(minutesAClock, 0, 120) ?? ROUND_PACE.minutesAClock
	});
	const wrong = $derived(
		number(hours, 0.5, 24) === null
			? 'Hours a day: between a half and 24.'
			: number(minutesAStop, 0, 600) === null || number(minutesAClock, 0, 120) === null
				? 'Minutes a site and a clock: a number, not less than nought.'
				: !/^\d{4}-\d\d-\d\d$/.test(from)
					? 'From: a date.'
					: null
	);

	const clocks = $derived(data.sites.flatMap((site) => site.clocks));
	const left = $derived(clocks.filter((clock) => !clock.set).length);
	const sitesLeft = $derived(data.sites.filter((site) => stopMinutes(site) > 0).length);
	const shift = $derived(data.sites[0]!.shiftMinutes);
	const whole = $derived(data.sites.reduce((sum, site) => sum + stopMinutes(site, pace), 0));

	interface Day {
		readonly day: string | null;
		readonly sites: readonly RoundSite[];
		readonly minutes: number;
	}
	const days = $derived.by((): Day[] => {
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
	function spread() {
		const plan = spreadRound(data.sites, {
			from,
			minutesADay: (number(hours, 0.5, 24) ?? 6) * 60,
			weekends,
			pace
		});
		void change(
			Object.fromEntries(
				data.sites.map((site) => {
					const stop = plan[site.siteId];
					return [site.siteId, stop ? { ...stop, who: stopOf(site)?.who ?? '' } : null];
				})
			)
		);
	}
	function setDay(site: RoundSite, day: string) {
		if (day === '') void change({ [site.siteId]: null });
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
	function move(day: Day, site: RoundSite, by: 1 | -1) {
		const order = [...day.sites];
		const at = order.indexOf(site);
		const to = at + by;
		if (to < 0 || to >= order.length) return;
		[order[at], order[to]] = [order[to]!, order[at]!];
		void change(Object.fromEntries(order.map((one, place) => [one.siteId, { ...stopOf(one)!, place }])));
	}
	const setOf = (site: RoundSite) => site.clocks.filter((clock) => clock.set).length;
</script>

<svelte:head><title>Round of {dateWords(data.on)} · Fond Quarter</title></svelte:head>

<main>
	<div class="top">
		<div>
			<h1>The round of {dateWords(data.on)}</h1>
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
				<label class="pick">
					<span class="out-of-sight">Change of clocks</span>
					<select value={data.on} onchange={(event) => goto(`/due/round/${event.currentTarget.value}`)}>
						{#each data.dates as date (date.on)}
							<option value={date.on}>{dateWords(date.on)}, {date.left} of {date.clocks} left</option>
						{/each}
					</select>
				</label>
			{/if}
			<a class="quiet" href="/api/v1/rounds/{data.on}/calendar" download>As a calendar</a>
			<button class="quiet" onclick={() => window.print()}>Print</button>
		</div>
	</div>

	<form
		class="no-print"
		onsubmit={(event) => {
			event.preventDefault();
			if (!wrong) spread();
		}}
	>
		<label><span>From</span><input type="date" bind:value={from} /></label>
		<label><span>Hours a day</span><input inputmode="decimal" size="4" bind:value={hours} /></label>
		<label><span>Minutes a site</span><input inputmode="numeric" size="4" bind:value={minutesAStop} /></label>
		<label
			><span>Minutes a clock</span><input inputmode="numeric" size="4" bind:value={minutesAClock} /></label
		>
		<label class="tick"><input type="checkbox" bind:checked={weekends} /><span>weekends too</span></label>
		<button class="quiet go" disabled={wrong !== null || left === 0}>Spread over days, town by town</button>
		{#if wrong}<p class="signal" role="alert">{wrong}</p>{/if}
	</form>
	{#if problem}<p class="signal" role="alert">{problem}</p>{/if}

	{#each days as day (day.day)}
		<section aria-label={day.day ? dateWords(day.day) : 'Not planned'}>
			<h2>
				{day.day ? dateWords(day.day) : 'Not planned yet'}
				<span class="soft">{day.minutes === 0 ? 'all set' : duration(day.minutes)}</span>
			</h2>
			<ol>
				{#each day.sites as site, i (site.siteId)}
					{@const stop = stopOf(site)}
					<li class:set={setOf(site) === site.clocks.length}>
						<p class="site">
							<a href="/sites/{site.siteId}/clocks"><strong>{site.siteName}</strong></a>
							<span class="soft">{site.place}</span>
						</p>
						<p class="clocks">
							<strong class="count">{setOf(site)} of {site.clocks.length} set</strong>
							{#each site.clocks as clock, j (clock.zoneId)}<span class:struck={clock.set}
									>{clock.name}{j < site.clocks.length - 1 ? ', ' : ''}</span
								>{/each}
						</p>
						<label class="no-print"
							><span class="out-of-sight">Day for {site.siteName}</span><input
								type="date"
								value={stop?.day ?? ''}
								onchange={(event) => setDay(site, event.currentTarget.value)}
							/></label
						>
						<label
							><span class="out-of-sight">Who goes to {site.siteName}</span><input
								placeholder="who"
								size="10"
								maxlength="80"
								disabled={!stop}
								value={stop?.who ?? ''}
								onchange={(event) => setWho(site, event.currentTarget.value)}
							/></label
						>
						<span class="order no-print">
							{#if stop && day.sites.length > 1}
								<button class="quiet" disabled={i === 0} onclick={() => move(day, site, -1)}
									><span class="out-of-sight">{site.siteName} earlier</span><span aria-hidden="true">↑</span
									></button
								>
								<button class="quiet" disabled={i === day.sites.length - 1} onclick={() => move(day, site, 1)}
									><span class="out-of-sight">{site.siteName} later</span><span aria-hidden="true">↓</span
									></button
								>
							{/if}
						</span>
					</li>
				{/each}
			</ol>
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
	form {
		display: flex;
		flex-wrap: wrap;
		gap: 0.6rem;
		align-items: end;
	}
	form {
		margin: 0.9rem 0;
		padding: 0.7rem 0;
		border-top: 1px solid var(--rule);
		border-bottom: 1px solid var(--rule);
	}
	form label > span {
		display: block;
		color: var(--soft);
		font-size: 0.9rem;
	}
	form .tick {
		display: flex;
		gap: 0.5rem;
		align-items: center;
		min-height: 44px;
	}
	.go {
		font-weight: 700;
	}
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
		font-size: 0.95rem;
		font-weight: 400;
	}
	ol {
		margin: 0;
		padding: 0;
		list-style: none;
	}
	li {
		display: grid;
		grid-template-columns: minmax(12rem, 1.2fr) minmax(12rem, 2fr) auto auto 6rem;
		gap: 0.4rem 1rem;
		align-items: center;
		padding: 0.45rem 0;
		border-bottom: 1px solid var(--rule);
	}
	li.set {
		color: var(--soft);
	}
	.site .soft {
		display: block;
		font-size: 0.9rem;
	}
	.count {
		display: block;
	}
	.struck {
		text-decoration: line-through;
	}
	.order {
		display: flex;
		gap: 0.3rem;
	}
	.order button {
		min-width: 44px;
	}
	@media (max-width: 800px) {
		li {
			grid-template-columns: minmax(0, 1fr) auto;
		}
		.site,
		.clocks {
			grid-column: 1 / -1;
		}
	}
	@media print {
		.no-print {
			display: none;
		}
		li {
			grid-template-columns: 1fr 2fr auto;
			break-inside: avoid;
		}
	}
</style>
