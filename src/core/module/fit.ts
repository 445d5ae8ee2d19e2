import { BOLTZMANN_EV_PER_K, kelvin, STC_CELL_TEMPERATURE } from '../units';
import { coefficientsOf, type Coefficients } from './coefficients';
import { solveBounded } from '../numerics';
import type { FitNameplate } from './nameplate';
import { maximumPowerPoint, type SingleDiode } from './single-diode';
import { DEFAULT_TECHNOLOGY, TECHNOLOGY_FACTS, type BandGap } from './technology';
import { saturationCurrentRatio, type ModuleModel } from './translate';

/** The five parameters that meet a label, and how well they do. */
export interface LabelFit extends ModuleModel {
	/**
	 * Largest relative miss among the five conditions (current at short circuit, at the
	 * maximum-power point, slope there, volts at open circuit, volts when warm); about 1e-12 where
	 * the label can be met.
	 */
	readonly residual: number;
	/** In words, what about the label cannot be met, and what it does not state. */
	readonly notes: readonly string[];
}

/** The second temperature of the fifth condition lies this far above 25 degC, K. */
const WARMING = 2;
/** A miss above this is worth a word; below it the label is met. */
export const MET = 1e-6;
const RSH_AT_MOST = 1e7;

/** A label with its coefficients settled. */
type SettledNameplate = FitNameplate & Coefficients;

/** What remains of the model once a, Rs and 1/Rsh are chosen: open and short circuit are then exact. */
interface Candidate {
	readonly photocurrent: number;
	/** I0 exp(Voc/a): the diode's current at open circuit, a number of the size of Isc. */
	readonly diodeCurrentAtOpen: number;
}

function eliminate(nameplate: FitNameplate, a: number, rs: number, gsh: number): Candidate {
	const { voc, isc } = nameplate;
	const diodeCurrentAtOpen = (isc - gsh * (voc - isc * rs)) / -Math.expm1((isc * rs - voc) / a);
	const photocurrent = diodeCurrentAtOpen * -Math.expm1(-voc / a) + voc * gsh;
	return { photocurrent, diodeCurrentAtOpen };
}

/**
 * The three conditions left after {@link eliminate}, each relative to the label's own figure:
 * current at Vmp, slope dI/dV = -Imp/Vmp there, and zero current at Voc + beta dT when warmed.
 */
function misses(
	nameplate: SettledNameplate,
	bandGap: BandGap,
	a: number,
	rs: number,
	gsh: number
): number[] {
	const { voc, isc, vmp, imp } = nameplate;
	const { photocurrent, diodeCurrentAtOpen: x } = eliminate(nameplate, a, rs, gsh);
	const vd = vmp + imp * rs;
	const diodeAtPeak = x * Math.exp((vd - voc) / a);
	const current = photocurrent - diodeAtPeak + x * Math.exp(-voc / a) - vd * gsh;
	const slope = diodeAtPeak / a + gsh;
	const warmVoc = voc * (1 + (nameplate.betaVocPctPerK / 100) * WARMING);
	const warm = kelvin(STC_CELL_TEMPERATURE + WARMING);
	const aWarm = (a * warm) / kelvin(STC_CELL_TEMPERATURE);
	const i0Ratio = saturationCurrentRatio(bandGap, STC_CELL_TEMPERATURE + WARMING);
	const diodeWarm = x * i0Ratio * (Math.exp(warmVoc / aWarm - voc / a) - Math.exp(-voc / a));
	const irradianceWarm = photocurrent + isc * (nameplate.alphaIscPctPerK / 100) * WARMING;
	return [
		(current - imp) / isc,
		(slope * (vmp - imp * rs) - imp) / isc,
		(irradianceWarm - diodeWarm - warmVoc * gsh) / isc
	];
}

/**
 * a from the temperature coefficient alone: Voc = a ln(IL/I0) differentiated by temperature, with
 * the shunt left out. The start of the fit, within some percent of its end.
 */
function startingIdeality(nameplate: SettledNameplate, bandGap: BandGap): number {
	const t = kelvin(STC_CELL_TEMPERATURE);
	const perKelvin = (nameplate.betaVocPctPerK / 100) * nameplate.voc;
	const dLnI0 =
		3 / t +
		(bandGap.atReference / t - bandGap.atReference * bandGap.perKelvin) / (BOLTZMANN_EV_PER_K * t);
	const a = (perKelvin - nameplate.voc / t) / (nameplate.alphaIscPctPerK / 100 - dLnI0);
	const oneCell = BOLTZMANN_EV_PER_K * t * nameplate.cellsInSeries;
	return Math.min(Math.max(a, 0.3 * oneCell), 4 * oneCell);
}

