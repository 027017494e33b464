<script lang="ts">
	import {
		fromUnit,
		inUnit,
		keptSetpoint,
		limitWords,
		roundFigure,
		type ControlProfile,
		type TemperatureUnit
	} from '$core/control';
	import type { Settings } from '$core/plan';

	let {
		settings,
		profile,
		unit,
		onchange
	}: {
		settings: Settings;
		profile: ControlProfile;
		/** The unit of the zone's control: limits are read and set in it. */
		unit: TemperatureUnit;
		onchange: (settings: Settings) => void;
	} = $props();

	const habits = $derived(profile.habits);
	const early = $derived(profile.startsEarly && profile.temperature !== null);
	const any = $derived(habits.limits !== null || habits.fan !== null || profile.cooling !== null || early);
	let problem = $state<string | null>(null);

	/** A limit in °C or minutes, or none where the field is left empty. */
	function figure(
		field: HTMLInputElement,
		key: 'highLimitC' | 'lowLimitC' | 'earlyStartMinutes',
		least: number,
		most: number
	) {
		const text = field.value.trim().replace(',', '.');
		const minutes = key === 'earlyStartMinutes';
		const figured = Number(text);
		const value = text === '' ? null : minutes ? figured : keptSetpoint(fromUnit(unit, figured));
		const other =
			key === 'highLimitC' ? settings.lowLimitC : key === 'lowLimitC' ? settings.highLimitC : null;
		if (value !== null && (!Number.isFinite(value) || value < least || value > most))
			problem = `"${field.value}" is no figure from ${minutes ? `${least} to ${most} min` : `${limitWords(unit, least, 'least')} to ${limitWords(unit, most, 'most')}`}; leave it empty for none.`;
		else if (value !== null && other !== null && (key === 'highLimitC' ? value <= other : value >= other))
			problem = 'The high limit must lie above the low one.';
		else {
			problem = null;
			onchange({
				...settings,
				[key]: key === 'earlyStartMinutes' && value !== null ? Math.round(value) : value
			});
			return;
		}
		field.value = shown(key);
	}
	/** A setting as it stands in its field. */
	function shown(key: 'highLimitC' | 'lowLimitC' | 'earlyStartMinutes'): string {
		const value = settings[key];
		if (value === null) return '';
		return String(key === 'earlyStartMinutes' ? value : roundFigure(inUnit(unit, value)));
	}
</script>

{#if any}
	<section aria-label="Set at the control">
		<h2>Set at the control</h2>
		{#if habits.limits}
			<label
				><span class="soft">High limit, °{unit}</span>
				<input
					class="mono"
					inputmode="decimal"
					value={shown('highLimitC')}
					placeholder="none"
					onchange={(event) => figure(event.currentTarget, 'highLimitC', 5, 60)}
				/></label
			>
			<label
				><span class="soft">Low limit, °{unit}</span>
				<input
					class="mono"
					inputmode="decimal"
					value={shown('lowLimitC')}
					placeholder="none"
					onchange={(event) => figure(event.currentTarget, 'lowLimitC', 0, 40)}
				/></label
			>
		{/if}
		{#if early}
			<label
				><span class="soft">Starts early by, min</span>
				<input
					class="mono"
					inputmode="numeric"
					value={settings.earlyStartMinutes ?? ''}
					placeholder={String(Math.round(habits.earlyStartMostMinutes / 2))}
					onchange={(event) =>
						figure(event.currentTarget, 'earlyStartMinutes', 0, habits.earlyStartMostMinutes)}
				/></label
			>
		{/if}
		{#if habits.fan}
			<label
				><span class="soft">Fan</span>
				<select
					value={settings.fan}
					onchange={(event) => onchange({ ...settings, fan: event.currentTarget.value as Settings['fan'] })}
				>
					{#each habits.fan as mode (mode)}<option value={mode}>{mode}</option>{/each}
				</select></label
			>
		{/if}
		{#if profile.cooling}
			<label
				><span class="soft">It may</span>
				<select
					value={settings.changeover}
					onchange={(event) =>
						onchange({ ...settings, changeover: event.currentTarget.value as Settings['changeover'] })}
				>
					<option value="automatic">heat and cool</option>
					<option value="heat-only">heat only</option>
					<option value="cool-only">cool only</option>
				</select></label
			>
		{/if}
		{#if problem}<p class="signal" role="alert">{problem}</p>{/if}
	</section>
{/if}

<style>
	input {
		width: 5rem;
		text-align: right;
	}
</style>
