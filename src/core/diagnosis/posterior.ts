import type { PeerGroup, Shift } from '../expectation';
import type { Reading } from '../visit';
import {
	allRight,
	chanceWrong,
	soundWeight,
	weighLocated,
	type LocatedEvidence,
	type LocatedWeight
} from './located';
import { logSum } from '../numerics';
import { predictAt } from './predict-at';
import { itemsOf, trackedId } from './items';
import type { BusEvidence, Scope } from './scope';
import {
	logSharedPriors,
	NOTHING_ELSE,
	type SharedCause,
	type SharedEvidence
} from './common-causes';
import { shiftGrid, type GridPoint } from './shift-grid';
import type { StringCase } from './string-case';
import type { StringClass } from './string-class';
import { weighScopes, type ScopeWeights } from './weigh-scopes';
import { faultFactor, healthyPrior, totalOf, weighString, type StringWeight } from './weigh-string';

export interface Weighed {
	readonly of: StringClass;
	readonly probability: number;
	/** Greatest ln likelihood of the string's readings over light and heat. */
	readonly bestLog: number;
	/** Chance of each place of its first fault, given the class, [places]. */
	readonly places: readonly number[];
}

/** Posterior of one string. */
export interface StringPosterior {
	readonly case: StringCase;
	/** In the order of the case's classes; the first is the whole string. */
	readonly classes: readonly Weighed[];
	/** Chance that something it shares with others is at fault; it is then counted as whole. */
	readonly held: number;
	/** What its priors come to at the frequencies of faults that the readings leave: of each fault, and of none. */
	readonly before: { readonly factor: number; readonly whole: number };
	/** By reading: chance that it is wrong. */
	readonly wrongReading: ReadonlyMap<string, number>;
}

export interface GroupPosterior {
	readonly group: PeerGroup;
	readonly strings: readonly StringPosterior[];
	readonly shared: Readonly<Record<SharedCause, number>>;
	/** Chance of each scope, in their order. */
	readonly scopes: readonly number[];
	/** Every string whole, every reading right, nothing shared wrong, the conditions as stated. */
	readonly healthy: number;
	/** The shift of greatest weight. */
	readonly best: Shift;
}

/** Share of the posterior below which a grid point is left out. */
const NEGLIGIBLE = 1e-7;
/** By so much in ln the middle of an answer may lie behind the best one's, and still be looked at. */
const FAR_BEHIND = 14;

/**
 * Posterior over the causes of one group of comparable strings.
 *
 * Bayes over the catalogue, with effective light and heat as the two unknowns that all strings share,
 * integrated on a grid about every answer the readings allow. Given them the strings are independent,
 * so faults in several strings cost nothing more; errors taken as independent instead of shared would
 * lose lost sections. What several strings share (a switch, the transmitter, the inverter) replaces
 * their own faults where it is at fault.
 *
 * Within the narrow grid predictions are linear in light and heat: each class is computed three times
 * and carried along its slopes.
 *
 * @param besides what is known of light and soiling besides these strings
 */
