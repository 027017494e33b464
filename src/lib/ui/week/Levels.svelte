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
	import { setbacks } from '$core/house';
	import { bindingLimits, heldInZone, unitOf, usedLevels, type Zone } from '$core/plan';
	import Button from '../kit/Button.svelte';
	import Check from '../kit/Check.svelte';
	import Field from '../kit/Field.svelte';
	import Term from '../kit/Term.svelte';

	let { zone, profile, onchange }: { zone: Zone; profile: ControlProfile; onchange: (zone: Zone) => void } =
		$props();

	let editing = $state(false);
	let problem = $state<string | null>(null);
	let writes = $state(0);

	const isSwitch = $derived(profile.temperature === null);
	const sorted = $derived([...zone.levels].sort((a, b) => b.setpointC - a.setpointC));
	function coolWords(level: Level): string {
		if (!profile.cooling) return '';
		if (level.coolC === null) return 'no cooling';
		return `cool above ${displaySetpoint(profile, zone.options, level.coolC)}`;
	}
	const used = $derived(usedLevels(zone));
	/** What asks nothing of its source. */
	const resting = $derived(setbacks(zone));

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

	function setpoint(level: Level, text: string) {
		const value = fromUnit(unit, Number(text.replace(',', '.')));
		if (text.trim() === '' || !Number.isFinite(value) || value < 0 || value > 60)
			refuse(
				`${level.name}: "${text}" is not a setpoint between ${limitWords(unit, 0, 'least')} and ${limitWords(unit, 60, 'most')}.`
			);
		else change(level.id, { setpointC: read(inUnit(unit, value)) });
	}

	function cooling(level: Level, written: string) {
		const text = written.trim().replace(',', '.');
		const value = fromUnit(unit, Number(text));
		if (text !== '' && (!Number.isFinite(value) || value < 10 || value > 60))
			refuse(
				`${level.name}: "${written}" is not a cooling setpoint between ${limitWords(unit, 10, 'least')} and ${limitWords(unit, 60, 'most')}; leave it empty for none.`
			);
		else change(level.id, { coolC: text === '' ? null : read(inUnit(unit, value)) });
	}

	function rename(level: Level, text: string) {
		const name = text.trim();
		if (name === '' || name.length > 80) refuse('A level needs a name of at most 80 characters.');
		else change(level.id, { name });
	}

	function letter(level: Level, text: string) {
		const wanted = text.trim().toUpperCase();
		if (!/^[A-Z0-9]$/.test(wanted)) refuse('A level goes by one letter, A to Z, or a figure.');
		else if (zone.levels.some((other) => other.letter === wanted && other.id !== level.id))
			refuse(`${wanted} is taken by another level.`);
		else change(level.id, { letter: wanted });
	}

	/** What was written is not taken: the fields show again what is kept. */
	function refuse(sentence: string) {
		problem = sentence;
		writes++;
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
		<div class="titled">
			<h2 id="levels-title">Levels</h2>
			<Term of="setpoint" />
		</div>
		<Button small aria-pressed={editing} onclick={() => (editing = !editing)}>
			{editing ? 'Done' : 'Change'}
		</Button>
	</div>
	<ul>
		{#each sorted as level (level.id)}
			<li>
				{#if editing}
					{#key writes}
						<span class="letter-field"
							><Field
								small
								hideLabel
								label="Letter of {level.name}"
								maxlength={1}
								value={level.letter}
								onchange={(text) => letter(level, text)}
							/></span
						>
						<span class="words">
							<Field
								small
								hideLabel
								label="Name of {level.name}"
								maxlength={80}
								value={level.name}
								onchange={(text) => rename(level, text)}
							/>
							{#if profile.cooling}
								<Field
									small
									label="cool above, °{unit}"
									aria-label="Cooling setpoint of {level.name} in °{unit}"
									inputmode="decimal"
									value={level.coolC === null ? '' : field(level.coolC)}
									onchange={(text) => cooling(level, text)}
								/>
							{/if}
							{#if !used.has(level.id) && zone.levels.length > 1 && !isSwitch}
								<Button
									small
									onclick={() =>
										onchange({ ...zone, levels: zone.levels.filter((other) => other.id !== level.id) })}
									>Remove</Button
								>
							{/if}
						</span>
						{#if !isSwitch}
							<span class="figure-field"
								><Field
									small
									hideLabel
									label="Setpoint of {level.name} in °{unit}"
									inputmode="decimal"
									value={field(level.setpointC)}
									onchange={(text) => setpoint(level, text)}
								/></span
							>
						{/if}
					{/key}
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
						{#if !isSwitch && zone.fedBy !== null}
							<Check
								label="asks for warmth"
								checked={!resting.has(level.id)}
								onchange={(asks) => {
									// told of what it shows anyway, nothing is changed
									if (asks === resting.has(level.id)) change(level.id, { asks });
								}}
							/>
						{/if}
					</span>
					{#if !isSwitch}
						<span class="figure mono"
							>{displaySetpoint(profile, zone.options, level.setpointC)}&nbsp;°{unit}</span
						>
					{/if}
				{/if}
			</li>
		{/each}
	</ul>
	{#if problem}<p class="signal" role="alert">{problem}</p>{/if}
	{#if editing && !isSwitch && zone.levels.length < 12}
		<Button onclick={add}>Add a level</Button>
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
		font-size: var(--small);
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
		font-size: var(--small);
	}
	.figure {
		font-size: 1.15rem;
		font-weight: 700;
	}
	.letter-field :global(input) {
		padding: 0;
		text-align: center;
	}
	.figure-field {
		width: 4.4rem;
	}
	.figure-field :global(input) {
		text-align: right;
	}
</style>
