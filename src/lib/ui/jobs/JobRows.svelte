<script lang="ts">
	import { OverflowMenu, OverflowMenuItem } from 'carbon-components-svelte';
	import { dayWords, nextAt, standingAt, type ListedJob } from './listed';

	let {
		jobs,
		today,
		onduplicate,
		ondelete
	}: {
		jobs: readonly ListedJob[];
		today: string;
		onduplicate: (job: ListedJob) => void;
		ondelete: (job: ListedJob) => void;
	} = $props();

	const misfit = (job: ListedJob) =>
		job.zonesMisfit === 0
			? ''
			: job.zonesMisfit === 1
				? '1 week does not fit'
				: `${job.zonesMisfit} weeks do not fit`;
</script>

<ul>
	{#each jobs as job (job.id)}
		{@const due = nextAt(job, today)}
		<li>
			<a href="/sites/{job.id}">
				<span class="name">{job.name}</span>
				<span class="soft">{job.place}</span>
			</a>
			<span class:pressing={due?.pressing}>
				{#if due}<span class="when"
						>{due.pressing && due.since
							? `Since ${dayWords(due.on)}`
							: due.on === today
								? 'Today'
								: dayWords(due.on)}</span
					>{due.what}{:else}<span class="soft">Nothing due</span>{/if}
			</span>
			<span>
				<span class:todo={job.valuesLeft > 0}>{standingAt(job)}</span>
				<span class="soft misfit">{misfit(job)}</span>
			</span>
			<OverflowMenu flipped aria-label="More for {job.name}" iconDescription="More for {job.name}">
				<OverflowMenuItem text="Duplicate" on:click={() => onduplicate(job)} />
				<OverflowMenuItem text="Export job file" href="/api/v1/jobs/{job.id}" />
				<OverflowMenuItem danger text="Delete" on:click={() => ondelete(job)} />
			</OverflowMenu>
		</li>
	{/each}
</ul>

<style>
	li {
		display: grid;
		grid-template-columns: minmax(13rem, 1.3fr) minmax(14rem, 2fr) minmax(11rem, 1fr) 44px;
		gap: 1rem;
		align-items: center;
		border-bottom: 1px solid var(--rule);
	}
	li:hover {
		background: var(--faint);
	}
	a {
		display: block;
		min-width: 0;
		padding: 0.7rem 0.5rem;
		overflow-wrap: anywhere;
		text-decoration: none;
	}
	.name,
	.misfit {
		display: block;
	}
	.name {
		font-size: 1.08rem;
		font-weight: 700;
	}
	.todo {
		font-weight: 700;
	}
	.when {
		display: inline-block;
		min-width: 7.6rem;
		margin-right: 0.6rem;
		font-weight: 700;
	}
	.pressing .when {
		color: var(--signal);
	}
	@media (max-width: 800px) {
		li {
			grid-template-columns: minmax(0, 1fr) 44px;
			gap: 0;
			padding-bottom: 0.5rem;
		}
		li > span {
			grid-column: 1;
			padding-left: 0.5rem;
		}
		li :global(.bx--overflow-menu) {
			grid-row: 1;
			grid-column: 2;
		}
		.when {
			display: block;
		}
	}
</style>
