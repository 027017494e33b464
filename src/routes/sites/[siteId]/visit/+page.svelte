<script lang="ts">
	import { leftWords } from '$core/words';
	import { ownPace } from '$lib/ui/keyin/pace.svelte';
	import BeginVisit from '$lib/ui/visit/BeginVisit.svelte';
	import Button from '$lib/ui/kit/Button.svelte';
	import CheckList from '$lib/ui/visit/CheckList.svelte';
	import Choice from '$lib/ui/kit/Choice.svelte';
	import CalledBefore from '$lib/ui/callback/CalledBefore.svelte';
	import ClockStep from '$lib/ui/visit/ClockStep.svelte';
	import Differences from '$lib/ui/visit/Differences.svelte';
	import FoundStep from '$lib/ui/visit/FoundStep.svelte';
	import KeptLine from '$lib/ui/visit/KeptLine.svelte';
	import LeaveStep from '$lib/ui/visit/LeaveStep.svelte';
	import Pictures from '$lib/ui/visit/Pictures.svelte';
	import SettingsStep from '$lib/ui/visit/SettingsStep.svelte';
	import SignOff from '$lib/ui/visit/SignOff.svelte';
	import Steps from '$lib/ui/visit/Steps.svelte';
	import TestStep from '$lib/ui/visit/TestStep.svelte';
	import Unsent from '$lib/ui/visit/Unsent.svelte';
	import VisitBar from '$lib/ui/visit/VisitBar.svelte';
	import { visitHere } from '$lib/ui/visit/visitHere.svelte';

	let { data } = $props();

	let main = $state<HTMLElement>();
	const visit = visitHere(
		() => data,
		() => main?.querySelector('h1')?.focus()
	);
	const { outbox, onSiteNotes, pictures, go, set } = visit;
	const { place, row, zone, profile, onSite, stops } = $derived(visit);
</script>

<svelte:head><title>Visit, {data.site.name} · Fond Quarter</title></svelte:head>

<main bind:this={main}>
	{#if !row || !zone || !profile || !onSite}
		<h1 tabindex="-1">A visit to {data.site.name}</h1>
		<p>There are no zones yet. <a href="/sites/{data.site.id}">Add the first room</a>, then come back.</p>
	{:else if visit.between && visit.ended}
		{@const ended = visit.ended}
		<BeginVisit
			siteId={data.site.id}
			siteName={data.site.name}
			{ended}
			on={visit.dateOf(ended.at)}
			onbegin={visit.begin}
			ongoon={() => void visit.goOn()}
			problem={visit.problem}
			onlook={visit.look}
		/>
	{:else}
		<div class="where">
			<Choice
				label="Zone"
				hideLabel
				value={String(place.zone)}
				options={visit.zones.map((one, i) => ({ value: String(i), text: one.name }))}
				onchange={(zone) => go({ zone: Number(zone), step: visit.steps[Number(zone)]![0]! })}
			/>
			<span class="soft">{place.zone + 1} of {data.zones.length}</span>
			<Button aria-pressed={place.step === 'sign-off'} onclick={() => go({ ...place, step: 'sign-off' })}
				>Sign off{stops > 0 ? `, ${stops} open` : ''}</Button
			>
		</div>
		{#if place.step !== 'sign-off'}
			<Steps
				here={place.step}
				steps={visit.steps[place.zone]!}
				stateOf={visit.stateOf}
				isDone={visit.isDone}
				ongo={(step) => go({ ...place, step })}
			/>
		{/if}

		<Unsent
			siteName={data.site.name}
			address="/sites/{data.site.id}/visit"
			timeZone={data.site.timeZone}
			{outbox}
			noted={onSiteNotes}
			{pictures}
			controls={visit.controlNotes}
			zones={data.zones}
			nameOf={visit.nameOf}
			unitOf={visit.unitOfZone}
		/>
		<Differences
			noted={onSiteNotes}
			ended={visit.endedMeanwhile && {
				who: visit.endedMeanwhile.who,
				on: visit.dateOf(visit.endedMeanwhile.at)
			}}
			nameOf={visit.nameOf}
			unitOf={visit.unitOfZone}
			onseen={visit.seenEnd}
		/>
		{#if visit.problem}<p class="signal" role="alert">{visit.problem}</p>{/if}

		{#key `${row.id} ${place.step}`}
			<section aria-label={visit.stepName}>
				{#if place.step === 'found'}
					<h1 tabindex="-1">{visit.controlName}: how was it found?</h1>
					<CalledBefore siteId={data.site.id} zoneId={row.id} calls={data.calls} {profile} />
					<FoundStep {zone} {profile} {onSite} {set} />
					<Pictures siteId={data.site.id} zone={zone.name} queue={pictures} onServer={data.pictures} />
				{:else if place.step === 'settings'}
					<h1 tabindex="-1">{visit.controlName}: set these first</h1>
					<SettingsStep
						{zone}
						{profile}
						{onSite}
						{set}
						siteId={data.site.id}
						lead={visit.lead}
						zones={visit.beside.map(({ document }) => document)}
						grouping={row.summary.grouping}
						notes={data.notes[visit.lead] ?? null}
						readAtMs={data.readAtMs}
					/>
				{:else if place.step === 'clock'}
					<h1 tabindex="-1">{visit.controlName}: set its clock</h1>
					<ClockStep
						{zone}
						{profile}
						{onSite}
						{set}
						timeZone={data.site.timeZone}
						notes={visit.controlNotes[visit.lead]?.notes ?? null}
					/>
				{:else if place.step === 'key-in'}
					{@const { left } = visit.keyingHere}
					<h1 tabindex="-1">{visit.controlName}: key in</h1>
					<p class="big">
						{leftWords(visit.keyingHere, ownPace.now)}
					</p>
					<p>
						<Button kind={left === 0 ? 'plain' : 'next'} href="/sites/{data.site.id}/zones/{row.id}/key-in"
							>Key in, one value at a time</Button
						>
					</p>
					<p><a href="/sites/{data.site.id}/zones/{row.id}/read-back">Read back from the display</a></p>
				{:else if place.step === 'test'}
					<h1 tabindex="-1">{zone.name}: does it heat?</h1>
					<TestStep {zone} {profile} {onSite} {set} asks="/sites/{data.site.id}/zones/{row.id}/callback" />
				{:else if place.step === 'leave'}
					<h1 tabindex="-1">{visit.controlName}: how is it left?</h1>
					<LeaveStep {zone} {profile} {onSite} {set} />
					<Pictures siteId={data.site.id} zone={zone.name} queue={pictures} onServer={data.pictures} />
				{:else}
					<h1 tabindex="-1">
						{stops === 0 ? 'Ready to sign off' : `${stops} before sign-off`}
					</h1>
					<CheckList checked={visit.checked} siteId={data.site.id} onoverrule={visit.overrule} />
					<SignOff
						bind:who={visit.who}
						bind:note={visit.note}
						busy={visit.busy}
						open={stops}
						onend={visit.end}
					/>
				{/if}
			</section>
		{/key}
		<KeptLine keeping={visit.keeping()} />
		<VisitBar {visit} />
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
</style>
