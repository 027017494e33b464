<script lang="ts">
	import {
		differenceWords,
		displaySetpoint,
		fromUnit,
		heldSetpoint,
		inUnit,
		keptSetpoint,
		limitWords,
		onUnitScale,
		roundFigure,
		type ControlProfile,
		type Level
	} from '$core/control';
	import { bindingLimits, heldInZone, unitOf, usedLevels, type Zone } from '$core/plan';

	let { zone, profile, onchange }: { zone: Zone; profile: ControlProfile; onchange: (zone: Zone) => void } =
		$props();

	let editing = $state(false);
	let problem = $state<string | null>(null);

	const isSwitch = $derived(profile.temperature === null);
	const sorted = $derived([...zone.levels].sort((a, b) => b.setpointC - a.setpointC));
	function coolWords(level: Level): string {
		if (!profile.cooling) return '';
		if (level.coolC === null) return 'no cooling';
		return `cool above ${displaySetpoint(profile, zone.options, level.coolC)}`;
	}
	const used = $derived(usedLevels(zone));

	const unit = $derived(unitOf(zone, profile));
	/** What the control takes instead of a level, and why; null where it takes it as it is. */
	function taken(level: Level): string | null {
		const free = heldSetpoint(profile, zone.options, level.setpointC);
		const held = heldInZone(zone, profile, level.setpointC);
		if (Math.abs(held - level.setpointC) < 0.05) return null;
		const shown = displaySetpoint(profile, zone.options, held);
		return held !== free && bindingLimits(zone, profile)
			? `its limit holds it at ${shown}`
			: `the control takes ${shown}`;
	}
	/** How far a setback lies under comfort, where nothing else was noted of it. */
	function depth(level: Level): string {
		const comfort = sorted[0]!;
		return isSwitch || level === comfort || level.setpointC <= 12
			? ''
			: `${differenceWords(unit, comfort.setpointC - level.setpointC, unit === 'F' ? 0 : 1)} under ${comfort.name}`;
	}
	/** A setpoint as it stands in a field, and one read from it: in the zone's unit, on its scale. */
	const field = (c: number) =>
		unit === 'F' ? String(Math.round(inUnit(unit, c))) : roundFigure(c).toFixed(1);
	const read = (figure: number) => keptSetpoint(onUnitScale(unit, fromUnit(unit, figure)));

	function change(id: string, patch: Partial<Level>) {
		problem = null;
		onchange({
			...zone,
			levels: zone.levels.map((level) => (level.id === id ? { ...level, ...patch } : level))
		});
	}

	function setpoint(level: Level, input: HTMLInputElement) {
		const value = fromUnit(unit, Number(input.value.replace(',', '.')));
		if (input.value.trim() === '' || !Number.isFinite(value) || value < 0 || value > 60) {
			problem = `${level.name}: "${input.value}" is no setpoint between ${limitWords(unit, 0, 'least')} and ${limitWords(unit, 60, 'most')}.`;
			input.value = field(level.setpointC);
			return;
		}
		change(level.id, { setpointC: read(inUnit(unit, value)) });
	}

	function cooling(level: Level, input: HTMLInputElement) {
		const text = input.value.trim().replace(',', '.');
		const value = fromUnit(unit, Number(text));
		if (text !== '' && (!Number.isFinite(value) || value < 10 || value > 60)) {
			problem = `${level.name}: "${input.value}" is no cooling setpoint between ${limitWords(unit, 10, 'least')} and ${limitWords(unit, 60, 'most')}; leave it empty for none.`;
			input.value = level.coolC === null ? '' : field(level.coolC);
		} else change(level.id, { coolC: text === '' ? null : read(inUnit(unit, value)) });
	}

	function rename(level: Level, field: HTMLInputElement) {
		const name = field.value.trim();
		if (name === '' || name.length > 80) {
			problem = 'A level needs a name of at most 80 characters.';
			field.value = level.name;
		} else change(level.id, { name });
	}

	function letter(level: Level, field: HTMLInputElement) {
		const wanted = field.value.trim().toUpperCase();
		if (!/^[A-Z]$/.test(wanted)) problem = 'A level goes by one letter, A to Z.';
		else if (zone.levels.some((other) => other.letter === wanted && other.id !== level.id))
			problem = `${wanted} is taken by another level.`;
		else {
			change(level.id, { letter: wanted });
			return;
		}
		field.value = level.letter;
	}

	function add() {
		const letters = 'ABCDEFGHIJKLMNOPQRSTUVWXYZ'.split('');
		const free = letters.find((candidate) => !zone.levels.some((level) => level.letter === candidate))!;
		let n = zone.levels.length + 1;
		while (zone.levels.some((level) => level.id === `level-${n}`)) n++;
		onchange({
			...zone,
			levels: [
				...zone.levels,
				{
					id: `level-${n}`,
					letter: free,
					name: 'New level',
					note: '',
					setpointC: onUnitScale(unit, 18),
					coolC: profile.cooling ? onUnitScale(unit, 26) : null
				}
			]
		});
		editing = true;
	}
