import { isAcBranch, type ArrayRecord, type ModuleType, type StringRecord } from '../record/record';
import type { Conditions } from '../conditions/conditions';
import { openCircuitVoltage, type SingleDiode } from '../module/single-diode';
import { STC_IRRADIANCE } from '../units/constants';
import { EVEN_DIRT, STEADY_LIGHT } from './allowances';
import {
	combine,
	ownDoubt,
	sharedDoubt,
	type Contribution,
	type Series,
	type SharedDoubt
} from './error-model';
import { median } from '../units/quantile';
import {
	agedModel,
	alike,
	moduleHere,
	predictReading,
	readingIn,
	stringHere,
	type AgedModel,
	type ModulesHere,
	type Prediction
} from './predict';
import { estimateShared, type SharedEstimate, type SharedReading, type Shift } from './siblings';
import { stringKey } from './place';
import { unsteadiness } from './unsteadiness';
import { isStringReading, type Reading, type StringReading, type Visit } from './visit';
import { STRING_QUANTITIES, type StringQuantity } from './quantity';
import { conditionsAt, standingSeries } from './standing';
import { standsAlone } from './switching';

/**
 * The strings of one module type: they share light, heat and their label's common error, so they
 * are each other's yardstick. All strings of a site are taken to lie in one plane.
 */
export interface SiblingGroup {
	readonly model: AgedModel;
	/** Other types that stand singly in these strings. */
	readonly companions: readonly AgedModel[];
	readonly strings: readonly StringRecord[];
	readonly conditions: Conditions;
	readonly series: Series;
	readonly doubt: SharedDoubt;
	/** The standing readings of these strings by place. Dead ones took no part in the estimate. */
	readonly shared: ReadonlyMap<string, GroupReading>;
	/** Distinct answers for effective light and heat, best first. */
	readonly estimates: readonly [SharedEstimate, ...SharedEstimate[]];
}

type GroupBase = Pick<SiblingGroup, 'model' | 'companions' | 'conditions'>;

export interface GroupReading extends SharedReading {
	readonly reading: StringReading;
	readonly string: StringRecord;
	readonly contributions: readonly Contribution[];
	/** What this reading would have shown in the standing conditions over what it showed in its own, 1. */
	readonly drift: number;
}

/** One module of the group at a shift from the stated conditions. */
export function moduleAtShift(
	group: Pick<SiblingGroup, 'model' | 'conditions'>,
	shift: Shift
): SingleDiode {
	const light = group.conditions.irradiance.value * (1 - EVEN_DIRT.loss) * Math.exp(shift.light);
	return moduleHere(group.model, light, group.conditions.cellTemperature.value + shift.heat);
}

/** All modules of the group's strings at a shift, those of other types among them too. */
export function modulesAtShift(group: GroupBase, shift: Shift): ModulesHere {
	const main = moduleAtShift(group, shift);
	if (group.companions.length === 0) return alike(main);
	const others = group.companions.map((model) => {
		const module = moduleAtShift({ ...group, model }, shift);
		return [model.type.id, { module, type: model.type }] as const;
	});
	return { main, others: new Map(others) };
}

/** What a whole string of the group would read at a shift. */
export function predictAtShift(
	group: GroupBase,
	string: StringRecord,
	quantity: StringQuantity,
	atVolts: number | null,
	shift: Shift
): Prediction {
	const circuit = stringHere(string, group.model, modulesAtShift(group, shift));
	return predictReading(circuit, quantity, atVolts);
}

export const NO_SHIFT: Shift = { light: 0, heat: 0 };

/** Relative change of Voc per kelvin at the stated conditions, 1/K. */
function voltsPerKelvin(group: Pick<SiblingGroup, 'model' | 'conditions'>): number {
	const volts = (heat: number) => openCircuitVoltage(moduleAtShift(group, { light: 0, heat }));
	return (volts(0.5) - volts(-0.5)) / volts(0);
}

/** Shares of label volts and of the label current in the stated light below which a string is dead. */
const DEAD = { volts: 0.06, amps: 0.04 };

/**
 * Whether a reading shows a dead or reversed path: that says nothing of light and heat, so it takes
 * no part in their estimate.
 */
export function isDead(
	{ model, conditions }: Pick<SiblingGroup, 'model' | 'conditions'>,
	{ reading, string }: Pick<GroupReading, 'reading' | 'string'>
): boolean {
	const { voc, isc } = model.type.plate;
	if (reading.quantity === 'open-circuit-voltage') {
		return reading.value < DEAD.volts * voc * string.moduleCount;
	}
	return Math.abs(reading.value) < DEAD.amps * isc * (conditions.irradiance.value / STC_IRRADIANCE);
}

