<script lang="ts">
	import { type Cell, cellKey, type Field, type StringRecord } from '$core/record';
	import { frameOf, freeCells } from '$lib/drawing/plan';
	import type { StringColour } from '$lib/ui/string-colours';
	import StringOnPlan from './StringOnPlan.svelte';

	interface Props {
		field: Field;
		/** Those with a module here. */
		strings: readonly StringRecord[];
		colours: ReadonlyMap<string, StringColour>;
		occupied: ReadonlyMap<string, { readonly string: StringRecord; readonly module: number }>;
		/** Cells with something found on them, by key. */
		found: ReadonlyMap<string, string>;
		/** Strings that are lit; the others fade. Empty lights all. */
		lit: ReadonlySet<string>;
		/** The chosen cell, in this field or another. */
		chosen: Cell | null;
		onchoose: (cell: Cell) => void;
		onmove: (from: Cell, to: Cell) => void;
		onlay: (cell: Cell) => void;
		onlift: (cell: Cell) => void;
	}
	let {
		field,
		strings,
		colours,
		occupied,
		found,
		lit,
		chosen,
		onchoose,
		onmove,
		onlay,
		onlift
	}: Props = $props();

	const frame = $derived(frameOf(field));
	const { wide, high, width, height } = $derived(frame);
	const x = (column: number) => frame.edge + column * wide;
	const y = (row: number) => frame.edge + row * high;
	const grid = $derived(freeCells(field, frame));

	let svg = $state<SVGSVGElement>();
	let dragged = $state.raw<{ from: Cell; x: number; y: number; began: boolean } | null>(null);
	const DRAG_FROM = 6;
	/** Cells from which on their grid is drawn through: thousands of dashes take longer than all modules. */
	const MANY = 300;

	function pointAt(event: PointerEvent): { x: number; y: number } {
		const box = svg!.getBoundingClientRect();
		return {
			x: ((event.clientX - box.left) / box.width) * width,
			y: ((event.clientY - box.top) / box.height) * height
		};
	}
	function cellAt(event: PointerEvent): Cell | null {
		const point = pointAt(event);
		const column = Math.floor((point.x - frame.edge) / wide);
		const row = Math.floor((point.y - frame.edge) / high);
		const inside = row >= 0 && row < field.rows && column >= 0 && column < field.columns;
		return inside ? { field: field.id, row, column } : null;
	}

	function press(event: PointerEvent): void {
		const cell = cellAt(event);
		if (!cell || event.button !== 0) return;
		if (!occupied.has(cellKey(cell))) return;
		svg!.setPointerCapture(event.pointerId);
		dragged = { from: cell, ...pointAt(event), began: false };
	}
	function drag(event: PointerEvent): void {
		if (!dragged) return;
		const point = pointAt(event);
		const far = Math.hypot(point.x - dragged.x, point.y - dragged.y) > DRAG_FROM;
		if (dragged.began || far) dragged = { ...dragged, ...point, began: true };
	}
	function release(event: PointerEvent): void {
		const held = dragged;
		dragged = null;
		const cell = cellAt(event);
		if (held?.began) {
			// Let go outside: nothing moves, and the page says so.
			onmove(held.from, cell ?? { field: field.id, row: -1, column: -1 });
			return;
		}
		if (!cell) return;
		if (occupied.has(cellKey(cell))) onchoose(cell);
		else onlay(cell);
	}

	/** The cell under the keys, and the one that is carried. */
	let cursor = $state({ row: 0, column: 0 });
	let carried = $state.raw<Cell | null>(null);
	/** By the keyboard: a finger sees where it is, and the whole plan would be drawn anew for it. */
	let focused = $state(false);
	const STEP: Readonly<Record<string, readonly [number, number]>> = {
		ArrowUp: [-1, 0],
		ArrowDown: [1, 0],
		ArrowLeft: [0, -1],
		ArrowRight: [0, 1]
	};

	function key(event: KeyboardEvent): void {
		const step = STEP[event.key];
		const cell = { field: field.id, ...cursor };
		focused = true;
		if (step) {
			cursor = {
				row: Math.min(field.rows - 1, Math.max(0, cursor.row + step[0])),
				column: Math.min(field.columns - 1, Math.max(0, cursor.column + step[1]))
			};
		} else if (event.key === 'Enter' || event.key === ' ') {
			if (carried) {
				onmove(carried, cell);
				carried = null;
			} else if (occupied.has(cellKey(cell))) onchoose(cell);
			else onlay(cell);
		} else if (event.key === 'm' && occupied.has(cellKey(cell))) carried = cell;
		else if (event.key === 'Escape') carried = null;
		else if (event.key === 'Delete' || event.key === 'Backspace') onlift(cell);
		else return;
		event.preventDefault();
	}
	const said = $derived.by(() => {
		const here = occupied.get(cellKey({ field: field.id, ...cursor }));
		const place = `row ${cursor.row + 1}, column ${cursor.column + 1}`;
		return `${place}: ${here ? `${here.string.label}, module ${here.module}` : 'free'}${carried ? ', carrying' : ''}`;
	});
