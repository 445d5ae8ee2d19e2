import { z } from 'zod';
import type { ModuleType } from '../circuit/record';
import { IRRADIANCE_SOURCES, TEMPERATURE_SOURCES, type Conditions } from '../conditions/conditions';
import type { Visit } from '../expectation/visit';
import {
	ALPHA_UNITS,
	BETA_UNITS,
	relativeCoefficient,
	type AlphaUnit,
	type BetaUnit
} from '../module/coefficients';
import type { Plate } from '../module/plate';
import { TECHNOLOGIES } from '../module/technology';
import { figure, figureOrEmpty, figureValue } from './figure';
import { RECORD_LIMITS } from './record';
import { READING_LIMITS, siteSchema, VISIT_TEXT } from './visit';

/*
 * Forms hold what was typed, to the letter, so that a refusal never loses it. Each has a schema of
 * strings and a function that turns a form the schema has let through into values.
 */

const required = (longest: number, words: string) =>
	z.string().trim().min(1, { message: words }).max(longest);

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
	iscPct: figure(RECORD_LIMITS.tolerancePct).default('3')
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
export function plateOfForm(form: LabelForm): Plate {
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
		plate: plateOfForm(form),
		tolerance: { vocPct: figureValue(form.vocPct), iscPct: figureValue(form.iscPct) }
	};
}

export function formOfModuleType({ name, plate, tolerance }: ModuleType): LabelForm {
	return {
		name,
		technology: plate.technology,
		cellsInSeries: String(plate.cellsInSeries),
		sections: String(plate.sections),
		pmax: String(plate.pmax),
		vmp: String(plate.vmp),
		imp: String(plate.imp),
		voc: String(plate.voc),
		isc: String(plate.isc),
		alpha: String(plate.alphaIscPctPerK ?? ''),
		alphaUnit: '%/K',
		beta: String(plate.betaVocPctPerK ?? ''),
		betaUnit: '%/K',
		vocPct: String(tolerance.vocPct),
		iscPct: String(tolerance.iscPct)
	};
}

export const stringsFormSchema = z.object({
	/** Marks of the strings to add, separated by blanks or commas; A1-A4 counts up. */
	labels: required(2000, 'Type the marks of the strings, as in A1-A4 or A1, A2.'),
	moduleTypeId: z.uuid({ message: 'Choose the module type, or enter its label first.' }),
	moduleCount: figure(RECORD_LIMITS.modules),
	cableResistance: figure(RECORD_LIMITS.ohms).default('0.3'),
	fuse: z.enum(['none', 'rated', 'unknown']).default('none'),
	fuseRating: figureOrEmpty(RECORD_LIMITS.fuse),
	input: z.string().trim().max(40)
});
export type StringsForm = z.infer<typeof stringsFormSchema>;

/** One string, to be changed. */
export const stringFormSchema = stringsFormSchema.extend({
	id: z.uuid(),
	labels: required(20, 'Type the mark of the string.')
});

const RUN = /^(\p{L}*)(\d+)[-\u2013](?:\1)?(\d+)$/u;

/** Marks of a list: "A1-A4, B1" is A1, A2, A3, A4, B1. */
export function expandLabels(list: string): string[] {
	return list
		.split(/[\s,;]+/)
		.filter(Boolean)
		.flatMap((item) => {
			const run = RUN.exec(item);
			if (!run) return [item];
			const [, letters = '', first, last] = run;
			const from = Number(first);
			const to = Number(last);
			if (to < from || to - from > 500) return [item];
			return Array.from({ length: to - from + 1 }, (_, i) => `${letters}${from + i}`);
		});
}

/** What the fuse fields mean. */
export function fuseOfForm(
	form: Pick<StringsForm, 'fuse' | 'fuseRating'>
): { rating: number | null } | null {
	if (form.fuse === 'none') return null;
	const rated = form.fuse === 'rated' && form.fuseRating.trim() !== '';
	return { rating: rated ? figureValue(form.fuseRating) : null };
}

export const conditionsFormSchema = z.object({
	irradiance: figure(READING_LIMITS.irradiance),
	irradianceDoubt: figure(READING_LIMITS.irradianceDoubtPct).default('3'),
	irradianceSource: z.enum(IRRADIANCE_SOURCES).default('sensor-in-plane'),
	cellTemperature: figure(READING_LIMITS.cellTemperature),
	temperatureDoubt: figure(READING_LIMITS.temperatureDoubt).default('2'),
	temperatureSource: z.enum(TEMPERATURE_SOURCES).default('probe-on-back')
});
export type ConditionsForm = z.infer<typeof conditionsFormSchema>;

export function conditionsOfForm(form: ConditionsForm): Conditions {
	return {
		irradiance: {
			value: figureValue(form.irradiance),
			relativeStandardUncertainty: figureValue(form.irradianceDoubt) / 100,
			source: form.irradianceSource
		},
		cellTemperature: {
			value: figureValue(form.cellTemperature),
			standardUncertainty: figureValue(form.temperatureDoubt),
			source: form.temperatureSource
		}
	};
}

export const metersFormSchema = z.object({
	voltsPct: figure(READING_LIMITS.meterPct),
	voltsCounts: figure(READING_LIMITS.meterCounts),
	voltsResolution: figure(READING_LIMITS.resolution),
	ampsPct: figure(READING_LIMITS.meterPct),
	ampsCounts: figure(READING_LIMITS.meterCounts),
	ampsResolution: figure(READING_LIMITS.resolution)
});
export type MetersForm = z.infer<typeof metersFormSchema>;

export function metersOfForm(form: MetersForm): Visit['meters'] {
	return {
		volts: {
			pctOfReading: figureValue(form.voltsPct),
			counts: figureValue(form.voltsCounts),
			resolution: figureValue(form.voltsResolution)
		},
		amps: {
			pctOfReading: figureValue(form.ampsPct),
			counts: figureValue(form.ampsCounts),
			resolution: figureValue(form.ampsResolution)
		}
	};
}

export function formOfMeters({ volts, amps }: Visit['meters']): MetersForm {
	return {
		voltsPct: String(volts.pctOfReading),
		voltsCounts: String(volts.counts),
		voltsResolution: String(volts.resolution),
		ampsPct: String(amps.pctOfReading),
		ampsCounts: String(amps.counts),
		ampsResolution: String(amps.resolution)
	};
}

export const siteFormSchema = z.object({
	name: required(80, 'Give the site a name.'),
	place: siteSchema.shape.place,
	timeZone: siteSchema.shape.timeZone.default('Etc/UTC'),
	inServiceSince: figureOrEmpty(RECORD_LIMITS.year)
});

export const visitFormSchema = z.object({
	by: required(VISIT_TEXT.name, 'Who measures? Type your name.'),
	reason: z.string().trim().max(VISIT_TEXT.reason)
});
