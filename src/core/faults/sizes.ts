import type { Severity } from './fault';

/* Sizes in which a fault is weighed, and how often each is met; judgement where nothing is said. */

export const ONE: readonly [Severity] = [{ size: 1, share: 1, words: '' }];

export const SUBSTRINGS: readonly [Severity, ...Severity[]] = [
	{ size: 1, share: 0.85, words: 'one substring' },
	{ size: 2, share: 0.15, words: 'two substrings' }
];

export const MODULES: readonly [Severity, ...Severity[]] = [
	{ size: 1, share: 0.88, words: 'one module' },
	{ size: 2, share: 0.12, words: 'two modules' }
];

/**
 * Sizes evenly spaced in the logarithm. Neighbours lie closer than a clamp can tell them apart, or a
 * fault between two sizes would look like none.
 */
function logSteps(first: number, last: number, count: number): number[] {
	return Array.from({ length: count }, (_, i) => first * (last / first) ** (i / (count - 1)));
}

function severities(
	sizes: readonly number[],
	weight: (size: number) => number,
	words: (size: number) => string
): [Severity, ...Severity[]] {
	const total = sizes.reduce((sum, size) => sum + weight(size), 0);
	return sizes.map((size) => ({
		size,
		share: weight(size) / total,
		words: words(size)
	})) as [Severity, ...Severity[]];
}

const resistance = (value: number) => `about ${value.toPrecision(value < 10 ? 1 : 2)} ohm`;
const irradianceLost = (loss: number) => `about ${Math.round(100 * loss)} % of its irradiance`;

export const RESISTANCES = severities(logSteps(0.3, 20, 10), () => 1, resistance);

/** Small losses are met more often than large ones. */
export const SOILING = severities(
	logSteps(0.03, 0.5, 10),
	(loss) => 1 / (0.1 + loss),
	irradianceLost
);

export const AGED = severities(
	logSteps(0.06, 0.75, 8),
	() => 1,
	(loss) => `about ${Math.round(100 * loss)} % of its current`
);

export const CELL = severities([0.5, 0.75, 0.95], () => 1, irradianceLost);
export const INSIDE = severities([0.5, 1.5, 4, 12], () => 1, resistance);
export const LEAK = severities([8, 25, 80, 250], () => 1, resistance);

/** Shade by how many sections it covers, 3 being a module of three, and how much of the light it takes. */
export function shades(): [Severity, ...Severity[]] {
	const counts = [
		{ second: 1, share: 0.2, words: 'one substring' },
		{ second: 3, share: 0.25, words: 'one module' },
		{ second: 6, share: 0.2, words: 'two modules' },
		{ second: 9, share: 0.15, words: 'three modules' },
		{ second: 15, share: 0.12, words: 'about five modules' },
		{ second: 24, share: 0.08, words: 'about eight modules' }
	];
	const levels = [0.13, 0.27, 0.45, 0.68, 0.9];
	return counts.flatMap(({ second, share, words }) =>
		levels.map((size) => ({
			size,
			second,
			share: share / levels.length,
			words: `${words}, about ${Math.round(100 * size)} %`
		}))
	) as [Severity, ...Severity[]];
}

/** Another type by its ratio of currents and of volts: the larger the ratio, the rarer. */
export function otherTypes(
	currents: readonly number[],
	voltage: readonly number[]
): [Severity, ...Severity[]] {
	const all = currents
		.flatMap((size) => voltage.map((second) => ({ size, second })))
		.filter(({ size, second }) => size !== 1 || second !== 1);
	return all.map(({ size, second }) => ({
		size,
		second,
		share: 1 / all.length,
		words: `its current × ${size.toFixed(2)}, its voltage × ${second.toFixed(2)}`
	})) as [Severity, ...Severity[]];
}
