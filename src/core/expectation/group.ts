import type { Conditions } from '../conditions';
import { openCircuitVoltage, type SingleDiode } from '../module';
import type { ArrayRecord, Plane, StringRecord } from '../record';
import { STC_IRRADIANCE } from '../units';
import { median } from '../numerics';
import { EVEN_SOILING, IRRADIANCE_SCATTER, TEMPERATURE_SCATTER } from './allowances';
import type { ComparableStrings } from './comparable';
import {
	combine,
	ownUncertainty,
	scatterUncertainty,
	sharedUncertainty,
	type Contribution,
	type Series,
	type SharedUncertainty
} from './error-model';
import {
	conditionsAt,
	type ConditionsEntry,
	currentSeries,
	isStringReading,
	type Reading,
	settledState,
	standsAlone,
	STRING_QUANTITIES,
	stringKey,
	type StringQuantity,
	type StringReading,
	type Visit
} from '../visit';
import {
	agedModel,
	alike,
	moduleAtConditions,
	predictReading,
	readingIn,
	stringAtConditions,
	type AgedModel,
	type ModulesElsewhere,
	type ModulesAtConditions,
	type Prediction
} from './predict';
import { rearGain } from './rear-gain';
import { estimateScatter, priorScatter, rmsOf, type Scatter, type ScatterPrior } from './scatter';
import {
	estimateShared,
	type SharedEstimate,
	type SharedReading,
	type Shift,
	type ShiftPrior
} from './shared-shift';

const NOTHING_ELSEWHERE: ReadonlyMap<string, ModulesElsewhere> = new Map();

/**
 * Comparable strings: one module type in one plane. They share irradiance, cell temperature and the
 * common error of their nameplates, so each is judged by the others.
 */
export interface PeerGroup {
	readonly model: AgedModel;
	/** Other types that stand singly in these strings. */
	readonly companions: readonly AgedModel[];
	/** Null where the record does not tell which way the strings face. */
	readonly plane: Plane | null;
	/** Direction the currents suggest where no plane is recorded; null where they suggest none. */
	readonly presumed: number | null;
	readonly strings: readonly StringRecord[];
	/** Modules of its strings that lie on other planes, by string. */
	readonly elsewhere: ReadonlyMap<string, ModulesElsewhere>;
	readonly conditions: Conditions;
	readonly series: Series;
	readonly uncertainty: SharedUncertainty;
	/** Relative change of Voc with the cell temperature, 1/K, negative. */
	readonly perKelvin: number;
	/** The standing readings of these strings by place. Dead ones took no part in the estimate. */
	readonly shared: ReadonlyMap<string, GroupReading>;
	/** Distinct answers for effective light and heat, best first. */
	readonly estimates: readonly [SharedEstimate, ...SharedEstimate[]];
}

type GroupBase = Pick<PeerGroup, 'model' | 'companions' | 'conditions' | 'elsewhere'>;

export interface GroupReading extends SharedReading {
	readonly reading: StringReading;
	readonly string: StringRecord;
	readonly contributions: readonly Contribution[];
	/** The part of its standard uncertainty that is known without the other readings, V or A. */
	readonly knownSigma: number;
	/** What the other readings say of the scatter it is judged by: K for a voltage, 1 for a current. */
	readonly scatter: Scatter;
	/** Change of the reading with the cell temperature, V/K or A/K. */
	readonly perKelvin: number;
	/** Change of the reading with that scatter, V/K or A. */
	readonly scatterUnit: number;
	/** What this reading would have shown in the standing conditions over what it showed in its own, 1. */
	readonly drift: number;
}

/** One module of the group at a shift from the stated conditions. */
export function moduleAtShift(
	group: Pick<PeerGroup, 'model' | 'conditions'>,
	shift: Shift
): SingleDiode {
	const { conditions, model } = group;
	const irradiance =
		conditions.irradiance.value *
		(1 - EVEN_SOILING.loss) *
		(1 + rearGain(model.type, conditions).value) *
		Math.exp(shift.irradiance);
	return moduleAtConditions(
		group.model,
		irradiance,
		group.conditions.cellTemperature.value + shift.cellTemperature
	);
}

