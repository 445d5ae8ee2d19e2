import { median, quantile } from '../../numerics';
import { HOUR, type Unit, type MonitoredYear } from '../series/year';

/** What units of unknown plane were found to be. */
export interface Clusters {
	/** Units of one course each, three or more. */
	readonly groups: readonly (readonly Unit[])[];
	/** Units whose course is that of no others: another plane, which only the record can tell. */
	readonly alone: readonly Unit[];
}

/** Length of a slot of the day, hours. */
const SLOT = 0.5;
const SLOTS = 48;
/** Below this share of nameplate on average a slot says nothing. */
const LEAST = 0.05;
/** What a unit gives is taken as at least this share of the middle of them all, so that a logarithm stands. */
const FLOOR = 0.05;
/** Brighter than so much of the days around it: planes differ under the sun, not under clouds. */
const BRIGHT_DAY = 0.6;
const AROUND = 15;
/** Fewest days of such light. */
const FEWEST_DAYS = 10;
/** Months in which the seasons are told apart, by days of the export. */
const SEASON = 30;
/** Courses that differ by less, root mean square of logarithms, are one; judgement. */
const SAME = 0.12;
/** Fewest units of a group of its own. */
const FEWEST = 3;
/** A course that differs by more than this, and turns about noon, is another plane and not a shade; judgement. */
const OTHER_PLANE = 0.25;
const TURNS = 0.7;

/**
 * Puts units together whose days have one course: the hours of their mornings and evenings, and their summers
 * and winters, against the mean of all. A fault of one unit moves its level, not its course; a shade takes some
 * hours, so a unit by itself stays with those it is nearest to unless its course leans as another plane's does.
 */
export function clustersOf(
	{ times, days }: Pick<MonitoredYear, 'times' | 'days'>,
	units: readonly Unit[]
): Clusters {
	if (units.length < FEWEST) return { groups: [units], alone: [] };
	const features = coursesOf({ times, days }, units);
	if (!features) return { groups: [units], alone: [] };
	const distance = (i: number, j: number) => {
		let sum = 0;
		let many = 0;
		for (let f = 0; f < features[i]!.length; f++) {
			const difference = features[i]![f]! - features[j]![f]!;
			if (Number.isNaN(difference)) continue;
			sum += difference ** 2;
			many++;
		}
		return many === 0 ? 0 : Math.sqrt(sum / many);
	};
	const between = units.map((_, i) => units.map((__, j) => distance(i, j)));
	const clusters = merged(between);
	const large = clusters.filter((members) => members.length >= FEWEST);
	if (large.length === 0) return { groups: [units], alone: [] };
	const groups = large.map((members) => [...members]);
	const alone: number[] = [];
	for (const members of clusters) {
		if (members.length >= FEWEST) continue;
		for (const i of members) {
			const near = large
				.map((others, g) => ({ g, far: averageOf(between, [i], others) }))
				.sort((a, b) => a.far - b.far)[0]!;
			if (
				near.far > OTHER_PLANE &&
				leans(
					features[i]!,
					large[near.g]!.map((j) => features[j]!)
				)
			) {
				alone.push(i);
			} else groups[near.g]!.push(i);
		}
	}
	return {
		groups: groups.map((members) => members.sort((a, b) => a - b).map((i) => units[i]!)),
		alone: alone.map((i) => units[i]!)
	};
}

