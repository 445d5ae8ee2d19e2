import { median, normalQuantile } from '$core/numerics';
import type { NeutralCase } from './sets';

/*
 * How many first lines a statistician would get right who knows which strings are healthy, and from them the
 * true scatter of every kind of reading, compares comparable strings by one reading at a time, names a
 * string in at most 2 % of healthy visits, and never mistakes what needs no comparison. What lies below is
 * left to readings taken together; no single one shows it.
 */

/** Faults that show only against other strings. */
const COMPARED = [
	'shade',
	'module-degraded',
	'soiling',
	'connector-resistive',
	'hot-cell',
	'module-pid',
	'bypass-diode-shorted',
	'section-open'
];
const QUANTITIES = ['string-voc-isolated', 'string-isc', 'string-current-operating'];
/** Of healthy visits, in which a string may be named. */
const FALSE_ALARMS = 0.02;
/** A reading is coarse where its last digit is more than this share of it. */
const COARSE = 0.005;

interface Compared {
	readonly string: string;
	/** Readings alike in scatter. */
	readonly kind: string;
	/** Relative to the median of healthy strings alike. */
	readonly miss: number;
	readonly alike: number;
}

/** Every reading of a visit that has a healthy one of another string to be compared with. */
function comparedOf({ record, readings, truth }: NeutralCase): Compared[] {
	const faulty = truth.faults.flatMap(({ place }) => [
		...(place.string === undefined ? [] : [place.string]),
		...(place.strings ?? [])
	]);
	const wrong = truth.wrongReadings.map(({ reading }) => reading);
	const stringOf = (id: string | undefined) => record.strings.find((one) => one.id === id);
	const right = readings.filter(({ id }) => !wrong.includes(id));
	return QUANTITIES.flatMap((quantity) => {
		const running = quantity === 'string-current-operating';
		const own = right.filter((reading) => reading.quantity === quantity);
		return own.flatMap((reading): Compared[] => {
			const string = stringOf(reading.place.string);
			if (!string) return [];
			const others = own.filter(({ place }) => {
				const other = stringOf(place.string);
				return (
					other !== undefined &&
					other !== string &&
					!faulty.includes(other.id) &&
					other.type === string.type &&
					(quantity === 'string-isc' || other.modules === string.modules) &&
					(!running || other.input === string.input)
				);
			});
			if (others.length === 0) return [];
			const middle = median(others.map(({ value }) => value));
			if (!(middle > 0)) return [];
			const coarse = reading.meter.resolution > COARSE * middle;
			return [
				{
					string: string.id,
					kind: `${quantity} ${coarse ? 'coarse' : 'fine'}`,
					miss: reading.value / middle - 1,
					alike: others.length
				}
			];
		});
	});
}

/** A median of n is this much wider than one reading, squared: 1/n for one, up to pi/2n for many. */
const ofMedian = (n: number) => (n <= 2 ? 1 / n : Math.PI / (2 * n));

/** True scatter of each kind of reading, relative, from the healthy strings of all visits. */
function scatters(cases: readonly NeutralCase[]): ReadonlyMap<string, number> {
	const squares = new Map<string, number[]>();
	for (const one of cases) {
		const faulty = one.truth.faults.map(({ place }) => place.string);
		if (one.truth.faults.some(({ place }) => place.string === undefined)) continue;
		for (const { string, kind, miss, alike } of comparedOf(one)) {
			if (faulty.includes(string)) continue;
			squares.set(kind, [...(squares.get(kind) ?? []), miss ** 2 / (1 + ofMedian(alike))]);
		}
	}
	return new Map(
		[...squares].map(([kind, list]) => [
			kind,
			Math.sqrt(list.reduce((sum, square) => sum + square, 0) / list.length)
		])
	);
}

/** Tells of each visit whether the statistician would have its fault. */
export function statistician(cases: readonly NeutralCase[]): (one: NeutralCase) => boolean {
	const scatter = scatters(cases);
	return (one) => {
		const { faults } = one.truth;
		if (faults.length === 0 || faults.some(({ code }) => !COMPARED.includes(code))) return true;
		const compared = comparedOf(one);
		const limit = -normalQuantile(FALSE_ALARMS / Math.max(compared.length, 1));
		return compared.some(
			({ string, kind, miss, alike }) =>
				faults.some(({ place }) => place.string === string) &&
				Math.abs(miss) > limit * scatter.get(kind)! * Math.sqrt(1 + ofMedian(alike))
		);
	};
}
