import { describe, expect, it } from 'vitest';
import { readingAt } from '../../../tests/support/readings';
import { SALTMARSH } from '../../../tests/support/sites';
import { assess } from '../diagnosis';
import { pastedFigures, readMeterFigure } from './meter-figure';
import { type Place, QUANTITIES, type Quantity, QUANTITY_FACTS, stringPlace } from '../visit';

const read = (typed: string, quantity: Quantity, ratedVoltage: number | null = null) => {
	const figure = readMeterFigure(typed, quantity, ratedVoltage);
	return figure.ok ? figure.value : null;
};

describe('what a meter displays', () => {
	it.each([
		'OL',
		'ol',
		'0L',
		'O.L',
		'over range',
		'Overload',
		'∞',
		'open',
		'open line',
		'> 40 Mohm'
	])('“%s” is over range for a fuse', (typed) => {
		expect(read(typed, 'fuse-resistance')).toMatchObject({ overRange: true });
	});

	it('keeps the limit of the range where it is typed', () => {
		expect(read('>50', 'insulation-resistance')).toEqual({ value: 50, overRange: true });
		expect(read('> 1 GΩ', 'insulation-resistance')).toEqual({ value: 1000, overRange: true });
		expect(read('>2 V', 'diode-reverse')).toEqual({ value: 2, overRange: true });
	});

	it('of a voltage needs the rating of the meter, or the limit', () => {
		expect(read('OL', 'open-circuit-voltage')).toBeNull();
		expect(read('OL', 'open-circuit-voltage', 600)).toEqual({ value: 600, overRange: true });
		expect(read('>600', 'open-circuit-voltage')).toEqual({ value: 600, overRange: true });
	});

	it('is a figure with its unit', () => {
		expect(read('453,2 V', 'open-circuit-voltage')).toEqual({ value: 453.2, overRange: false });
		expect(read('4.7 MΩ', 'insulation-resistance')).toEqual({ value: 4.7, overRange: false });
		expect(read('30 mV', 'fuse-voltage')).toEqual({ value: 0.03, overRange: false });
	});

	it('is refused where no meter displays it, or beyond what can be', () => {
		expect(read('OL', 'operating-current')).toBeNull();
		expect(read('OL', 'module-count')).toBeNull();
		expect(read('99999 V', 'open-circuit-voltage')).toBeNull();
		expect(read('> lots', 'fuse-resistance')).toBeNull();
	});

	it('is over range in every unit of resistance and in diode tests', () => {
		for (const quantity of QUANTITIES) {
			const { unit } = QUANTITY_FACTS[quantity];
			if (unit === 'ohm' || unit === 'Mohm' || quantity.includes('diode')) {
				expect(read('OL', quantity)).toMatchObject({ overRange: true });
			}
		}
	});
});

describe('a reading over range', () => {
	const { record, visit } = SALTMARSH;
	const [a1] = record.strings;
	const limits = (quantity: Quantity, place: Place, typed: string) => {
		const figure = read(typed, quantity, 600)!;
		const reading = readingAt(place, quantity, figure.value);
		const over = { ...reading, ...(figure.overRange && { overRange: true as const }) };
		const assessment = assess(record, { ...visit, readings: [over] });
		return assessment.limits.find((limit) => limit.reading.id === over.id)!.verdict;
	};
	const fuse = { kind: 'fuse', string: a1!.id, pole: 'positive' } as const;

	it('is an open fuse, whatever the range', () => {
		expect(limits('fuse-resistance', fuse, 'OL')).toBe('fail');
		expect(limits('fuse-resistance', fuse, '>40')).toBe('fail');
		expect(limits('fuse-resistance', fuse, '0.2 Ω')).toBe('pass');
	});

	it('is good insulation only where the range reaches the limit', () => {
		expect(limits('insulation-resistance', stringPlace(a1!.id), '>50')).toBe('pass');
		expect(limits('insulation-resistance', stringPlace(a1!.id), '>0.2')).toBe('not-assessed');
		expect(limits('insulation-resistance', stringPlace(a1!.id), '0.2')).toBe('fail');
	});

	it('is a diode that blocks, or one that is open', () => {
		const module = { kind: 'module', string: a1!.id, module: 3, section: 1 } as const;
		expect(limits('diode-reverse', module, '>2')).toBe('pass');
		expect(limits('diode-forward', module, 'OL')).toBe('fail');
	});

	it('is no voltage to compare: the meter is not rated for the place', () => {
		expect(limits('open-circuit-voltage', stringPlace(a1!.id), 'OL')).toBe('not-assessed');
	});

	it('names a blown fuse in the diagnosis', () => {
		const open = [
			readingAt(stringPlace(a1!.id), 'operating-current', 0, { atVolts: 400 }),
			readingAt(fuse, 'fuse-resistance', 40, { overRange: true })
		];
		const { causes } = assess(record, { ...visit, readings: [...visit.readings, ...open] });
		const blown = causes.find(
			({ stringId, members }) =>
				stringId === a1!.id && members.some(({ code }) => code === 'fuse-blown')
		);
		expect(blown!.probability).toBeGreaterThan(0.5);
	});
});

describe('a pasted column', () => {
	it('is one figure after the other', () => {
		expect(pastedFigures('453,2\n450.1 V\r\n\nOL\t449')).toEqual(['453,2', '450.1 V', 'OL', '449']);
		expect(pastedFigures('453.2')).toEqual(['453.2']);
	});
});
