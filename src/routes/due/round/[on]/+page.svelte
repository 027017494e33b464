<script lang="ts">
	import ArrowDown from 'carbon-icons-svelte/lib/ArrowDown.svelte';
	import ArrowUp from 'carbon-icons-svelte/lib/ArrowUp.svelte';
	import { goto } from '$app/navigation';
	import { dateWords } from '$core/civil';
	import { ROUND_PACE, spreadRound, stopMinutes, type RoundSite, type RoundStop } from '$core/record';
	import { duration } from '$core/week';
	import { call } from '$lib/ui/call';
	import { saving } from '$lib/ui/saving.svelte';
	import { refresh } from '$lib/ui/refresh';
	import Button from '$lib/ui/kit/Button.svelte';
	import Check from '$lib/ui/kit/Check.svelte';
	import Choice from '$lib/ui/kit/Choice.svelte';
	import DateField from '$lib/ui/kit/DateField.svelte';
	import Field from '$lib/ui/kit/Field.svelte';
	import NumberField from '$lib/ui/kit/NumberField.svelte';

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
	let hours = $state(6);
	let pace = $state.raw<{ minutesAStop: number; minutesAClock: number }>({ ...ROUND_PACE });
	let weekends = $state(false);

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
			minutesADay: hours * 60,
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
				<Choice
					label="Change of clocks"
					hideLabel
					value={data.on}
					options={data.dates.map((date) => ({
						value: date.on,
						text: `${dateWords(date.on)}, ${date.left} of ${date.clocks} left`
					}))}
					onchange={(on) => goto(`/due/round/${on}`)}
				/>
			{/if}
			<Button href="/api/v1/rounds/{data.on}/calendar" download>As a calendar</Button>
			<Button onclick={() => window.print()}>Print</Button>
		</div>
	</div>

	<form
		class="no-print"
		onsubmit={(event) => {
			event.preventDefault();
			spread();
		}}
	>
		<DateField label="From" required value={from} onchange={(date) => (from = date!)} />
		<NumberField
			label="Hours a day"
			unit="h"
			least={0.5}
			most={24}
			value={hours}
			onchange={(h) => (hours = h!)}
		/>
		<NumberField
			label="A site"
			unit="min"
			least={0}
			most={600}
			value={pace.minutesAStop}
			onchange={(minutes) => (pace = { ...pace, minutesAStop: minutes! })}
		/>
		<NumberField
			label="A clock"
			unit="min"
			least={0}
			most={120}
			value={pace.minutesAClock}
			onchange={(minutes) => (pace = { ...pace, minutesAClock: minutes! })}
		/>
		<Check label="weekends too" bind:checked={weekends} />
		<Button kind="next" type="submit" disabled={left === 0}>Spread over days, town by town</Button>
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
						<div class="no-print">
							<DateField
								label="Day for {site.siteName}"
								hideLabel
								value={stop?.day ?? null}
								onchange={(day) => setDay(site, day)}
							/>
						</div>
						<div class="who">
							<Field
								label="Who goes to {site.siteName}"
								hideLabel
								placeholder="who"
								maxlength={80}
								disabled={!stop}
								value={stop?.who ?? ''}
								onchange={(who) => setWho(site, who)}
							/>
						</div>
						<span class="order no-print">
							{#if stop && day.sites.length > 1}
								<Button
									icon={ArrowUp}
									iconLabel="{site.siteName} earlier"
									disabled={i === 0}
									onclick={() => move(day, site, -1)}
								/>
								<Button
									icon={ArrowDown}
									iconLabel="{site.siteName} later"
									disabled={i === day.sites.length - 1}
									onclick={() => move(day, site, 1)}
								/>
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
	form > :global(.bx--form-item) {
		flex: 0 0 auto;
		width: 8rem;
	}
	.who {
		width: 8rem;
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
		font-size: var(--small);
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
		font-size: var(--small);
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
