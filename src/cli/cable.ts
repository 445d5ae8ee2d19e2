import { z } from 'zod';
import { type Problem, problemOf } from '$core/document';
import {
	CABLE_MATERIALS,
	cableArea,
	INSTALLATIONS,
	INSULATIONS,
	NEC_COLUMNS,
	problemText,
	rateCable
} from '$core/design-checks';
import { refuse, type Result, succeed } from '$core/units';

const cableSchema = z.object({
	profile: z.enum(['NEC', 'IEC']),
	material: z.enum(CABLE_MATERIALS),
	/** mm² as a number; "10 AWG", "2/0", "250 kcmil" as text. */
	size: z.union([z.number(), z.string()]),
	insulation: z.literal(INSULATIONS),
	/** °C */
	ambient: z.number().min(-60).max(150),
	installation: z.enum(INSTALLATIONS),
	conductors: z.int().min(1).max(500).nullish(),
	terminals: z.literal(NEC_COLUMNS).nullish()
});

/**
 * `zembo cable`: what a cable is rated for as it is laid. Currents in A, resistance of one conductor in
 * Ω/km at 20 °C. Where no table covers the case, the ampacity is null and `reason` says why.
 */
export function cableCommand(input: unknown): Result<unknown, Problem> {
	const parsed = cableSchema.safeParse(input);
	if (!parsed.success) return refuse(problemOf(parsed.error));
	const { size, conductors, terminals, ...spec } = parsed.data;
	const area = cableArea(size);
	if (area === null) {
		return refuse({
			what: `“${String(size)}” is not a conductor size.`,
			where: 'size',
			mend: 'Give mm² as a number, or a size such as "10 AWG", "2/0" or "250 kcmil".'
		});
	}
	const rated = rateCable({
		...spec,
		area,
		conductors: conductors ?? undefined,
		terminals: terminals ?? undefined
	});
	if (!rated.ok) {
		return succeed({
			ampacity: null,
			ambientFactor: null,
			groupingFactor: null,
			limitedBy: null,
			maximumFuse: null,
			resistancePerKm: null,
			source: null,
			reason: `There is no ${problemText(rated.problem).replace(/^a /, '')}.`
		});
	}
	const { ampacity, ambientFactor, groupingFactor, limitedBy, maximumFuse, resistancePerKm } =
		rated.value;
	return succeed({
		ampacity,
		ambientFactor,
		groupingFactor,
		limitedBy,
		maximumFuse,
		resistancePerKm,
		source: rated.value.source
	});
}
