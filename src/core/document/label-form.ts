import { z } from 'zod';
import {
	ALPHA_UNITS,
	type AlphaUnit,
	BETA_UNITS,
	type BetaUnit,
	type Nameplate,
	relativeCoefficient,
	TECHNOLOGIES
} from '../module';
import type { ModuleType } from '../record';
import { figure, figureOrEmpty, figureOrUnknown, figureValue } from './figure';
import { required } from './form-text';
import { RECORD_LIMITS } from './record-limits';

export const labelFormSchema = z.object({
	name: required(80, 'Give the type a name, as on the label.'),
	technology: z.enum(TECHNOLOGIES).default('mono-PERC'),
	cellsInSeries: figure(RECORD_LIMITS.cells),
	sections: figure(RECORD_LIMITS.sections).default('3'),
	pmax: figure(RECORD_LIMITS.watts),
	vmp: figure(RECORD_LIMITS.volts),
	imp: figure(RECORD_LIMITS.amps),
	voc: figure(RECORD_LIMITS.volts),
	isc: figure(RECORD_LIMITS.amps),
	/** Empty where the label states none. */
	alpha: figureOrEmpty({ min: -1000, max: 1000, unit: '' }),
	alphaUnit: z.enum(ALPHA_UNITS).default('%/K'),
	beta: figureOrEmpty({ min: -1000, max: 1000, unit: '' }),
	betaUnit: z.enum(BETA_UNITS).default('%/K'),
	vocPct: figure(RECORD_LIMITS.tolerancePct).default('2'),
	iscPct: figure(RECORD_LIMITS.tolerancePct).default('3'),
	systemVolts: figureOrEmpty(RECORD_LIMITS.systemVolts).default(''),
	seriesFuse: figureOrEmpty(RECORD_LIMITS.seriesFuse).default(''),
	bifacial: z.enum(['unknown', 'yes', 'no']).default('unknown'),
	rearGainPct: figureOrEmpty(RECORD_LIMITS.rearGainPct).default('')
});
export type LabelForm = z.infer<typeof labelFormSchema>;

/** In %/K to six digits, so that the figure shown again is the figure stored; null where none is stated. */
function coefficientOfForm(
	typed: string,
	unit: AlphaUnit | BetaUnit,
	quantity: number
): number | null {
	if (typed.trim() === '') return null;
	return Number(relativeCoefficient(figureValue(typed), unit, quantity).toPrecision(6));
}

/** The label of a form; fields that are no figures yet come out as NaN. */
export function nameplateOfForm(form: LabelForm): Nameplate {
	const voc = figureValue(form.voc);
	const isc = figureValue(form.isc);
	return {
		technology: form.technology,
		cellsInSeries: figureValue(form.cellsInSeries),
		sections: figureValue(form.sections),
		pmax: figureValue(form.pmax),
		vmp: figureValue(form.vmp),
		imp: figureValue(form.imp),
		voc,
		isc,
		alphaIscPctPerK: coefficientOfForm(form.alpha, form.alphaUnit, isc),
		betaVocPctPerK: coefficientOfForm(form.beta, form.betaUnit, voc)
	};
}

export function moduleTypeOfForm(id: string, form: LabelForm): ModuleType {
	return {
		id,
		name: form.name,
		plate: nameplateOfForm(form),
		tolerance: { vocPct: figureValue(form.vocPct), iscPct: figureValue(form.iscPct) },
		limits: {
			systemVolts: figureOrUnknown(form.systemVolts),
			seriesFuse: figureOrUnknown(form.seriesFuse),
			bifacial: form.bifacial === 'unknown' ? null : form.bifacial === 'yes',
			rearGainPct: form.bifacial === 'yes' ? figureOrUnknown(form.rearGainPct) : null
		}
	};
}

export function formOfModuleType({
	name,
	plate: nameplate,
	tolerance,
	limits
}: ModuleType): LabelForm {
	return {
		name,
		technology: nameplate.technology,
		cellsInSeries: String(nameplate.cellsInSeries),
		sections: String(nameplate.sections),
		pmax: String(nameplate.pmax),
		vmp: String(nameplate.vmp),
		imp: String(nameplate.imp),
		voc: String(nameplate.voc),
		isc: String(nameplate.isc),
		alpha: String(nameplate.alphaIscPctPerK ?? ''),
		alphaUnit: '%/K',
		beta: String(nameplate.betaVocPctPerK ?? ''),
		betaUnit: '%/K',
		vocPct: String(tolerance.vocPct),
		iscPct: String(tolerance.iscPct),
		systemVolts: String(limits.systemVolts ?? ''),
		seriesFuse: String(limits.seriesFuse ?? ''),
		bifacial: limits.bifacial === null ? 'unknown' : limits.bifacial ? 'yes' : 'no',
		rearGainPct: String(limits.rearGainPct ?? '')
	};
}
