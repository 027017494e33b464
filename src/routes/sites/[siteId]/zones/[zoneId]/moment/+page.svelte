<script lang="ts">
	import { untrack } from 'svelte';
	import { replaceState } from '$app/navigation';
	import { page } from '$app/state';
	import { fromUnit, allowedOptions, displaySetpoint, heldSetpoint } from '$core/control';
	import { dateWords, instantOf, localTime, wallAt, wallMinute } from '$core/civil';
	import { localDateTime, type Exception } from '$core/plan';
	import { demandOf, momentInWords, resolve, runOfZone, stateWords } from '$core/run';
	import { DocumentEditor } from '$lib/ui/documentEditor.svelte';
	import DatedChart from '$lib/ui/run/DatedChart.svelte';
	import { datedDays, mondayOf } from '$lib/ui/run/datedDays';
	import SettingsAtControl from '$lib/ui/run/SettingsAtControl.svelte';
	import YearStrip from '$lib/ui/run/YearStrip.svelte';
	import { stripRow, yearAhead } from '$lib/ui/run/yearStrip';
	import { refresh } from '$lib/ui/refresh';
	import Conflict from '$lib/ui/zone/Conflict.svelte';
	import { live } from '$lib/ui/zone/live.svelte';

	let { data } = $props();

	// the page is made anew for each zone
	// svelte-ignore state_referenced_locally
	const editor = new DocumentEditor(
		`/api/v1/jobs/${data.site.id}/zones/${data.zone.id}`,
		'zone',
		data.stored.zone,
		data.stored.revision,
		// the tabs and lists are read again, so that none of them is older than this page
		() => void refresh('fq:site')
	);
	$effect(() => {
		if (editor.unsaved) live.show(data.zone.id, { changed: true });
	});
	const zone = $derived(editor.document);
	const profile = $derived(data.profile);
	const options = $derived(allowedOptions(profile, zone.options));
	const timeZone = $derived(data.site.timeZone);
	const habits = $derived(profile.habits);
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

	const stepC = $derived(profile.temperature?.stepC ?? 1);
	let setpointC = $state(
		untrack(
			() =>
				Math.max(...data.stored.zone.levels.map((level) => level.setpointC)) +
				(data.profile.temperature ? 1 : 0)
		)
	);
	let steps = $state(1);
	const shownSetpoint = $derived(
		isSwitch
			? setpointC >= 0.5
				? 'On'
				: 'Off'
			: displaySetpoint(profile, options, heldSetpoint(profile, options, setpointC))
	);
	function bump(by: number) {
		setpointC = isSwitch
			? by > 0
				? 1
				: 0
			: heldSetpoint(
					profile,
					options,
					Math.min(
						Math.max(setpointC + by * (options.unit === 'F' ? 5 / 9 : stepC), profile.temperature!.minC),
						profile.temperature!.maxC
					)
				);
	}
	function attempt(kind: 'override' | 'advance' | 'hold' | 'boost' | 'manual' | 'off') {
		const common = { id: 'tried', from: atLocal };
		tried =
			kind === 'boost'
				? { kind, ...common, steps, setpointC }
				: kind === 'advance'
					? { kind, ...common }
					: kind === 'off'
						? { kind, ...common, until: null }
						: kind === 'override'
							? { kind, ...common, setpointC }
							: { kind, ...common, until: null, setpointC };
	}
	const triedNames: Record<Exception['kind'], string> = {
		override: 'a change by hand',
		advance: 'an advance',
		hold: 'a hold',
		boost: 'a boost',
		manual: 'manual',
		off: 'off',
		absence: 'an absence',
		'special-day': 'a special day'
	};
	function keep() {
		if (!tried) return;
		editor.change({ ...zone, exceptions: [...zone.exceptions, { ...tried, id: crypto.randomUUID() }] });
		tried = null;
	}

	let roomC = $state('');
	const room = $derived(roomC.trim() === '' ? NaN : fromUnit(options.unit, Number(roomC.replace(',', '.'))));
	const demand = $derived(
		Number.isFinite(room) || isSwitch
			? demandOf(profile, zone.settings, held, Number.isFinite(room) ? room : 0, atMs)
			: null
	);
	const demandWords = {
		heat: 'It calls for heat.',
		cool: 'It calls for cooling.',
		none: 'It calls for nothing.'
	};

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

<svelte:head><title>{zone.name}, any moment · Fond Quarter</title></svelte:head>
<svelte:window onkeydown={keys} bind:innerHeight={windowHeight} onbeforeunload={() => void editor.flush()} />

