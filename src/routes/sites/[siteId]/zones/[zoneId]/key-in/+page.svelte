<script lang="ts">
	import { onMount, tick, untrack } from 'svelte';
	import { afterNavigate } from '$app/navigation';
	import { cardOf, isNoted, notesAt } from '$core/keying';
	import { isOperable } from '$core/machine';
	import { leftWords, shownWith } from '$core/words';
	import AllIn from '$lib/ui/keyin/AllIn.svelte';
	import Ask from '$lib/ui/keyin/Ask.svelte';
	import { notesOf } from '$lib/ui/keyin/controlNotes.svelte';
	import { sendWaiting } from '$lib/ui/outbox/outbox.svelte';
	import Found from '$lib/ui/keyin/Found.svelte';
	import KeyBar from '$lib/ui/keyin/KeyBar.svelte';
	import KeyHead from '$lib/ui/keyin/KeyHead.svelte';
	import { Keying } from '$lib/ui/keyin/keying.svelte';
	import OneHand from '$lib/ui/keyin/OneHand.svelte';
	import { ownPace } from '$lib/ui/keyin/pace.svelte';
	import PlanChanged from '$lib/ui/keyin/PlanChanged.svelte';
	import PrintedCard from '$lib/ui/keyin/PrintedCard.svelte';
	import ReadFirst from '$lib/ui/keyin/ReadFirst.svelte';
	import SameCard from '$lib/ui/keyin/SameCard.svelte';
	import { stayAwake } from '$lib/ui/keyin/stayAwake';
	import Track from '$lib/ui/keyin/Track.svelte';
	import WholeCard from '$lib/ui/keyin/WholeCard.svelte';
	import WholeDay from '$lib/ui/keyin/WholeDay.svelte';
	import { watchNoted } from '$lib/ui/keyin/watchNoted';

	let { data } = $props();
	const base = $derived(`/sites/${data.site.id}/zones/${data.zone.id}`);

	// the page is made anew for each zone
	// svelte-ignore state_referenced_locally
	const { id: lead } = data.channels[0]!;
	// svelte-ignore state_referenced_locally
	const notes = notesOf(data.site.id, lead, data.profile, data.notes, data.readAtMs);
	// svelte-ignore state_referenced_locally
	sendWaiting(data.site.id);
	// svelte-ignore state_referenced_locally
	const keying = new Keying(lead, data.profile, data.hold, notes, cardOf, data.readAtMs);
	$effect(() => {
		const { hold, readAtMs } = data;
		untrack(() => keying.plan(hold, readAtMs));
	});
	$effect(() => {
		const { notes: stored, readAtMs } = data;
		untrack(() => notes.refresh(stored, readAtMs));
	});
	$effect(() => {
		void notes.notes;
		untrack(() => keying.noted());
	});
	const { step, left } = $derived(keying);
	const noted = $derived(notesAt(data.profile, notes.notes));
	/** What is done here: values one by one, a day at once, or the control read first. */
	let manner = $state<'value' | 'day' | 'read'>('value');
	const isUnsaid = $derived(noted.found === null && manner !== 'read' && (step !== null || !isNoted(noted)));

	/** A control that governs more than one zone is keyed as one. */
	const name = $derived(data.channels.length > 1 ? data.box : data.zone.name);
	const leftNow = $derived(leftWords({ left: left.values, presses: left.presses }, ownPace.now));

	/** Where leaving leads: back into the visit, if that is where it was come from. */
	let leaveTo = $state<{ readonly href: string; readonly name: string }>();
	afterNavigate(({ from }) => {
		const visit = `/sites/${data.site.id}/visit`;
		if (from?.url?.pathname === visit) leaveTo = { href: visit, name: 'Back to the visit' };
	});
	const leave = $derived(leaveTo ?? { href: `/sites/${data.site.id}`, name: 'Leave' });

	onMount(() => {
		ownPace.load();
		return stayAwake();
	});
	watchNoted(
		() => data.site.id,
		() => data.mark
	);
	let instruction = $state<HTMLElement>();
	const toInstruction = () => void tick().then(() => instruction?.focus({ preventScroll: true }));
	const act = (does: () => void) => () => {
		does();
		toInstruction();
	};
	const confirm = act(() => keying.confirm());
	const back = act(() => keying.back());
	const isValue = $derived(manner === 'value' && !isUnsaid && step !== null);
