import { z } from 'zod';
import { LOOKS, type Pile, type PileLabel, type PileModule, type Take } from '../bench/pile';
import { TECHNOLOGIES } from '../module/technology';
import { instant, shortText } from './record';

/** Bounds of what a pile may hold. */
export const PILE_LIMITS = {
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
	lightDoubtPct: { min: 0.5, max: 50, unit: '%' },
	sharePct: { min: 5, max: 120, unit: '%' },
	limitPct: { min: 1, max: 120, unit: '%' }
} as const;

const within = ({ min, max }: { readonly min: number; readonly max: number }) =>
	z.number().min(min).max(max);

const labelSchema = z.strictObject({
	technology: z.enum(TECHNOLOGIES).nullable(),
	cellsInSeries: z.int().min(PILE_LIMITS.cells.min).max(PILE_LIMITS.cells.max).nullable(),
	pmax: within(PILE_LIMITS.pmax).nullable(),
	vmp: within(PILE_LIMITS.vmp).nullable(),
	imp: within(PILE_LIMITS.imp).nullable(),
	voc: within(PILE_LIMITS.voc).nullable(),
	isc: within(PILE_LIMITS.isc).nullable(),
	seriesFuse: within(PILE_LIMITS.seriesFuse).nullable()
}) satisfies z.ZodType<PileLabel>;

const takeSchema = z
	.strictObject({
		id: z.uuid(),
		at: instant,
		volts: within(PILE_LIMITS.volts).nullable(),
		amps: within(PILE_LIMITS.amps).nullable(),
		watts: within(PILE_LIMITS.watts).nullable(),
		load: z
			.strictObject({ volts: within(PILE_LIMITS.loadVolts), amps: within(PILE_LIMITS.loadAmps) })
			.optional(),
		cellTemperature: within(PILE_LIMITS.cellTemperature).optional(),
		otherAngle: z.literal(true).optional(),
		shadow: z
			.strictObject({
				height: within(PILE_LIMITS.shadowHeight),
				length: within(PILE_LIMITS.shadowLength)
			})
			.optional()
	})
	.refine(({ volts, amps, watts }) => volts !== null || amps !== null || watts !== null, {
		message: 'A take needs volts, amps or watts.'
	}) satisfies z.ZodType<Take>;

const moduleSchema = z.strictObject({
	id: z.uuid(),
	mark: shortText(20),
	model: z.string().trim().max(80),
	label: labelSchema,
	size: z
		.strictObject({
			length: within(PILE_LIMITS.millimetres),
			width: within(PILE_LIMITS.millimetres)
		})
		.nullable(),
	year: z.int().min(PILE_LIMITS.year.min).max(PILE_LIMITS.year.max).nullable(),
	connector: z.string().trim().max(40).default(''),
	looks: z.array(z.enum(LOOKS)).max(LOOKS.length).readonly(),
	note: z.string().trim().max(400),
	takes: z.array(takeSchema).max(PILE_LIMITS.takes).readonly()
}) satisfies z.ZodType<PileModule>;

const share = z.number().min(0.01).max(1.2);

/** A pile as it is stored and sent. */
export const pileSchema = z
	.strictObject({
		name: shortText(80),
		control: z
			.strictObject({
				model: z.string().trim().max(80),
				label: labelSchema,
				share: z.number().min(0.05).max(1.2),
				takes: z.array(takeSchema).max(1000).readonly(),
				samePlane: z.literal(true).optional()
			})
			.nullable(),
		sky: z.strictObject({
			irradiance: within(PILE_LIMITS.irradiance).nullable(),
			cellTemperature: within(PILE_LIMITS.cellTemperature).nullable(),
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
		modules: z.array(moduleSchema).max(PILE_LIMITS.modules).readonly()
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
	}) satisfies z.ZodType<Pile>;
