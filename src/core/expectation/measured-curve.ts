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
	readonly volts: number;
	/** Of the current before it, 1. */
	readonly drop: number;
	/** Sections above these volts that do not carry the current before it. */
	readonly sections: number;
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
		.map(([volts, amps]) => translatePoint({ volts, amps }, how, own, here))
		.sort((a, b) => a.volts - b.volts);
	const measured: Curve = {
		volts: Float64Array.from(points, ({ volts }) => volts),
		amps: Float64Array.from(points, ({ amps }) => amps)
	};
	const circuit = stringAtConditions(string, group.model, modulesAtShift(group, shift));
	const expected = curveOf(new BusSource({ ...USUAL_PARTS, strings: [circuit] }), POINTS);
	const { sections } = group.model.type.plate;
	const sectionVolts = openCircuitVoltage(moduleAtShift(group, shift)) / sections;
	const steps = stepsOf(measured, expected, sectionVolts, sections * string.moduleCount);
	const shares = {
		isc: ampsAt(measured, 0) / expected.amps[0]!,
		voc: openOf(measured) / openOf(expected),
		pmax: powerOf(measured) / powerOf(expected)
	};
	return { measured, expected, steps, shares, words: wordsOf(steps, shares, sections) };
}

/** Current of a curve at some volts, between its points. */
function ampsAt({ volts, amps }: Curve, at: number): number {
	const i = volts.findIndex((v) => v >= at);
	if (i <= 0) return amps[i < 0 ? amps.length - 1 : 0]!;
	const share = (at - volts[i - 1]!) / (volts[i]! - volts[i - 1]! || 1);
	return amps[i - 1]! + share * (amps[i]! - amps[i - 1]!);
}

/** Volts where the current is gone; the last measured ones, carried on by the last slope where it is not. */
function openOf({ volts, amps }: Curve): number {
	const last = volts.length - 1;
	const slope = (amps[last]! - amps[last - 1]!) / (volts[last]! - volts[last - 1]! || 1);
	return amps[last]! > 0 && slope < 0 ? volts[last]! - amps[last]! / slope : volts[last]!;
}

function powerOf({ volts, amps }: Curve): number {
	return volts.reduce((most, v, i) => Math.max(most, v * amps[i]!), 0);
}

/** Volts that a bypass diode takes while it carries the others' current, V; a usual one. */
const DIODE_VOLTS = 0.45;

/** Highest volts at which a curve still carries a current, V. */
function voltsAtAmps({ volts, amps }: Curve, level: number): number {
	const i = amps.findLastIndex((value) => value >= level);
	if (i < 0) return 0;
	if (i === amps.length - 1) return volts[i]!;
	const share = (amps[i]! - level) / (amps[i]! - amps[i + 1]! || 1);
	return volts[i]! + share * (volts[i + 1]! - volts[i]!);
}

/**
 * Steps of a curve. At a current between the two treads of a step the weaker sections are passed by their
 * diodes, so the volts that the expected curve has more at that current count them.
 */
function stepsOf(
	measured: Curve,
	expected: Curve,
	sectionVolts: number,
	total: number
): CurveStep[] {
	const open = openOf(measured);
	const found: { volts: number; drop: number; level: number }[] = [];
	let v = sectionVolts / 2;
	while (v < KNEE * open) {
		const before = ampsAt(measured, v);
		const after = ampsAt(measured, v + sectionVolts);
		const drop = before > 0 ? 1 - after / before : 0;
		if (drop >= STEP) {
			const at = steepest(measured, v, v + sectionVolts);
			found.push({ volts: at, drop, level: before - 0.3 * (before - after) });
			v = at + 1.5 * sectionVolts;
		} else v += sectionVolts / 3;
	}
	const lost = found.map(({ level }) => {
		const whole = voltsAtAmps(expected, level);
		return (whole - voltsAtAmps(measured, level)) / (whole / total + DIODE_VOLTS);
	});
	return found.map(({ volts, drop }, i) => ({
		volts,
		drop,
		sections: Math.max(1, Math.round(lost[i]! - (lost[i + 1] ?? 0)))
	}));
}

function steepest(curve: Curve, from: number, to: number): number {
	const pieces = 12;
	const width = (to - from) / pieces;
	let best = { fall: -1, at: from };
	for (let i = 0; i < pieces; i++) {
		const a = from + i * width;
		const fall = ampsAt(curve, a) - ampsAt(curve, a + width);
		if (fall > best.fall) best = { fall, at: a + width / 2 };
	}
	return best.at;
}

const percent = (share: number) => `${(100 * share).toFixed(0)} %`;

function wordsOf(
	steps: readonly CurveStep[],
	{ isc, voc, pmax }: CurveComparison['shares'],
	sections: number
): string[] {
	const words = [
		`Short-circuit current ${percent(isc)}, open-circuit volts ${percent(voc)}, greatest power ${percent(pmax)} of what is expected.`
	];
	for (const { volts, drop, sections: lost } of steps) {
		const modules = lost / sections;
		words.push(
			`A step at ${volts.toFixed(0)} V: about ${lost} ${lost === 1 ? 'section' : 'sections'} (${modules.toFixed(1)} modules) carry ${percent(drop)} less current and are passed by their diodes below it: shade, soiling or a bad cell there.`
		);
	}
	if (steps.length === 0 && isc > 0.95 && voc > 0.97 && pmax < 0.94) {
		words.push(
			'No step, both ends right, the knee soft: resistance in series, or modules that leak.'
		);
	}
	return words;
}