/** Logarithms of each unit's course over the mean of all: slots of the day, then months; NaN where nothing is known. */
function coursesOf(
	{ times, days }: Pick<MonitoredYear, 'times' | 'days'>,
	units: readonly Unit[]
): Float64Array[] | null {
	const perSlot = Math.max(1, Math.round((SLOT * HOUR) / times.step));
	const slotAt = (t: number) =>
		Math.floor(((times.start + t * times.step) % 86_400_000) / (SLOT * HOUR)) % SLOTS;
	const energy = days.map(({ from, to }) => {
		let sum = 0;
		for (let t = from; t < to; t++) {
			for (const { power, labelWatts: ratedPower } of units) {
				const watts = power[t]!;
				if (watts > 0) sum += watts / ratedPower;
			}
		}
		return sum / units.length;
	});
	const bright = days.flatMap((_, d) => {
		const near = energy.slice(Math.max(0, d - AROUND), d + AROUND + 1);
		return energy[d]! > 0 && energy[d]! >= quantile(near, BRIGHT_DAY) ? [d] : [];
	});
	if (bright.length < FEWEST_DAYS) return null;
	const months = Math.max(1, Math.ceil(days.length / SEASON));
	const slots = units.map(() => Array.from({ length: SLOTS }, (): number[] => []));
	const seasons = units.map(() => Array.from({ length: months }, (): number[] => []));
	const weight = new Float64Array(SLOTS);
	for (const d of bright) {
		const { from, to } = days[d]!;
		const own = units.map(() => new Float64Array(SLOTS));
		const many = units.map(() => new Uint16Array(SLOTS));
		for (let t = from; t < to; t++) {
			const slot = slotAt(t);
			units.forEach(({ power, labelWatts: ratedPower }, u) => {
				const watts = power[t]!;
				if (Number.isNaN(watts)) return;
				own[u]![slot]! += Math.max(watts, 0) / ratedPower;
				many[u]![slot]!++;
			});
		}
		const totals = own.map((shares) => shares.reduce((a, b) => a + b, 0));
		const middle = median(totals);
		if (!(middle > 0)) continue;
		// A unit that is off says nothing of its course.
		const counts = totals.map((total) => total > 0.1 * middle);
		units.forEach((_, u) => {
			if (counts[u]) {
				seasons[u]![Math.floor(d / SEASON)]!.push(Math.log(totals[u]! / middle));
			}
		});
		for (let slot = 0; slot < SLOTS; slot++) {
			const shares = units.flatMap((_, u) =>
				counts[u] && many[u]![slot]! > 0 ? [own[u]![slot]! / totals[u]!] : []
			);
			if (shares.length < FEWEST) continue;
			const mean = shares.reduce((a, b) => a + b, 0) / shares.length;
			if (mean * middle < LEAST * perSlot) continue;
			weight[slot]!++;
			units.forEach((_, u) => {
				if (!counts[u] || many[u]![slot] === 0) return;
				const share = own[u]![slot]! / totals[u]!;
				slots[u]![slot]!.push(Math.log(Math.max(share, FLOOR * mean) / mean));
			});
		}
	}
	return units.map((_, u) => {
		const monthly = seasons[u]!.map((values) => (values.length >= 3 ? median(values) : Number.NaN));
		const known = monthly.filter((value) => !Number.isNaN(value));
		const level = known.length > 0 ? median(known) : 0;
		return Float64Array.from([
			...slots[u]!.map((values, slot) =>
				values.length >= Math.max(5, 0.15 * bright.length) && weight[slot]! > 0
					? median(values)
					: Number.NaN
			),
			...monthly.map((value) => value - level)
		]);
	});
}

/** Average linkage: the two nearest groups become one until none are near. */
function merged(between: readonly (readonly number[])[]): number[][] {
	let groups = between.map((_, i) => [i]);
	for (;;) {
		let best = { a: -1, b: -1, far: SAME };
		for (let a = 0; a < groups.length; a++) {
			for (let b = a + 1; b < groups.length; b++) {
				const far = averageOf(between, groups[a]!, groups[b]!);
				if (far < best.far) best = { a, b, far };
			}
		}
		if (best.a < 0) return groups;
		const joined = [...groups[best.a]!, ...groups[best.b]!];
		groups = groups.filter((_, g) => g !== best.a && g !== best.b);
		groups.push(joined);
	}
}

function averageOf(
	between: readonly (readonly number[])[],
	some: readonly number[],
	others: readonly number[]
): number {
	let sum = 0;
	for (const i of some) for (const j of others) sum += between[i]![j]!;
	return sum / (some.length * others.length);
}

/** Whether a course is ahead in the morning and behind in the evening, or the other way, all through the day. */
function leans(own: Float64Array, others: readonly Float64Array[]): boolean {
	const points: [number, number][] = [];
	for (let slot = 0; slot < SLOTS; slot++) {
		const rest = median(
			others.map((other) => other[slot]!).filter((value) => !Number.isNaN(value))
		);
		const difference = own[slot]! - rest;
		if (!Number.isNaN(difference)) points.push([slot, difference]);
	}
	if (points.length < 6) return false;
	const mean = (of: (point: [number, number]) => number) =>
		points.reduce((sum, point) => sum + of(point), 0) / points.length;
	const [x, y] = [mean(([slot]) => slot), mean(([, difference]) => difference)];
	const [sxx, syy, sxy] = [
		mean(([slot]) => (slot - x) ** 2),
		mean(([, difference]) => (difference - y) ** 2),
		mean(([slot, difference]) => (slot - x) * (difference - y))
	];
	return sxx > 0 && syy > 0 && sxy ** 2 / (sxx * syy) >= TURNS;
}
