<script lang="ts">
	import { placeWords, QUANTITY_FACTS } from '$core/visit';
	import type { CarriedOver } from '$core/diagnosis';
	import { inSentence } from '$core/units';
	import { loadAnew } from '../session/load-anew';
	import { sendJson } from '../session/send-json';
	import type { VisitSession } from '../session/visit-session.svelte';
	import { VERDICT_LABELS } from '../text/format';

	interface Props {
		session: VisitSession;
		/** Number of the newest revision of the site's record. */
		newest: number;
	}
	let { session, newest }: Props = $props();

	type Shown = CarriedOver & {
		readonly revision: { readonly id: string; readonly number: number };
	};
	let shown = $state.raw<Shown | null>(null);
	let problem = $state('');
	let busy = $state(false);
	const visit = $derived(session.document.visit.id);
	const words = (verdict: keyof typeof VERDICT_LABELS | null) =>
		verdict === null ? 'Not assessed' : VERDICT_LABELS[verdict];

	async function look(): Promise<void> {
		busy = true;
		problem = '';
		try {
			const answer = await fetch(`/visits/${visit}/record`);
			if (answer.ok) shown = (await answer.json()) as Shown;
			else problem = 'The changes could not be loaded. Try again.';
		} catch {
			problem = 'The server did not answer. Try again.';
		}
		busy = false;
	}

	async function carryOver(): Promise<void> {
		busy = true;
		const answer = await sendJson(`/visits/${visit}/record`, { revision: shown!.revision.id });
		problem = answer.ok ? '' : answer.words;
		if (answer.ok) {
			shown = null;
			await loadAnew();
		}
		busy = false;
	}
</script>

<section
	class="notice"
	data-kind="error"
	aria-label="The array record has changed"
	data-record-changed
>
	<p>
		<strong>The array record has changed</strong> since this visit began: revision
		{session.document.revision.number}, now {newest}. Readings are still compared with revision
		{session.document.revision.number}.
	</p>
	{#if shown}
		<h2>Changes of the record</h2>
		<ul>
			{#each shown.record as change (change)}<li>{change}</li>{/each}
		</ul>
		{#if shown.obstacles.length > 0}
			<p>The visit stays with its record: {shown.obstacles.join(' ')}</p>
		{:else}
			<h2>Judged differently</h2>
			<ul>
				{#each shown.verdicts as one (`${placeWords(session.document.record, one.place)} ${one.quantity}`)}
					<li>
						{placeWords(session.document.record, one.place)}, {inSentence(
							QUANTITY_FACTS[one.quantity].words
						)}: {words(one.before)} → {words(one.after)}
					</li>
				{:else}
					<li>No reading.</li>
				{/each}
				{#if shown.firstCause.before !== shown.firstCause.after}
					<li>
						Most probable cause: {shown.firstCause.before ?? 'none'} → {shown.firstCause.after ??
							'none'}
					</li>
				{/if}
			</ul>
		{/if}
	{/if}
	{#if problem}<p class="error" role="alert">{problem}</p>{/if}
	<div class="acts">
		{#if !shown}
			<button type="button" class="act-plain" disabled={busy} onclick={look}>Show changes</button>
		{:else}
			{#if shown.obstacles.length === 0}
				<button type="button" class="act" disabled={busy} onclick={carryOver}
					>Carry this visit over</button
				>
			{/if}
			<button type="button" class="act-plain" onclick={() => (shown = null)}>Close</button>
		{/if}
	</div>
</section>

<style>
	section {
		margin: 0.8rem 1.5rem 0;
		display: grid;
		gap: 0.5rem;
	}

	h2 {
		font-size: 1rem;
	}

	ul {
		padding-inline-start: 1.2rem;
		list-style: disc;
	}

	.acts {
		display: flex;
		flex-wrap: wrap;
		gap: 0.6rem;
	}

	@media (max-width: 900px) {
		section {
			margin-inline: 0.75rem;
		}
	}

	@media print {
		section {
			display: none;
		}
	}
</style>
