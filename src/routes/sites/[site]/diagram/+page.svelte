<script lang="ts">
	import Printer from '@lucide/svelte/icons/printer';
	import { resolve } from '$app/paths';
	import { oneLine, type DiagramNode } from '$core/record/one-line';
	import { PART_KINDS } from '$core/record/part';
	import { PART_SYMBOLS } from '$lib/ui/part-symbols';
	import { useRecord } from '$lib/ui/record-session.svelte';
	import { coloursOf } from '$lib/ui/string-colours';

	let { data } = $props();
	const session = useRecord();
	const record = $derived(session.record);
	const diagram = $derived(oneLine(record));
	const colours = $derived(coloursOf(record.strings));

	const BOX = { width: 150, pitch: 174, row: 132 };
	const EDGE = 14;
	const SYMBOL_Y = 16;
	const width = $derived(2 * EDGE + (diagram.columns - 1) * BOX.pitch + BOX.width);
	const height = $derived(2 * EDGE + diagram.rows * BOX.row);
	/** Marks of single strings that stand in a box. */
	const MARKS = 4;
	/** Characters that a line of a box holds. */
	const LINE = 24;
	/** A line broken at its blanks, so that nothing is cut. */
	function wrapped(line: string): string[] {
		const lines: string[] = [];
		for (const word of line.split(' ')) {
			const last = lines.at(-1);
			if (last !== undefined && last.length + word.length < LINE)
				lines[lines.length - 1] = `${last} ${word}`;
			else lines.push(word);
		}
		return lines;
	}
	const x = ({ column }: DiagramNode) => EDGE + column * BOX.pitch;
	const y = ({ row }: DiagramNode) => EDGE + row * BOX.row;
	const byId = $derived(new Map(diagram.nodes.map((node) => [node.id, node])));
	/** From the right of one box over a vertical to the left of the next. */
	const lines = $derived(
		diagram.links.flatMap(({ from, to, words }) => {
			const a = byId.get(from);
			const b = byId.get(to);
			if (!a || !b) return [];
			const start = x(a) + BOX.width;
			const bend = x(b) - 22;
			const ya = y(a) + SYMBOL_Y + 14;
			const yb = y(b) + SYMBOL_Y + 14;
			return [
				{
					key: `${from}/${to}`,
					path: `M${start} ${ya}H${bend}V${yb}H${x(b)}`,
					words,
					tx: start + 3,
					ty: ya - 5
				}
			];
		})
	);
</script>

<svelte:head><title>Diagram · {data.site.name} · Zembo</title></svelte:head>

<div class="page">
	<div class="line">
		<h1>One-line diagram</h1>
		<p class="soft">
			{data.site.name}, revision {session.number}. Drawn from the record: what is unknown says so.
		</p>
		<button class="act-plain no-print" onclick={() => window.print()}>
			<Printer size={20} aria-hidden="true" />Print
		</button>
	</div>
	{#if diagram.nodes.length === 0}
		<p class="panel empty">
			Nothing to draw yet. <a href={resolve('/sites/[site]/take-over', { site: data.site.id })}
				>Record strings and an inverter</a
			>, and say where each leads.
		</p>
	{:else}
		<div class="sheet">
			<svg
				viewBox="0 0 {width} {height}"
				style:max-width="{width * 1.15}px"
				style:min-width="{Math.min(width, 620)}px"
				role="img"
				aria-label="One-line diagram of {data.site.name}"
			>
				{#each lines as { key, path, words, tx, ty } (key)}
					<path d={path} class="wire" />
					{#if words}<text x={tx} y={ty} class="on-wire">{words}</text>{/if}
				{/each}
				{#each diagram.nodes as node (node.id)}
					<g transform="translate({x(node)} {y(node)})" data-node={node.title}>
						{#if node.of.kind === 'strings'}
							<path d="M0 {SYMBOL_Y + 14}h{BOX.width}" class="wire" />
							{#each [0, 1, 2, 3] as i (i)}
								<path d="M{26 + i * 22} {SYMBOL_Y + 3}h17v22h-17zm3 0l5.5 7l5.5 -7" class="box" />
							{/each}
							{#each node.of.strings.slice(0, MARKS) as string, i (string.id)}
								{@const colour = colours.get(string.id)!}
								<rect x={i * 34} y="-8" width="31" height="19" fill={colour.fill} class="mark" />
								<text x={i * 34 + 15.5} y="6.5" style:fill={colour.ink} class="on-mark"
									>{string.label}</text
								>
							{/each}
							{#if node.of.strings.length > MARKS}
								<text x={MARKS * 34} y="6.5">+{node.of.strings.length - MARKS}</text>
							{/if}
						{:else}
							<path d="M0 {SYMBOL_Y + 14}h55m40 0h55" class="wire" />
							<rect x="53" y={SYMBOL_Y - 6} width="44" height="40" class="back" />
							<path
								d={PART_SYMBOLS[node.of.part.kind]}
								transform="translate(55 {SYMBOL_Y})"
								class="symbol"
							/>
							<text x="2" y="9" class="title">{node.title}</text>
						{/if}
						{#each node.lines.flatMap(wrapped) as line, i (i)}
							<text x="2" y={SYMBOL_Y + 46 + i * 14.5}>{line}</text>
						{/each}
					</g>
				{/each}
			</svg>
		</div>
		{#if diagram.besides.length > 0}
			<h2>Also recorded</h2>
			<ul>
				{#each diagram.besides as part (part.id)}
					<li>
						<strong>{part.mark}</strong>
						{PART_KINDS[part.kind].words.toLowerCase()}{part.place ? `, ${part.place}` : ''}
					</li>
				{/each}
			</ul>
		{/if}
		<p class="soft">
			After the symbols of IEC 60617. No proof of what is switched or dead: only a reading is.
		</p>
	{/if}
</div>

<style>
	.page {
		max-width: none;
	}

	.line {
		display: flex;
		flex-wrap: wrap;
		align-items: baseline;
		gap: 0.2rem 1.4rem;
		margin-bottom: 0.8rem;
	}

	.line button {
		margin-inline-start: auto;
	}

	h1 {
		font-size: 1.6rem;
	}

	h2 {
		font-size: 1.1rem;
		margin-top: 1rem;
	}

	.empty {
		padding: 1.2rem 1.5rem;
	}

	.sheet {
		overflow-x: auto;
		background: var(--sheet);
		border: 1px solid var(--line);
	}

	svg {
		display: block;
		width: 100%;
	}

	.wire,
	.symbol {
		fill: none;
		stroke: var(--ink);
		stroke-width: var(--stroke);
		stroke-linejoin: round;
	}

	.back {
		fill: var(--sheet);
	}

	.box {
		fill: var(--sheet);
		stroke: var(--ink);
		stroke-width: var(--stroke);
	}

	.mark {
		stroke: var(--ink);
		print-color-adjust: exact;
	}

	text {
		fill: var(--ink);
		font-size: 12.5px;
	}

	.title {
		font-size: 14.5px;
		font-weight: 700;
	}

	.on-mark {
		font-family: var(--mono);
		font-weight: 700;
		text-anchor: middle;
	}

	.on-wire {
		font-size: 11px;
		fill: var(--soft);
	}

	ul {
		columns: 20rem;
	}

	li {
		padding: 0.15rem 0;
	}

	@media print {
		@page {
			size: landscape;
		}
	}
</style>
