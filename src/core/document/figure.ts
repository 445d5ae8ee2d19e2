import { z } from 'zod';
import { parseDecimal, parseQuantity, refuse } from '../units';

export interface FigureLimits {
	readonly min: number;
	readonly max: number;
	/** Behind the limits in the message, for example "V". */
	readonly unit: string;
	readonly whole?: boolean;
}

/** The number behind a typed figure, with or without its unit, within limits; or how to correct it. */
export function readFigure(typed: string, { min, max, unit, whole }: FigureLimits) {
	const parsed = parseQuantity(typed, unit);
	if (!parsed.ok) return parsed;
	const behind = unit ? ` ${unit}` : '';
	if (whole && !Number.isInteger(parsed.value)) {
		return { ok: false as const, problem: `${typed.trim()} is not a whole number. Type a count.` };
	}
	if (parsed.value < min || parsed.value > max) {
		return {
			ok: false as const,
			problem: `${typed.trim()}${behind} is out of range here: ${min} to ${max}${behind}. Check the figure and its unit.`
		};
	}
	return parsed;
}

/** A figure in the field's own unit: {@link figureValue} has no limits that would say which unit that is. */
function readInOwnUnit(typed: string, limits: FigureLimits) {
	const read = readFigure(typed, limits);
	if (!read.ok || figureValue(typed) === read.value) return read;
	return refuse(`Type ${typed.trim()} in ${limits.unit}: ${read.value}.`);
}

/** A form field that keeps what was typed and says what is wrong with it. */
export function figure(limits: FigureLimits) {
	return z.string().superRefine((typed, context) => {
		const read = readInOwnUnit(typed, limits);
		if (!read.ok) context.addIssue({ code: 'custom', message: read.problem });
	});
}

/** A field that may stay empty, which means unknown. */
export function figureOrEmpty(limits: FigureLimits) {
	return z.string().superRefine((typed, context) => {
		if (typed.trim() === '') return;
		const read = readInOwnUnit(typed, limits);
		if (!read.ok) context.addIssue({ code: 'custom', message: read.problem });
	});
}

/** The number of a field that may stay empty; null where it is. */
export function figureOrUnknown(typed: string): number | null {
	return typed.trim() === '' ? null : figureValue(typed);
}

/** The number of a field that a schema has let through; a unit behind it is the field's own. */
export function figureValue(typed: string): number {
	const parsed = parseDecimal(typed.replace(/([\d.,])\s*(?!e[+-]?\d)[^\d.,\s].*$/i, '$1'));
	return parsed.ok ? parsed.value : Number.NaN;
}
