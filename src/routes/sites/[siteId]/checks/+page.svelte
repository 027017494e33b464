<script lang="ts">
	import { reasonFor, stopsOf } from '$core/checks';
	import Headline from '$lib/ui/kit/Headline.svelte';
	import type { OnSite } from '$core/plan';
	import { call } from '$lib/ui/call';
	import SignDwelling from '$lib/ui/visit/SignDwelling.svelte';
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
				? 'Someone else has just accepted a check here. Look again.'
				: null;
		await refresh('fq:site');
	}
</script>

<main>
	<Headline of="{data.dwelling ?? data.site.name}: checks before the sign-off">
		{#if data.dwelling}{data.dwelling}:{/if}
		{data.checked.length === 0
			? 'No zones to sign off yet'
			: stops > 0
				? `${stops} before sign-off`
				: 'Ready to sign off'}
	</Headline>
	<p class="lead">
		{[looks > 0 ? `${looks} worth a look` : '', overruled > 0 ? `${overruled} accepted with a reason` : '']
			.filter(Boolean)
			.join(' · ')}
	</p>
	{#if data.dwelling}
		<SignDwelling siteId={data.site.id} dwelling={data.dwelling} open={stops} />
	{:else}
		<p>
			{#if data.checked.length === 0}
				<Button kind="next" href="/sites/{data.site.id}">Add the first zone</Button>
			{:else}
				<Button kind="next" href="/sites/{data.site.id}/visit">Go on with the visit</Button>
			{/if}
		</p>
	{/if}
	{#if problem}<p class="signal" role="alert">{problem}</p>{/if}
	<CheckList checked={data.checked} siteId={data.site.id} onoverrule={overrule} />
</main>

<style>
	main {
		max-width: 66rem;
	}
</style>
