<script lang="ts">
	import Add from 'carbon-icons-svelte/lib/Add.svelte';
	import Subtract from 'carbon-icons-svelte/lib/Subtract.svelte';
	import { untrack } from 'svelte';
	import { allowedOptions, heldSetpoint, setpointWithUnit } from '$core/control';
	import type { Exception } from '$core/plan';
	import Button from '../kit/Button.svelte';
	import NumberField from '../kit/NumberField.svelte';
	import type { ZoneModel } from '../zone/zoneModel.svelte';

	let {
		model,
		at,
		tried = $bindable()
	}: {
		model: ZoneModel;
		/** The wall time it is tried at, YYYY-MM-DDTHH:MM. */
		at: string;
		/** What is only tried; null where nothing is. */
		tried: Exception | null;
	} = $props();

	const { zone, profile } = $derived(model);
	const options = $derived(allowedOptions(profile, zone.options));
	const habits = $derived(profile.habits);
	const isSwitch = $derived(profile.temperature === null);

	let setpointC = $state(
		untrack(
			() =>
				Math.max(...model.zone.levels.map((level) => level.setpointC)) + (model.profile.temperature ? 1 : 0)
		)
	);
	let steps = $state(1);
	const shown = $derived(
		isSwitch
			? setpointC >= 0.5
				? 'On'
				: 'Off'
			: setpointWithUnit(profile, options, heldSetpoint(profile, options, setpointC))
	);

	function bump(by: 1 | -1) {
		const range = profile.temperature;
		if (!range) {
			setpointC = by > 0 ? 1 : 0;
			return;
		}
		const next = setpointC + by * (options.unit === 'F' ? 5 / 9 : range.stepC);
		setpointC = heldSetpoint(profile, options, Math.min(Math.max(next, range.minC), range.maxC));
	}

	function attempt(kind: 'override' | 'advance' | 'hold' | 'boost' | 'manual' | 'off') {
		const common = { id: 'tried', from: at };
		tried =
			kind === 'boost'
				? { kind, ...common, steps, setpointC }
				: kind === 'advance'
					? { kind, ...common }
					: kind === 'off'
						? { kind, ...common, until: null }
						: kind === 'override'
							? { kind, ...common, setpointC }
							: { kind, ...common, until: null, setpointC };
	}

	const NAMES: Record<Exception['kind'], string> = {
		override: 'an override',
		advance: 'an advance',
		hold: 'a hold',
		boost: 'a boost',
		manual: 'manual',
		off: 'off',
		absence: 'a holiday',
		'special-day': 'a special day'
	};

	function keep() {
		if (!tried) return;
		model.change({ ...zone, exceptions: [...zone.exceptions, { ...tried, id: crypto.randomUUID() }] });
		tried = null;
	}
</script>

<section>
	<h2>Try at this moment</h2>
	{#if !isSwitch || habits.override || habits.boost}
		<div class="stepper" role="group" aria-label="Setpoint tried">
			<Button icon={Subtract} iconLabel="Lower" onclick={() => bump(-1)} />
			<span class="mono">{shown}</span>
			<Button icon={Add} iconLabel="Higher" onclick={() => bump(1)} />
		</div>
	{/if}
	<div class="tries">
		{#if habits.override}<Button onclick={() => attempt('override')}>Override</Button>{/if}
		{#if habits.advance}<Button onclick={() => attempt('advance')}>Advance</Button>{/if}
		{#if habits.boost}
			<Button onclick={() => attempt('boost')}
				>Boost{habits.boost.ends === 'after-steps'
					? `, ${steps} × ${habits.boost.stepMinutes} min`
					: ''}</Button
			>
		{/if}
		{#if habits.hold}<Button onclick={() => attempt('hold')}>Hold</Button>{/if}
		{#if habits.manual}<Button onclick={() => attempt('manual')}>Manual</Button>{/if}
		{#if habits.off}<Button onclick={() => attempt('off')}>Off</Button>{/if}
		<Button href="/sites/{model.siteId}/zones/{model.id}/away">Away</Button>
	</div>
	{#if habits.boost?.ends === 'after-steps'}
		<NumberField
			label="Boost steps"
			whole
			least={1}
			most={habits.boost.mostSteps}
			value={steps}
			onchange={(count) => (steps = count!)}
		/>
	{/if}
	{#if tried}
		<p class="tried">
			Trial: {NAMES[tried.kind]} from {'from' in tried ? tried.from.slice(11) : ''}.
			<Button small onclick={() => (tried = null)}>Discard</Button>
			<Button small onclick={keep}>Record</Button>
		</p>
	{/if}
</section>

<style>
	.stepper {
		display: flex;
		gap: 0.5rem;
		align-items: center;
		margin-bottom: 0.5rem;
		font-size: 1.3rem;
	}
	.tries {
		display: flex;
		flex-wrap: wrap;
		gap: 0.4rem;
		margin-bottom: 0.5rem;
	}
	.tried {
		margin-top: 0.6rem;
		padding-left: 0.6rem;
		border-left: 4px solid var(--held);
	}
</style>
