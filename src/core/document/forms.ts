import { z } from 'zod';
import { cableResistance } from '../circuit/cable';
import type { ModuleType, StringDevices, StringRecord } from '../record/record';
import { USUAL_CABLE_OHMS } from './survey';
import { IRRADIANCE_SOURCES, TEMPERATURE_SOURCES, type Conditions } from '../conditions/conditions';
import type { Meter, Visit } from '../expectation/visit';
import {
	ALPHA_UNITS,
	BETA_UNITS,
	relativeCoefficient,
	type AlphaUnit,
	type BetaUnit
} from '../module/coefficients';
import type { Plate } from '../module/plate';
import { TECHNOLOGIES } from '../module/technology';
import { figure, figureOrEmpty, figureOrUnknown, figureValue } from './figure';
import { RECORD_LIMITS } from './record';
import { READING_LIMITS } from './reading';
import { purposeSchema, siteSchema, VISIT_TEXT } from './visit';

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
	iscPct: figure(RECORD_LIMITS.tolerancePct).default('3'),
	systemVolts: figureOrEmpty(RECORD_LIMITS.systemVolts).default(''),
	seriesFuse: figureOrEmpty(RECORD_LIMITS.seriesFuse).default(''),
	bifacial: z.enum(['unknown', 'yes', 'no']).default('unknown')
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
		tolerance: { vocPct: figureValue(form.vocPct), iscPct: figureValue(form.iscPct) },
		limits: {
			systemVolts: figureOrUnknown(form.systemVolts),
			seriesFuse: figureOrUnknown(form.seriesFuse),
			bifacial: form.bifacial === 'unknown' ? null : form.bifacial === 'yes'
		}
	};
}

export function formOfModuleType({ name, plate, tolerance, limits }: ModuleType): LabelForm {
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
		iscPct: String(tolerance.iscPct),
		systemVolts: String(limits.systemVolts ?? ''),
		seriesFuse: String(limits.seriesFuse ?? ''),
		bifacial: limits.bifacial === null ? 'unknown' : limits.bifacial ? 'yes' : 'no'
	};
}

export const stringFormSchema = z.object({
	/** Marks of the strings, separated by blanks or commas; A1-A4 counts up. */
	labels: required(2000, 'Type the mark of the string, or A1-A4 for four.'),
	moduleTypeId: z.uuid({ message: 'Choose the module type, or enter its label first.' }),
	moduleCount: figure(RECORD_LIMITS.modules),
	/** Ohms, or empty where the cable's measures are given. */
	cableResistance: figureOrEmpty(RECORD_LIMITS.ohms),
	cableLength: figureOrEmpty(RECORD_LIMITS.cableLength),
	cableSize: figureOrEmpty(RECORD_LIMITS.cableSize),
	fuse: z.enum(['none', 'rated', 'unrated', 'unknown']),
	fuseRating: figureOrEmpty(RECORD_LIMITS.fuse),
	blockingDiode: z.enum(['none', 'silicon', 'schottky', 'unknown']),
	devices: z.enum(['none', 'rapid-shutdown', 'optimiser', 'micro-inverter', 'unknown']),
	modulesPerDevice: z.enum(['1', '2']),
	devicePart: z.string(),
	connectors: z.string().trim().max(60),
	to: z.string(),
	input: z.string().trim().max(40)
});
export type StringForm = z.infer<typeof stringFormSchema>;

export const EMPTY_STRING_FORM: StringForm = {
	labels: '',
	moduleTypeId: '',
	moduleCount: '',
	cableResistance: '0.3',
	cableLength: '',
	cableSize: '',
	fuse: 'unknown',
	fuseRating: '',
	blockingDiode: 'unknown',
	devices: 'unknown',
	modulesPerDevice: '1',
	devicePart: '',
	connectors: '',
	to: '',
	input: ''
};

export function formOfString(string: StringRecord): StringForm {
	const { fuse, devices, cable } = string;
	const known = devices === 'unknown' ? null : devices;
	return {
		labels: string.label,
		moduleTypeId: string.moduleTypeId,
		moduleCount: String(string.moduleCount),
		cableResistance: String(string.cableResistance),
		cableLength: String(cable?.length ?? ''),
		cableSize: String(cable?.size ?? ''),
		fuse:
			fuse === null
				? 'none'
				: fuse === 'unknown'
					? fuse
					: fuse.rating === null
						? 'unrated'
						: 'rated',
		fuseRating: fuse === null || fuse === 'unknown' ? '' : String(fuse.rating ?? ''),
		blockingDiode: string.blockingDiode,
		devices: devices === null ? 'none' : devices === 'unknown' ? 'unknown' : devices.kind,
		modulesPerDevice: known?.modulesPerDevice === 2 ? '2' : '1',
		devicePart: known?.part ?? '',
		connectors: string.connectors ?? '',
		to: string.to ?? '',
		input: string.input ?? ''
	};
}