</script>

<svelte:head><title>{name}, key in · Fond Quarter</title></svelte:head>
{#if isValue}<OneHand onnext={confirm} onback={back} />{/if}

<div class="page">
	<main>
		<KeyHead
			{name}
			{keying}
			channels={data.channels}
			isKnown={!isUnsaid}
			{leave}
			rehearse={isOperable(data.profile) ? `${base}/rehearse` : null}
			found={isUnsaid || manner === 'read' ? undefined : noted.found}
			onfound={act(() => keying.say(noted.found === 'as-new' ? 'in-use' : 'as-new'))}
		>
			{step ? leftNow : 'all keyed in'}
		</KeyHead>
		<div class="track"><Track {keying} /></div>

		<PlanChanged
			{keying}
			planned={data.planned}
			timeZone={data.site.timeZone}
			onseen={act(() => keying.seen())}
		/>
		{#if manner === 'read'}
			<ReadFirst profile={data.profile} hold={data.hold} {notes} ondone={act(() => (manner = 'value'))} />
		{:else if isUnsaid}
			<Found
				panel={data.profile.panel}
				canRead={isOperable(data.profile)}
				onsay={(found) => act(() => keying.say(found))()}
				onread={() => {
					keying.say('in-use');
					manner = 'read';
				}}
				bind:question={instruction}
			/>
		{:else if step && manner === 'day'}
			<WholeDay
				{keying}
				onback={act(() => (manner = 'value'))}
				onconfirm={(otherwise) =>
					act(() => {
						keying.confirmSection(otherwise);
						manner = 'value';
					})()}
			/>
		{:else if step}
			<Ask
				{keying}
				isFirst={noted.acts.length === 0}
				onsaw={(what) => act(() => keying.saw(what))()}
				onday={() => (manner = 'day')}
				bind:instruction
			/>
			<KeyBar first={keying.before === null} onback={back} onnext={confirm}
				>Shows {shownWith(step.item)}</KeyBar
			>
		{:else}
			<AllIn {keying} {base} siteId={data.site.id} bind:instruction>
				<SameCard
					siteId={data.site.id}
					profile={data.profile}
					hold={data.hold}
					alike={data.alike}
					readAtMs={data.readAtMs}
				/>
			</AllIn>
			<KeyBar first={keying.before === null} onback={back} href={leaveTo?.href ?? `${base}/read-back`}
				>{leaveTo?.name ?? 'Read it back'}</KeyBar
			>
		{/if}
	</main>

	<WholeCard {keying}>
		{leftNow}{left.presses > 0 ? `, ${left.presses} presses` : ''}
	</WholeCard>
</div>

<PrintedCard {name} site={data.site.name} profile={data.profile} hold={data.hold} notes={notes.notes} />

<style>
	.page {
		display: grid;
		grid-template-columns: minmax(0, 1fr) 21rem;
		height: calc(100vh - 152px);
	}
	main {
		display: flex;
		flex-direction: column;
		padding: 1rem 0 0;
		min-height: 0;
	}
	.track {
		margin: 0.9rem var(--edge) 0;
	}
	@media (max-width: 860px) {
		.page {
			grid-template-columns: minmax(0, 1fr);
			height: calc(100dvh - 49px);
		}
		.track {
			margin: 0.9rem 1.1rem 0;
		}
	}
	/* what is printed is the card alone; this stands last, so that nothing above shows the page again */
	@media print {
		.page {
			display: none;
		}
	}
</style>
