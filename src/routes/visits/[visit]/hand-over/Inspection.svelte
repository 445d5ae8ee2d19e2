<script lang="ts">
	import type { ArrayRecord } from '$core/record/record';
	import { SEVERITIES, SEVERITY_WORDS, type InspectionEntry } from '$core/rules/inspection/entry';
	import { scaleInfrared } from '$core/rules/inspection/infrared';
	import { outcomeOfStop, placeWords, walkOf } from '$core/rules/inspection/walk';

	interface Props {
		record: ArrayRecord;
		inspection: readonly InspectionEntry[];
	}
	let { record, inspection }: Props = $props();

	const stops = $derived(walkOf(record, inspection).flatMap((stretch) => stretch.stops));
	const answered = $derived(stops.filter((stop) => outcomeOfStop(stop) !== null).length);
	const told = $derived(
		stops.flatMap(({ item, part, answers }) =>
			answers
				.filter(({ outcome }) => outcome !== 'fits')
				.map((entry) => ({ entry, item, mark: part?.mark ?? null }))
		)
	);
	const findings = $derived(
		SEVERITIES.flatMap((severity) => told.filter(({ entry }) => entry.severity === severity))
	);
	const unseen = $derived(told.filter(({ entry }) => entry.outcome === 'not-seen'));
	const measured = $derived(
		stops.flatMap(({ item, answers }) =>
			answers
				.filter((entry) => entry.measured !== null)
				.map((entry) => `${item.words}: ${entry.measured} ${item.measured?.unit ?? ''}`)
		)
	);
</script>

{#if answered > 0}
	<section>
		<h2>Inspection</h2>
		<p>{answered} of {stops.length} questions of the walk are answered.</p>
		{#if findings.length > 0}
			<ul>
				{#each findings as { entry, item, mark } (entry.id)}
					<li>
						<div>
							<strong>{SEVERITY_WORDS[entry.severity!]}</strong>
							<span class="figure">{placeWords(record, entry.place) || mark || ''}</span>
							{entry.words}
							{#if entry.infrared}{scaleInfrared(entry.infrared).words}{/if}
							<span class="soft">({item.words.toLowerCase()})</span>
						</div>
						{#each entry.photographs as id (id)}
							<img src="/photographs/{id}" alt="Photograph: {entry.words}" />
						{/each}
					</li>
				{/each}
			</ul>
		{:else}<p>No finding.</p>{/if}
		{#if measured.length > 0}<p>Measured: {measured.join('; ')}.</p>{/if}
		{#if unseen.length > 0}
			<h3>Could not be seen</h3>
			<ul>
				{#each unseen as { entry, item, mark } (entry.id)}
					<li><div>{mark ? `${mark}: ` : ''}{item.words}: {entry.words}</div></li>
				{/each}
			</ul>
		{/if}
	</section>
{/if}

<style>
	li {
		display: flex;
		justify-content: space-between;
		gap: 1rem;
		padding: 0.4rem 0;
		border-bottom: 1px solid var(--line);
		break-inside: avoid;
	}

	h3 {
		margin-top: 0.6rem;
		font-size: 1rem;
	}

	img {
		height: 90px;
		border: 1px solid var(--rule);
	}
</style>
