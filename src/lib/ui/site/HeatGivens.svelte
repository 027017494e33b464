<script lang="ts">
	import { roundTemperatureWords, type TemperatureUnit } from '$core/control';
	import { quoted } from '$core/formats';
	import type { Site } from '$core/plan';
	import type { Source } from '$core/thermal';
	import { call } from '../call';
	import { refresh } from '../refresh';

	let {
		siteId,
		supply,
		source,
		zones,
		unit,
		computing,
		outdoorC = $bindable(),
		onsource,
		onproblem
	}: {
		siteId: string;
		supply: Site['supply'];
		source: Source;
		/** How many zones each source heats. */
		zones: Readonly<Record<Source, number>>;
		/** The unit in which temperatures are said. */
		unit: TemperatureUnit;
		/** Whether what is shown below is still being computed. */
		computing: boolean;
		/** Outside, as the mean of the day, in °C. */
		outdoorC: number;
		onsource: (source: Source) => void;
		/** What was given and could not be taken; null once it is put right. */
		onproblem: (sentence: string | null) => void;
	} = $props();

	const limitW = $derived(source === 'electric' ? supply.electricW : supply.boilerW);

	async function saveSupply(
		key: 'electricW' | 'boilerW' | 'boilerStartsPerDay' | 'windowMinutes',
		field: HTMLInputElement
	) {
		const text = field.value.trim().replace(',', '.');
		const factor = key.endsWith('W') ? 1000 : 1;
		const value = text === '' && key !== 'windowMinutes' ? null : Number(text) * factor;
		onproblem(null);
		if (value !== null && (!Number.isFinite(value) || text === '')) {
			onproblem(`${quoted(field.value)} is no number.`);
			return;
		}
		const done = await call('PATCH', `/api/v1/jobs/${siteId}`, {
			supply: { [key]: value }
		});
		if (!done.ok) onproblem(done.sentence);
		await refresh('fq:site');
	}
</script>

<div class="givens">
	{#if zones.electric > 0 && zones.water > 0}
		<div class="pick" role="group" aria-label="Source">
			<button class="quiet" aria-pressed={source === 'electric'} onclick={() => onsource('electric')}
				>Electric, {zones.electric}</button
			>
			<button class="quiet" aria-pressed={source === 'water'} onclick={() => onsource('water')}
				>Boiler, {zones.water}</button
			>
		</div>
	{/if}
	<label>
		<span>{source === 'electric' ? 'Supply for heating' : 'Boiler gives'}, kW</span>
		<input
			inputmode="decimal"
			value={limitW === null ? '' : limitW / 1000}
			placeholder="not known"
			onchange={(event) => saveSupply(source === 'electric' ? 'electricW' : 'boilerW', event.currentTarget)}
		/>
	</label>
	<label>
		<span>as a mean over, min</span>
		<input
			inputmode="numeric"
			value={supply.windowMinutes}
			onchange={(event) => saveSupply('windowMinutes', event.currentTarget)}
		/>
	</label>
	{#if source === 'water'}
		<label>
			<span>starts a day, at most</span>
			<input
				inputmode="numeric"
				value={supply.boilerStartsPerDay ?? ''}
				placeholder="20"
				onchange={(event) => saveSupply('boilerStartsPerDay', event.currentTarget)}
			/>
		</label>
	{/if}
	<label class="outside">
		<span>Outside, mean of the day</span>
		<input type="range" min="-15" max="15" step="1" bind:value={outdoorC} />
		<strong class="mono">{roundTemperatureWords(unit, outdoorC)}{computing ? ' …' : ''}</strong>
	</label>
</div>

<style>
	.givens {
		display: flex;
		flex-wrap: wrap;
		gap: 0.6rem 1.25rem;
		align-items: end;
		margin-bottom: 0.6rem;
	}
	.givens label span {
		display: block;
		font-size: 0.9rem;
		color: var(--soft);
	}
	.givens input:not([type='range']) {
		width: 7.5rem;
		font-size: 1.05rem;
	}
	.outside {
		display: grid;
		grid-template-columns: minmax(8rem, 18rem) 4.5rem;
		gap: 0 0.6rem;
		align-items: center;
	}
	.outside span {
		grid-column: 1 / -1;
	}
	input[type='range'] {
		height: 40px;
	}
	.pick {
		display: flex;
		gap: 0.25rem;
		flex-wrap: wrap;
	}
</style>
