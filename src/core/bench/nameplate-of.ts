import {
	checkLabel,
	DEFAULT_TECHNOLOGY,
	fitLabel,
	type LabelFinding,
	type LabelFit,
	type Nameplate,
	TECHNOLOGY_FACTS
} from '../module';
import type { BatchNameplate } from './module-batch';

/** Ratios of usual labels, for what one does not state; common practice, no source. */
const USUAL = { vmpOverVoc: 0.815, impOverIsc: 0.94, cellsPerSection: 20 };
/** Cells in series that modules are made with. */
const CELL_COUNTS = [32, 36, 40, 48, 54, 60, 66, 72, 78, 96];

/** A label as a whole, with what was filled in. */
export interface FilledNameplate {
	readonly nameplate: Nameplate;
	/** In words; empty where the label states all. */
	readonly filled: readonly string[];
}

/** Volts of a silicon cell of nobody knows what kind, old and new ones in the middle; common practice, no source. */
const ANY_CELL = 0.625;

/** Cells in series that open-circuit volts at standard conditions speak for. */
export function cellsByVoltage(
	voc: number,
	{ technology }: Pick<BatchNameplate, 'technology'>
): number {
	const [least, most] = technology ? TECHNOLOGY_FACTS[technology].vocPerCell : [ANY_CELL, ANY_CELL];
	const each = (least + most) / 2;
	return CELL_COUNTS.reduce((best, count) =>
		Math.abs(voc / count - each) < Math.abs(voc / best - each) ? count : best
	);
}

/** What about a label cannot be or is odd; what it does not state is not looked at. */
export function labelFindings(label: BatchNameplate): LabelFinding[] {
	const figure = (value: number | null) => value ?? Number.NaN;
	return checkLabel({
		technology: label.technology ?? DEFAULT_TECHNOLOGY,
		cellsInSeries: figure(label.technology === null ? null : label.cellsInSeries),
		sections: Number.NaN,
		pmax: figure(label.pmax),
		vmp: figure(label.vmp),
		imp: figure(label.imp),
		voc: figure(label.voc),
		isc: figure(label.isc),
		alphaIscPctPerK: null,
		betaVocPctPerK: null
	});
}

/**
 * A label made whole: what it does not state is filled in by the ratios of usual labels. Two of volts,
 * amps and watts are the least.
 *
 * @returns null where the label says too little, or what cannot be
 */
export function nameplateOf(label: BatchNameplate): FilledNameplate | null {
	let filled = FILLED.get(label);
	if (filled === undefined) {
		filled = fillIn(label);
		FILLED.set(label, filled);
	}
	return filled;
}

/** A batch is worked out anew with every take; its labels stay the same objects. */
const FILLED = new WeakMap<BatchNameplate, FilledNameplate | null>();

function fillIn(label: BatchNameplate): FilledNameplate | null {
	if (labelFindings(label).some(({ severity }) => severity === 'error')) return null;
	const filled: string[] = [];
	const fill = <T>(words: string, value: T): T => {
		filled.push(words);
		return value;
	};
	let { vmp, imp, voc, isc, pmax } = label;
	if (vmp === null && voc !== null) vmp = fill('Vmp', USUAL.vmpOverVoc * voc);
	if (imp === null && isc !== null) imp = fill('Imp', USUAL.impOverIsc * isc);
	if (vmp === null && imp !== null && pmax !== null) vmp = fill('Vmp', pmax / imp);
	if (imp === null && vmp !== null && pmax !== null) imp = fill('Imp', pmax / vmp);
	if (vmp === null || imp === null) return null;
	voc ??= fill('Voc', vmp / USUAL.vmpOverVoc);
	isc ??= fill('Isc', imp / USUAL.impOverIsc);
	pmax ??= fill('Pmax', vmp * imp);
	const technology = label.technology ?? fill('technology', DEFAULT_TECHNOLOGY);
	const cellsInSeries = label.cellsInSeries ?? fill('cells', cellsByVoltage(voc, label));
	return {
		filled,
		nameplate: {
			technology,
			cellsInSeries,
			sections: Math.max(1, Math.round(cellsInSeries / USUAL.cellsPerSection)),
			pmax,
			vmp,
			imp,
			voc,
			isc,
			alphaIscPctPerK: null,
			betaVocPctPerK: null
		}
	};
}

const FITS = new WeakMap<Nameplate, LabelFit>();

/** A label's fit, made once. */
export function fitOf(nameplate: Nameplate): LabelFit {
	let fit = FITS.get(nameplate);
	if (!fit) {
		fit = fitLabel(nameplate);
		FITS.set(nameplate, fit);
	}
	return fit;
}
