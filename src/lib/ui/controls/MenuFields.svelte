<script lang="ts">
	import {
		entryName,
		MENU_CHOICES,
		MENU_MEANINGS,
		WIPES,
		type ControlProfile,
		type MenuEntry,
		type MenuMeaning,
		type Wipes
	} from '$core/control';
	import { readValues, writeValues } from '$core/formats';
	import { MEANING_WORDS, SAYS_WORDS, WIPES_WORDS } from '$core/words';
	import Button from '../kit/Button.svelte';
	import Choice from '../kit/Choice.svelte';
	import Field from '../kit/Field.svelte';
	import NumberField from '../kit/NumberField.svelte';

	/** What stands in a control's own menus: what each entry shows, what it can be set to, and what it means. */
	let { draft, onchange }: { draft: ControlProfile; onchange: (draft: ControlProfile) => void } = $props();

	const { menu } = $derived(draft);
	let problems = $state<Readonly<Record<number, string>>>({});
	const set = (next: readonly MenuEntry[]) => onchange({ ...draft, menu: [...next] });
	const put = (index: number, part: Partial<MenuEntry>) =>
		set(menu.map((entry, i) => (i === index ? { ...entry, ...part } : entry)));
	function takeValues(index: number, entry: MenuEntry, text: string) {
		const read = readValues(text, entry.values);
		problems = { ...problems, [index]: read.ok ? '' : read.sentence };
		if (!read.ok) return;
		const { value } = read;
		const low = value.kind === 'choices' ? 0 : value.kind === 'degrees' ? value.minC : value.min;
		put(index, { values: value, factory: low });
	}
	/** What the values can say for the heating, where the entry has a meaning of that kind. */
	const saysOf = (means: MenuMeaning): readonly string[] =>
		(MENU_CHOICES as Partial<Record<MenuMeaning, readonly string[]>>)[means] ?? [];
	function says(index: number, { values }: MenuEntry, is: string, at: string) {
		if (values.kind !== 'choices') return;
		const choices = values.choices.map((choice, i) => ({
			...choice,
			is: i === Number(at) ? is : choice.is === is ? '' : choice.is
		}));
		put(index, { values: { ...values, choices } });
	}
	function another() {
		const free = Array.from({ length: 40 }, (_, i) => `entry-${i + 1}`).find(
			(id) => !menu.some((entry) => entry.id === id)
		)!;
		const values = { kind: 'choices' as const, choices: ['Off', 'On'].map((shows) => ({ shows, is: '' })) };
		set([
			...menu,
			{ id: free, print: 'Entry', name: '', means: 'none', values, factory: 0, wipes: 'nothing' }
		]);
	}
	function leaveOut(index: number) {
		const { id } = menu[index]!;
		const { panel } = draft;
		// a place that held nothing else goes with it
		const places = panel?.places
			.map((place) => ({ ...place, fields: place.fields.filter((field) => field !== `menu/${id}`) }))
			.filter(({ fields }) => fields.length > 0);
		onchange({
			...draft,
			menu: menu.filter((_, i) => i !== index),
			panel: panel && { ...panel, places: places ?? [] }
		});
	}
</script>

{#each menu as entry, i (entry.id)}
	<h3 class="wide">{entry.print}: {entryName(entry)}</h3>
	<Field
		label="Entry {i + 1}, as it shows"
		value={entry.print}
		maxlength={16}
		onchange={(print) => put(i, { print })}
	/>
	<Choice
		label="What entry {i + 1} means"
		value={entry.means}
		options={MENU_MEANINGS.map((means) => ({ value: means, text: MEANING_WORDS[means] }))}
		onchange={(means) => put(i, { means: means as MenuMeaning })}
	/>
	<Field
		label="What entry {i + 1} can be set to"
		value={writeValues(entry.values)}
		problem={problems[i] || null}
		maxlength={160}
		onchange={(text) => takeValues(i, entry, text)}
	/>
	{#if entry.values.kind === 'choices'}
		{@const choices = entry.values.choices.map(({ shows }, at) => ({ value: String(at), text: shows }))}
		<Choice
			label="Entry {i + 1} as new"
			value={String(entry.factory)}
			options={choices}
			onchange={(at) => put(i, { factory: Number(at) })}
		/>
		{#each saysOf(entry.means) as is (is)}
			<Choice
				label="{SAYS_WORDS[is] ?? is} is"
				value={String(entry.values.choices.findIndex((choice) => choice.is === is))}
				options={[{ value: '-1', text: 'none of them' }, ...choices]}
				onchange={(at) => says(i, entry, is, at)}
			/>
		{/each}
	{:else}
		<NumberField
			label="Entry {i + 1} as new"
			unit={entry.values.kind === 'degrees' ? '°C' : entry.values.unit}
			value={entry.factory}
			least={entry.values.kind === 'degrees' ? entry.values.minC : entry.values.min}
			most={entry.values.kind === 'degrees' ? entry.values.maxC : entry.values.max}
			onchange={(factory) => factory !== null && put(i, { factory })}
		/>
	{/if}
	<Choice
		label="A change of entry {i + 1}"
		value={entry.wipes}
		options={WIPES.map((wipes) => ({ value: wipes, text: WIPES_WORDS[wipes] }))}
		onchange={(wipes) => put(i, { wipes: wipes as Wipes })}
	/>
	<Button small onclick={() => leaveOut(i)}>Leave out entry {i + 1}</Button>
{/each}
<div class="wide">
	<Button small disabled={menu.length >= 40} onclick={another}>Another entry of its menus</Button>
</div>

<style>
	.wide {
		flex: 1 1 100%;
	}
	h3 {
		margin-top: 0.6rem;
		font-size: 1rem;
	}
</style>
