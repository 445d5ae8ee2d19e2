import { canBeOverRange } from '../expectation';
import { z } from 'zod';
import { CONDITION_LIMITS } from '../conditions';
import {
	FAULT_CODES,
	type MeasuredCurve,
	PART_POINTS,
	type Place,
	POLES,
	QUANTITIES,
	QUANTITY_FACTS,
	type Reading,
	REPAIR_STEPS,
	type RepairEntry,
	type SafetyEntry,
	stateProblem,
	type SwitchingState,
	type Withdrawal
} from '../visit';
import { REPAIR_KIND_NAMES, type RepairKind } from '../repair';
import { instant, shortText } from './record';
import { RECORD_LIMITS } from './record-limits';

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
	relativeIrradianceUncertaintyPct: { min: 0.1, max: 50, unit: '%' },
	temperatureDoubt: { min: 0.1, max: 30, unit: 'K' },
	meterPct: { min: 0, max: 20, unit: '%' },
	meterCounts: { min: 0, max: 200, unit: '', whole: true },
	resolution: { min: 0.0001, max: 10, unit: '' },
	testEquipmentVoltage: { min: 50, max: 10_000, unit: 'V' },
	curvePoints: { least: 3, most: 5000 }
} as const;

/** Longest texts of a repair. */
export const REPAIR_TEXT = { words: 600, serial: 60 } as const;

/** Longest name of a person. */
export const NAME_LENGTH = 80;
export const person = shortText(NAME_LENGTH);

export const between = ({ min, max }: { readonly min: number; readonly max: number }) =>
	z.number().min(min).max(max);

const placeSchema = z.discriminatedUnion('kind', [
	z.strictObject({ kind: z.literal('string'), string: z.uuid() }),
	z.strictObject({ kind: z.literal('fuse'), string: z.uuid(), pole: z.enum(POLES) }),
	z.strictObject({
		kind: z.literal('module'),
		string: z.uuid(),
		module: z.int().min(1).max(RECORD_LIMITS.modules.max),
		section: z.int().min(1).max(RECORD_LIMITS.sections.max).nullable()
	}),
	z.strictObject({
		kind: z.literal('stretch'),
		string: z.uuid(),
		from: z.int().min(0).max(RECORD_LIMITS.modules.max),
		to: z.int().min(1).max(RECORD_LIMITS.modules.max)
	}),
	z.strictObject({
		kind: z.literal('joint'),
		string: z.uuid(),
		joint: z.int().min(0).max(RECORD_LIMITS.modules.max)
	}),
	z.strictObject({ kind: z.literal('part'), part: z.uuid(), point: z.enum(PART_POINTS) }),
	z.strictObject({ kind: z.literal('array') })
]) satisfies z.ZodType<Place>;

const stateSchema = z.strictObject({
	ac: z.enum(['on', 'off']),
	transmitter: z.enum(['fed', 'off', 'none']),
	disconnect: z.enum(['closed', 'open']),
	fuse: z.enum(['in', 'out', 'none']),
	siblings: z.enum(['joined', 'isolated']),
	shorted: z.boolean(),
	covered: z.boolean()
}) satisfies z.ZodType<SwitchingState>;

/** Fields of a reading that the person enters; the server adds nothing. */
export const readingSchema = z
	.strictObject({
		id: z.uuid(),
		place: placeSchema,
		quantity: z.enum(QUANTITIES),
		state: stateSchema.nullable(),
		value: z.number(),
		overRange: z.literal(true).optional(),
		atVolts: between(READING_LIMITS.volts).nullable(),
		typed: z.string().max(60),
		confirmed: z.boolean(),
		source: z.enum(['typed', 'instrument']).default('typed'),
		takenAt: instant,
		by: person,
		supersedes: z.uuid().nullable()
	})
	.superRefine((reading, context) => {
		const { limits, unit, words, places } = QUANTITY_FACTS[reading.quantity];
		const refuse = (path: string, message: string) =>
			context.addIssue({ code: 'custom', path: [path], message });
		if (!(reading.value >= limits.min && reading.value <= limits.max)) {
			refuse(
				'value',
				`${reading.value} ${unit} is beyond what can be read here (${limits.min} to ${limits.max} ${unit}).`
			);
		}
		if (!places.includes(reading.place.kind)) {
			refuse('place', `“${words}” is not read at a place of this kind.`);
		}
		if (reading.overRange && !canBeOverRange(reading.quantity)) {
			refuse('overRange', `“${words}” is never over range.`);
		}
		const problem = reading.state && stateProblem(reading.quantity, reading.state);
		if (problem) refuse('state', problem);
		if ((reading.quantity === 'operating-current') !== (reading.atVolts !== null)) {
			refuse(
				'atVolts',
				'An operating current needs the voltage at which it flowed; other readings have none.'
			);
		}
	}) satisfies z.ZodType<Reading>;

export const withdrawalSchema = z.strictObject({
	id: z.uuid(),
	readingId: z.uuid(),
	at: instant,
	by: person
}) satisfies z.ZodType<Withdrawal>;

export const safetyEntrySchema = z.strictObject({
	id: z.uuid(),
	step: shortText(120),
	value: z.number().min(-1e7).max(1e7).nullable(),
	at: instant,
	by: person,
	supersedes: z.uuid().nullable(),
	withdrawn: z.boolean()
}) satisfies z.ZodType<SafetyEntry>;

export const repairSchema = z
	.strictObject({
		id: z.uuid(),
		code: z.enum(FAULT_CODES),
		place: placeSchema,
		step: z.enum(REPAIR_STEPS),
		kind: (
			z.enum(REPAIR_KIND_NAMES as [RepairKind, ...RepairKind[]]) as unknown as z.ZodType<string>
		).nullable(),
		words: z.string().trim().max(REPAIR_TEXT.words),
		serial: z.string().trim().max(REPAIR_TEXT.serial),
		photograph: z.uuid().nullable(),
		lookAgain: z.iso.date().nullable(),
		// Files up to version 6 do not say it.
		readingsBefore: z.int().min(0).nullable().default(null),
		at: instant,
		by: person
	})
	.superRefine(({ step, kind, words, lookAgain }, context) => {
		const refuse = (path: string, message: string) =>
			context.addIssue({ code: 'custom', path: [path], message });
		if ((step === 'repaired') !== (kind !== null)) {
			refuse('kind', 'Say what kind of repair it was, and only where something was repaired.');
		}
		if (step !== 'repaired' && words === '') refuse('words', 'Give the reason in a few words.');
		if ((step === 'accepted') !== (lookAgain !== null)) {
			refuse('lookAgain', 'What is left as it is needs a day to look again.');
		}
	}) satisfies z.ZodType<RepairEntry>;

export const curveSchema = z.strictObject({
	id: z.uuid(),
	stringId: z.uuid(),
	points: z
		.array(z.tuple([between(READING_LIMITS.volts), between(READING_LIMITS.amps)]).readonly())
		.min(READING_LIMITS.curvePoints.least)
		.max(READING_LIMITS.curvePoints.most)
		.readonly(),
	at: z
		.strictObject({
			irradiance: between(READING_LIMITS.irradiance),
			cellTemperature: between(READING_LIMITS.cellTemperature)
		})
		.nullable(),
	origin: shortText(120),
	takenAt: instant,
	by: person,
	supersedes: z.uuid().nullable()
}) satisfies z.ZodType<MeasuredCurve>;
