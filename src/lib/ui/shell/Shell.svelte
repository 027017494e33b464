<script lang="ts">
	import {
		Breadcrumb,
		BreadcrumbItem,
		Header,
		HeaderGlobalAction,
		HeaderUtilities,
		OverflowMenu,
		OverflowMenuItem,
		SkipToContent
	} from 'carbon-components-svelte';
	import Menu from 'carbon-icons-svelte/lib/Menu.svelte';
	import Redo from 'carbon-icons-svelte/lib/Redo.svelte';
	import Search from 'carbon-icons-svelte/lib/Search.svelte';
	import Undo from 'carbon-icons-svelte/lib/Undo.svelte';
	import type { Snippet } from 'svelte';
	import { page } from '$app/state';
	import { leftWords, siteCaptions, zoneCaptions, type PlacedZone, type SiteHistory } from '$core/words';
	import Button from '../kit/Button.svelte';
	import { boxesTogether } from '../zone/boxes';
	import { live } from '../zone/live.svelte';
	import { findSites, type Found } from './finding';
	import { firmTabs, siteTabs, tabOf, zoneTabs } from './places';
	import PlanFoot from './PlanFoot.svelte';
	import SavingSaid from './SavingSaid.svelte';
	import { stepsHere } from './steps.svelte';
	import Switcher from './Switcher.svelte';
	import Tabs from './Tabs.svelte';

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

	interface Here {
		readonly site?: {
			readonly id: string;
			readonly name: string;
			readonly timeZone: string;
			readonly sources: readonly unknown[];
		};
		readonly history?: SiteHistory;
		readonly zone?: { readonly id: string; readonly name: string };
		readonly zones?: readonly (PlacedZone & {
			readonly name: string;
			readonly control: string;
			readonly box: string;
		})[];
	}
	const { site, zone, zones = [], history } = $derived(page.data as Here);
	const path = $derived(page.url.pathname);
	const firm = $derived(firmTabs(page.data.role));
	const place = $derived(site ? undefined : tabOf(firm, path));
	const steps = $derived(stepsHere());

	/** The zone that is open as its list knows it, and newer what its page knows; whether its plan was changed there since. */
	const open = $derived.by(() => {
		const known = zones.find(({ id }) => id === zone?.id);
		if (!known) return null;
		const { changed = false, undrawn = known.undrawn, ...summary } = live.of(known.id);
		return { known: { ...known, undrawn, summary: { ...known.summary, ...summary } }, changed };
	});
	const zoneSaid = $derived(
		open && zoneCaptions(open.known, open.changed, history?.openCalls.includes(open.known.id) ?? false)
	);
	const siteSaid = $derived(
		site && history ? siteCaptions(zones, site.sources.length, site.timeZone, history) : null
	);

	/** Another zone is opened in the view that is open now. */
	const otherZones = (): Found[] =>
		boxesTogether(zones).map((one) => ({
			label: one.name,
			detail: `${one.box} · ${leftWords({ ...one.summary, ...live.of(one.id) })}`,
			here: one.id === zone?.id,
			to: `/sites/${site!.id}/zones/${one.id}/${path.split('/')[5] ?? 'week'}`
		}));
	const otherSites = async (): Promise<Found[] | null> =>
		(await findSites())?.map((one) => ({ ...one, here: one.to === `/sites/${site!.id}` })) ?? null;

	const THEMES = {
		auto: { next: 'light', name: 'Theme: as the system' },
		light: { next: 'dark', name: 'Theme: light' },
		dark: { next: 'auto', name: 'Theme: dark' }
	} as const;
	let chosen = $state<keyof typeof THEMES | null>(null);
	const shown = $derived(THEMES[chosen ?? theme]);

	function nextTheme() {
		chosen = shown.next;
		document.documentElement.dataset.theme = chosen;
		document.cookie = `theme=${chosen}; path=/; max-age=31536000; samesite=lax`;
	}
