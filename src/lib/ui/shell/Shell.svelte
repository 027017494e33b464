<script lang="ts">
	import {
		Breadcrumb,
		BreadcrumbItem,
		Header,
		HeaderGlobalAction,
		HeaderUtilities,
		SideNav,
		SkipToContent
	} from 'carbon-components-svelte';
	import Asleep from 'carbon-icons-svelte/lib/Asleep.svelte';
	import Contrast from 'carbon-icons-svelte/lib/BrightnessContrast.svelte';
	import Help from 'carbon-icons-svelte/lib/Help.svelte';
	import Logout from 'carbon-icons-svelte/lib/Logout.svelte';
	import Light from 'carbon-icons-svelte/lib/Light.svelte';
	import Search from 'carbon-icons-svelte/lib/Search.svelte';
	import type { Snippet } from 'svelte';
	import { afterNavigate } from '$app/navigation';
	import { page } from '$app/state';
	import { firmPlaces } from './places';
	import SavingSaid from './SavingSaid.svelte';
	import SiteNav from './SiteNav.svelte';

	let {
		theme,
		signsOut,
		onpalette,
		onhelp,
		children
	}: {
		theme: 'auto' | 'light' | 'dark';
		/** Whether there is anything to sign out of. */
		signsOut: boolean;
		onpalette: () => void;
		onhelp: () => void;
		children: Snippet;
	} = $props();

	/** The window is wide enough for the places of a site to stand beside its views; Carbon's own bound. */
	const WIDE_PX = 1056;

	const { site, zone } = $derived(
		page.data as { site?: { id: string; name: string }; zone?: { id: string; name: string } }
	);
	let open = $state(false);
	let width = $state(0);

	const THEMES = {
		auto: { next: 'light', name: 'Theme: as the system', icon: Contrast },
		light: { next: 'dark', name: 'Theme: light', icon: Light },
		dark: { next: 'auto', name: 'Theme: dark', icon: Asleep }
	} as const;
	let chosen = $state<keyof typeof THEMES | null>(null);
	const shown = $derived(THEMES[chosen ?? theme]);

	function nextTheme() {
		chosen = shown.next;
		document.documentElement.dataset.theme = chosen;
		document.cookie = `theme=${chosen}; path=/; max-age=31536000; samesite=lax`;
	}

	// on a narrow window the menu is out of the way once a place was chosen
	afterNavigate(() => {
		if (width < WIDE_PX) open = false;
	});

	const isHere = (href: string) =>
		page.url.pathname === href || (href !== '/' && page.url.pathname.startsWith(href));
</script>

<svelte:window bind:innerWidth={width} />

<Header bind:isSideNavOpen={open} platformName="Fond Quarter" href="/" expansionBreakpoint={WIDE_PX}>
	<svelte:fragment slot="skipToContent"
		><SkipToContent href="#content">Skip to the content</SkipToContent></svelte:fragment
	>
	<div class="crumbs">
		{#if site}
			<Breadcrumb labelText="Where you are" noTrailingSlash>
				<BreadcrumbItem href="/sites/{site.id}">{site.name}</BreadcrumbItem>
				{#if zone}<BreadcrumbItem isCurrentPage>{zone.name}</BreadcrumbItem>{/if}
			</Breadcrumb>
		{/if}
	</div>
	<SavingSaid />
	<nav class="firm" aria-label="Fond Quarter">
		{#each firmPlaces(page.data.role) as place (place.id)}
			<a href={place.href} aria-current={isHere(place.href) ? 'page' : undefined}>{place.name}</a>
		{/each}
	</nav>
	<HeaderUtilities>
		<HeaderGlobalAction icon={Search} iconDescription="Find: Ctrl K" on:click={onpalette} />
		<HeaderGlobalAction
			class="spare"
			icon={shown.icon}
			iconDescription={shown.name}
			tooltipAlignment="end"
			on:click={nextTheme}
		/>
		<HeaderGlobalAction icon={Help} iconDescription="Help: ?" tooltipAlignment="end" on:click={onhelp} />
		{#if signsOut}
			<HeaderGlobalAction
				class="spare"
				icon={Logout}
				iconDescription="Sign out"
				tooltipAlignment="end"
				href="/sign-in"
			/>
		{/if}
	</HeaderUtilities>
</Header>
{#if site || (width > 0 && width < WIDE_PX)}
	<SideNav
		bind:isOpen={open}
		ariaLabel={site ? `Places of ${site.name}` : 'Places'}
		expansionBreakpoint={WIDE_PX}
	>
		<SiteNav theme={shown.name} {signsOut} ontheme={nextTheme} />
	</SideNav>
{/if}
<div id="content" class="content" class:beside={site !== undefined} tabindex="-1">
	{@render children()}
</div>

<style>
	.crumbs {
		flex: 1 1 auto;
		min-width: 0;
	}
	.crumbs :global(ol) {
		display: flex;
		flex-wrap: nowrap;
	}
	.crumbs :global(li) {
		display: block;
		min-width: 0;
		overflow: hidden;
		color: var(--soft);
		font-size: 1rem;
		line-height: 44px;
		text-overflow: ellipsis;
		white-space: nowrap;
	}
	/* on one line with the slash behind it, and cut with dots where there is no room */
	.crumbs :global(li .bx--link) {
		display: inline;
		color: var(--soft);
		font-size: 1rem;
		line-height: inherit;
	}
	.crumbs :global(li.bx--breadcrumb-item--current),
	.crumbs :global(li.bx--breadcrumb-item--current .bx--link) {
		color: var(--ink);
	}
	a:hover {
		text-decoration: underline;
	}
	.firm {
		display: flex;
		flex: none;
		gap: 1.25rem;
		padding: 0 0.75rem;
	}
	.firm a {
		color: var(--soft);
		line-height: 44px;
		text-decoration: none;
	}
	.firm a[aria-current] {
		color: var(--ink);
		font-weight: 700;
	}
	.content {
		min-width: 0;
		outline: none;
	}
	@media (min-width: 1056px) {
		.content.beside {
			margin-left: var(--side);
		}
	}
	@media (max-width: 1055px) {
		.firm {
			display: none;
		}
	}
	@media (max-width: 560px) {
		.crumbs:has(:global(a)) {
			padding-left: 0.75rem;
		}
		.crumbs :global(li.bx--breadcrumb-item--current),
		.crumbs :global(li)::after,
		:global(.bx--header .spare.bx--btn) {
			display: none;
		}
	}
	@media print {
		.content.beside {
			margin-left: 0;
		}
	}
</style>
