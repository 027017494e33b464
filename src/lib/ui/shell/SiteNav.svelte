<script lang="ts">
	import { SideNavDivider, SideNavItems, SideNavLink } from 'carbon-components-svelte';
	import { page } from '$app/state';
	import { leftWords } from '$core/words';
	import Button from '../kit/Button.svelte';
	import { boxesTogether, onBoxOf } from '../zone/boxes';
	import { live } from '../zone/live.svelte';
	import { firmPlaces, sitePlaces } from './places';

	let {
		theme,
		signsOut,
		ontheme
	}: {
		/** How the theme stands. */
		theme: string;
		signsOut: boolean;
		ontheme: () => void;
	} = $props();

	interface ZoneInList {
		readonly id: string;
		readonly name: string;
		readonly control: string;
		readonly boxId: string;
		/** Its control with its place, and the channel that governs it. */
		readonly box: string;
		readonly channel: string;
		readonly summary: { readonly left: number; readonly presses: number };
	}

	const { site, zones = [] } = $derived(
		page.data as { site?: { id: string; name: string }; zones?: readonly ZoneInList[] }
	);
	const path = $derived(page.url.pathname);
	/** The view that another zone is opened in: the one that is open now. */
	const view = $derived(page.params.zoneId ? (path.split('/')[5] ?? 'week') : 'week');

	/** What hangs on one control stands under it. */
	const inOrder = $derived(boxesTogether(zones));
	const isShared = (zone: ZoneInList) => onBoxOf(zones, zone.boxId).length > 1;

	/** How far a zone is: what its page knows is newer than the list. */
	const standing = (zone: ZoneInList) => leftWords({ ...zone.summary, ...live.of(zone.id) });
</script>

<SideNavItems>
	<div class="firm">
		{#each firmPlaces(page.data.role) as place (place.id)}
			<SideNavLink href={place.href} isSelected={path === place.href}>{place.name}</SideNavLink>
		{/each}
		{#if signsOut}<SideNavLink href="/sign-in">Sign out</SideNavLink>{/if}
		<li class="theme"><Button kind="quiet" onclick={ontheme}>{theme}</Button></li>
		{#if site}<SideNavDivider />{/if}
	</div>
	{#if site}
		{#each sitePlaces(site.id) as place (place.id)}
			<SideNavLink href={place.href} isSelected={path === place.href}>{place.name}</SideNavLink>
		{/each}
		{#if zones.length > 0}
			<li class="title">{zones.length === 1 ? 'Zone' : `${zones.length} zones`}</li>
			{#each inOrder as zone, i (zone.id)}
				{@const shared = isShared(zone)}
				{#if shared && inOrder[i - 1]?.boxId !== zone.boxId}
					<li class="box">{zone.box}</li>
				{/if}
				<SideNavLink
					href="/sites/{site.id}/zones/{zone.id}/{view}"
					isSelected={page.params.zoneId === zone.id}
					aria-label="{zone.name}, {shared
						? `${zone.channel} of ${zone.box}`
						: zone.control.toLowerCase()}, {standing(zone)}"
				>
					<span class="zone" class:shared
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
	.box {
		padding: 0.5rem 1.25rem 0.1rem;
		color: var(--soft);
		font-size: var(--small);
		overflow-wrap: anywhere;
	}
	.shared {
		padding-left: 0.75rem;
		border-left: 2px solid var(--rule);
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
