import { z } from 'zod';
import { type InspectionEntry, OUTCOMES, PATTERNS, SEVERITIES } from '../inspection';
import { instant, shortText } from './record';
import { RECORD_LIMITS } from './record-limits';

const placeSchema = z.discriminatedUnion('kind', [
	z.strictObject({
		kind: z.literal('module'),
		stringId: z.uuid(),
		module: z.int().min(1).max(RECORD_LIMITS.modules.max)
	}),
	z.strictObject({ kind: z.literal('string'), stringId: z.uuid() }),
	z.strictObject({ kind: z.literal('part'), partId: z.uuid() })
]);

export const INFRARED_LIMITS = {
	difference: { min: 0.1, max: 300, unit: 'K' },
	amps: { min: 0.05, max: 2000, unit: 'A' }
} as const;

const between = ({ min, max }: { readonly min: number; readonly max: number }) =>
	z.number().min(min).max(max);

export const inspectionEntrySchema = z
	.strictObject({
		id: z.uuid(),
		stop: shortText(100),
		outcome: z.enum(OUTCOMES),
		severity: z.enum(SEVERITIES).nullable(),
		place: placeSchema.nullable(),
		words: z.string().trim().max(2000),
		measured: z.number().min(-1e9).max(1e9).nullable(),
		infrared: z
			.strictObject({
				pattern: z.enum(PATTERNS),
				difference: between(INFRARED_LIMITS.difference),
				amps: between(INFRARED_LIMITS.amps),
				fullAmps: between(INFRARED_LIMITS.amps)
			})
			.nullable(),
		photographs: z.array(z.uuid()).max(40).readonly(),
		at: instant,
		by: shortText(80),
		supersedes: z.uuid().nullable(),
		withdrawn: z.boolean()
	})
	.superRefine((entry, context) => {
		const refuse = (path: string, message: string) =>
			context.addIssue({ code: 'custom', path: [path], message });
		if ((entry.outcome === 'finding') !== (entry.severity !== null)) {
			refuse('severity', 'A finding says how soon it wants mending; other answers do not.');
		}
		if (entry.outcome === 'finding' && entry.words === '' && entry.infrared === null) {
			refuse('words', 'Say what was found.');
		}
		if (entry.outcome === 'not-seen' && entry.words === '') {
			refuse('words', 'Say why it could not be seen.');
		}
	}) satisfies z.ZodType<InspectionEntry>;
