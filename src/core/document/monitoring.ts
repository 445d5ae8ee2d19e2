import { z } from 'zod';
import {
	type Layout,
	MONITORED_QUANTITIES,
	MOST_COLUMNS,
	STAMP_FORMS,
	type Target
} from '../monitoring';

const column = z.int().min(0).max(MOST_COLUMNS);
const name = z.string().max(200);

export const targetSchema: z.ZodType<Target> = z.discriminatedUnion('kind', [
	z.strictObject({
		kind: z.literal('module'),
		string: z.uuid(),
		module: z.int().min(1).max(100)
	}),
	z.strictObject({ kind: z.literal('string'), string: z.uuid() }),
	z.strictObject({ kind: z.literal('inverter'), part: z.uuid() }),
	z.strictObject({ kind: z.literal('array') })
]);

const layoutSchema: z.ZodType<Layout> = z.strictObject({
	headingLine: z.int().min(0).max(1000),
	time: z.array(column).min(1).max(2),
	form: z.enum(STAMP_FORMS),
	fixedOffset: z.int().min(-50_400_000).max(50_400_000).nullable(),
	mark: z.enum(['.', ',']),
	unitColumn: column.nullable(),
	quantityColumn: column.nullable(),
	figures: z
		.array(
			z.strictObject({
				column,
				unit: name.nullable(),
				watched: z.enum(MONITORED_QUANTITIES).nullable(),
				factor: z.number().positive().max(1e9),
				scale: z
					.number()
					.min(-1e6)
					.max(1e6)
					.refine((scale) => scale !== 0)
					.optional()
			})
		)
		.min(1)
		.max(MOST_COLUMNS),
	across: z.enum(['times', 'hours']).optional()
});

/** What an import begins with. */
export const importStartSchema = z.strictObject({
	id: z.uuid(),
	file: z.string().trim().min(1).max(260),
	delimiter: z.string().length(1),
	layout: layoutSchema,
	headings: z.array(z.string().max(500)).max(MOST_COLUMNS)
});
export type ImportStart = z.infer<typeof importStartSchema>;

/** What became of an import. */
export const importReportSchema = z.strictObject({
	lines: z.int().min(0),
	/** Lines of which something could not be read. */
	refused: z.int().min(0),
	/** The first of them. */
	why: z.array(z.strictObject({ line: z.int(), why: z.string() })),
	/** Times in the hour that came twice, and in the one that never was. */
	doubled: z.int().min(0),
	missing: z.int().min(0),
	/** Times before the one above them. */
	back: z.int().min(0)
});
export type ImportReport = z.infer<typeof importReportSchema>;

/** What a site's watch goes by. */
export const monitoringSettingsSchema = z.strictObject({
	/** Degrees, north and east positive; null where nobody has said. */
	latitude: z.number().min(-90).max(90).nullable(),
	longitude: z.number().min(-180).max(180).nullable(),
	/** Of a kWh, in the currency below; null where nobody has said. */
	price: z.number().min(0).max(1000).nullable(),
	currency: z.string().trim().max(12),
	/** Days of the year to measure on, as in 06-21; null for equinoxes and solstices. */
	benchmarkDays: z
		.array(z.string().regex(/^(0[1-9]|1[0-2])-(0[1-9]|[12]\d|3[01])$/))
		.min(1)
		.max(12)
		.nullable(),
	/** Share of label power below which the array has aged too far. */
	limit: z.number().min(0.3).max(1)
});
export type MonitoringSettings = z.infer<typeof monitoringSettingsSchema>;

export const NO_SETTINGS: MonitoringSettings = {
	latitude: null,
	longitude: null,
	price: null,
	currency: '',
	benchmarkDays: null,
	limit: 0.8
};

/** One measurement on a benchmark day. */
export const benchmarkEntrySchema = z.strictObject({
	id: z.uuid(),
	/** As in 2026-06-21. */
	date: z.iso.date(),
	/** What was measured: the array, an inverter, a string. */
	target: targetSchema,
	/** W on the DC side, or AC where only that can be read. */
	watts: z.number().positive().max(1e8),
	side: z.enum(['dc', 'ac']),
	/** W/m2 in the plane. */
	irradiance: z.number().min(50).max(1600),
	/** degC */
	cellTemperature: z.number().min(-40).max(110),
	/** What the irradiance was measured with, by name; absent where nobody said. */
	instrument: z.string().trim().min(1).max(80).optional(),
	by: z.string().trim().min(1).max(80)
});
export type BenchmarkEntry = z.infer<typeof benchmarkEntrySchema>;