/** All modules of the group's strings at a shift, those of other types among them too. */
export function modulesAtShift(
	group: Omit<GroupBase, 'elsewhere'> & Partial<Pick<GroupBase, 'elsewhere'>>,
	shift: Shift
): ModulesAtConditions {
	const main = moduleAtShift(group, shift);
	const elsewhere = group.elsewhere ?? NOTHING_ELSEWHERE;
	if (group.companions.length === 0) return { ...alike(main), elsewhere };
	const others = group.companions.map((model) => {
		const module = moduleAtShift({ ...group, model }, shift);
		return [model.type.id, { module, type: model.type }] as const;
	});
	return { main, others: new Map(others), elsewhere };
}

/** What a whole string of the group would read at a shift. */
export function predictAtShift(
	group: GroupBase,
	string: StringRecord,
	quantity: StringQuantity,
	atVoltage: number | null,
	shift: Shift
): Prediction {
	const circuit = stringAtConditions(string, group.model, modulesAtShift(group, shift));
	return predictReading(circuit, quantity, atVoltage);
}

export const NO_SHIFT: Shift = { irradiance: 0, cellTemperature: 0 };

/** Relative change of Voc per kelvin at the stated conditions, 1/K. */
function voltagePerKelvin(group: Pick<PeerGroup, 'model' | 'conditions'>): number {
	const voltage = (cellTemperature: number) =>
		openCircuitVoltage(moduleAtShift(group, { irradiance: 0, cellTemperature }));
	return (voltage(0.5) - voltage(-0.5)) / voltage(0);
}

/** Shares of label volts and of the label current in the stated light below which a string is dead. */
const DEAD = { volts: 0.06, amps: 0.04 };

/**
 * Whether a reading shows a dead or reversed path: that says nothing of light and heat, so it takes
 * no part in their estimate.
 */
export function isDead(
	{ model, conditions }: Pick<PeerGroup, 'model' | 'conditions'>,
	{ reading, string }: Pick<GroupReading, 'reading' | 'string'>
): boolean {
	const { voc, isc } = model.type.plate;
	if (reading.quantity === 'open-circuit-voltage') {
		return reading.value < DEAD.volts * voc * string.moduleCount;
	}
	return Math.abs(reading.value) < DEAD.amps * isc * (conditions.irradiance.value / STC_IRRADIANCE);
}

/** A start for the estimate where most strings agree, however far that is from what was stated. */
function peerStart(
	readings: readonly Pick<GroupReading, 'reading' | 'measured' | 'at'>[],
	perKelvin: number
): Shift {
	const middle = (wanted: 'volts' | 'amps') => {
		const ratios = readings
			.filter(
				({ reading }) => (reading.quantity === 'open-circuit-voltage') === (wanted === 'volts')
			)
			.map((r) => r.measured / r.at(NO_SHIFT))
			.filter((ratio) => Number.isFinite(ratio) && ratio > 0);
		return ratios.length > 0 ? median(ratios) : 1;
	};
	return {
		irradiance: Math.log(middle('amps')),
		cellTemperature: (middle('volts') - 1) / perKelvin
	};
}

/**
 * Whether a reading tells of its string alone, in its usual state. One on a common bus, with the
 * devices off or a section covered is judged by itself and asked nothing about light and heat.
 */
function tellsOfString(string: StringRecord, { state: entered, quantity }: StringReading): boolean {
	if (entered === null || entered.covered) return false;
	const state = settledState(string, entered);
	return quantity === 'open-circuit-voltage' ? standsAlone(state) : true;
}

/** What of a visit a group of comparable strings is estimated from. */
export interface GroupBasis {
	readonly record: ArrayRecord;
	readonly years: number;
	readonly visit: Pick<Visit, 'meters'>;
	/** As they hold for the group's plane, in the order of entry. */
	readonly conditions: readonly [ConditionsEntry, ...ConditionsEntry[]];
	readonly standing: ReadonlyMap<string, Reading>;
	readonly elsewhere?: ReadonlyMap<string, ModulesElsewhere>;
	/** What strings of another type in the same light say of it; absent where there are none. */
	readonly neighbours?: ShiftPrior;
}

/** The scatter is estimated about an answer that it helps to find. */
const SCATTER_ROUNDS = 2;

/**
 * Gathers comparable strings with their standing readings and estimates what they share: effective light
 * and heat, how unequally warm the strings are, and how steady the irradiance was.
 */
