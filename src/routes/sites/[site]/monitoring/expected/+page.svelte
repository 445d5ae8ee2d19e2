<script lang="ts">
	import { resolve } from '$app/paths';
	import {
		clearHours,
		conventionOf,
		countedOnce,
		expectedOfArray,
		generatorsOf,
		measuredRatio,
		monthsOf,
		performanceRatio,
		powerTemperatureCoefficient,
		stampedBy,
		USUAL_POWER_COEFFICIENT,
		type Weather
	} from '$core/monitoring';
	import Chart from '$lib/charts/Chart.svelte';
	import { monthsOption } from '$lib/charts/months-option';
	import FigureFields from '$lib/bench/FigureFields.svelte';
	import { FigureForm } from '$lib/bench/figure-form.svelte';
	import { zoneOf } from '$lib/time/zone';
	import LookThrough from '$lib/monitoring/LookThrough.svelte';
	import { useMonitoring } from '$lib/session/monitoring-session.svelte';
	import MonitoringPage from '$lib/monitoring/MonitoringPage.svelte';
	import { readWeather } from '$lib/monitoring/weather-file';

	let { data } = $props();
	const session = useMonitoring();
	const record = $derived(data.revision.record);
	const { latitude, longitude } = $derived(data.settings);
	/** Air of a clear sky where no weather is known, degC. */
	const USUAL_AIR = 12;

	const powerCoefficient = $derived(powerTemperatureCoefficient(record) ?? USUAL_POWER_COEFFICIENT);

	let weather = $state.raw<{ name: string; weather: Weather } | null>(null);
	let problem = $state('');
	const form = new FigureForm({
		losses: { min: 0, max: 60, unit: '%', words: 'Lost in wires, soiling, devices', first: '8' }
	});
	async function choose(event: Event): Promise<void> {
		const input = event.currentTarget as HTMLInputElement;
		const file = input.files?.[0];
		input.value = '';
		if (!file) return;
		const read = await readWeather(file);
		problem = read.ok ? '' : `${file.name}: ${read.problem}`;
		if (read.ok) weather = { name: file.name, weather: read.value };
	}

	const observer = $derived(
		weather?.weather.observer ??
			(latitude === null || longitude === null ? null : { latitude, longitude })
	);
	/** What the times of a file without a rule of its own stand for; null where the sun does not tell. */
	const convention = $derived(
		weather && observer && weather.weather.observer === null
			? conventionOf(weather.weather.hours, observer)
			: null
	);
	const parts = $derived(
		session.year ? generatorsOf(record, new Date(session.year.times.start).getUTCFullYear()) : null
	);
	/** A total is not counted beside its parts. */
	const counted = $derived(countedOnce(session.found?.energy ?? []));
	const ratedPower = $derived(
		session.year?.units.reduce(
			(sum, unit) => sum + (counted.has(unit.key) ? unit.labelWatts : 0),
			0
		) ?? 0
	);
	const expected = $derived.by(() => {
		const { year, found } = session;
		const losses = form.one('losses');
		if (!year || !found || !observer || !parts || losses === null) return null;
		const { start, step, count } = year.times;
		const hours = weather
			? stampedBy(weather.weather.hours, convention ?? 'beginning')
			: clearHours(start, start + count * step, observer, USUAL_AIR);
		const all = expectedOfArray(hours, observer, parts.generators, losses / 100, ratedPower);
		if (all.length === 0) return null;
		const days = found.dates.map((date, d) => {
			const some = found.energy
				.filter(({ unit }) => counted.has(unit))
				.map(({ byDay }) => byDay[d]!)
				.filter((kWh) => !Number.isNaN(kWh));
			return { date, made: some.length > 0 ? some.reduce((sum, kWh) => sum + kWh, 0) : Number.NaN };
		});
		const [offset = 0] = zoneOf(data.site.timeZone).offsetsAt(start);
		return monthsOf(all, days, offset, powerCoefficient);
	});
	const sums = $derived.by(() => {
		if (!expected) return null;
		const some = expected.filter(({ made }) => made !== null);
		return {
			made: some.reduce((sum, { made }) => sum + made!, 0),
			expected: some.reduce((sum, one) => sum + one.expected, 0),
			irradiation: some.reduce((sum, { irradiation }) => sum + irradiation, 0),
			cool: some.reduce((sum, { cool }) => sum + cool, 0)
		};
	});
	const measured = $derived(session.year ? measuredRatio(session.year) : null);
	const percent = (share: number) => `${(100 * share).toFixed(0)} %`;
</script>

<svelte:head><title>Expected · {data.site.name} · Zembo</title></svelte:head>

