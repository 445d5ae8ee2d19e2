import { RATED_CODES, type RatedCode } from '../faults';
import { z } from 'zod';
import { type Nameplate, TECHNOLOGIES } from '../module';
import {
	type ArrayRecord,
	EDITIONS,
	type Field,
	fieldsOf,
	MODULE_STATES,
	type ModuleDetail,
	type ModuleLimits,
	type ModuleType,
	type Part,
	PART_KIND_NAMES,
	type PartFields,
	type PartKind,
	type SiteRules,
	type Span,
	type SpecField,
	STEPS,
	type StringDevices,
	type StringRecord,
	STRUCTURES,
	SYSTEMS,
	UNKNOWN_LIMITS,
	UNKNOWN_RULES,
	UNSEEN_STRING
} from '../record';
import { RECORD_LIMITS } from './record-limits';
import { brokenLinks } from './record-links';

const within = ({ min, max }: { readonly min: number; readonly max: number }) =>
	z.number().min(min).max(max);
const count = ({ min, max }: { readonly min: number; readonly max: number }) =>
	z.int().min(min).max(max);

export const shortText = (longest: number) => z.string().trim().min(1).max(longest);
export const instant = z.iso.datetime();

export const nameplateSchema = z
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
	.refine((nameplate) => nameplate.vmp < nameplate.voc, {
		path: ['vmp'],
		message: 'Vmp must be below Voc; the two may have changed places.'
	})
	.refine((nameplate) => nameplate.imp < nameplate.isc, {
		path: ['imp'],
		message: 'Imp must be below Isc; the two may have changed places.'
	}) satisfies z.ZodType<Nameplate>;

const limitsSchema = z.strictObject({
	systemVolts: within(RECORD_LIMITS.systemVolts).nullable(),
	seriesFuse: within(RECORD_LIMITS.seriesFuse).nullable(),
	bifacial: z.boolean().nullable(),
	rearGainPct: within(RECORD_LIMITS.rearGainPct).nullable().default(null)
}) satisfies z.ZodType<ModuleLimits>;

export const moduleTypeSchema = z.strictObject({
	id: z.uuid(),
	name: shortText(80),
	plate: nameplateSchema,
	tolerance: z.strictObject({
		vocPct: within(RECORD_LIMITS.tolerancePct),
		iscPct: within(RECORD_LIMITS.tolerancePct)
	}),
	limits: limitsSchema.default(UNKNOWN_LIMITS)
}) satisfies z.ZodType<ModuleType>;

const moduleDetailSchema = z.strictObject({
	number: count(RECORD_LIMITS.modules),
	serial: shortText(60).nullable(),
	deviceCode: shortText(60).nullable(),
	year: count(RECORD_LIMITS.year).nullable(),
	state: z.enum(MODULE_STATES).nullable(),
	moduleTypeId: z.uuid().nullable()
}) satisfies z.ZodType<ModuleDetail>;

const spanSchema = z.strictObject({
	from: count(RECORD_LIMITS.modules),
	count: count(RECORD_LIMITS.modules),
	field: z.uuid(),
	row: z
		.int()
		.min(0)
		.max(RECORD_LIMITS.rows.max - 1),
	column: z
		.int()
		.min(0)
		.max(RECORD_LIMITS.columns.max - 1),
	step: z.enum(STEPS)
}) satisfies z.ZodType<Span>;

const devicesSchema = z.strictObject({
	kind: z.enum(['rapid-shutdown', 'optimiser', 'micro-inverter']),
	modulesPerDevice: z.union([z.literal(1), z.literal(2)]),
	part: z.uuid().nullable()
}) satisfies z.ZodType<StringDevices>;

/** Fields that version 1 did not have come out as unknown. */
export const stringSchema = z.strictObject({
	id: z.uuid(),
	label: shortText(20),
	moduleTypeId: z.uuid(),
	moduleCount: count(RECORD_LIMITS.modules),
	modules: z.array(moduleDetailSchema).max(RECORD_LIMITS.modules.max).readonly().default([]),
	cableResistance: within(RECORD_LIMITS.ohms),
	cable: z
		.strictObject({
			length: within(RECORD_LIMITS.cableLength),
			size: within(RECORD_LIMITS.cableSize),
			conductor: z.enum(['copper', 'pvCable']).optional()
		})
		.nullable()
		.default(UNSEEN_STRING.cable),
	fuse: z.union([
		z.strictObject({ rating: within(RECORD_LIMITS.fuse).nullable() }),
		z.literal('unknown'),
		z.null()
	]),
	blockingDiode: z
		.enum(['none', 'silicon', 'schottky', 'unknown'])
		.default(UNSEEN_STRING.blockingDiode),
	devices: z.union([devicesSchema, z.literal('unknown'), z.null()]).default(UNSEEN_STRING.devices),
	connectors: shortText(60).nullable().default(null),
	to: z.uuid().nullable().default(null),
	input: shortText(40).nullable(),
	spans: z.array(spanSchema).max(RECORD_LIMITS.modules.max).readonly().default([])
}) satisfies z.ZodType<StringRecord>;

