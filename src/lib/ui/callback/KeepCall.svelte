<script lang="ts">
	import { CAUSE_KINDS, type CauseKind, type Named } from '$core/callback';
	import { outcomeWords } from '$core/words';
	import Button from '../kit/Button.svelte';
	import Choice from '../kit/Choice.svelte';
	import DateField from '../kit/DateField.svelte';
	import Field from '../kit/Field.svelte';
	import Problem from '../kit/Problem.svelte';
	import type { CallModel } from './callModel.svelte';

	/** A call is kept with who called and what was promised, and closed with what it was. */
	let { model, likeliest, causes }: { model: CallModel; likeliest: Named; causes: readonly Named[] } =
		$props();

	const { call, kept } = $derived(model);
	let was = $state<CauseKind | ''>('');
	let note = $state('');
	const kind = $derived(was === '' ? likeliest.kind : was);

	function close() {
		// the figure of the likeliest of what it was
		const of = likeliest.kind === kind ? likeliest : causes.find((one) => one.kind === kind);
		void model.close({ kind, figure: of?.figure ?? 0, note: note.trim() });
	}
</script>

<section aria-label="The call">
	<h2>The call</h2>
	<Problem sentence={model.problem} />
	<div class="fields">
		<Field
			label="Who called"
			maxlength={80}
			value={call.caller}
			onchange={(caller) => model.put({ caller: caller.trim() })}
		/>
		<Field
			label="What was promised"
			maxlength={400}
			value={call.promised}
			onchange={(promised) => model.put({ promised: promised.trim() })}
		/>
		<DateField label="Until" value={call.promisedBy} onchange={(promisedBy) => model.put({ promisedBy })} />
	</div>
	{#if !kept}
		<Button kind="next" onclick={() => void model.keep()}>Save call</Button>
	{:else if call.outcome}
		<p role="status">
			<strong>Closed: {outcomeWords(call.outcome.kind)}.</strong>
			{call.outcome.note} It counts for what is likely from now on.
		</p>
		<Button onclick={() => void model.close(null)}>Open it again</Button>
	{:else}
		<p class="soft">
			{kept.byCustomer ? 'Said by the customer, by their link.' : 'Kept; saved as it goes.'}
		</p>
		<div class="fields">
			<Choice
				label="What it was"
				value={kind}
				options={CAUSE_KINDS.map((one) => ({ value: one, text: outcomeWords(one) }))}
				onchange={(next) => (was = next as CauseKind)}
			/>
			<Field label="How it was found, what was done" maxlength={400} bind:value={note} />
		</div>
		<Button onclick={close}>Close the call</Button>
	{/if}
</section>

<style>
	section {
		margin-top: 1.2rem;
		padding-top: 0.8rem;
		border-top: 2px solid var(--ink);
	}
	h2 {
		font-size: 1.05rem;
	}
	.fields {
		display: grid;
		grid-template-columns: repeat(auto-fit, minmax(13rem, 1fr));
		gap: 0.8rem;
		align-items: end;
		margin: 0.6rem 0 0.9rem;
	}
</style>
