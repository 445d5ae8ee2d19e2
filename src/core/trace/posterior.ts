import type { StringRecord } from '../circuit/record';
import type { StringCircuit } from '../circuit/string';
import { combine, ownDoubt } from '../expectation/error-model';
import { moduleAtShift, type GroupReading, type SiblingGroup } from '../expectation/group';
import { predictReading, predictValue, stringHere, type Prediction } from '../expectation/predict';
import type { Shift } from '../expectation/siblings';
import { readingLikelihood } from './evidence';
import { hypothesesOf, type Hypothesis } from './hypotheses';
import { logSharedPriors, logSum, type SharedCause } from './shared-causes';
import { shiftGrid } from './shift-grid';

/** Posterior of one string. */
export interface StringPosterior {
	readonly string: StringRecord;
	readonly readings: readonly GroupReading[];
	readonly hypotheses: readonly Weighed[];
	/** Per reading: chance that the string is whole and this reading alone is wrong. */
	readonly wrongReading: ReadonlyMap<string, number>;
}

export interface Weighed {
	readonly hypothesis: Hypothesis;
	/** Including the chance that some reading is wrong; for the whole string, excluding it. */
	readonly probability: number;
	/** Greatest ln likelihood of the string's readings over light and heat. */
	readonly bestLog: number;
}

export interface GroupPosterior {
	readonly group: SiblingGroup;
	readonly strings: readonly StringPosterior[];
	readonly shared: Readonly<Record<SharedCause, number>>;
	/** Every string whole, every reading right, the conditions as stated. */
	readonly healthy: number;
	/** The shift of greatest weight. */
	readonly best: Shift;
}

/** A clamp's rest and a floating end's drift: an interrupted path does not read an exact 0. */
const REST = { amps: 0.05, voltsShare: 0.008 };

/** The string as a hypothesis leaves it, in the state of a reading; null where none can be foretold. */
function circuitUnder(
	{ fault, severity }: Hypothesis,
	whole: StringCircuit,
	{ reading, string }: GroupReading
): StringCircuit | null {
	return fault ? fault.inject(whole, severity, reading.switchingState, string) : whole;
}

/** What a hypothesis foretells of a reading; null where it cannot. */
export function predictUnder(
	hypothesis: Hypothesis,
	whole: StringCircuit,
	item: GroupReading
): Prediction | null {
	const circuit = circuitUnder(hypothesis, whole, item);
	return circuit && predictReading(circuit, item.reading.quantity, item.reading.atVolts);
}

/** Standard uncertainty of one prediction and its reading, and the largest amount the place shows. */
function spreadOf(group: SiblingGroup, item: GroupReading, prediction: Prediction): number {
	const { reading, string } = item;
	const sigma = combine(
		ownDoubt(reading.quantity, prediction, string, group.model.type, group.meters, reading.atVolts)
	);
	const rest =
		reading.quantity === 'open-circuit-voltage'
			? REST.voltsShare * scaleOf(group, item)
			: REST.amps;
	return Math.abs(prediction.value) < rest ? Math.hypot(sigma, rest) : sigma;
}

function scaleOf(group: SiblingGroup, item: GroupReading): number {
	const { plate } = group.model.type;
	return item.reading.quantity === 'open-circuit-voltage'
		? 1.3 * plate.voc * Math.max(item.string.moduleCount, 1)
		: 1.3 * plate.isc;
}

/** Share of the posterior below which a grid point is left out. */
const NEGLIGIBLE = 1e-7;

interface StringCase {
	readonly string: StringRecord;
	readonly hypotheses: readonly [Hypothesis, ...Hypothesis[]];
	readonly readings: readonly GroupReading[];
}

/** One reading that stands for all of its kind, and the hypotheses of its string. */
interface Question {
	readonly item: GroupReading;
	readonly hypotheses: readonly Hypothesis[];
}

/** Strings of equal build at equal volts give equal predictions: they are computed once. */
function gatherQuestions(strings: readonly StringCase[]): {
	readonly list: readonly Question[];
	readonly indexOf: ReadonlyMap<GroupReading, number>;
} {
	const list: Question[] = [];
	const known = new Map<string, number>();
	const indexOf = new Map<GroupReading, number>();
	for (const { string, hypotheses, readings } of strings) {
		for (const item of readings) {
			const { quantity, atVolts } = item.reading;
			const build = [string.moduleCount, string.cableResistance, string.fuse !== null];
			const key = [...build, quantity, atVolts].join();
			const index = known.get(key) ?? list.push({ item, hypotheses }) - 1;
			known.set(key, index);
			indexOf.set(item, index);
		}
	}
	return { list, indexOf };
}

