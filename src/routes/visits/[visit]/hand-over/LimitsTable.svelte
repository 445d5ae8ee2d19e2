<script lang="ts">
	import { placeWords } from '$core/expectation/place-words';
	import { QUANTITY_FACTS } from '$core/expectation/quantity';
	import type { ArrayRecord } from '$core/record/record';
	import type { LimitVerdict } from '$core/rules/judge/limit-verdict';
	import VerdictMark from '$lib/ui/VerdictMark.svelte';
	import { figureOf } from '$lib/ui/words';

	let { limits, record }: { limits: readonly LimitVerdict[]; record: ArrayRecord } = $props();
</script>

{#if limits.length > 0}
	<section>
		<h2>Readings with a limit</h2>
		<table>
			<thead>
				<tr
					><th>Place</th><th class="num">Read</th><th>Limit</th><th>Verdict</th><th
						>What it means</th
					></tr
				>
			</thead>
			<tbody>
				{#each limits as { key, reading, verdict, words, limit, source } (key)}
					{@const { unit, words: name } = QUANTITY_FACTS[reading.quantity]}
					<tr>
						<td>{placeWords(record, reading.place)} {name.toLowerCase()}</td>
						<td class="num figure">{figureOf(reading.value, unit)} {unit}</td>
						<td>{limit} <span class="soft">{limit ? source : ''}</span></td>
						<td><VerdictMark {verdict} /></td>
						<td>{words}</td>
					</tr>
				{/each}
			</tbody>
		</table>
	</section>
{/if}

<style>
	h2 {
		font-size: 1.15rem;
	}

	table {
		width: 100%;
		border-collapse: collapse;
	}

	th,
	td {
		padding: 0.25rem 0.6rem 0.25rem 0;
		text-align: start;
		vertical-align: top;
		border-bottom: 1px solid var(--line);
	}

	.num {
		text-align: end;
		white-space: nowrap;
	}
</style>
