<script lang="ts">
	interface Props {
		modules: number;
		fuse: { readonly rating: number | null } | null;
		/** Codes of the likeliest causes drawn on the line. */
		suspects?: readonly string[];
		/** Where the next reading is taken. */
		lit?: boolean;
		/** Room for the modules, px. */
		room?: number;
	}
	let { modules, fuse, suspects = [], lit = false, room = 214 }: Props = $props();

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
</script>

<!-- From the far module on the left to the inverter's input on the right, in electrical order. -->
<svg viewBox="0 0 {width} {HEIGHT}" {width} height={HEIGHT} aria-hidden="true" class:lit>
	<path
		d="M2 {Y}H{end} M{end} {Y}H{fuse ? fuseX - 15 : width} {fuse
			? `M${fuseX + 15} ${Y}H${width}`
			: ''}"
		class="line"
	/>
	{#each { length: modules } as _, i (i)}
		<g transform="translate({8 + i * pitch} 0)">
			<rect x="0" y={Y - 10} width={side} height="20" class="module" />
			{#if side > 8}
				<path
					d="M{side / 2 - side / 3} {Y - 10} L{side / 2} {Y - 4} L{side / 2 + side / 3} {Y - 10}"
					class="tip"
				/>
			{/if}
		</g>
	{/each}
	{#if suspectModules}
		<path d="M5 {Y - 15}v-2.5H{end}v2.5 M5 {Y + 15}v2.5H{end}v-2.5" class="suspect" />
	{/if}
	{#if fuse}
		<rect x={fuseX - 15} y={Y - 6} width="30" height="12" class="module" />
		<path d="M{fuseX - 15} {Y}h30" class="line" />
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

	.probe {
		fill: var(--accent);
	}

	.probe-lead {
		stroke: var(--accent);
		stroke-width: 2.4;
	}
</style>
