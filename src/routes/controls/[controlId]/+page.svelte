<script lang="ts">
	import { onMount, untrack } from 'svelte';
	import { beforeNavigate, goto } from '$app/navigation';
	import {
		allowedOptions,
		displaySetpoint,
		profileFacts,
		profileSchema,
		type ControlProfile,
		type FactTopic
	} from '$core/control';
	import { profileSense, sampleZone } from '$core/checks';
	import { misfitSentences } from '$core/fit';
	import { problemOf, writeControlFile } from '$core/formats';
	import { onControl, type Zone } from '$core/plan';
	import { call } from '$lib/ui/call';
	import ProfileFields from '$lib/ui/controls/ProfileFields.svelte';
	import { DocumentEditor } from '$lib/ui/document/documentEditor.svelte';
	import { saving } from '$lib/ui/saving.svelte';
	import Groupings from '$lib/ui/week/Groupings.svelte';
	import WeekChart from '$lib/ui/week/WeekChart.svelte';
	import type { RiserPlace } from '$lib/ui/week/weekEdits';
	import { FitFollower } from '$lib/workers/fitFollower';
	import { pricedFit, type PricedFit } from '$core/keying';
	import { fitMany, type ManyFits, type Outcome } from '$lib/workers/fitMany';
	import { refresh } from '$lib/ui/refresh';
	import Redo from 'carbon-icons-svelte/lib/Redo.svelte';
	import Undo from 'carbon-icons-svelte/lib/Undo.svelte';
	import { fitWords } from '$core/words';
	import Button from '$lib/ui/kit/Button.svelte';
	import Field from '$lib/ui/kit/Field.svelte';
	import Problem from '$lib/ui/kit/Problem.svelte';

	let { data } = $props();

	const own = $derived(data.revision !== null);
	// the page is made anew for each control
	// svelte-ignore state_referenced_locally
	const editor = new DocumentEditor<ControlProfile>(
		`/api/v1/controls/${data.profile.id}`,
		'profile',
		data.profile,
		data.revision ?? 1
	);
	const profile = $derived(editor.document);

	/** What was changed into something no control can be: kept on screen, not saved. */
	let draft = $state.raw<ControlProfile | null>(null);
	let problem = $state<string | null>(null);
	let openTopic = $state<FactTopic | null>(null);
	let failed = $state<string | null>(null);

	let sample = $state.raw<Zone>(untrack(() => sampleZone(data.profile)));
	let before = $state.raw<Zone | null>(null);
	let fit = $state.raw<PricedFit>(untrack(() => pricedFit(sample, data.profile)));
	let selected = $state.raw<RiserPlace | null>(null);
	let selectedDay = $state(0);
	const shown = { wanted: true, held: true, misfit: true };

	const facts = $derived(profileFacts(profile));
	const findings = $derived(profileSense(profile));
	const options = $derived(allowedOptions(profile, sample.options));
	const say = $derived((c: number) => {
		const text = displaySetpoint(profile, options, c);
		return profile.temperature === null ? text.toLowerCase() : text;
	});
	const sentence = $derived(misfitSentences(fit.chosen.misfit, sample.weights, say)[0]);

	let follower: FitFollower | undefined;
	onMount(() => {
		follower = new FitFollower((next) => (fit = next));
		return () => follower?.stop();
	});
	$effect(() => {
		follower?.request(sample, profile);
	});

	function take(next: ControlProfile) {
		const read = profileSchema.safeParse(next);
		if (!read.success) {
			draft = next;
			problem = `${problemOf(read.error).sentence} Not kept until it is mended.`;
			return;
		}
		const was = profile;
		draft = null;
		problem = null;
		editor.change(read.data);
		if ((was.temperature === null) !== (read.data.temperature === null))
			sample = onControl(sample, was, read.data);
	}

	beforeNavigate(({ cancel, to, willUnload }) => {
		if (!editor.unsaved || willUnload || !to || saving.now.kind === 'waiting') return;
		cancel();
		void editor.flush().then(() => goto(to.url));
	});

	async function copy() {
		const made = {
			...profile,
			id: `${profile.id.slice(0, 50)}-copy`,
			name: `${profile.name.slice(0, 72)} (copy)`
		};
		const answer = await call<{ id: string }>('POST', '/api/v1/controls', writeControlFile(made));
		if (answer.ok) await goto(`/controls/${answer.data.id}`);
		else failed = answer.sentence;
	}

	// which zones a change would touch: they are re-fitted only when asked
	$effect(() => {
		if (own && saving.now.kind === 'saved') void refresh('fq:control');
	});
	const behind = $derived(data.uses.filter((use) => !use.current));
	let running = $state.raw<ManyFits | null>(null);
	let done = $state(0);
	let effects = $state.raw<{ use: (typeof data.uses)[number]; was: Outcome; now: Outcome }[] | null>(null);
	let takenUp = $state<string | null>(null);

	async function preview() {
		effects = null;
		takenUp = null;
		done = 0;
		const uses = behind;
		running = fitMany(
			uses.flatMap((use) => [
				{ zone: use.zone, profile: use.profile },
				{
					zone: { ...use.zone, options: allowedOptions(profile, use.zone.options) },
					profile
				}
			]),
			(count) => (done = Math.floor(count / 2))
		);
		const found = await running.outcomes;
		running = null;
		if (found) effects = uses.map((use, i) => ({ use, was: found[2 * i]!, now: found[2 * i + 1]! }));
	}

	function effectWords(was: Outcome, now: Outcome): string {
		const said: string[] = [];
		const held = (one: Outcome) => fitWords(one, profile.temperature === null);
		if (held(was) !== held(now)) said.push(`${held(now)} instead of ${held(was)}`);
		if (was.values !== now.values) said.push(`${now.values} values instead of ${was.values}`);
		if (was.grouping !== now.grouping) said.push(`${now.grouping} instead of ${was.grouping}`);
		return said.length === 0 ? 'nothing changes' : said.join(', ');
	}

	async function takeUp() {
		await editor.flush();
		const answer = await call<{ sites: number; zones: number }>(
			'POST',
			`/api/v1/controls/${data.profile.id}/take-up`
		);
		failed = answer.ok ? null : answer.sentence;
		effects = null;
		if (answer.ok)
			takenUp = `${answer.data.zones === 1 ? 'One zone was' : `${answer.data.zones} zones were`} fitted anew.`;
		await refresh('fq:control');
	}
