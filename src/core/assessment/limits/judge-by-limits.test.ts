import { judgeByModel } from '../judge-by-model';
import {
	effectiveVisit,
	findCurrentReadings,
	type Place,
	QUANTITIES,
	type Quantity,
	QUANTITY_FACTS,
	type Reading,
	type SwitchingState,
	usualState,
	type Visit
} from '../../visit';
import { describe, expect, it } from 'vitest';
import { readingAt } from '../../../../tests/support/readings';
import { earthVoltage, METER_RESISTANCE } from '../../circuit';
import { MODULE_NOW, visitOf } from '../../../../tests/support/scenario';
import { CAIRN_RIGG, HOLLIN_CREEK, KILN_LANE, SALTMARSH } from '../../../../tests/support/sites';
import { agedModel, alike, stringAtConditions, USUAL_PARTS } from '../../expectation';
import { type ArrayRecord, partsOf } from '../../record';
import { judgeByLimits } from './judge-by-limits';
import { supplyLadders } from './part-limits';

const { record } = SALTMARSH;
const [a1] = record.strings;
const inverter = partsOf(record.parts, 'inverter')[0]!;
const disconnect = partsOf(record.parts, 'dc-disconnect')[0]!;

const reading = (
	place: Place,
	quantity: Quantity,
	value: number,
	state: Partial<SwitchingState> = {}
): Reading =>
	readingAt(place, quantity, value, {
		state: { ...usualState(quantity), ...state },
		atVolts: quantity === 'operating-current' ? 370 : null
	});
const onA1 = (quantity: Quantity, value: number) =>
	reading({ kind: 'string', string: a1!.id }, quantity, value);
const onFuse = (quantity: Quantity, value: number) =>
	reading({ kind: 'fuse', string: a1!.id, pole: 'positive' }, quantity, value);

/** Verdict of the last of some readings, in a visit with conditions and nothing else. */
function judge(readings: readonly Reading[], array: ArrayRecord = record, base?: Visit) {
	const visit: Visit = {
		...(base ?? visitOf({ record: array, quantities: [] })),
		readings: [...(base?.readings ?? []), ...readings]
	};
	const limits = judgeByLimits(
		array,
		effectiveVisit(array, visit),
		judgeByModel(array, effectiveVisit(array, visit))
	);
	return limits.find(({ reading: { id } }) => id === readings.at(-1)!.id)!;
}

describe('insulation, after IEC 62446-1', () => {
	it.each([
		[0.4, 'fail'],
		[1, 'pass'],
		[11, 'pass']
	])('of %d Mohm on a string %s', (value, verdict) => {
		expect(judge([onA1('insulation-resistance', value)])).toMatchObject({
			verdict,
			limit: 'at least 1 Mohm, tested with 1000 V'
		});
	});

	it('of a whole array over 10 kW asks for groups', () => {
		const whole = judge([reading({ kind: 'array' }, 'insulation-resistance', 12)]);
		expect(whole.verdict).toBe('marginal');
		expect(whole.words).toContain('groups of at most 10 kW');
	});

	it('of low volts is tested with less', () => {
		const [p1] = CAIRN_RIGG.record.strings;
		const low = judge(
			[reading({ kind: 'string', string: p1!.id }, 'insulation-resistance', 0.6)],
			CAIRN_RIGG.record
		);
		expect(low).toMatchObject({ verdict: 'pass', limit: 'at least 0.5 Mohm, tested with 250 V' });
	});
});

describe('volts to earth', () => {
	const circuit = stringAtConditions(a1!, agedModel(record.moduleTypes[0]!, 0), alike(MODULE_NOW));
	const bus = (connector: number | null) => ({
		...USUAL_PARTS,
		strings: [circuit],
		...(connector !== null && {
			earth: [{ at: { string: circuit.name, joint: connector }, resistance: 50 }]
		})
	});
	const both = (positive: number, negative: number, open: number) => [
		onA1('open-circuit-voltage', open),
		onA1('positive-to-earth', positive),
		onA1('negative-to-earth', negative)
	];

	it('say nothing alone, and that nothing is held where both drift to 0', () => {
		expect(judge([onA1('positive-to-earth', 3)])).toMatchObject({ verdict: 'not-assessed' });
		expect(judge(both(4, -6, 456))).toMatchObject({ verdict: 'pass' });
	});

	it.each([1, 4, 7, 11])('find a fault at joint %d from the circuit’s own volts', (connector) => {
		const { positive, negative, open } = earthVoltage(bus(connector), METER_RESISTANCE);
		const found = judge(both(positive, negative, open));
		expect(found.verdict).toBe('fail');
		expect(found.words).toContain(`above module ${connector} `);
	});

	it('are judged by the leak they show together, whatever its resistance', () => {
		// 240 of 456 V through 10 Mohm: 9 Mohm, as healthy insulation has; 420 of 456 V: 0.86 Mohm.
		expect(judge(both(150, -90, 456)).verdict).toBe('pass');
		expect(judge(both(280, -140, 456))).toMatchObject({
			verdict: 'fail',
			words: expect.stringContaining('module 4 ')
		});
		// Between, the readings leave it open.
		expect(judge(both(276, -138.6, 456)).verdict).toBe('marginal');
	});

	it('that no leak can give are to be taken again', () => {
		expect(judge(both(-150, -90, 456)).verdict).toBe('fail');
		expect(judge(both(400, -300, 456)).verdict).toBe('fail');
	});
});

