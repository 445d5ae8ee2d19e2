<script lang="ts">
	import { countedOnce } from '$core/monitoring';
	import { goto } from '$app/navigation';
	import { resolve } from '$app/paths';
	import PageHead from '$lib/ui/PageHead.svelte';
	import Chart from '$lib/charts/Chart.svelte';
	import { heatmapOption } from '$lib/charts/heatmap-option';
	import EventMark from '$lib/monitoring/EventMark.svelte';
	import {
		lossWords,
		arrayEventWords,
		clockWords,
		dateWords,
		eventWords,
		FLAT_KIND_WORDS,
		flatGroups,
		flatWords,
		lasts
	} from '$lib/monitoring/event-words';
	import InferredPlanes from '$lib/monitoring/InferredPlanes.svelte';
	import LookThrough from '$lib/monitoring/LookThrough.svelte';
	import SpecificYield from '$lib/monitoring/SpecificYield.svelte';
	import { useMonitoring } from '$lib/session/monitoring-session.svelte';
	import type { EChartsType } from 'echarts/core';

	let { data } = $props();
	const session = useMonitoring();
	const found = $derived(session.found);
	const now = $derived(found?.events.filter(lasts) ?? []);
	const over = $derived(found?.events.filter((event) => !lasts(event)) ?? []);
	const flat = $derived(found ? flatGroups(found.clipping) : []);
	const compared = $derived(session.year?.units.filter(({ key }) => found?.shares.has(key)) ?? []);
	const counted = $derived(countedOnce(found?.energy ?? []));
	const total = $derived(
		found?.energy.reduce((sum, one) => sum + (counted.has(one.unit) ? one.energy : 0), 0) ?? 0
	);
	const labels = $derived(
		session.year?.units.reduce(
			(sum, unit) => sum + (counted.has(unit.key) ? unit.labelWatts : 0),
			0
		) ?? 0
	);
	const complete = $derived(
		found && found.energy.length > 0
			? found.energy.reduce((sum, one) => sum + one.complete, 0) / found.energy.length
			: 1
	);
	const headline = $derived(
		now.length === 0
			? 'No unit underperforms'
			: now.length === 1
				? 'One unit underperforms'
				: `${now.length} units underperform`
	);
	const unitPage = (unit: string) =>
		resolve('/sites/[site]/monitoring/units/[unit]', {
			site: data.site.id,
			unit: encodeURIComponent(unit)
		});

	/** A press on a row of days leads to its unit. */
	function listen(chart: EChartsType): void {
		chart.on('click', ({ value }) => {
			const unit = Array.isArray(value) ? compared[value[1] as number] : undefined;
			// eslint-disable-next-line svelte/no-navigation-without-resolve -- resolved above
			if (unit) void goto(unitPage(unit.key));
		});
	}
</script>

<svelte:head><title>Watch · {data.site.name} · Zembo</title></svelte:head>

