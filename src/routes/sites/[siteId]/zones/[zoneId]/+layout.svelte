<script lang="ts">
	import { untrack } from 'svelte';
	import { goto } from '$app/navigation';
	import { page } from '$app/state';
	import { duration } from '$core/week';
	import { live } from '$lib/ui/zone/live.svelte';

	let { data, children } = $props();

	const view = $derived(page.url.pathname.split('/').at(-1) ?? 'week');
	const here = $derived(data.zones.find((zone) => zone.id === data.zone.id));
	const base = $derived(`/sites/${data.site.id}/zones/${data.zone.id}`);

	/** How the zone stands: by its page where that knows more, else by the lists. What a change made old is not said. */
	const known = $derived(here ? { ...here.summary, ...live.of(here.id) } : null);
	const OLD = '…';
	// what was read again is as new as the page
	$effect(() => {
		void data.zones;
		untrack(() => live.forget());
	});

	const steps = $derived.by(() => {
		const summary = known;
		const old = summary?.changed ?? false;
		const off = summary ? summary.coldMinutes + summary.warmMinutes : 0;
		return [
			{
				id: 'week',
				name: 'Week',
				state: off === 0 ? 'exact' : `${duration(off)} off`,
				bad: off > 0 && (summary?.coldMinutes ?? 0) > 0
			},
			{
				id: 'key-in',
				name: 'Key in',
				state: summary ? (old ? OLD : `${summary.done} of ${summary.of}`) : '–',
				bad: false
			},
			{
				id: 'read-back',
				name: 'Read back',
				state: summary ? (old ? OLD : `${summary.read} of ${summary.toRead}`) : '–',
				bad: false
			},
			{ id: 'proof', name: 'Proof', state: old ? OLD : (here?.proof ?? '–'), bad: false },
			{
				id: 'clock',
				name: 'Clock',
				state: here?.clock.words ?? '–',
				bad: here?.clock.bad ?? false
			},
			{ id: 'away', name: 'Away', state: here?.away.words ?? '–', bad: here?.away.bad ?? false },
			{ id: 'moment', name: 'Any moment', state: 'what, and why', bad: false },
			{
				id: 'hand-over',
				name: 'Hand over',
				state: old ? OLD : summary && summary.done === summary.of ? 'ready' : '–',
				bad: false
			}
		];
	});
	const alone = $derived(view === 'key-in');

	let stepsNav = $state<HTMLElement>();
	$effect(() => {
		void view;
		const here = stepsNav?.querySelector<HTMLElement>('[aria-current]');
		if (stepsNav && here)
			stepsNav.scrollLeft = here.offsetLeft - stepsNav.clientWidth / 2 + here.clientWidth / 2;
	});
</script>

<div class="zone" class:alone>
	<aside class="no-print">
		<p class="count soft">Zones, {data.zones.length}</p>
		<nav aria-label="Zones">
			{#each data.zones as zone (zone.id)}
				<a
					href="/sites/{data.site.id}/zones/{zone.id}/{view}"
					aria-current={zone.id === data.zone.id ? 'page' : undefined}
				>
					<span class="name">{zone.name}</span>
					<span class="soft control">{zone.control.toLowerCase()}</span>
				</a>
			{/each}
		</nav>
		<label class="pick">
			<span class="out-of-sight">Zone</span>
			<select
				value={data.zone.id}
				onchange={(event) => goto(`/sites/${data.site.id}/zones/${event.currentTarget.value}/${view}`)}
			>
				{#each data.zones as zone (zone.id)}
					<option value={zone.id}>{zone.name}</option>
				{/each}
			</select>
		</label>
	</aside>
	<div class="work">
		<nav class="steps no-print" aria-label="Steps of the work" bind:this={stepsNav}>
			{#each steps as step (step.id)}
				<a href="{base}/{step.id}" aria-current={view === step.id ? 'step' : undefined}>
					<span>{step.name}</span>
					<span class="state" class:signal={step.bad}>{step.state}</span>
				</a>
			{/each}
		</nav>
		{#key data.zone.id}
			{@render children()}
		{/key}
	</div>
</div>

<style>
	.zone {
		display: grid;
		grid-template-columns: 12.75rem minmax(0, 1fr);
		min-height: calc(100vh - 47px);
	}
	aside {
		border-right: 1px solid var(--rule);
		padding-top: 1rem;
	}
	.count {
		padding: 0 1.25rem 0.5rem;
		font-size: 0.85rem;
		font-weight: 700;
	}
	aside nav a {
		display: block;
		padding: 0.5rem 1.1rem;
		border-left: 3px solid transparent;
		text-decoration: none;
		overflow-wrap: anywhere;
	}
	aside nav a:hover {
		background: var(--faint);
	}
	aside nav a[aria-current] {
		background: var(--sheet);
		border-left-color: var(--ink);
	}
	.name {
		display: block;
		font-weight: 700;
	}
	.control {
		font-size: 0.85rem;
	}
	.pick {
		display: none;
	}
	.steps {
		display: flex;
		gap: 1.75rem;
		padding: 0 1.4rem;
		border-bottom: 1px solid var(--rule);
	}
	.steps a {
		display: grid;
		align-content: center;
		min-height: 58px;
		text-decoration: none;
		color: var(--soft);
		border-bottom: 3px solid transparent;
		margin-bottom: -1px;
	}
	.steps a:hover {
		color: var(--ink);
	}
	.steps a[aria-current] {
		color: var(--ink);
		font-weight: 700;
		border-bottom-color: var(--ink);
	}
	.state {
		font-size: 0.85rem;
	}
	@media (max-width: 860px) {
		.zone {
			grid-template-columns: minmax(0, 1fr);
			grid-template-rows: auto 1fr;
		}
		aside {
			border-right: 0;
			border-bottom: 1px solid var(--rule);
			padding: 0.5rem 0.75rem;
		}
		.count,
		aside nav {
			display: none;
		}
		.pick {
			display: block;
		}
		.pick select {
			width: 100%;
		}
		.steps {
			padding: 0 0.75rem;
			gap: 1.25rem;
			overflow-x: auto;
		}
		.steps a {
			flex: none;
		}
		.alone aside,
		.alone .steps {
			display: none;
		}
	}
	@media print {
		.zone {
			display: block;
			min-height: 0;
		}
	}
</style>
