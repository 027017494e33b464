<script lang="ts">
	import { page } from '$app/state';
	import { call } from '../call';
	import { answersTo } from '$core/words';
	import { commandsHere } from './commands.svelte';
	import Finder from './Finder.svelte';
	import { findSites, type Found } from './finding';
	import { firmTabs, siteTabs, zoneTabs, type Tab } from './places';

	let { open = $bindable() }: { open: boolean } = $props();

	let query = $state('');
	let sites = $state.raw<Found[]>([]);

	const here = $derived.by((): Found[] => {
		const { site, zones, zone } = page.data as {
			site?: { id: string; name: string };
			zones?: { id: string; name: string }[];
			zone?: { id: string; name: string };
		};
		const found = (tabs: readonly Tab[], detail: string) =>
			tabs.flatMap((tab) =>
				// a place is called as its tab is, a view in it by its own name
				tab.views.map(({ name, also, href }, i): Found => ({
					label: i === 0 ? tab.name : name,
					detail,
					also: `${name} ${also}`,
					to: href
				}))
			);
		return [
			...(site && zone ? found(zoneTabs(site.id, zone.id), zone.name) : []),
			...commandsHere().map(({ run, ...words }): Found => ({ ...words, to: run })),
			...(site ? found(siteTabs(site.id), site.name) : []),
			...(zones ?? []).map((other): Found => ({
				label: other.name,
				detail: 'zone',
				to: `/sites/${site!.id}/zones/${other.id}/week`
			})),
			...found(firmTabs(page.data.role), 'all sites'),
			...(page.data.signsOut ? [{ label: 'Sign out', detail: 'this device', to: '/sign-in' }] : [])
		];
	});

	/** What the search on the server finds: zones, notes and visits of all sites. */
	let searched = $state.raw<{ asked: string; places: Found[] }>({ asked: '', places: [] });
	let timer: ReturnType<typeof setTimeout> | undefined;
	$effect(() => {
		const asked = query.trim();
		clearTimeout(timer);
		if (asked.length < 2) return;
		timer = setTimeout(async () => {
			const answer = await call<{
				found: {
					kind: 'site' | 'zone' | 'visit';
					siteId: string;
					zoneId: string | null;
					title: string;
					detail: string;
				}[];
			}>('GET', `/api/v1/search?q=${encodeURIComponent(asked)}`);
			if (!answer.ok) return;
			searched = {
				asked,
				places: answer.data.found.map((one) => ({
					label: one.title || 'A visit',
					detail: one.detail,
					to:
						one.kind === 'zone'
							? `/sites/${one.siteId}/zones/${one.zoneId}/week`
							: one.kind === 'visit'
								? `/sites/${one.siteId}/record`
								: `/sites/${one.siteId}`
				}))
			};
		}, 150);
	});
	const named = $derived.by(() => {
		const all = [...here, ...sites].filter((one) =>
			answersTo(`${one.label} ${one.detail} ${one.also ?? ''}`, query)
		);
		// what is called so comes before what is only found by it
		const called = all.filter((one) => answersTo(one.label, query));
		return [...called, ...all.filter((one) => !called.includes(one))].slice(0, 12);
	});
	const found = $derived(
		[
			...named,
			...(searched.asked === query.trim() ? searched.places : []).filter(
				(place) => !named.some((one) => one.to === place.to)
			)
		].slice(0, 14)
	);

	$effect(() => {
		if (open) void findSites().then((all) => (sites = all ?? sites));
	});
</script>

<Finder
	heading="Find"
	label="A site, a zone, a view, or something to do"
	placeholder="copy Monday, cold mornings, print the card"
	{found}
	bind:open
	bind:query
/>
