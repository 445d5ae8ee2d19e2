import { z } from 'zod';
import { BLOCKING_SILICON, type BusCircuit, BYPASS_DIODE, type StringCircuit } from '../circuit';

/*
 * A circuit as data. Two forms are read: the short one, strings as lists of modules, and the full one,
 * a bus as the core describes it.
 */

const LIMITS = { strings: 2000, modules: 1000, sections: 12, cells: 400, volts: 5000 } as const;

const positive = z.number().positive();
const share = z.number().min(0).max(2);
const index = z.int().min(0).max(LIMITS.modules);

const paramsSchema = z.strictObject({
	photocurrent: z.number().min(0).max(1000),
	saturationCurrent: positive,
	seriesResistance: z.number().min(0),
	shuntResistance: positive,
	modifiedIdeality: positive
});

const diodeSchema = z.strictObject({ saturationCurrent: positive, idealityFactor: positive });

/** Volts at which the currents are asked, V. */
export const atVoltageSchema = z.array(z.number().min(-LIMITS.volts).max(LIMITS.volts)).max(10_000);

const SHORT_DIODES = ['ok', 'open', 'short', 'cellopen'] as const;
const SHORT_STATES = ['ok', 'reversed', 'bridged', 'open', 'absent'] as const;

const shortModuleSchema = z.object({
	params: paramsSchema,
	light: z.array(share).min(1).max(LIMITS.sections),
	diodes: z.array(z.enum(SHORT_DIODES)).min(1).max(LIMITS.sections),
	state: z.enum(SHORT_STATES)
});

/** The short form; fields it does not know are left alone. */
export const shortCircuitSchema = z
	.object({
		strings: z
			.array(z.array(shortModuleSchema).min(1).max(LIMITS.modules))
			.min(1)
			.max(LIMITS.strings),
		substringsPerModule: z.int().min(1).max(LIMITS.sections),
		blockingDiode: z.boolean(),
		cableOhmPerString: z.number().min(0),
		atVolts: atVoltageSchema.optional()
	})
	.superRefine(({ strings, substringsPerModule }, context) => {
		strings.forEach((modules, s) => {
			modules.forEach(({ light: irradiance, diodes }, m) => {
				for (const [field, list] of Object.entries({ light: irradiance, diodes })) {
					if (list.length === substringsPerModule) continue;
					context.addIssue({
						code: 'custom',
						path: ['strings', s, m, field],
						message: `${list.length} values; a module of this case has ${substringsPerModule} substrings.`
					});
				}
			});
		});
	});

/** The short form as a bus: strings S1, S2 and so on, without breakdown of cells in reverse. */
export function busOfShortCircuit(short: z.infer<typeof shortCircuitSchema>): BusCircuit {
	const { strings, substringsPerModule, blockingDiode, cableOhmPerString } = short;
	return {
		bypass: BYPASS_DIODE,
		breakdown: null,
		load: { kind: 'open' },
		strings: strings.map((modules, s): StringCircuit => ({
			name: `S${s + 1}`,
			sectionsPerModule: substringsPerModule,
			cableResistance: cableOhmPerString,
			blockingDiode: blockingDiode ? { ...BLOCKING_SILICON, state: 'whole' } : null,
			modules: modules.map(({ params, light: irradiance, diodes, state }) => ({
				count: 1,
				params,
				state: state === 'ok' ? 'whole' : state,
				sections: irradiance.map((own, k) => ({
					light: own,
					bypass: diodes[k] === 'open' ? 'open' : diodes[k] === 'short' ? 'shorted' : 'whole',
					cells: diodes[k] === 'cellopen' ? 'open' : 'whole'
				}))
			}))
		}))
	};
}

const substringSchema = z.strictObject({
	light: share,
	bypass: z.enum(['whole', 'open', 'shorted']),
	cells: z.enum(['whole', 'open']),
	resistance: z.number().min(0).optional(),
	leak: positive.optional(),
	patches: z
		.array(
			z.strictObject({
				cells: z.int().min(1).max(LIMITS.cells),
				light: share,
				row: z.union([z.literal(0), z.literal(1)]).optional()
			})
		)
		.optional()
});

const moduleRunSchema = z.strictObject({
	count: z.int().min(1).max(LIMITS.modules),
	params: paramsSchema,
	sections: z.array(substringSchema).min(1).max(LIMITS.sections),
	state: z.enum(['whole', 'reversed', 'bridged', 'open', 'absent']),
	cellsInSeries: z.int().min(1).max(LIMITS.cells).optional(),
	halfCut: z.boolean().optional()
});

