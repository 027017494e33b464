<script lang="ts">
	import { onMount, tick, untrack } from 'svelte';
	import { goto } from '$app/navigation';
	import { checksOf, stopsOf } from '$core/checks';
	import { findProfile, type ControlProfile } from '$core/control';
	import { keyingStanding } from '$core/keying';
	import { dateOfDay, dateWords, wallAt } from '$core/civil';
	import { joinReadings, unitOf, testStanding, type OnSite, type Zone } from '$core/plan';
	import { kept as keptText, keep, keepJson, keptJson } from '$lib/ui/browserStore';
	import { call, UNREACHABLE, WHO } from '$lib/ui/call';
	import type { KeyedNotes } from '$lib/ui/keyin/keyedNotes.svelte';
	import BeginVisit from '$lib/ui/visit/BeginVisit.svelte';
	import Differences from '$lib/ui/visit/Differences.svelte';
	import KeptLine from '$lib/ui/visit/KeptLine.svelte';
	import { keyedOfSite, sendAll } from '$lib/ui/visit/sendAll';
	import CheckList from '$lib/ui/visit/CheckList.svelte';
	import ClockStep from '$lib/ui/visit/ClockStep.svelte';
	import { keepingOf, keepVisit } from '$lib/ui/visit/keptPages.svelte';
	import FoundStep from '$lib/ui/visit/FoundStep.svelte';
	import LeaveStep from '$lib/ui/visit/LeaveStep.svelte';
	import { outboxOf } from '$lib/ui/visit/outbox.svelte';
	import SignOff from '$lib/ui/visit/SignOff.svelte';
	import Steps from '$lib/ui/visit/Steps.svelte';
	import SettingsStep from '$lib/ui/visit/SettingsStep.svelte';
	import TestStep from '$lib/ui/visit/TestStep.svelte';
	import { newUuid, PictureQueue } from '$lib/ui/visit/pictureQueue.svelte';
	import Pictures from '$lib/ui/visit/Pictures.svelte';
	import Unsent from '$lib/ui/visit/Unsent.svelte';
	import {
		placeAfter,
		placeKept,
		VISIT_STEPS,
		type KeptPlace,
		type VisitPlace,
		type VisitStep
	} from '$lib/ui/visit/visitSteps';
	import { refresh } from '$lib/ui/refresh';
	import { watchSite } from '$lib/ui/watchSite';
	import Button from '$lib/ui/kit/Button.svelte';
	import Choice from '$lib/ui/kit/Choice.svelte';

	let { data } = $props();

	const loaded = $derived({
		readAtMs: data.readAtMs,
		after: data.last?.id ?? null,
		names: Object.fromEntries([...data.zones, ...data.removed].map((one) => [one.id, one.name]))
	});
	// svelte-ignore state_referenced_locally
	const outbox = outboxOf(data.site.id, data.noted, loaded);
	$effect(() => {
		const now = loaded;
		untrack(() => {
			outbox.refresh(data.noted, now);
			pictures.knows(now.after);
		});
	});
	// svelte-ignore state_referenced_locally
	const pictures = new PictureQueue(data.site.id);
	// svelte-ignore state_referenced_locally
	const placeKey = `fond-quarter/visit-at/${data.site.id}`;
	const zoneIds = $derived(data.zones.map((one) => one.id));
	let place = $state.raw<VisitPlace>({ zone: 0, step: 'found' });
	/** The zone on show, wherever it stands by now: others are added, moved and removed meanwhile. */
	let shownId: string | undefined;
	$effect(() => {
		const ids = zoneIds;
		untrack(() => {
			place = placeKept({ ...place, zoneId: shownId }, ids);
			shownId = ids[place.zone];
		});
	});
	let who = $state('');
	let note = $state('');
	let problem = $state<string | null>(null);
	let busy = $state(false);
	let main = $state<HTMLElement>();
	/** Of the end of this visit: sent again without having heard an answer, it is the same end. */
	let endId = newUuid();
	const keeping = $derived(keepingOf(data.site.id));

	/** What was keyed from this browser, by zone: it may not have come in yet. */
	let keyedNotes = $state.raw<Readonly<Record<string, KeyedNotes>>>({});
	onMount(() => {
		outbox.resume();
		void pictures.resume().catch(() => undefined);
		// what was keyed without a connection is sent from here too
		keyedNotes = keyedOfSite(data.site.id, data.keyed, data.readAtMs);
		const at = keptJson(placeKey) as KeptPlace | null;
		if (at && (at.step === 'sign-off' || VISIT_STEPS.some(([id]) => id === at.step))) {
			place = placeKept(at, zoneIds);
			shownId = zoneIds[place.zone];
		}
		who = keptText(WHO) ?? '';
		void keepVisit(data.site.id, zoneIds);
		const stop = watchSite(
			data.site.id,
			() => data.mark,
			() => refresh('fq:site')
		);
		return () => {
			stop();
			pictures.stop();
		};
	});

	/** Of which visit the person here knows that it ended: they began another, only look, or have read who ended it. */
	let knownEnd = $state(untrack(() => (data.last?.isLatest ? null : (data.last?.id ?? null))));
	const isKnown = (id: string) => id === knownEnd || id === outbox.begunAfter;
	/** The visit that somebody ended while this page was open, where the next one goes on already. */
	const endedMeanwhile = $derived(
		data.last && !data.last.isLatest && !isKnown(data.last.id) ? data.last : null
	);
	const ended = $derived(data.last?.isLatest ? data.last : null);
	const between = $derived(
		ended !== null && !isKnown(ended.id) && outbox.waiting === 0 && outbox.unsent.length === 0
	);
	const dateOf = (iso: string) =>
		dateWords(dateOfDay(Math.floor(wallAt(data.site.timeZone, Date.parse(iso)) / 1440)));
	/** What belongs to one visit starts empty; survey, offset, batteries and lock stay as they were left. */
	function begin() {
		knownEnd = ended?.id ?? null;
		if (ended) outbox.begin(ended.id);
		// the first note opens it, and on the server nothing of the last one counts from then on
		const first = data.zones[0];
		if (first) outbox.note(first.id, 'foundNote', '');
		go({ zone: 0, step: 'found' });
	}
	function go(next: VisitPlace) {
		place = next;
		shownId = zoneIds[next.zone];
		keepJson(placeKey, { ...next, zoneId: shownId });
		window.scrollTo(0, 0);
		// whoever does not see the page hears where they are now
		void tick().then(() => main?.querySelector('h1')?.focus());
	}

	const row = $derived(data.zones[place.zone]);
	const zone = $derived(row?.document);
	const profileOf = (one: Zone): ControlProfile =>
		data.profiles.find((candidate) => candidate.id === one.control) ?? findProfile('six-step-room-stat')!;
	const profile = $derived(zone ? profileOf(zone) : null);
	const unitOfZone = (id: string) => {
		const of = data.zones.find((one) => one.id === id)?.document;
		return of ? unitOf(of, profileOf(of)) : 'C';
	};
	const nameOf = (id: string) => loaded.names[id] ?? '';
	const onSite = $derived(row ? outbox.of(row.id) : null);
	function set<K extends keyof OnSite>(key: K, value: OnSite[K]) {
		problem = row ? outbox.note(row.id, key, value) : null;
	}

	$effect(() => {
		const { keyed, readAtMs } = data;
		for (const [id, notes] of Object.entries(keyedNotes))
			if (keyed[id]) untrack(() => notes.refresh(keyed[id]!, readAtMs));
	});

	/** What is keyed at each control and how far its card is, values that were keyed here and not yet sent included. */
	const keying = $derived(
		Object.fromEntries(
			data.zones.map(({ id, document, summary }) => {
				const keyed = keyedNotes[id]?.keyed ?? data.keyed[id] ?? {};
				const { done, of, read, toRead } = keyedNotes[id]
					? keyingStanding(document, profileOf(document), keyed)
					: summary;
				return [id, { keyed, done, of, read, toRead }];
			})
		)
	);

	/** The checks of every zone as it stands here, noted but not yet sent included. */
	const checked = $derived(
		data.zones.map((one) => {
			const noted = outbox.of(one.id);
			const known = profileOf(one.document);
			const checks = checksOf({
				zone: {
					...one.document,
					clockReadings: joinReadings(one.document.clockReadings, noted.clockReadings)
				},
				profile: known,
				onSite: noted,
				...keying[one.id]!,
				readBackStops: data.readBackStops,
				misfit: one.summary,
				groupingName: known.groupings.find(({ id }) => id === one.summary.grouping)?.name ?? '',
				timeZone: data.site.timeZone,
				nowMs: data.nowMs
			});
			return { id: one.id, name: one.name, checks, onSite: noted, stops: stopsOf(checks, noted) };
		})
	);
	const stops = $derived(checked.reduce((sum, one) => sum + one.stops.length, 0));
	const stepIndex = $derived(VISIT_STEPS.findIndex(([id]) => id === place.step));
	const stepName = $derived(VISIT_STEPS[stepIndex]?.[1] ?? 'Sign off');
	const stateOf = (step: string): string => {
		if (!onSite || !row) return '';
		if (step === 'found') return onSite.foundIn ?? '–';
		if (step === 'key-in') return `${keying[row.id]!.done}/${keying[row.id]!.of}`;
		if (step === 'test')
			return { missing: '–', 'under-way': '…', passed: 'passed', failed: 'failed' }[
				testStanding(onSite.test)
			];
		if (step === 'leave') return onSite.leftIn ?? '–';
		if (step === 'clock') return onSite.clockReadings.length > 0 ? 'set' : row.clock.words;
		return '';
	};

	/** Whether what a step is for has been done. */
	const isDone = (step: VisitStep): boolean => {
		if (!onSite || !row) return false;
		switch (step) {
			case 'found':
				return onSite.foundIn !== null;
			case 'settings':
				return onSite.frostOn !== null || onSite.offsetReadings.length > 0;
			case 'clock':
				return profile?.habits.clock.summerTime === 'no-clock' || onSite.clockReadings.length > 0;
			case 'key-in':
				return keying[row.id]!.done === keying[row.id]!.of;
			case 'test':
				return testStanding(onSite.test) === 'passed';
			case 'leave':
				return onSite.leftIn !== null;
		}
	};
	/** A step with an act of its own that is not done yet: that act is the filled button, going on is only skipping it. */
	const skips = $derived(
		(place.step === 'clock' || place.step === 'key-in' || place.step === 'test') && !isDone(place.step)
	);

	async function end(signedOff: boolean) {
		problem = null;
		if (who.trim() === '') {
			problem = 'Say who you are.';
			return;
		}
		problem = await sendAll(outbox, Object.values(keyedNotes), pictures);
		if (problem !== null) return;
		busy = true;
		keep(WHO, who.trim());
		const answer = await call('POST', `/api/v1/jobs/${data.site.id}/visits`, {
			who: who.trim(),
			note: note.trim(),
			signedOff,
			id: endId,
			after: loaded.after
		});
		busy = false;
		if (!answer.ok) {
			problem =
				answer.status === UNREACHABLE
					? 'No connection: everything is kept; sign off when it is back.'
					: answer.sentence;
			return;
		}
		endId = newUuid();
		keep(placeKey, null);
		await refresh('fq:site');
		await goto(`/sites/${data.site.id}/record`);
	}
