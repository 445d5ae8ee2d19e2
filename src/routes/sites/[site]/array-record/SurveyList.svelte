<script lang="ts">
	import { resolve } from '$app/paths';
	import { type ArrayRecord, type Station, STATIONS, type Unknown } from '$core/record';

	interface Props {
		site: string;
		unknowns: readonly Unknown[];
		record: ArrayRecord;
	}
	let { site, unknowns, record }: Props = $props();

	const STATION_NAMES: Readonly<Record<Station, string>> = {
		office: 'At the desk',
		roof: 'On the roof',
		combiner: 'At the combiner',
		inverter: 'At the inverter',
		'ac-side': 'On the AC side'
	};
	const segments = $derived(
		STATIONS.map((station) => ({
			station,
			list: unknowns.filter((unknown) => unknown.station === station)
		})).filter(({ list }) => list.length > 0)
	);

	function addressOf({ at }: Unknown): string {
		switch (at.kind) {
			case 'module-type':
				return resolve('/sites/[site]/array-record/module-types/[type]', { site, type: at.id });
			case 'module-types':
				return resolve('/sites/[site]/array-record/module-types/[type]', { site, type: 'new' });
			case 'part':
				return resolve('/sites/[site]/array-record/parts/[part]', { site, part: at.id });
			case 'part-kind':
				return `${resolve('/sites/[site]/array-record/parts/[part]', { site, part: 'new' })}?kind=${at.part}`;
			case 'map':
				return resolve('/sites/[site]/map', { site });
			case 'site':
				return '#site';
			case 'strings': {
				const [first] = record.strings;
				return first
					? resolve('/sites/[site]/array-record/strings/[string]', { site, string: first.id })
					: resolve('/sites/[site]/map', { site });
			}
		}
	}
</script>

<aside aria-label="Still unknown">
	<h2>Still unknown</h2>
	{#if unknowns.length === 0}
		<p class="soft">Nothing. The record is complete.</p>
	{:else}
		<p class="soft">In the order of a walk from the office over the roof to the AC side.</p>
		{#each segments as { station, list } (station)}
			<h3>{STATION_NAMES[station]}</h3>
			<ul>
				{#each list as unknown (unknown.key)}
					<li>
						<!-- eslint-disable-next-line svelte/no-navigation-without-resolve -- resolved above -->
						<a href={addressOf(unknown)}>
							<span>{unknown.words}</span>
							<span class="soft">{unknown.why}</span>
						</a>
					</li>
				{/each}
			</ul>
		{/each}
	{/if}
</aside>

<style>
	aside {
		margin-top: 1.6rem;
		padding-inline-start: 1.4rem;
		border-inline-start: var(--stroke) solid var(--rule);
	}

	h2 {
		font-size: 1.25rem;
	}

	h3 {
		margin-top: 0.9rem;
		font-size: 1rem;
	}

	a {
		display: grid;
		padding: 0.4rem 0;
		min-height: 44px;
		align-content: center;
		border-bottom: 1px solid var(--line);
		color: var(--ink);
		text-decoration: none;
		line-height: 1.3;
	}

	a:hover {
		background: var(--lit);
	}

	.soft {
		font-size: 0.9rem;
	}

	@media (max-width: 1000px) {
		aside {
			padding-inline-start: 0;
			border: 0;
		}
	}
</style>
