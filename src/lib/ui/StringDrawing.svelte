<script lang="ts">
	import type { BlockingDiodeRecord, StringDevices, StringFuse } from '$core/record';

	interface Props {
		modules: number;
		fuse: StringFuse;
		devices?: StringDevices | null | 'unknown';
		blockingDiode?: BlockingDiodeRecord;
		/** Codes of the likeliest causes drawn on the line. */
		suspects?: readonly string[];
		/** Modules with something found on them, by number. */
		found?: readonly number[];
		/** Where the next reading is taken. */
		lit?: boolean;
		/** Room for the modules, px. */
		room?: number;
	}
	let {
		modules,
		fuse,
		devices = 'unknown',
		blockingDiode = 'unknown',
		suspects = [],
		found = [],
		lit = false,
		room = 214
	}: Props = $props();

	const HEIGHT = 36;
	const Y = 18;
	const pitch = $derived(Math.min(17.8, room / modules));
	const side = $derived(Math.max(2.2, pitch - 3));
	const end = $derived(8 + modules * pitch);
	const fuseX = $derived(room + 34);
	const width = $derived(room + 66);
	const suspectFuse = $derived(suspects.includes('fuse-blown'));
	const suspectModules = $derived(
		suspects.some((code) => !['fuse-blown', 'reading-wrong', 'conditions-wrong'].includes(code))
	);
	const indices = $derived(Array.from({ length: modules }, (_, i) => i));
	/** All modules as one path: a hundred strings of them stay light. */
	const glass = $derived(
		indices.map((i) => `M${8 + i * pitch} ${Y - 10}h${side}v20h${-side}z`).join('')
	);
	const tips = $derived(
		side > 8
			? indices
					.map(
						(i) =>
							`M${8 + i * pitch + side / 6} ${Y - 10}L${8 + i * pitch + side / 2} ${Y - 4}L${8 + i * pitch + (5 * side) / 6} ${Y - 10}`
					)
					.join('')
			: ''
	);
	/** A device hangs under the modules it covers. */
	const hung = $derived.by(() => {
		if (devices === null || devices === 'unknown') return '';
		const { modulesPerDevice: each } = devices;
		const count = Math.ceil(modules / each);
		return Array.from({ length: count }, (_, d) => {
			const middle = 8 + (d * each + Math.min(each, modules - d * each) / 2) * pitch - 1.5;
			return `M${middle - 2.6} ${Y + 11.5}h5.2v4h-5.2z`;
		}).join('');
	});
</script>

<!-- From the module at the negative end on the left to the inverter's input on the right. -->
<svg viewBox="0 0 {width} {HEIGHT}" {width} height={HEIGHT} aria-hidden="true" class:lit>
	<path
		d="M2 {Y}H{end} M{end} {Y}H{fuse ? fuseX - 15 : width} {fuse
			? `M${fuseX + 15} ${Y}H${width}`
			: ''}"
		class="line"
	/>
	<path d={glass} class="module" />
	{#if tips}<path d={tips} class="tip" />{/if}
	{#if hung}<path d={hung} class="device" />{/if}
	{#each found as number (number)}
		<path d="M{8 + (number - 1) * pitch + side / 2} {Y - 17}l4 6h-8z" class="found" />
	{/each}
	{#if suspectModules}
		<path d="M5 {Y - 15}v-2.5H{end}v2.5 M5 {Y + 15}v2.5H{end}v-2.5" class="suspect" />
	{/if}
	{#if blockingDiode === 'silicon' || blockingDiode === 'schottky'}
		<path d="M{width - 14} {Y - 5}v10l8 -5z M{width - 6} {Y - 5}v10" class="diode" />
	{/if}
	{#if fuse}
		<rect
			x={fuseX - 15}
			y={Y - 6}
			width="30"
			height="12"
			class="module"
			class:unseen={fuse === 'unknown'}
		/>
		<path d="M{fuseX - 15} {Y}h30" class="line" class:unseen={fuse === 'unknown'} />
		{#if suspectFuse}
			<path d="M{fuseX - 20} {Y - 12}v-4h40v4 M{fuseX - 20} {Y + 12}v4h40v-4" class="suspect" />
			<path d="M{fuseX - 6} {Y - 9}l12 18 M{fuseX + 6} {Y - 9}l-12 18" class="suspect" />
		{/if}
	{/if}
	{#if lit}
		<circle cx={room + 14} cy={Y} r="5" class="probe" />
		<path d="M{room + 14} {Y + 5}V{HEIGHT}" class="probe-lead" />
	{/if}
</svg>

<style>
	svg {
		display: block;
		flex: none;
		max-width: 100%;
		overflow: visible;
	}

	.line {
		stroke: var(--ink);
		stroke-width: var(--stroke);
		fill: none;
	}

	.module {
		fill: var(--sheet);
		stroke: var(--ink);
		stroke-width: var(--stroke);
	}

	.unseen {
		stroke-dasharray: 2.5 2.5;
	}

	.device,
	.diode {
		fill: var(--ink);
		stroke: var(--ink);
		stroke-width: 1.4;
	}

	.tip {
		fill: none;
		stroke: var(--ink);
		stroke-width: 1;
	}

	.suspect {
		fill: none;
		stroke: var(--off);
		stroke-width: 2.4;
	}

	.found {
		fill: var(--off);
	}

	.probe {
		fill: var(--accent);
	}

	.probe-lead {
		stroke: var(--accent);
		stroke-width: 2.4;
	}
</style>
