<script lang="ts">
	import { isRead, verdictAt } from '$core/assessment';
	import Undo2 from '@lucide/svelte/icons/undo-2';
	import { keyOf, placeWords, QUANTITY_FACTS } from '$core/visit';
	import VerdictMark from './VerdictMark.svelte';
	import type { VisitSession } from '../session/visit-session.svelte';
	import { readingFigure } from '../text/reading-figure';

	interface Props {
		session: VisitSession;
		/** Whether the list of keys is open. */
		shortcuts: boolean;
		onundo: () => void;
	}
	let { session, shortcuts = $bindable(), onundo }: Props = $props();

	const SHOWN = 3;
	const recent = $derived(session.recent(SHOWN));
</script>

<div class="recent">
	<h2>Last readings</h2>
	{#if recent.length === 0}<p class="soft">None yet. Type the figure, then Enter.</p>{/if}
	<ul>
		{#each recent as reading (reading.id)}
			{@const place = session.places.get(keyOf(reading))}
			<li data-stored={!session.storing.has(reading.id)}>
				<span class="figure what"
					>{placeWords(session.document.record, reading.place)}
					{QUANTITY_FACTS[reading.quantity].symbol}</span
				>
				<span class="figure">{readingFigure(reading)}</span>
				{#if place && isRead(place)}<VerdictMark verdict={verdictAt(place)} />{/if}
				{#if session.storing.has(reading.id)}<span class="soft">storing</span>{/if}
				{#if place?.state === 'judged' && place.counted && place.verdict !== 'pass'}<span
						class="said">{place.counted.words}</span
					>{/if}
			</li>
		{/each}
	</ul>
	<div class="foot">
		<button type="button" class="act-plain" onclick={onundo} disabled={recent.length === 0}>
			<Undo2 size={18} aria-hidden="true" />Undo
		</button>
		<button
			type="button"
			class="act-plain keys"
			aria-expanded={shortcuts}
			onclick={() => (shortcuts = !shortcuts)}>Keys</button
		>
		<label class="by"
			>by <input bind:value={session.by} maxlength="80" aria-label="Who measures" /></label
		>
	</div>
	{#if shortcuts}
		<dl>
			<dt>Enter</dt>
			<dd>store, next place</dd>
			<dt>n, ↓</dt>
			<dd>next place</dd>
			<dt>p, ↑</dt>
			<dd>place before</dd>
			<dt>m</dt>
			<dd>other quantity</dd>
			<dt>Esc</dt>
			<dd>no to a question</dd>
			<dt>Ctrl z</dt>
			<dd>take the last back</dd>
			<dt>?</dt>
			<dd>this list</dd>
		</dl>
	{/if}
</div>

<style>
	.recent {
		border-top: 1px solid var(--line);
		padding-top: 0.5rem;
	}

	h2 {
		font-size: 0.95rem;
	}

	li {
		display: flex;
		flex-wrap: wrap;
		gap: 0 0.8rem;
		align-items: center;
		padding: 0.22rem 0;
		font-size: 0.98rem;
	}

	.what {
		font-weight: 650;
		min-width: 4.2rem;
	}

	.said {
		flex-basis: 100%;
		font-size: 0.9rem;
	}

	.foot {
		display: flex;
		flex-wrap: wrap;
		align-items: center;
		gap: 0.5rem;
		margin-top: 0.5rem;
	}

	.foot .act-plain {
		padding-inline: 0.7rem;
	}

	.by {
		display: flex;
		align-items: baseline;
		gap: 0.3rem;
		flex: 1 1 10rem;
		min-width: 0;
		font-size: 0.9rem;
		color: var(--soft);
	}

	.by input {
		flex: 1;
		width: 100%;
		min-height: 44px;
		background: transparent;
		border: 0;
		border-bottom: 1px solid var(--line);
		padding: 0;
		color: var(--ink);
	}

	dl {
		display: grid;
		grid-template-columns: auto 1fr;
		gap: 0.1rem 1rem;
		margin-top: 0.5rem;
		font-size: 0.92rem;
	}

	dt {
		font-family: var(--mono);
	}

	@media (max-width: 900px) {
		.keys {
			display: none;
		}
	}
</style>