</script>

<svelte:head><title>Visit, {data.site.name} · Fond Quarter</title></svelte:head>

<main bind:this={main}>
	{#if !row || !zone || !profile || !onSite}
		<h1 tabindex="-1">A visit to {data.site.name}</h1>
		<p>There are no zones yet. <a href="/sites/{data.site.id}">Add the first room</a>, then come back.</p>
	{:else if between && ended}
		<BeginVisit
			siteId={data.site.id}
			siteName={data.site.name}
			{ended}
			on={dateOf(ended.at)}
			onbegin={begin}
			onlook={() => (knownEnd = ended.id)}
		/>
	{:else}
		<div class="where">
			<Choice
				label="Zone"
				hideLabel
				value={String(place.zone)}
				options={data.zones.map((one, i) => ({ value: String(i), text: one.name }))}
				onchange={(zone) => go({ zone: Number(zone), step: 'found' })}
			/>
			<span class="soft">{place.zone + 1} of {data.zones.length}</span>
			<Button aria-pressed={place.step === 'sign-off'} onclick={() => go({ ...place, step: 'sign-off' })}
				>Sign off{stops > 0 ? `, ${stops} open` : ''}</Button
			>
		</div>
		{#if place.step !== 'sign-off'}
			<Steps here={place.step} {stateOf} {isDone} ongo={(step) => go({ ...place, step })} />
		{/if}

		<Unsent
			siteName={data.site.name}
			address="/sites/{data.site.id}/visit"
			timeZone={data.site.timeZone}
			{outbox}
			{pictures}
			keyed={keyedNotes}
			zones={data.zones}
			{nameOf}
			unitOf={unitOfZone}
		/>
		<Differences
			{outbox}
			ended={endedMeanwhile && { who: endedMeanwhile.who, on: dateOf(endedMeanwhile.at) }}
			{nameOf}
			unitOf={unitOfZone}
			onseen={() => (knownEnd = endedMeanwhile?.id ?? null)}
		/>
		{#if problem}<p class="signal" role="alert">{problem}</p>{/if}

		{#key `${row.id} ${place.step}`}
			<section aria-label={stepName}>
				{#if place.step === 'found'}
					<h1 tabindex="-1">{zone.name}: how was it found?</h1>
					<FoundStep {zone} {profile} {onSite} {set} />
					<Pictures siteId={data.site.id} zone={zone.name} queue={pictures} onServer={data.pictures} />
				{:else if place.step === 'settings'}
					<h1 tabindex="-1">{zone.name}: set these first</h1>
					<SettingsStep {zone} {profile} {onSite} {set} grouping={row.summary.grouping} />
				{:else if place.step === 'clock'}
					<h1 tabindex="-1">{zone.name}: set its clock</h1>
					<ClockStep {zone} {profile} {onSite} {set} timeZone={data.site.timeZone} />
				{:else if place.step === 'key-in'}
					{@const { done, of } = keying[row.id]!}
					{@const left = of - done}
					<h1 tabindex="-1">{zone.name}: key the week</h1>
					<p class="big">
						{left === 0 ? `All ${of} values are keyed.` : `${left} of ${of} values to key.`}
					</p>
					<p>
						<Button kind={left === 0 ? 'plain' : 'next'} href="/sites/{data.site.id}/zones/{row.id}/key-in"
							>Key in, one value at a time</Button
						>
					</p>
					<p><a href="/sites/{data.site.id}/zones/{row.id}/read-back">Read back from the display</a></p>
				{:else if place.step === 'test'}
					<h1 tabindex="-1">{zone.name}: does it heat?</h1>
					<TestStep {zone} {profile} {onSite} {set} />
				{:else if place.step === 'leave'}
					<h1 tabindex="-1">{zone.name}: how is it left?</h1>
					<LeaveStep {zone} {profile} {onSite} {set} />
					<Pictures siteId={data.site.id} zone={zone.name} queue={pictures} onServer={data.pictures} />
				{:else}
					<h1 tabindex="-1">
						{stops === 0
							? 'Nothing stops the sign-off'
							: stops === 1
								? 'One thing stops the sign-off'
								: `${stops} things stop the sign-off`}
					</h1>
					<CheckList
						{checked}
						siteId={data.site.id}
						onoverrule={(zoneId, overruled) => (problem = outbox.note(zoneId, 'overruled', overruled))}
					/>
					<SignOff bind:who bind:note {busy} open={stops} onend={end} />
				{/if}
			</section>
		{/key}
		<KeptLine {keeping} />
		<div class="bar">
			<Button
				disabled={place.zone === 0 && place.step === 'found'}
				onclick={() => go(placeAfter(place, data.zones.length, -1))}>Back</Button
			>
			<Button
				kind={skips ? 'quiet' : place.step === 'sign-off' ? 'plain' : 'next'}
				disabled={place.step === 'sign-off'}
				onclick={() => go(placeAfter(place, data.zones.length, 1))}>{skips ? 'Skip' : 'Next'}</Button
			>
		</div>
	{/if}
</main>

<style>
	main {
		max-width: 46rem;
		margin: 0 auto;
		padding: 0.75rem 1rem 6.5rem;
	}
	.where {
		margin-bottom: 0.6rem;
		display: flex;
		flex-wrap: wrap;
		gap: 0.75rem;
		align-items: center;
	}
	.where :global(.bx--form-item) {
		flex: 1 1 9rem;
	}
	.where :global(.bx--select-input) {
		height: 48px;
		font-size: 1.1rem;
		font-weight: 700;
	}
	.big {
		margin: 0.6rem 0;
		font-size: 1.3rem;
	}
	section p a {
		min-height: 44px;
	}
	.bar {
		position: fixed;
		right: 0;
		bottom: 0;
		left: 0;
		display: grid;
		grid-template-columns: 1fr 2fr;
		gap: 0.75rem;
		max-width: 46rem;
		margin: 0 auto;
		padding: 0.6rem 1rem;
		border-top: 1px solid var(--rule);
		background: var(--ground);
	}
	.bar :global(.bx--btn) {
		width: 100%;
		min-height: 60px;
		font-size: 1.15rem;
	}
	@media (min-width: 1056px) {
		.bar {
			left: var(--side);
		}
	}
	@media (forced-colors: active) {
		.bar :global(.bx--btn--primary) {
			border: 3px solid ButtonText;
		}
	}
</style>
