import {
	type BlockingDiodeRecord,
	fuseInCircuit,
	type ModuleType,
	type StringRecord,
	typesInString
} from '../record';
import {
	BLOCKING_SCHOTTKY,
	BLOCKING_SILICON,
	type BusCircuit,
	BYPASS_DIODE,
	type DiodeModel,
	gatherString,
	METER_RESISTANCE,
	type ModuleRun,
	OPEN,
	type StringCircuit,
	StringSource,
	TYPICAL_BREAKDOWN,
	voltageInto,
	wholeModules
} from '../circuit';
import { fitLabel, type LabelFit, type SingleDiode, translate } from '../module';
import { AGEING_PER_YEAR } from './allowances';
import type { StringQuantity } from '../visit';

/** A module type as it stands on the roof: fitted, and aged by its years of service. */
export interface AgedModel {
	readonly type: ModuleType;
	readonly fit: LabelFit;
	readonly years: number;
}

export function agedModel(type: ModuleType, years: number): AgedModel {
	return { type, fit: fitLabel(type.plate), years };
}

/**
 * One module at a light and a heat, aged: current and voltage scaled by their yearly loss, the loss
 * of fill factor as series resistance that costs its share of power at Imp.
 *
 * @param irradiance plane-of-array irradiance that arrives in the cells, W/m2
 * @param cellTemperature cell temperature, degC
 */
export function moduleAtConditions(
	model: AgedModel,
	irradiance: number,
	cellTemperature: number
): SingleDiode {
	const diode = translate(model.fit, irradiance, cellTemperature);
	const { vmp, imp } = model.type.plate;
	const current = Math.max(1 - AGEING_PER_YEAR.current * model.years, 0.1);
	const voltage = Math.max(1 - AGEING_PER_YEAR.voltage * model.years, 0.1);
	const resistance = voltage / current;
	return {
		photocurrent: diode.photocurrent * current,
		saturationCurrent: diode.saturationCurrent * current,
		seriesResistance:
			diode.seriesResistance * resistance + (AGEING_PER_YEAR.fillFactor * model.years * vmp) / imp,
		shuntResistance: diode.shuntResistance * resistance,
		modifiedIdeality: diode.modifiedIdeality * voltage
	};
}

/** What is not recorded of the parts of an array is taken to be usual. */
export const USUAL_PARTS: Pick<BusCircuit, 'bypass' | 'breakdown'> = {
	bypass: BYPASS_DIODE,
	breakdown: TYPICAL_BREAKDOWN
};

/** Modules of an array in one light and heat: those of a string's own type, and others among them by type. */
export interface ModulesAtConditions {
	readonly main: SingleDiode;
	readonly others: ReadonlyMap<string, OtherModule>;
	/** Modules that lie on another plane than most of their string, by string. */
	readonly elsewhere?: ReadonlyMap<string, ModulesElsewhere>;
}

/**
 * Modules of one string by their number from the negative end less one, in the irradiance and at the
 * temperature of their own plane; undefined for those on the plane of most.
 */
export type ModulesElsewhere = readonly (SingleDiode | undefined)[];

interface OtherModule {
	readonly module: SingleDiode;
	readonly type: ModuleType;
}

const NO_OTHERS: ModulesAtConditions['others'] = new Map();

/** A string's modules where all are of one type. */
export function alike(main: SingleDiode): ModulesAtConditions {
	return { main, others: NO_OTHERS };
}

/** Runs of equal modules of a string, whole; a module of a type that nothing is known of is taken as the others. */
function runsHere(
	string: StringRecord,
	model: AgedModel,
	{ main, others, elsewhere }: ModulesAtConditions
): ModuleRun[] {
	const own = { module: main, type: model.type };
	const away = elsewhere?.get(string.id);
	const run = ({ module, type: { plate: nameplate } }: OtherModule, count: number) => ({
		...wholeModules(module, count, nameplate.sections),
		cellsInSeries: nameplate.cellsInSeries
	});
	if (!away && string.modules.every(({ moduleTypeId }) => moduleTypeId === null)) {
		return [run(own, string.moduleCount)];
	}
	const runs: { of: OtherModule; count: number }[] = [];
	typesInString(string).forEach((id, i) => {
		const here = id === model.type.id ? own : (others.get(id) ?? own);
		const module = away?.[i];
		const of = module ? { module, type: here.type } : here;
		const last = runs.at(-1);
		if (last?.of.module === of.module) last.count++;
		else runs.push({ of, count: 1 });
	});
	return runs.map(({ of, count }) => run(of, count));
}

