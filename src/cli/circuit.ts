import { z } from 'zod';
import { answersOf, detailOf, powerMaxima, solveBus, sourceOf } from '$core/circuit';
import {
	atVoltageSchema,
	busCircuitSchema,
	busOfShortCircuit,
	type Problem,
	problemOf,
	shortCircuitSchema
} from '$core/document';
import { FAULT_CODES } from '$core/visit';
import { inject } from '$core/faults';
import { refuse, type Result, succeed } from '$core/units';

const index = z.int().min(0);
const faultSchema = z.strictObject({
	code: z.enum(FAULT_CODES),
	place: z.strictObject({
		string: z.string().optional(),
		module: index.optional(),
		section: index.optional(),
		joint: index.optional(),
		pole: z.enum(['positive', 'negative']).optional(),
		other: z.string().optional()
	}),
	size: z.number().optional()
});

/** A bus, with faults to put into it and volts to ask at. */
const fullSchema = z.strictObject({
	bus: busCircuitSchema,
	faults: z.array(faultSchema).max(100).optional(),
	atVolts: atVoltageSchema.optional()
});

/**
 * `zembo circuit`: a case in the short form gets the usual answers; `{bus, faults?, atVolts?}` gets them
 * with every local maximum, the state on its own load, and every part.
 */
export function circuitCommand(input: unknown): Result<unknown, Problem> {
	return typeof input === 'object' && input !== null && 'bus' in input
		? fullCase(input)
		: shortCase(input);
}

function shortCase(input: unknown): Result<unknown, Problem> {
	const parsed = shortCircuitSchema.safeParse(input);
	if (!parsed.success) return refuse(circuitProblem(parsed.error));
	return succeed(answersOf(busOfShortCircuit(parsed.data), parsed.data.atVolts ?? []));
}

function fullCase(input: object): Result<unknown, Problem> {
	const parsed = fullSchema.safeParse(input);
	if (!parsed.success) return refuse(circuitProblem(parsed.error));
	let { bus } = parsed.data;
	const unchanged: string[] = [];
	for (const [i, fault] of (parsed.data.faults ?? []).entries()) {
		const injected = inject(bus, fault);
		if (!injected.ok) {
			return refuse({
				what: injected.problem,
				where: `faults.${i}`,
				mend: 'Name a place that this bus has, and a size in the range of the fault.'
			});
		}
		bus = injected.value.bus;
		if (injected.value.unchanged) unchanged.push(`${fault.code}: ${injected.value.unchanged}`);
	}
	const state = solveBus(bus);
	const { parts, points } = detailOf(state);
	const { volts: voltage, amps: current, power, limit, branches, earth } = state;
	return succeed({
		...answersOf(bus, parsed.data.atVolts ?? []),
		maxima: powerMaxima(sourceOf(bus)),
		operation: { volts: voltage, amps: current, watts: power, limit, branches, earth },
		parts,
		points: Object.fromEntries(points),
		unchanged
	});
}

function circuitProblem(error: z.ZodError): Problem {
	return {
		...problemOf(error),
		mend: 'Mend the value at this place; docs/formats.md describes both forms of a circuit.'
	};
}
