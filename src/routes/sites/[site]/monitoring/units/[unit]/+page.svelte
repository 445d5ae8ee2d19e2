<script lang="ts">
	import { resolve } from '$app/paths';
	import { page } from '$app/state';
	import Chart from '$lib/charts/Chart.svelte';
	import { shareOption } from '$lib/charts/share-option';
	import CourseChart from '$lib/monitoring/CourseChart.svelte';
	import { dateWords, eventWords, lasts } from '$lib/monitoring/event-words';
	import LookThrough from '$lib/monitoring/LookThrough.svelte';
	import PlanVisit from '$lib/monitoring/PlanVisit.svelte';
	import { useMonitoring } from '$lib/session/monitoring-session.svelte';

	let { data } = $props();
	const session = useMonitoring();
	const WEEK = 7 * 86_400_000;

	const key = $derived(decodeURIComponent(page.params.unit ?? ''));
	const unit = $derived(session.unit(key));
	const events = $derived(session.found?.events.filter((event) => event.unit === key) ?? []);
	const now = $derived(events.find(lasts) ?? null);
	const cause = $derived(session.found?.causes.get(key) ?? null);
	const shares = $derived(session.found?.shares.get(key) ?? null);
	const energy = $derived(session.found?.energy.find((one) => one.unit === key) ?? null);
	/** One that is alike and keeps up, to look at beside it. */
	const neighbour = $derived(
		session.year?.units.find(
			(other) =>
				other.key !== key &&
				other.like === unit?.like &&
				!session.found?.events.some((event) => event.unit === other.key)
		) ?? null
	);
	const beside = $derived([unit, neighbour].flatMap((one) => (one ? [one] : [])));
	const quantities = $derived(
		(['power', 'dc-voltage', 'dc-current'] as const).filter((quantity) =>
			data.units.some((one) => one.quantities.includes(quantity))
		)
	);
	let quantity = $state<'power' | 'dc-voltage' | 'dc-current'>('power');
	const share = (value: number) => `${(100 * value).toFixed(0)} %`;
</script>

<svelte:head><title>{unit?.label ?? 'Unit'} · {data.site.name} · Zembo</title></svelte:head>

<LookThrough some={data.span !== null}>
	{#if !unit}
		<p class="notice">
			The export has no such unit in the time shown. <a
				href={resolve('/sites/[site]/monitoring', { site: data.site.id })}>All units</a
			>
		</p>
	{:else}
		<h1>
			{unit.label}
			{#if now}{eventWords(now)}{:else if shares}keeps up with its peers{/if}
		</h1>
		<div class="split">
			<div class="left">
				{#if shares && session.found}
					<h2>Share of what its peers give, day by day</h2>
					<div class="shares">
						<Chart
							parts="watch"
							words="Share of what its peers give, by day{now ? `; it ${eventWords(now)}` : ''}"
							option={(look) =>
								shareOption(
									{
										dates: session.found!.dates,
										shares,
										marks: events
											.filter(({ kind }) => kind !== 'shade')
											.map(({ since }) => ({ date: since, words: dateWords(since) }))
									},
									look
								)}
						/>
					</div>
				{:else}
					<p class="notice">Nothing alike stands beside it, so it is compared with nothing.</p>
				{/if}
				<div class="line">
					<h2>{neighbour ? `Beside ${neighbour.label}, which keeps up` : 'Its course'}</h2>
					<p class="choose">
						{#each quantities as one (one)}
							<button
								class="act-plain choice"
								aria-pressed={quantity === one}
								onclick={() => (quantity = one)}
								>{{ power: 'Power', 'dc-voltage': 'Volts', 'dc-current': 'Amps' }[one]}</button
							>
						{/each}
					</p>
				</div>
				{#if data.span}
					<CourseChart
						siteId={data.site.id}
						timeZone={data.site.timeZone}
						units={beside}
						{quantity}
						whole={data.span}
						first={{ from: Math.max(data.span.from, data.span.to - WEEK), to: data.span.to }}
					/>
				{/if}
			</div>
			<aside>
				{#if now}
					<h2>What it points at</h2>
					{#if cause}
						<p data-cause>{cause.words}</p>
						{#if cause.measured}
							<dl class="facts">
								<dt>Volts of its peers</dt>
								<dd class="figure">{share(cause.measured.voltage)}</dd>
								<dt>Amps of its peers</dt>
								<dd class="figure">{share(cause.measured.current)}</dd>
							</dl>
						{/if}
						<p><strong>On the visit:</strong> {cause.next}</p>
					{/if}
					<PlanVisit siteId={data.site.id} reason="{unit.label} {eventWords(now)} (monitoring)" />
				{/if}
				<h2>Figures</h2>
				<dl class="facts">
					<dt>Label</dt>
					<dd class="figure">{unit.labelWatts > 0 ? `${unit.labelWatts.toFixed(0)} W` : '?'}</dd>
					{#if unit.ratedWatts !== null}
						<dt>AC rating</dt>
						<dd class="figure">{unit.ratedWatts.toFixed(0)} W</dd>
					{/if}
					{#if energy}
						<dt>Made</dt>
						<dd class="figure">{energy.energy.toFixed(1)} kWh</dd>
						{#if energy.specific !== null}
							<dt>For each kW of label</dt>
							<dd class="figure">{energy.specific.toFixed(0)} kWh</dd>
						{/if}
						{#if energy.bestShare !== null}
							<dt>Most of its label at once</dt>
							<dd class="figure">{share(energy.bestShare)}</dd>
						{/if}
						<dt>Samples that are there</dt>
						<dd class="figure">{share(energy.complete)}</dd>
					{/if}
				</dl>
				{#if events.length > 0}
					<h2>What happened</h2>
					<ul class="lines">
						{#each events as event (`${event.kind} ${event.since}`)}
							<li>It {eventWords(event)}. About {event.lost.toFixed(1)} kWh.</li>
						{/each}
					</ul>
				{/if}
			</aside>
		</div>
	{/if}
</LookThrough>

<style>
	h1 {
		font-size: 1.7rem;
		margin: 1.2rem 0 0.8rem;
	}

	h2 {
		font-size: 1.15rem;
	}

	.split {
		display: grid;
		grid-template-columns: minmax(0, 1fr) 21rem;
		gap: 2rem;
		align-items: start;
	}

	.left,
	aside {
		display: grid;
		gap: 0.7rem;
		min-width: 0;
	}

	.shares {
		height: 17rem;
	}

	.line {
		display: flex;
		flex-wrap: wrap;
		justify-content: space-between;
		align-items: center;
		gap: 0.4rem 1rem;
		margin-top: 0.6rem;
	}

	.choose {
		display: flex;
		gap: 0.4rem;
	}

	@media (max-width: 900px) {
		.split {
			grid-template-columns: minmax(0, 1fr);
		}

		aside {
			order: -1;
		}
	}
</style>