/** Temperature at which the ohms of a cable are worked out from its measures, degC. */
const CABLE_TEMPERATURE = 40;

/** Ohms of the cable of a form: by its measures where they are given, else as typed. */
export function cableOhmsOfForm(
	form: Pick<StringForm, 'cableResistance' | 'cableLength' | 'cableSize'>
): number | null {
	const length = figureOrUnknown(form.cableLength);
	const size = figureOrUnknown(form.cableSize);
	if (length === null || size === null) return figureOrUnknown(form.cableResistance);
	const ohms = cableResistance({ length, size, temperature: CABLE_TEMPERATURE });
	return Number(ohms.toPrecision(3));
}

/** What a form says of a string beside its id, mark, modules and place. */
export function stringFieldsOfForm(
	form: StringForm
): Omit<StringRecord, 'id' | 'label' | 'modules' | 'spans'> {
	const length = figureOrUnknown(form.cableLength);
	const size = figureOrUnknown(form.cableSize);
	const rating = figureOrUnknown(form.fuseRating);
	const none = form.devices === 'none' || form.devices === 'unknown';
	return {
		moduleTypeId: form.moduleTypeId,
		moduleCount: figureValue(form.moduleCount),
		cableResistance: cableOhmsOfForm(form) ?? USUAL_CABLE_OHMS,
		cable: length === null || size === null ? null : { length, size },
		fuse:
			form.fuse === 'none'
				? null
				: form.fuse === 'unknown'
					? 'unknown'
					: { rating: form.fuse === 'rated' ? rating : null },
		blockingDiode: form.blockingDiode,
		devices: none
			? form.devices === 'none'
				? null
				: 'unknown'
			: {
					kind: form.devices as StringDevices['kind'],
					modulesPerDevice: form.modulesPerDevice === '2' ? 2 : 1,
					part: form.devicePart === '' ? null : form.devicePart
				},
		connectors: form.connectors === '' ? null : form.connectors,
		to: form.to === '' ? null : form.to,
		input: form.input === '' ? null : form.input
	};
}

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

export const conditionsFormSchema = z.object({
	/** What the figures were worked out from, in words. */
	basis: z.string().max(VISIT_TEXT.basis).default(''),
	/** The sun has moved on since the entry before. */
	follows: z.boolean().default(false),
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

const CATEGORIES = ['', '2', '3', '4'] as const;

export const metersFormSchema = z.object({
	voltsRating: figureOrEmpty(READING_LIMITS.kitVolts),
	voltsCategory: z.enum(CATEGORIES).default(''),
	ampsRating: figureOrEmpty(READING_LIMITS.kitVolts),
	ampsCategory: z.enum(CATEGORIES).default(''),
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
			resolution: figureValue(form.voltsResolution),
			...ratingOf(form.voltsRating, form.voltsCategory)
		},
		amps: {
			pctOfReading: figureValue(form.ampsPct),
			counts: figureValue(form.ampsCounts),
			resolution: figureValue(form.ampsResolution),
			...ratingOf(form.ampsRating, form.ampsCategory)
		}
	};
}

function ratingOf(
	volts: string,
	category: (typeof CATEGORIES)[number]
): Pick<Meter, 'ratedVolts' | 'category'> {
	return {
		ratedVolts: volts.trim() === '' ? null : figureValue(volts),
		category: category === '' ? null : (Number(category) as 2 | 3 | 4)
	};
}

export function formOfMeters({ volts, amps }: Visit['meters']): MetersForm {
	const category = (meter: Meter) => String(meter.category ?? '') as (typeof CATEGORIES)[number];
	return {
		voltsRating: String(volts.ratedVolts ?? ''),
		voltsCategory: category(volts),
		ampsRating: String(amps.ratedVolts ?? ''),
		ampsCategory: category(amps),
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
	purpose: purposeSchema.default('routine'),
	reason: z.string().trim().max(VISIT_TEXT.reason)
});
