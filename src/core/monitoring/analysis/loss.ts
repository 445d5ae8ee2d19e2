import type { Loss } from './event';

/** Of nine in ten, in standard deviations of a normal distribution. */
const NINE_IN_TEN = 1.645;
/** What the usual level of a unit wanders with season and temperature, share of output; judgement. */
const WANDERS = 0.008;
/** What is uncertain of any loss: the output of the peers that it is taken of, share; judgement. */
const SCALE = 0.03;

/**
 * Energy not made on some days against a usual level.
 *
 * @param shares output over that of its peers, by day
 * @param due energy of the peers in its place, Wh by day
 * @param usual the level before, and how many days it was seen on
 * @param noise standard deviation of a day's share
 */
export function lossBelow(
	shares: readonly number[],
	due: readonly number[],
	usual: { readonly level: number; readonly days: number },
	noise: number
): Loss {
	let lost = 0;
	let all = 0;
	let squares = 0;
	shares.forEach((share, i) => {
		lost += (usual.level - share) * due[i]!;
		all += due[i]!;
		squares += due[i]! ** 2;
	});
	const level = Math.hypot(WANDERS, noise / Math.sqrt(Math.max(usual.days, 1)));
	return lossOf(lost / 1000, Math.hypot(level * all, noise * Math.sqrt(squares)) / 1000);
}

/**
 * @param lost kWh
 * @param deviation standard deviation of it, kWh, without the scale's own
 */
export function lossOf(lost: number, deviation: number): Loss {
	const value = Math.max(lost, 0);
	const reach = NINE_IN_TEN * Math.hypot(deviation, SCALE * value);
	return { lost: value, lostBand: { low: Math.max(value - reach, 0), high: value + reach } };
}
