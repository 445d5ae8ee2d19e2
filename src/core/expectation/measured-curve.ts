import { conditionsAt, type EffectiveVisit, type MeasuredCurve } from '../visit';
import { BusSource, type Curve, curveOf } from '../circuit';
import { openCircuitVoltage } from '../module';
import type { ArrayRecord } from '../record';
import { peerGroupsOf } from './expected-values';
import { groupOfString, moduleAtShift, modulesAtShift } from './group';
import { translatedString, translatePoint } from './iec60891';
import { stringAtConditions, USUAL_PARTS } from './predict';

/** A step of a measured curve: so many sections give up at the volts where it falls. */
interface CurveStep {
	/** Where the current falls, V. */
	readonly voltage: number;
	/** Of the current before it, 1. */
	readonly drop: number;
	/** Sections above these volts that do not carry the current before it. */
	readonly substrings: number;
}

/** A measured curve laid over the expected one, both in the light and heat of the visit. */
export interface CurveComparison {
	readonly measured: Curve;
	readonly expected: Curve;
	readonly steps: readonly CurveStep[];
	/** Measured over expected at the ends and at the maximum, 1. */
	readonly shares: { readonly isc: number; readonly voc: number; readonly pmax: number };
	readonly words: readonly string[];
}

/** Points of the expected curve. */
const POINTS = 120;
/** Drop of the current over one section's volts from which it is a step; judgement. */
const STEP = 0.06;
/** Share of the open-circuit volts above which the knee itself makes the current fall. */
const KNEE = 0.82;

/**
 * Lays a measured curve of a string over the expected one. Points taken in other light than the
 * visit's are carried there first (IEC 60891, procedure 2).
 *
 * @returns null where conditions or the module type are missing, or there is no such string
 */
export function compareCurve(
	record: ArrayRecord,
	visit: EffectiveVisit,
	curve: MeasuredCurve
): CurveComparison | null {
	const peerGroups = peerGroupsOf(record, visit);
	const string = record.strings.find(({ id }) => id === curve.stringId);
	const group = string && groupOfString(peerGroups, string);
	if (!string || !group) return null;
	const { shift } = group.estimates[0];
	const here = {
		irradiance: group.conditions.irradiance.value,
		cellTemperature: group.conditions.cellTemperature.value
	};
	const own = curve.at ?? conditionsAt(visit, curve.takenAt) ?? here;
	const how = translatedString(group.model.type, string.moduleCount);
	const points = curve.points
		.map(([voltage, current]) => translatePoint({ volts: voltage, amps: current }, how, own, here))
		.sort((a, b) => a.volts - b.volts);
	const measured: Curve = {
		volts: Float64Array.from(points, ({ volts: voltage }) => voltage),
		amps: Float64Array.from(points, ({ amps: current }) => current)
	};
	const circuit = stringAtConditions(string, group.model, modulesAtShift(group, shift));
	const expected = curveOf(new BusSource({ ...USUAL_PARTS, strings: [circuit] }), POINTS);
	const { sections: substrings } = group.model.type.plate;
	const substringVoltage = openCircuitVoltage(moduleAtShift(group, shift)) / substrings;
	const steps = stepsOf(measured, expected, substringVoltage, substrings * string.moduleCount);
	const shares = {
		isc: currentAt(measured, 0) / expected.amps[0]!,
		voc: openOf(measured) / openOf(expected),
		pmax: powerOf(measured) / powerOf(expected)
	};
	return { measured, expected, steps, shares, words: wordsOf(steps, shares, substrings) };
}

/** Current of a curve at some volts, between its points. */
function currentAt({ volts: voltage, amps: current }: Curve, at: number): number {
	const i = voltage.findIndex((v) => v >= at);
	if (i <= 0) return current[i < 0 ? current.length - 1 : 0]!;
	const share = (at - voltage[i - 1]!) / (voltage[i]! - voltage[i - 1]! || 1);
	return current[i - 1]! + share * (current[i]! - current[i - 1]!);
}

