<script lang="ts">
	import { readingAt } from '$core/assessment';
	import { keyOf, type Place, placeWords } from '$core/visit';
	import type { MeasurementPoint } from '$core/visit-plan';
	import VerdictMark from '$lib/ui/VerdictMark.svelte';
	import type { VisitSession } from '$lib/session/visit-session.svelte';
	import { readingFigure } from '$lib/text/reading-figure';

	interface Props {
		session: VisitSession;
		spots: readonly MeasurementPoint[];
		lit: string | null;
		onchoose: (place: Place) => void;
	}
	let { session, spots, lit, onchoose }: Props = $props();
	const record = $derived(session.document.record);
</script>

<ul>
	{#each spots as spot (keyOf(spot))}
		{@const key = keyOf(spot)}
		{@const limit = session.limits.get(key)}
		{@const place = session.places.get(key)}
		{@const reading = limit?.reading ?? (place ? readingAt(place) : null)}
		<li>
			<button
				type="button"
				class:here={lit === key}
				data-spot={key}
				onclick={() => onchoose(spot.place)}
			>
				<strong class="figure">{placeWords(record, spot.place)}</strong>
				<span class="figure value">{reading ? readingFigure(reading) : '—'}</span>
				<span
					>{#if limit}<VerdictMark verdict={limit.verdict} />{/if}</span
				>
				<span class="words">{limit?.words ?? ''}</span>
			</button>
		</li>
	{:else}
		<li class="soft none">
			The record has no place for this. Choose a module below, or record the part.
		</li>
	{/each}
</ul>

<style>
	button {
		display: grid;
		grid-template-columns: minmax(8rem, 14rem) 7rem 6rem minmax(0, 1fr);
		align-items: center;
		gap: 0 1rem;
		width: 100%;
		min-height: 48px;
		padding: 0.2rem 0.6rem;
		text-align: start;
		border-bottom: 1px solid var(--line);
	}

	.here {
		background: var(--lit);
	}

	.value {
		text-align: end;
	}

	.words {
		line-height: 1.3;
		font-size: 0.95rem;
	}

	.none {
		padding: 1rem 0.6rem;
	}

	@media (max-width: 900px) {
		button {
			grid-template-columns: minmax(0, 1fr) auto auto;
		}

		.words {
			grid-column: 1 / -1;
		}
	}
</style>