</script>

<div class="plan">
	<!-- An application to assistive programs: arrows, Enter, M and Delete work it. -->
	<!-- svelte-ignore a11y_no_noninteractive_tabindex, a11y_no_noninteractive_element_interactions -->
	<svg
		bind:this={svg}
		viewBox="0 0 {width} {height}"
		style:max-width="{width * 1.7}px"
		role="application"
		aria-label="Plan of {field.name}. {said}"
		tabindex="0"
		onkeydown={key}
		onfocus={({ currentTarget }) => (focused = currentTarget.matches(':focus-visible'))}
		onblur={() => (focused = false)}
		onpointerdown={press}
		onpointermove={drag}
		onpointerup={release}
		onpointercancel={() => (dragged = null)}
	>
		<rect x="1" y="1" width={width - 2} height={height - 2} class="roof" />
		<path d={grid} class="free" class:many={field.rows * field.columns > MANY} />
		{#each strings as string (string.id)}
			<StringOnPlan
				{string}
				{frame}
				colour={colours.get(string.id)!}
				faded={lit.size > 0 && !lit.has(string.id)}
			/>
		{/each}
		{#each found as [key, words] (key)}
			{@const [, row, column] = key.split('/').map(Number)}
			<path d="M{x(column!) + wide / 2} {y(row!) + high - 22}l9 16h-18z" class="found">
				<title>{words}</title>
			</path>
			<path d="M{x(column!) + wide / 2} {y(row!) + high - 17}v6m0 2v2" class="bang" />
		{/each}
		{#if chosen?.field === field.id}
			<rect x={x(chosen.column)} y={y(chosen.row)} width={wide} height={high} class="chosen" />
		{/if}
		{#if focused}
			<rect
				x={x(cursor.column) + 1}
				y={y(cursor.row) + 1}
				width={wide - 2}
				height={high - 2}
				class="cursor"
				class:carried={carried !== null}
			/>
		{/if}
		{#if dragged?.began}
			<rect
				x={dragged.x - wide / 2}
				y={dragged.y - high / 2}
				width={wide}
				height={high}
				class="ghost"
			/>
		{/if}
	</svg>
</div>

<style>
	.plan {
		overflow-x: auto;
	}

	svg {
		display: block;
		width: 100%;
		min-width: min(100%, 22rem);
		touch-action: pan-x pan-y;
		user-select: none;
	}

	svg:focus-visible {
		outline: 2px solid var(--accent);
		outline-offset: 2px;
	}

	.roof {
		fill: var(--well);
		stroke: var(--rule);
		stroke-width: var(--stroke);
	}

	.free {
		fill: none;
		stroke: var(--line);
		stroke-width: 1;
		stroke-dasharray: 3 3;
	}

	.free.many {
		stroke-dasharray: none;
	}

	.found {
		fill: var(--sheet);
		stroke: var(--off);
		stroke-width: 2;
		stroke-linejoin: round;
	}

	.bang {
		stroke: var(--off);
		stroke-width: 2.4;
		pointer-events: none;
	}

	.chosen {
		fill: none;
		stroke: var(--ink);
		stroke-width: 4;
		pointer-events: none;
	}

	.cursor {
		fill: none;
		stroke: var(--accent);
		stroke-width: 3;
		stroke-dasharray: 6 4;
		pointer-events: none;
	}

	.carried {
		stroke-dasharray: none;
		fill: color-mix(in oklab, var(--accent) 30%, transparent);
	}

	.ghost {
		fill: color-mix(in oklab, var(--accent) 55%, transparent);
		stroke: var(--ink);
		stroke-width: 2;
		pointer-events: none;
	}
</style>
