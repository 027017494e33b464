<script lang="ts">
	import { onMount } from 'svelte';
	import { explainReadBack, readBackGroups, type Readings } from '$core/keying';
	import { keyedNotesOf } from '$lib/ui/keyin/keyedNotes.svelte';

	let { data } = $props();

	// the page is made anew for each zone
	// svelte-ignore state_referenced_locally
	const notes = keyedNotesOf(`/api/v1/jobs/${data.site.id}/zones/${data.zone.id}/keyed`, data.stored.keyed);
	onMount(() => notes.resume());

	const groups = $derived(readBackGroups(data.profile, data.options, data.program));
	/** What the display was found to show, where it is not what was planned. */
	const readings = $derived<Readings>(
		Object.fromEntries(
			groups.flatMap((group) =>
				group.fields.flatMap((field) => {
					const noted = notes.keyed[field.id];
					return noted !== undefined && noted !== field.shows ? [[field.id, noted]] : [];
				})
			)
		)
	);
	const slips = $derived(explainReadBack(data.profile, data.options, data.program, readings));
	const wrong = $derived(slips.reduce((sum, slip) => sum + slip.ids.length, 0));

	const asRead = (group: (typeof groups)[number]) =>
		group.fields.every((field) => notes.keyed[field.id] === field.shows);

	function tick(group: (typeof groups)[number]) {
		for (const field of group.fields) notes.note(field.id, field.shows);
	}

	/** The display's own figures in the form the plan has them: 6:5 is no time, 20,5 is 20.5. */
	function readIn(id: string, planned: string, input: HTMLInputElement) {
		const typed = input.value.trim().replace(/(\d),(\d)/, '$1.$2');
		if (typed === '') {
			notes.note(id, null);
			return;
		}
		const same = typed.toLowerCase() === planned.toLowerCase() || Number(typed) === Number(planned);
		notes.note(id, same ? planned : typed.slice(0, 40));
	}
</script>

<svelte:head><title>{data.zone.name}, read back · Fond Quarter</title></svelte:head>

<main>
	<h1>{data.zone.name}, read back</h1>
	<p class="lead" aria-live="polite">
		{#if slips.length === 0}
			Step through the days at the control. Tick a day that shows this; type over what shows otherwise.
		{:else}
			<span class="signal">{slips.length === 1 ? 'One slip' : `${slips.length} slips`}</span>, {wrong}
			{wrong === 1 ? 'value' : 'values'} to key again:
			<a href="/sites/{data.site.id}/zones/{data.zone.id}/key-in">the short card</a>
		{/if}
	</p>
	{#if slips.length > 0}
		<ul class="slips">
			{#each slips as slip (slip.ids[0])}<li>{slip.sentence}</li>{/each}
		</ul>
	{/if}

	<div class="groups" class:strips={data.program.form === 'slots'}>
		{#each groups as group (group.section)}
			<section aria-label={group.section}>
				<div class="head">
					<h2>{group.section}</h2>
					<button class="quiet" aria-pressed={asRead(group)} onclick={() => tick(group)}>
						{asRead(group) ? 'as planned' : 'shows this'}
					</button>
				</div>
				<div class="fields">
					{#each group.fields as field (field.id)}
						<label
							class:wrong={readings[field.id] !== undefined}
							class:read={notes.keyed[field.id] === field.shows}
						>
							<span class="soft">{field.what}</span>
							<input
								class="mono"
								aria-label="{group.section}, {field.what}"
								value={readings[field.id] ?? field.shows}
								onchange={(event) => readIn(field.id, field.shows, event.currentTarget)}
							/>
							{#if readings[field.id] !== undefined}<span class="signal">must show {field.shows}</span>{/if}
						</label>
					{/each}
				</div>
			</section>
		{/each}
	</div>
</main>

<style>
	.slips {
		margin: 0.6rem 0 0;
		padding: 0.6rem 0.9rem;
		list-style: none;
		border-left: 4px solid var(--signal);
		background: var(--sheet);
	}
	.slips li + li {
		margin-top: 0.3rem;
	}
	.groups {
		display: grid;
		grid-template-columns: repeat(auto-fill, minmax(17rem, 1fr));
		gap: 1rem 2rem;
		margin-top: 1rem;
	}
	.head {
		display: flex;
		justify-content: space-between;
		align-items: center;
		gap: 0.5rem;
		border-bottom: 2px solid var(--ink);
		padding-bottom: 0.3rem;
	}
	h2 {
		font-size: 1rem;
	}
	label {
		display: grid;
		grid-template-columns: 1fr 7rem;
		gap: 0 0.75rem;
		align-items: center;
		border-bottom: 1px solid var(--rule);
		min-height: 44px;
	}
	label .signal {
		grid-column: 1 / -1;
		padding-bottom: 0.3rem;
	}
	input {
		min-height: 40px;
		padding: 0 0.5rem;
		border: 1px solid transparent;
		border-radius: 3px;
		background: none;
		color: inherit;
		font-size: 1.05rem;
		text-align: right;
	}
	input:hover,
	input:focus {
		border-color: var(--rule);
		background: var(--sheet);
	}
	.read input {
		color: var(--held);
	}
	.wrong input {
		color: var(--signal);
		font-weight: 700;
		border-color: var(--signal);
	}
</style>
