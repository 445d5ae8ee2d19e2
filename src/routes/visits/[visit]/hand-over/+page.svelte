<script lang="ts">
	import Download from '@lucide/svelte/icons/download';
	import Printer from '@lucide/svelte/icons/printer';
	import { resolve } from '$app/paths';
	import { IRRADIANCE_SOURCE_FACTS, TEMPERATURE_SOURCE_FACTS } from '$core/conditions/conditions';
	import { standingConditions } from '$core/expectation/standing';
	import { MAKE_SAFE_FIRST, WHO_DECIDES } from '$core/rules/cautions';
	import { findingsOf } from '$lib/ui/findings';
	import PathView from '$lib/ui/PathView.svelte';
	import { PURPOSE_WORDS } from '$lib/ui/purposes';
	import { useVisit } from '$lib/ui/visit-session.svelte';
	import { dayAndTime } from '$lib/ui/when';
	import Outcome from './Outcome.svelte';
	import ReadingsTable from './ReadingsTable.svelte';
	import Inspection from './Inspection.svelte';
	import LimitsTable from './LimitsTable.svelte';
	import RecordTables from './RecordTables.svelte';
	import Repairs from './Repairs.svelte';
	import Safety from './Safety.svelte';

	const session = useVisit();
	const { site, revision, record, visit } = $derived(session.document);
	const conditions = $derived(standingConditions(visit));
	const findings = $derived(findingsOf(session.assessment, record));
	/** Size of the PDF's pages. */
	let page = $state<'A4' | 'LETTER'>('A4');
	const cautions = $derived([
		...new Map(
			findings
				.flatMap(({ tests }) => tests)
				.flatMap(({ cautions: list }) => list.map((c) => [c.words, c] as const))
		).values()
	]);
</script>

<svelte:head
	><title>Visit of {visit.startedAt.slice(0, 10)} · {site.name} · Zembo</title></svelte:head
>

<div class="bar no-print">
	<a
		class="act"
		href="{resolve('/visits/[visit]/report.pdf', { visit: visit.id })}?page={page}"
		download
		data-sveltekit-reload><Download size={20} aria-hidden="true" />Report as PDF</a
	>
	<a
		class="act-plain"
		href="{resolve('/visits/[visit]/report.pdf', { visit: visit.id })}?form=short&page={page}"
		download
		data-sveltekit-reload>One page for the owner</a
	>
	<a
		class="act-plain"
		href="{resolve('/visits/[visit]/visit.zip', { visit: visit.id })}?page={page}"
		download
		data-sveltekit-reload>All of it as ZIP</a
	>
	<label>
		<span class="sr-only">Size of the page</span>
		<select class="bare" name="page" bind:value={page}>
			<option value="A4">A4</option>
			<option value="LETTER">Letter</option>
		</select>
	</label>
	<details>
		<summary>More files</summary>
		<ul class="files">
			<li>
				<a
					href={resolve('/visits/[visit]/visit.json', { visit: visit.id })}
					download
					data-sveltekit-reload>Visit as a file</a
				>: record, conditions and every reading, read back on the page of sites;
				<a href={resolve('/formats/zembo-visit.json')}>its form</a> is open
			</li>
			<li>
				<a
					href={resolve('/visits/[visit]/report.html', { visit: visit.id })}
					download
					data-sveltekit-reload>Report as HTML</a
				>, one file that needs nothing else
			</li>
			<li>
				<button type="button" class="act-plain" onclick={() => window.print()}
					><Printer size={20} aria-hidden="true" />Print this page</button
				>
			</li>
		</ul>
	</details>
</div>

