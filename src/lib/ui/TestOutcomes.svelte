<script lang="ts">
	import type { Unit } from '$core/visit';
	import type { ProposedTest } from '$core/diagnosis';
	import { chance } from '../text/format';

	let { test, unit }: { test: ProposedTest; unit: Unit } = $props();

	/** From here on ohms are an open line. */
	const OPEN_LINE = 1e4;

	function range(low: number | null, high: number | null): string {
		if (low === null || high === null) return 'another figure';
		if (unit === 'ohm' && low > OPEN_LINE) return 'open line';
		if (unit === '') return String(Math.round((low + high) / 2));
		const digits = Math.abs(high - low) < 4 ? 1 : 0;
		const [from, to] = [low, high].map((value) => value.toFixed(digits).replace('-', '\u2212'));
		return from === to ? `${from!} ${unit}` : `${from!} to ${to!} ${unit}`;
	}
</script>

<ul aria-label="What each outcome would mean">
	{#each test.outcomes as outcome, i (i)}
		{#if outcome.probability > 0.004}
			<li>
				<span class="bar" style:width="{Math.max(2, 100 * outcome.probability)}%"></span>
				<span class="figure range">{range(outcome.low, outcome.high)}</span>
				<span class="figure share">{chance(outcome.probability)}</span>
				<span class="words">{outcome.words}</span>
			</li>
		{/if}
	{/each}
</ul>

<style>
	li {
		position: relative;
		display: grid;
		grid-template-columns: 1fr auto;
		gap: 0 0.75rem;
		padding: 0.35rem 0 0.55rem;
		border-top: 1px solid var(--line);
	}

	.bar {
		position: absolute;
		left: 0;
		bottom: 0;
		height: 4px;
		background: var(--ink);
	}

	.range {
		font-weight: 650;
	}

	.words {
		grid-column: 1 / -1;
		line-height: 1.3;
	}
</style>
