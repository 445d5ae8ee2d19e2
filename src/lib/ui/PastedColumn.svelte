<script lang="ts">
	import {
		findCurrentReadings,
		keyOf,
		placeWords,
		QUANTITY_FACTS,
		stringOfPlace
	} from '$core/visit';
	import { readMeterFigure } from '$core/expectation';
	import type { MeasurementPoint } from '$core/visit-plan';
	import { sharedVoltage, voltageKeys } from '$core/assessment';
	import type { VisitSession } from '../session/visit-session.svelte';

	interface Props {
		session: VisitSession;
		/** Places in order, the current one first. */
		spots: readonly MeasurementPoint[];
		/** Figures as pasted, in the same order. */
		figures: readonly string[];
		/** Operating voltage as it stands in its field, V; for places of which none is known. */
		voltage: number | null;
		onclose: () => void;
	}
	let { session, spots, figures, voltage, onclose }: Props = $props();

	const { record } = $derived(session.document);
	const rows = $derived(
		figures.map((typed, i) => {
			const spot = spots[i] ?? null;
			const read =
				spot &&
				readMeterFigure(typed, spot.quantity, session.document.visit.meters.volts.ratedVolts);
			return { typed, spot, read };
		})
	);
	const problem = $derived(rows.filter(({ spot, read }) => !spot || !read?.ok).length);
	let storing = $state(false);
	let refused = $state('');

	function voltageAt(spot: MeasurementPoint): number | null {
		if (spot.quantity !== 'operating-current') return null;
		const string = record.strings.find(({ id }) => id === stringOfPlace(spot.place));
		if (!string) return voltage;
		const keys = voltageKeys(record);
		// The voltage in the field is of the strings that share it with the first; others have their own.
		const first = spots[0] && stringOfPlace(spots[0].place);
		if (first && keys.get(first) === keys.get(string.id)) return voltage;
		const standing = findCurrentReadings(session.document.visit);
		return sharedVoltage(record, keys, standing, string)?.voltage ?? null;
	}

	/** One after the other, in their order; what is asked about or refused ends it. */
	async function storeAll(): Promise<void> {
		storing = true;
		refused = '';
		for (const { typed, spot, read } of rows) {
			if (!spot || !read?.ok) continue;
			const atVoltage = voltageAt(spot);
			if (spot.quantity === 'operating-current' && atVoltage === null) {
				refused = 'Type the operating voltage first.';
				break;
			}
			const { value, overRange } = read.value;
			const { place, quantity, state } = spot;
			const stored = await session.enter({
				place,
				quantity,
				state,
				value,
				...(overRange && { overRange: true }),
				atVolts: atVoltage,
				typed
			});
			if (!stored) {
				refused = `Stopped at ${placeWords(record, place)}: answer the question there, then paste the rest.`;
				break;
			}
		}
		storing = false;
		if (refused === '') onclose();
	}
</script>

<div class="pasted" role="dialog" aria-label="Pasted readings">
	<h2>{figures.length} pasted figures</h2>
	<table>
		<tbody>
			{#each rows as { typed, spot, read }, i (i)}
				<tr data-ok={read?.ok ?? false}>
					<th>{spot ? placeWords(record, spot.place) : 'no place left'}</th>
					<td class="figure">{typed}</td>
					<td>
						{#if read?.ok}
							<span class="figure"
								>{read.value.overRange ? '> ' : ''}{read.value.value}
								{QUANTITY_FACTS[spot!.quantity].unit}</span
							>{#if session.currentAt(spot!.place, spot!.quantity)}
								<span class="soft">replaces a reading</span>{/if}
						{:else}<span class="error">{read ? read.problem : ''}</span>{/if}
					</td>
				</tr>
			{/each}
		</tbody>
	</table>
	{#if problem > 0}
		<p class="error">
			{problem} of them cannot be stored. Correct the column and paste it again.
		</p>
	{/if}
	{#if refused}<p class="error" role="alert">{refused}</p>{/if}
	<div class="acts">
		<button
			type="button"
			class="act"
			disabled={problem > 0 || storing || spots[0] === undefined}
			onclick={storeAll}
			data-first={spots[0] ? keyOf(spots[0]) : ''}>Save {figures.length} readings</button
		>
		<button type="button" class="act-plain" onclick={onclose}>Cancel</button>
	</div>
</div>

<style>
	.pasted {
		border: 2px solid var(--accent);
		padding: 0.7rem;
		display: grid;
		gap: 0.6rem;
	}

	h2 {
		font-size: 1.1rem;
	}

	table {
		width: 100%;
		border-collapse: collapse;
	}

	th,
	td {
		text-align: start;
		padding: 0.25rem 0.4rem 0.25rem 0;
		border-top: 1px solid var(--line);
		font-weight: 400;
	}

	.error {
		color: var(--off);
	}

	.acts {
		display: flex;
		flex-wrap: wrap;
		gap: 0.6rem;
	}
</style>
