import { AT_RATING, moduleAtShift, rmsOf } from '../expectation';
import { maximumPowerPoint } from '../module';
import type { InputVoltage } from './cases';
import { rightDensity, wrongDensity } from './evidence';
import type { Cause, Reason } from './cause';
import { lineOf, type BareMember } from './line';
import type { GroupPosterior, Weighed } from './posterior';
import { carriesNoCurrent } from './string-class';
import { type FaultRates, rateOf } from '../faults';

/** What inverter and record say besides the strings. */
export interface SideFindingBasis {
	readonly posterior: GroupPosterior;
	readonly inputs: ReadonlyMap<string, InputVoltage>;
	readonly rates: FaultRates;
	/** What the inverter fed by its display; null where it was not read. */
	readonly acReading: { readonly id: string; readonly power: number } | null;
	/** What it may feed, W; null where unknown. */
	readonly acRating: number | null;
	/** Chance that the inverter runs at all. */
	readonly runs: number;
}

/** Inverter and cables lose so much between the modules' maximum and the AC side, and how sure that is. */
const THROUGH = { share: 0.955, uncertainty: 0.045 };
/** An input above its maximum is so many times as likely at an inverter that is at its rating; Zembo default. */
const PUSHED_ODDS = 10;
/** Of its maximum's volts the tracker may stay off by, relative. */
const TRACKING = 0.03;

const member = (
	code: BareMember['code'],
	probability: number,
	place: BareMember['place']
): BareMember => ({ code, place, probability, severity: '', size: null });

/**
 * Findings beside the strings' causes, no rivals of them: strings of unequal build on one input, an
 * inverter at its rating or below what is offered, a tracker away from the maximum.
 */
export function sideFindings(basis: SideFindingBasis): Cause[] {
	return [...unequalInputs(basis), ...inverterCauses(basis), ...stuckTrackers(basis)].filter(
		({ probability }) => probability > 0.02
	);
}

function unequalInputs({ posterior }: SideFindingBasis): Cause[] {
	const inputs = new Map<string, Map<number, { labels: string[]; sound: number }>>();
	for (const { case: one, classes } of posterior.strings) {
		const { input, label, moduleCount } = one.string;
		if (input === null) continue;
		const counts = inputs.get(input) ?? new Map<number, { labels: string[]; sound: number }>();
		inputs.set(input, counts);
		const entry = counts.get(moduleCount) ?? { labels: [], sound: 0 };
		entry.labels.push(label);
		// That the record is right about the length is what a string without lost volts says.
		entry.sound = Math.max(entry.sound, classes[0]!.probability);
		counts.set(moduleCount, entry);
	}
	return [...inputs].flatMap(([input, counts]) => {
		if (counts.size < 2) return [];
		const words = [...counts].map(
			([count, { labels }]) => `${labels.join(', ')}: ${count} modules`
		);
		const chance = Math.min(...[...counts.values()].map(({ sound }) => Math.max(sound, 0.5)));
		return [
			{
				...lineOf([member('unequal-parallel', 0.98 * chance, { input })], '', [
					{
						readingId: null,
						weighs: 'for',
						words: `Recorded on input ${input}: ${words.join('; ')}. The shorter strings are driven past their maximum, or feed nothing.`
					}
				]),
				where: `input ${input}`
			}
		];
	});
}

