<script lang="ts">
	import { untrack } from 'svelte';
	import Headline from '$lib/ui/kit/Headline.svelte';
	import { replaceState } from '$app/navigation';
	import { page } from '$app/state';
	import { allowedOptions, displaySetpoint } from '$core/control';
	import { dateWords, instantOf, localTime, wallAt, wallMinute } from '$core/civil';
	import { localDateTime, type Exception } from '$core/plan';
	import { resolve, runOfZone } from '$core/run';
	import Button from '$lib/ui/kit/Button.svelte';
	import MomentField from '$lib/ui/kit/MomentField.svelte';
	import CallsFor from '$lib/ui/run/CallsFor.svelte';
	import DatedChart from '$lib/ui/run/DatedChart.svelte';
	import { datedDays, mondayOf } from '$lib/ui/run/datedDays';
	import { waitsForGovernor } from '$lib/ui/run/governed';
	import TryHere from '$lib/ui/run/TryHere.svelte';
	import WhyChain from '$lib/ui/run/WhyChain.svelte';
	import YearStrip from '$lib/ui/run/YearStrip.svelte';
	import { stripRow, yearAhead } from '$lib/ui/run/yearStrip';
	import { zoneModel } from '$lib/ui/zone/zoneModel.svelte';
	import { momentInWords, stateWords } from '$core/words';

	let { data } = $props();

	const model = zoneModel();
	const zone = $derived(model.zone);
	const profile = $derived(model.profile);
	const options = $derived(allowedOptions(profile, zone.options));
	const timeZone = $derived(data.site.timeZone);
	const isSwitch = $derived(profile.temperature === null);

	/** The moment in question. */
	let atMs = $state(
		untrack(() => {
			const asked = localDateTime.safeParse(page.url.searchParams.get('at'));
			return asked.success ? instantOf(data.site.timeZone, wallMinute(asked.data)) : data.nowMs;
		})
	);
	const atLocal = $derived(localTime(wallAt(timeZone, atMs)));
	function go(ms: number) {
		atMs = ms;
		replaceState(`?at=${localTime(wallAt(timeZone, ms))}`, {});
	}

	/** What is only tried. */
	let tried = $state.raw<Exception | null>(null);
	const run = $derived(
		runOfZone(zone, profile, data.program, {
			timeZone,
			nowMs: data.nowMs,
			tried: tried ? [tried] : []
		})
	);
	const words = $derived(momentInWords(run, atMs));
	const held = $derived(resolve(run, atMs));
	const waits = $derived(
		waitsForGovernor(data.feeding, data.governor, { zone, profile, held: data.held }, held.heatC, {
			timeZone,
			nowMs: data.nowMs,
			atMs
		})
	);
	const big = $derived(
		isSwitch
			? stateWords(run, held.heatC, null)
			: held.heatC === null
				? 'Off'
				: displaySetpoint(profile, options, held.heatC)
	);

	let frameWidth = $state(800);
	let windowHeight = $state(800);
	const narrow = $derived(frameWidth < 560);
	const hourWidth = $derived((frameWidth - (narrow ? 86 : 128)) / 25.1);
	const rowHeight = $derived(Math.min(80, Math.max(40, Math.floor((windowHeight - 432) / 7))));
	const drawing = $derived(datedDays(run, mondayOf(timeZone, atMs), 7, hourWidth, rowHeight - 8));
	const strip = $derived(yearAhead(timeZone, data.nowMs));
	const rows = $derived([stripRow(zone, profile, strip, data.zone.id, null)]);

	function keys(event: KeyboardEvent) {
		if ((event.target as HTMLElement).closest('input, select, textarea, [role="slider"]')) return;
		const step = event.shiftKey ? 60 : 10;
		if (event.key === 'ArrowLeft') go(atMs - step * 60_000);
		else if (event.key === 'ArrowRight') go(atMs + step * 60_000);
		else if (event.key === 'ArrowUp') go(atMs - 86_400_000);
		else if (event.key === 'ArrowDown') go(atMs + 86_400_000);
		else return;
		event.preventDefault();
	}
</script>

<svelte:window onkeydown={keys} bind:innerHeight={windowHeight} />

<div class="page with-aside">
	<main>
		<div class="answer">
			<p class="value">
				{big}{#if !isSwitch && held.heatC !== null}<span class="unit">°{options.unit}</span>{/if}
			</p>
			<div>
				<Headline of="{zone.name}, {dateWords(atLocal.slice(0, 10))}, {atLocal.slice(11)}"
					>{words.sentence}</Headline
				>
				<p>
					{#if words.left}<strong class="left">{words.left}</strong>{:else}<span class="soft"
							>stays until changed</span
						>{/if}
					{#if waits}<span class="signal">{waits}</span>{/if}
					{#if words.clock}<span class="signal">{words.clock}</span>{/if}
				</p>
			</div>
		</div>
		<div bind:clientWidth={frameWidth}>
			<DatedChart
				{drawing}
				{rowHeight}
				cursorMs={atMs}
				narrowLabels={narrow}
				hours={narrow ? [0, 6, 12, 18, 24] : [0, 3, 6, 9, 12, 15, 18, 21, 24]}
				label="The week from {drawing.days[0]!.label}, as the control will run it"
				onpick={go}
			/>
		</div>
		<div class="year">
			<YearStrip {strip} {rows} {timeZone} cursorMs={atMs} onpick={go} />
		</div>
		<p class="soft hint">
			Point anywhere, or move with the arrows: ten minutes left and right (an hour with Shift), a day up and
			down.
		</p>
	</main>

	<aside>
		<p><Button kind="next" href="/sites/{data.site.id}/zones/{data.zone.id}/callback">Take a call</Button></p>
		<section>
			<h2>The moment</h2>
			<MomentField
				label="Moment"
				value={atLocal}
				onchange={(local) => {
					const asked = localDateTime.safeParse(local);
					if (asked.success) go(instantOf(timeZone, wallMinute(asked.data)));
				}}
			/>
			<Button onclick={() => go(data.nowMs)}>Now</Button>
		</section>
		<section>
			<h2>Program first, then overrides</h2>
			<WhyChain links={words.chain} />
		</section>
		<TryHere {model} at={atLocal} bind:tried />
		<CallsFor {model} {held} {atMs} unit={options.unit} />
	</aside>
</div>

<style>
	.page {
		--aside: 17.5rem;
	}
	.answer {
		display: grid;
		grid-template-columns: auto minmax(0, 1fr);
		gap: 0 1.5rem;
		align-items: center;
		min-height: 5.6rem;
		margin: 0.3rem 0 0.5rem;
	}
	.value {
		font-family: var(--display);
		font-weight: 600;
		font-size: 3.6rem;
		line-height: 1.1;
		white-space: nowrap;
	}
	.unit {
		margin-left: 0.1em;
		font-size: 0.42em;
		vertical-align: 0.8em;
		color: var(--soft);
	}
	.left {
		font-size: 1.05rem;
	}
	.year {
		margin-top: 0.75rem;
	}
	.hint {
		margin-top: 0.3rem;
		font-size: var(--small);
	}
	@media (max-width: 860px) {
		.value {
			font-size: 3rem;
		}
		.hint {
			display: none;
		}
	}
</style>
