/*
 * A drawing as plain shapes: a page, a PDF and a file in HTML draw it from the same ones, each in its
 * own colours.
 */

/** What a shape is: who draws it chooses strokes, fills and letters by it. */
export type Look =
	| 'wire'
	| 'symbol'
	| 'box'
	| 'back'
	| 'ground'
	| 'free'
	| 'glass'
	| 'join'
	| 'mark'
	| 'words'
	| 'title'
	| 'quiet'
	| 'on-mark';

export interface Shape {
	readonly look: Look;
	/** Path of its outline, unless it is words. */
	readonly d?: string;
	readonly words?: string;
	/** Where words begin; with the look "on-mark", their middle. */
	readonly x?: number;
	readonly y?: number;
	/** A colour that tells strings apart, kept in every mode: of the inside, or of "join" the stroke. */
	readonly colour?: string;
}

/** Shapes that belong together, moved from the drawing's corner. */
export interface Group {
	readonly name: string;
	readonly x: number;
	readonly y: number;
	readonly shapes: readonly Shape[];
}

/** Lengths are those of a screen, px. */
export interface Drawing {
	readonly width: number;
	readonly height: number;
	readonly groups: readonly Group[];
}

/** Outline of a rectangle. */
export function rectangle(x: number, y: number, width: number, height: number): string {
	return `M${x} ${y}h${width}v${height}h${-width}z`;
}
