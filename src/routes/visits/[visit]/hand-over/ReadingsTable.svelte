<script lang="ts">
	import type { ArrayRecord } from '$core/record/record';
	import type { Assessment } from '$core/trace/assess';
	import VerdictMark from '$lib/ui/VerdictMark.svelte';
	import { QUANTITY_FACTS } from '$core/expectation/quantity';
	import { figureOf, signed } from '$lib/ui/words';

	let { assessment, record }: { assessment: Assessment; record: ArrayRecord } = $props();
	const read = $derived(assessment.places.filter((place) => place.reading));
	const labelOf = $derived(
		(id: string) => record.strings.find((string) => string.id === id)?.label ?? ''
	);
</script>

<section>
	<h2>Readings</h2>
	<table>
		<thead
			><tr
				><th>Place</th><th class="num">Read</th><th class="num">Expected</th><th class="num"
					>Difference</th
				><th>Verdict</th><th>What it means</th></tr
			></thead
		>
		<tbody>
			{#each read as place (place.key)}
				{@const words = QUANTITY_FACTS[place.quantity]}
				<tr>
					<td class="figure">{labelOf(place.stringId)} {words.symbol}</td>
					<td class="num figure">{figureOf(place.reading?.value ?? 0, words.unit)} {words.unit}</td>
					<td class="num figure">
						{#if place.expected}{figureOf(place.expected.value, words.unit)} ± {figureOf(
								2 * place.expected.standardUncertainty,
								words.unit
							)}{/if}
					</td>
					<td class="num figure">
						{#if place.difference !== null}{signed(place.difference, words.unit === 'V' ? 1 : 2)}
							{words.unit}{/if}
					</td>
					<td
						>{#if place.verdict}<VerdictMark verdict={place.verdict} />{/if}</td
					>
					<td>
						{#if place.counted}{place.counted.words}
						{:else if place.reading?.atVolts !== null}at <span class="figure"
								>{place.reading?.atVolts} V</span
							>
						{:else}{place.missing ?? ''}{/if}
					</td>
				</tr>
			{/each}
		</tbody>
	</table>
	<p class="soft">
		Open circuit: isolated, at the source side of the fuse. Running: inverter on, at the volts
		stated. Expected ± 2 standard uncertainties; off beyond {assessment.thresholds.off.toFixed(1)},
		look beyond {assessment.thresholds.look.toFixed(1)}.
	</p>
</section>
