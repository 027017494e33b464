<script lang="ts">
	import { onMount, untrack } from 'svelte';
	import { ProgressBar } from 'carbon-components-svelte';
	import Running from '$lib/ui/Running.svelte';
	import { target, unitOf, type KeptStagger, type Zone } from '$core/plan';
	import {
		dayOfPeak,
		heatedBy,
		nightsOf,
		peakOfDay,
		staggerInputs,
		type SiteLoad,
		type Source
	} from '$core/thermal';
	import { roundTemperatureWords } from '$core/control';
	import { clockTime, DAY_SHORT, dayOf, duration, minuteOfDay } from '$core/week';
	import { call } from '$lib/ui/call';
	import { saving } from '$lib/ui/saving.svelte';
	import BoilerStarts from '$lib/ui/site/BoilerStarts.svelte';
	import HeatGivens from '$lib/ui/site/HeatGivens.svelte';
	import InterlockOffer from '$lib/ui/site/InterlockOffer.svelte';
	import LoadChart from '$lib/ui/site/LoadChart.svelte';
	import MovedStarts from '$lib/ui/site/MovedStarts.svelte';
	import ZoneLoads from '$lib/ui/site/ZoneLoads.svelte';
	import {
		LoadFollower,
		staggerInWorker,
		type LoadAnswer,
		type Staggered,
		type StaggerRun
	} from '$lib/workers/siteHeat';
	import { refresh } from '$lib/ui/refresh';
	import Button from '$lib/ui/kit/Button.svelte';
	import Views from '$lib/ui/kit/Views.svelte';

	let { data } = $props();

	const profileOf = (zone: Zone) =>
		data.profiles.find((profile) => profile.id === zone.control) ?? data.profiles[0]!;
	const known = $derived(
		data.zones.map((row) => ({
			id: row.id,
			zone: row.document,
			profile: profileOf(row.document),
			revision: row.revision
		}))
	);
	const electric = $derived(heatedBy(known, 'electric'));
	const water = $derived(heatedBy(known, 'water'));
	const unknown = $derived(data.zones.filter((row) => !row.document.room));

	// svelte-ignore state_referenced_locally
	let chosen = $state<Source | null>(data.site.stagger?.source ?? null);
	const source = $derived<Source>(
		chosen ?? (electric.length > 0 || water.length === 0 ? 'electric' : 'water')
	);
	const heated = $derived(source === 'electric' ? electric : water);
	const supply = $derived(data.site.supply);
	const limit = $derived({
		limitW: source === 'electric' ? supply.electricW : supply.boilerW,
		windowMinutes: supply.windowMinutes
	});

	// svelte-ignore state_referenced_locally
	let outdoorC = $state(data.site.stagger?.outdoorC ?? 0);
	let latest = $state.raw<LoadAnswer | null>(null);
	/** What was computed for the source on show, for these zones. */
	const now = $derived(
		latest?.source === source && latest.load.zones.length === heated.length ? latest : null
	);
	let share = $state<number | null>(null);
	let staggered = $state.raw<Staggered | null>(null);
	let run = $state.raw<StaggerRun | null>(null);
	let runShare = $state(0);
	let pickedDay = $state<number | null>(null);
	let problem = $state<string | null>(null);
	let busy = $state(false);
	let view = $state<'staggered' | 'now'>('staggered');

	let follower: LoadFollower | undefined;
	onMount(() => {
		follower = new LoadFollower(
			(answer) => {
				latest = answer;
				share = null;
			},
			(part) => (share = part)
		);
		ask();
		return () => {
			follower?.stop();
			run?.stop();
		};
	});
	const sent = $derived(heated.map(({ id, zone, profile }) => ({ id, zone, profile })));
	function ask() {
		if (heated.length > 0) {
			share = 0;
			follower?.request($state.snapshot(sent), source, { ...limit }, outdoorC);
		} else latest = null;
	}
	$effect(() => {
		void [sent, source, limit, outdoorC];
		untrack(() => {
			staggered = null;
			run?.stop();
			run = null;
			ask();
		});
	});

	/** The unit of the site: that of most of its controls here. */
	const unit = $derived(
		heated.filter(({ zone, profile }) => unitOf(zone, profile) === 'F').length * 2 > heated.length ? 'F' : 'C'
	);
	const outside = (c: number) => roundTemperatureWords(unit, c);
	const kW = (w: number) => `${(w / 1000).toFixed(1)} kW`;
	const at = (minute: number) => `${DAY_SHORT[dayOf(minute)]} ${clockTime(minuteOfDay(minute))}`;
	const shown = $derived<SiteLoad | null>(
		(view === 'staggered' ? staggered?.load : null) ?? now?.load ?? null
	);
	/** The day on show: the one picked, or that of the highest load. */
	const day = $derived(pickedDay ?? (shown ? dayOfPeak(shown.peakAt) : 0));
	const late = (load: SiteLoad) => load.zones.reduce((sum, zone) => sum + zone.late.length, 0);
	const lateWords = (load: SiteLoad) => {
		const count = late(load);
		return count === 0 ? 'every room is warm in time' : `${count} times in the week a room is late`;
	};

	const answer = $derived.by(() => {
		if (heated.length === 0) return 'No room here is described yet: what it draws is not known.';
		if (!shown) return 'Computing …';
		const staggeredNow = shown === staggered?.load;
		const most = peakOfDay(shown, day);
		const peak = `${kW(most.w)} at most as a mean over ${limit.windowMinutes} min, ${at(most.at)}`;
		const over =
			limit.limitW === null
				? ''
				: shown.overMinutes > 0
					? `, over the ${kW(limit.limitW)} allowed for ${duration(shown.overMinutes)} of the week`
					: `, under the ${kW(limit.limitW)} allowed`;
		return `${staggeredNow ? 'Staggered: ' : ''}${peak}${over}; ${lateWords(shown)}.`;
	});
	/** What is drawn at the worst minute, which a mean does not show. */
	const instant = $derived(
		shown
			? `At one minute up to ${shown.atOnce} of ${heated.length} heat together, ${kW(shown.worstW)}${limit.limitW !== null && shown.worstW > limit.limitW ? `: over the ${kW(limit.limitW)} at that minute, which only an interlock rules out` : ''}.`
			: null
	);
	const canLock = $derived(
		limit.limitW !== null && now !== null && now.load.worstW > limit.limitW && heated.length > 1
	);
	/** Takes leads over into the zones as they are now, and says whether that was kept. */
	async function takeLeads(
		zones: readonly { readonly id: string; readonly zone: Zone }[],
		kept?: KeptStagger
	) {
		busy = true;
		saving.now = { kind: 'saving' };
		const changes = zones.flatMap(({ id, zone: { lead } }) => {
			const row = data.zones.find((one) => one.id === id)!;
			return JSON.stringify(lead) === JSON.stringify(row.document.lead)
				? []
				: [{ id, revision: row.revision, zone: { ...row.document, lead } }];
		});
		const post = () => call('POST', `/api/v1/jobs/${data.site.id}/zones/apply`, { changes });
		let done = changes.length === 0 ? ({ ok: true } as const) : await post();
		if (done.ok && kept) done = await call('PATCH', `/api/v1/jobs/${data.site.id}`, { stagger: kept });
		problem = done.ok ? null : done.sentence;
		saving.now = done.ok ? { kind: 'saved', at: Date.now() } : { kind: 'refused', sentence: 'Not saved' };
		await refresh('fq:site');
		busy = false;
	}
	const bad = $derived(shown !== null && (shown.overMinutes > 0 || late(shown) > 0));
	const hopeless = $derived(
		now && limit.limitW !== null && now.load.steadyW > limit.limitW
			? `Only to keep these rooms warm takes ${kW(now.load.steadyW)} at ${outside(outdoorC)} outside: no starting times can help. The supply is too small, or the rooms lose too much.`
			: null
	);

	const inputs = $derived(staggerInputs(heated, limit, outdoorC));
	const kept = $derived(data.site.stagger?.source === source ? data.site.stagger : null);
	const keptStale = $derived(
		kept !== null &&
			kept.inputs !==
				staggerInputs(heated, { limitW: kept.limitW, windowMinutes: kept.windowMinutes }, kept.outdoorC)
	);

	/** The needs of a zone's week with the minutes by which its setpoint rises before them, as it is shown. */
	const strips = $derived(
		heated.map((one) => {
			const zone =
				view === 'staggered' && staggered
					? (staggered.zones.find(({ id }) => id === one.id)?.zone ?? one.zone)
					: one.zone;
			const week = target(zone).week;
			const lateAt = shown?.zones.find(({ id }) => id === one.id)?.late ?? [];
			return {
				id: one.id,
				name: zone.name,
				needs: nightsOf(zone, one.profile).map(({ at: need }) => {
					const started = [...week].reverse().find((step) => step.at <= need) ?? week.at(-1)!;
					return { at: need, start: need - started.at, late: lateAt.includes(need) };
				})
			};
		})
	);

	async function stagger() {
		problem = null;
		runShare = 0;
		run = staggerInWorker($state.snapshot(sent), source, { ...limit }, outdoorC, (part) => (runShare = part));
		const own = run;
		const found = await own.answer;
		if (run !== own) return;
		run = null;
		staggered = found;
		view = 'staggered';
	}

	async function take() {
		if (!staggered || !now) return;
		const stagger: KeptStagger = {
			at: new Date().toISOString(),
			source,
			outdoorC,
			limitW: limit.limitW!,
			windowMinutes: limit.windowMinutes,
			beforeW: Math.round(now.load.peakW),
			afterW: Math.round(staggered.load.peakW),
			moved: staggered.stagger.zones.flatMap(({ id, rises }) =>
				rises
					.filter((rise) => rise.earlier > 0)
					.map(({ at: need, minutes, earlier }) => ({
						zone: heated.find((one) => one.id === id)!.zone.name,
						at: need,
						neededMinutes: minutes - earlier,
						minutes
					}))
			),
			inputs
		};
		await takeLeads(staggered.zones, stagger);
	}