export function peerGroup(of: ComparableStrings, basis: GroupBasis): PeerGroup {
	const { type, strings } = of;
	const { record, years, visit, standing, elsewhere = NOTHING_ELSEWHERE } = basis;
	const { meters } = visit;
	const conditions = basis.conditions.at(-1)!;
	const model = agedModel(type, years);
	const amongThem = new Set(strings.flatMap(({ modules }) => modules.map((m) => m.moduleTypeId)));
	const companions = record.moduleTypes
		.filter((other) => other !== type && amongThem.has(other.id))
		.map((other) => agedModel(other, years));
	const base = { model, companions, conditions, elsewhere };
	const perKelvin = voltagePerKelvin(base);
	const uncertainty = sharedUncertainty(conditions, type, years, meters, perKelvin);
	const known = new Map<string, GroupReading['at']>();
	const found = strings.flatMap((string) =>
		STRING_QUANTITIES.flatMap((quantity) => {
			const reading = standing.get(stringKey(string.id, quantity));
			return reading && isStringReading(reading) && tellsOfString(string, reading)
				? [groupReading(base, { type, meters, years }, basis.conditions, string, reading, known)]
				: [];
		})
	);
	// Modules on another plane are in a light of their own, which this group's readings do not tell.
	const telling = found.filter((item) => !isDead(base, item) && !of.split.has(item.string.id));
	let scatter: GroupScatter = { ...PRIOR_SCATTER, own: new Map<Unscattered, Scatter>() };
	const scattered = () => found.map((item) => withScatter(item, scatter));
	const tells = new Set(telling.map(({ reading }) => reading));
	const prior: ShiftPrior = basis.neighbours ?? uncertainty;
	const estimateFrom = (items: readonly GroupReading[], starts: readonly [Shift, ...Shift[]]) =>
		estimateShared(
			items.filter(({ reading }) => tells.has(reading)),
			prior,
			starts
		);
	let items = scattered();
	const start = peerStart(telling, perKelvin);
	let estimates = estimateFrom(items, [prior.centre ?? NO_SHIFT, start]);
	for (let round = 0; round < SCATTER_ROUNDS; round++) {
		scatter = scatterAbout(telling, estimates[0].shift);
		items = scattered();
		const [first, ...others] = estimates.map(({ shift }) => shift);
		estimates = estimateFrom(items, [first!, ...others]);
	}
	const shared = new Map(
		items.map((item) => [stringKey(item.string.id, item.reading.quantity), item])
	);
	const { temperature, irradiance } = scatter;
	const series = { type, meters, years, temperature, irradiance };
	const { plane, presumed } = of;
	return { ...base, plane, presumed, strings, series, uncertainty, perKelvin, shared, estimates };
}

/** A reading before it is known how far its like scatter. */
type Unscattered = Omit<GroupReading, 'ownSigma' | 'contributions' | 'scatter'> & {
	readonly known: readonly Contribution[];
};

interface GroupScatter {
	readonly temperature: Scatter;
	readonly irradiance: Scatter;
	/** As each reading is to be judged by. */
	readonly own: ReadonlyMap<Unscattered, Scatter>;
}

const PRIOR_SCATTER = {
	temperature: priorScatter(TEMPERATURE_SCATTER),
	irradiance: priorScatter(IRRADIANCE_SCATTER)
};

const isVoltage = ({ reading }: Pick<Unscattered, 'reading'>) =>
	reading.quantity === 'open-circuit-voltage';

/** Scatter of the telling readings about a shift: the voltages in kelvins, then the currents. */
function scatterAbout(telling: readonly Unscattered[], shift: Shift): GroupScatter {
	const own = new Map<Unscattered, Scatter>();
	const about = (items: readonly Unscattered[], prior: ScatterPrior, kelvins: number) => {
		const misses = items.map((item) => {
			const warm = isVoltage(item) ? 0 : item.perKelvin * kelvins;
			return {
				miss: (item.measured - item.at(shift)) / item.scatterUnit,
				known: Math.hypot(item.knownSigma, warm) / item.scatterUnit
			};
		});
		const { all, without } = estimateScatter(misses, prior);
		items.forEach((item, i) => own.set(item, without[i]!));
		return all;
	};
	const [voltage, current] = [
		telling.filter(isVoltage),
		telling.filter((item) => !isVoltage(item))
	];
	const temperature = about(voltage, TEMPERATURE_SCATTER, 0);
	const irradiance = about(current, IRRADIANCE_SCATTER, rmsOf(temperature));
	return { temperature, irradiance, own };
}

