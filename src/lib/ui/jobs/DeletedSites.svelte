<script lang="ts">
	import Button from '../kit/Button.svelte';
	import { dayWords } from './listed';

	let {
		sites,
		busy,
		onrestore
	}: {
		sites: readonly {
			readonly id: string;
			readonly name: string;
			readonly deletedAt: string | null;
			readonly updatedAt: string;
		}[];
		busy: boolean;
		onrestore: (id: string) => void;
	} = $props();
</script>

<ul>
	{#each sites as job (job.id)}
		<li>
			<span>{job.name}</span>
			<span class="soft">deleted {dayWords(job.deletedAt ?? job.updatedAt)}, kept for 30 days</span>
			<Button disabled={busy} onclick={() => onrestore(job.id)}>Put {job.name} back</Button>
		</li>
	{/each}
</ul>

<style>
	li {
		display: flex;
		flex-wrap: wrap;
		gap: 0.5rem 1rem;
		align-items: center;
		padding: 0.4rem 0.5rem;
		border-bottom: 1px solid var(--rule);
	}
</style>