<LookThrough some={data.span !== null}>
	<MonitoringPage
		title="Expected, and made"
		lead="What all units share does not show in a comparison of one with another. This does: the record in the weather."
	>
		{#snippet main()}
			{#if expected && sums}
				<div class="picture">
					<Chart
						parts="watch"
						words="Made and expected by month"
						option={(look) => monthsOption(expected, look)}
					/>
				</div>
				<p class="key">
					<span class="bar"></span> made
					<span class="mark"></span> expected {weather
						? `in the weather of ${weather.name}`
						: 'under a clear sky all the time'}, on the days that were watched
				</p>
				{#if !weather}
					<p class="notice">
						A clear sky is the most that could be: the weather takes its share. With an hourly
						weather file this becomes a comparison.
					</p>
				{/if}
			{:else if !observer}
				<p class="notice">
					Where is the array? Store it under
					<a href={resolve('/sites/[site]/monitoring/settings', { site: data.site.id })}>Settings</a
					>, or choose an EPW file, which says it.
				</p>
			{:else if parts && parts.generators.length === 0}
				<p class="notice">
					The record has no roof with tilt and direction on which modules lie: place them on the
					<a href={resolve('/sites/[site]/map', { site: data.site.id })}>Map</a>.
				</p>
			{/if}
			{#if parts && parts.unplaced > 0}
				<p class="notice">
					{parts.unplaced} modules lie on no roof with tilt and direction, so they are not expected.
				</p>
			{/if}
		{/snippet}
		{#snippet side()}
			{#if sums}
				<dl class="facts">
					<dt>Made</dt>
					<dd class="figure">{sums.made.toFixed(0)} kWh</dd>
					<dt>{weather ? 'Expected' : 'Under a clear sky'}</dt>
					<dd class="figure">{sums.expected.toFixed(0)} kWh</dd>
					<dt>Made of it</dt>
					<dd class="figure" data-ratio>
						{sums.expected > 0 ? percent(sums.made / sums.expected) : '?'}
					</dd>
					{#if weather && ratedPower > 0 && sums.irradiation > 0}
						<dt>Performance ratio by this weather</dt>
						<dd class="figure">
							{percent(performanceRatio(1000 * sums.made, ratedPower, 1000 * sums.irradiation))}
						</dd>
						<dt>The same, corrected for heat</dt>
						<dd class="figure">
							{percent(performanceRatio(1000 * sums.made, ratedPower, 1000 * sums.cool))}
						</dd>
					{/if}
					{#if measured !== null}
						<dt>Performance ratio by the export’s sensor</dt>
						<dd class="figure">{percent(measured)}</dd>
					{/if}
				</dl>
			{/if}
			<h2>Weather</h2>
			<p>
				<label class="act-plain">
					Choose a weather file
					<input type="file" class="sr-only" name="weather" onchange={choose} />
				</label>
			</p>
			{#if problem}<p class="notice" data-kind="error" role="alert">{problem}</p>{/if}
			{#if weather}
				<p data-weather>
					{weather.name}{weather.weather.place ? `, ${weather.weather.place}` : ''}:
					{weather.weather.hours.length} hours.
					{#if weather.weather.observer === null}
						{convention === null
							? 'The sun does not tell what its times stand for; the beginning of each hour is assumed.'
							: `By the sun its times are the ${convention} of each hour.`}
					{/if}
					<button class="act-plain" onclick={() => (weather = null)}>Clear sky again</button>
				</p>
			{/if}
			<p class="soft">
				EPW, or CSV with time (UTC), ghi, temp_air, and dni, dhi, wind where there are any; units in
				brackets. It is read here and stays on this machine.
			</p>
			<FigureFields {form} keys={['losses']} />
			<details>
				<summary>How it is worked out</summary>
				<p class="soft">
					Each hour’s light is put on the plane (Hay and Davies), split into beam and sky after Erbs
					where the file does not say; cell temperature by Faiman; power by the single-diode model
					of the label, aged by its years; the losses; cut at the rating. A typical year is no year
					that was: months off by a tenth are its weather. Performance ratio as in IEC 61724-1;
					corrected for heat, it is what it would be at 25 °C in the cells.
				</p>
			</details>
		{/snippet}
	</MonitoringPage>
</LookThrough>

<style>
	.picture {
		height: 24rem;
	}

	.key {
		display: flex;
		flex-wrap: wrap;
		align-items: center;
		gap: 0.3rem 0.6rem;
	}

	.bar {
		width: 14px;
		height: 18px;
		background: var(--accent);
	}

	.mark {
		width: 26px;
		height: 4px;
		background: var(--ink);
		margin-inline-start: 0.8rem;
	}
</style>
