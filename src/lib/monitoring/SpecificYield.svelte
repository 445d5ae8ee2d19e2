<script lang="ts">
	import { resolve } from '$app/paths';
	import type { UnitEnergy } from '$core/monitoring';
	import { useMonitoring } from '../session/monitoring-session.svelte';

	let { energy }: { energy: readonly UnitEnergy[] } = $props();
	const session = useMonitoring();
	const known = $derived(energy.filter(({ specific }) => specific !== null));
	const most = $derived(Math.max(...known.map(({ specific }) => specific!), 1));
	const sorted = $derived([...known].sort((a, b) => a.specific! - b.specific!));
</script>

<ol>
	{#each sorted as { unit, specific, bestShare } (unit)}
		<li>
			<a
				href={resolve('/sites/[site]/monitoring/units/[unit]', {
					site: session.siteId,
					unit: encodeURIComponent(unit)
				})}>{session.labelOf(unit)}</a
			>
			<span class="bar" aria-hidden="true"
				><span style:width="{(100 * specific!) / most}%"></span></span
			>
			<span class="figure">{specific!.toFixed(0)}</span>
			<span class="figure soft best">{(100 * (bestShare ?? 0)).toFixed(0)} %</span>
		</li>
	{/each}
</ol>

<style>
	ol {
		columns: 2;
		column-gap: 2.5rem;
	}

	li {
		display: grid;
		grid-template-columns: 4.5rem minmax(0, 1fr) 3.5rem 3.5rem;
		gap: 0.6rem;
		align-items: center;
		break-inside: avoid;
	}

	a {
		min-height: 32px;
		align-content: center;
	}

	.bar {
		height: 10px;
		border: 1px solid var(--line);
	}

	.bar span {
		display: block;
		height: 100%;
		background: var(--accent);
	}

	.figure {
		text-align: end;
	}

	@media (max-width: 700px) {
		ol {
			columns: 1;
		}

		a {
			min-height: 44px;
		}
	}
</style>
