<script lang="ts">
	import { limitWords } from '$core/control';
	import { LEFT_WORDS, notAsked, unitOf } from '$core/plan';
	import { lockWords } from '$core/words';
	import Choice from './Choice.svelte';
	import Day from './Day.svelte';
	import Degrees from './Degrees.svelte';
	import { entries } from './entries';
	import Words from './Words.svelte';
	import type { StepProps } from './stepProps';
	import Button from '$lib/ui/kit/Button.svelte';

	let { zone, profile, onSite, set }: StepProps = $props();

	const unit = $derived(unitOf(zone, profile));
	const lock = $derived(lockWords(profile));
	const yesNo = [
		[true, 'yes'],
		[false, 'no']
	] as const;
</script>

<Choice
	label="It is left in"
	choices={entries(LEFT_WORDS)}
	value={onSite.leftIn}
	onchoose={(value) => set('leftIn', value)}
/>
<Choice
	label="A lock is wanted"
	choices={yesNo}
	value={onSite.lockWanted}
	onchoose={(value) => set('lockWanted', value ?? false)}
/>
{#if onSite.lockWanted}
	{#if lock}<p class="soft">{lock}</p>{/if}
	<Choice
		label="It is locked"
		choices={yesNo}
		value={onSite.lockSet}
		onchoose={(value) => set('lockSet', value)}
	/>
	<Words label="Lock code" most={20} value={onSite.lockCode} onchange={(value) => set('lockCode', value)} />
	<Choice
		label="The code is"
		choices={[
			[true, 'the one it came with'],
			[false, 'our own']
		] as const}
		value={onSite.lockCodeIsFactory}
		onchoose={(value) => set('lockCodeIsFactory', value)}
	/>
{/if}
{#if profile.habits.clock.summerTime === 'by-hand'}
	<Choice
		label="The customer knows to change the clock by hand"
		choices={yesNo}
		value={onSite.customerTold}
		onchoose={(value) => set('customerTold', value ?? false)}
	/>
{/if}
{#if notAsked('storeC', zone, profile) === null}
	<Degrees
		label="Cylinder temperature"
		{unit}
		value={onSite.storeC}
		onchange={(value) => set('storeC', value)}
	/>
	<p class="soft">
		Legionella can grow below {limitWords(unit, 60, 'least')}; hotter than {limitWords(unit, 50, 'most')} at a tap
		can scald. Local rules come first.
	</p>
{/if}
<Words label="Return visit for" value={onSite.promised} onchange={(value) => set('promised', value)} />
<Day label="Promised by" value={onSite.promisedBy} onchange={(value) => set('promisedBy', value)} />
{#if onSite.promised !== '' || onSite.promisedBy !== null}
	<p class="kept">
		<Button
			onclick={() => {
				set('promised', '');
				set('promisedBy', null);
			}}>The promise is kept</Button
		>
	</p>
{/if}

<style>
	.kept {
		margin-top: 0.6rem;
	}
</style>
