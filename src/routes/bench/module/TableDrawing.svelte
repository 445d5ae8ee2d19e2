<script lang="ts">
	import type { TablePossible, TableTest } from '$core/diagnosis';

	interface Props {
		sections: number;
		possible: readonly TablePossible[];
		test: TableTest | null;
	}
	let { sections: substrings, possible, test }: Props = $props();

	const WIDTH = 640;
	const LEFT = 40;
	const pitch = $derived((WIDTH - 2 * LEFT) / substrings);
	const x = (n: number) => LEFT + n * pitch;
	const indices = $derived(Array.from({ length: substrings }, (_, i) => i));
	const of = (kind: 'section' | 'joint', at: number) =>
		possible
			.filter(
				({ fault, at: where }) =>
					where === at && fault !== null && fault.startsWith('joint') === (kind === 'joint')
			)
			.reduce((sum, { probability }) => sum + probability, 0);
	const probes = $derived.by((): readonly [number, number] | null => {
		if (!test) return null;
		if (test.quantity === 'leads') return [LEFT - 26, WIDTH - LEFT + 26];
		if (test.quantity === 'joint') return [x(test.at) - 12, x(test.at) + 12];
		return [x(test.at) + 14, x(test.at + 1) - 14];
	});
</script>

<svg
	viewBox="0 0 {WIDTH} 120"
	role="img"
	aria-label="{substrings} sections with their diodes and joints"
>
	<path d="M4 64H{WIDTH - 4}" class="line" />
	{#each indices as i (i)}
		<rect
			x={x(i) + 16}
			y="44"
			width={pitch - 32}
			height="40"
			class="section"
			style:--uncertainty="{Math.round(100 * of('section', i))}%"
		/>
		<path
			d="M{x(i) + 10} 64V100H{x(i) + pitch / 2 - 8} M{x(i) + pitch / 2 + 8} 100H{x(i + 1) - 10}V64"
			class="line thin"
		/>
		<path d="M{x(i) + pitch / 2 - 8} 92v16l14 -8z M{x(i) + pitch / 2 + 7} 92v16" class="diode" />
		<text x={x(i) + pitch / 2} y="69">{i + 1}</text>
	{/each}
	{#each [...indices, substrings] as connector (connector)}
		<circle
			cx={x(connector)}
			cy="64"
			r="6"
			class="joint"
			class:hot={of('joint', connector) > 0.1}
		/>
	{/each}
	{#if probes}
		<path d="M{probes[0]} 64V14H{probes[1]}V64" class="probe-lead" />
		<circle cx={probes[0]} cy="64" r="6" class="probe" />
		<circle cx={probes[1]} cy="64" r="6" class="probe plus" />
	{/if}
	<text x="12" y="54">−</text>
	<text x={WIDTH - 12} y="54">+</text>
</svg>

<style>
	svg {
		display: block;
		width: 100%;
		max-width: 46rem;
		margin-top: 0.8rem;
	}

	.line {
		fill: none;
		stroke: var(--ink);
		stroke-width: 2;
	}

	.thin {
		stroke-width: 1.4;
	}

	.section {
		fill: color-mix(in srgb, var(--off) var(--uncertainty), var(--sheet));
		stroke: var(--ink);
		stroke-width: 2;
	}

	.diode {
		fill: var(--ink);
		stroke: var(--ink);
		stroke-width: 1.6;
	}

	.joint {
		fill: var(--sheet);
		stroke: var(--ink);
		stroke-width: 2;
	}

	.hot {
		stroke: var(--off);
		stroke-width: 4;
	}

	.probe {
		fill: var(--sheet);
		stroke: var(--accent);
		stroke-width: 3.4;
	}

	.plus {
		fill: var(--accent);
	}

	.probe-lead {
		fill: none;
		stroke: var(--accent);
		stroke-width: 2.6;
	}

	text {
		font-family: var(--mono);
		font-size: 15px;
		font-weight: 650;
		fill: var(--ink);
		text-anchor: middle;
	}
</style>