<LookThrough some={data.span !== null}>
	{#if found && session.year}
		<div class="head">
			<PageHead
				facts={[
					{ words: 'generated', figure: `${total.toFixed(0)} kWh` },
					{
						words: 'specific yield',
						figure: `${labels > 0 ? ((1000 * total) / labels).toFixed(0) : '?'} kWh/kW`
					},
					{ words: 'of the samples are there', figure: `${(100 * complete).toFixed(1)} %` }
				]}
			>
				<h1>{headline}</h1>
				<p class="soft">
					{dateWords(found.dates[0]!)} to {dateWords(found.dates.at(-1)!)}, {found.energy.length}
					units every {session.year.times.step / 60_000} minutes
				</p>
			</PageHead>
		</div>

		{#if found.clock}
			{@const { what, mend } = clockWords(found.clock)}
			<div class="notice" data-kind="warn" data-clock={found.clock.kind}>
				<p><strong>{what}</strong></p>
				<p>
					{mend}
					<a href={resolve('/sites/[site]/monitoring/exports', { site: data.site.id })}>Exports</a>
				</p>
			</div>
		{/if}
		{#if now.length > 0}
			<ul class="events" aria-label="What underperforms now">
				{#each now as event (`${event.unit} ${event.kind} ${event.since}`)}
					{@const cause = found.causes.get(event.unit)}
					<li data-event={event.kind}>
						<EventMark kind={event.kind} />
						<div>
							<p class="what">
								<strong>{session.labelOf(event.unit)}</strong>
								{eventWords(event)}.
							</p>
							{#if cause}<p>{cause.words}</p>{/if}
							<p class="soft">
								{lossWords(event)}{data.settings.price === null
									? ''
									: `, ${(event.lost * data.settings.price).toFixed(0)} ${data.settings.currency}`}.
							</p>
						</div>
						<!-- eslint-disable-next-line svelte/no-navigation-without-resolve -- resolved above -->
						<a class="act" href={unitPage(event.unit)}>Look, and plan a visit</a>
					</li>
				{/each}
			</ul>
		{:else if compared.length > 0}
			<p class="notice" data-kind="done">
				{compared.length} units keep up with their peers. A fault that all of them share does not show
				in such a comparison: see Expected.
			</p>
		{/if}

		{#if flat.length > 0}
			<ul class="events quiet" aria-label="Flat tops">
				{#each flat as group (`${group.kind} ${group.level}`)}
					<li data-flat={group.kind}>
						<svg viewBox="0 0 26 20" width="39" height="30" aria-hidden="true">
							<path d="M1 17 L8 5 H18 L25 17" />
						</svg>
						<div>
							<p class="what">{flatWords(group, (key) => session.labelOf(key))}.</p>
							<p>
								<strong>{FLAT_KIND_WORDS[group.kind].name}.</strong>
								{FLAT_KIND_WORDS[group.kind].means}
							</p>
							<p class="soft">
								{group.lost
									? `${lossWords({ lost: group.lost.value, lostBand: group.lost })}.`
									: 'What it cost cannot be told.'}
								<a href={resolve('/sites/[site]/monitoring/clipping', { site: data.site.id })}
									>What that costs</a
								>
							</p>
						</div>
					</li>
				{/each}
			</ul>
		{/if}

		{#if found.arrayEvents.length > 0}
			<section>
				<h2>All together</h2>
				<ul class="lines">
					{#each found.arrayEvents as event (`${event.kind} ${event.since}`)}
						<li data-array-event={event.kind}>
							{arrayEventWords(event)}.{#if event.loss}&nbsp;{lossWords(event.loss)}.{/if}
						</li>
					{/each}
				</ul>
			</section>
		{/if}

		{#if found.planes.length > 0}
			<InferredPlanes
				planes={found.planes}
				targets={data.units.flatMap(({ target }) => target ?? [])}
			/>
		{/if}

		{#if compared.length > 0}
			<section>
				<div class="line">
					<h2>Day by day against its peers</h2>
					<p class="scale" aria-hidden="true">
						<span>half or less</span><span class="shades"></span><span>as its peers</span>
					</p>
				</div>
				<div class="heat" style:height="{Math.max(9, 1.35 * compared.length + 2)}rem">
					<Chart
						parts="watch"
						onready={listen}
						words="Share of what its peers give, by unit and day. The list of specific yields below leads to each unit."
						option={(look) =>
							heatmapOption(
								{
									dates: found.dates,
									labels: compared.map(({ label }) => label),
									shares: compared.map(({ key }) => found.shares.get(key)!)
								},
								look
							)}
					/>
				</div>
			</section>
		{/if}

		<section>
			<h2>Specific yield</h2>
			<p class="soft">
				kWh for each kW of label, the lowest first; and the most of its label at once.
			</p>
			<SpecificYield energy={found.energy} />
		</section>

		{#if over.length > 0}
			<section>
				<h2>Over, or taken off again</h2>
				<ul class="lines">
					{#each over as event (`${event.unit} ${event.kind} ${event.since}`)}
						<li data-event={event.kind}>
							<!-- eslint-disable-next-line svelte/no-navigation-without-resolve -- resolved above -->
							<a href={unitPage(event.unit)}>{session.labelOf(event.unit)}</a>
							{eventWords(event)}. {lossWords(event)}.
						</li>
					{/each}
				</ul>
			</section>
		{/if}
		{#if found.notes.length > 0}
			<section>
				<h2>Limits of this analysis</h2>
				<ul class="lines soft">
					{#each found.notes as note (note)}<li>{note}</li>{/each}
				</ul>
			</section>
		{/if}
	{/if}
</LookThrough>

<style>
	.head {
		margin-top: 1.2rem;
	}

	h1 {
		font-size: 2rem;
	}

	h2 {
		font-size: 1.2rem;
	}

	.events {
		display: grid;
		gap: 0.6rem;
		margin-bottom: 0.8rem;
	}

	.events li {
		display: flex;
		gap: 1rem;
		align-items: center;
		padding: 0.8rem 1.2rem;
		background: var(--sheet);
		border: 1px solid var(--line);
		border-inline-start: 6px solid var(--off);
	}

	.events div {
		flex: 1;
	}

	.quiet li {
		border-inline-start: 6px solid var(--line);
	}

	.quiet svg {
		flex: none;
	}

	.quiet path {
		fill: none;
		stroke: var(--ink);
		stroke-width: 2;
	}

	.what {
		font-size: 1.15rem;
	}

	.what strong {
		margin-inline-end: 0.3rem;
	}

	section {
		margin-top: 1.8rem;
		display: grid;
		gap: 0.5rem;
	}

	.line {
		display: flex;
		flex-wrap: wrap;
		justify-content: space-between;
		align-items: baseline;
		gap: 0 1rem;
	}

	.scale {
		display: flex;
		align-items: center;
		gap: 0.5rem;
		font-size: 0.92rem;
		color: var(--soft);
	}

	.shades {
		width: 7rem;
		height: 12px;
		border: 1px solid var(--line);
		background: linear-gradient(to right, var(--off), var(--sheet));
	}

	.heat {
		background: var(--well);
		border: 1px solid var(--line);
		padding: 0.4rem;
	}

	@media (max-width: 700px) {
		.events li {
			flex-wrap: wrap;
		}

		.events div {
			flex: 1 1 12rem;
		}

		.events .act {
			width: 100%;
		}
	}
</style>
