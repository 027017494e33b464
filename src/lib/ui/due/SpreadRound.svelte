<script lang="ts" module>
	/** What a round takes: minutes at each site and at each clock. */
	export interface RoundPace {
		readonly minutesAStop: number;
		readonly minutesAClock: number;
	}
</script>

<script lang="ts">
	import { untrack } from 'svelte';
	import { spreadRound, type RoundSite } from '$core/record';
	import Button from '../kit/Button.svelte';
	import Check from '../kit/Check.svelte';
	import DateField from '../kit/DateField.svelte';
	import NumberField from '../kit/NumberField.svelte';

	let {
		sites,
		first,
		done,
		pace = $bindable(),
		onspread
	}: {
		sites: readonly RoundSite[];
		/** The first day that is offered, `YYYY-MM-DD`. */
		first: string;
		/** Whether every clock is set. */
		done: boolean;
		pace: RoundPace;
		onspread: (plan: ReturnType<typeof spreadRound>) => void;
	} = $props();

	let from = $state(untrack(() => first));
	let hours = $state(6);
	let weekends = $state(false);
</script>

<form
	class="no-print"
	onsubmit={(event) => {
		event.preventDefault();
		onspread(spreadRound(sites, { from, minutesADay: hours * 60, weekends, pace }));
	}}
>
	<DateField label="From" required value={from} onchange={(date) => (from = date!)} />
	<NumberField
		label="Hours a day"
		unit="h"
		least={0.5}
		most={24}
		value={hours}
		onchange={(h) => (hours = h!)}
	/>
	<NumberField
		label="A site"
		unit="min"
		least={0}
		most={600}
		value={pace.minutesAStop}
		onchange={(minutes) => (pace = { ...pace, minutesAStop: minutes! })}
	/>
	<NumberField
		label="A clock"
		unit="min"
		least={0}
		most={120}
		value={pace.minutesAClock}
		onchange={(minutes) => (pace = { ...pace, minutesAClock: minutes! })}
	/>
	<Check label="weekends too" bind:checked={weekends} />
	<Button kind="next" type="submit" disabled={done}>Spread over days, town by town</Button>
</form>

<style>
	form {
		display: flex;
		flex-wrap: wrap;
		gap: 0.6rem;
		align-items: end;
		margin: 0.9rem 0;
		padding: 0.7rem 0;
		border-top: 1px solid var(--rule);
		border-bottom: 1px solid var(--rule);
	}
	form > :global(.bx--form-item) {
		flex: 0 0 auto;
		width: 10rem;
	}
</style>
