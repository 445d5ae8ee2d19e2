<script lang="ts">
	import { invalidateAll } from '$app/navigation';
	import {
		corrected,
		degradationOf,
		factsOf,
		powerTemperatureCoefficient,
		targetKey
	} from '$core/monitoring';
	import Chart from '$lib/charts/Chart.svelte';
	import { degradationOption } from '$lib/charts/degradation-option';
	import { send } from '$lib/session/send-json';
	import { benchmarkDays, localDate, nextBenchmarkDay } from '$lib/monitoring/benchmark-days';
	import BenchmarkForm from '$lib/monitoring/BenchmarkForm.svelte';
	import MonitoringPage from '$lib/monitoring/MonitoringPage.svelte';
	import { dateWords } from '$lib/monitoring/event-words';

	let { data } = $props();
	const now = Date.now();
	const record = $derived(data.revision.record);
	const { timeZone } = $derived(data.site);
	const next = $derived(nextBenchmarkDay(now, timeZone, data.settings.benchmarkDays));
	const year = $derived(Number(localDate(now, timeZone).slice(0, 4)));
	const days = $derived(benchmarkDays(year, timeZone, data.settings.benchmarkDays));
	const latest = $derived(
		days.filter(({ date }) => date <= localDate(now, timeZone)).at(-1)?.date ??
			localDate(now, timeZone)
	);
	const powerCoefficient = $derived(powerTemperatureCoefficient(record) ?? undefined);
	/** Measurements of one part and one side belong together. */
	const groups = $derived.by(() => {
		const found = new Map<string, typeof data.entries>();
		for (const entry of data.entries) {
			const key = `${targetKey(entry.target)} ${entry.side}`;
			found.set(key, [...(found.get(key) ?? []), entry]);
		}
		return [...found].flatMap(([key, entries]) => {
			const facts = factsOf(record, entries[0]!.target);
			if (!facts || facts.labelWatts === 0) return [];
			const list = entries
				.map((entry) => ({ entry, ...corrected(entry, facts.labelWatts, powerCoefficient) }))
				.sort((a, b) => (a.date < b.date ? -1 : 1));
			return [
				{
					key,
					facts,
					side: entries[0]!.side,
					list,
					degradation: degradationOf(list, data.settings.limit)
				}
			];
		});
	});
	const instruments = $derived([
		...new Set(data.entries.toReversed().flatMap(({ instrument }) => instrument ?? []))
	]);
	const percent = (share: number, digits = 1) => `${(100 * share).toFixed(digits)} %`;
	const perYear = (share: number) =>
		`${share < 0 ? '\u2212' : '+'}${Math.abs(100 * share).toFixed(2)} %`;
	const years = (value: number | null) =>
		value === null ? 'never' : value > 60 ? 'beyond 60 years' : `after ${value.toFixed(0)} years`;

	async function remove(id: string): Promise<void> {
		const answer = await send(`/sites/${data.site.id}/monitoring/benchmark?entry=${id}`, {
			method: 'DELETE'
		});
		if (answer.ok) await invalidateAll();
	}
</script>

<svelte:head><title>Benchmark days · {data.site.name} · Zembo</title></svelte:head>

<MonitoringPage
	title="Benchmark days"
	lead="The same measurement on the same days each year shows degradation, because the sun is where it was then."
