<script lang="ts">
	import Undo from '@lucide/svelte/icons/undo-2';
	import type { RecordSession } from '../session/record-session.svelte';

	let { session }: { session: RecordSession } = $props();
	const shown = $derived(
		session.refusal !== null || session.undoable !== null || session.storing > 0
	);
</script>

<svelte:window
	onkeydown={(event) => {
		const typing = event.target instanceof HTMLElement && event.target.closest('input, textarea');
		if (typing || event.key !== 'z' || !(event.ctrlKey || event.metaKey)) return;
		event.preventDefault();
		void session.undo();
	}}
/>

{#if shown}
	<div class="bar no-print" class:refused={session.refusal !== null}>
		{#if session.refusal}
			<p role="alert">{session.refusal}</p>
			{#if session.unsent}
				<button class="act" onclick={() => void session.tryAgain()}>Send again</button>
				<button class="act-plain" onclick={() => session.forget()}>Leave it</button>
			{/if}
		{:else}
			<p role="status">
				{session.storing > 0
					? 'Storing…'
					: `${session.undoable}: stored, revision ${session.number}`}
			</p>
		{/if}
		{#if session.undoable && !session.unsent}
			<button class="act-plain" onclick={() => void session.undo()}>
				<Undo size={18} aria-hidden="true" />Undo
			</button>
		{/if}
	</div>
{/if}

<style>
	.bar {
		position: sticky;
		bottom: 0;
		z-index: 6;
		display: flex;
		flex-wrap: wrap;
		align-items: center;
		justify-content: flex-end;
		gap: 0.4rem 1rem;
		padding: 0.3rem clamp(0.75rem, 2vw, 1.5rem);
		background: var(--sheet);
		border-bottom: 1px solid var(--line);
	}

	.refused {
		border-inline-start: 6px solid var(--off);
		justify-content: flex-start;
	}
</style>
