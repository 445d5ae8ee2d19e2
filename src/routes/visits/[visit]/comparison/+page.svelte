<script lang="ts">
	import { inSentence } from '$core/units';
	import {
		supplyLadders,
		atStandard,
		changeSince,
		comparedStrings,
		type ReadPlace,
		verdictAt
	} from '$core/assessment';
	import { effectiveVisit, findCurrentReadings, placeWords, QUANTITY_FACTS } from '$core/visit';
	import { goto } from '$app/navigation';
	import { resolve } from '$app/paths';
	import BandScale from '$lib/ui/BandScale.svelte';
	import VerdictMark from '$lib/ui/VerdictMark.svelte';
	import { useVisit } from '$lib/session/visit-session.svelte';
	import { dayAndTime } from '$lib/text/when';
	import { readingFigure } from '$lib/text/reading-figure';
	import { figureOf, signed } from '$lib/text/format';
	import { groupWords } from '$lib/text/group-words';
	import PlaneQuestions from '$lib/ui/PlaneQuestions.svelte';
	import SupplyLadder from './SupplyLadder.svelte';

	let { data } = $props();
	const session = useVisit();
	const record = $derived(session.document.record);
	const visit = $derived(session.document.visit);
	const strings = $derived(comparedStrings(record, session.assessment));
	const standing = $derived(findCurrentReadings(visit));
	const ladders = $derived(
		supplyLadders(record, standing).filter(({ links }) => links.some(({ reading }) => reading))
	);
	const limits = $derived(
		[...session.limits.values()].filter(({ reading }) => reading.quantity !== 'ac-power')
	);
	const now = $derived(atStandard(record, session.effective));
	const before = $derived(
		data.earlier &&
			atStandard(data.earlier.record, effectiveVisit(data.earlier.record, data.earlier.visit))
	);
	const groups = $derived(session.assessment.groups);
	/** The group a string is compared in, where there are several. */
	const groupOf = (stringId: string) =>
		groups.length > 1 ? groups.find(({ stringIds }) => stringIds.includes(stringId)) : undefined;
	const labelsOf = (ids: readonly string[]) =>
		record.strings.filter(({ id }) => ids.includes(id)).map(({ label }) => label);
	const substrings = (stringId: string) => {
		const string = record.strings.find(({ id }) => id === stringId);
		return record.moduleTypes.find(({ id }) => id === string?.moduleTypeId)?.plate.sections ?? 3;
	};

	/** Where the plain rule and the band differ, in words; empty where they agree. */
	function plainWords(place: ReadPlace): string {
		const plain = session.assessment.plain[place.key];
		if (!plain || place.state === 'not-assessed') return '';
		const percent = `${signed(100 * plain.relative, 1)} % from the median of comparable strings`;
		if (plain.passes && place.verdict === 'fail') {
			return `The 5 % rule would pass it: ${percent}, ${plain.inModules.toFixed(1)} of a module.`;
		}
		return !plain.passes && place.verdict === 'pass'
			? `The 5 % rule would fail it: ${percent}, within its band.`
			: '';
	}
	const shift = (relative: number | null | undefined) =>
		relative == null ? '' : `${signed(100 * relative, 1)} %`;
</script>

<svelte:head><title>Comparison · {session.document.site.name} · Zembo</title></svelte:head>

