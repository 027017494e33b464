<script lang="ts">
	import { onMount, untrack } from 'svelte';
	import Headline from '$lib/ui/kit/Headline.svelte';
	import { page } from '$app/state';
	import type { Weighed } from '$core/callback';
	import { dangerIn } from '$core/heard';
	import {
		careWords,
		contradictionWords,
		dangerWords,
		headlineWords,
		mendWords,
		pairWords
	} from '$core/words';
	import AskNow from '$lib/ui/callback/AskNow.svelte';
	import AsItRuns from '$lib/ui/callback/AsItRuns.svelte';
	import { CallModel } from '$lib/ui/callback/callModel.svelte';
	import Causes from '$lib/ui/callback/Causes.svelte';
	import KeepCall from '$lib/ui/callback/KeepCall.svelte';
	import KeptCalls from '$lib/ui/callback/KeptCalls.svelte';
	import LogFile from '$lib/ui/callback/LogFile.svelte';
	import WhatWasSaid from '$lib/ui/callback/WhatWasSaid.svelte';
	import Button from '$lib/ui/kit/Button.svelte';
	import Choice from '$lib/ui/kit/Choice.svelte';
	import { CallFollower } from '$lib/workers/callInWorker';

	let { data } = $props();

	/** The call that the address names, else the latest that is open here. */
	const given = $derived(
		data.calls.find(({ id }) => id === page.url.searchParams.get('call')) ??
			data.calls.find(({ zoneId, closedAt }) => zoneId === data.zone.id && closedAt === null) ??
			null
	);
	const isNew = $derived(page.url.searchParams.get('call') === 'new');
	/** Another call makes another model; the same one read anew does not. */
	const which = $derived(`${data.zone.id} ${isNew ? '' : (given?.id ?? '')}`);
	const model = $derived.by(() => {
		void which;
		return untrack(() => new CallModel(data.site.id, data.zone, isNew ? null : given));
	});
	const { facts, passed, outdoorC } = $derived(model.call);

	/** What is likely, and what to ask; null until it was weighed first. */
	let weighed = $state.raw<Weighed | null>(null);
	let follower: CallFollower | undefined;
	onMount(() => {
		follower = new CallFollower((next) => (weighed = next));
		return () => follower?.stop();
	});
	$effect(() => follower?.request({ ...data.called, outdoorC }, { facts, passed, counts: data.counts }));
	const first = $derived(weighed?.ranked[0] ?? null);
	const answered = $derived(
		passed.some((one) => one === weighed?.asking?.question) ||
			facts.some((fact) => fact.kind === 'answer' && fact.question === weighed?.asking?.question)
	);
	/** Two things said that cannot both be so. */
	const clash = $derived.by(() => {
		const [a, b] = weighed?.clash ?? [];
		return a !== undefined && b !== undefined && facts[a] && facts[b]
			? ([facts[a], facts[b]] as const)
			: null;
	});
	const { profile, onSite } = $derived(data.called);
	const danger = $derived(dangerIn(model.call.said));
	const care = $derived(careWords(facts, outdoorC, onSite.occupants.length > 0));
	const hearing = $derived({ room: data.zone.name });
	/** Whether what stands there was weighed with all that was said. */
	const isOlder = $derived(weighed !== null && weighed.ranked[0]?.explains.length !== facts.length);
</script>

<main>
	<Headline of="{data.zone.name}, a call"
		>{headlineWords(facts.length === 0 ? null : first, profile)}</Headline
	>
	{#if danger}
		<p class="signal say" role="alert">{dangerWords(danger)}</p>
	{:else if care}
		<p class="signal say" role="alert">{care}</p>
	{/if}
	{#if clash}
		<p class="signal" role="alert">{contradictionWords(...clash)}</p>
	{:else if first && facts.length > 0 && !danger}
		<p class="say" class:older={isOlder}>
			<span class="soft">{first.share >= 0.85 ? 'What to do:' : 'If so:'}</span>
			{mendWords(first.cause, profile)}
		</p>
		{#if profile.panel}<Button small href="/sites/{data.site.id}/zones/{data.zone.id}/talk"
				>Talk them through it</Button
			>{/if}
		{#if weighed?.pair}<p>{pairWords(weighed.pair, profile)}</p>{/if}
	{/if}
	<div class="parts">
		<div>
			{#if weighed?.asking && facts.length > 0 && !danger}
				<AskNow
					asking={weighed.asking}
					{answered}
					{profile}
					timeZone={data.site.timeZone}
					onanswer={(question, answer) => model.answer(question, answer)}
					onfacts={(more) => model.say(...more)}
				/>
			{:else if first && facts.length > 0 && !clash && !danger}
				<section class="settled" aria-label="Nothing more to ask">
					<p>{first.share >= 0.85 ? 'Nothing more to ask.' : 'No more can be told by telephone: visit.'}</p>
				</section>
			{/if}
			<WhatWasSaid
				{facts}
				said={model.call.said}
				unit={profile.temperature ? data.called.zone.options.unit : null}
				{hearing}
				onsaid={(...words) => model.reword(...words)}
				onadd={(more) => model.say(...more)}
				ontakeback={(at) => model.takeBack(at)}
			/>
			<div class="beside">
				<Choice
					label="Outside it was about"
					small
					value={String(outdoorC)}
					options={[
						{ value: '-8', text: 'hard frost' },
						{ value: '-2', text: 'frost' },
						{ value: '5', text: 'cold' },
						{ value: '12', text: 'mild' }
					]}
					onchange={(c) => model.put({ outdoorC: Number(c) })}
				/>
				<LogFile
					planned={weighed?.planned.levels ?? null}
					{outdoorC}
					match={weighed?.log ?? null}
					onfact={(fact) => model.say(fact)}
				/>
			</div>
		</div>
		<div>
			{#if weighed && facts.length > 0}
				<section aria-label="What would explain it" class:older={isOlder}>
					<Causes ranked={weighed.ranked} {facts} {profile} />
					<AsItRuns planned={weighed.planned} likeliest={weighed.likeliest} {facts} />
				</section>
			{/if}
			{#if weighed && first && (model.isBegun || model.kept)}
				<KeepCall {model} likeliest={first.cause} causes={weighed.ranked.map(({ cause }) => cause)} />
			{/if}
			<KeptCalls calls={data.calls} openId={model.kept?.id ?? null} {profile} timeZone={data.site.timeZone} />
		</div>
	</div>
</main>

<style>
	.parts {
		display: grid;
		grid-template-columns: minmax(16rem, 26rem) minmax(0, 1fr);
		gap: 1.5rem 2.5rem;
		margin-top: 0.8rem;
	}
	.parts > div {
		display: grid;
		gap: 0.8rem;
		align-content: start;
	}
	.say {
		font-size: 1.25rem;
		line-height: 1.35;
	}
	.older {
		opacity: 0.55;
	}
	.settled {
		padding: 0.9rem 1.1rem;
		border: 2px solid var(--rule);
		border-radius: 4px;
	}
	.beside {
		display: flex;
		flex-wrap: wrap;
		gap: 0.8rem 1.2rem;
		align-items: end;
	}
	@media (max-width: 860px) {
		.parts {
			grid-template-columns: minmax(0, 1fr);
		}
	}
</style>