/**
 * Posterior over the causes of one group of siblings.
 *
 * Bayes over the catalogue, with effective light and heat as the two unknowns that all strings
 * share, integrated on a grid about every answer the readings allow. Given them the strings are
 * independent, so faults in several strings cost nothing more; errors taken as independent instead
 * of shared would lose lost sections.
 */
export function groupPosterior(group: SiblingGroup): GroupPosterior {
	const grid = shiftGrid(group.estimates);
	const strings: StringCase[] = group.strings.map((string) => ({
		string,
		hypotheses: hypothesesOf(string, group.model.type),
		readings: [...group.shared.values()].filter((item) => item.string === string)
	}));
	const questions = gatherQuestions(strings);
	const atBest = moduleAtShift(group, group.estimates[0].shift);
	const sigmas = questions.list.map(({ item, hypotheses }) => {
		const whole = stringHere(item.string, group.model, atBest);
		return hypotheses.map((hypothesis) => {
			const prediction = predictUnder(hypothesis, whole, item);
			return prediction ? spreadOf(group, item, prediction) : 1;
		});
	});

	const points = grid.map((point) => {
		const module = moduleAtShift(group, point);
		const predictions = questions.list.map(({ item, hypotheses }) => {
			const whole = stringHere(item.string, group.model, module);
			return hypotheses.map((hypothesis) => {
				const circuit = circuitUnder(hypothesis, whole, item);
				return circuit && predictValue(circuit, item.reading.quantity, item.reading.atVolts);
			});
		});
		const perString = strings.map(({ hypotheses, readings }) => {
			const wrong: number[] = [];
			const logs = new Float64Array(hypotheses.length);
			const joint = new Float64Array(hypotheses.length);
			hypotheses.forEach((hypothesis, h) => {
				let density = 1;
				for (const item of readings) {
					const q = questions.indexOf.get(item)!;
					const likelihood = readingLikelihood(
						item.measured,
						predictions[q]![h]!,
						sigmas[q]![h]!,
						scaleOf(group, item)
					);
					const both = likelihood.right + likelihood.wrong;
					density *= both;
					if (h === 0) wrong.push(likelihood.wrong / both);
				}
				// The flat part of wrong readings keeps every density far from nothing.
				logs[h] = Math.log(density);
				joint[h] = logs[h]! + Math.log(hypothesis.prior);
			});
			return { logs, joint, total: logSum(joint), wrong };
		});
		const priors = logSharedPriors(point, group.doubt);
		const prior = logSum(Object.values(priors));
		const log = point.logArea + prior + perString.reduce((sum, s) => sum + s.total, 0);
		return { point, perString, priors, prior, log };
	});

	const all = logSum(points.map((p) => p.log));
	// Points that weigh next to nothing are left out of every average.
	const heavy = points
		.map((point) => ({ ...point, weight: Math.exp(point.log - all) }))
		.filter(({ weight }) => weight > NEGLIGIBLE)
		.sort((a, b) => b.weight - a.weight);
	const average = (value: (point: (typeof heavy)[number]) => number) =>
		heavy.reduce((sum, point) => sum + point.weight * value(point), 0);
	const allRight = (wrong: readonly number[]) => wrong.reduce((product, w) => product * (1 - w), 1);
	const given = (s: (typeof points)[number]['perString'][number], h: number) =>
		Math.exp(s.joint[h]! - s.total);
	const shared = (cause: SharedCause) => average((p) => Math.exp(p.priors[cause] - p.prior));

	return {
		group,
		best: heavy[0]!.point,
		shared: {
			'as-stated': shared('as-stated'),
			soiling: shared('soiling'),
			'conditions-wrong': shared('conditions-wrong')
		},
		healthy: average(
			(p) =>
				Math.exp(p.priors['as-stated'] - p.prior) *
				p.perString.reduce((product, s) => product * given(s, 0) * allRight(s.wrong), 1)
		),
		strings: strings.map(({ string, hypotheses, readings }, s) => ({
			string,
			readings,
			hypotheses: hypotheses.map((hypothesis, h) => ({
				hypothesis,
				probability: average((p) => {
					const at = p.perString[s]!;
					return given(at, h) * (h === 0 ? allRight(at.wrong) : 1);
				}),
				bestLog: Math.max(...heavy.map((p) => p.perString[s]!.logs[h]!))
			})),
			wrongReading: new Map(
				readings.map((item, r) => [
					item.reading.id,
					average((p) => {
						const at = p.perString[s]!;
						const others = at.wrong.reduce(
							(product, w, i) => (i === r ? product : product * (1 - w)),
							1
						);
						return given(at, 0) * at.wrong[r]! * others;
					})
				])
			)
		}))
	};
}