/** A start for the estimate where most strings agree, however far that is from what was stated. */
function siblingStart(readings: readonly GroupReading[], perKelvin: number): Shift {
	const middle = (wanted: 'volts' | 'amps') => {
		const ratios = readings
			.filter(
				({ reading }) => (reading.quantity === 'open-circuit-voltage') === (wanted === 'volts')
			)
			.map((r) => r.measured / r.at(NO_SHIFT))
			.filter((ratio) => Number.isFinite(ratio) && ratio > 0);
		return ratios.length > 0 ? median(ratios) : 1;
	};
	return { light: Math.log(middle('amps')), heat: (middle('volts') - 1) / perKelvin };
}

/**
 * Whether a reading tells of its string alone, in its usual state. One on a common bus, with the
 * devices off or a section covered is judged by itself and asked nothing about light and heat.
 */
function tellsOfString({ state, quantity }: StringReading): boolean {
	if (state === null || state.covered) return false;
	return quantity === 'open-circuit-voltage' ? standsAlone(state) : true;
}

/** The readings' scatter about what the estimate foretells, currents only. */
function currentMisses(telling: readonly GroupReading[], { shift }: SharedEstimate) {
	return telling
		.filter(({ reading }) => reading.quantity !== 'open-circuit-voltage')
		.map((item) => {
			const expected = item.at(shift);
			const known = item.contributions.filter(({ source }) => source !== 'unsteady-light');
			return { relative: item.measured / expected - 1, known: combine(known) / expected };
		})
		.filter(({ relative }) => Number.isFinite(relative));
}

/**
 * Gathers the strings of one module type with their standing readings and estimates their shared
 * light and heat, and how steady the light was.
 */
export function siblingGroup(
	type: ModuleType,
	record: ArrayRecord,
	years: number,
	conditions: Conditions,
	visit: Pick<Visit, 'meters' | 'conditions'>,
	standing: ReadonlyMap<string, Reading>
): SiblingGroup {
	const { meters } = visit;
	const model = agedModel(type, years);
	const strings = record.strings.filter(
		(string) => string.moduleTypeId === type.id && !isAcBranch(string)
	);
	const amongThem = new Set(strings.flatMap(({ modules }) => modules.map((m) => m.moduleTypeId)));
	const companions = record.moduleTypes
		.filter((other) => other !== type && amongThem.has(other.id))
		.map((other) => agedModel(other, years));
	const base = { model, companions, conditions };
	const perKelvin = voltsPerKelvin(base);
	const doubt = sharedDoubt(conditions, type, years, meters, perKelvin);
	const found = strings.flatMap((string) =>
		STRING_QUANTITIES.flatMap((quantity) => {
			const reading = standing.get(stringKey(string.id, quantity));
			return reading && isStringReading(reading) && tellsOfString(reading)
				? [{ string, reading }]
				: [];
		})
	);
	const estimate = (series: Series) => {
		const items = found.map((item) => groupReading(base, series, visit, item));
		const telling = items.filter((item) => !isDead(base, item));
		const estimates = estimateShared(telling, doubt, [siblingStart(telling, perKelvin)]);
		return { series, items, telling, estimates };
	};
	const steady = estimate({ type, meters, unsteadiness: STEADY_LIGHT });
	const moved = unsteadiness(currentMisses(steady.telling, steady.estimates[0]));
	const { series, items, estimates } =
		moved > STEADY_LIGHT ? estimate({ type, meters, unsteadiness: moved }) : steady;
	const shared = new Map(
		items.map((item) => [stringKey(item.string.id, item.reading.quantity), item])
	);
	return { ...base, strings, series, doubt, shared, estimates };
}

/**
 * How far a reading's own light and heat, by the time it was taken in its series, lie from those that
 * stand for the visit: the factor that carries it there.
 */
function driftOf(
	{ conditions }: GroupBase,
	visit: Pick<Visit, 'conditions'>,
	{ takenAt }: Reading,
	shown: (shift: Shift) => number
): number {
	if (standingSeries(visit).length < 2) return 1;
	const own = conditionsAt(visit, takenAt);
	if (!own) return 1;
	const there = shown(NO_SHIFT);
	const here = shown({
		light: Math.log(own.irradiance / conditions.irradiance.value),
		heat: own.cellTemperature - conditions.cellTemperature.value
	});
	return here > 0 && there > 0 ? there / here : 1;
}

function groupReading(
	base: GroupBase,
	series: Series,
	visit: Pick<Visit, 'conditions'>,
	{ string, reading }: Pick<GroupReading, 'string' | 'reading'>
): GroupReading {
	const { quantity, atVolts } = reading;
	const prediction = predictAtShift(base, string, quantity, atVolts, NO_SHIFT);
	const contributions = ownDoubt(quantity, prediction, string, series, atVolts);
	const stated = modulesAtShift(base, NO_SHIFT);
	const shown = readingIn(stringHere(string, base.model, stated), stated, quantity, atVolts);
	const drift = driftOf(base, visit, reading, (shift) => shown(modulesAtShift(base, shift)).value);
	return {
		reading,
		string,
		contributions,
		drift,
		measured: reading.value * drift,
		ownSigma: combine(contributions),
		at: (shift) => shown(modulesAtShift(base, shift)).value
	};
}
