<script lang="ts">
	import { planesOf, rangesOfIds } from '$core/record';
	import { resolve } from '$app/paths';
	import { IRRADIANCE_SOURCE_FACTS, TEMPERATURE_SOURCE_FACTS } from '$core/conditions';
	import { currentConditionsByPlane } from '$core/expectation';
	import VerdictMark from './VerdictMark.svelte';
	import type { VisitSession } from '../session/visit-session.svelte';
	import { ago } from '../text/when';
	import { signed } from '../text/format';

	interface Props {
		session: VisitSession;
		now: number;
		/** px, for what has to stand below it. */
		height?: number;
	}
	let { session, now, height = $bindable(0) }: Props = $props();

	const planes = $derived(
		currentConditionsByPlane(session.document.record, session.document.visit)
	);
	const several = $derived(planesOf(session.document.record).length > 1);
	const groups = $derived(session.assessment.groups.filter(({ verdict }) => verdict));
	type Group = (typeof groups)[number];
	const isElsewhere = ({ plane }: Group) =>
		!planes.some((one) => (one.plane?.id ?? null) === (plane?.id ?? null));
	/** Where its plane has several groups, which strings it has. */
	const nameOf = (group: Group) => {
		const beside = groups.filter(({ plane }) => plane?.id === group.plane?.id);
		if (groups.length < 2) return 'Estimated from strings';
		if (several && !isElsewhere(group) && beside.length < 2) return null;
		return rangesOfIds(session.document.record, group.stringIds);
	};
	const SOURCE_WORDS = {
		'carried-over': 'from another plane',
		'plane-not-stated': 'plane not stated'
	} as const;
	const visit = $derived(session.document.visit.id);
</script>

{#snippet said(group: Group)}
	<details class="strings" name="strings-say">
		<summary>
			{#if nameOf(group)}<span class:soft={groups.length < 2}>{nameOf(group)}:</span>{/if}
			<span class:wide={several}>
				irradiance <span class="figure">{signed(100 * group.irradiance.relative, 1)} %</span>, cell
				temperature <span class="figure">{signed(group.cellTemperature.kelvin, 1)} K</span>
			</span>
			<VerdictMark verdict={group.verdict!} />
		</summary>
		<p>
			{group.words} Known to ± {(200 * group.irradiance.standardUncertainty).toFixed(1)} % irradiance,
			± {(2 * group.cellTemperature.standardUncertainty).toFixed(1)} K.
		</p>
	</details>
{/snippet}

<div class="sky" bind:offsetHeight={height}>
	<a class="site" href={resolve('/sites/[site]', { site: session.document.site.id })}>
		{session.document.site.name}
	</a>
	{#if planes.some(({ entry }) => entry)}
		{#each planes as { plane, entry, source } (plane?.id ?? '')}
			<div class="of-plane" class:several>
				{#if entry}
					{@const { irradiance, cellTemperature, enteredAt } = entry}
					<a
						class="item"
						class:carried={source === 'carried-over'}
						href={resolve('/visits/[visit]/test-conditions', { visit })}
					>
						{#if plane}<strong class="plane">{plane.name}</strong>{/if}
						<span class="figure big">{irradiance.value.toFixed(0)}</span> W/m²
						<span class="soft">
							± {(200 * irradiance.relativeStandardUncertainty).toFixed(0)} %{several
								? ''
								: `, ${IRRADIANCE_SOURCE_FACTS[irradiance.source].short}`}
						</span>
						<span class="figure big">{cellTemperature.value.toFixed(0)}</span> °C
						<span class="soft">
							± {(2 * cellTemperature.standardUncertainty).toFixed(0)} K{several
								? ''
								: `, ${TEMPERATURE_SOURCE_FACTS[cellTemperature.source].short}`}
						</span>
						{#if source !== 'measured'}<span class="soft">{SOURCE_WORDS[source]}</span>{/if}
					</a>
					{#if source !== 'carried-over'}<span class="soft age">{ago(enteredAt, now)}</span>{/if}
				{/if}
				{#each groups.filter((group) => group.plane?.id === plane?.id) as group (group.key)}
					{@render said(group)}
				{/each}
			</div>
		{/each}
		{#each groups.filter(isElsewhere) as group (group.key)}
			{@render said(group)}
		{/each}
	{:else}
		<a class="act missing" href={resolve('/visits/[visit]/test-conditions', { visit })}
			>Enter irradiance and cell temperature</a
		>
		<span class="soft">Without them there is nothing to compare a reading with.</span>
	{/if}
</div>

<style>
	.sky {
		display: flex;
		flex-wrap: wrap;
		align-items: baseline;
		gap: 0.1rem 1.4rem;
		position: relative;
		z-index: 2;
		padding: 0.55rem clamp(0.75rem, 2vw, 1.5rem);
		background: var(--well);
		border-bottom: 1px solid var(--line);
	}

	@media (min-width: 901px) {
		/* Every number below hangs on it, so it stays. */
		.sky {
			position: sticky;
			top: 0;
		}
	}

	.site {
		color: var(--ink);
		font-weight: 650;
		padding: 0.35rem 0;
	}

	/* Of one plane its parts stand in the strip like all else; of several each keeps together. */
	.of-plane {
		display: contents;
	}

	.of-plane.several {
		display: flex;
		flex-wrap: wrap;
		align-items: baseline;
		gap: 0 0.9rem;
	}

	.item {
		color: var(--ink);
		text-decoration: none;
		padding: 0.35rem 0;
	}

	.item:hover {
		text-decoration: underline;
	}

	.plane {
		margin-inline-end: 0.3rem;
	}

	.carried {
		font-style: italic;
	}

	.big {
		font-size: 1.3rem;
		font-weight: 650;
	}

	.item .soft,
	.age {
		font-size: 0.88rem;
	}

	.strings {
		font-size: 0.95rem;
	}

	.strings summary {
		display: flex;
		flex-wrap: wrap;
		align-items: center;
		gap: 0 0.6rem;
		list-style: none;
		text-decoration: underline dotted;
		text-underline-offset: 0.25em;
	}

	.strings summary::-webkit-details-marker {
		display: none;
	}

	/* Lies over the page: what stands below must not move, and the strip keeps its height. */
	.strings p {
		position: absolute;
		inset: 100% 0 auto;
		padding: 0.7rem clamp(0.75rem, 2vw, 1.5rem);
		background: var(--sheet);
		border-block-end: var(--stroke) solid var(--rule);
	}

	@media (max-width: 640px) {
		.item .soft,
		.age,
		.strings .soft,
		.strings .wide {
			display: none;
		}

		.site {
			flex-basis: 100%;
			padding-bottom: 0;
		}
	}

	@media print {
		.sky {
			display: none;
		}
	}
</style>
