<script lang="ts">
	import {
		type PlaceResult,
		type ReadPlace,
		expectedAt,
		isRead,
		readingAt,
		verdictAt
	} from '$core/assessment';
	import { QUANTITY_FACTS, type StringQuantity } from '$core/visit';
	import BandScale from './BandScale.svelte';
	import VerdictMark from './VerdictMark.svelte';
	import { figureOf, signed } from '../text/format';

	interface Props {
		/** Of the string. */
		mark: string;
		quantity: StringQuantity;
		place: PlaceResult | undefined;
		/** Whether the expected value and the verdict are shown. */
		judged?: boolean;
		/** Sections in a module of this string. */
		sections: number;
		/** It is the one that is lit. */
		here: boolean;
		onchoose?: (() => void) | undefined;
	}
	let {
		mark,
		quantity,
		place,
		judged = true,
		sections: substrings,
		here,
		onchoose
	}: Props = $props();

	const words = $derived(QUANTITY_FACTS[quantity]);

	const reading = $derived(place ? readingAt(place) : null);
	const expected = $derived(place && judged ? expectedAt(place) : null);

	/** What stands behind a reading: the difference in its unit and in percent, or why there is none. */
	function differenceWords(place: ReadPlace): string {
		if (place.state === 'not-assessed') return place.reason;
		const { unit } = QUANTITY_FACTS[place.quantity];
		const amount = `${signed(place.difference, unit === 'V' ? 1 : 2)} ${unit}`;
		const percent = place.relative === null ? '' : ` ${signed(100 * place.relative, 1)} %`;
		return amount + percent;
	}
</script>

<svelte:element
	this={onchoose ? 'button' : 'div'}
	type={onchoose ? 'button' : undefined}
	class="place"
	data-place={quantity}
	class:here
	onclick={onchoose}
	role={onchoose ? 'button' : undefined}
	aria-label={onchoose ? `${mark} ${words.words}` : undefined}
>
	<span class="scale">
		{#if place && judged}<BandScale {place} sections={substrings} />{/if}
	</span>
	<span class="value figure">
		{#if reading}
			{figureOf(reading.value, words.unit)} {words.unit}
		{:else if expected}
			<span class="soft wanted">{figureOf(expected.value, words.unit)} {words.unit}?</span>
		{:else}
			<span class="soft">—</span>
		{/if}
	</span>
	<span class="said">
		{#if place && judged && isRead(place)}
			<VerdictMark verdict={verdictAt(place)} />
			<span class="by figure">{differenceWords(place)}</span>
			{#if place.state === 'judged' && place.counted && place.verdict !== 'pass'}
				<span class="counted">{place.counted.words}</span>
			{/if}
		{/if}
	</span>
</svelte:element>

<style>
	.place {
		display: grid;
		grid-template-columns: 124px 5.6rem minmax(8rem, auto);
		align-items: center;
		gap: 0 0.7rem;
		min-height: 46px;
		padding: 0 0.25rem;
		text-align: start;
		flex: 1 1 0;
		max-width: 34rem;
		color: inherit;
	}

	button.place:hover {
		background: var(--well);
	}

	.place.here {
		outline: 2px solid var(--accent);
		outline-offset: -2px;
	}

	.value {
		text-align: end;
		font-size: 1.08rem;
		font-weight: 600;
	}

	.wanted {
		font-weight: 400;
	}

	.said {
		display: flex;
		flex-wrap: wrap;
		align-items: center;
		gap: 0 0.6rem;
		font-size: 0.95rem;
		line-height: 1.25;
	}

	.counted {
		flex-basis: 100%;
		font-weight: 600;
	}

	.by {
		color: var(--soft);
		font-size: 0.86rem;
	}

	@media (max-width: 900px) {
		.place {
			grid-template-columns: 124px 5.6rem minmax(0, 1fr);
			flex-basis: 100%;
			max-width: none;
			order: 2;
		}
	}

	@media (max-width: 560px) {
		.place {
			grid-template-columns: 124px 1fr;
		}

		.value {
			text-align: start;
		}

		.said {
			grid-column: 1 / -1;
		}
	}
</style>
