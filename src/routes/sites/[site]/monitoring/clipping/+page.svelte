<script lang="ts">
	import { resolve } from '$app/paths';
	import { clippingPrice, countedOnce } from '$core/monitoring';
	import FigureFields from '$lib/bench/FigureFields.svelte';
	import { FigureForm } from '$lib/bench/figure-form.svelte';
	import CourseChart from '$lib/monitoring/CourseChart.svelte';
	import {
		dateWords,
		FLAT_KIND_WORDS,
		flatGroups,
		LOSS_SOURCE_WORDS,
		sumOfLosses
	} from '$lib/monitoring/event-words';
	import LookThrough from '$lib/monitoring/LookThrough.svelte';
	import MonitoringPage from '$lib/monitoring/MonitoringPage.svelte';
	import { useMonitoring } from '$lib/session/monitoring-session.svelte';

	let { data } = $props();
	const session = useMonitoring();
	const groups = $derived(session.found ? flatGroups(session.found.clipping) : []);
	const clipped = $derived(groups.filter(({ kind }) => kind === 'clipping'));
	const lost = $derived(sumOfLosses(clipped.map((group) => group.lost)));
	const counted = $derived(countedOnce(session.found?.energy ?? []));
	const made = $derived(
		session.found?.energy.reduce((sum, one) => sum + (counted.has(one.unit) ? one.energy : 0), 0) ??
			0
	);
	const form = new FigureForm({
		price: {
			min: 0,
			max: 1000,
			unit: '',
			words: 'Price of a kWh',
			// svelte-ignore state_referenced_locally
			first: String(data.settings.price ?? '')
		},
		dearer: {
			min: 0,
			max: 1e7,
			unit: '',
			words: 'Extra cost',
			first: '',
			optional: true
		}
	});
	const price = $derived.by(() => {
		const f = form.figures;
		if (!f || !session.found) return null;
		if (!lost) return null;
		return clippingPrice(lost, session.found.dates.length, f.price, form.one('dearer'));
	});

	let chosenDay = $state<string | null>(null);
	const allDays = $derived([...new Set(groups.flatMap(({ days }) => days))].sort());
	const day = $derived(chosenDay ?? allDays[0] ?? null);
	const ofDay = $derived.by(() => {
		const { year } = session;
		const at = year?.days.find(({ date }) => date === day);
		if (!year || !at) return null;
		const { start, step } = year.times;
		return { from: start + at.from * step, to: start + at.to * step };
	});
	const shown = $derived.by(() => {
		const group = groups.find(({ days }) => day !== null && days.includes(day));
		const keys = group ? group.units.slice(0, 2) : [];
		return keys.flatMap((key) => session.unit(key) ?? []);
	});
	const kWh = (value: number) => (value < 10 ? value.toFixed(1) : value.toFixed(0));
</script>

<svelte:head><title>Clipping · {data.site.name} · Zembo</title></svelte:head>

<LookThrough some={data.span !== null}>
	<MonitoringPage
		title={groups.length === 0 ? 'No clipping' : 'Clipping'}
		lead="An array larger than its inverter is limited to the inverter’s rating on its best days. That is a design choice: it costs energy, and it is not a fault."
	>
		{#snippet main()}
			{#if groups.length === 0}
				<p>No unit stood at a limit.</p>
			{/if}
			{#each groups as group (`${group.kind} ${group.level}`)}
				<section data-flat={group.kind}>
					<h2>{FLAT_KIND_WORDS[group.kind].name} at {group.level.toFixed(0)} W</h2>
					<p>{FLAT_KIND_WORDS[group.kind].means}</p>
					<dl class="facts">
						<dt>Units</dt>
						<dd class="figure">{group.units.length}</dd>
						<dt>Days</dt>
						<dd class="figure">{group.days.length}</dd>
						<dt>Hours, sum of all units</dt>
						<dd class="figure">{group.hours.toFixed(1)}</dd>
						<dt>Not generated</dt>
						<dd class="figure">
							{#if group.lost}
								{kWh(group.lost.value)} kWh, {kWh(group.lost.low)} to {kWh(group.lost.high)}
							{:else}not assessed: nothing tells what would have been generated{/if}
						</dd>
						{#if group.from}
							<dt>Estimated by</dt>
							<dd>{LOSS_SOURCE_WORDS[group.from]}</dd>
						{/if}
					</dl>
					<ul class="days">
						{#each group.days.slice(0, 40) as date (date)}
							<li>
								<button
									class="act-plain choice"
									aria-pressed={date === day}
									onclick={() => (chosenDay = date)}>{dateWords(date)}</button
								>
							</li>
						{/each}
					</ul>
				</section>
			{/each}
			<details>
				<summary>How the loss is estimated</summary>
				<p class="soft">
					While a unit stands at its limit, what it would have generated is taken from like units
					that did not reach theirs, or from the irradiance sensor, or from a clear sky in its plane
					scaled by the unit’s own unlimited hours; passing clouds are allowed for as they occur
					through the year. The range holds the true figure in about nine of ten cases.
				</p>
			</details>
		{/snippet}
		{#snippet side()}
			<h2>Would a larger inverter pay?</h2>
			<FigureFields {form} keys={['price', 'dearer']} />
			{#if price && lost}
				<dl class="facts">
					<dt>Clipped in a year</dt>
					<dd class="figure">
						{kWh(price.aYear.value)} kWh, {kWh(price.aYear.low)} to {kWh(price.aYear.high)}
					</dd>
					<dt>Of all that was generated</dt>
					<dd class="figure">{made > 0 ? ((100 * lost.value) / made).toFixed(2) : '?'} %</dd>
					<dt>It costs in a year</dt>
					<dd class="figure">
						{price.costAYear.value.toFixed(2)}
						{data.settings.currency}, {price.costAYear.low.toFixed(2)} to {price.costAYear.high.toFixed(
							2
						)}
					</dd>
				</dl>
				<p class="notice" data-kind="done" data-pays>
					{#if lost.value === 0}Nothing was clipped, so a larger inverter gains nothing.
					{:else if price.paysAfter === null}Enter the extra cost of a larger inverter.
					{:else if price.paysAfter > 40}A larger inverter would not pay for itself in 40 years:
						leave it.
					{:else}A larger inverter would have paid for itself after about {price.paysAfter.toFixed(
							0
						)} years.{/if}
				</p>
			{:else if form.figures && session.found}
				<p class="soft" data-pays>
					A yearly figure needs a year of data: {session.found.dates.length} days are here.
				</p>
			{:else}
				<p class="soft">
					Enter the price of a kWh, or store it under
					<a href={resolve('/sites/[site]/monitoring/settings', { site: data.site.id })}>Settings</a
					>.
				</p>
			{/if}
		{/snippet}
		{#snippet below()}
			{#if day && ofDay && data.span && shown.length > 0}
				<h2 class="above">{dateWords(day)}</h2>
				<CourseChart
					siteId={data.site.id}
					timeZone={data.site.timeZone}
					units={shown}
					quantity="power"
					whole={data.span}
					first={ofDay}
				/>
			{/if}
		{/snippet}
	</MonitoringPage>
</LookThrough>

<style>
	h2 {
		font-size: 1.2rem;
	}

	section {
		display: grid;
		gap: 0.6rem;
		margin-bottom: 1rem;
	}

	.days {
		display: flex;
		flex-wrap: wrap;
		gap: 0.4rem;
	}

	.above {
		margin-top: 1.2rem;
	}
</style>
