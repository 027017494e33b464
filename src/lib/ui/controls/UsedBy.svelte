<script lang="ts">
	import { allowedOptions, type ControlProfile } from '$core/control';
	import type { Zone } from '$core/plan';
	import { fitWords } from '$core/words';
	import { fitMany, type ManyFits, type Outcome } from '$lib/workers/fitMany';
	import { call } from '../call';
	import Button from '../kit/Button.svelte';
	import { refresh } from '../refresh';

	/** A zone that this control governs. */
	interface Use {
		readonly zoneId: string;
		readonly siteName: string;
		readonly zone: Zone;
		/** The control as the zone works with it. */
		readonly profile: ControlProfile;
		/** Whether that is the control as it is now. */
		readonly current: boolean;
	}

	let {
		profile,
		uses,
		flush,
		onfailed
	}: {
		profile: ControlProfile;
		uses: readonly Use[];
		/** Saves what is not saved yet. */
		flush: () => Promise<void>;
		onfailed: (sentence: string | null) => void;
	} = $props();

	const behind = $derived(uses.filter((use) => !use.current));
	let running = $state.raw<ManyFits | null>(null);
	let done = $state(0);
	let effects = $state.raw<{ use: Use; was: Outcome; now: Outcome }[] | null>(null);
	let takenUp = $state<string | null>(null);

	const MOST_NAMED = 4;
	const named = (some: readonly Use[]) =>
		some
			.slice(0, MOST_NAMED)
			.map((use) => `${use.zone.name} (${use.siteName})`)
			.join(', ') + (some.length > MOST_NAMED ? ` and ${some.length - MOST_NAMED} more` : '');

	async function preview() {
		effects = null;
		takenUp = null;
		done = 0;
		const looked = behind;
		running = fitMany(
			looked.flatMap((use) => [
				{ zone: use.zone, profile: use.profile },
				{ zone: { ...use.zone, options: allowedOptions(profile, use.zone.options) }, profile }
			]),
			(count) => (done = Math.floor(count / 2))
		);
		const found = await running.outcomes;
		running = null;
		if (found) effects = looked.map((use, i) => ({ use, was: found[2 * i]!, now: found[2 * i + 1]! }));
	}

	function effectWords(was: Outcome, now: Outcome): string {
		const said: string[] = [];
		const held = (one: Outcome) => fitWords(one, profile.temperature === null);
		if (held(was) !== held(now)) said.push(`${held(now)} instead of ${held(was)}`);
		if (was.values !== now.values) said.push(`${now.values} values instead of ${was.values}`);
		if (was.grouping !== now.grouping) said.push(`${now.grouping} instead of ${was.grouping}`);
		return said.length === 0 ? 'nothing changes' : said.join(', ');
	}

	async function takeUp() {
		await flush();
		const answer = await call<{ sites: number; zones: number }>(
			'POST',
			`/api/v1/controls/${profile.id}/take-up`
		);
		onfailed(answer.ok ? null : answer.sentence);
		effects = null;
		if (answer.ok)
			takenUp = `${answer.data.zones === 1 ? 'One zone was' : `${answer.data.zones} zones were`} fitted again.`;
		await refresh('fq:control');
	}
</script>

<div class="note" class:still={behind.length === 0}>
	{#if behind.length === 0}
		<p class="soft">
			Used by {uses.length === 1 ? 'one zone' : `${uses.length} zones`}:
			{named(uses)}.
			{takenUp ?? ''}
		</p>
	{:else}
		<p>
			<strong
				>{behind.length === 1 ? 'One zone still works' : `${behind.length} zones still work`} with this control
				as it was.</strong
			>
			{named(behind)}.
		</p>
		<Button disabled={running !== null} onclick={preview}>What would change</Button>
		<Button onclick={takeUp}>Fit them again</Button>
		{#if running}
			<p role="status">
				{done} of {behind.length}
				<Button onclick={() => running?.stop()}>Stop</Button>
			</p>
		{/if}
		{#if effects}
			<ul>
				{#each effects as { use, was, now } (use.zoneId)}
					<li><strong>{use.zone.name}</strong> {effectWords(was, now)}</li>
				{/each}
			</ul>
		{/if}
	{/if}
</div>

<style>
	.note {
		display: flex;
		flex-wrap: wrap;
		gap: 0.5rem 0.75rem;
		align-items: center;
		margin-top: 0.75rem;
		padding: 0.25rem 0 0.25rem 0.75rem;
		border-left: 4px solid var(--signal);
	}
	.still {
		border-left-color: var(--rule);
	}
	ul {
		flex: 1 1 100%;
		padding-left: 1rem;
		list-style: revert;
	}
</style>
