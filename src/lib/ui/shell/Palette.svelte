<script lang="ts">
	import { goto } from '$app/navigation';
	import { page } from '$app/state';
	import { call } from '../call';

	let { open = $bindable() }: { open: boolean } = $props();

	interface Place {
		readonly label: string;
		readonly detail: string;
		readonly href: string;
	}

	let dialog = $state<HTMLDialogElement>();
	let query = $state('');
	let index = $state(0);
	let sites = $state.raw<Place[]>([]);

	const here = $derived.by(() => {
		const { site, zones, zone } = page.data as {
			site?: { id: string; name: string };
			zones?: { id: string; name: string }[];
			zone?: { id: string; name: string };
		};
		const places: Place[] = [];
		if (site && zone) {
			const base = `/sites/${site.id}/zones/${zone.id}`;
			places.push(
				{ label: 'Week', detail: zone.name, href: `${base}/week` },
				{ label: 'Key in', detail: zone.name, href: `${base}/key-in` },
				{ label: 'Read back', detail: zone.name, href: `${base}/read-back` },
				{ label: 'Proof', detail: zone.name, href: `${base}/proof` },
				{ label: 'Clock', detail: zone.name, href: `${base}/clock` },
				{ label: 'Away', detail: zone.name, href: `${base}/away` },
				{ label: 'Any moment', detail: zone.name, href: `${base}/moment` },
				{ label: 'Hand over', detail: zone.name, href: `${base}/hand-over` }
			);
		}
		if (site)
			places.push(
				{ label: 'Board', detail: site.name, href: `/sites/${site.id}` },
				{ label: 'Visit', detail: site.name, href: `/sites/${site.id}/visit` },
				{ label: 'Checks', detail: site.name, href: `/sites/${site.id}/checks` },
				{ label: 'Record', detail: site.name, href: `/sites/${site.id}/record` },
				{ label: 'Survey and settings', detail: site.name, href: `/sites/${site.id}/settings` },
				{ label: 'All clocks', detail: site.name, href: `/sites/${site.id}/clocks` },
				{ label: 'Everybody away', detail: site.name, href: `/sites/${site.id}/away` },
				{ label: 'Heat at once', detail: site.name, href: `/sites/${site.id}/heat` }
			);
		for (const other of zones ?? [])
			places.push({ label: other.name, detail: 'zone', href: `/sites/${site!.id}/zones/${other.id}/week` });
		places.push({ label: 'Jobs', detail: 'all sites', href: '/' });
		places.push({ label: 'Due', detail: 'who must be gone to', href: '/due' });
		places.push({ label: 'Controls', detail: 'what each can hold', href: '/controls' });
		places.push({ label: 'Firm', detail: 'name, logo, copies', href: '/firm' });
		return places;
	});

	/** What the search on the server finds: zones, notes and visits of all sites. */
	let searched = $state.raw<{ asked: string; places: Place[] }>({ asked: '', places: [] });
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
					href:
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
			.filter((place) => `${place.label} ${place.detail}`.toLowerCase().includes(query.trim().toLowerCase()))
			.slice(0, 12)
	);
	const found = $derived(
		[
			...named,
			...(searched.asked === query.trim() ? searched.places : []).filter(
				(place) => !named.some((one) => one.href === place.href)
			)
		].slice(0, 14)
	);

	$effect(() => {
		if (!open) return;
		dialog?.showModal();
		query = '';
		index = 0;
		void call<{ jobs: { id: string; name: string; place: string }[] }>('GET', '/api/v1/jobs').then(
			(answer) => {
				if (answer.ok)
					sites = answer.data.jobs.map((job) => ({
						label: job.name,
						detail: job.place || 'site',
						href: `/sites/${job.id}`
					}));
			}
		);
	});

	function choose(place: Place | undefined) {
		if (!place) return;
		dialog?.close();
		void goto(place.href);
	}

	function onkeydown(event: KeyboardEvent) {
		if (event.key === 'ArrowDown') index = Math.min(index + 1, found.length - 1);
		else if (event.key === 'ArrowUp') index = Math.max(index - 1, 0);
		else if (event.key === 'Enter') choose(found[index]);
		else return;
		event.preventDefault();
	}
</script>

<dialog bind:this={dialog} onclose={() => (open = false)} aria-label="Go anywhere">
	<input
		type="text"
		placeholder="Site, zone or view"
		aria-label="Site, zone or view"
		role="combobox"
		aria-expanded="true"
		aria-controls="palette-list"
		aria-activedescendant={found.length > 0 ? `palette-${index}` : undefined}
		bind:value={query}
		oninput={() => (index = 0)}
		{onkeydown}
	/>
	<ul id="palette-list" role="listbox" aria-label="Places">
		{#each found as place, i (place.href + i)}
			<li id="palette-{i}" role="option" aria-selected={i === index}>
				<button tabindex="-1" class:now={i === index} onclick={() => choose(place)}>
					<span>{place.label}</span><span class="soft">{place.detail}</span>
				</button>
			</li>
		{:else}
			<li class="none soft">Nothing here is called that.</li>
		{/each}
	</ul>
</dialog>

<style>
	dialog {
		width: min(34rem, calc(100vw - 2rem));
		margin-top: 12vh;
		padding: 0;
		border: 1px solid var(--rule);
		border-radius: 6px;
		background: var(--sheet);
		color: var(--ink);
	}
	dialog::backdrop {
		background: rgb(10 12 14 / 45%);
	}
	input {
		width: 100%;
		padding: 0.9rem 1rem;
		border: 0;
		border-bottom: 1px solid var(--rule);
		background: transparent;
		color: inherit;
		font-size: 1.1rem;
	}
	input:focus-visible {
		outline-offset: -3px;
	}
	ul {
		margin: 0;
		padding: 0.25rem 0;
		list-style: none;
		max-height: 50vh;
		overflow: auto;
	}
	button {
		display: flex;
		justify-content: space-between;
		gap: 1rem;
		width: 100%;
		min-height: 44px;
		padding: 0 1rem;
		border: 0;
		background: transparent;
		color: inherit;
		font-size: 1rem;
		text-align: left;
		align-items: center;
		cursor: pointer;
	}
	button.now {
		background: var(--faint);
	}
	.none {
		padding: 0.9rem 1rem;
	}
</style>