export function groupPosterior(
	group: PeerGroup,
	cases: readonly StringCase[],
	scopes: readonly Scope[],
	besides: SharedEvidence = NOTHING_ELSE,
	buses: readonly BusEvidence[] = []
): GroupPosterior {
	const located = cases.map(({ classes, located: evidence }) => {
		if (!evidence) return null;
		const sound = soundWeight(evidence);
		return classes.map((one) => weighLocated(one, evidence, sound));
	});
	const rightAtPlaces = cases.map(({ located: evidence }) => (evidence ? allRight(evidence) : 1));
	const prepared = group.estimates.map((estimate) =>
		pointWeigher(group, cases, scopes, located, estimate.shift, besides, buses)
	);
	// An answer whose middle is next to impossible beside another's is not looked at all round.
	const middles = group.estimates.map(({ shift }, e) =>
		logSum(prepared[e]!({ ...shift, logArea: 0 }).map(({ log }) => log))
	);
	const likeliest = Math.max(...middles);
	const points = group.estimates.flatMap((estimate, e) =>
		middles[e]! < likeliest - FAR_BEHIND ? [] : shiftGrid([estimate]).flatMap(prepared[e]!)
	);

	const all = logSum(points.map(({ log }) => log));
	// Points that weigh next to nothing are left out of every average.
	const heavy = points
		.map((point) => ({ ...point, weight: Math.exp(point.log - all) }))
		.filter(({ weight }) => weight > NEGLIGIBLE)
		.sort((a, b) => b.weight - a.weight);
	const average = (value: (point: (typeof heavy)[number]) => number) =>
		heavy.reduce((sum, point) => sum + point.weight * value(point), 0);
	const sharedCause = (cause: SharedCause) => average((p) => Math.exp(p.priors[cause] - p.prior));
	const best = heavy[0]!.point;
	return {
		group,
		best,
		shared: {
			'as-stated': sharedCause('as-stated'),
			soiling: sharedCause('soiling'),
			'conditions-wrong': sharedCause('conditions-wrong'),
			'record-wrong': sharedCause('record-wrong')
		},
		scopes: scopes.map((_, i) => average((p) => p.shared.chances[i]!)),
		healthy: average(
			(p) =>
				Math.exp(p.priors['as-stated'] - p.prior) *
				p.shared.none *
				p.strings.reduce(
					(product, string, s) =>
						(product *
							healthyPrior(string.prior, p.frequency) *
							string.healthy *
							string.right *
							rightAtPlaces[s]!) /
						p.totals[s]!,
					1
				)
		),
		strings: cases.map((one, s) => stringPosterior(one, s, located[s]!, heavy))
	};
}

/** What one light and heat and one frequency of faults make of everything. */
interface Point {
	readonly point: GridPoint;
	readonly frequency: number;
	readonly strings: readonly StringWeight[];
	/** Density of everything read at each string. */
	readonly totals: readonly number[];
	readonly shared: ScopeWeights;
	/** ln of the shared causes' priors, each and summed. */
	readonly priors: Readonly<Record<SharedCause, number>>;
	readonly prior: number;
	/** ln of the point's weight. */
	readonly log: number;
}

type HeavyPoint = Point & { readonly weight: number };

/** Solves every class once about a shift, and weighs any point near it. */
function pointWeigher(
	group: PeerGroup,
	cases: readonly StringCase[],
	scopes: readonly Scope[],
	located: readonly (readonly LocatedWeight[] | null)[],
	centre: Shift,
	besides: SharedEvidence,
	buses: readonly BusEvidence[]
): (point: GridPoint) => Point[] {
	const { items, tables } = itemsOf(group, cases, centre);
	const predictReading = scopes.map((scope) => scope.predictReading(group, centre));
	return (point) => {
		const irradiance = point.irradiance - centre.irradiance;
		const cellTemperature = point.cellTemperature - centre.cellTemperature;
		const strings = cases.map(({ classes }, s) =>
			weighString(classes, items[s]!, located[s]!, tables, irradiance, cellTemperature)
		);
		const scopeWeights = weighScopes(scopes, predictReading, cases, located, buses, {
			irradiance,
			cellTemperature
		});
		const priors = logSharedPriors(point, group.uncertainty, besides);
		const prior = logSum(Object.values(priors));
		return besides.frequencies.map((frequency) => {
			const totals = strings.map((string) => totalOf(string, frequency));
			const noCurrent = strings.map(
				({ stopped, prior: of }, s) => (faultFactor(of, frequency) * stopped) / totals[s]!
			);
			const shared = scopeWeights(totals, noCurrent, frequency);
			const log =
				point.logArea +
				prior +
				totals.reduce((sum, total) => sum + Math.log(total), 0) +
				Math.log(shared.factor);
			return { point, frequency, strings, totals, shared, priors, prior, log };
		});
	};
}

