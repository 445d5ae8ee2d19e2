import { z } from 'zod';
import { IRRADIANCE_SOURCES, TEMPERATURE_SOURCES } from '../conditions';
import { type ConditionsEntry, type Meter, placeProblem, PURPOSES, type Visit } from '../visit';
import type { ArrayRecord } from '../record';
import { inspectionEntrySchema } from './inspection';
import { photographSchema } from './photograph';
import {
	between,
	curveSchema,
	NAME_LENGTH,
	person,
	READING_LIMITS,
	readingSchema,
	repairSchema,
	safetyEntrySchema,
	withdrawalSchema
} from './reading';
import { arrayRecordSchema, instant, shortText } from './record';
import { VISIT_LIMITS } from './visit-limits';

export const VISIT_TEXT = {
	name: NAME_LENGTH,
	reason: 200,
	note: 4000,
	basis: 400,
	says: 400
} as const;

export const conditionsSchema = z.strictObject({
	id: z.uuid(),
	enteredAt: instant,
	by: person,
	basis: z.string().max(VISIT_TEXT.basis).default(''),
	follows: z.boolean().default(false),
	fieldId: z.uuid().nullable().default(null),
	irradiance: z.strictObject({
		value: between(READING_LIMITS.irradiance),
		relativeStandardUncertainty: z.number().min(0.001).max(0.5),
		source: z.enum(IRRADIANCE_SOURCES)
	}),
	cellTemperature: z.strictObject({
		value: between(READING_LIMITS.cellTemperature),
		standardUncertainty: between(READING_LIMITS.temperatureDoubt),
		source: z.enum(TEMPERATURE_SOURCES)
	})
}) satisfies z.ZodType<ConditionsEntry>;

const meterSchema = z.strictObject({
	pctOfReading: between(READING_LIMITS.meterPct),
	counts: between(READING_LIMITS.meterCounts),
	resolution: between(READING_LIMITS.resolution),
	ratedVolts: between(READING_LIMITS.testEquipmentVoltage).nullable().default(null),
	category: z
		.union([z.literal(2), z.literal(3), z.literal(4)])
		.nullable()
		.default(null)
}) satisfies z.ZodType<Meter>;

export const metersSchema = z.strictObject({ volts: meterSchema, amps: meterSchema });

export const purposeSchema = z.enum(PURPOSES);

export const visitSchema = z.strictObject({
	id: z.uuid(),
	startedAt: instant,
	by: person,
	purpose: purposeSchema.default('routine'),
	reason: z.string().trim().max(VISIT_TEXT.reason),
	inverterSays: z.string().max(VISIT_TEXT.says).default(''),
	note: z.string().max(VISIT_TEXT.note),
	meters: metersSchema,
	conditions: z.array(conditionsSchema).max(VISIT_LIMITS.conditions),
	readings: z.array(readingSchema).max(VISIT_LIMITS.readings),
	withdrawals: z.array(withdrawalSchema).max(VISIT_LIMITS.withdrawals),
	safety: z.array(safetyEntrySchema).max(VISIT_LIMITS.safety).default([]),
	curves: z.array(curveSchema).max(VISIT_LIMITS.curves).default([]),
	repairs: z.array(repairSchema).max(VISIT_LIMITS.repairs).default([])
}) satisfies z.ZodType<Visit>;

export const siteSchema = z.strictObject({
	id: z.uuid(),
	name: shortText(80),
	place: z.string().trim().max(120),
	timeZone: shortText(60).refine(isTimeZone, {
		message: 'Not the name of a time zone, as in Etc/UTC.'
	})
});

/** A site without its array. */
export type Site = z.infer<typeof siteSchema>;

function isTimeZone(name: string): boolean {
	try {
		new Intl.DateTimeFormat('en', { timeZone: name });
		return true;
	} catch {
		return false;
	}
}

/** What a schema cannot say of a visit beside the record that it saw, by its place in the visit. */
export function visitProblems(
	record: Pick<ArrayRecord, 'strings' | 'parts'>,
	visit: Pick<Visit, 'readings' | 'withdrawals'>
): { readonly path: readonly (string | number)[]; readonly message: string }[] {
	const problems: { path: (string | number)[]; message: string }[] = [];
	const earlier = new Set<string>();
	visit.readings.forEach((reading, i) => {
		const refuse = (field: string, message: string) =>
			problems.push({ path: ['readings', i, field], message });
		const lost = placeProblem(record, reading.place);
		if (lost) refuse('place', lost);
		if (earlier.has(reading.id)) refuse('id', 'Two readings carry this id.');
		if (reading.supersedes && !earlier.has(reading.supersedes)) {
			refuse('supersedes', 'The reading it replaces does not stand before it.');
		}
		earlier.add(reading.id);
	});
	visit.withdrawals.forEach(({ readingId }, i) => {
		if (earlier.has(readingId)) return;
		const message = 'It takes back a reading that is not in this file.';
		problems.push({ path: ['withdrawals', i, 'readingId'], message });
	});
	return problems;
}

export const FORMAT = 'zembo-visit';
/**
 * Version 2 records every kind of part; version 3 readings at every place, each with its switching state;
 * version 4 stretches, joints and repairs; version 5 names the visit's photographs; version 6 conditions of a
 * plane; version 7 how many readings came before a repair; version 8 more of what design checks need.
 */
export const VERSION = 8;

/** What was seen in a visit. */
export const seenSchema = {
	/** Answers of the walk; photographs are named by their ids. */
	inspection: z.array(inspectionEntrySchema).max(VISIT_LIMITS.inspection).readonly().default([]),
	/** Photographs of the visit; the pictures lie beside the file in an archive. */
	photographs: z.array(photographSchema).max(VISIT_LIMITS.photographs).readonly().default([])
};

/** One visit with the site and the revision of its record that it points at: all it takes to assess it anywhere. */
export const visitDocumentSchema = z
	.strictObject({
		format: z.literal(FORMAT),
		version: z.literal(VERSION),
		site: siteSchema,
		revision: z.strictObject({ id: z.uuid(), number: z.int().min(1), createdAt: instant }),
		record: arrayRecordSchema,
		visit: visitSchema,
		...seenSchema
	})
	.superRefine(({ record, visit }, context) => {
		for (const { path, message } of visitProblems(record, visit)) {
			context.addIssue({ code: 'custom', path: ['visit', ...path], message });
		}
	});

export type VisitDocument = z.infer<typeof visitDocumentSchema>;