function inverterCauses({
	posterior,
	inputs,
	acReading,
	acRating,
	rates,
	runs
}: SideFindingBasis): Cause[] {
	const acPower = acReading?.power ?? null;
	if (acRating === null || rmsOf(posterior.group.series.irradiance) > 0.05) return [];
	const { volts: voltage, amps: current } = maximumPowerPoint(
		moduleAtShift(posterior.group, posterior.best)
	);
	const peak = voltage * current;
	const offeredBy = (shareOf: (classes: readonly Weighed[]) => number) =>
		THROUGH.share *
		posterior.strings.reduce(
			(sum, { case: { string }, classes, held: stopped }) =>
				sum + peak * string.moduleCount * Math.max(0, shareOf(classes) - stopped),
			0
		);
	const offered = offeredBy(shareOfPower);
	// A string with a fault may pull the others of its input off their maximum: it is not counted on.
	const atLeast = offeredBy(([sound]) => sound!.probability);
	const pushed = [...inputs.values()].some(
		({ read, best, believed }) => believed && read > (1 + TRACKING) * best
	);
	// The logistic curve stands for the normal distribution's, to 0.01.
	const logOdds =
		(1.702 * (offered / acRating - 1)) / THROUGH.uncertainty +
		(acPower !== null && pushed ? Math.log(PUSHED_ODDS) : 0);
	const beyond = 1 / (1 + Math.exp(-logOdds));
	const clipping =
		beyond * runs * Number(acPower === null ? pushed : acPower / acRating >= AT_RATING);
	const says = (words: string): readonly Reason[] => [{ readingId: null, weighs: 'for', words }];
	const fed = acPower === null ? 'Voltage too high' : `${Math.round(acPower)} W fed`;
	const read = `${fed}, ${Math.round(acRating)} W its rating, about ${Math.round(offered)} W offered`;
	const { derating, wrong } = fallsShort(acPower, Math.min(atLeast, acRating), rates);
	return [
		{
			...lineOf(
				[member('clipping', clipping, { inverter: true })],
				'',
				says(`${read}: a flat top is the inverter’s size, not a fault.`)
			),
			where: 'the inverter'
		},
		{
			...lineOf(
				[member('inverter-derating', runs * derating * (1 - clipping), { inverter: true })],
				'',
				says(
					`${read}: it draws less than it could. Possible: derating by temperature, a limit that is set, or one input.`
				)
			),
			where: 'the inverter'
		},
		{
			...lineOf(
				[member('reading-wrong', runs * wrong, acReading ? { reading: acReading.id } : {})],
				'AC power of the inverter',
				says(`${read}: a figure read or typed wrong gives this too. Repeat the reading.`)
			),
			where: 'the inverter'
		}
	];
}

/** What a string with a fault still gives that does not stop its current, share; Zembo default. */
const WEAKENED = 0.9;

/** Share of its power that a string gives, by what is thought of it. */
function shareOfPower(classes: readonly Weighed[]): number {
	return classes.reduce(
		(sum, { of, probability }, c) =>
			sum + (c === 0 ? 1 : carriesNoCurrent(of) ? 0 : WEAKENED) * probability,
		0
	);
}

/** Share of what is offered below which a figure is more likely misread than true; Zembo default. */
const GROSS = 0.3;

/**
 * Chance that an inverter takes less than it could, and that its figure was read wrong, by how much the
 * figure falls short of what is offered. A derated inverter may take any share of it.
 */
function fallsShort(
	acPower: number | null,
	least: number,
	rates: FaultRates
): { readonly derating: number; readonly wrong: number } {
	// One that stands still is another matter.
	if (acPower === null || acPower < 0.02 * least) return { derating: 0, wrong: 0 };
	const predicted = { value: least, sigma: THROUGH.uncertainty * least, scale: 1.3 * least };
	const right = rightDensity(acPower, predicted);
	// What is offered leaves out uncertain strings, so only a gross shortfall speaks against the figure.
	const wrong = acPower < GROSS * least ? wrongDensity(acPower, predicted) : 0;
	const derating = acPower < least ? rateOf('inverter-derating', rates) / least : 0;
	const all = right + wrong + derating;
	return { derating: derating / all, wrong: wrong / all };
}

function stuckTrackers({
	inputs,
	rates,
	posterior,
	acReading,
	acRating,
	runs
}: SideFindingBasis): Cause[] {
	const acPower = acReading?.power ?? null;
	// At its rating the inverter leaves the maximum on purpose.
	if (acPower !== null && acRating !== null && acPower > 0.95 * acRating) return [];
	const prior = rateOf('mppt-mode-wrong', rates);
	return [...inputs].flatMap(([input, { read, best, believed }]) => {
		const strings = posterior.strings.filter(({ case: one }) => one.string.input === input);
		const [first] = strings;
		const alike = strings.every(
			({ case: one }) => one.string.moduleCount === first?.case.string.moduleCount
		);
		// Unequal or faulty strings have their common maximum elsewhere.
		if (!believed || !alike) return [];
		const sound = strings.reduce((product, { classes }) => product * classes[0]!.probability, 1);
		const z = (read / best - 1) / TRACKING;
		const odds = (prior / (1 - prior)) * Math.exp(Math.min(0.5 * z * z, 12)) * 0.08;
		const chance = (odds / (1 + odds)) * posterior.shared['as-stated'] * runs * sound ** 2;
		return [
			{
				...lineOf([member('mppt-mode-wrong', chance, { input })], '', [
					{
						readingId: null,
						weighs: 'for',
						words: `Input ${input} runs at ${read.toFixed(0)} V; its strings have their maximum at ${best.toFixed(0)} V.`
					}
				]),
				where: `input ${input}`
			}
		];
	});
}
