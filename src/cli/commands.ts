import { z } from 'zod';
import { assessAnswer } from './assess-answer';
import { cableCommand } from './cable';
import { checkCommand } from './check';
import { circuitCommand } from './circuit';
import { conditionsCommand } from './conditions';
import { nameplateSchema } from './nameplate';
import { traceCommand } from './trace';
import { watchCommand } from './watch';
import { type Problem, problemOf, readVisitData } from '$core/document';
import {
	fitLabel,
	type LabelFit,
	maximumPowerPoint,
	openCircuitVoltage,
	shortCircuitCurrent,
	translate
} from '$core/module';
import { assess } from '$core/diagnosis';
import { refuse, type Result, succeed } from '$core/units';

const operateSchema = z.object({
	plate: nameplateSchema,
	irradiance: z.number().positive().max(2000),
	cellTemperature: z.number().min(-60).max(150)
});

function parsed<Value, Answer>(
	schema: z.ZodType<Value>,
	input: unknown,
	answer: (value: Value) => Answer
): Result<Answer, Problem> {
	const result = schema.safeParse(input);
	return result.success ? succeed(answer(result.data)) : refuse(problemOf(result.error));
}

function fitAnswer({ reference, residual, notes }: LabelFit) {
	return { ...reference, residual, notes };
}

/** A command turns one case into one answer or a problem. */
export type Command = (input: unknown) => Result<unknown, Problem>;

/**
 * The commands of `zembo`: JSON in, JSON out, in V, A, W, ohm, W/m2, degC and %/K.
 */
export const COMMANDS: Readonly<Record<string, Command>> = {
	fit: (input) => parsed(nameplateSchema, input, (nameplate) => fitAnswer(fitLabel(nameplate))),
	operate: (input) =>
		parsed(operateSchema, input, ({ plate: nameplate, irradiance, cellTemperature }) => {
			const diode = translate(fitLabel(nameplate), irradiance, cellTemperature);
			const { volts: voltage, amps: current } = maximumPowerPoint(diode);
			return {
				voc: openCircuitVoltage(diode),
				isc: shortCircuitCurrent(diode),
				vmp: voltage,
				imp: current,
				pmp: voltage * current
			};
		}),
	trace: traceCommand,
	watch: watchCommand,
	circuit: circuitCommand,
	conditions: conditionsCommand,
	check: checkCommand,
	cable: cableCommand,
	assess: (input) => {
		const document = readVisitData(input);
		if (!document.ok) return document;
		const { record, visit, inspection } = document.value;
		return succeed(assessAnswer(assess(record, visit, inspection)));
	}
};

/** Runs a command on one case, or on every case of an array; the first problem ends it. */
export function run(command: Command, input: unknown): Result<unknown, Problem> {
	if (!Array.isArray(input)) return command(input);
	const answers: unknown[] = [];
	for (const [i, item] of input.entries()) {
		const answer = command(item);
		if (!answer.ok) {
			const { what, where, mend } = answer.problem;
			return refuse({ what, where: [i, where].filter((part) => part !== '').join('.'), mend });
		}
		answers.push(answer.value);
	}
	return succeed(answers);
}
