<script lang="ts">
	import { resolve } from '$app/paths';
	import { FAULTS, placeWords } from '$core/visit';
	import { partHistories, REPAIR_KINDS, type RepairKind } from '$core/repair';
	import ReportLink from '$lib/report/ReportLink.svelte';
	import { dayAndTime } from '$lib/text/when';

	let { data } = $props();
	const visitOf = $derived(new Map(data.repairs.map(({ entry, visitId }) => [entry.id, visitId])));
	const parts = $derived(partHistories(data.repairs.map(({ entry }) => entry)));
	const again = $derived(parts.filter((part) => part.again).length);
	const STEP_WORDS = { repaired: 'repaired', accepted: 'left as it is', excluded: 'not there' };
</script>

<svelte:head><title>History · {data.site.name} · Zembo</title></svelte:head>

<div class="page">
	<h1>What failed, and what was done</h1>
	<p class="soft lead">
		Repairs of all visits, by part.
		{#if again > 0}{again}
			{again === 1 ? 'part has' : 'parts have'} failed again after a repair.{/if}
	</p>
	<p>
		<ReportLink href={resolve('/sites/[site]/report.pdf', { site: data.site.id })}
			>What each visit found: the report over the years, PDF</ReportLink
		>
	</p>
	<p>
		<a href={resolve('/sites/[site]/rates', { site: data.site.id })}>How often things fail here</a>:
		what the tracing takes for usual before it has looked.
	</p>
	{#each parts as { key, entries, again: failedAgain } (key)}
		<article>
			<h2>
				<span class="figure">{placeWords(data.revision.record, entries[0].place)}</span>
				{#if failedAgain}<strong class="again">failed again</strong>{/if}
			</h2>
			<ul>
				{#each entries as entry (entry.id)}
					<li>
						<a
							class="figure"
							href={resolve('/visits/[visit]/repair', { visit: visitOf.get(entry.id)! })}
							>{dayAndTime(entry.at, data.site.timeZone)}</a
						>
						<span>
							{FAULTS[entry.code].words}: {entry.kind
								? REPAIR_KINDS[entry.kind as RepairKind].words.toLowerCase()
								: STEP_WORDS[entry.step]}{entry.lookAgain
								? `, look again on ${entry.lookAgain}`
								: ''}{entry.words ? `. ${entry.words}` : ''}
							<span class="soft">{entry.by}</span>
						</span>
					</li>
				{/each}
			</ul>
		</article>
	{:else}
		<p class="notice">
			No repairs are recorded yet. Repairs of a visit are listed here, part by part, so that one
			that fails again is seen.
		</p>
	{/each}
</div>

<style>
	h1 {
		font-size: 1.8rem;
	}

	h2 {
		font-size: 1.1rem;
		display: flex;
		gap: 0.8rem;
		align-items: baseline;
	}

	article {
		padding: 0.8rem 0;
		border-top: 1px solid var(--line);
	}

	.lead {
		margin-bottom: 0.8rem;
	}

	.again {
		color: var(--off);
	}

	li {
		display: grid;
		grid-template-columns: 11rem minmax(0, 1fr);
		gap: 0.1rem 1rem;
		padding: 0.3rem 0;
	}

	a {
		display: inline-flex;
		align-items: center;
		min-height: 44px;
	}

	@media (max-width: 560px) {
		li {
			grid-template-columns: minmax(0, 1fr);
		}
	}
</style>