</script>

<Header platformName="Fond Quarter" href="/">
	<svelte:fragment slot="skipToContent"
		><SkipToContent href="#content">Skip to the content</SkipToContent></svelte:fragment
	>
	<div class="where">
		{#if site}
			<Breadcrumb labelText="Where you are" noTrailingSlash>
				<BreadcrumbItem href="/sites/{site.id}">{site.name}</BreadcrumbItem>
				{#if zone}<BreadcrumbItem isCurrentPage>{zone.name}</BreadcrumbItem>{/if}
			</Breadcrumb>
			{#if zone}
				<Switcher what="zone" keys={['[', ']']} find={otherZones} />
			{:else}
				<Switcher what="site" keys={['[', ']']} find={otherSites} />
			{/if}
		{/if}
	</div>
	<SavingSaid />
	{#if steps}
		<Button kind="quiet" icon={Undo} iconLabel="Undo" disabled={!steps.canUndo} onclick={steps.undo} />
		<Button
			kind="quiet"
			class="redo"
			icon={Redo}
			iconLabel="Redo"
			disabled={!steps.canRedo}
			onclick={steps.redo}
		/>
	{/if}
	<nav class="firm" aria-label="Fond Quarter">
		{#each firm.slice(0, 2) as { id, name, views } (id)}
			<a href={views[0]!.href} aria-current={place?.id === id ? 'true' : undefined}>{name}</a>
		{/each}
	</nav>
	<HeaderUtilities>
		<HeaderGlobalAction
			icon={Search}
			iconDescription="Find: Ctrl K"
			tooltipAlignment="end"
			on:click={onpalette}
		/>
		<OverflowMenu flipped icon={Menu} aria-label="Menu" iconDescription="Menu">
			{#each firm as { id, name, views } (id)}<OverflowMenuItem text={name} href={views[0]!.href} />{/each}
			<OverflowMenuItem text={shown.name} on:click={nextTheme} />
			<OverflowMenuItem text="Help" on:click={onhelp} />
			{#if signsOut}<OverflowMenuItem text="Sign out" href="/sign-in" />{/if}
		</OverflowMenu>
	</HeaderUtilities>
</Header>
{#if site && zone}
	<Tabs
		label="Places of {zone.name}"
		tabs={zoneTabs(site.id, zone.id)}
		captions={zoneSaid}
		gives={path.endsWith('/key-in')}
		{path}
	/>
{:else if site}
	<Tabs label="Places of {site.name}" tabs={siteTabs(site.id)} captions={siteSaid} {path} />
{:else if place}
	<Tabs label="Places" tabs={[place]} captions={null} {path} />
{/if}
<div id="content" class="content" tabindex="-1">
	{@render children()}
</div>
{#if site && open && tabOf(zoneTabs(site.id, open.known.id), path)?.id === 'plan'}
	<PlanFoot siteId={site.id} zone={open.known} isChanged={open.changed} {path} />
{/if}

<style>
	.where {
		display: flex;
		flex: 1 1 auto;
		align-items: center;
		min-width: 0;
	}
	.where :global(nav) {
		min-width: 0;
	}
	.where :global(ol) {
		display: flex;
		flex-wrap: nowrap;
	}
	.where :global(li) {
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
	.where :global(li .bx--link) {
		display: inline;
		color: var(--soft);
		font-size: 1rem;
		line-height: inherit;
	}
	.where :global(li:last-child),
	.where :global(li:last-child .bx--link) {
		color: var(--ink);
		font-weight: 700;
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
	@media (max-width: 860px) {
		.firm {
			display: none;
		}
	}
	@media (max-width: 560px) {
		.where {
			padding-left: var(--edge);
		}
		/* the zone says more than its site */
		.where :global(li:first-child:not(:last-child)) {
			max-width: 45%;
		}
		:global(.bx--header .redo) {
			display: none;
		}
	}
</style>