describe('fuses', () => {
	it.each([
		[0.02, 'pass'],
		[30, 'marginal'],
		[1e6, 'fail']
	])('of %d ohm %s', (value, verdict) => {
		expect(judge([onFuse('fuse-resistance', value)]).verdict).toBe(verdict);
	});

	it('near 0 V prove nothing unloaded, and are whole under load', () => {
		expect(judge([onFuse('fuse-voltage', 0.1)])).toMatchObject({ verdict: 'not-assessed' });
		const loaded = [onA1('operating-current', 7.8)];
		expect(judge([...loaded, onFuse('fuse-voltage', 0.1)]).verdict).toBe('pass');
		expect(judge([...loaded, onFuse('fuse-voltage', 2)]).verdict).toBe('marginal');
		expect(judge([onFuse('fuse-voltage', 88)]).verdict).toBe('fail');
	});
});

describe('a disconnect', () => {
	const at = (point: 'line' | 'load' | 'positive', quantity: Quantity, value: number, state = {}) =>
		reading({ kind: 'part', part: disconnect.id, point }, quantity, value, state);

	it('is judged on both sides, for the way it is switched', () => {
		expect(judge([at('line', 'dc-voltage', 455)])).toMatchObject({ verdict: 'pass' });
		expect(judge([at('line', 'dc-voltage', -455)])).toMatchObject({ verdict: 'fail' });
		expect(judge([at('line', 'dc-voltage', 7)])).toMatchObject({ verdict: 'fail' });
		expect(judge([at('load', 'dc-voltage', 1.2)])).toMatchObject({ verdict: 'pass' });
		const welded = judge([at('load', 'dc-voltage', 455)]);
		expect(welded).toMatchObject({ verdict: 'fail' });
		expect(welded.words).toContain('welded');
		const closed = { disconnect: 'closed', ac: 'off' };
		expect(judge([at('load', 'dc-voltage', 455, closed)])).toMatchObject({
			verdict: 'not-assessed'
		});
		const line = at('line', 'dc-voltage', 455, closed);
		expect(judge([line, at('load', 'dc-voltage', 454, closed)]).verdict).toBe('pass');
		expect(judge([line, at('load', 'dc-voltage', 230, closed)]).verdict).toBe('fail');
		expect(judge([at('positive', 'pole-resistance', 0.1)]).verdict).toBe('pass');
		expect(judge([at('positive', 'pole-resistance', 1e6)]).verdict).toBe('fail');
	});
});

describe('currents and running volts', () => {
	it('of a switched-off string count as none up to 0.2 A either way', () => {
		expect(judge([onA1('residual-current', -0.15)]).verdict).toBe('pass');
		const circulating = judge([onA1('residual-current', 0.6)]);
		expect(circulating.verdict).toBe('fail');
		expect(circulating.words).toContain('circulates');
	});

	it('of an input lie at the maximum of its strings, or say what they are off by', () => {
		const base = visitOf({ record });
		const here = judge([onA1('operating-voltage', 300)], record, base);
		const best = Number(/^(\d+) V/.exec(here.limit)![1]);
		expect(here.verdict).toBe('fail');
		expect(judge([onA1('operating-voltage', best)], record, base).verdict).toBe('pass');
		const high = judge([onA1('operating-voltage', 1.15 * best)], record, base);
		expect(high.words).toContain('clipping');
	});

	it('behind optimisers have nothing to compare with', () => {
		const optimised: ArrayRecord = {
			...record,
			strings: record.strings.map((string) => ({
				...string,
				devices: { kind: 'optimiser', modulesPerDevice: 1, part: null }
			}))
		};
		const held = judge([onA1('operating-voltage', 380)], optimised, visitOf({ record: optimised }));
		expect(held).toMatchObject({ verdict: 'not-assessed' });
	});
});

