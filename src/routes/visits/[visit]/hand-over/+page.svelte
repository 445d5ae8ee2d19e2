<script lang="ts">
	import Download from '@lucide/svelte/icons/download';
	import Printer from '@lucide/svelte/icons/printer';
	import { resolve } from '$app/paths';
	import { labelPower } from '$core/circuit/label-power';
	import { IRRADIANCE_SOURCE_FACTS, TEMPERATURE_SOURCE_FACTS } from '$core/conditions/conditions';
	import { standingConditions } from '$core/expectation/standing';
	import { NOT_LED_THROUGH, WHO_DECIDES } from '$core/rules/cautions';
	import { findingsOf } from '$lib/ui/findings';
	import PathView from '$lib/ui/PathView.svelte';
	import { useVisit } from '$lib/ui/visit-session.svelte';
	import VerdictMark from '$lib/ui/VerdictMark.svelte';
	import { dayAndTime } from '$lib/ui/when';
	import { figureOf, kilowatts, QUANTITY_WORDS, signed } from '$lib/ui/words';

	const session = useVisit();
	const { site, revision, record, visit } = $derived(session.document);
	const conditions = $derived(standingConditions(visit));
	const findings = $derived(findingsOf(session.assessment, record));
	const read = $derived(session.assessment.places.filter((place) => place.reading));
	const labelOf = $derived(
		(id: string) => record.strings.find((string) => string.id === id)?.label ?? ''
	);
	const typeOf = $derived((id: string) => record.moduleTypes.find((type) => type.id === id));
	const used = $derived(
		record.moduleTypes.filter((type) => record.strings.some((s) => s.moduleTypeId === type.id))
	);
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
	<button type="button" class="act" onclick={() => window.print()}
		><Printer size={20} aria-hidden="true" />Print</button
	>
	<a
		class="act-plain"
		href={resolve('/visits/[visit]/visit.json', { visit: visit.id })}
		download
		data-sveltekit-reload
	>
		<Download size={20} aria-hidden="true" />Visit as a file
	</a>
	<span class="soft"
		>The file holds record, conditions and every reading, and is read back on the page of sites; <a
			href={resolve('/formats/zembo-visit.json')}>its form</a
		> is open.</span
	>
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
			{#if visit.reason}<dt>Reason</dt>
				<dd>{visit.reason}</dd>{/if}
			<dt>Record</dt>
			<dd>revision {revision.number}</dd>
		</dl>
	</header>

	<section>
		<h2>Outcome</h2>
		{#if session.assessment.noCauses}
			<p>{session.assessment.noCauses}</p>
		{:else if findings.length === 0}
			<p>Nothing wrong that these readings can show.</p>
		{:else}
			<table>
				<thead
					><tr><th>String</th><th>Cause</th><th class="num">Chance</th><th>Measure next</th></tr
					></thead
				>
				<tbody>
					{#each findings as { key, string, causes, tests } (key)}
						{#each causes as cause, i (cause.id)}
							<tr>
								<td class="figure">{i === 0 ? (string?.label ?? 'all') : ''}</td>
								<td
									>{cause.title}{#if cause.perhaps}. {cause.perhaps}{/if}
									{#each cause.reasons.filter(({ weighs }) => weighs === 'for') as reason, r (r)}
										<span class="reason soft">{reason.words}</span>
									{/each}</td
								>
								<td class="num figure"
									>{cause.probability > 0.995 ? '>99' : Math.round(100 * cause.probability)} %</td
								>
								<td>{i === 0 ? (tests[0]?.title ?? '') : ''}</td>
							</tr>
						{/each}
					{/each}
				</tbody>
			</table>
		{/if}
		<p class="soft">Not tested: {session.assessment.untested.join(' ')}</p>
	</section>

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
		<table>
			<thead>
				<tr>
					<th>String</th><th class="num">Modules</th><th>Module type</th>
					<th class="num">Cable, ohm</th><th class="num">Fuse, A</th><th>Input</th>
				</tr>
			</thead>
			<tbody>
				{#each record.strings as string (string.id)}
					<tr>
						<td class="figure">{string.label}</td>
						<td class="num figure">{string.moduleCount}</td>
						<td>{typeOf(string.moduleTypeId)?.name}</td>
						<td class="num figure">{string.cableResistance}</td>
						<td class="num figure">
							{string.fuse ? (string.fuse.rating ?? 'unknown') : 'none'}
						</td>
						<td>{string.input ?? 'unknown'}</td>
					</tr>
				{/each}
			</tbody>
		</table>
		<table>
			<thead
				><tr
					><th>Module type</th><th class="num">Pmax</th><th class="num">Vmp</th><th class="num"
						>Imp</th
					><th class="num">Voc</th><th class="num">Isc</th><th class="num">cells</th><th class="num"
						>%/K Isc</th
					><th class="num">%/K Voc</th></tr
				></thead
			>
			<tbody>
				{#each used as { id, name, plate } (id)}
					<tr>
						<td>{name}</td>
						<td class="num figure">{plate.pmax}</td><td class="num figure">{plate.vmp}</td><td
							class="num figure">{plate.imp}</td
						>
						<td class="num figure">{plate.voc}</td><td class="num figure">{plate.isc}</td><td
							class="num figure">{plate.cellsInSeries}</td
						>
						<td class="num figure">{plate.alphaIscPctPerK?.toFixed(3) ?? 'not stated'}</td><td
							class="num figure">{plate.betaVocPctPerK?.toFixed(3) ?? 'not stated'}</td
						>
					</tr>
				{/each}
			</tbody>
		</table>
		<p class="soft">
			Label power {kilowatts(labelPower(record))}; in service since {record.inServiceSince ??
				'unknown'}.
		</p>
	</section>

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
					{@const words = QUANTITY_WORDS[place.quantity]}
					<tr>
						<td class="figure">{labelOf(place.stringId)} {words.symbol}</td>
						<td class="num figure"
							>{figureOf(place.reading?.value ?? 0, words.unit)} {words.unit}</td
						>
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
			stated. Expected ± 2 standard uncertainties; off beyond {session.assessment.thresholds.off.toFixed(
				1
			)}, look beyond {session.assessment.thresholds.look.toFixed(1)}.
		</p>
	</section>

	<section>
		<h2>Cautions for what comes next</h2>
		<ul>
			{#each cautions as caution (caution.words)}<li>
					{caution.words} <span class="soft">({caution.source})</span>
				</li>{/each}
			{#if findings.some(({ tests }) => tests.some((test) => test.notLedThrough))}<li>
					{NOT_LED_THROUGH}
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

	section {
		margin-top: 1.4rem;
		overflow-x: auto;
	}

	h2 {
		font-size: 1.1rem;
		margin-bottom: 0.3rem;
	}

	table {
		width: 100%;
		margin: 0.4rem 0 0.6rem;
	}

	th {
		text-align: start;
		font-size: 0.88rem;
		border-bottom: var(--stroke) solid var(--rule);
		padding: 0.2rem 0.7rem 0.2rem 0;
	}

	td {
		padding: 0.28rem 0.7rem 0.28rem 0;
		border-bottom: 1px solid var(--line);
		vertical-align: top;
	}

	.num {
		text-align: end;
	}

	.reason {
		display: block;
		font-size: 0.92em;
	}

	ul {
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

		tr {
			break-inside: avoid;
		}

		h2 {
			break-after: avoid;
		}
	}
</style>
