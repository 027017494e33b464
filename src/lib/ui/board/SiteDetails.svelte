<script lang="ts">
	import { timeZones } from '$core/civil';
	import type { Occupant } from '$core/plan';
	import { call } from '../call';
	import Button from '../kit/Button.svelte';
	import Choice from '../kit/Choice.svelte';
	import Dialog from '../kit/Dialog.svelte';
	import type { DateOrder, HourClock } from '../kit/entry';
	import Field from '../kit/Field.svelte';
	import Pick from '../kit/Pick.svelte';
	import Problem from '../kit/Problem.svelte';
	import LivesHere from '../site/LivesHere.svelte';
	import { refresh } from '../refresh';

	interface Site {
		readonly id: string;
		readonly revision: number;
		readonly name: string;
		readonly place: string;
		readonly note: string;
		readonly timeZone: string;
		readonly dates: DateOrder;
		readonly clock: HourClock;
		readonly occupants: Occupant[];
	}

	let { site, onclose }: { site: Site; onclose: () => void } = $props();

	// what was opened: a site changed in another window meanwhile is not overwritten
	// svelte-ignore state_referenced_locally
	let draft = $state({ ...site });
	let problem = $state<string | null>(null);
	let busy = $state(false);

	async function save(event: SubmitEvent) {
		event.preventDefault();
		busy = true;
		const { revision, name, place, note, timeZone, dates, clock, occupants } = draft;
		const answer = await call('PATCH', `/api/v1/jobs/${site.id}`, {
			revision,
			name,
			place,
			note,
			timeZone,
			dates,
			clock,
			occupants
		});
		busy = false;
		problem = answer.ok ? null : answer.sentence;
		await refresh('fq:site');
		if (answer.ok) onclose();
	}
</script>

<Dialog heading="Name, place, who lives here" open {onclose}>
	<form onsubmit={save}>
		<Field label="Name" maxlength={80} required bind:value={draft.name} />
		<Field label="Place" maxlength={120} bind:value={draft.place} />
		<LivesHere bind:value={draft.occupants} />
		<Field label="Telephone, access, notes" maxlength={400} bind:value={draft.note} />
		<Pick
			label="Time zone"
			value={draft.timeZone}
			options={timeZones().map((zone) => ({ value: zone, text: zone.replaceAll('_', ' ') }))}
			onchange={(timeZone) => (draft.timeZone = timeZone)}
		/>
		<Choice
			label="Dates are written"
			value={draft.dates}
			options={[
				{ value: 'dmy', text: 'day first: 31.01.2027' },
				{ value: 'mdy', text: 'month first: 01/31/2027' },
				{ value: 'ymd', text: 'year first: 2027-01-31' }
			]}
			onchange={(dates) => (draft.dates = dates)}
		/>
		<Choice
			label="Times are written"
			value={draft.clock}
			options={[
				{ value: '24', text: '18:30' },
				{ value: '12', text: '6:30 pm' }
			]}
			onchange={(clock) => (draft.clock = clock)}
		/>
		<Problem sentence={problem} onclose={() => (problem = null)} />
		<div class="acts">
			<Button kind="next" type="submit" disabled={busy}>Save</Button>
			<Button kind="quiet" onclick={onclose}>Leave as it was</Button>
		</div>
	</form>
</Dialog>

<style>
	form {
		display: grid;
		gap: 0.9rem;
	}
	.acts {
		display: flex;
		gap: 0.75rem;
	}
</style>
