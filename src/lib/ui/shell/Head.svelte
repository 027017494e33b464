<script lang="ts">
	import { page } from '$app/state';
	import { saving } from '../saving.svelte';

	let {
		theme,
		onpalette,
		onhelp
	}: { theme: 'auto' | 'light' | 'dark'; onpalette: () => void; onhelp: () => void } = $props();

	const crumbs = $derived.by(() => {
		const { site, zone } = page.data as {
			site?: { id: string; name: string };
			zone?: { name: string };
		};
		return { site, zone };
	});

	const words = $derived.by(() => {
		const now = saving.now;
		switch (now.kind) {
			case 'quiet':
				return '';
			case 'saving':
				return 'Saving …';
			case 'saved':
				return `Saved ${new Date(now.at).toLocaleTimeString('en-GB', { hour: '2-digit', minute: '2-digit' })}`;
			case 'waiting':
			case 'refused':
				return now.sentence;
		}
	});

	const themes = ['auto', 'light', 'dark'] as const;
	const themeNames = { auto: 'Theme: system', light: 'Theme: light', dark: 'Theme: dark' };
	let chosen = $state<(typeof themes)[number] | null>(null);
	const shown = $derived(chosen ?? theme);

	function nextTheme() {
		const next = themes[(themes.indexOf(shown) + 1) % themes.length]!;
		chosen = next;
		document.documentElement.dataset.theme = next;
		document.cookie = `theme=${next}; path=/; max-age=31536000; samesite=lax`;
	}
</script>

<header class="no-print">
	<nav aria-label="Where you are">
		<a class="name" href="/">Fond Quarter</a>
		{#if crumbs.site}
			<a class="crumb" href="/sites/{crumbs.site.id}">{crumbs.site.name}</a>
		{/if}
		{#if crumbs.zone}
			<span class="crumb slash" aria-hidden="true">/</span>
			<span class="crumb zone">{crumbs.zone.name}</span>
		{/if}
	</nav>
	<a class="controls" href="/due" aria-current={page.url.pathname === '/due' ? 'page' : undefined}>Due</a>
	<a
		class="controls"
		href="/controls"
		aria-current={page.url.pathname.startsWith('/controls') ? 'page' : undefined}>Controls</a
	>
	<p role="status" class:signal={saving.now.kind === 'waiting' || saving.now.kind === 'refused'}>{words}</p>
	<div class="tools">
		<button class="quiet theme" onclick={nextTheme}>{themeNames[shown]}</button>
		<button class="quiet" onclick={onpalette} aria-label="Go anywhere: Ctrl K"
			><span class="wide">Ctrl K</span><span class="small">Go</span></button
		>
		<button class="quiet" onclick={onhelp} aria-label="Keys and shortcuts">?</button>
	</div>
</header>

<style>
	header {
		display: flex;
		align-items: center;
		gap: 1rem;
		min-height: 46px;
		padding: 0 1.25rem;
		border-bottom: 1px solid var(--rule);
	}
	nav {
		display: flex;
		align-items: baseline;
		gap: 0.75rem;
		flex: 1 1 auto;
		min-width: 0;
	}
	.name {
		font-weight: 700;
		font-size: 1.08rem;
		text-decoration: none;
		white-space: nowrap;
		/* with large text it gives way before it runs under its neighbours */
		overflow: hidden;
		text-overflow: ellipsis;
	}
	.crumb {
		/* gives way before the name does */
		flex-shrink: 1000;
		color: var(--soft);
		text-decoration: none;
		white-space: nowrap;
		overflow: hidden;
		text-overflow: ellipsis;
		line-height: 44px;
	}
	a.crumb:hover {
		color: var(--ink);
		text-decoration: underline;
	}
	.slash {
		flex: none;
	}
	@media (max-width: 560px) {
		a.controls {
			display: none;
		}
	}
	.controls {
		order: 1;
		color: var(--soft);
		font-size: 0.95rem;
		line-height: 44px;
		text-decoration: none;
	}
	.controls:hover,
	.controls[aria-current] {
		color: var(--ink);
		text-decoration: underline;
	}
	.tools {
		order: 2;
	}
	p {
		color: var(--soft);
		font-size: 0.9rem;
		flex: 0 0 auto;
		max-width: 50%;
	}
	p.signal {
		color: var(--signal);
	}
	.tools {
		display: flex;
		gap: 0.5rem;
	}
	.tools .quiet {
		min-height: 32px;
		padding: 0 0.6rem;
		font-size: 0.875rem;
		color: var(--soft);
	}
	.small {
		display: none;
	}
	@media (max-width: 700px) {
		.wide {
			display: none;
		}
		.small {
			display: inline;
		}
		header {
			padding: 0 0.75rem;
			gap: 0.5rem;
		}
		.crumb.slash,
		.crumb.zone,
		.theme {
			display: none;
		}
		.tools .quiet {
			min-height: 44px;
			min-width: 44px;
		}
	}
</style>
