<script lang="ts">
	import { SideNavDivider, SideNavItems, SideNavLink } from 'carbon-components-svelte';
	import { page } from '$app/state';
	import { keyedWords } from '$core/words';
	import Button from '../kit/Button.svelte';
	import { live } from '../zone/live.svelte';
	import { firmPlaces, sitePlaces } from './places';

	let { theme, ontheme }: { /** How the theme stands. */ theme: string; ontheme: () => void } = $props();

	interface ZoneInList {
		readonly id: string;
		readonly name: string;
		readonly control: string;
		readonly summary: { readonly done: number; readonly of: number };
	}

	const { site, zones = [] } = $derived(
		page.data as { site?: { id: string; name: string }; zones?: readonly ZoneInList[] }
	);
	const path = $derived(page.url.pathname);
	/** The view that another zone is opened in: the one that is open now. */
	const view = $derived(page.params.zoneId ? (path.split('/')[5] ?? 'week') : 'week');

	/** How far a zone is: what its page knows is newer than the list. */
	const standing = (zone: ZoneInList) => keyedWords({ ...zone.summary, ...live.of(zone.id) });
</script>

<SideNavItems>
	<div class="firm">
		{#each firmPlaces as place (place.id)}
			<SideNavLink href={place.href} isSelected={path === place.href}>{place.name}</SideNavLink>
		{/each}
		<li class="theme"><Button kind="quiet" onclick={ontheme}>{theme}</Button></li>
		{#if site}<SideNavDivider />{/if}
	</div>
	{#if site}
		{#each sitePlaces(site.id) as place (place.id)}
			<SideNavLink href={place.href} isSelected={path === place.href}>{place.name}</SideNavLink>
		{/each}
		{#if zones.length > 0}
			<li class="title">{zones.length === 1 ? 'Zone' : `${zones.length} zones`}</li>
			{#each zones as zone (zone.id)}
				<SideNavLink
					href="/sites/{site.id}/zones/{zone.id}/{view}"
					isSelected={page.params.zoneId === zone.id}
					aria-label="{zone.name}, {zone.control.toLowerCase()}, {standing(zone)}"
				>
					<span class="zone"
						><span class="name">{zone.name}</span><span class="state">{standing(zone)}</span></span
					>
				</SideNavLink>
			{/each}
		{/if}
	{/if}
</SideNavItems>

<style>
	.theme {
		padding: 0 0.6rem;
	}
	.title {
		padding: 1rem 1.25rem 0.35rem;
		color: var(--soft);
		font-size: var(--small);
		font-weight: 700;
	}
	.zone {
		display: flex;
		gap: 0.5rem;
		justify-content: space-between;
	}
	.name {
		min-width: 0;
		overflow-wrap: anywhere;
		white-space: normal;
	}
	.state {
		flex: none;
		color: var(--soft);
		font-weight: 400;
	}
	@media (min-width: 1056px) {
		.firm {
			display: none;
		}
	}
</style>