const BLOCKING: Readonly<Record<BlockingDiodeRecord, DiodeModel | null>> = {
	none: null,
	unknown: null,
	silicon: BLOCKING_SILICON,
	schottky: BLOCKING_SCHOTTKY
};

/** A recorded string as a circuit, whole. The record names one fuse; it is taken to stand in the positive pole. */
export function stringAtConditions(
	string: StringRecord,
	model: AgedModel,
	modules: ModulesAtConditions
): StringCircuit {
	const { sections: substrings } = model.type.plate;
	const blocking = BLOCKING[string.blockingDiode];
	const { label, cableResistance } = string;
	const fuse = fuseInCircuit(string);
	return {
		name: label,
		modules: runsHere(string, model, modules),
		sectionsPerModule: substrings,
		cableResistance,
		fuses: { positive: fuse && { rating: fuse.rating, state: 'whole' }, negative: null },
		...(blocking && { blockingDiode: { ...blocking, state: 'whole' } })
	};
}

const AS_RECORDED: BusCircuit = { ...USUAL_PARTS, strings: [] };

/** Volts of a string on its bus at a current, V. */
export function runningVoltage(circuit: StringCircuit, current: number): number {
	return StringSource.of(circuit, AS_RECORDED, 'bus').voltageAt(current);
}

/** What a meter would read, and how steeply that follows the string's volts. */
export interface Prediction {
	/** V or A */
	readonly value: number;
	/** d value/d volts at the operating voltage, A/V; 0 for other quantities. */
	readonly perVolt: number;
}

/**
 * A reading as a function of the light and heat of its modules, for one who asks many. Isolated
 * readings are taken at the source side of fuse and switch, operating ones behind them.
 *
 * @param circuit the string, whose modules are `modules`
 * @param atVoltage voltage of the string while its current flows; used for the operating current alone
 */
export function readingIn(
	circuit: StringCircuit,
	modules: ModulesAtConditions,
	quantity: StringQuantity,
	atVoltage: number | null
): (relit: ModulesAtConditions) => Prediction {
	const operating = quantity === 'operating-current';
	const [gathered] = gatherString(circuit, AS_RECORDED, operating ? 'bus' : 'source');
	const typeOf = new Map([...modules.others].map(([id, { module }]) => [module, id]));
	const source = ({ main, others }: ModulesAtConditions) => {
		const relit = (params: SingleDiode) =>
			params === modules.main ? main : (others.get(typeOf.get(params) ?? '')?.module ?? params);
		return new StringSource(gathered.chain(AS_RECORDED, relit), circuit.leadsReversed);
	};
	switch (quantity) {
		case 'open-circuit-voltage':
			return (relit) => ({ value: voltageShown(source(relit)), perVolt: 0 });
		case 'short-circuit-current':
			return (relit) => ({ value: source(relit).currentAt(0), perVolt: 0 });
		case 'operating-current':
			return (relit) => {
				const at = { value: 0, slope: 0 };
				source(relit).conduct(atVoltage ?? 0, at);
				return { value: at.value, perVolt: at.slope };
			};
	}
}

/** {@link readingIn} the light the circuit is in. */
export function predictReading(
	circuit: StringCircuit,
	quantity: StringQuantity,
	atVoltage: number | null
): Prediction {
	const asItIs = alike(circuit.modules[0]!.params);
	return readingIn(circuit, asItIs, quantity, atVoltage)(asItIs);
}

/** The figure of {@link predictReading}, V or A. */
export function predictValue(
	circuit: StringCircuit,
	quantity: StringQuantity,
	atVoltage: number | null
): number {
	return predictReading(circuit, quantity, atVoltage).value;
}

/**
 * Volts of an isolated string on a meter. The meter's own current lowers a sound string's by less
 * than a ten-thousandth of a volt; across an open path it is what pulls the reading to zero.
 */
function voltageShown(source: StringSource): number {
	return source.chain.resistance < OPEN
		? source.openVoltage
		: voltageInto(source, 1 / METER_RESISTANCE, 0);
}