</script>

<svelte:head><title>{profile.name}, control · Fond Quarter</title></svelte:head>

<main>
	<header>
		<div>
			{#if own}
				<h1 class="out-of-sight">{profile.name}</h1>
				<div class="title">
					<Field
						label="Name of the control"
						hideLabel
						maxlength={80}
						value={profile.name}
						onchange={(name) => take({ ...profile, name })}
					/>
				</div>
			{:else}
				<h1>{profile.name}</h1>
			{/if}
			<p class="lead" aria-live="polite">
				{#if findings[0]}
					<span class={findings[0].severity === 'stop' ? 'signal' : 'warm'}>{findings[0].sentence}</span>
					{#if findings.length > 1}<span class="soft">and {findings.length - 1} more below.</span>{/if}
				{:else}
					{facts[0]!.sentences[0]}
				{/if}
			</p>
		</div>
		<div class="tools">
			{#if own}
				<Button
					kind="quiet"
					icon={Undo}
					iconLabel="Undo"
					disabled={!editor.canUndo}
					onclick={() => editor.undo()}
				/>
				<Button
					kind="quiet"
					icon={Redo}
					iconLabel="Redo"
					disabled={!editor.canRedo}
					onclick={() => editor.redo()}
				/>
			{/if}
			<Button onclick={copy}>Copy to change</Button>
			<Button href="/api/v1/controls/{data.profile.id}" download>Export file</Button>
		</div>
	</header>

	<Problem sentence={failed} onclose={() => (failed = null)} />
	{#if editor.refusal}<p class="signal" role="alert">Not saved. {editor.refusal}</p>{/if}
	{#if editor.conflict}
		<div class="note" role="alert">
			<p><strong>Another window changed this control.</strong> Both versions are kept until you choose.</p>
			<Button onclick={() => editor.keepMine()}>Keep this one</Button>
			<Button onclick={() => editor.takeTheirs()}>Take the other</Button>
		</div>
	{/if}

	{#if data.uses.length > 0}
		<div class="note" class:still={behind.length === 0}>
			{#if behind.length === 0}
				<p class="soft">
					Used by {data.uses.length === 1 ? 'one zone' : `${data.uses.length} zones`}:
					{data.uses
						.slice(0, 4)
						.map((use) => `${use.zone.name} (${use.siteName})`)
						.join(', ')}{data.uses.length > 4 ? ` and ${data.uses.length - 4} more` : ''}.
					{takenUp ?? ''}
				</p>
			{:else}
				<p>
					<strong
						>{behind.length === 1 ? 'One zone still works' : `${behind.length} zones still work`} with this control
						as it was.</strong
					>
					{behind
						.slice(0, 4)
						.map((use) => `${use.zone.name} (${use.siteName})`)
						.join(', ')}{behind.length > 4 ? ` and ${behind.length - 4} more` : ''}.
				</p>
				<Button disabled={running !== null} onclick={preview}>What would change</Button>
				<Button onclick={takeUp}>Fit them anew</Button>
				{#if running}
					<p role="status">
						{done} of {behind.length}
						<Button onclick={() => running?.stop()}>Stop</Button>
					</p>
				{/if}
				{#if effects}
					<ul class="effects">
						{#each effects as { use, was, now } (use.zoneId)}
							<li><strong>{use.zone.name}</strong> {effectWords(was, now)}</li>
						{/each}
					</ul>
				{/if}
			{/if}
		</div>
	{/if}

	<div class="two">
		<section aria-label="What is known of it">
			{#each facts as fact (fact.topic)}
				<div class="fact">
					<h2>{fact.title}</h2>
					<div>
						<p>{fact.sentences.join(' ')}</p>
						{#if own && openTopic === fact.topic}
							<ProfileFields
								topic={fact.topic}
								draft={draft ?? profile}
								onchange={take}
								onproblem={(words) => (problem = words)}
							/>
							{#if problem}<p class="signal" role="alert">{problem}</p>{/if}
						{/if}
					</div>
					{#if own}
						<Button
							small
							aria-expanded={openTopic === fact.topic}
							aria-label="Change: {fact.title}"
							onclick={() => {
								problem = null;
								draft = null;
								openTopic = openTopic === fact.topic ? null : fact.topic;
							}}>{openTopic === fact.topic ? 'Done' : 'Change'}</Button
						>
					{/if}
				</div>
			{/each}
			{#if findings.length > 1}
				<ul class="findings">
					{#each findings.slice(1) as finding (finding.path + finding.sentence)}
						<li class:signal={finding.severity === 'stop'}>{finding.sentence}</li>
					{/each}
				</ul>
			{/if}
		</section>

		<section aria-label="A sample week on it">
			<div class="sample-head">
				<h2>A sample week on it</h2>
				<p class="soft">
					{#if sentence}Programmed as {fit.chosen.grouping.name}:
						<span class={sentence.cold ? 'signal' : 'warm'}>{sentence.text}</span>{:else}Held exactly,
						programmed as {fit.chosen.grouping.name}.{/if}
				</p>
			</div>
			<WeekChart
				zone={sample}
				{profile}
				{fit}
				{shown}
				rowHeight={46}
				bind:selected
				bind:selectedDay
				onpreview={(next) => {
					before ??= sample;
					sample = next;
				}}
				oncommit={() => (before = null)}
				oncancel={() => {
					sample = before ?? sample;
					before = null;
				}}
				onchange={(next) => (sample = next)}
			/>
			<p class="soft hint">
				Four working days, a day at home, a weekend: drag to try another. Nothing of it is kept.
			</p>
			<Groupings {fit} {profile} {say} onchoose={(grouping) => (sample = { ...sample, grouping })} />
		</section>
	</div>
</main>

<style>
	header {
		display: flex;
		flex-wrap: wrap;
		gap: 1rem;
		justify-content: space-between;
	}
	header > div:first-child {
		flex: 1 1 30rem;
	}
	.title {
		width: min(34rem, 100%);
	}
	.title :global(input) {
		background: transparent;
		font-size: 1.45rem;
		font-weight: 700;
	}
	.tools {
		display: flex;
		flex-wrap: wrap;
		gap: 0.5rem;
		align-items: start;
	}
	.note {
		display: flex;
		flex-wrap: wrap;
		gap: 0.5rem 0.75rem;
		align-items: center;
		margin-top: 0.75rem;
		padding: 0.25rem 0 0.25rem 0.75rem;
		border-left: 4px solid var(--signal);
	}
	.note.still {
		border-left-color: var(--rule);
	}
	.effects {
		flex: 1 1 100%;
		margin: 0;
		padding-left: 1rem;
	}
	.two {
		display: grid;
		grid-template-columns: minmax(20rem, 2fr) minmax(0, 3fr);
		gap: 2rem;
		margin-top: 0.9rem;
	}
	.fact {
		display: grid;
		grid-template-columns: 1fr auto;
		gap: 0.15rem 0.75rem;
		padding: 0.55rem 0;
		border-top: 1px solid var(--rule);
	}
	.fact > div {
		grid-row: 2;
		grid-column: 1 / -1;
	}
	h2 {
		font-size: var(--small);
		color: var(--soft);
	}
	.sample-head {
		display: flex;
		flex-wrap: wrap;
		gap: 0 1rem;
		align-items: baseline;
		margin-bottom: 0.3rem;
	}
	.hint {
		margin: 0.35rem 0 0.75rem;
		font-size: var(--small);
	}
	.findings {
		padding-left: 1.1rem;
	}
	@media (max-width: 1080px) {
		.two {
			grid-template-columns: minmax(0, 1fr);
		}
	}
</style>
