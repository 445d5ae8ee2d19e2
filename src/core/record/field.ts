/** A plane with modules on it: a roof's side, a canopy, a row of a ground mount. */
export interface Field {
	readonly id: string;
	readonly name: string;
	readonly rows: number;
	readonly columns: number;
	/** From level, deg; null where not known. */
	readonly tilt: number | null;
	/** Clockwise from north, deg; null where not known. */
	readonly azimuth: number | null;
	/** Modules stand on their short side or lie on their long one. */
	readonly lying: boolean;
	/**
	 * Type of the modules that were counted here and whose string nobody knows yet: every free cell holds
	 * one. Null where all that lies here is in a string.
	 */
	readonly countedTypeId: string | null;
}

export const STEPS = ['right', 'left', 'down', 'up'] as const;
export type Step = (typeof STEPS)[number];

/** Neighbouring modules of a string in one line on a field, in their order in the string. */
export interface Span {
	/** Number of its first module in the string, 1 at the negative end. */
	readonly from: number;
	readonly count: number;
	readonly field: string;
	/** Of its first module, 0 at the top. */
	readonly row: number;
	/** Of its first module, 0 at the left. */
	readonly column: number;
	readonly step: Step;
}

export interface Cell {
	readonly field: string;
	readonly row: number;
	readonly column: number;
}

export const MOVE: Readonly<Record<Step, readonly [row: number, column: number]>> = {
	right: [0, 1],
	left: [0, -1],
	down: [1, 0],
	up: [-1, 0]
};

/** Cells of a string's modules by number minus 1; null where a module is not placed. */
export function cellsOf(spans: readonly Span[], moduleCount: number): (Cell | null)[] {
	const cells = Array<Cell | null>(moduleCount).fill(null);
	for (const { from, count, field, row, column, step } of spans) {
		const [down, right] = MOVE[step];
		for (let i = 0; i < count && from - 1 + i < moduleCount; i++) {
			cells[from - 1 + i] = { field, row: row + i * down, column: column + i * right };
		}
	}
	return cells;
}

/** The step from a cell to its neighbour; null where it is none. */
function stepBetween(a: Cell, b: Cell): Step | null {
	if (a.field !== b.field) return null;
	return (
		STEPS.find(
			(step) => b.row - a.row === MOVE[step][0] && b.column - a.column === MOVE[step][1]
		) ?? null
	);
}

/** The fewest spans that say where modules lie, inverse of {@link cellsOf}. */
export function spansOf(cells: readonly (Cell | null)[]): Span[] {
	const spans: Span[] = [];
	let i = 0;
	while (i < cells.length) {
		const first = cells[i];
		if (!first) {
			i++;
			continue;
		}
		const next = cells[i + 1];
		const step = (next && stepBetween(first, next)) ?? 'right';
		let count = 1;
		for (;;) {
			const last = cells[i + count - 1]!;
			const following = cells[i + count];
			if (!following || stepBetween(last, following) !== step) break;
			count++;
		}
		spans.push({ from: i + 1, count, ...first, step });
		i += count;
	}
	return spans;
}

/** Key of a cell, for maps. */
export function cellKey({ field, row, column }: Cell): string {
	return `${field}/${row}/${column}`;
}
