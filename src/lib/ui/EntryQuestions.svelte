<script lang="ts">
	import { placeWords } from '$core/visit';
	import type { VisitSession } from '../session/visit-session.svelte';

	interface Props {
		session: VisitSession;
		onconfirm: () => void;
		ondismiss: () => void;
	}
	let { session, onconfirm, ondismiss }: Props = $props();
</script>

<!-- What has to be answered before a reading is stored, and what the server did not take. -->
{#if session.question}
	<div class="question" role="alertdialog" aria-label="Before it is stored">
		<p>{session.question.words}</p>
		<div>
			<button type="button" class="act" onclick={ondismiss}>
				{session.question.kind === 'overtaken' ? 'Keep theirs' : 'Change it'}
			</button>
			<button type="button" class="act-plain" onclick={onconfirm}>Store it</button>
		</div>
	</div>
{/if}

{#each session.unsent as item (item.reading.id)}
	<div class="question" role="alert">
		<p>
			Not stored: <strong
				>{placeWords(session.document.record, item.reading.place)} {item.reading.typed}</strong
			>. {item.words}
		</p>
		<div>
			{#if item.again}
				<button type="button" class="act" onclick={() => session.sendAgain(item)}>Send again</button
				>
			{/if}
			<button type="button" class="act-plain" onclick={() => session.forget(item)}>Drop it</button>
		</div>
	</div>
{/each}

<style>
	.question {
		border: 2px solid var(--look);
		padding: 0.7rem;
		display: grid;
		gap: 0.6rem;
	}

	.question div {
		display: flex;
		gap: 0.6rem;
	}
</style>
