import { z } from 'zod';
import type { ArrayRecord, ModuleType, StringRecord } from '../circuit/record';
import type { Plate } from '../module/plate';
import { TECHNOLOGIES } from '../module/technology';

/** Bounds of what a module, string or site can be; beyond them a figure is a slip of the finger. */
export const RECORD_LIMITS = {
	volts: { min: 0.1, max: 1000, unit: 'V' },
	amps: { min: 0.01, max: 100, unit: 'A' },
	watts: { min: 0.1, max: 2000, unit: 'W' },
	alphaIscPctPerK: { min: -1, max: 1, unit: '%/K' },
	betaVocPctPerK: { min: -2, max: -0.01, unit: '%/K' },
	cells: { min: 1, max: 400, unit: '', whole: true },
	sections: { min: 1, max: 12, unit: '', whole: true },
	tolerancePct: { min: 0, max: 20, unit: '%' },
	modules: { min: 1, max: 200, unit: '', whole: true },
	ohms: { min: 0, max: 100, unit: 'ohm' },
	fuse: { min: 0.5, max: 630, unit: 'A' },
	year: { min: 1980, max: 2100, unit: '', whole: true },
	strings: 2000,
	moduleTypes: 200
} as const;

const within = ({ min, max }: { readonly min: number; readonly max: number }) =>
	z.number().min(min).max(max);
const count = ({ min, max }: { readonly min: number; readonly max: number }) =>
	z.int().min(min).max(max);

export const shortText = (longest: number) => z.string().trim().min(1).max(longest);
export const instant = z.iso.datetime();

const plateSchema = z
	.strictObject({
		technology: z.enum(TECHNOLOGIES),
		cellsInSeries: count(RECORD_LIMITS.cells),
		sections: count(RECORD_LIMITS.sections),
		pmax: within(RECORD_LIMITS.watts),
		vmp: within(RECORD_LIMITS.volts),
		imp: within(RECORD_LIMITS.amps),
		voc: within(RECORD_LIMITS.volts),
		isc: within(RECORD_LIMITS.amps),
		alphaIscPctPerK: within(RECORD_LIMITS.alphaIscPctPerK).nullable(),
		betaVocPctPerK: within(RECORD_LIMITS.betaVocPctPerK).nullable()
	})
	.refine((plate) => plate.vmp < plate.voc, {
		path: ['vmp'],
		message: 'Vmp must be below Voc; the two may have changed places.'
	})
	.refine((plate) => plate.imp < plate.isc, {
		path: ['imp'],
		message: 'Imp must be below Isc; the two may have changed places.'
	}) satisfies z.ZodType<Plate>;

const moduleTypeSchema = z.strictObject({
	id: z.uuid(),
	name: shortText(80),
	plate: plateSchema,
	tolerance: z.strictObject({
		vocPct: within(RECORD_LIMITS.tolerancePct),
		iscPct: within(RECORD_LIMITS.tolerancePct)
	})
}) satisfies z.ZodType<ModuleType>;

const stringSchema = z.strictObject({
	id: z.uuid(),
	label: shortText(20),
	moduleTypeId: z.uuid(),
	moduleCount: count(RECORD_LIMITS.modules),
	cableResistance: within(RECORD_LIMITS.ohms),
	fuse: z.strictObject({ rating: within(RECORD_LIMITS.fuse).nullable() }).nullable(),
	input: shortText(40).nullable()
}) satisfies z.ZodType<StringRecord>;

export const arrayRecordSchema = z
	.strictObject({
		moduleTypes: z.array(moduleTypeSchema).max(RECORD_LIMITS.moduleTypes),
		strings: z.array(stringSchema).max(RECORD_LIMITS.strings),
		inServiceSince: count(RECORD_LIMITS.year).nullable()
	})
	.superRefine(({ moduleTypes, strings }, context) => {
		const types = new Set(moduleTypes.map((type) => type.id));
		const labels = new Set<string>();
		strings.forEach((string, i) => {
			if (!types.has(string.moduleTypeId)) {
				context.addIssue({
					code: 'custom',
					path: ['strings', i, 'moduleTypeId'],
					message: `String ${string.label} names a module type that the record does not hold.`
				});
			}
			if (labels.has(string.label)) {
				context.addIssue({
					code: 'custom',
					path: ['strings', i, 'label'],
					message: `Two strings carry the mark ${string.label}. Give each its own.`
				});
			}
			labels.add(string.label);
		});
	}) satisfies z.ZodType<ArrayRecord>;
