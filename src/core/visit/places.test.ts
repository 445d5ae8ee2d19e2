import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { testId, visitOf } from '../../../tests/support/scenario';
import { HOLLIN_CREEK, SALTMARSH } from '../../../tests/support/sites';
import { placeProblem } from './place-in-record';
import {
	PART_POINTS,
	placeKey,
	POLES,
	stringKey,
	stringOfPlace,
	stringPlace,
	type Place
} from './place';
import { placeWords } from './place-label';
import { isStringQuantity, QUANTITIES, QUANTITY_FACTS, STRING_QUANTITIES } from './quantity';
import { keyOf, findCurrentReadings, measurementsOf } from './current-readings';
import { isRunning, standsAlone, stateProblem, stateMessages, usualState } from './switching-state';

const { record } = SALTMARSH;
const [a1] = record.strings;
const part = record.parts[0]!;

const id = fc.constantFrom(testId(1), testId(2), testId(3));
const anyPlace: fc.Arbitrary<Place> = fc.oneof(
	fc.record({ kind: fc.constant('string' as const), string: id }),
	fc.record({ kind: fc.constant('fuse' as const), string: id, pole: fc.constantFrom(...POLES) }),
	fc.record({
		kind: fc.constant('module' as const),
		string: id,
		module: fc.integer({ min: 1, max: 40 }),
		section: fc.option(fc.integer({ min: 1, max: 6 }))
	}),
	fc.record({
		kind: fc.constant('part' as const),
		part: id,
		point: fc.constantFrom(...PART_POINTS)
	}),
	fc.constant({ kind: 'array' as const })
);
const anyQuantity = fc.constantFrom(...QUANTITIES);

describe('the key of a place', () => {
	it('is the same for the same place and quantity, and another for any other', () => {
		fc.assert(
			fc.property(anyPlace, anyQuantity, anyPlace, anyQuantity, (a, q, b, r) => {
				const same = JSON.stringify([a, q]) === JSON.stringify([b, r]);
				expect(placeKey(a, q) === placeKey(b, r)).toBe(same);
			}),
			{ numRuns: 500 }
		);
	});

	it('of a string is that string’s and its quantity’s', () => {
		expect(placeKey(stringPlace('x'), 'open-circuit-voltage')).toBe(
			stringKey('x', 'open-circuit-voltage')
		);
		expect(stringOfPlace({ kind: 'fuse', string: 'x', pole: 'negative' })).toBe('x');
		expect(stringOfPlace({ kind: 'array' })).toBeNull();
	});
});

describe('a place in words', () => {
	it.each<[Place, string]>([
		[stringPlace(a1!.id), 'A1'],
		[{ kind: 'fuse', string: a1!.id, pole: 'positive' }, 'A1, fuse +'],
		[{ kind: 'fuse', string: a1!.id, pole: 'negative' }, 'A1, fuse −'],
		[{ kind: 'module', string: a1!.id, module: 4, section: null }, 'A1, module 4'],
		[{ kind: 'module', string: a1!.id, module: 4, section: 2 }, 'A1, module 4, substring 2'],
		[{ kind: 'part', part: part.id, point: 'line' }, `${part.mark}, line side`],
		[{ kind: 'array' }, 'the array']
	])('%j is “%s”', (place, words) => {
		expect(placeWords(record, place)).toBe(words);
		expect(placeProblem(record, place)).toBeNull();
	});

	it('that the record does not have is said so', () => {
		expect(placeProblem(record, stringPlace(testId(404)))).toContain('No string');
		expect(placeProblem(record, { kind: 'part', part: testId(404), point: 'load' })).toContain(
			'No part'
		);
		const beyond = { kind: 'module', string: a1!.id, module: 13, section: null } as const;
		expect(placeProblem(record, beyond)).toContain('A1 has 12 modules; there is no module 13');
	});
});

describe('the state in which a quantity is read', () => {
	it('is one in which it can be read, with and without fuse and devices', () => {
		for (const quantity of QUANTITIES)
			for (const fused of [true, false])
				for (const devices of [true, false]) {
					const state = usualState(quantity, { fused, devices });
					expect(stateProblem(quantity, state)).toBeNull();
					expect(state.transmitter === 'none').toBe(!devices);
					expect(state.fuse === 'none').toBe(!fused);
					const codes = stateMessages(state).map(({ code }) => code);
					expect(codes.some((code) => code.startsWith('state.fuse'))).toBe(fused);
					expect(codes.some((code) => code.startsWith('state.transmitter'))).toBe(devices);
				}
	});

	it('names optimisers where they are the devices, and no transmitter', () => {
		const state = usualState('open-circuit-voltage', { fused: false, devices: true });
		const codes = stateMessages(state, true).map(({ code }) => code);
		expect(codes.filter((code) => /optimisers|transmitter/.test(code))).toEqual([
			'state.optimisers-producing'
		]);
	});

	it('is refused where the quantity does not exist in it, with what to do', () => {
		const running = usualState('operating-current');
		const isolated = usualState('open-circuit-voltage');
		const shorted = usualState('short-circuit-current');
		expect(isRunning(running)).toBe(true);
		expect(standsAlone(isolated)).toBe(true);
		expect(standsAlone(shorted)).toBe(false);
		expect(stateProblem('open-circuit-voltage', running)).toContain('Stop the inverter and open');
		expect(stateProblem('open-circuit-voltage', shorted)).toContain('leads shorted');
		expect(stateProblem('operating-current', isolated)).toContain('no-load current');
		expect(stateProblem('short-circuit-current', isolated)).toContain('DC-rated switch');
		expect(stateProblem('residual-current', running)).toContain('stopped or the disconnect open');
	});
});

describe('every quantity', () => {
	it('has a unit, a meter, limits, and places', () => {
		for (const quantity of QUANTITIES) {
			const { unit, limits, places, meter } = QUANTITY_FACTS[quantity];
			expect(['V', 'A', 'ohm', 'Mohm', 'W', 'K', '%', '']).toContain(unit);
			expect(limits.min <= 1 && limits.max > 0).toBe(true);
			expect(places.length * meter.length).toBeGreaterThan(0);
		}
		expect(QUANTITIES.filter(isStringQuantity)).toEqual([...STRING_QUANTITIES]);
	});
});

describe('several takes of one place', () => {
	it('are kept in order; one that was taken back is none', () => {
		const visit = visitOf({ record: HOLLIN_CREEK.record, quantities: ['open-circuit-voltage'] });
		const [first] = visit.readings;
		const key = keyOf(first!);
		const second = { ...first!, id: testId(0x71), value: 400, supersedes: first!.id };
		const third = { ...first!, id: testId(0x72), value: 401, supersedes: second.id };
		const readings = [...visit.readings, second, third];
		const taken = measurementsOf({ readings, withdrawals: [] }, key);
		expect(taken.map(({ value }) => value)).toEqual([first!.value, 400, 401]);
		const back = { id: testId(0x73), readingId: third.id, at: visit.startedAt, by: 'x' };
		const left = { readings, withdrawals: [back] };
		expect(measurementsOf(left, key)).toHaveLength(2);
		expect(findCurrentReadings(left).get(key)!.value).toBe(400);
	});
});
