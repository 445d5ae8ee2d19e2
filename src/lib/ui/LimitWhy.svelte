<script lang="ts">
	import { inSentence } from '$core/units';
	import { placeWords, QUANTITY_FACTS } from '$core/visit';
	import type { LimitVerdict } from '$core/assessment';
	import ReadingHistory from './ReadingHistory.svelte';
	import VerdictMark from './VerdictMark.svelte';
	import type { VisitSession } from '../session/visit-session.svelte';
	import { readingFigure } from '../text/reading-figure';

	let { limit, session }: { limit: LimitVerdict; session: VisitSession } = $props();

	const facts = $derived(QUANTITY_FACTS[limit.reading.quantity]);
</script>

<section class="panel" aria-label="Why">
	<h2>
		Why: <span class="figure">{placeWords(session.document.record, limit.reading.place)}</span>
		{inSentence(facts.words)}
		<VerdictMark verdict={limit.verdict} />
	</h2>
	<p>
		<span class="figure">{readingFigure(limit.reading)}</span> read: {limit.words}
	</p>
	<dl>
		{#if limit.limit}
			<dt>Limit</dt>
			<dd>{limit.limit}</dd>
		{/if}
		<dt>Source</dt>
		<dd>{limit.source}</dd>
	</dl>
	<ReadingHistory {session} placeKey={limit.key} unit={facts.unit} />
</section>

<style>
	section {
		padding: 0.8rem 1rem;
		display: grid;
		gap: 0.5rem;
		font-size: 0.95rem;
		line-height: 1.4;
	}

	h2 {
		display: flex;
		flex-wrap: wrap;
		gap: 0.2rem 0.6rem;
		align-items: baseline;
		font-size: 1.05rem;
	}

	dl {
		display: grid;
		grid-template-columns: auto 1fr;
		gap: 0.2rem 1rem;
	}

	dt {
		font-weight: 600;
	}
</style>
