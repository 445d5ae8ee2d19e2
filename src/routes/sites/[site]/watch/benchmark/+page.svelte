<script lang="ts">
	import { invalidateAll } from '$app/navigation';
	import { powerOverHeat } from '$core/production/benchmark/heat';
	import { ageingOf, corrected } from '$core/production/benchmark/ageing';
	import { factsOf, targetKey } from '$core/production/target';
	import Chart from '$lib/charts/Chart.svelte';
	import { ageingOption } from '$lib/charts/ageing-option';
	import { send } from '$lib/ui/send-json';
	import { benchmarkDays, localDate, nextBenchmarkDay } from '$lib/watch/benchmark-days';
	import BenchmarkForm from '$lib/watch/BenchmarkForm.svelte';
	import WatchPage from '$lib/watch/WatchPage.svelte';
	import { dateWords } from '$lib/watch/event-words';

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
	const heat = $derived(powerOverHeat(record) ?? undefined);
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
				.map((entry) => ({ entry, ...corrected(entry, facts.labelWatts, heat) }))
				.sort((a, b) => (a.date < b.date ? -1 : 1));
			return [
				{ key, facts, side: entries[0]!.side, list, ageing: ageingOf(list, data.settings.limit) }
			];
		});
	});
	const percent = (share: number, digits = 1) => `${(100 * share).toFixed(digits)} %`;
	const perYear = (share: number) =>
		`${share < 0 ? '\u2212' : '+'}${Math.abs(100 * share).toFixed(2)} %`;
	const years = (value: number | null) =>
		value === null ? 'never' : value > 60 ? 'beyond 60 years' : `after ${value.toFixed(0)} years`;

	async function remove(id: string): Promise<void> {
		const answer = await send(`/sites/${data.site.id}/watch/benchmark?entry=${id}`, {
			method: 'DELETE'
		});
		if (answer.ok) await invalidateAll();
	}
</script>

<svelte:head><title>Benchmark days · {data.site.name} · Zembo</title></svelte:head>

<WatchPage
	title="Benchmark days"
	lead="The same measurement on the same days each year shows ageing, since the sun stands as it stood then."
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
		<BenchmarkForm siteId={data.site.id} {record} date={latest} />
	{/snippet}
	{#snippet side()}
		<h2>What to measure</h2>
		<ol>
			<li>
				Two hours before to two hours after solar noon, no cloud near the sun, 600 W/m² or more.
			</li>
			<li>Irradiance in the plane and cell temperature, just before and just after.</li>
			<li>
				Power on the DC side: volts times amps at the inverter’s input, or its display. The AC side
				where the DC side cannot be read, and then every year.
			</li>
			<li>Nothing clipped: below the device’s rating. Otherwise string by string.</li>
			<li>The glass as it is; note whether it was cleaned before.</li>
		</ol>
	{/snippet}
</WatchPage>
{#each groups as { key, facts, side, list, ageing } (key)}
	<section data-group={key}>
		<h2>{facts.label}, {side.toUpperCase()} side</h2>
		<div class="even">
			<div class="picture">
				<Chart
					parts="watch"
					words="Share of label power on benchmark days of {facts.label}"
					option={(look) => ageingOption(list, ageing, data.settings.limit, look)}
				/>
			</div>
			<div class="left">
				{#if ageing}
					<p class="slope">
						<strong class="figure">{perYear(ageing.perYear)}</strong> of label a year,
						<span class="figure">{perYear(ageing.low)}</span> to
						<span class="figure">{perYear(ageing.high)}</span>
					</p>
					<p>
						Below {percent(data.settings.limit, 0)}
						{years(ageing.passes.likely)} from the first measurement; {years(ageing.passes.soonest)} at
						the soonest, {years(ageing.passes.latest)} at the latest.
					</p>
				{:else}
					<p class="soft">Three measurements over a year or more say how it ages.</p>
				{/if}
				<div class="scroll">
					<table>
						<thead><tr><th>Day</th><th>At 1000 W/m², 25 °C</th><td></td></tr></thead>
						<tbody>
							{#each list as { entry, date, share, uncertainty, doubt } (entry.id)}
								<tr>
									<td class="figure">{date}</td>
									<td>
										<span class="figure">{percent(share)} ± {percent(uncertainty)}</span>
										{#if doubt}<p class="soft">{doubt}</p>{/if}
									</td>
									<td>
										<button
											class="act-plain"
											aria-label="Take {date} out"
											onclick={() => void remove(entry.id)}>Take out</button
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
		Power is carried to 1000 W/m² in proportion and to 25 °C by the label’s temperature coefficients
		(IEC 60891 with one coefficient); light 3 %, power 1 % and 2.5 K of doubt each. The slope is the
		median of the slopes between all pairs (Sen 1968), its band that of 95 % by Kendall’s statistic,
		and at least what the doubts of the points leave open.
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