<div class="page">
	<h1>Comparison</h1>
	<p class="soft lead">
		All strings, largest deviation first. Strings of one module type and plane are compared with
		each other, which is more accurate than any sensor.
	</p>
	<PlaneQuestions {session} />
	{#if groups.length > 1}
		<ul class="groups">
			{#each groups as group (group.key)}
				<li>
					<strong>{groupWords(group, record)}</strong>
					<span class="figure">{labelsOf(group.stringIds).join(' ')}</span>
					<span class="soft">{group.words}</span>
				</li>
			{/each}
		</ul>
	{/if}

	{#if strings.length === 0}
		<p class="notice">
			Nothing to compare yet: no string is read.
			<a href={resolve('/visits/[visit]/measurements', { visit: visit.id })}>Measure</a>
		</p>
	{:else}
		<ol class="strings">
			{#each strings as { stringId, label, voltage, running, short, modules } (stringId)}
				<li data-string={label}>
					<span class="name figure">{label}</span>
					<span
						><span class="figure">{modules.toFixed(1)}</span>
						<span class="soft">modules deviation</span>
						{#if groupOf(stringId)}<span class="soft group"
								>{groupWords(groupOf(stringId)!, record)}</span
							>{/if}</span
					>
					<div class="quantities">
						{#each [voltage, running, short].filter((place) => place !== null) as place (place.key)}
							{@const { unit, symbol } = QUANTITY_FACTS[place.quantity]}
							<div class="quantity">
								<span class="soft symbol">{symbol}</span>
								<span class="scale"><BandScale {place} sections={substrings(stringId)} /></span>
								<span class="figure">{figureOf(place.reading.value, unit)} {unit}</span>
								<VerdictMark verdict={verdictAt(place)} />
								<span class="said">
									{#if place.state === 'not-assessed'}{place.reason}
									{:else if place.relative !== null}<span class="figure"
											>{signed(100 * place.relative, 1)} %</span
										>
										{#if place.counted && place.verdict !== 'pass'}<span class="counted"
												>{place.counted.words}</span
											>{/if}{/if}
								</span>
								{#if place.state === 'judged' && place.tracked && place.tracked.verdict !== 'pass'}
									<span class="plain"
										>Operating voltage {place.tracked.measured.toFixed(0)} V; a healthy string has its
										maximum at {place.tracked.expected.toFixed(0)} ± {(
											2 * place.tracked.standardUncertainty
										).toFixed(0)} V.</span
									>
								{/if}
								{#if plainWords(place)}<span class="plain">{plainWords(place)}</span>{/if}
							</div>
						{/each}
					</div>
				</li>
			{/each}
		</ol>
	{/if}

	{#if limits.length > 0}
		<section>
			<h2>Against a limit</h2>
			<ul class="limits">
				{#each limits as { key, reading, verdict, words, limit, source } (key)}
					{@const { words: name } = QUANTITY_FACTS[reading.quantity]}
					<li>
						<span><strong>{placeWords(record, reading.place)}</strong> {inSentence(name)}</span>
						<span class="figure">{readingFigure(reading)}</span>
						<VerdictMark {verdict} />
						<span
							>{words}
							{#if limit}<span class="soft">{limit}; {source}.</span>{/if}</span
						>
					</li>
				{/each}
			</ul>
		</section>
	{/if}

	{#each ladders as { part, links } (part.id)}
		<SupplyLadder {part} {links} />
	{/each}

	{#if visit.conditions.length > 0 && strings.length > 0}
		<section>
			<h2>At standard conditions, and before</h2>
			<p class="soft">
				Carried to 1000 W/m² and 25 °C by IEC 60891, procedure 2.
				{#if !data.earlier}No earlier visit with readings.{/if}
			</p>
			{#if data.earlier}
				<label class="with">
					<span>Beside the visit of</span>
					<select
						name="with"
						value={data.earlier.visit.id}
						onchange={(event) =>
							goto(
								resolve(`/visits/[visit]/comparison?with=${event.currentTarget.value}`, {
									visit: visit.id
								}),
								{ noScroll: true, keepFocus: true }
							)}
					>
						{#each data.list as { id, startedAt, reason } (id)}
							<option value={id}
								>{dayAndTime(startedAt, session.document.site.timeZone)}{reason
									? `: ${reason}`
									: ''}</option
							>
						{/each}
					</select>
				</label>
			{/if}
			<div class="scroll">
				<table>
					<thead>
						<tr>
							<th>String</th><th>Voc</th><th>since then</th><th>Current</th><th>since then</th>
						</tr>
					</thead>
					<tbody>
						{#each record.strings as { id, label } (id)}
							{@const here = now.get(label)}
							{@const then = before?.get(label)}
							{#if here && (here.voc !== null || here.current !== null)}
								{@const change = then ? changeSince(here, then) : null}
								<tr>
									<th scope="row" class="figure">{label}</th>
									<td class="figure">{here.voc === null ? '—' : `${here.voc.toFixed(1)} V`}</td>
									<td class="figure">{shift(change?.voc)}</td>
									<td class="figure"
										>{here.current === null ? '—' : `${here.current.toFixed(2)} A`}
										{here.running && here.current !== null ? 'running' : ''}</td
									>
									<td class="figure">{shift(change?.current)}</td>
								</tr>
							{/if}
						{/each}
					</tbody>
				</table>
			</div>
		</section>
	{/if}
</div>

<style>
	h1 {
		font-size: 1.8rem;
	}

	h2 {
		font-size: 1.2rem;
		margin: 1.6rem 0 0.4rem;
	}

	.with {
		display: flex;
		flex-wrap: wrap;
		align-items: center;
		gap: 0.3rem 0.75rem;
		margin: 0.5rem 0;
	}

	.groups li {
		display: flex;
		flex-wrap: wrap;
		gap: 0 1rem;
		padding: 0.35rem 0;
		border-bottom: 1px solid var(--line);
	}

	.group {
		display: block;
		font-size: 0.88rem;
	}

	.strings {
		margin-top: 0.8rem;
		border-top: var(--stroke) solid var(--rule);
	}

	.strings > li {
		display: grid;
		grid-template-columns: 3.5rem 8.5rem minmax(0, 1fr);
		align-items: start;
		gap: 0 1rem;
		padding: 0.5rem 0.3rem;
		border-bottom: 1px solid var(--line);
		/* Of hundreds of strings those out of sight are not laid out. */
		content-visibility: auto;
		contain-intrinsic-size: auto 5rem;
	}

	.name {
		font-weight: 650;
		font-size: 1.2rem;
	}

	.quantity {
		display: grid;
		grid-template-columns: 2.6rem minmax(8rem, 14rem) 6.5rem 5.5rem minmax(0, 1fr);
		align-items: center;
		gap: 0 0.8rem;
		min-height: 34px;
	}

	.plain {
		grid-column: 2 / -1;
		font-size: 0.93rem;
		border-inline-start: 4px solid var(--look);
		padding-inline-start: 0.6rem;
	}

	.limits li {
		display: grid;
		grid-template-columns: minmax(10rem, 16rem) 7rem 5.5rem minmax(0, 1fr);
		gap: 0 1rem;
		padding: 0.45rem 0.3rem;
		border-bottom: 1px solid var(--line);
		line-height: 1.35;
	}

	.limits .figure {
		text-align: end;
	}

	.scroll {
		overflow-x: auto;
	}

	table {
		border-collapse: collapse;
	}

	th,
	td {
		padding: 0.3rem 1.2rem 0.3rem 0;
		text-align: start;
		border-bottom: 1px solid var(--line);
	}

	@media print {
		.strings > li {
			content-visibility: visible;
		}
	}

	@media (max-width: 900px) {
		.strings > li {
			grid-template-columns: 3.5rem minmax(0, 1fr);
		}

		.quantities {
			grid-column: 1 / -1;
		}

		.quantity {
			grid-template-columns: 2.6rem minmax(0, 1fr) 5.4rem 4.6rem;
		}

		.said:has(> .figure) {
			display: contents;
		}

		.said > .figure {
			grid-area: 1 / 3;
			text-align: end;
		}

		.scale {
			display: none;
		}

		.said,
		.counted,
		.plain {
			grid-column: 2 / -1;
		}

		.limits li {
			grid-template-columns: minmax(0, 1fr) auto auto;
		}

		.limits li span:last-child {
			grid-column: 1 / -1;
		}
	}
</style>
