import { z } from 'zod';
import { PART_KIND_NAMES, type PartKind, type RecordChange, SYSTEMS } from '../record';
import {
	fieldSchema,
	moduleTypeSchema,
	partSchema,
	locationSchema,
	ratesSchema,
	rulesSchema,
	stringSchema
} from './record';
import { RECORD_LIMITS } from './record-limits';

const before = z.uuid().nullable().optional();
const put = <L extends string, S extends z.ZodType>(list: L, value: S) =>
	z.strictObject({ op: z.literal('put'), list: z.literal(list), value, before });
const set = <F extends string, S extends z.ZodType>(fact: F, value: S) =>
	z.strictObject({ op: z.literal('set'), fact: z.literal(fact), value });

const stepSchema = z.union([
	put('moduleTypes', moduleTypeSchema),
	put('strings', stringSchema),
	put('parts', partSchema),
	put('fields', fieldSchema),
	z.strictObject({
		op: z.literal('remove'),
		list: z.enum(['moduleTypes', 'strings', 'parts', 'fields']),
		id: z.uuid()
	}),
	set('system', z.enum(SYSTEMS).nullable()),
	set('rules', rulesSchema),
	set('absent', z.array(z.enum(PART_KIND_NAMES as [PartKind, ...PartKind[]]))),
	set('inServiceSince', z.int().min(RECORD_LIMITS.year.min).max(RECORD_LIMITS.year.max).nullable()),
	set('location', locationSchema.nullable()),
	set('rates', ratesSchema)
]);

/** Steps of a change, each through the schema of what it touches. */
export const recordChangeSchema = z
	.array(stepSchema)
	.max(5000) as unknown as z.ZodType<RecordChange>;

/** A change of a record as the screen sends it. */
export const changeRequestSchema = z.strictObject({
	/** Id of the revision that this one makes; sent twice, it is stored once. */
	id: z.uuid(),
	/** Id of the revision that was on the screen. */
	base: z.uuid(),
	change: z.array(stepSchema).min(1).max(5000) as unknown as z.ZodType<RecordChange>
});