describe('below the string', () => {
	const base = visitOf({ record });
	const module = (quantity: Quantity, value: number, substring: number | null = null) =>
		judge(
			[reading({ kind: 'module', string: a1!.id, module: 4, section: substring }, quantity, value)],
			record,
			base
		);

	it('a module is compared with what one gives here and now', () => {
		const [, one] = /^([\d.]+) V/.exec(module('open-circuit-voltage', 1).limit)!;
		const whole = Number(one);
		expect(module('open-circuit-voltage', whole).verdict).toBe('pass');
		expect(module('open-circuit-voltage', (whole * 2) / 3).words).toContain('1 of 3 substrings');
		expect(module('open-circuit-voltage', 0).verdict).toBe('fail');
		expect(module('section-voltage', whole / 3, 2).verdict).toBe('pass');
		expect(module('section-voltage', 0.1, 2).words).toContain('diode is shorted');
		expect(module('section-voltage', -whole / 3, 2).words).toContain('Reversed');
	});

	it('a diode conducts one way and blocks the other', () => {
		expect(module('diode-forward', 0.42, 1).verdict).toBe('pass');
		expect(module('diode-forward', 0.02, 1).words).toContain('Shorted');
		expect(module('diode-forward', 9.99, 1).words).toContain('Open');
		expect(module('diode-reverse', 9.99, 1).verdict).toBe('pass');
		expect(module('diode-reverse', 0.03, 1).verdict).toBe('fail');
	});
});

describe('the supply of rapid shutdown', () => {
	const array = HOLLIN_CREEK.record;
	const transmitter = partsOf(array.parts, 'transmitter')[0]!;
	const rung = (
		point: 'supply-breaker' | 'supply-disconnect' | 'low-voltage' | 'lamp' | 'signal',
		quantity: Quantity,
		value: number
	) => reading({ kind: 'part', part: transmitter.id, point }, quantity, value);

	it('is a ladder whose first dark rung is where to look', () => {
		const readings = [
			rung('supply-breaker', 'ac-voltage', 238),
			rung('supply-disconnect', 'ac-voltage', 238),
			rung('low-voltage', 'dc-voltage', 0.2),
			rung('lamp', 'lamp', 0)
		];
		const visit = { ...visitOf({ record: array, quantities: [] }), readings };
		const [ladder] = supplyLadders(array, findCurrentReadings(visit));
		expect(ladder!.links.map(({ lit }) => lit)).toEqual([true, true, false, false, null]);
		expect(judge([rung('low-voltage', 'dc-voltage', 0.2)], array).words).toContain(
			'supply is down'
		);
		expect(judge([rung('supply-breaker', 'ac-voltage', 3)], array).verdict).toBe('fail');
		expect(judge([rung('supply-breaker', 'ac-voltage', 40)], array).verdict).toBe('marginal');
	});
});

it('every quantity is judged in words without a hole, wherever it can be read', () => {
	const places: Record<Place['kind'], Place> = {
		string: { kind: 'string', string: a1!.id },
		fuse: { kind: 'fuse', string: a1!.id, pole: 'negative' },
		module: { kind: 'module', string: a1!.id, module: 1, section: 1 },
		stretch: { kind: 'stretch', string: a1!.id, from: 0, to: 3 },
		joint: { kind: 'joint', string: a1!.id, joint: 2 },
		part: { kind: 'part', part: inverter.id, point: 'load' },
		array: { kind: 'array' }
	};
	for (const quantity of QUANTITIES)
		for (const kind of QUANTITY_FACTS[quantity].places)
			for (const value of [0, 1, 300]) {
				const verdict = judge([reading(places[kind], quantity, value)]);
				if (!verdict) continue;
				expect(`${verdict.words} ${verdict.limit} ${verdict.source}`).not.toMatch(
					/NaN|undefined|null|Infinity/
				);
				expect(verdict.words).not.toMatch(/\bsafe\b/i);
			}
	expect(judge([reading({ kind: 'array' }, 'dc-voltage', 0.3)]).verdict).toBe('pass');
	expect(judge([reading({ kind: 'array' }, 'dc-voltage', 60)]).words).toContain('metal is live');
	expect(KILN_LANE.record.strings.length).toBeGreaterThan(0);
});

it('judges a micro-inverter beside the middle of the others', () => {
	const [branch] = KILN_LANE.record.strings;
	const unit = (module: number, value: number) =>
		reading({ kind: 'module', string: branch!.id, module, section: null }, 'unit-power', value);
	const verdicts = (power: readonly number[]) => {
		const readings = power.map((value, i) => unit(i + 1, value));
		const visit = { ...KILN_LANE.visit, readings };
		return judgeByLimits(
			KILN_LANE.record,
			effectiveVisit(KILN_LANE.record, visit),
			judgeByModel(KILN_LANE.record, effectiveVisit(KILN_LANE.record, visit))
		).map(({ verdict }) => verdict);
	};
	expect(verdicts([240, 120])).toEqual(['not-assessed', 'not-assessed']);
	// At night.
	expect(verdicts([0, 0, 0, 0])).toEqual(Array(4).fill('not-assessed'));
	expect(verdicts([240, 243, 120, 238, 210])).toEqual(['pass', 'pass', 'fail', 'pass', 'marginal']);
});
