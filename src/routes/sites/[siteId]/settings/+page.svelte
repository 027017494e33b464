<script lang="ts">
	import { settingWords } from '$core/checks';
	import Headline from '$lib/ui/kit/Headline.svelte';
	import { unitOf } from '$core/plan';
	import Button from '$lib/ui/kit/Button.svelte';
	import Check from '$lib/ui/kit/Check.svelte';
	import { settingsView } from '$lib/ui/site/settingsView.svelte';
	import SettingValueField from '$lib/ui/site/SettingValueField.svelte';

	let { data } = $props();

	const view = settingsView(() => data);
	const { has, open, isTicked, isOptional, zonesWords } = view;
	const { setting, missing, rows, picked, nothing, nothingThere, unit } = $derived(view);
</script>

<main>
	<Headline of="{data.site.name}, edit many at once">
		{missing === 0 ? 'Nothing is missing' : missing === 1 ? '1 answer missing' : `${missing} answers missing`}
	</Headline>
	{#if setting}
		<div class="columns">
			<nav aria-label="Settings">
				{#each view.groups() as group (group)}
					<h2>{group}</h2>
					<ul>
						{#each view.settings().filter((one) => one.group === group) as one (one.id)}
							<li>
								<Button
									kind="quiet"
									aria-current={one === setting ? 'true' : undefined}
									onclick={() => view.choose(one.id)}
								>
									<span>{one.name}</span>
									<span class="soft">
										{open(one) === 0
											? 'filled in'
											: isOptional(one)
												? `${open(one)} have none`
												: `${open(one)} missing`}
									</span>
								</Button>
							</li>
						{/each}
					</ul>
				{/each}
			</nav>
			<section aria-label={setting.name}>
				<h2 class="out-of-sight">{setting.name}</h2>
				<ul class="zones">
					{#each rows as row (row.id)}
						{@const why = view.lacks(setting, row)}
						<li>
							<Check disabled={why !== null} checked={isTicked(row)} onchange={(on) => view.tick(row.id, on)}>
								<span class="zone" class:lacks={why !== null}>
									<span class="name">{row.zone.name}</span>
									{#if why}
										<span class="soft">{why}</span>
									{:else}
										<span class="value" class:soft={setting.read(row) === null}
											>{settingWords(setting, setting.read(row), unitOf(row.zone, row.profile))}</span
										>
									{/if}
								</span>
							</Check>
						</li>
					{/each}
				</ul>
				<div class="quick">
					<Button onclick={() => view.tickAll((row) => has(setting, row))}>All that have it</Button>
					<Button onclick={() => view.tickAll(() => false)}>None of them</Button>
				</div>
				{#key setting.id}
					<SettingValueField {setting} {unit} value={view.value} onchange={(next) => (view.value = next)} />
				{/key}
				{#if setting.id === 'frostOn'}<p class="soft">It protects pipes, not people.</p>{/if}
				{#if setting.id === 'floorLimitC'}
					<p class="soft">The floor’s maker gives its limit. Left empty: the usual limit of its finish.</p>
				{/if}
				<div class="quick">
					<Button
						kind="next"
						disabled={picked.length === 0 || (nothing && (setting.id === 'emitter' || nothingThere))}
						onclick={view.setAll}
					>
						{picked.length === 0
							? 'Choose the zones'
							: nothing
								? nothingThere
									? 'Choose what to set'
									: `Clear it for ${zonesWords(picked.length)}`
								: `Set ${settingWords(setting, view.value, unit)} for ${zonesWords(picked.length)}`}
					</Button>
				</div>
				{#if view.problem}<p class="signal" role="alert">{view.problem}</p>{/if}
				{#if view.done}
					<p role="status">{view.done.words} <Button onclick={view.undo}>Undo</Button></p>
				{/if}
			</section>
		</div>
	{:else}
		<p>There are no zones yet. <a href="/sites/{data.site.id}">Add the first room</a>, then come back.</p>
	{/if}
</main>

<style>
	.columns {
		display: grid;
		grid-template-columns: minmax(16rem, 1fr) minmax(0, 2fr);
		gap: 2rem;
	}
	nav h2 {
		margin: 0.9rem 0 0.2rem;
		font-size: var(--small);
		color: var(--soft);
	}
	nav h2:first-child {
		margin-top: 0;
	}
	nav :global(.kit-button) {
		justify-content: space-between;
		width: 100%;
		border: 0;
		border-bottom: 1px solid var(--rule);
		border-left: 4px solid transparent;
		border-radius: 0;
		text-align: left;
		text-decoration: none;
	}
	nav :global(.kit-button[aria-current]) {
		border-left-color: var(--ink);
		background: var(--sheet);
		font-weight: 700;
	}
	nav .soft {
		margin-left: 1rem;
		font-weight: 400;
		white-space: nowrap;
	}
	.zones li {
		border-bottom: 1px solid var(--rule);
	}
	.zone {
		display: grid;
		grid-template-columns: minmax(8rem, 1fr) minmax(0, 1.4fr);
		gap: 0.75rem;
	}
	.zones :global(.bx--checkbox-label-text) {
		width: 100%;
	}
	.name,
	.value {
		overflow-wrap: anywhere;
	}
	.value {
		font-weight: 700;
	}
	.lacks .name {
		color: var(--soft);
	}
	.quick {
		display: flex;
		flex-wrap: wrap;
		gap: 0.5rem;
		margin: 0.7rem 0;
	}
	@media (max-width: 800px) {
		.columns {
			grid-template-columns: minmax(0, 1fr);
		}
		nav {
			max-height: 15rem;
			overflow-y: auto;
			border: 1px solid var(--rule);
		}
	}
</style>