<article class="report">
	<header>
		<div>
			<h1>{site.name}</h1>
			<p>{site.place}</p>
		</div>
		<dl>
			<dt>Visit</dt>
			<dd>
				{dayAndTime(visit.startedAt, site.timeZone)} <span class="soft">({site.timeZone})</span>
			</dd>
			<dt>Measured by</dt>
			<dd>{visit.by}</dd>
			<dt>Purpose</dt>
			<dd>{PURPOSE_WORDS[visit.purpose]}</dd>
			{#if visit.inverterSays}<dt>Inverter says</dt>
				<dd>{visit.inverterSays}</dd>{/if}
			{#if visit.reason}<dt>Reason</dt>
				<dd>{visit.reason}</dd>{/if}
			<dt>Record</dt>
			<dd>revision {revision.number}</dd>
		</dl>
	</header>

	<Outcome assessment={session.assessment} {findings} />
	<Repairs {session} />

	<section>
		<h2>Conditions</h2>
		{#if conditions}
			<p>
				<span class="figure">{conditions.irradiance.value} W/m²</span>
				± {(200 * conditions.irradiance.relativeStandardUncertainty).toFixed(1)} % ({IRRADIANCE_SOURCE_FACTS[
					conditions.irradiance.source
				].words.toLowerCase()}), cells
				<span class="figure">{conditions.cellTemperature.value} °C</span>
				± {(2 * conditions.cellTemperature.standardUncertainty).toFixed(1)} K ({TEMPERATURE_SOURCE_FACTS[
					conditions.cellTemperature.source
				].words.toLowerCase()}), entered {dayAndTime(conditions.enteredAt, site.timeZone)} by {conditions.by}.
				{#each session.assessment.groups as group (group.moduleTypeId)}{group.words}
				{/each}
			</p>
		{:else}<p>Not entered: no reading has a basis.</p>{/if}
		{#each session.assessment.warnings as warning (warning)}<p>{warning}</p>{/each}
		<p class="soft">
			Meters: volts ± ({visit.meters.volts.pctOfReading} % + {visit.meters.volts.counts} x {visit
				.meters.volts.resolution} V), clamp ± ({visit.meters.amps.pctOfReading} % + {visit.meters
				.amps.counts} x {visit.meters.amps.resolution} A).
		</p>
	</section>

	<section>
		<h2>Array</h2>
		<PathView
			{record}
			places={session.places}
			suspects={session.suspects}
			marks={['open-circuit-voltage', 'operating-current']}
			room={260}
		/>
		<RecordTables {record} />
	</section>

	<ReadingsTable assessment={session.assessment} {record} />
	<LimitsTable limits={session.assessment.limits} {record} />
	<Safety {session} />

	<Inspection {record} inspection={session.document.inspection} />

	<section>
		<h2>Cautions for what comes next</h2>
		<ul>
			{#each cautions as caution (caution.words)}<li>
					{caution.words} <span class="soft">({caution.source})</span>
				</li>{/each}
			{#if findings.some(({ tests }) => tests.some((test) => test.makeSafeFirst))}<li>
					{MAKE_SAFE_FIRST}
				</li>{/if}
			<li>{WHO_DECIDES}</li>
		</ul>
	</section>

	<footer>
		<span>Measured by</span><span>Reviewed by</span>
	</footer>
</article>

<style>
	.bar {
		display: flex;
		flex-wrap: wrap;
		align-items: center;
		gap: 0.75rem;
		padding: 0.9rem clamp(0.75rem, 2vw, 1.5rem);
	}

	.files {
		display: grid;
		gap: 0.3rem;
	}

	.report {
		max-width: 62rem;
		margin: 0 clamp(0.75rem, 2vw, 1.5rem) 3rem;
		padding: clamp(1rem, 3vw, 2.5rem);
		background: var(--sheet);
		border: 1px solid var(--line);
		font-size: 0.97rem;
	}

	header {
		display: flex;
		flex-wrap: wrap;
		justify-content: space-between;
		gap: 1rem 2rem;
		border-bottom: 2px solid var(--ink);
		padding-bottom: 0.8rem;
	}

	h1 {
		font-size: 1.7rem;
	}

	dl {
		display: grid;
		grid-template-columns: auto 1fr;
		gap: 0 1rem;
	}

	dt {
		color: var(--soft);
	}

	.report :global(section) {
		margin-top: 1.4rem;
		overflow-x: auto;
	}

	.report :global(h2) {
		font-size: 1.1rem;
		margin-bottom: 0.3rem;
	}

	.report :global(table) {
		width: 100%;
		margin: 0.4rem 0 0.6rem;
	}

	.report :global(th) {
		text-align: start;
		font-size: 0.88rem;
		border-bottom: var(--stroke) solid var(--rule);
		padding: 0.2rem 0.7rem 0.2rem 0;
	}

	.report :global(td) {
		padding: 0.28rem 0.7rem 0.28rem 0;
		border-bottom: 1px solid var(--line);
		vertical-align: top;
	}

	.report :global(.num) {
		text-align: end;
	}

	.report :global(ul) {
		list-style: square;
		padding-inline-start: 1.2rem;
	}

	footer {
		display: grid;
		grid-template-columns: 1fr 1fr;
		gap: 3rem;
		margin-top: 3.5rem;
	}

	footer span {
		border-top: 1px solid var(--ink);
		padding-top: 0.2rem;
	}

	@media print {
		.report {
			border: 0;
			padding: 0;
			margin: 0;
			max-width: none;
			font-size: 9.5pt;
		}

		.report :global(tr) {
			break-inside: avoid;
		}

		.report :global(h2) {
			break-after: avoid;
		}
	}
</style>
