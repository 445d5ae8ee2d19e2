import type { Layout, SearchBasis, Shape } from './layout';

/** Modules in order, cut into strings of a length. */
function cut(order: readonly number[], count: number, length: number): Layout {
	return {
		strings: Array.from({ length: count }, (_, s) => order.slice(s * length, (s + 1) * length)),
		out: order.slice(count * length)
	};
}

/** Where searches begin: like currents together, like power together, and by chance. */
export function* starts(
	{ imp, power }: SearchBasis,
	{ count, length }: Shape,
	shuffles: number,
	random: () => number
): Generator<Layout> {
	const all = imp.map((_, m) => m);
	const byPower = [...all].sort((a, b) => power[b]! - power[a]!);
	const kept = byPower.slice(0, count * length);
	const rest = byPower.slice(count * length);
	const byCurrent = [...kept].sort((a, b) => imp[b]! - imp[a]!);
	yield cut([...byCurrent, ...rest], count, length);
	yield cut([...[...all].sort((a, b) => imp[b]! - imp[a]!)], count, length);
	// Dealt out like cards: every string the same volts and amps.
	const dealt = Array.from({ length: count }, (_, s) => kept.filter((_, k) => k % count === s));
	yield { strings: dealt, out: rest };
	for (let n = 0; n < shuffles; n++) {
		const order = [...all];
		for (let i = order.length - 1; i > 0; i--) {
			const j = Math.floor(random() * (i + 1));
			[order[i], order[j]] = [order[j]!, order[i]!];
		}
		yield cut(order, count, length);
	}
}
