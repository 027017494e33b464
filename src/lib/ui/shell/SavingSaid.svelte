<script lang="ts">
	import { saving } from '../saving.svelte';

	const words = $derived.by(() => {
		const now = saving.now;
		switch (now.kind) {
			case 'quiet':
				return '';
			case 'saving':
				return 'Saving …';
			case 'saved':
				return `Saved ${new Date(now.at).toLocaleTimeString('en-GB', { hour: '2-digit', minute: '2-digit' })}`;
			case 'waiting':
			case 'refused':
				return now.sentence;
		}
	});
	const bad = $derived(saving.now.kind === 'waiting' || saving.now.kind === 'refused');
</script>

<p role="status" class:signal={bad} class:empty={words === ''} class:short={!bad}>{words}</p>

<style>
	p {
		flex: 0 1 auto;
		min-width: 0;
		max-width: 50%;
		padding: 0 0.5rem;
		color: var(--soft);
		font-size: var(--small);
	}
	p.short {
		flex: none;
		white-space: nowrap;
	}
	p.empty {
		padding: 0;
	}
	p.signal {
		color: var(--signal);
	}
</style>