</script>

<svelte:head><title>{data.site.name}, heat at once · Fond Quarter</title></svelte:head>

<main>
	<h1>{data.site.name}: does everything heat at once?</h1>
	<p class="answer" aria-live="polite" class:signal={bad}>{answer}</p>
	{#if instant}<p class="instant" class:signal={limit.limitW !== null && shown!.worstW > limit.limitW}>
			{instant}
		</p>{/if}
	{#if hopeless}<p class="signal">{hopeless}</p>{/if}

	<HeatGivens
		siteId={data.site.id}
		{supply}
		{source}
		zones={{ electric: electric.length, water: water.length }}
		{unit}
		computing={share !== null}
		bind:outdoorC
		onsource={(next) => (chosen = next)}
		onproblem={(sentence) => (problem = sentence)}
	/>
	{#if problem}<p class="signal" role="alert">{problem}</p>{/if}
	{#if share !== null && share < 1 && heated.length > 12}
		<ProgressBar labelText="Running {heated.length} zones" value={share * 100} max={100} />
	{/if}

	{#if shown}
		<div class="section-head">
			<Views
				label="Day drawn"
				views={DAY_SHORT.map((name, i) => [String(i), name] as const)}
				value={String(day)}
				onchange={(next) => (pickedDay = Number(next))}
			/>
			{#if staggered}
				<Views
					label="Starts drawn"
					views={[
						['now', 'as they are'],
						['staggered', 'staggered']
					]}
					value={view}
					onchange={(next) => (view = next)}
				/>
			{/if}
		</div>
		<LoadChart
			load={shown}
			before={view === 'staggered' && staggered ? (now?.load ?? null) : null}
			limitW={limit.limitW}
			{day}
			zones={strips}
		/>
		<p class="soft small-text">
			Line: what is passed once in twenty times, thermostats cycling by chance; area: the mean. All at once
			would be {kW(shown.allW)}, and only an interlock rules that out. Bars: from the setpoint's rise to the
			need.
		</p>

		<div class="columns">
			<div>
				{#if run}
					<Running
						label="Trying starts"
						share={runShare}
						onstop={() => {
							run?.stop();
							run = null;
						}}
					/>
				{:else if staggered}
					<MovedStarts
						{staggered}
						zones={heated}
						kWhBefore={now?.load.kWh ?? null}
						{busy}
						ontake={take}
						onleave={() => (staggered = null)}
					/>
				{:else if limit.limitW !== null}
					<div class="keys">
						<Button kind="next" disabled={hopeless !== null} onclick={stagger}>Stagger the starts</Button>
						{#if kept}
							<p class:signal={keptStale}>
								{#if keptStale}
									The starts were staggered on {kept.at.slice(0, 10)} for other rooms, weeks or supply: do it anew.
								{:else}
									Staggered on {kept.at.slice(0, 10)} for {outside(kept.outdoorC)}: {kW(kept.beforeW)} came down
									to {kW(kept.afterW)}, {new Set(kept.moved.map((one) => one.zone)).size} zones start earlier.
								{/if}
							</p>
						{/if}
					</div>
				{:else}
					<p class="keys">
						Say what the {source === 'electric' ? 'supply' : 'boiler'} can give, to stagger the starts under it.
					</p>
				{/if}

				{#if canLock}
					<InterlockOffer {heated} {source} {limit} {outdoorC} {busy} ontake={takeLeads} />
				{/if}
				{#if source === 'water' && now?.starts}
					<BoilerStarts
						{unit}
						startsPerDay={now.load.startsPerDay}
						starts={now.starts}
						allowed={supply.boilerStartsPerDay ?? 20}
					/>
				{/if}
			</div>
			<ZoneLoads siteId={data.site.id} load={shown} {heated} />
		</div>
	{/if}
	{#if unknown.length > 0}
		<p class="soft">
			Not counted, because their rooms are not described:
			{#each unknown as row, i (row.id)}{i > 0 ? ', ' : ''}<a href="/sites/{data.site.id}/zones/{row.id}/room"
					>{row.name}</a
				>{/each}.
		</p>
	{/if}
</main>

<style>
	.instant {
		margin-bottom: 0.8rem;
	}
	.answer {
		margin: 0.3rem 0 0.5rem;
		font-size: 1.4rem;
		font-weight: 700;
		line-height: 1.25;
		max-width: 56rem;
	}
	.section-head {
		display: flex;
		flex-wrap: wrap;
		gap: 0.5rem 1.5rem;
		justify-content: space-between;
		margin-bottom: 0.3rem;
	}
	.section-head :global(.bx--content-switcher) {
		width: min(30rem, 100%);
	}
	.small-text {
		font-size: var(--small);
		max-width: 62rem;
	}
	.columns {
		display: grid;
		grid-template-columns: minmax(0, 3fr) minmax(0, 2fr);
		gap: 0 2.5rem;
	}
	.keys {
		display: flex;
		flex-wrap: wrap;
		gap: 1rem;
		align-items: center;
		margin-top: 0.75rem;
	}
	@media (max-width: 700px) {
		.answer {
			font-size: 1.2rem;
		}
		.columns {
			grid-template-columns: minmax(0, 1fr);
		}
	}
</style>
