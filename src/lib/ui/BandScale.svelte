<script lang="ts">
	import { expectedAt, type PlaceResult } from '$core/assessment';

	interface Props {
		place: PlaceResult;
		/** Sections in a module, for the fine ticks of a scale of volts. */
		sections: number;
	}
	let { place, sections: substrings }: Props = $props();

	const WIDTH = 124;
	const HEIGHT = 30;
	const MIDDLE = WIDTH / 2;
	/** Amps have no modules to count: this share of the expected current is the unit of their scale. */
	const CURRENT_UNIT = 0.1;
	/** Units from the middle to each end. */
	const REACH = 1.7;

	const expected = $derived(expectedAt(place));
	const voltage = $derived(place.quantity === 'open-circuit-voltage');
	/** What one unit of the scale is, in V or A: one module's volts, so that one short looks alike everywhere. */
	const unit = $derived(
		expected === null
			? 1
			: voltage
				? expected.moduleVoltage
				: Math.max(Math.abs(expected.value) * CURRENT_UNIT, 0.05)
	);
	const perUnit = (MIDDLE - 8) / REACH;
	const half = $derived(
		expected ? Math.min((2 * expected.standardUncertainty) / unit, REACH) * perUnit : 0
	);
	const offset = $derived((place.state === 'judged' ? place.difference : 0) / unit);
	const beyond = $derived(Math.abs(offset) > REACH);
	const tick = $derived(MIDDLE + Math.max(-REACH, Math.min(REACH, offset)) * perUnit);
	const minor = $derived(
		voltage
			? Array.from({ length: 2 * substrings + 1 }, (_, i) => (i - substrings) / substrings)
			: [-1, -0.5, 0, 0.5, 1]
	);
</script>

{#if expected}
	<svg viewBox="0 0 {WIDTH} {HEIGHT}" width={WIDTH} height={HEIGHT} aria-hidden="true">
		<defs>
			<pattern
				id="hatch-{place.key}"
				width="5"
				height="5"
				patternUnits="userSpaceOnUse"
				patternTransform="rotate(45)"
			>
				<path d="M0 0V5" class="hatch" />
			</pattern>
		</defs>
		<path d="M4 15H{WIDTH - 4}" class="axis" />
		{#each minor as at (at)}
			<path
				d="M{MIDDLE + at * perUnit} {Math.abs(at) === 1 ? 10 : 12.5}V{Math.abs(at) === 1
					? 20
					: 17.5}"
				class="axis"
			/>
		{/each}
		<rect
			x={MIDDLE - half}
			y="7"
			width={2 * half}
			height="16"
			fill="url(#hatch-{place.key})"
			class="band"
		/>
		{#if place.state === 'judged'}
			{#if beyond}
				<path
					d="M{tick} 15 l{offset < 0 ? 9 : -9} -6 v12Z"
					class="beyond"
					data-verdict={place.verdict}
				/>
			{:else}
				<path d="M{tick} 1V29" class="reading" data-verdict={place.verdict} />
			{/if}
		{/if}
	</svg>
{/if}

<style>
	svg {
		display: block;
		flex: none;
	}

	.axis {
		stroke: var(--soft);
		stroke-width: 1;
	}

	.band {
		stroke: var(--rule);
		stroke-width: var(--stroke);
	}

	.hatch {
		stroke: var(--soft);
		stroke-width: 1.4;
	}

	.reading {
		stroke: var(--ink);
		stroke-width: 3.4;
	}

	.beyond {
		fill: var(--ink);
	}

	[data-verdict='pass'] {
		stroke: var(--fits);
	}

	.reading[data-verdict='marginal'] {
		stroke: var(--look);
	}

	.reading[data-verdict='fail'] {
		stroke: var(--off);
	}

	.beyond[data-verdict='fail'] {
		fill: var(--off);
		stroke: none;
	}
</style>