function stringPosterior(
	one: StringCase,
	s: number,
	located: readonly LocatedWeight[] | null,
	heavy: readonly HeavyPoint[]
): StringPosterior {
	const { classes, readings } = one;
	const chances = new Float64Array(classes.length);
	const best = new Float64Array(classes.length);
	const ids = [
		...readings.map(({ item }) => item.reading.id),
		...(one.tracked ? [trackedId(one.tracked.readingId)] : [])
	];
	const wrongChances = new Float64Array(ids.length);
	// Where something shared is at fault the string itself is taken to be whole.
	let held = 0;
	const before = { factor: 0, whole: 0 };
	for (const { weight, shared, strings, totals, frequency } of heavy) {
		const { densities, healthy, prior, wrong } = strings[s]!;
		const free = 1 - shared.held[s]!;
		held += weight * shared.held[s]!;
		const share = (weight * free) / totals[s]!;
		const faults = share * faultFactor(prior, frequency);
		before.factor += weight * faultFactor(prior, frequency);
		before.whole += weight * healthyPrior(prior, frequency);
		chances[0]! += share * healthyPrior(prior, frequency) * densities[0]!;
		for (let c = 0; c < chances.length; c++) {
			const density = densities[c]!;
			if (c > 0) chances[c]! += faults * density;
			if (density > best[c]!) best[c] = density;
		}
		const whole = share * healthyPrior(prior, frequency) * healthy;
		for (let r = 0; r < wrongChances.length; r++) {
			wrongChances[r]! += whole * wrong[r]!.healthy + faults * wrong[r]!.faulty;
		}
	}
	const weighed = classes.map((of, c): Weighed => {
		const weight = located?.[c];
		const probability = chances[c]! * (c === 0 ? 1 : of.prior) * (weight?.mean ?? 1);
		const at = weight?.at ?? [];
		const sum = at.reduce((total, share) => total + share, 0);
		return {
			of,
			probability: c === 0 ? probability + held : probability,
			bestLog: Math.log(best[c]!) + Math.log(weight ? bestOf(weight) : 1),
			places: at.map((share) => (sum > 0 ? share / sum : 1 / at.length))
		};
	});
	const wrong = new Map(ids.map((id, r) => [id, wrongChances[r]!]));
	for (const reading of one.located?.readings ?? []) {
		wrong.set(reading.id, wrongLocated(reading, one.located!, weighed));
	}
	const { earth = null, earthRead } = one.located ?? {};
	if (earth && earthRead) {
		// Where the poles show a fault or swapped leads they are right.
		const healthy = weighed.reduce(
			(sum, { of, probability }) => (touchesEarth(of) ? sum : sum + probability),
			0
		);
		for (const pole of ['positive', 'negative'] as const) {
			const reading = earthRead[pole];
			if (reading) wrong.set(reading.id, healthy * earth.wrong[pole]);
		}
	}
	return { case: one, classes: weighed, held, before, wrongReading: wrong };
}

const touchesEarth = ({ faults }: StringClass) =>
	faults.some(({ fault: { code } }) => code === 'earth-fault' || code === 'connector-reversed');

const bestOf = ({ at, mean }: LocatedWeight) => (at.length > 0 ? Math.max(...at, 1e-300) : mean);

/** Chance that a reading at one place is wrong, over all that the string may be. */
function wrongLocated(
	reading: Reading,
	{ here }: LocatedEvidence,
	weighed: readonly Weighed[]
): number {
	let chance = 0;
	for (const { of, probability, places } of weighed) {
		if (probability < 1e-4) continue;
		const [first] = of.faults;
		// Where the places cannot be told apart any of them predicts the same.
		const spots = places.length > 0 ? places : [1];
		spots.forEach((share, at) => {
			const predictions = predictAt(reading, first ? { ...first, at } : null, here);
			if (!predictions) return;
			chance += probability * share * chanceWrong(reading, predictions);
		});
	}
	return chance;
}
