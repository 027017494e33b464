<script lang="ts">
	import { untrack } from 'svelte';
	import { page } from '$app/state';
	import {
		causesOf,
		contradiction,
		likeliestPair,
		nextQuestion,
		rank,
		taught,
		unaskable
	} from '$core/callback';
	import { contradictionWords, factWords, headlineWords, mendWords, pairWords } from '$core/words';
	import AskNow from '$lib/ui/callback/AskNow.svelte';
	import AsItRuns from '$lib/ui/callback/AsItRuns.svelte';
	import { CallModel } from '$lib/ui/callback/callModel.svelte';
	import Causes from '$lib/ui/callback/Causes.svelte';
	import KeepCall from '$lib/ui/callback/KeepCall.svelte';
	import KeptCalls from '$lib/ui/callback/KeptCalls.svelte';
	import LogFile from '$lib/ui/callback/LogFile.svelte';
	import WhatWasSaid from '$lib/ui/callback/WhatWasSaid.svelte';
	import Choice from '$lib/ui/kit/Choice.svelte';

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

	const called = $derived({ ...data.called, outdoorC });
	const causes = $derived(taught(causesOf(called), data.counts));
	const ranked = $derived(rank(causes, facts));
	const clash = $derived(contradiction(facts));
	const asking = $derived(
		facts.length === 0 || clash ? null : nextQuestion(ranked, facts, [...passed, ...unaskable(called)])
	);
	const pair = $derived(likeliestPair(ranked, facts));
	const first = $derived(ranked[0]!);
	/** As the week should run: what is nothing in particular leaves it as it is. */
	const planned = $derived(causes.at(-1)!);
	const { profile } = $derived(data.called);
</script>

<svelte:head><title>{data.zone.name}, a call · Fond Quarter</title></svelte:head>

<main>
	<h1>{data.zone.name}: what is the matter?</h1>
	<p class="lead" role="status">{headlineWords(facts.length === 0 ? null : first, profile)}</p>
	{#if clash}
		<p class="signal" role="alert">{contradictionWords(facts[clash[0]]!, facts[clash[1]]!)}</p>
	{:else if pair}
		<p>{pairWords(pair, profile)}</p>
	{/if}
	<div class="parts">
		<div>
			{#if asking}
				<AskNow {asking} {profile} onanswer={(question, answer) => model.answer(question, answer)} />
			{:else if facts.length > 0 && !clash}
				<section class="mend" aria-label="What to do">
					<p class="soft">
						{first.share >= 0.85 ? 'What to do' : 'No more can be told by telephone. Likeliest first'}
					</p>
					<p>{mendWords(first.cause, profile)}</p>
				</section>
			{/if}
			<WhatWasSaid
				{facts}
				said={model.call.said}
				words={factWords}
				onsaid={(said) => model.put({ said })}
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
				<LogFile planned={planned.levels} {outdoorC} {facts} onfact={(fact) => model.say(fact)} />
			</div>
		</div>
		<div>
			{#if facts.length > 0}
				<section aria-label="What would explain it">
					<Causes {ranked} {facts} {profile} />
					<AsItRuns {planned} likeliest={first.cause} {facts} />
				</section>
			{/if}
			{#if model.isBegun || model.kept}
				<KeepCall {model} likeliest={first.cause} {causes} />
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
	.mend {
		padding: 0.9rem 1.1rem;
		border-left: 4px solid var(--ink);
		background: var(--sheet);
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
