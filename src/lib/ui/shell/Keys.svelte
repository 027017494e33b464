<script lang="ts">
	import { TERMS } from '$core/words';
	import Dialog from '../kit/Dialog.svelte';
	import Views from '../kit/Views.svelte';

	let { open = $bindable() }: { open: boolean } = $props();

	const PARTS = {
		keys: [
			[
				'Everywhere',
				[
					['Ctrl K', 'find a site, a zone or a view, or do something'],
					['[ ]', 'the zone before, the zone after; on a site’s own views the site'],
					['?', 'this help'],
					['Ctrl Z, Ctrl Shift Z', 'undo and redo, in every view of a zone']
				]
			],
			[
				'Week',
				[
					['Tab', 'to the chosen change, and on to the days'],
					['Page Up, Page Down', 'the change before, the change after'],
					['← →', 'move the change by one step of the control (Shift: one hour)'],
					['↑ ↓', 'warmer or cooler from that change on'],
					['a letter', 'set the level with that letter'],
					['Enter', 'add a change in the middle of this stretch'],
					['Delete', 'clear the change'],
					['↑ ↓ Home End', 'on a day’s name: another day'],
					['Insert', 'on a day’s name: add a change at noon']
				]
			],
			[
				'Key in',
				[
					['Enter, Space or →', 'the display shows it: next value'],
					['← or Backspace', 'back one value']
				]
			],
			[
				'Overview',
				[
					['Enter on the grip', 'take a zone; the arrows move it, Enter drops it'],
					['Alt ↑, Alt ↓', 'on a zone’s name: move it up or down']
				]
			]
		],
		hand: [
			[
				'Week',
				[
					['Press a step’s edge', 'select the step; its time and level stand beside the week'],
					['Drag a step’s edge', 'change its time; the time stands above your finger'],
					['Drag a level stretch', 'up warmer, down cooler'],
					['Double-click or double-tap', 'add a change there'],
					['Press a mark of the legend', 'show or hide it']
				]
			],
			['Overview', [['Drag the grip', 'move a zone to another place']]],
			['Dates, Now', [['Press or drag in a strip', 'that moment is explained']]],
			['Jobs', [['Drop a job file on the page', 'bring a site in']]],
			[
				'A call',
				[
					[
						'In their own words',
						'times, days, cold and hot are understood; what was understood can be taken back'
					],
					['Ask now', 'read it out, tap what they answer'],
					['A logger’s file', 'held against the planned week by itself'],
					['Close the call', 'say what it was: it counts for the next one']
				]
			]
		]
	} as const;

	let part = $state<'keys' | 'hand' | 'terms'>('keys');
</script>

<Dialog heading="Help" large bind:open>
	<Views
		label="Help on"
		views={[
			['keys', 'Keys'],
			['hand', 'Mouse and touch'],
			['terms', 'Terms']
		]}
		value={part}
		onchange={(next) => (part = next)}
	/>
	{#if part === 'terms'}
		<dl>
			{#each Object.entries(TERMS) as [term, meaning] (term)}
				<dt><strong>{term}</strong></dt>
				<dd>{meaning}</dd>
			{/each}
		</dl>
	{:else}
		{#each PARTS[part] as [name, lines] (name)}
			<h3>{name}</h3>
			<dl>
				{#each lines as [key, what] (key)}
					<dt class:mono={part === 'keys'}>{key}</dt>
					<dd>{what}</dd>
				{/each}
			</dl>
		{/each}
	{/if}
</Dialog>

<style>
	h3 {
		margin-top: 1rem;
		color: var(--soft);
		font-size: 1rem;
	}
	dl {
		display: grid;
		grid-template-columns: 14rem 1fr;
		gap: 0.3rem 1rem;
		margin: 0.5rem 0;
	}
	dd {
		margin: 0;
	}
	@media (max-width: 600px) {
		dl {
			grid-template-columns: 1fr;
		}
		dd {
			margin-bottom: 0.5rem;
			color: var(--soft);
		}
	}
</style>