/**
 * Fits the five-parameter model to a label.
 *
 * De Soto et al. (2006), section 3: open circuit, short circuit, the maximum-power point, dP/dV = 0
 * there, and the open-circuit voltage 2 K warmer. Open and short circuit are met exactly by
 * elimination; the other three are solved in ln a, Rs and 1/Rsh by a bounded Levenberg-Marquardt.
 * A label that no physical parameters meet gives the nearest fit, its residual and words; one
 * without coefficients is fitted with those typical of its technology, and says so.
 *
 * @param label V, A, %/K; Vmp < Voc and Imp < Isc, all positive
 * @returns parameters at standard test conditions: A, A, ohm, ohm, V
 */
export function fitLabel(label: FitNameplate): LabelFit {
	const { bandGap } = TECHNOLOGY_FACTS[label.technology ?? DEFAULT_TECHNOLOGY];
	const nameplate: SettledNameplate = { ...label, ...coefficientsOf(label) };
	const { voc, isc, vmp, imp } = nameplate;
	const a0 = startingIdeality(nameplate, bandGap);
	const rsGuess = (a0 * Math.log(Math.max(1 - imp / isc, 1e-3)) + voc - vmp) / imp;
	const rsMost = (voc - vmp) / imp;
	const gMost = (isc - imp) / vmp;
	const start = [
		Math.log(a0),
		Math.min(Math.max(rsGuess, 0.05 * rsMost), 0.8 * rsMost),
		0.3 * gMost
	];
	const solution = solveBounded(
		(p) => misses(nameplate, bandGap, Math.exp(p[0]!), p[1]!, p[2]!),
		start,
		[Math.log(a0 / 20), 0, 1 / RSH_AT_MOST],
		[Math.log(a0 * 20), rsMost, gMost]
	);
	const a = Math.exp(solution.point[0]!);
	const [, rs, gsh] = solution.point as [number, number, number];
	const { photocurrent, diodeCurrentAtOpen } = eliminate(nameplate, a, rs, gsh);
	const reference: SingleDiode = {
		photocurrent,
		saturationCurrent: diodeCurrentAtOpen * Math.exp(-voc / a),
		seriesResistance: rs,
		shuntResistance: 1 / gsh,
		modifiedIdeality: a
	};
	return {
		reference,
		alphaIsc: (nameplate.alphaIscPctPerK / 100) * isc,
		bandGap,
		residual: Math.max(...solution.residuals.map(Math.abs)),
		notes: [
			...nameplate.notes,
			...explainMisses(solution.residuals, powerMiss(reference, nameplate))
		]
	};
}

/** A nameplate whose own figures miss its power by less is rounded, not odd; Zembo default. */
const ROUNDED = 0.007;

/** Maximum power of the model over that of the nameplate, less 1. */
function powerMiss(reference: SingleDiode, { vmp, imp }: SettledNameplate): number {
	const { volts: voltage, amps: current } = maximumPowerPoint(reference);
	return (voltage * current) / (vmp * imp) - 1;
}

function explainMisses(residuals: readonly number[], power: number): string[] {
	const [peak, slope, warm] = residuals as [number, number, number];
	const notes: string[] = [];
	const percent = (miss: number) => `${Math.abs(100 * miss).toPrecision(2)} %`;
	const isRounded = Math.abs(power) < ROUNDED;
	if (Math.abs(peak) > MET && !isRounded) {
		notes.push(
			`No cell of this kind passes through the label’s maximum-power point; the nearest model gives ${percent(peak)} of Isc ${peak < 0 ? 'less' : 'more'} there. Check Vmp and Imp.`
		);
	}
	if (Math.abs(slope) > MET && !isRounded) {
		notes.push(
			`The model’s power is not greatest at the label’s Vmp and Imp (slope off by ${percent(slope)}). Check Vmp, Imp, Voc and Isc against each other.`
		);
	}
	if (Math.abs(warm) > MET) {
		notes.push(
			`The label’s voltage coefficient does not go with its other figures (off by ${percent(warm)} of Isc over ${WARMING} K). Check the coefficient and the number of cells.`
		);
	}
	return notes;
}