export const fieldSchema = z.strictObject({
	id: z.uuid(),
	name: shortText(60),
	rows: count(RECORD_LIMITS.rows),
	columns: count(RECORD_LIMITS.columns),
	tilt: within(RECORD_LIMITS.tilt).nullable(),
	azimuth: within(RECORD_LIMITS.azimuth).nullable(),
	lying: z.boolean(),
	countedTypeId: z.uuid().nullable()
}) satisfies z.ZodType<Field>;

/** Longest free text of a part, characters. */
const PART_TEXT = 120;

function specSchema(field: SpecField): z.ZodType {
	switch (field.type) {
		// A field that an earlier version did not have is unknown.
		case 'figure':
			return within(field).nullable().default(null);
		case 'choice':
			return z.enum(field.options).nullable().default(null);
		case 'text':
			return shortText(PART_TEXT).nullable().default(null);
	}
}

/** Schema of a table of fields; every one may be unknown. */
export function specsSchema(fields: PartFields) {
	const entries = Object.entries(fields).map(([key, field]) => [key, specSchema(field)]);
	return z.strictObject(Object.fromEntries(entries) as Record<string, z.ZodType>);
}

function partSchemaOf(kind: PartKind) {
	return z.strictObject({
		id: z.uuid(),
		kind: z.literal(kind),
		mark: shortText(40),
		place: shortText(PART_TEXT).nullable(),
		model: shortText(PART_TEXT).nullable(),
		serial: shortText(60).nullable(),
		to: z.uuid().nullable(),
		specs: specsSchema(fieldsOf(kind))
	});
}

const [firstKind, ...otherKinds] = PART_KIND_NAMES.map(partSchemaOf);
/** The table gives the schema its fields, so its type is the table's and not one that Zod infers. */
export const partSchema = z.discriminatedUnion('kind', [
	firstKind!,
	...otherKinds
]) as unknown as z.ZodType<Part>;

export const rulesSchema = z.strictObject({
	profile: z.enum(['US', 'IEC']),
	edition: z.literal(EDITIONS).nullable(),
	structure: z.enum(STRUCTURES).nullable(),
	lowest: within(RECORD_LIMITS.lowest).nullable(),
	hottestCell: within(RECORD_LIMITS.hottestCell).nullable(),
	alwaysFuse: z.boolean()
}) satisfies z.ZodType<SiteRules>;

/** Least and greatest chance of a fault per part and visit that anybody would mean. */
export const RATE_LIMITS = { min: 1e-7, max: 0.5 } as const;

/** Chance of a fault per part and visit, by code, where it is not the usual one. */
export const ratesSchema = z.partialRecord(
	z.enum(RATED_CODES as [RatedCode, ...RatedCode[]]),
	z.number().min(RATE_LIMITS.min).max(RATE_LIMITS.max)
) as unknown as z.ZodType<ArrayRecord['rates']>;

export const locationSchema = z.strictObject({
	latitude: z.number().min(-90).max(90),
	longitude: z.number().min(-180).max(180),
	altitude: z.number().min(-500).max(7000).nullable().default(null)
});

export const arrayRecordSchema = z
	.strictObject({
		system: z.enum(SYSTEMS).nullable().default(null),
		rules: rulesSchema.default(UNKNOWN_RULES),
		moduleTypes: z.array(moduleTypeSchema).max(RECORD_LIMITS.moduleTypes).readonly(),
		strings: z.array(stringSchema).max(RECORD_LIMITS.strings).readonly(),
		parts: z.array(partSchema).max(RECORD_LIMITS.parts).readonly().default([]),
		absent: z
			.array(z.enum(PART_KIND_NAMES as [PartKind, ...PartKind[]]))
			.readonly()
			.default([]),
		fields: z.array(fieldSchema).max(RECORD_LIMITS.fields).readonly().default([]),
		inServiceSince: count(RECORD_LIMITS.year).nullable(),
		location: locationSchema.nullable().default(null),
		rates: ratesSchema.default({})
	})
	.superRefine((record, context) => {
		for (const { path, message } of brokenLinks(record)) {
			context.addIssue({ code: 'custom', path: [...path], message });
		}
	}) satisfies z.ZodType<ArrayRecord>;

/**
 * Why a record of entries that each passed their schema does not hold together; null where it does.
 * {@link arrayRecordSchema} asks the same.
 */
export function whatDoesNotHold(record: ArrayRecord): string | null {
	for (const list of ['moduleTypes', 'strings', 'parts', 'fields'] as const) {
		const most = RECORD_LIMITS[list];
		if (record[list].length > most) return `A record holds at most ${most} ${list}.`;
	}
	const [first] = brokenLinks(record);
	return first?.message ?? null;
}
