<script lang="ts">
	import { goto } from '$app/navigation';
	import {
		Button,
		InlineNotification,
		OverflowMenu,
		OverflowMenuItem,
		Select,
		SelectItem,
		TextInput
	} from 'carbon-components-svelte';
	import { timeZones } from '$core/civil';
	import { freshCopy, newZone } from '$core/plan';
	import { duration } from '$core/week';
	import MiniWeek from '$lib/ui/board/MiniWeek.svelte';
	import { call, type Answer } from '$lib/ui/call';
	import { refresh } from '$lib/ui/refresh';

	let { data } = $props();

	type Row = (typeof data.zones)[number];

	let problem = $state<string | null>(null);
	let busy = $state(false);
	let name = $state('');
	let control = $state('six-step-room-stat');
	let renaming = $state<{ id: string; name: string } | null>(null);
	let editing = $state<{
		name: string;
		place: string;
		note: string;
		timeZone: string;
		/** The one that was opened: a site changed in another window meanwhile is not overwritten. */
		revision: number;
	} | null>(null);

	const api = $derived(`/api/v1/jobs/${data.site.id}`);
	const keyed = (row: Row) => row.summary.done === row.summary.of;
	const misfitMinutes = (row: Row) => row.summary.coldMinutes + row.summary.warmMinutes;
	const exact = $derived(data.zones.filter((row) => misfitMinutes(row) === 0).length);
	const next = $derived(data.zones.find((row) => !keyed(row)));
	const valuesLeft = $derived(data.zones.reduce((sum, row) => sum + row.summary.of - row.summary.done, 0));

	/** For each zone the name of the one just above that lives the very same week. */
	const sameAs = $derived(
		data.zones.map((row, i) => {
			const before = data.zones[i - 1];
			const key = (zone: Row) => JSON.stringify([zone.wanted, zone.levels, zone.control]);
			return before && key(before) === key(row) ? before.name : null;
		})
	);

	function fitWords(row: Row): string {
		const { coldMinutes, warmMinutes } = row.summary;
		if (coldMinutes > 0)
			return row.isSwitch ? `${duration(coldMinutes)} off too long` : `${duration(coldMinutes)} too cold`;
		if (warmMinutes > 0)
			return row.isSwitch ? `${duration(warmMinutes)} on too long` : `${duration(warmMinutes)} too warm`;
		return 'exact';
	}

	async function act<T>(answer: Promise<Answer<T>>): Promise<Answer<T>> {
		busy = true;
		const result = await answer;
		busy = false;
		problem = result.ok ? null : result.sentence;
		await refresh('fq:site');
		return result;
	}

	async function add(event: SubmitEvent) {
		event.preventDefault();
		const profile = data.profiles.find((candidate) => candidate.id === control)!;
		const answer = await act(
			call<{ id: string }>('POST', `${api}/zones`, { zone: newZone(name.trim(), profile), after: null })
		);
		if (!answer.ok) return;
		name = '';
		await goto(`/sites/${data.site.id}/zones/${answer.data.id}/week`);
	}

	async function copy(row: Row) {
		// another control: nobody has looked at its clock
		const zone = { ...freshCopy(row.document), name: `${row.name.slice(0, 72)} (copy)` };
		await act(call('POST', `${api}/zones`, { zone, after: row.id }));
	}

	/** Saved on the revision on screen: a zone changed in another window meanwhile is not overwritten. */
	async function rename(event: SubmitEvent) {
		event.preventDefault();
		if (!renaming) return;
		const { id, name: newName } = renaming;
		const row = data.zones.find((zone) => zone.id === id)!;
		const zone = { ...row.document, name: newName.trim() };
		const answer = await act(call('PUT', `${api}/zones/${id}`, { revision: row.revision, zone }));
		if (answer.ok) renaming = null;
	}

	async function move(row: Row, by: number) {
		const order = data.zones.map((zone) => zone.id);
		const from = order.indexOf(row.id);
		const to = from + by;
		if (to < 0 || to >= order.length) return;
		order.splice(to, 0, ...order.splice(from, 1));
		await act(call('PUT', `${api}/zones/order`, { order }));
		document.getElementById(`zone-${row.id}`)?.focus();
	}

	function rowKeys(event: KeyboardEvent, row: Row) {
		if (!event.altKey || (event.key !== 'ArrowUp' && event.key !== 'ArrowDown')) return;
		event.preventDefault();
		void move(row, event.key === 'ArrowUp' ? -1 : 1);
	}

	async function saveSite(event: SubmitEvent) {
		event.preventDefault();
		if (!editing) return;
		if ((await act(call('PATCH', api, editing))).ok) editing = null;
	}
</script>

<svelte:head><title>{data.site.name} · Fond Quarter</title></svelte:head>

