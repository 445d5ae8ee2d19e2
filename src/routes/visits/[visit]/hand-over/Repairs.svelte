<script lang="ts">
	import { placeWords } from '$core/expectation/place-words';
	import { QUANTITY_FACTS } from '$core/expectation/quantity';
	import { FAULTS } from '$core/faults/codes';
	import { repairCases, verdictsOf } from '$core/rules/repair/cases';
	import { REPAIR_KINDS, type RepairKind } from '$core/rules/repair/kinds';
	import type { VisitSession } from '$lib/ui/visit-session.svelte';
	import { dayAndTime } from '$lib/ui/when';
	import { figureOf } from '$lib/ui/words';

	let { session }: { session: VisitSession } = $props();
	const { record, visit, site } = $derived(session.document);
	const cases = $derived(repairCases(record, visit, verdictsOf(session.assessment)));
	const STEP_WORDS = { repaired: 'Put right', accepted: 'Left as it is', excluded: 'Not there' };
</script>

{#if cases.length > 0}
	<section>
		<h2>Put right</h2>
		<table>
			<thead><tr><th>Where</th><th>What was done</th><th>Before and after</th></tr></thead>
			<tbody>
				{#each cases as { key, code, place, entries, retakes, open } (key)}
					{@const last = entries.at(-1)!}
					<tr>
						<td class="figure">{placeWords(record, place)}</td>
						<td>
							{FAULTS[code].words}: {last.kind
								? REPAIR_KINDS[last.kind as RepairKind].words.toLowerCase()
								: STEP_WORDS[last.step].toLowerCase()}{last.lookAgain
								? `, look again on ${last.lookAgain}`
								: ''}{last.serial ? `, serial ${last.serial}` : ''}{last.words
								? `. ${last.words}`
								: ''}
							<span class="soft">{dayAndTime(last.at, site.timeZone)}, {last.by}.</span>
							{#if last.step === 'repaired'}<strong
									>{open === null ? 'Proved by its readings.' : `Open: ${open}`}</strong
								>{/if}
						</td>
						<td>
							{#each retakes.filter(({ before, after }) => before || after) as { key: at, quantity, before, after } (at)}
								{@const { unit, symbol } = QUANTITY_FACTS[quantity]}
								<span class="figure"
									>{symbol}
									{before ? figureOf(before.value, unit) : '—'} → {after
										? figureOf(after.value, unit)
										: '—'}
									{unit}</span
								>
							{/each}
						</td>
					</tr>
				{/each}
			</tbody>
		</table>
	</section>
{/if}

<style>
	td .figure {
		display: block;
	}
</style>
