import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { FAULT_CODES, FAULTS } from '$core/visit';
import { AS_RECORDED, faultsOf, fromAddress, HOLDERS, loadOf, toAddress } from './what-if-address';

describe('the address of a what-if', () => {
	it('comes back as it went', () => {
		const lights = fc.uniqueArray(
			fc.record({
				module: fc.integer({ min: 0, max: 11 }),
				section: fc.constantFrom(null, 0, 1, 2),
				light: fc.integer({ min: 0, max: 100 }).map((percent) => percent / 100)
			}),
			{ maxLength: 4 }
		);
		fc.assert(
			fc.property(
				lights,
				fc.constantFrom(null, ...FAULT_CODES),
				fc.constantFrom(...HOLDERS),
				fc.boolean(),
				(changed, fault, holder, alone) => {
					const supposed = {
						lights: changed,
						fault,
						module: fault ? 7 : 0,
						section: fault ? 2 : 0,
						size: (fault && FAULTS[fault].scale?.usual) ?? 0,
						alone,
						holder,
						volts: 48
					};
					expect(fromAddress(toAddress(supposed), 12, 3, 48)).toEqual(supposed);
				}
			)
		);
	});

	it('leaves what it does not understand as recorded', () => {
		const odd = new URLSearchParams(
			'light=99.1.20&light=2.9.20&light=x&fault=gremlins&at=0.0&on=moon&volts=-4&alone=maybe'
		);
		expect(fromAddress(odd, 12, 3, 400)).toEqual({ ...AS_RECORDED, volts: 400 });
	});

	it('names load and fault as the core takes them', () => {
		const supposed = { ...AS_RECORDED, volts: 48, fault: 'connector-open' as const, module: 3 };
		expect(faultsOf(supposed, 'A2')).toMatchObject([{ place: { string: 'A2', joint: 4 } }]);
		expect(HOLDERS.map((holder) => loadOf({ holder, volts: 48 }).kind)).toEqual([
			'tracker',
			'volts',
			'battery',
			'battery',
			'open',
			'short'
		]);
	});
});
