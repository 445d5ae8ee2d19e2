<script lang="ts">
	import { currentAt, fillFactorOf, fitLabel, MET, type Nameplate } from '$core/module';

	let { plate: nameplate, blocked }: { plate: Nameplate | null; blocked: boolean } = $props();

	const WIDTH = 300;
	const HEIGHT = 190;
	const POINTS = 80;
	const fit = $derived(nameplate && !blocked ? fitLabel(nameplate) : null);
	const x = $derived(
		(voltage: number) => 8 + (voltage / ((nameplate?.voc ?? 1) * 1.04)) * (WIDTH - 16)
	);
	const y = $derived(
		(current: number) => HEIGHT - 8 - (current / ((nameplate?.isc ?? 1) * 1.1)) * (HEIGHT - 16)
	);
	const curve = $derived(
		nameplate && fit
			? Array.from({ length: POINTS + 1 }, (_, i) => {
					const voltage = (nameplate.voc * i) / POINTS;
					return `${i === 0 ? 'M' : 'L'}${x(voltage).toFixed(1)} ${y(currentAt(fit.reference, voltage)).toFixed(1)}`;
				}).join('')
			: ''
	);
</script>

<section class="panel" aria-label="What the label says">
	<h2>What it says</h2>
	{#if nameplate && fit}
		<svg
			viewBox="0 0 {WIDTH} {HEIGHT}"
			role="img"
			aria-label="Current over voltage of the fitted module"
		>
			<path d="M8 8V{HEIGHT - 8}H{WIDTH - 8}" class="axis" />
			<path d="M{x(0)} {y(nameplate.imp)}H{x(nameplate.vmp)}V{y(0)}" class="box" />
			<path d={curve} class="curve" />
			<circle cx={x(nameplate.vmp)} cy={y(nameplate.imp)} r="4.5" />
		</svg>
		<dl>
			<dt>Vmp x Imp</dt>
			<dd class="figure">{(nameplate.vmp * nameplate.imp).toFixed(1)} W</dd>
			<dt>fill factor</dt>
			<dd class="figure">{fillFactorOf(nameplate).toFixed(3)}</dd>
			<dt>Voc per cell</dt>
			<dd class="figure">{(nameplate.voc / nameplate.cellsInSeries).toFixed(3)} V</dd>
			<dt>one substring</dt>
			<dd class="figure">{(nameplate.voc / nameplate.sections).toFixed(1)} V</dd>
		</dl>
		{#if fit.residual < MET}
			<p class="soft">Five parameters meet this label exactly.</p>
		{/if}
		{#each fit.notes as note (note)}<p class="note">{note}</p>{/each}
	{:else if blocked}
		<p>The label contradicts itself; the marked fields come first.</p>
	{:else}
		<p class="soft">The curve of the module appears here when the label is complete.</p>
	{/if}
</section>

<style>
	section {
		padding: 1rem 1.1rem;
		display: grid;
		gap: 0.6rem;
	}

	h2 {
		font-size: 1.05rem;
	}

	svg {
		width: 100%;
	}

	.axis,
	.box {
		fill: none;
		stroke: var(--rule);
	}

	.box {
		stroke-dasharray: 3 4;
	}

	.curve {
		fill: none;
		stroke: var(--accent);
		stroke-width: 2.6;
	}

	circle {
		fill: var(--ink);
	}

	dl {
		display: grid;
		grid-template-columns: 1fr auto;
	}

	dd {
		text-align: end;
	}

	.note {
		color: var(--look);
		font-weight: 550;
	}
</style>