</script>

<section aria-labelledby="levels-title">
	<div class="head">
		<h2 id="levels-title">Levels of this zone</h2>
		<button class="quiet small" aria-pressed={editing} onclick={() => (editing = !editing)}>
			{editing ? 'Done' : 'Change'}
		</button>
	</div>
	<ul>
		{#each sorted as level (level.id)}
			<li>
				{#if editing}
					<input
						class="letter mono"
						aria-label="Letter of {level.name}"
						maxlength="1"
						value={level.letter}
						onchange={(event) => letter(level, event.currentTarget)}
					/>
					<span class="words">
						<input
							aria-label="Name of {level.name}"
							maxlength="80"
							value={level.name}
							onchange={(event) => rename(level, event.currentTarget)}
						/>
						{#if profile.cooling}
							<label class="cool soft"
								>cool above
								<input
									class="figure mono"
									inputmode="decimal"
									aria-label="Cooling setpoint of {level.name} in °{unit}"
									value={level.coolC === null ? '' : field(level.coolC)}
									onchange={(event) => cooling(level, event.currentTarget)}
								/></label
							>
						{/if}
						{#if !used.has(level.id) && zone.levels.length > 1 && !isSwitch}
							<button
								class="quiet small"
								onclick={() =>
									onchange({ ...zone, levels: zone.levels.filter((other) => other.id !== level.id) })}
								>Remove</button
							>
						{/if}
					</span>
					{#if !isSwitch}
						<input
							class="figure mono"
							inputmode="decimal"
							aria-label="Setpoint of {level.name} in °{unit}"
							value={field(level.setpointC)}
							onchange={(event) => setpoint(level, event.currentTarget)}
						/>
					{/if}
				{:else}
					<span class="letter mono">{level.letter}</span>
					<span class="words">
						<span class="level-name">{level.name}</span>
						<span class="soft note">
							{taken(level) ??
								[coolWords(level), level.note || (used.has(level.id) ? depth(level) : 'not in this week')]
									.filter(Boolean)
									.join('; ')}
						</span>
					</span>
					{#if !isSwitch}
						<span class="figure mono">{displaySetpoint(profile, zone.options, level.setpointC)}°{unit}</span>
					{/if}
				{/if}
			</li>
		{/each}
	</ul>
	{#if problem}<p class="signal" role="alert">{problem}</p>{/if}
	{#if editing && !isSwitch && zone.levels.length < 12}
		<button class="quiet" onclick={add}>Add a level</button>
	{/if}
</section>

<style>
	.head {
		display: flex;
		justify-content: space-between;
		align-items: center;
		gap: 0.5rem;
	}
	ul {
		margin: 0 0 0.5rem;
		padding: 0;
		list-style: none;
	}
	li {
		display: grid;
		grid-template-columns: 1.9rem 1fr auto;
		gap: 0.75rem;
		align-items: center;
		padding: 0.45rem 0;
		border-bottom: 1px solid var(--rule);
	}
	.letter {
		width: 1.75rem;
		height: 1.75rem;
		border: 1.6px solid var(--ink);
		border-radius: 3px;
		display: grid;
		place-items: center;
		font-weight: 700;
		text-align: center;
		font-size: 0.95rem;
	}
	.words {
		min-width: 0;
		overflow-wrap: anywhere;
	}
	.level-name {
		display: block;
		line-height: 1.15;
	}
	.note {
		font-size: 0.82rem;
	}
	.figure {
		font-size: 1.15rem;
		font-weight: 700;
	}
	input {
		min-height: 36px;
		width: 100%;
	}
	input.letter {
		padding: 0;
		min-height: 0;
	}
	input.figure {
		width: 4.4rem;
		text-align: right;
	}
	.cool {
		display: flex;
		gap: 0.4rem;
		align-items: center;
		margin-top: 0.25rem;
		font-size: 0.85rem;
	}
	.small {
		min-height: 32px;
		padding: 0 0.5rem;
		font-size: 0.875rem;
	}
</style>
