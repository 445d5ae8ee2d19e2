<script lang="ts">
	import { resolve } from '$app/paths';
	import { FAULTS, placeWords, QUANTITY_FACTS } from '$core/visit';
	import { REPAIR_KINDS, type RepairCase, type RepairKind } from '$core/repair';
	import VerdictMark from '$lib/ui/VerdictMark.svelte';
	import type { VisitSession } from '$lib/session/visit-session.svelte';
	import { dayAndTime } from '$lib/text/when';
	import { readingFigure } from '$lib/text/reading-figure';

	let { session, one }: { session: VisitSession; one: RepairCase } = $props();

	const record = $derived(session.document.record);
	const last = $derived(one.entries.at(-1)!);
	const STEP_WORDS = { repaired: 'Repaired', accepted: 'Left as it is', excluded: 'Not there' };
	const state = $derived(
		last.step === 'accepted'
			? `left; look again on ${last.lookAgain}`
			: last.step === 'excluded'
				? 'excluded'
				: one.open === null
					? 'closed: proved by its readings'
					: 'open'
	);
</script>

<article class="panel" data-case={one.code} data-open={one.open !== null}>
	<header>
		<h3>
			<span class="figure">{placeWords(record, one.place)}</span>
			{FAULTS[one.code].words}
		</h3>
		<strong class="state">{state}</strong>
	</header>
	<ul>
		{#each one.entries as entry (entry.id)}
			<li>
				<span class="soft figure">{dayAndTime(entry.at, session.document.site.timeZone)}</span>
				{STEP_WORDS[entry.step]}{entry.kind
					? `: ${REPAIR_KINDS[entry.kind as RepairKind].words.toLowerCase()}`
					: ''}{entry.serial ? `, serial ${entry.serial}` : ''}{entry.words
					? `. ${entry.words}`
					: ''}
				<span class="soft">{entry.by}</span>
				{#if entry.photograph}
					<img
						src={resolve('/photographs/[photograph]', { photograph: entry.photograph })}
						alt="The repair"
						loading="lazy"
					/>
				{/if}
			</li>
		{/each}
	</ul>
	{#if one.open}<p class="notice">{one.open}</p>{/if}
	{#if one.retakes.length > 0}
		<div class="scroll">
			<table>
				<thead><tr><th>Read again</th><th>Before</th><th>After</th><th></th></tr></thead>
				<tbody>
					{#each one.retakes as { key, place, quantity, before, after, verdict } (key)}
						{@const { words } = QUANTITY_FACTS[quantity]}
						<tr>
							<th scope="row">
								<span class="figure">{placeWords(record, place)}</span>
								{words.toLowerCase()}
							</th>
							<td class="figure">{before ? readingFigure(before) : '—'}</td>
							<td class="figure">{after ? readingFigure(after) : ''}</td>
							<td>
								{#if after && verdict}<VerdictMark {verdict} />
								{:else if !after}
									<a
										class="again"
										href={resolve(
											`/visits/[visit]/measurements?${new URLSearchParams({ quantity, place: key }).toString()}`,
											{ visit: session.document.visit.id }
										)}>Read</a
									>{/if}
							</td>
						</tr>
					{/each}
				</tbody>
			</table>
		</div>
	{/if}
</article>

<style>
	article {
		display: grid;
		gap: 0.6rem;
		padding: 0.9rem 1.1rem;
		margin-bottom: 0.8rem;
	}

	header {
		display: flex;
		flex-wrap: wrap;
		justify-content: space-between;
		gap: 0.3rem 1rem;
	}

	h3 {
		font-size: 1.1rem;
	}

	h3 .figure {
		display: inline-block;
		margin-inline-end: 0.4rem;
		padding: 0 0.45rem;
		border: var(--stroke) solid var(--ink);
		border-radius: 3px;
	}

	img {
		display: block;
		max-width: 12rem;
		margin-top: 0.3rem;
	}

	td,
	th {
		text-align: start;
		padding: 0.25rem 1rem 0.25rem 0;
	}

	.scroll {
		overflow-x: auto;
	}

	.again {
		display: inline-flex;
		align-items: center;
		min-height: 44px;
	}
</style>