function withScatter(item: Unscattered, scatter: GroupScatter): GroupReading {
	const { temperature, irradiance, own } = scatter;
	const { known, ...rest } = item;
	const { perKelvin } = rest;
	const mine = own.get(item) ?? (isVoltage(item) ? temperature : irradiance);
	const contributions = [
		...known,
		...scatterUncertainty(
			item.reading.quantity,
			item.scatterUnit,
			perKelvin,
			{ temperature, irradiance },
			mine
		)
	];
	const warm = isVoltage(item) ? 0 : perKelvin * rmsOf(temperature);
	return {
		...rest,
		contributions,
		scatter: mine,
		knownSigma: Math.hypot(item.knownSigma, warm),
		ownSigma: combine(contributions)
	};
}

/**
 * How far a reading's own light and heat, by the time it was taken in its series, lie from those that
 * stand for the visit: the factor that carries it there.
 */
function driftOf(
	{ conditions }: Pick<GroupBase, 'conditions'>,
	entries: readonly ConditionsEntry[],
	{ takenAt }: Reading,
	shown: (shift: Shift) => number
): number {
	if (currentSeries({ conditions: entries }).length < 2) return 1;
	const own = conditionsAt({ conditions: entries }, takenAt);
	if (!own) return 1;
	const there = shown(NO_SHIFT);
	const here = shown({
		irradiance: Math.log(own.irradiance / conditions.irradiance.value),
		cellTemperature: own.cellTemperature - conditions.cellTemperature.value
	});
	return here > 0 && there > 0 ? there / here : 1;
}

/** Readings of equal strings at equal voltages are the same function of light and heat. */
function buildOf(
	{ elsewhere }: GroupBase,
	{ quantity, atVolts: atVoltage }: StringReading,
	{ id, moduleCount, cableResistance, fuse, blockingDiode, modules }: StringRecord
): string {
	const isPlain = !elsewhere.has(id) && modules.every(({ moduleTypeId }) => moduleTypeId === null);
	const build = isPlain ? [moduleCount, cableResistance, fuse !== null, blockingDiode] : [id];
	return [quantity, atVoltage ?? '', ...build].join('/');
}

/** So many answers are kept of each function: the estimate asks again and again about the same shifts. */
const KEPT = 64;

/** What a reading of a healthy string would be at a shift. */
function predictAllShifts(
	base: GroupBase,
	string: StringRecord,
	quantity: StringQuantity,
	atVoltage: number | null
): GroupReading['at'] {
	const stated = modulesAtShift(base, NO_SHIFT);
	const shown = readingIn(
		stringAtConditions(string, base.model, stated),
		stated,
		quantity,
		atVoltage
	);
	const known = new Map<string, number>();
	return (shift) => {
		const key = `${shift.irradiance} ${shift.cellTemperature}`;
		const before = known.get(key);
		if (before !== undefined) return before;
		const { value } = shown(modulesAtShift(base, shift));
		if (known.size >= KEPT) known.clear();
		known.set(key, value);
		return value;
	};
}

function groupReading(
	base: GroupBase,
	series: Pick<Series, 'type' | 'meters' | 'years'>,
	entries: readonly ConditionsEntry[],
	string: StringRecord,
	reading: StringReading,
	predicted: Map<string, GroupReading['at']>
): Unscattered {
	const { quantity, atVolts: atVoltage } = reading;
	const prediction = predictAtShift(base, string, quantity, atVoltage, NO_SHIFT);
	const known = ownUncertainty(quantity, prediction, string, series, atVoltage);
	const build = buildOf(base, reading, string);
	const at = predicted.get(build) ?? predictAllShifts(base, string, quantity, atVoltage);
	predicted.set(build, at);
	const drift = driftOf(base, entries, reading, at);
	const perKelvin =
		at({ irradiance: 0, cellTemperature: 0.5 }) - at({ irradiance: 0, cellTemperature: -0.5 });
	return {
		reading,
		string,
		known,
		perKelvin,
		drift,
		measured: reading.value * drift,
		knownSigma: combine(known),
		scatterUnit: Math.max(
			Math.abs(quantity === 'open-circuit-voltage' ? perKelvin : prediction.value),
			1e-6
		),
		at
	};
}

/** The group a string is compared in; undefined where conditions are missing or it carries AC. */
export function groupOfString(
	groups: readonly PeerGroup[],
	{ id }: Pick<StringRecord, 'id'>
): PeerGroup | undefined {
	return groups.find(({ strings }) => strings.some((string) => string.id === id));
}

/** Whether two groups receive the same irradiance at the same temperature, as far as is known. */
export function atSameIrradiance(
	a: Pick<PeerGroup, 'plane' | 'presumed'>,
	b: Pick<PeerGroup, 'plane' | 'presumed'>
): boolean {
	return a.plane?.id === b.plane?.id && a.presumed === b.presumed;
}
