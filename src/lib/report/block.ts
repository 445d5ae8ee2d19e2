import type { Drawing } from '$lib/drawing/drawing';

/* A report as plain blocks: the page, the PDF and the file in HTML are drawn from the same ones. */

export interface Column {
	readonly words: string;
	/** Figures stand at the right. */
	readonly figures?: true;
	/** Share of the width, beside the others; 1 where nothing is said. */
	readonly width?: number;
}

export interface Cell {
	readonly text: string;
	/** Said more quietly below or behind it. */
	readonly soft?: readonly string[];
	readonly strong?: true;
}

export type Block =
	| { readonly kind: 'heading'; readonly text: string; readonly minor?: true }
	| { readonly kind: 'text'; readonly text: string; readonly soft?: true; readonly strong?: true }
	| { readonly kind: 'list'; readonly items: readonly Cell[] }
	| {
			readonly kind: 'table';
			readonly columns: readonly Column[];
			readonly rows: readonly (readonly Cell[])[];
	  }
	| { readonly kind: 'pictures'; readonly pictures: readonly Picture[] }
	| { readonly kind: 'drawing'; readonly drawing: Drawing; readonly words: string };

/** A photograph with what it shows. */
export interface Picture {
	readonly id: string;
	readonly words: string;
}

export interface Report {
	readonly title: string;
	readonly subtitle: string;
	/** What, who, when: name and value. */
	readonly facts: readonly (readonly [string, string])[];
	readonly blocks: readonly Block[];
	/** Lines to sign on. */
	readonly signatures: readonly string[];
	/** Below every page: what it is of, and the checksum of the file it belongs to. */
	readonly footer: string;
}

export const cell = (text: string, soft: readonly string[] = []): Cell =>
	soft.length > 0 ? { text, soft } : { text };
export const heading = (text: string): Block => ({ kind: 'heading', text });
export const text = (words: string): Block => ({ kind: 'text', text: words });
export const soft = (words: string): Block => ({ kind: 'text', text: words, soft: true });
