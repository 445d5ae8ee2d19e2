import type { Ink } from '../../src/lib/charts/ink';

/** A look for pictures that nobody looks at. */
export const INK: Ink = {
	ink: '#111',
	soft: '#555',
	line: '#ccc',
	accent: '#036',
	sheet: '#fff',
	off: '#900',
	font: 'sans-serif',
	stroke: 1.4
};
