import type { StringRecord } from '../record/record';
import type { StringCircuit } from '../circuit/description';
import { combine, ownDoubt } from '../expectation/error-model';
import { modulesAtShift, type GroupReading, type SiblingGroup } from '../expectation/group';
import { predictReading, readingIn, stringHere, type Prediction } from '../expectation/predict';
import type { Shift } from '../expectation/siblings';
import { rightDensity, wrongDensity, type Foretold } from './evidence';
import { hypothesesOf, type Hypothesis } from './hypotheses';
import { logSharedPriors, logSum, type SharedCause } from './shared-causes';
import { shiftGrid } from './shift-grid';
import { usualState } from '../expectation/switching';

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
	{ reading }: GroupReading
): StringCircuit | null {
	return fault
		? fault.inject(whole, severity, reading.state ?? usualState(reading.quantity))
		: whole;
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
		ownDoubt(reading.quantity, prediction, string, group.series, reading.atVolts)
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
			const build = [
				string.moduleCount,
				string.cableResistance,
				string.fuse !== null,
				string.blockingDiode,
				// Modules of another type, by number.
				...string.modules.flatMap(({ number, moduleTypeId }) =>
					moduleTypeId === null ? [] : `${number}:${moduleTypeId}`
				)
			];
			const key = [...build, quantity, atVolts].join();
			const index = known.get(key) ?? list.push({ item, hypotheses }) - 1;
			known.set(key, index);
			indexOf.set(item, index);
		}
	}
	return { list, indexOf };
}

/** A string's readings as numbers, with the priors of its hypotheses. */
interface StringEvidence {
	readonly priors: readonly number[];
	readonly items: readonly { readonly measured: number; readonly question: number }[];
}

/** What one light and heat make of a string's readings. */
interface StringWeight {
	/** Of all readings under each hypothesis; the flat part of wrong readings keeps them above 0. */
	readonly densities: Float64Array;
	/** Priors times densities, summed. */
	readonly total: number;
	/** Chance that the string is whole and every reading right. */
	readonly wholeAndRight: number;
	/** Per reading: chance that the string is whole and this one alone wrong. */
	readonly wholeButOne: readonly number[];
}

/** @param foretold per question and hypothesis, what is foretold at this light and heat */
function weighString(
	{ priors, items }: StringEvidence,
	foretold: readonly (readonly Foretold[])[]
): StringWeight {
	const densities = new Float64Array(priors.length).fill(1);
	for (const { measured, question } of items) {
		const answers = foretold[question]!;
		for (let h = 0; h < densities.length; h++) {
			const answer = answers[h]!;
			densities[h]! *= rightDensity(measured, answer) + wrongDensity(measured, answer);
		}
	}
	let total = 0;
	for (let h = 0; h < densities.length; h++) total += priors[h]! * densities[h]!;
	const right = items.map(({ measured, question }) =>
		rightDensity(measured, foretold[question]![0]!)
	);
	const wrong = items.map(({ measured, question }) =>
		wrongDensity(measured, foretold[question]![0]!)
	);
	/** Chance of the whole string with every reading right but one, or but none. */
	const whole = (other: number) => {
		let product = priors[0]! / total;
		for (let i = 0; i < items.length; i++) product *= i === other ? wrong[i]! : right[i]!;
		return product;
	};
	return {
		densities,
		total,
		wholeAndRight: whole(-1),
		wholeButOne: items.map((_, i) => whole(i))
	};
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
	const atBest = modulesAtShift(group, group.estimates[0].shift);
	const answers = questions.list.map(({ item, hypotheses }) => {
		const whole = stringHere(item.string, group.model, atBest);
		const { quantity, atVolts } = item.reading;
		return hypotheses.map((hypothesis) => {
			const circuit = circuitUnder(hypothesis, whole, item);
			const shown = circuit && readingIn(circuit, atBest, quantity, atVolts);
			return { shown, sigma: shown ? spreadOf(group, item, shown(atBest)) : 1 };
		});
	});

	const evidence = strings.map(({ hypotheses, readings }) => ({
		priors: hypotheses.map((hypothesis) => hypothesis.prior),
		items: readings.map((item) => ({
			measured: item.measured,
			question: questions.indexOf.get(item)!
		}))
	}));
	const points = grid.map((point) => {
		const modules = modulesAtShift(group, point);
		const foretold = questions.list.map(({ item }, q): Foretold[] => {
			const scale = scaleOf(group, item);
			return answers[q]!.map(({ shown, sigma }) => ({
				value: shown && shown(modules).value,
				sigma,
				scale
			}));
		});
		const perString = evidence.map((string) => weighString(string, foretold));
		const priors = logSharedPriors(point, group.doubt);
		const prior = logSum(Object.values(priors));
		const log = point.logArea + prior + perString.reduce((sum, s) => sum + Math.log(s.total), 0);
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
				p.perString.reduce((product, s) => product * s.wholeAndRight, 1)
		),
		strings: strings.map(({ string, hypotheses, readings }, s) => ({
			string,
			readings,
			hypotheses: hypotheses.map((hypothesis, h) => ({
				hypothesis,
				probability:
					h === 0
						? average((p) => p.perString[s]!.wholeAndRight)
						: average(
								(p) => (p.perString[s]!.densities[h]! * hypothesis.prior) / p.perString[s]!.total
							),
				bestLog: Math.log(
					heavy.reduce((best, p) => Math.max(best, p.perString[s]!.densities[h]!), 0)
				)
			})),
			wrongReading: new Map(
				readings.map((item, r) => [
					item.reading.id,
					average((p) => p.perString[s]!.wholeButOne[r]!)
				])
			)
		}))
	};
}