const pole = z.enum(['works', 'stuck-open', 'welded']);
const disconnectSchema = z.strictObject({
	handle: z.enum(['on', 'off']),
	positive: pole,
	negative: pole
});
const fuseSchema = z
	.strictObject({ rating: positive.nullable(), state: z.enum(['whole', 'blown']) })
	.nullable();

const stringSchema = z.strictObject({
	name: z.string().min(1).max(60),
	modules: z.array(moduleRunSchema).min(1).max(LIMITS.modules),
	sectionsPerModule: z.int().min(1).max(LIMITS.sections),
	cableResistance: z.number().min(0),
	cable: z
		.strictObject({
			length: z.number().min(0).max(10_000),
			size: positive,
			temperature: z.number().min(-60).max(150)
		})
		.optional(),
	joints: z
		.array(z.strictObject({ at: index, resistance: z.union([positive, z.literal('open')]) }))
		.optional(),
	devices: z
		.array(
			z.strictObject({
				kind: z.enum(['rapid-shutdown', 'optimiser']),
				first: index,
				covers: z.int().min(1).max(4),
				condition: z.enum(['works', 'failed-off', 'stuck-on']),
				offVolts: z.number().min(0).max(100)
			})
		)
		.optional(),
	blockingDiode: diodeSchema
		.extend({ state: z.enum(['whole', 'open', 'shorted']) })
		.nullable()
		.optional(),
	fuses: z.strictObject({ positive: fuseSchema, negative: fuseSchema }).optional(),
	disconnect: disconnectSchema.optional(),
	leadsReversed: z.boolean().optional()
});

const limit = positive.nullable();
const loadSchema = z.discriminatedUnion('kind', [
	z.strictObject({ kind: z.literal('open') }),
	z.strictObject({ kind: z.literal('short') }),
	z.strictObject({ kind: z.literal('resistor'), ohms: positive }),
	z.strictObject({
		kind: z.literal('volts'),
		volts: z.number().min(-LIMITS.volts).max(LIMITS.volts)
	}),
	z.strictObject({
		kind: z.literal('tracker'),
		window: z.strictObject({ least: z.number().min(0), most: limit }),
		ampsAtMost: limit,
		wattsAtMost: limit,
		stuckAt: z.number().min(0).optional()
	}),
	z.strictObject({
		kind: z.literal('battery'),
		volts: positive,
		controller: z.enum(['pwm', 'mppt']),
		headroom: z.number().min(0),
		ampsAtMost: limit
	})
]);

/** The full form: a bus as the core knows it. */
export const busCircuitSchema: z.ZodType<BusCircuit> = z
	.strictObject({
		strings: z.array(stringSchema).min(1).max(LIMITS.strings),
		disconnect: disconnectSchema.optional(),
		load: loadSchema.optional(),
		transmitter: z.enum(['fed', 'dead']).optional(),
		earth: z
			.array(
				z.strictObject({
					at: z.union([
						z.enum(['bus+', 'bus-']),
						z.strictObject({ string: z.string(), joint: index })
					]),
					resistance: positive
				})
			)
			.optional(),
		bypass: diodeSchema,
		breakdown: z
			.strictObject({ share: positive, volts: z.number().negative(), exponent: positive })
			.nullable()
	})
	.superRefine(({ strings, earth = [] }, context) => {
		const names = new Set(strings.map(({ name }) => name));
		if (names.size < strings.length) {
			context.addIssue({
				code: 'custom',
				path: ['strings'],
				message: 'Two strings have one name.'
			});
		}
		earth.forEach(({ at }, i) => {
			if (typeof at === 'object' && !names.has(at.string)) {
				context.addIssue({
					code: 'custom',
					path: ['earth', i, 'at', 'string'],
					message: `There is no string ${at.string}.`
				});
			}
		});
		strings.forEach(({ modules, sectionsPerModule: substringsPerModule }, s) => {
			modules.forEach(({ sections: substrings }, m) => {
				if (substrings.length === substringsPerModule) return;
				context.addIssue({
					code: 'custom',
					path: ['strings', s, 'modules', m, 'sections'],
					message: `${substrings.length} sections; the string has ${substringsPerModule} for each module.`
				});
			});
		});
	});
