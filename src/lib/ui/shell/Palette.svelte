<script lang="ts">
	import { goto } from '$app/navigation';
	import { page } from '$app/state';
	import { call } from '../call';
	import Dialog from '../kit/Dialog.svelte';
	import Field from '../kit/Field.svelte';
	import { answersTo } from './answersTo';
	import { commandsHere } from './commands.svelte';
	import { firmPlaces, sitePlaces, zonePlaces, type Place } from './places';

	let { open = $bindable() }: { open: boolean } = $props();

	interface Found {
		readonly label: string;
		readonly detail: string;
		readonly also?: string;
		/** Where it leads, or what it does. */
		readonly to: string | (() => void);
	}

	let query = $state('');
	let index = $state(0);
	let sites = $state.raw<Found[]>([]);

	const here = $derived.by((): Found[] => {
		const { site, zones, zone } = page.data as {
			site?: { id: string; name: string };
			zones?: { id: string; name: string }[];
			zone?: { id: string; name: string };
		};
		const found = (places: readonly Place[], detail: string) =>
			places.map(({ name, also, href }): Found => ({ label: name, detail, also, to: href }));
		return [
			...(site && zone ? found(zonePlaces(site.id, zone.id), zone.name) : []),
			...commandsHere().map(({ run, ...words }): Found => ({ ...words, to: run })),
			...(site ? found(sitePlaces(site.id), site.name) : []),
			...(zones ?? []).map((other): Found => ({
				label: other.name,
				detail: 'zone',
				to: `/sites/${site!.id}/zones/${other.id}/week`
			})),
			...found(firmPlaces(page.data.role), 'all sites'),
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
	const named = $derived(
		[...here, ...sites]
			.filter((one) => answersTo(`${one.label} ${one.detail} ${one.also ?? ''}`, query))
			.slice(0, 12)
	);
	const found = $derived(
		[
			...named,
			...(searched.asked === query.trim() ? searched.places : []).filter(
				(place) => !named.some((one) => one.to === place.to)
			)
		].slice(0, 14)
	);

	$effect(() => {
		if (!open) return;
		query = '';
		index = 0;
		void call<{ jobs: { id: string; name: string; place: string }[] }>('GET', '/api/v1/jobs').then(
			(answer) => {
				if (answer.ok)
					sites = answer.data.jobs.map((job) => ({
						label: job.name,
						detail: job.place || 'site',
						to: `/sites/${job.id}`
					}));
			}
		);
	});

	function choose(found: Found | undefined) {
		if (!found) return;
		open = false;
		if (typeof found.to === 'string') void goto(found.to);
		else found.to();
	}

	function onkeydown(event: KeyboardEvent) {
		if (event.key === 'ArrowDown') index = Math.min(index + 1, found.length - 1);
		else if (event.key === 'ArrowUp') index = Math.max(index - 1, 0);
		else if (event.key === 'Enter') choose(found[index]);
		else return;
		event.preventDefault();
	}
</script>

<Dialog heading="Find" focus="[role='combobox']" bind:open>
	<div class="find">
		<Field
			label="A site, a zone, a view, or something to do"
			placeholder="copy Monday, cold mornings, print the card"
			role="combobox"
			autocomplete="off"
			aria-expanded="true"
			aria-controls="palette-list"
			aria-activedescendant={found.length > 0 ? `palette-${index}` : undefined}
			bind:value={query}
			oninput={() => (index = 0)}
			{onkeydown}
		/>
		<ul id="palette-list" role="listbox" aria-label="Places and acts">
			{#each found as one, i (`${one.label}|${one.detail}|${i}`)}
				<!-- svelte-ignore a11y_click_events_have_key_events -->
				<li
					id="palette-{i}"
					role="option"
					aria-selected={i === index}
					class:now={i === index}
					onclick={() => choose(one)}
				>
					<span>{one.label}</span><span class="soft">{one.detail}</span>
				</li>
			{:else}
				<li class="none soft">Nothing here is called that.</li>
			{/each}
		</ul>
	</div>
</Dialog>

<style>
	ul {
		min-height: 16rem;
		max-height: 50vh;
		margin: 0.5rem 0 0;
		overflow: auto;
	}
	li {
		display: flex;
		gap: 1rem;
		align-items: center;
		justify-content: space-between;
		min-height: 44px;
		padding: 0 0.75rem;
		cursor: pointer;
	}
	li.now,
	li:hover:not(.none) {
		background: var(--faint);
	}
</style>
