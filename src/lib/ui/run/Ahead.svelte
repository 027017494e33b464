<script lang="ts">
	import { allowedOptions, localWords, type Program } from '$core/control';
	import type { Absence, Exception } from '$core/plan';
	import { exceptionWords } from '$core/words';
	import Button from '../kit/Button.svelte';
	import Check from '../kit/Check.svelte';
	import AbsencePlanned from './AbsencePlanned.svelte';
	import type { ZoneModel } from '../zone/zoneModel.svelte';

	let {
		model,
		program,
		timeZone,
		nowMs,
		today
	}: {
		model: ZoneModel;
		program: Program;
		timeZone: string;
		nowMs: number;
		/** The first date that counts. */
		today: string;
	} = $props();

	const { zone, profile } = $derived(model);
	const options = $derived(allowedOptions(profile, zone.options));
	const startOf = (one: Exception) =>
		one.kind === 'absence' ? one.leave : one.kind === 'special-day' ? one.date : one.from;
	function endOf(one: Exception): string {
		if (one.kind === 'absence') return one.back;
		if (one.kind === 'special-day') return one.date;
		return 'until' in one ? (one.until ?? '9999') : one.from;
	}
	const listed = $derived(
		[...zone.exceptions]
			.sort((a, b) => (startOf(a) < startOf(b) ? -1 : 1))
			.filter((one) => endOf(one) >= today)
			.map((one) => ({
				one,
				from: localWords(startOf(one), options),
				words:
					one.kind === 'absence'
						? `away until ${localWords(one.back, options)}`
						: exceptionWords(one, zone, profile)
			}))
	);
	const change = (id: string, what: Partial<Absence>) =>
		model.change({
			...zone,
			exceptions: zone.exceptions.map((one) => (one.id === id ? ({ ...one, ...what } as Exception) : one))
		});
	const remove = (id: string) =>
		model.change({ ...zone, exceptions: zone.exceptions.filter((one) => one.id !== id) });
</script>

<h2>Planned</h2>
{#if listed.length === 0}
	<p class="soft">Nothing yet.</p>
{:else}
	<ul>
		{#each listed as { one, from, words } (one.id)}
			<li>
				<strong>{from}</strong>
				<span
					>{words}{#if 'note' in one && one.note}<span class="soft">, {one.note}</span>{/if}</span
				>
				<Button small aria-label="Remove {from}, {words}" onclick={() => remove(one.id)}>Remove</Button>
				{#if one.kind === 'absence'}
					<div class="absence">
						<AbsencePlanned {zone} {profile} {program} {timeZone} {nowMs} absence={one} />
						<Check checked={one.keyed ?? false} onchange={(keyed) => change(one.id, { keyed })}>
							Keyed{one.keyed
								? ''
								: `: until then ${one.keyedBy === 'installer' ? 'we are' : 'the household is'} to key it`}
						</Check>
					</div>
				{/if}
			</li>
		{/each}
	</ul>
{/if}

<style>
	ul {
		margin: 0 0 0.75rem;
	}
	li {
		display: grid;
		grid-template-columns: 9rem minmax(0, 1fr) auto;
		gap: 0.75rem;
		align-items: center;
		min-height: 44px;
		border-bottom: 1px solid var(--rule);
	}
	.absence {
		display: grid;
		grid-column: 1 / -1;
		gap: 0.4rem;
		padding-bottom: 0.6rem;
	}
	@media (max-width: 860px) {
		li {
			grid-template-columns: minmax(0, 1fr) auto;
		}
		li > span {
			grid-row: 2;
			grid-column: 1 / -1;
		}
	}
</style>