>
	{#snippet main()}
		{#if next}
			<p class="notice" data-next>
				{#if next.inDays === 0}<strong>Today</strong>{:else}In <strong
						>{next.inDays} {next.inDays === 1 ? 'day' : 'days'}</strong
					>{/if}: {dateWords(next.date)}, {next.words}.
			</p>
		{/if}
		<ul class="days" aria-label="Days of {year}">
			{#each days as { date, words } (date)}
				{@const done = data.entries.some((entry) => entry.date === date)}
				<li class:done>
					<span class="figure">{date}</span> <span>{words}{done ? ', measured' : ''}</span>
				</li>
			{/each}
		</ul>
		<BenchmarkForm siteId={data.site.id} {record} date={latest} {instruments} />
	{/snippet}
	{#snippet side()}
		<h2>What to measure</h2>
		<ol>
			<li>
				Two hours before to two hours after solar noon, no cloud near the sun, 600 W/m² or more.
			</li>
			<li>Irradiance in the plane and cell temperature, just before and just after.</li>
			<li>
				Power on the DC side: voltage times current at the inverter’s input, or its display. The AC
				side where the DC side cannot be read, and then every year.
			</li>
			<li>No clipping: power below the inverter’s rating. Otherwise string by string.</li>
			<li>The glass as it is; note whether it was cleaned before.</li>
		</ol>
	{/snippet}
</MonitoringPage>
{#each groups as { key, facts, side, list, degradation } (key)}
	<section data-group={key}>
		<h2>{facts.label}, {side.toUpperCase()} side</h2>
		<div class="even">
			<div class="picture">
				<Chart
					parts="watch"
					words="Share of nameplate power on benchmark days of {facts.label}"
					option={(look) => degradationOption(list, degradation, data.settings.limit, look)}
				/>
			</div>
			<div class="left">
				{#if degradation}
					{@const { jump, yearOnYear } = degradation}
					<p class="slope">
						<strong class="figure">{perYear(degradation.perYear)}</strong> of nameplate power a
						year,
						<span class="figure">{perYear(degradation.low)}</span> to
						<span class="figure">{perYear(degradation.high)}</span>
					</p>
					{#if jump}
						<p class="notice" data-kind="warn" data-jump>
							The measurements jump by {perYear(jump.by)} at {dateWords(jump.date)}, as they do when
							the instrument is changed or the modules are cleaned. The slope leaves the jump out.
							Enter the instrument with each measurement to settle it.
						</p>
					{:else if degradation.instruments === 'not-stated'}
						<p class="notice" data-kind="warn" data-instruments>
							It is not recorded what the irradiance was measured with each time. A change of
							instrument would look like degradation, so the range is wide. Enter the instrument
							with each measurement.
						</p>
					{:else if degradation.instruments === 'changed'}
						<p class="soft">
							Measured with different instruments: each has an offset of its own in the slope.
						</p>
					{/if}
					{#if yearOnYear}
						<p data-year-on-year>
							Year on year: <strong class="figure">{perYear(yearOnYear.perYear)}</strong> a year,
							<span class="figure">{perYear(yearOnYear.low)}</span> to
							<span class="figure">{perYear(yearOnYear.high)}</span>, from {yearOnYear.pairs} pairs.
						</p>
					{/if}
					<p>
						Below {percent(data.settings.limit, 0)}
						{years(degradation.passes.likely)} from the first measurement; {years(
							degradation.passes.soonest
						)} at the earliest, {years(degradation.passes.latest)} at the latest.
					</p>
				{:else}
					<p class="soft">
						Three measurements over at least a year are needed to tell the degradation.
					</p>
				{/if}
				<div class="scroll">
					<table>
						<thead><tr><th>Day</th><th>At 1000 W/m², 25 °C</th><td></td></tr></thead>
						<tbody>
							{#each list as { entry, date, share, uncertainty, question } (entry.id)}
								<tr>
									<td class="figure">{date}</td>
									<td>
										<span class="figure">{percent(share)} ± {percent(uncertainty)}</span>
										{#if question}<p class="soft">{question}</p>{/if}
									</td>
									<td>
										<button
											class="act-plain"
											aria-label="Remove {date}"
											onclick={() => void remove(entry.id)}>Remove</button
										>
									</td>
								</tr>
							{/each}
						</tbody>
					</table>
				</div>
			</div>
		</div>
	</section>
{/each}
<details>
	<summary>How it is worked out</summary>
	<p class="soft">
		Power is corrected to 1000 W/m² in proportion and to 25 °C by the temperature coefficients of
		the nameplate (IEC 60891 with one coefficient); standard uncertainties are 3 % for irradiance, 1
		% for power and 2.5 K for temperature. The slope is a robust least-squares line (Huber weights)
		with an offset for each season and for each instrument; two instruments are taken to differ by 3
		%. Its range is that of 95 %, at least what the uncertainty of each measurement leaves open. The
		year-on-year figure is the median over pairs of measurements at the same time of the year, by
		the same instrument.
	</p>
</details>

<style>
	h2 {
		font-size: 1.2rem;
	}

	section h2::first-letter {
		text-transform: uppercase;
	}

	.even {
		display: grid;
		grid-template-columns: minmax(0, 1fr) minmax(0, 1fr);
		gap: 1.2rem 2.5rem;
		align-items: start;
	}

	td button {
		white-space: nowrap;
	}

	.left,
	section {
		display: grid;
		gap: 0.8rem;
		min-width: 0;
	}

	section {
		margin-top: 1.8rem;
	}

	.days {
		display: grid;
		grid-template-columns: repeat(auto-fill, minmax(11rem, 1fr));
		gap: 0.5rem;
	}

	.days li {
		display: grid;
		padding: 0.5rem 0.8rem;
		border: 1px solid var(--line);
	}

	.days .done {
		border: 2px solid var(--fits);
	}

	ol {
		display: grid;
		gap: 0.4rem;
		padding-inline-start: 1.2rem;
		list-style: decimal;
	}

	.scroll {
		overflow-x: auto;
	}

	.picture {
		height: 20rem;
	}

	.slope {
		font-size: 1.15rem;
	}

	th,
	td {
		text-align: start;
		padding: 0.25rem 0.8rem 0.25rem 0;
		border-top: 1px solid var(--line);
	}

	summary {
		min-height: 44px;
		align-content: center;
		margin-top: 1rem;
	}

	@media (max-width: 800px) {
		.even {
			grid-template-columns: minmax(0, 1fr);
		}
	}
</style>
