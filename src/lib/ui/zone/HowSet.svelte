<script lang="ts">
	import { Table, TableBody, TableCell, TableHead, TableHeader, TableRow } from 'carbon-components-svelte';
	import Edit from 'carbon-icons-svelte/lib/Edit.svelte';
	import { entryOfField, type ControlProfile } from '$core/control';
	import type { SettingRow } from '$core/keying';
	import { entryOf } from '$core/machine';
	import type { Settings, Zone } from '$core/plan';
	import { capital } from '$core/schema';
	import { idleWords, settingWhy, WIPES_WORDS } from '$core/words';
	import Button from '../kit/Button.svelte';
	import Strokes from '../panel/Strokes.svelte';
	import EntryField from './EntryField.svelte';

	/** How a control is set: every setting that is asked for, how it comes, where it is found and why; its own entries can be put otherwise here. */
	let {
		rows,
		zone,
		profile,
		onchange
	}: {
		rows: readonly SettingRow[];
		zone: Zone;
		profile: ControlProfile;
		onchange: (settings: Settings) => void;
	} = $props();

	const asked = $derived(rows.filter(({ shows, isIdle }) => shows !== null || !isIdle));
	const idle = $derived(rows.filter(({ shows, isIdle }) => shows === null && isIdle));
	let changing = $state<string | null>(null);
	const entryAt = (row: SettingRow) => entryOf(profile, entryOfField(row.field) ?? '');
</script>

{#if rows.length === 0}
	<p>This control has nothing to set beside its program and its clock.</p>
{:else}
	<div class="how" role="region" aria-label="How it is set">
		<Table>
			<TableHead>
				<TableRow>
					{#each ['setting', 'set to', 'as new', 'where', 'why'] as head (head)}<TableHeader
							>{head}</TableHeader
						>{/each}
				</TableRow>
			</TableHead>
			<TableBody>
				{#each asked as row (row.field)}
					{@const entry = entryAt(row)}
					<TableRow>
						<TableCell class="name">
							{capital(row.name)}
							{#if row.differs && row.wipes !== 'nothing'}
								<strong class="signal wipes">{WIPES_WORDS[row.wipes]}</strong>
							{/if}
						</TableCell>
						<TableCell class="to">
							{#if entry && changing === row.field}
								<EntryField {entry} {zone} {profile} {onchange} ondone={() => (changing = null)} />
							{:else}
								<span class="value" class:as-is={row.shows === null}
									>{row.shows === null ? 'as it is' : `${row.shows}${row.unit && ` ${row.unit}`}`}</span
								>
								{#if entry}
									<Button
										kind="quiet"
										small
										icon={Edit}
										iconLabel="Change {row.name}"
										onclick={() => (changing = row.field)}
									/>
								{/if}
							{/if}
						</TableCell>
						<TableCell class="as-new"
							><span class="soft label">as new&nbsp;</span>{row.asNew}{row.unit && ` ${row.unit}`}</TableCell
						>
						<TableCell class="where">
							{#if profile.panel && row.way.length > 0}
								<Strokes panel={profile.panel} strokes={row.way} />
								{#if row.onlyWhenOff}<span class="soft">only while it is off</span>{/if}
							{:else}<span class="soft">in its own menus</span>{/if}
						</TableCell>
						<TableCell class="why">{settingWhy(row, zone.options.unit)}</TableCell>
					</TableRow>
				{/each}
			</TableBody>
		</Table>
	</div>
	{#if idle.length > 0}<p class="soft">{idleWords(idle.map(({ name }) => name))}</p>{/if}
{/if}

<style>
	.how :global(td),
	.how :global(th) {
		padding: 0.45rem 0.75rem 0.45rem 0;
		vertical-align: top;
	}
	.how :global(td.name) {
		min-width: 7rem;
	}
	.how :global(td.as-new) {
		white-space: nowrap;
	}
	.how :global(td.to) {
		min-width: 6.5rem;
	}
	.how :global(td.why) {
		width: 32%;
		color: var(--soft);
	}
	.wipes {
		display: block;
		font-size: var(--small);
	}
	.value {
		font-family: var(--display);
		font-size: 1.15rem;
		font-weight: 600;
		white-space: nowrap;
	}
	.as-is {
		color: var(--soft);
		font-family: inherit;
		font-size: inherit;
		font-weight: 400;
	}
	.label {
		display: none;
	}
	@media (max-width: 700px) {
		.how :global(thead) {
			display: none;
		}
		.how :global(tr) {
			display: grid;
			grid-template-columns: minmax(0, 1fr) auto;
			padding: 0.5rem 0;
			border-bottom: 1px solid var(--rule);
		}
		.how :global(td) {
			display: block;
			width: auto;
			min-width: 0;
			padding: 0.15rem 0;
			border: none;
		}
		.how :global(td.where),
		.how :global(td.why) {
			grid-column: 1 / -1;
			width: auto;
		}
		.label {
			display: inline;
		}
	}
</style>
