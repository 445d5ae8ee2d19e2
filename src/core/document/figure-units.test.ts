import { describe, expect, it } from 'vitest';
import { figure, figureOrUnknown, figureValue, readFigure } from './figure';

const VOLTAGE = { min: 0, max: 100, unit: 'V' } as const;

describe('a figure with its unit in a form', () => {
	it('is the figure', () => {
		expect(readFigure('41,3 V', VOLTAGE)).toEqual({ ok: true, value: 41.3 });
		expect(readFigure('30 mV', VOLTAGE)).toEqual({ ok: true, value: 0.03 });
		expect(figureValue('41,3 V')).toBe(41.3);
		expect(figureValue('-12 °C')).toBe(-12);
		expect(figureOrUnknown('6 mm²')).toBe(6);
	});

	it('in another size of the unit is asked for in the field’s own', () => {
		const field = figure(VOLTAGE);
		expect(field.safeParse('41.3 V').success).toBe(true);
		expect(field.safeParse('30 mV').success).toBe(false);
		expect(field.safeParse('12 A').success).toBe(false);
	});

	it('that is none stays none', () => {
		expect(figureValue('volts')).toBeNaN();
		expect(figureValue('1e5')).toBeNaN();
	});
});
