<script lang="ts">
	import { modulesPerDevice } from '$core/faults';
	import type { StringRecord } from '$core/record';
	import { probePoints, type ProbedReading, type SuspectSegment } from './suspect-segment';

	interface Props {
		string: StringRecord;
		suspect: SuspectSegment;
		/** The next reading. */
		probe?: ProbedReading | null;
	}
	let { string, suspect, probe = null }: Props = $props();

	const WIDTH = 720;
	const HEIGHT = 118;
	const Y = 60;
	const LEFT = 26;
	/** Room to the right of the modules, for fuse and switch. */
	const TAIL = 150;
	const n = $derived(string.moduleCount);
	const pitch = $derived((WIDTH - LEFT - TAIL) / n);
	const side = $derived(Math.max(4, pitch - 5));
	const x = (modules: number) => LEFT + modules * pitch;
	const fuseX = $derived(WIDTH - TAIL + 48);
	const switchX = $derived(WIDTH - 34);
	const each = $derived(modulesPerDevice(string));
	const indices = $derived(Array.from({ length: n }, (_, i) => i));
	const points = $derived(probe ? probePoints(probe, n) : null);
	const atFuse = $derived(probe?.place.kind === 'fuse');
	const clamped = $derived(probe?.quantity === 'operating-current');
	const words = $derived(
		suspect.span
			? `suspect from module ${Math.floor(suspect.span[0]) + 1} to ${Math.ceil(suspect.span[1])} of ${n}`
			: suspect.fuse
				? 'suspect at the fuse'
				: 'no segment suspect'
	);
</script>

<!-- From the negative end on the left to the switch on the right; module numbers below. -->
<svg viewBox="0 0 {WIDTH} {HEIGHT}" role="img" aria-label="{string.label}: {words}">
	<path d="M4 {Y}H{WIDTH - 4}" class="line" />
	{#if suspect.span}
		<rect
			x={x(suspect.span[0]) - 3}
			y={Y - 27}
			width={Math.max(8, (suspect.span[1] - suspect.span[0]) * pitch)}
			height="54"
			class="stretch"
		/>
	{/if}
	{#each indices as i (i)}
		<rect x={x(i)} y={Y - 17} width={side} height="34" class="module" />
		{#if pitch > 15}
			<path d="M{x(i) + side / 6} {Y - 17}l{side / 3} 9l{side / 3} -9" class="tip" />
		{/if}
		{#if pitch > 13 || i % 5 === 4 || i === 0 || i === n - 1}
			<text x={x(i) + side / 2} y={HEIGHT - 4}>{i + 1}</text>
		{/if}
		{#if each > 0 && i % each === 0}
			<path
				d="M{x(i) + (Math.min(each, n - i) * pitch) / 2 - 7} {Y + 20}h10v6h-10z"
				class="device"
			/>
		{/if}
	{/each}
	{#if suspect.span}
		<path
			d="M{x(suspect.span[0]) - 3} {Y - 22}v-9H{x(suspect.span[1]) - 3}v9 M{x(suspect.span[0]) -
				3} {Y + 22}v9H{x(suspect.span[1]) - 3}v-9"
			class="bracket"
		/>
	{/if}
	{#if string.fuse}
		<rect x={fuseX - 20} y={Y - 9} width="40" height="18" class="module" />
		<path d="M{fuseX - 20} {Y}h40" class="line" />
		{#if suspect.fuse}
			<path d="M{fuseX - 27} {Y - 17}v-7h54v7 M{fuseX - 27} {Y + 17}v7h54v-7" class="bracket" />
		{/if}
	{/if}
	<path d="M{switchX - 16} {Y}l22 -13" class="switch" />
	<circle cx={switchX - 16} cy={Y} r="3" class="device" />
	{#if suspect.beyond}
		<path d="M{switchX - 24} {Y - 20}v-7h44v7 M{switchX - 24} {Y + 14}v7h44v-7" class="bracket" />
	{/if}
	{#if clamped}
		<ellipse cx={WIDTH - TAIL + 14} cy={Y} rx="7" ry="17" class="clamp" />
		<path d="M{WIDTH - TAIL + 14} {Y - 17}V16" class="probe-lead" />
	{:else if points}
		{#each points as at, p (p)}
			<path d="M{x(at) - 2.5} {Y}V16" class="probe-lead" />
			<circle cx={x(at) - 2.5} cy={Y} r="6" class="probe" class:plus={p === 1} />
		{/each}
		<path d="M{x(points[0]) - 2.5} 16H{x(points[1]) - 2.5}" class="probe-lead" />
	{:else if atFuse}
		<path d="M{fuseX - 24} {Y}V16H{fuseX + 24}V{Y}" class="probe-lead" />
		<circle cx={fuseX - 24} cy={Y} r="6" class="probe" />
		<circle cx={fuseX + 24} cy={Y} r="6" class="probe plus" />
	{/if}
	<text x="6" y={Y - 8} class="pole">−</text>
	<text x={WIDTH - TAIL + 6} y={Y - 8} class="pole">+</text>
</svg>

<style>
	svg {
		display: block;
		width: 100%;
		height: auto;
		max-height: 130px;
	}

	.line,
	.switch {
		stroke: var(--ink);
		stroke-width: 2;
		fill: none;
	}

	.module {
		fill: var(--sheet);
		stroke: var(--ink);
		stroke-width: 1.8;
	}

	.tip {
		fill: none;
		stroke: var(--ink);
		stroke-width: 1.2;
	}

	.device {
		fill: var(--ink);
	}

	.stretch {
		fill: var(--lit);
	}

	.bracket {
		fill: none;
		stroke: var(--off);
		stroke-width: 3.2;
	}

	.probe {
		fill: var(--sheet);
		stroke: var(--accent);
		stroke-width: 3.4;
	}

	.clamp {
		fill: none;
		stroke: var(--accent);
		stroke-width: 4;
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
		font-size: 12px;
		fill: var(--ink);
		text-anchor: middle;
	}

	.pole {
		font-size: 18px;
		font-weight: 700;
	}
</style>