<main>
	<div class="top">
		<div>
			<h1>Where {data.site.name} stands</h1>
			<p class="lead">
				{#if data.zones.length === 0}
					No zones yet. Add the first room below.
				{:else if next}
					{exact} of {data.zones.length} zones hold their week exactly. Next:
					<a class="signal" href="/sites/{data.site.id}/zones/{next.id}/key-in"
						>{next.name}, {next.summary.of - next.summary.done} values to key</a
					>.
				{:else}
					Every zone is keyed; {exact} of {data.zones.length} hold their week exactly.
				{/if}
			</p>
			{#if data.site.note || data.site.place}
				<p class="soft note">{[data.site.place, data.site.note].filter(Boolean).join(' · ')}</p>
			{/if}
		</div>
		<div class="site-tools">
			<button
				class="quiet"
				onclick={() =>
					(editing = {
						name: data.site.name,
						place: data.site.place,
						note: data.site.note,
						timeZone: data.site.timeZone,
						revision: data.site.revision
					})}>Name and notes</button
			>
			<a class="quiet strong" href="/sites/{data.site.id}/visit">Visit</a>
			<a class="quiet" href="/sites/{data.site.id}/checks">Checks</a>
			<a class="quiet" href="/sites/{data.site.id}/record">Record</a>
			<a class="quiet" href="/sites/{data.site.id}/settings">Settings</a>
			<a class="quiet" href="/sites/{data.site.id}/clocks">All clocks</a>
			<a class="quiet" href="/sites/{data.site.id}/away">Away</a>
			<a class="quiet" href="/sites/{data.site.id}/heat">Heat at once</a>
			<a class="quiet" href={api} download>Export job file</a>
		</div>
	</div>

	{#if editing}
		<form class="edit" onsubmit={saveSite}>
			<TextInput labelText="Name" bind:value={editing.name} maxlength={80} required />
			<TextInput labelText="Place" bind:value={editing.place} maxlength={120} />
			<TextInput labelText="Note" bind:value={editing.note} maxlength={400} />
			<Select labelText="Time zone" bind:selected={editing.timeZone}>
				{#each timeZones() as name (name)}<SelectItem value={name} text={name} />{/each}
			</Select>
			<Button type="submit" disabled={busy}>Save</Button>
			<Button kind="ghost" on:click={() => (editing = null)}>Leave as it was</Button>
		</form>
	{/if}

	{#if problem}
		<InlineNotification
			lowContrast
			kind="error"
			title="Not done."
			subtitle={problem}
			on:close={() => (problem = null)}
		/>
	{/if}

	{#if data.zones.length > 0}
		<table>
			<thead>
				<tr>
					<th scope="col">Zone</th>
					<th scope="col" class="drawn">Week</th>
					<th scope="col">Fit</th>
					<th scope="col">Key in</th>
					<th scope="col">Clock</th>
					<th scope="col">Away</th>
					<th scope="col">Hand over</th>
					<th scope="col"><span class="out-of-sight">More</span></th>
				</tr>
			</thead>
			<tbody>
				{#each data.zones as row, i (row.id)}
					{@const base = `/sites/${data.site.id}/zones/${row.id}`}
					<tr>
						<th scope="row">
							{#if renaming?.id === row.id}
								<form class="rename" onsubmit={rename}>
									<!-- svelte-ignore a11y_autofocus -->
									<input
										aria-label="New name of {row.name}"
										bind:value={renaming.name}
										maxlength="80"
										autofocus
										onkeydown={(event) => event.key === 'Escape' && (renaming = null)}
									/>
									<button class="quiet" type="submit">Save</button>
								</form>
							{:else}
								<a id="zone-{row.id}" href="{base}/week" onkeydown={(event) => rowKeys(event, row)}>
									<span class="name">{row.name}</span>
									<span class="soft control">{row.control.toLowerCase()}</span>
								</a>
							{/if}
						</th>
						<td class="drawn">
							<a href="{base}/week" aria-label="Week of {row.name}">
								<MiniWeek wanted={row.wanted} levels={row.levels} />
								{#if sameAs[i]}<span class="soft same">as {sameAs[i]}</span>{/if}
							</a>
						</td>
						<td>
							<a href="{base}/week" class:signal={row.summary.coldMinutes > 0}>{fitWords(row)}</a>
							{#if row.clock.bad}<a class="signal when-narrow" href="{base}/clock">Clock {row.clock.words}</a
								>{/if}
							{#if row.away.bad}<a class="signal when-narrow" href="{base}/away">It is {row.away.words}</a
								>{/if}
						</td>
						<td class:now={next?.id === row.id}>
							<a href="{base}/key-in">{row.summary.done} of {row.summary.of}</a>
						</td>
						<td><a href="{base}/clock" class:signal={row.clock.bad}>{row.clock.words}</a></td>
						<td><a href="{base}/away" class:signal={row.away.bad}>{row.away.words}</a></td>
						<td><a href="{base}/hand-over">{keyed(row) ? 'ready' : '–'}</a></td>
						<td class="more">
							<OverflowMenu flipped aria-label="More for {row.name}" iconDescription="More for {row.name}">
								<OverflowMenuItem
									text="Rename"
									on:click={() => (renaming = { id: row.id, name: row.name })}
								/>
								<OverflowMenuItem text="Copy" on:click={() => copy(row)} />
								<OverflowMenuItem text="Move up" disabled={i === 0} on:click={() => move(row, -1)} />
								<OverflowMenuItem
									text="Move down"
									disabled={i === data.zones.length - 1}
									on:click={() => move(row, 1)}
								/>
								<OverflowMenuItem
									danger
									text="Remove"
									on:click={() => act(call('DELETE', `${api}/zones/${row.id}`))}
								/>
							</OverflowMenu>
						</td>
					</tr>
				{/each}
			</tbody>
		</table>
		<p class="soft foot">
			{valuesLeft === 0 ? 'Nothing left to key.' : `${valuesLeft} values left to key on this site.`}
		</p>
	{/if}

	<form class="add" onsubmit={add}>
		<TextInput
			labelText="New zone"
			placeholder="Room, loop or radiator"
			bind:value={name}
			maxlength={80}
			required
		/>
		<Select labelText="Its control" bind:selected={control}>
			{#each data.profiles as profile (profile.id)}
				<SelectItem value={profile.id} text={profile.name} />
			{/each}
		</Select>
		<Button type="submit" disabled={busy || name.trim() === ''}>Add zone</Button>
	</form>

	{#if data.removed.length > 0}
		<h2>Removed</h2>
		<ul class="removed">
			{#each data.removed as zone (zone.id)}
				<li>
					<span>{zone.name}</span>
					<button
						class="quiet"
						disabled={busy}
						onclick={() => act(call('POST', `${api}/zones/${zone.id}/restore`))}>Put {zone.name} back</button
					>
				</li>
			{/each}
		</ul>
	{/if}
</main>

<style>
	.top {
		display: flex;
		flex-wrap: wrap;
		gap: 1rem;
		justify-content: space-between;
	}
	.note {
		margin-top: 0.25rem;
		font-size: 0.95rem;
		max-width: 60rem;
	}
	.site-tools {
		display: flex;
		flex-wrap: wrap;
		gap: 0.5rem;
		align-items: start;
	}
	.strong {
		border-color: var(--ink);
		font-weight: 700;
	}
	.edit,
	.add {
		display: flex;
		flex-wrap: wrap;
		gap: 0.5rem;
		align-items: end;
		margin-top: 1rem;
	}
	.edit :global(.bx--form-item),
	.add :global(.bx--form-item) {
		flex: 0 1 16rem;
	}
	table {
		width: 100%;
		margin-top: 1rem;
		border-collapse: collapse;
	}
	thead th {
		padding: 0.5rem 0.6rem;
		border-bottom: 2px solid var(--ink);
		text-align: left;
		font-size: 0.85rem;
		color: var(--soft);
	}
	tbody tr {
		border-bottom: 1px solid var(--rule);
	}
	tbody tr:hover {
		background: var(--faint);
	}
	td,
	th[scope='row'] {
		vertical-align: middle;
	}
	th[scope='row'] {
		text-align: left;
		font-weight: 400;
	}
	td a,
	th[scope='row'] a {
		display: block;
		padding: 0.6rem;
		min-height: 44px;
		text-decoration: none;
		overflow-wrap: anywhere;
	}
	td a:hover {
		text-decoration: underline;
	}
	.name {
		display: block;
		font-weight: 700;
		font-size: 1.05rem;
	}
	.control,
	.same {
		font-size: 0.85rem;
	}
	.now {
		background: var(--sheet);
		outline: 2px solid var(--ink);
		outline-offset: -2px;
	}
	.more {
		width: 52px;
	}
	.foot {
		margin-top: 0.6rem;
	}
	.rename {
		display: flex;
		gap: 0.5rem;
		padding: 0.4rem 0.6rem;
	}
	.rename input {
		width: 14rem;
	}
	h2 {
		margin-top: 1.5rem;
		font-size: 0.9rem;
		color: var(--soft);
	}
	.removed {
		margin: 0;
		padding: 0;
		list-style: none;
	}
	.removed li {
		display: flex;
		gap: 1rem;
		align-items: center;
		justify-content: space-between;
		max-width: 36rem;
		padding: 0.3rem 0;
		border-bottom: 1px solid var(--rule);
	}
	.when-narrow {
		display: none;
	}
	@media (max-width: 700px) {
		.when-narrow {
			display: block;
			padding: 0.2rem 0 0.5rem;
			font-size: 0.95rem;
		}
		.drawn {
			display: none;
		}
		th:nth-child(n + 5):not(:last-child),
		td:nth-child(n + 5):not(:last-child) {
			display: none;
		}
		.add :global(.bx--form-item) {
			flex: 1 1 100%;
		}
	}
</style>
