import { randomFrom } from '$core/numerics';
import {
	type ArrayRecord,
	EMPTY_RECORD,
	type StringRecord,
	UNKNOWN_LIMITS,
	UNSEEN_STRING
} from '$core/record';
import {
	agedModel,
	alike,
	moduleAtConditions,
	predictValue,
	runningVoltage,
	stringAtConditions
} from '$core/expectation';
import {
	emptyVisit,
	type Reading,
	stringPlace,
	type StringQuantity,
	usualState,
	type Visit
} from '$core/visit';
import { faultOf, type StringFaultCode } from '$core/faults';
import {
	fitLabel,
	maximumPowerPoint,
	type Nameplate,
	type SingleDiode,
	translate
} from '$core/module';

/*
 * Arrays and visits for tests: readings come from the circuit under a truth that is drawn apart from
 * what the conditions say, and from meters with their errors.
 */

const pad = (n: number) => n.toString(16).padStart(12, '0');
export const testId = (n: number) => `019a0000-0000-7000-8000-${pad(n)}`;

const LABELS = ['A1', 'A2', 'A3', 'A4', 'B1', 'B2', 'B3', 'B4'];

/** A label that agrees with itself. */
export const NAMEPLATE: Nameplate = {
	technology: 'mono-PERC',
	cellsInSeries: 60,
	sections: 3,
	pmax: 335,
	vmp: 33.15,
	imp: 10.11,
	voc: 40.58,
	isc: 10.78,
	alphaIscPctPerK: 0.048,
	betaVocPctPerK: -0.27
};

/** That label in light of 812 W/m2 and cells of 46 degC, fitted and translated. */
export const MODULE_NOW: SingleDiode = translate(fitLabel(NAMEPLATE), 812, 46);

export function arrayRecord(labels: readonly string[] = LABELS, moduleCount = 12): ArrayRecord {
	return {
		...EMPTY_RECORD,
		inServiceSince: 2020,
		moduleTypes: [
			{
				id: testId(1),
				name: 'Type 335',
				plate: NAMEPLATE,
				tolerance: { vocPct: 2, iscPct: 3 },
				limits: UNKNOWN_LIMITS
			}
		],
		strings: labels.map((label, i) => ({
			...UNSEEN_STRING,
			id: testId(100 + i),
			label,
			moduleTypeId: testId(1),
			moduleCount,
			cableResistance: 0.4,
			fuse: { rating: 15 },
			input: label.slice(0, 1)
		}))
	};
}

/** Normal deviates from a seed. */
export const normalFrom = (seed: number): (() => number) => randomFrom(seed).normal;

export interface Planted {
	readonly code: StringFaultCode;
	/** The size of the fault, not one of the catalogue's; its first if absent. */
	readonly near?: number;
}

export interface Scenario {
	readonly record: ArrayRecord;
	readonly faults?: Readonly<Record<string, Planted>>;
	/** Draws the truth and the meters' errors; without it everything is as stated. */
	readonly normal?: () => number;
	readonly quantities?: readonly StringQuantity[];
	/** Stated conditions. */
	readonly irradiance?: number;
	readonly cellTemperature?: number;
	/** How far the truth lies from them, as factor and K, besides what is drawn. */
	readonly irradianceFactor?: number;
	readonly temperatureShift?: number;
	/** Figures that replace what the circuit gives, by label and quantity. */
	readonly typed?: Readonly<Record<string, number>>;
}

/** A visit as a technician would bring it home. */
export function visitOf({
	record,
	faults = {},
	normal = () => 0,
	quantities = ['open-circuit-voltage', 'operating-current'],
	irradiance = 812,
	cellTemperature = 46,
	irradianceFactor = 1,
	temperatureShift = 0,
	typed = {}
}: Scenario): Visit {
	const years = 6.4 - 0.5;
	const trueIrradiance =
		irradiance * irradianceFactor * (1 + 0.03 * normal()) * (1 - 0.015 - 0.01 * Math.abs(normal()));
	const temperature = cellTemperature + temperatureShift + 2 * normal();
	const voltageGain = 1 + 0.002 * normal();
	const currentGain = 1 + 0.008 * normal();
	const labelVoltage = 1 + 0.008 * normal();
	const labelCurrent = 1 + 0.012 * normal();
	const readings: Reading[] = [];
	for (const quantity of quantities) {
		for (const string of record.strings) {
			const type = record.moduleTypes.find((t) => t.id === string.moduleTypeId)!;
			const model = agedModel(type, years);
			const module = moduleAtConditions(model, trueIrradiance, temperature);
			const whole = stringAtConditions(string, model, alike(module));
			const voltage = quantity === 'open-circuit-voltage';
			const atVoltage =
				quantity === 'operating-current'
					? Math.round(runningVoltage(whole, 0.985 * maximumPowerPoint(module).amps))
					: null;
			const exact = faulted(whole, faults[string.label], quantity, atVoltage);
			const spread = voltage
				? (0.0082 / Math.sqrt(string.moduleCount)) * normal() + 0.002 * normal()
				: (0.012 / Math.sqrt(string.moduleCount)) * normal() + 0.008 * normal() + 0.003 * normal();
			const gain = voltage ? voltageGain * labelVoltage : currentGain * labelCurrent;
			const value =
				typed[`${string.label} ${quantity}`] ??
				Number((exact * gain * (1 + spread)).toFixed(voltage ? 1 : 2));
			readings.push(readingOf(readings.length, string, quantity, value, atVoltage));
		}
	}
	return {
		...emptyVisit({
			id: testId(2),
			startedAt: '2026-06-01T10:00:00Z',
			by: 'Tester',
			purpose: 'routine',
			reason: ''
		}),
		conditions: [
			{
				id: testId(3),
				enteredAt: '2026-06-01T10:01:00Z',
				by: 'Tester',
				basis: '',
				follows: false,
				fieldId: null,
				irradiance: {
					value: irradiance,
					relativeStandardUncertainty: 0.03,
					source: 'sensor-in-plane'
				},
				cellTemperature: { value: cellTemperature, standardUncertainty: 2, source: 'probe-on-back' }
			}
		],
		readings
	};
}

function faulted(
	whole: ReturnType<typeof stringAtConditions>,
	planted: Planted | undefined,
	quantity: StringQuantity,
	atVoltage: number | null
): number {
	if (!planted) return predictValue(whole, quantity, atVoltage);
	const fault = faultOf(planted.code);
	const severity = { ...fault.severities[0], ...(planted.near && { size: planted.near }) };
	const circuit = fault.inject(whole, severity, usualState(quantity));
	return circuit ? predictValue(circuit, quantity, atVoltage) : 0;
}

function readingOf(
	n: number,
	string: StringRecord,
	quantity: StringQuantity,
	value: number,
	atVoltage: number | null
): Reading {
	return {
		id: testId(1000 + n),
		place: stringPlace(string.id),
		quantity,
		state: usualState(quantity),
		value,
		atVolts: atVoltage,
		typed: String(value),
		confirmed: false,
		source: 'typed',
		takenAt: new Date(Date.UTC(2026, 5, 1, 10, 2, n)).toISOString(),
		by: 'Tester',
		supersedes: null
	};
}
