import { z } from 'zod';
import {
	type BatchModule,
	type BatchNameplate,
	LOOKS,
	type ModuleBatch,
	type Take
} from '../bench';
import { TECHNOLOGIES } from '../module';
import { instant, shortText } from './record';

/** Bounds of what a batch may hold. */
export const BATCH_LIMITS = {
	modules: 500,
	takes: 60,
	volts: { min: -400, max: 400, unit: 'V' },
	amps: { min: -1, max: 60, unit: 'A' },
	watts: { min: 0, max: 2000, unit: 'W' },
	loadVolts: { min: 0.1, max: 400, unit: 'V' },
	loadAmps: { min: 0.01, max: 60, unit: 'A' },
	pmax: { min: 1, max: 2000, unit: 'W' },
	vmp: { min: 0.5, max: 400, unit: 'V' },
	imp: { min: 0.02, max: 60, unit: 'A' },
	voc: { min: 0.5, max: 400, unit: 'V' },
	isc: { min: 0.02, max: 60, unit: 'A' },
	cells: { min: 1, max: 300, unit: '', whole: true },
	seriesFuse: { min: 0.5, max: 100, unit: 'A' },
	millimetres: { min: 50, max: 4000, unit: 'mm' },
	year: { min: 1970, max: 2100, unit: '', whole: true },
	shadowHeight: { min: 10, max: 3000, unit: 'mm' },
	shadowLength: { min: 0, max: 20000, unit: 'mm' },
	irradiance: { min: 1, max: 1600, unit: 'W/m²' },
	cellTemperature: { min: -40, max: 120, unit: '°C' },
	irradianceUncertaintyPct: { min: 0.5, max: 50, unit: '%' },
	sharePct: { min: 5, max: 120, unit: '%' },
	limitPct: { min: 1, max: 120, unit: '%' }
} as const;

const within = ({ min, max }: { readonly min: number; readonly max: number }) =>
	z.number().min(min).max(max);

const labelSchema = z.strictObject({
	technology: z.enum(TECHNOLOGIES).nullable(),
	cellsInSeries: z.int().min(BATCH_LIMITS.cells.min).max(BATCH_LIMITS.cells.max).nullable(),
	pmax: within(BATCH_LIMITS.pmax).nullable(),
	vmp: within(BATCH_LIMITS.vmp).nullable(),
	imp: within(BATCH_LIMITS.imp).nullable(),
	voc: within(BATCH_LIMITS.voc).nullable(),
	isc: within(BATCH_LIMITS.isc).nullable(),
	seriesFuse: within(BATCH_LIMITS.seriesFuse).nullable()
}) satisfies z.ZodType<BatchNameplate>;

const measurementSchema = z
	.strictObject({
		id: z.uuid(),
		at: instant,
		volts: within(BATCH_LIMITS.volts).nullable(),
		amps: within(BATCH_LIMITS.amps).nullable(),
		watts: within(BATCH_LIMITS.watts).nullable(),
		load: z
			.strictObject({ volts: within(BATCH_LIMITS.loadVolts), amps: within(BATCH_LIMITS.loadAmps) })
			.optional(),
		cellTemperature: within(BATCH_LIMITS.cellTemperature).optional(),
		otherAngle: z.literal(true).optional(),
		shadow: z
			.strictObject({
				height: within(BATCH_LIMITS.shadowHeight),
				length: within(BATCH_LIMITS.shadowLength)
			})
			.optional()
	})
	.refine(
		({ volts: voltage, amps: current, watts: power }) =>
			voltage !== null || current !== null || power !== null,
		{
			message: 'A measurement needs a voltage, a current or a power.'
		}
	) satisfies z.ZodType<Take>;

const moduleSchema = z.strictObject({
	id: z.uuid(),
	mark: shortText(20),
	model: z.string().trim().max(80),
	label: labelSchema,
	size: z
		.strictObject({
			length: within(BATCH_LIMITS.millimetres),
			width: within(BATCH_LIMITS.millimetres)
		})
		.nullable(),
	year: z.int().min(BATCH_LIMITS.year.min).max(BATCH_LIMITS.year.max).nullable(),
	connector: z.string().trim().max(40).default(''),
	looks: z.array(z.enum(LOOKS)).max(LOOKS.length).readonly(),
	note: z.string().trim().max(400),
	takes: z.array(measurementSchema).max(BATCH_LIMITS.takes).readonly()
}) satisfies z.ZodType<BatchModule>;

const share = z.number().min(0.01).max(1.2);

/** A batch as it is stored and sent. */
export const batchSchema = z
	.strictObject({
		name: shortText(80),
		control: z
			.strictObject({
				model: z.string().trim().max(80),
				label: labelSchema,
				share: z.number().min(0.05).max(1.2),
				takes: z.array(measurementSchema).max(1000).readonly(),
				samePlane: z.literal(true).optional()
			})
			.nullable(),
		sky: z.strictObject({
			irradiance: within(BATCH_LIMITS.irradiance).nullable(),
			cellTemperature: within(BATCH_LIMITS.cellTemperature).nullable(),
			lightDoubt: z.number().min(0.001).max(0.5)
		}),
		profile: z.strictObject({
			by: z.enum(['band', 'limits']),
			limits: z
				.strictObject({ good: share, fair: share, weak: share })
				.refine(({ good, fair, weak }) => good > fair && fair > weak, {
					message: 'The limits must fall from good over fair to out.'
				})
		}),
		modules: z.array(moduleSchema).max(BATCH_LIMITS.modules).readonly()
	})
	.superRefine(({ modules }, context) => {
		const seen = new Set<string>();
		modules.forEach(({ mark, id }, i) => {
			const key = mark.toLowerCase();
			if (seen.has(key)) {
				context.addIssue({
					code: 'custom',
					path: ['modules', i, 'mark'],
					message: `Mark ${mark} is given twice. Give this one another.`
				});
			}
			if (seen.has(id)) {
				context.addIssue({
					code: 'custom',
					path: ['modules', i, 'id'],
					message: 'Id given twice.'
				});
			}
			seen.add(key).add(id);
		});
	}) satisfies z.ZodType<ModuleBatch>;
