<script lang="ts">
	import { expectedAt, reasonAt } from '$core/assessment';
	import { expectedInChosenState } from '$core/expectation';
	import {
		keyOf,
		QUANTITY_FACTS,
		type Reading,
		stringOfPlace,
		type SwitchingState
	} from '$core/visit';
	import type { MeasurementPoint } from '$core/visit-plan';
	import type { VisitSession } from '../session/visit-session.svelte';
	import { figureOf } from '../text/format';

	interface Props {
		session: VisitSession;
		spot: MeasurementPoint;
		/** How the circuit is switched, as chosen. */
		state: SwitchingState;
		/** All takes of this place, oldest first. */
		takes: readonly Reading[];
	}
	let { session, spot, state, takes }: Props = $props();

	const { unit } = $derived(QUANTITY_FACTS[spot.quantity]);
	const key = $derived(keyOf(spot));
	const place = $derived(session.places.get(key) ?? null);
	const expected = $derived(place && expectedAt(place));
	const reason = $derived(place && reasonAt(place));
	/** What is expected in the chosen state, where that is not the usual one. */
	const chosen = $derived.by(() => {
		const { record } = session.document;
		const string = record.strings.find(({ id }) => id === stringOfPlace(spot.place));
		return string && spot.place.kind === 'string'
			? expectedInChosenState(record, string, spot.quantity, state)
			: null;
	});
	const limit = $derived(session.limits.get(key) ?? null);
	const standing = $derived(takes.at(-1) ?? null);
	/** Lowest and highest take; null where there is one alone. */
	const spread = $derived.by(() => {
		if (takes.length < 2) return null;
		const values = takes.map(({ value }) => value);
		return [Math.min(...values), Math.max(...values)] as const;
	});
</script>

{#if chosen && 'missing' in chosen}
	<p class="soft">{chosen.missing}</p>
{:else if chosen}
	{@const { value, contributions } = chosen}
	<p class="expected" data-expected="chosen">
		expected <span class="figure">{figureOf(value, unit)}</span>
		±
		<span class="figure"
			>{figureOf(
				2 * Math.hypot(...contributions.map((one) => one.standardUncertainty)),
				unit
			)}</span
		>
		{unit}
	</p>
{:else if expected}
	<p class="expected">
		expected <span class="figure">{figureOf(expected.value, unit)}</span>
		± <span class="figure">{figureOf(2 * expected.standardUncertainty, unit)}</span>
		{unit}
	</p>
{:else if reason}
	<p class="soft">{reason}</p>
{:else if limit?.limit}
	<p class="expected">{limit.limit}</p>
{/if}
{#if spread}
	<p class="soft standing">
		{takes.length} measurements, <span class="figure">{figureOf(spread[0], unit)}</span> to
		<span class="figure">{figureOf(spread[1], unit)}</span>
		{unit}; the newest counts, a new reading replaces it
	</p>
{:else if standing}
	<p class="soft standing">
		Current reading <span class="figure">{figureOf(standing.value, unit)}</span>
		{unit}; a new reading replaces it
	</p>
{/if}

<style>
	.expected,
	.standing {
		text-align: end;
	}
</style>
