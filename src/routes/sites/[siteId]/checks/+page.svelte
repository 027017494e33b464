<script lang="ts">
	import { reasonFor, stopsOf } from '$core/checks';
	import type { OnSite } from '$core/plan';
	import { call } from '$lib/ui/call';
	import CheckList from '$lib/ui/visit/CheckList.svelte';
	import { refresh } from '$lib/ui/refresh';
	import Button from '$lib/ui/kit/Button.svelte';

	let { data } = $props();

	let problem = $state<string | null>(null);
	const stops = $derived(
		data.checked.reduce((sum, zone) => sum + stopsOf(zone.checks, zone.onSite).length, 0)
	);
	const looks = $derived(
		data.checked.reduce(
			(sum, zone) => sum + zone.checks.filter((check) => check.severity === 'look').length,
			0
		)
	);
	const overruled = $derived(
		data.checked.reduce(
			(sum, zone) => sum + zone.checks.filter((check) => reasonFor(check, zone.onSite) !== null).length,
			0
		)
	);
	const things = (count: number) => (count === 1 ? '1 thing' : `${count} things`);

	async function overrule(zoneId: string, value: OnSite['overruled']) {
		const base = data.checked.find((zone) => zone.id === zoneId)!.onSite.overruled;
		const answer = await call<{ conflicts: unknown[] }>(
			'POST',
			`/api/v1/jobs/${data.site.id}/zones/${zoneId}/on-site`,
			{ edits: [{ key: 'overruled', value, base }] }
		);
		problem = !answer.ok
			? answer.sentence
			: answer.data.conflicts.length > 0
				? 'Someone else has just overruled a check here. Look again.'
				: null;
		await refresh('fq:site');
	}
</script>

<svelte:head><title>{data.site.name}, checks · Fond Quarter</title></svelte:head>

<main>
	<h1>{data.site.name}: checks before the sign-off</h1>
	<p class="answer" aria-live="polite">
		{#if data.checked.length === 0}
			There is nothing to sign off yet: no zone is planned here.
		{:else if stops > 0}
			{things(stops)} must be done before the sign-off{looks > 0
				? `; ${looks} more ${looks === 1 ? 'is' : 'are'} worth a look`
				: ''}.
		{:else if looks > 0}
			It can be signed off; {things(looks)} {looks === 1 ? 'is' : 'are'} worth a look.
		{:else}
			It can be signed off: nothing is missing.
		{/if}
		{#if overruled > 0}<span class="soft">{overruled} overruled with a reason.</span>{/if}
	</p>
	<p>
		{#if data.checked.length === 0}
			<Button kind="next" href="/sites/{data.site.id}">Add the first zone</Button>
		{:else}
			<Button kind="next" href="/sites/{data.site.id}/visit">Go on with the visit</Button>
		{/if}
	</p>
	{#if problem}<p class="signal" role="alert">{problem}</p>{/if}
	<CheckList checked={data.checked} siteId={data.site.id} onoverrule={overrule} />
</main>

<style>
	main {
		max-width: 66rem;
	}
	.answer {
		margin: 0.3rem 0 0.7rem;
		font-size: 1.4rem;
		font-weight: 700;
	}
	.answer .soft {
		font-size: 1rem;
		font-weight: 400;
	}
</style>
