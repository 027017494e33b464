<script lang="ts" module>
	import type { RoundSite, RoundStop } from '$core/record';

	/** A day of a round: its sites in their order, and the minutes it takes. */
	export interface RoundDay {
		/** `YYYY-MM-DD`; null for what is not planned. */
		readonly day: string | null;
		readonly sites: readonly RoundSite[];
		readonly minutes: number;
	}
</script>

<script lang="ts">
	import ArrowDown from 'carbon-icons-svelte/lib/ArrowDown.svelte';
	import ArrowUp from 'carbon-icons-svelte/lib/ArrowUp.svelte';
	import Button from '../kit/Button.svelte';
	import DateField from '../kit/DateField.svelte';
	import Field from '../kit/Field.svelte';

	let {
		day,
		stopOf,
		onday,
		onwho,
		onmove
	}: {
		day: RoundDay;
		stopOf: (site: RoundSite) => RoundStop | null;
		onday: (site: RoundSite, day: string | null) => void;
		onwho: (site: RoundSite, who: string) => void;
		/** Moves a site among those of the day. */
		onmove: (site: RoundSite, by: 1 | -1) => void;
	} = $props();

	const setOf = (site: RoundSite) => site.clocks.filter((clock) => clock.set).length;
</script>

<ol>
	{#each day.sites as site, i (site.siteId)}
		{@const stop = stopOf(site)}
		<li class:set={setOf(site) === site.clocks.length}>
			<p class="site">
				<a href="/sites/{site.siteId}/clocks"><strong>{site.siteName}</strong></a>
				<span class="soft">{site.place}</span>
			</p>
			<p class="clocks">
				<strong class="count">{setOf(site)} of {site.clocks.length} set</strong>
				{#each site.clocks as clock, j (clock.zoneId)}<span class:struck={clock.set}
						>{clock.name}{clock.unseen ? ' (never checked)' : ''}{j < site.clocks.length - 1
							? ', '
							: ''}</span
					>{/each}
			</p>
			<div class="no-print">
				<DateField
					label="Day for {site.siteName}"
					hideLabel
					value={stop?.day ?? null}
					onchange={(day) => onday(site, day)}
				/>
			</div>
			<div class="who">
				<Field
					label="Who goes to {site.siteName}"
					hideLabel
					placeholder="who"
					maxlength={80}
					disabled={!stop}
					value={stop?.who ?? ''}
					onchange={(who) => onwho(site, who)}
				/>
			</div>
			<span class="order no-print">
				{#if stop && day.sites.length > 1}
					<Button
						icon={ArrowUp}
						iconLabel="{site.siteName} earlier"
						disabled={i === 0}
						onclick={() => onmove(site, -1)}
					/>
					<Button
						icon={ArrowDown}
						iconLabel="{site.siteName} later"
						disabled={i === day.sites.length - 1}
						onclick={() => onmove(site, 1)}
					/>
				{/if}
			</span>
		</li>
	{/each}
</ol>

<style>
	li {
		display: grid;
		grid-template-columns: minmax(12rem, 1.2fr) minmax(12rem, 2fr) auto auto 6rem;
		gap: 0.4rem 1rem;
		align-items: center;
		padding: 0.45rem 0;
		border-bottom: 1px solid var(--rule);
	}
	li.set {
		color: var(--soft);
	}
	.site .soft {
		display: block;
		font-size: var(--small);
	}
	.count {
		display: block;
	}
	.struck {
		text-decoration: line-through;
	}
	.order {
		display: flex;
		gap: 0.3rem;
	}
	@media (max-width: 800px) {
		li {
			grid-template-columns: minmax(0, 1fr) auto;
		}
		.site,
		.clocks {
			grid-column: 1 / -1;
		}
	}
	@media print {
		.no-print {
			display: none;
		}
		li {
			grid-template-columns: 1fr 2fr auto;
			break-inside: avoid;
		}
	}
	.who {
		width: 8rem;
	}
</style>
