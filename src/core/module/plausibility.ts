import type { Nameplate } from './nameplate';
import { TECHNOLOGY_FACTS } from './technology';

/** Something odd about a label, and the field it belongs beside. An error blocks, an implausible figure warns. */
export interface LabelFinding {
	readonly field: keyof Nameplate;
	readonly severity: 'error' | 'odd';
	readonly words: string;
}

/** Fill factor of flat-plate modules; common practice, no source. */
const PLAUSIBLE_FILL_FACTOR = [0.6, 0.87] as const;
/** Amorphous silicon loses fill factor as it stabilises; common practice, no source. */
const PLAUSIBLE_FILL_FACTOR_AMORPHOUS = [0.48, 0.8] as const;
/** Vmp x Imp against Pmax; common practice: rounding and sorting explain about this much. */
const POWER_AGREEMENT = 0.03;

const fixed = (value: number, digits: number) => value.toFixed(digits);

/** Fill factor Vmp Imp/(Voc Isc), 1; V and A. */
export function fillFactorOf({
	vmp,
	imp,
	voc,
	isc
}: Pick<Nameplate, 'vmp' | 'imp' | 'voc' | 'isc'>) {
	return (vmp * imp) / (voc * isc);
}

/** Whether all figures of a check are there. */
const known = (...figures: readonly number[]) => figures.every(Number.isFinite);

/**
 * Checks a label against itself, in the order of the fields. A label may be half typed: figures that
 * are not there yet are NaN, and the checks that need them wait.
 *
 * @param nameplate V, A, W, %/K
 */
export function checkLabel(nameplate: Nameplate): LabelFinding[] {
	return [
		...checkOrder(nameplate),
		...checkPower(nameplate),
		...checkFillFactor(nameplate),
		...checkCells(nameplate),
		...checkCoefficients(nameplate)
	];
}

function checkOrder({ vmp, voc, imp, isc }: Nameplate): LabelFinding[] {
	const findings: LabelFinding[] = [];
	if (vmp >= voc) {
		findings.push({
			field: 'vmp',
			severity: 'error',
			words: `Vmp ${vmp} V must be below Voc ${voc} V. The two may have changed places: check both on the label.`
		});
	}
	if (imp >= isc) {
		findings.push({
			field: 'imp',
			severity: 'error',
			words: `Imp ${imp} A must be below Isc ${isc} A. The two may have changed places: check both on the label.`
		});
	}
	return findings;
}

function checkPower({ vmp, imp, pmax }: Nameplate): LabelFinding[] {
	if (!known(vmp, imp, pmax)) return [];
	const product = vmp * imp;
	const miss = product / pmax - 1;
	if (Math.abs(miss) <= POWER_AGREEMENT) return [];
	return [
		{
			field: 'pmax',
			severity: 'odd',
			words: `Vmp x Imp is ${fixed(product, 0)} W, ${fixed(Math.abs(100 * miss), 1)} % ${miss > 0 ? 'above' : 'below'} Pmax. More than 3 % is unusual: one of the three may be misread.`
		}
	];
}

function checkFillFactor({ vmp, imp, voc, isc, technology }: Nameplate): LabelFinding[] {
	if (!known(vmp, imp, voc, isc)) return [];
	const fillFactor = fillFactorOf({ vmp, imp, voc, isc });
	const [low, high] =
		technology === 'a-Si' ? PLAUSIBLE_FILL_FACTOR_AMORPHOUS : PLAUSIBLE_FILL_FACTOR;
	if (vmp >= voc || imp >= isc || (fillFactor >= low && fillFactor <= high)) return [];
	return [
		{
			field: fillFactor < low ? 'vmp' : 'voc',
			severity: 'odd',
			words: `The fill factor Vmp Imp/(Voc Isc) is ${fixed(fillFactor, 2)}; modules lie between ${low} and ${high}. Check the four figures.`
		}
	];
}

function checkCells({ voc, cellsInSeries, technology }: Nameplate): LabelFinding[] {
	if (!known(voc, cellsInSeries)) return [];
	const facts = TECHNOLOGY_FACTS[technology];
	const perCell = voc / cellsInSeries;
	const [low, high] = facts.vocPerCell;
	if (perCell >= low && perCell <= high) return [];
	const halfCut = 2 * perCell >= low && 2 * perCell <= high;
	return [
		{
			field: 'cellsInSeries',
			severity: 'odd',
			words: halfCut
				? `${fixed(perCell, 2)} V a cell is half of what a cell gives. A half-cut module of ${cellsInSeries} cells carries two groups side by side: ${cellsInSeries / 2} are in series.`
				: `${fixed(perCell, 3)} V a cell; ${facts.words} gives ${low} to ${high} V. Check Voc, the number of cells in series and the technology.`
		}
	];
}

/** Coefficients that labels state, %/K: beyond them sign or unit is misread; common practice. */
const USUAL_ALPHA = [-0.02, 0.15] as const;
const USUAL_BETA = [-0.5, -0.15] as const;

function checkCoefficients({ alphaIscPctPerK, betaVocPctPerK }: Nameplate): LabelFinding[] {
	const findings: LabelFinding[] = [];
	const outside = (value: number, [low, high]: readonly [number, number]) =>
		value < low || value > high;
	if (alphaIscPctPerK !== null && outside(alphaIscPctPerK, USUAL_ALPHA)) {
		findings.push({
			field: 'alphaIscPctPerK',
			severity: 'odd',
			words: `${fixed(alphaIscPctPerK, 3)} %/K of Isc; labels lie between 0 and 0.1 %/K. Check sign and unit.`
		});
	}
	if (betaVocPctPerK !== null && betaVocPctPerK >= 0) {
		findings.push({
			field: 'betaVocPctPerK',
			severity: 'error',
			words: `Voc falls with temperature, so its coefficient is negative: ${fixed(betaVocPctPerK, 3)} %/K cannot be. Type the minus sign.`
		});
	} else if (betaVocPctPerK !== null && outside(betaVocPctPerK, USUAL_BETA)) {
		findings.push({
			field: 'betaVocPctPerK',
			severity: 'odd',
			words: `${fixed(betaVocPctPerK, 3)} %/K of Voc; labels lie between -0.2 and -0.45 %/K. Check the unit: it may be V/K or mV/K.`
		});
	}
	return findings;
}
