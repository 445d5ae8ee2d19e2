import { z } from 'zod';
import {
	CONDITION_LIMITS,
	IRRADIANCE_SOURCES,
	TEMPERATURE_SOURCES
} from '../conditions/conditions';
import {
	QUANTITIES,
	STATE_OF_QUANTITY,
	SWITCHING_STATES,
	type ConditionsEntry,
	type MeterAccuracy,
	type Reading,
	type Visit,
	type Withdrawal
} from '../expectation/visit';
import { inspectionEntrySchema } from './inspection';
import { arrayRecordSchema, instant, shortText } from './record';

/**
 * Bounds of what can be stored: ten times what a meter at an array can show, since a slipped decimal
 * mark is asked about and stored if confirmed.
 */
export const READING_LIMITS = {
	volts: { min: -30_000, max: 30_000, unit: 'V' },
	amps: { min: -2000, max: 2000, unit: 'A' },
	irradiance: {
		min: CONDITION_LIMITS.irradiance[0],
		max: CONDITION_LIMITS.irradiance[1],
		unit: 'W/m2'
	},
	cellTemperature: {
		min: CONDITION_LIMITS.cellTemperature[0],
		max: CONDITION_LIMITS.cellTemperature[1],
		unit: 'degC'
	},
	irradianceDoubtPct: { min: 0.1, max: 50, unit: '%' },
	temperatureDoubt: { min: 0.1, max: 30, unit: 'K' },
	meterPct: { min: 0, max: 20, unit: '%' },
	meterCounts: { min: 0, max: 200, unit: '', whole: true },
	resolution: { min: 0.0001, max: 10, unit: '' }
} as const;

export const VISIT_TEXT = { name: 80, reason: 200, note: 4000 } as const;

const person = shortText(VISIT_TEXT.name);
const between = ({ min, max }: { readonly min: number; readonly max: number }) =>
	z.number().min(min).max(max);

/** Fields of a reading that the person enters; the server adds nothing. */
export const readingSchema = z
	.strictObject({
		id: z.uuid(),
		stringId: z.uuid(),
		quantity: z.enum(QUANTITIES),
		switchingState: z.enum(SWITCHING_STATES),
		value: z.number(),
		atVolts: between(READING_LIMITS.volts).nullable(),
		typed: z.string().max(60),
		confirmed: z.boolean(),
		takenAt: instant,
		by: person,
		supersedes: z.uuid().nullable()
	})
	.superRefine((reading, context) => {
		const { min, max, unit } =
			reading.quantity === 'open-circuit-voltage' ? READING_LIMITS.volts : READING_LIMITS.amps;
		const refuse = (path: string, message: string) =>
			context.addIssue({ code: 'custom', path: [path], message });
		if (!(reading.value >= min && reading.value <= max)) {
			refuse(
				'value',
				`${reading.value} ${unit} is beyond what a string can show (${min} to ${max} ${unit}).`
			);
		}
		if (reading.switchingState !== STATE_OF_QUANTITY[reading.quantity]) {
			refuse(
				'switchingState',
				`This quantity is read in the state “${STATE_OF_QUANTITY[reading.quantity]}”.`
			);
		}
		if ((reading.quantity === 'operating-current') !== (reading.atVolts !== null)) {
			refuse(
				'atVolts',
				'An operating current needs the volts at which it flowed; other readings have none.'
			);
		}
	}) satisfies z.ZodType<Reading>;

export const withdrawalSchema = z.strictObject({
	id: z.uuid(),
	readingId: z.uuid(),
	at: instant,
	by: person
}) satisfies z.ZodType<Withdrawal>;

export const conditionsSchema = z.strictObject({
	id: z.uuid(),
	enteredAt: instant,
	by: person,
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
	resolution: between(READING_LIMITS.resolution)
}) satisfies z.ZodType<MeterAccuracy>;

export const metersSchema = z.strictObject({ volts: meterSchema, amps: meterSchema });

const visitSchema = z.strictObject({
	id: z.uuid(),
	startedAt: instant,
	by: person,
	reason: z.string().trim().max(VISIT_TEXT.reason),
	note: z.string().max(VISIT_TEXT.note),
	meters: metersSchema,
	conditions: z.array(conditionsSchema).max(10_000),
	readings: z.array(readingSchema).max(100_000),
	withdrawals: z.array(withdrawalSchema).max(100_000)
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

export const FORMAT = 'zembo-visit';
/** Version 2 records every kind of part. */
export const VERSION = 2;

/** One visit with the site and the revision of its record that it points at: all it takes to assess it anywhere. */
export const visitDocumentSchema = z
	.strictObject({
		format: z.literal(FORMAT),
		version: z.literal(VERSION),
		site: siteSchema,
		revision: z.strictObject({ id: z.uuid(), number: z.int().min(1), createdAt: instant }),
		record: arrayRecordSchema,
		visit: visitSchema,
		/** Answers of the walk; photographs are named by their ids and lie beside the file. */
		inspection: z.array(inspectionEntrySchema).max(10_000).readonly().default([])
	})
	.superRefine(({ record, visit }, context) => {
		const strings = new Set(record.strings.map((string) => string.id));
		const earlier = new Set<string>();
		visit.readings.forEach((reading, i) => {
			const refuse = (field: string, message: string) =>
				context.addIssue({ code: 'custom', path: ['visit', 'readings', i, field], message });
			if (!strings.has(reading.stringId))
				refuse('stringId', 'No string of the record has this id.');
			if (earlier.has(reading.id)) refuse('id', 'Two readings carry this id.');
			if (reading.supersedes && !earlier.has(reading.supersedes)) {
				refuse('supersedes', 'The reading it replaces does not stand before it.');
			}
			earlier.add(reading.id);
		});
		visit.withdrawals.forEach((withdrawal, i) => {
			if (!earlier.has(withdrawal.readingId)) {
				context.addIssue({
					code: 'custom',
					path: ['visit', 'withdrawals', i, 'readingId'],
					message: 'It takes back a reading that is not in this file.'
				});
			}
		});
	});

export type VisitDocument = z.infer<typeof visitDocumentSchema>;