<div class="page with-aside">
	<main>
		<h1>{zone.name}, {dateWords(atLocal.slice(0, 10))}, {atLocal.slice(11)}</h1>
		<div class="answer" aria-live="polite">
			<p class="value">
				{big}{#if !isSwitch && held.heatC !== null}<span class="unit">°{options.unit}</span>{/if}
			</p>
			<div>
				<p class="sentence">{words.sentence}</p>
				<p>
					{#if words.left}<strong class="left">{words.left}</strong>{:else}<span class="soft"
							>nothing ends it by itself</span
						>{/if}
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
		<section>
			<h2>The moment</h2>
			<div class="at">
				<input
					type="datetime-local"
					aria-label="Date and time"
					value={atLocal}
					onchange={(event) => {
						const asked = localDateTime.safeParse(event.currentTarget.value);
						if (asked.success) go(instantOf(timeZone, wallMinute(asked.data)));
						else event.currentTarget.value = atLocal;
					}}
				/>
				<button class="quiet" onclick={() => go(data.nowMs)}>Now</button>
			</div>
		</section>
		<section>
			<h2>Why: from the week up</h2>
			<ol class="chain">
				{#each words.chain as link, i (i)}
					<li class:rules={link.rules}>{link.words}</li>
				{/each}
			</ol>
		</section>
		<section>
			<h2>Try at this moment</h2>
			{#if !isSwitch || habits.override || habits.boost}
				<div class="stepper" role="group" aria-label="Setpoint tried">
					<button class="quiet" aria-label="Lower" onclick={() => bump(-1)}>−</button>
					<span class="mono">{shownSetpoint}{isSwitch ? '' : `°`}</span>
					<button class="quiet" aria-label="Higher" onclick={() => bump(1)}>+</button>
				</div>
			{/if}
			<div class="tries">
				{#if habits.override}<button class="quiet" onclick={() => attempt('override')}>Change by hand</button
					>{/if}
				{#if habits.advance}<button class="quiet" onclick={() => attempt('advance')}>Advance</button>{/if}
				{#if habits.boost}
					<button class="quiet" onclick={() => attempt('boost')}
						>Boost{habits.boost.ends === 'after-steps'
							? `, ${steps} × ${habits.boost.stepMinutes} min`
							: ''}</button
					>
					{#if habits.boost.ends === 'after-steps'}
						<input
							class="mono"
							type="number"
							min="1"
							max={habits.boost.mostSteps}
							aria-label="Boost steps"
							bind:value={steps}
						/>
					{/if}
				{/if}
				{#if habits.hold}<button class="quiet" onclick={() => attempt('hold')}>Hold</button>{/if}
				{#if habits.manual}<button class="quiet" onclick={() => attempt('manual')}>Manual</button>{/if}
				{#if habits.off}<button class="quiet" onclick={() => attempt('off')}>Off</button>{/if}
				<a class="quiet" href="/sites/{data.site.id}/zones/{data.zone.id}/away">Away</a>
			</div>
			{#if tried}
				<p class="tried">
					Only tried: {triedNames[tried.kind]} from {'from' in tried ? tried.from.slice(11) : ''}.
					<button class="quiet small" onclick={() => (tried = null)}>Drop it</button>
					<button class="quiet small" onclick={keep}>It was done so</button>
				</p>
			{/if}
			{#if editor.canUndo}
				<p><button class="quiet small" onclick={() => editor.undo()}>Undo</button></p>
			{/if}
		</section>
		<SettingsAtControl
			settings={zone.settings}
			{profile}
			unit={options.unit}
			onchange={(settings) => editor.change({ ...zone, settings })}
		/>
		<section>
			<h2>What it calls for</h2>
			{#if !isSwitch}
				<label
					><span class="soft">with the room at</span>
					<input
						class="mono short"
						inputmode="decimal"
						bind:value={roomC}
						placeholder={options.unit === 'F' ? '65' : '18.5'}
					/>
					<span class="soft">°{options.unit}</span></label
				>
			{/if}
			{#if demand}
				<p aria-live="polite">
					{demandWords[demand.call]}
					{#if demand.fan}The fan {demand.fan}.{/if}
					{#if habits.minimumOffMinutes > 0}
						<span class="soft"
							>After a stop it waits {habits.minimumOffMinutes} min before it may start again: no fault.</span
						>
					{/if}
				</p>
			{/if}
		</section>
	</aside>
</div>

<Conflict {editor} {profile} />

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
	.sentence {
		font-size: 1.15rem;
	}
	.left {
		font-size: 1.05rem;
	}
	.year {
		margin-top: 0.75rem;
	}
	.hint {
		margin-top: 0.3rem;
		font-size: 0.9rem;
	}
	.at {
		display: flex;
		gap: 0.4rem;
	}
	input {
		min-width: 0;
	}
	.chain {
		margin: 0;
		padding: 0;
		list-style: none;
		border-left: 2px solid var(--rule);
	}
	.chain li {
		position: relative;
		padding: 0.25rem 0 0.25rem 0.8rem;
		color: var(--soft);
	}
	.chain li.rules {
		color: var(--ink);
		font-weight: 700;
	}
	.chain li.rules::before {
		content: '';
		position: absolute;
		left: -5px;
		top: 0.75em;
		width: 8px;
		height: 8px;
		background: var(--ink);
		border-radius: 50%;
	}
	.stepper {
		display: flex;
		gap: 0.5rem;
		align-items: center;
		margin-bottom: 0.5rem;
		font-size: 1.3rem;
	}
	.stepper .quiet {
		min-width: 44px;
	}
	.tries {
		display: flex;
		flex-wrap: wrap;
		gap: 0.4rem;
	}
	.tries input {
		width: 4rem;
	}
	.tried {
		margin-top: 0.6rem;
		padding-left: 0.6rem;
		border-left: 4px solid var(--held);
	}
	label {
		display: flex;
		gap: 0.4rem;
		align-items: center;
	}
	.short {
		width: 4.5rem;
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