/** Volts where the current is gone; the last measured ones, carried on by the last slope where it is not. */
function openOf({ volts: voltage, amps: current }: Curve): number {
	const last = voltage.length - 1;
	const slope = (current[last]! - current[last - 1]!) / (voltage[last]! - voltage[last - 1]! || 1);
	return current[last]! > 0 && slope < 0 ? voltage[last]! - current[last]! / slope : voltage[last]!;
}

function powerOf({ volts: voltage, amps: current }: Curve): number {
	return voltage.reduce((most, v, i) => Math.max(most, v * current[i]!), 0);
}

/** Volts that a bypass diode takes while it carries the others' current, V; a usual one. */
const DIODE_VOLTAGE = 0.45;

/** Highest volts at which a curve still carries a current, V. */
function voltageAtCurrent({ volts: voltage, amps: current }: Curve, level: number): number {
	const i = current.findLastIndex((value) => value >= level);
	if (i < 0) return 0;
	if (i === current.length - 1) return voltage[i]!;
	const share = (current[i]! - level) / (current[i]! - current[i + 1]! || 1);
	return voltage[i]! + share * (voltage[i + 1]! - voltage[i]!);
}

/**
 * Steps of a curve. At a current between the two treads of a step the weaker sections are passed by their
 * diodes, so the volts that the expected curve has more at that current count them.
 */
function stepsOf(
	measured: Curve,
	expected: Curve,
	substringVoltage: number,
	total: number
): CurveStep[] {
	const open = openOf(measured);
	const found: { voltage: number; drop: number; level: number }[] = [];
	let v = substringVoltage / 2;
	while (v < KNEE * open) {
		const before = currentAt(measured, v);
		const after = currentAt(measured, v + substringVoltage);
		const drop = before > 0 ? 1 - after / before : 0;
		if (drop >= STEP) {
			const at = steepest(measured, v, v + substringVoltage);
			found.push({ voltage: at, drop, level: before - 0.3 * (before - after) });
			v = at + 1.5 * substringVoltage;
		} else v += substringVoltage / 3;
	}
	const lost = found.map(({ level }) => {
		const whole = voltageAtCurrent(expected, level);
		return (whole - voltageAtCurrent(measured, level)) / (whole / total + DIODE_VOLTAGE);
	});
	return found.map(({ voltage, drop }, i) => ({
		voltage,
		drop,
		substrings: Math.max(1, Math.round(lost[i]! - (lost[i + 1] ?? 0)))
	}));
}

function steepest(curve: Curve, from: number, to: number): number {
	const pieces = 12;
	const width = (to - from) / pieces;
	let best = { fall: -1, at: from };
	for (let i = 0; i < pieces; i++) {
		const a = from + i * width;
		const fall = currentAt(curve, a) - currentAt(curve, a + width);
		if (fall > best.fall) best = { fall, at: a + width / 2 };
	}
	return best.at;
}

const percent = (share: number) => `${(100 * share).toFixed(0)} %`;

function wordsOf(
	steps: readonly CurveStep[],
	{ isc, voc, pmax }: CurveComparison['shares'],
	substrings: number
): string[] {
	const words = [
		`Short-circuit current ${percent(isc)}, open-circuit voltage ${percent(voc)}, maximum power ${percent(pmax)} of what is expected.`
	];
	for (const { voltage, drop, substrings: lost } of steps) {
		const modules = lost / substrings;
		words.push(
			`A step at ${voltage.toFixed(0)} V: about ${lost} ${lost === 1 ? 'section' : 'sections'} (${modules.toFixed(1)} modules) carry ${percent(drop)} less current and are passed by their diodes below it: shade, soiling or a bad cell there.`
		);
	}
	if (steps.length === 0 && isc > 0.95 && voc > 0.97 && pmax < 0.94) {
		words.push(
			'No step, both ends right, the knee soft: resistance in series, or modules that leak.'
		);
	}
	return words;
}
