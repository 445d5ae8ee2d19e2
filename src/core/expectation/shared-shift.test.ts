import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { normalFrom } from '../../../tests/support/scenario';
import { estimateShared, predictReading, type SharedReading, type Shift } from './shared-shift';

const PRIOR: Shift = { irradiance: 0.04, cellTemperature: 2.5 };

/** Voltages that follow the cell temperature and a little the irradiance, currents that follow the irradiance, linear in both. */
const voltage = (measured: number): SharedReading => ({
	measured,
	ownSigma: 1.2,
	at: ({ irradiance, cellTemperature }) => 460 + 12 * irradiance - 1.3 * cellTemperature
});
const current = (measured: number): SharedReading => ({
	measured,
	ownSigma: 0.09,
	at: ({ irradiance, cellTemperature }) => 8 * (1 + irradiance) + 0.004 * cellTemperature
});

/** Readings of whole strings at a true shift, with scatter. */
function readingsAt(truth: Shift, strings: number, seed = 1): SharedReading[] {
	const normal = normalFrom(seed);
	return Array.from({ length: strings }, () => [
		voltage(voltage(0).at(truth) + 1.2 * normal()),
		current(current(0).at(truth) + 0.09 * normal())
	]).flat();
}

const best = (readings: readonly SharedReading[], starts: readonly Shift[] = []) =>
	estimateShared(readings, PRIOR, [{ irradiance: 0, cellTemperature: 0 }, ...starts])[0];
const sigmaOf = ({ information: [ll, lh, hh] }: ReturnType<typeof best>) => {
	const determinant = ll * hh - lh * lh;
	return { irradiance: Math.sqrt(hh / determinant), cellTemperature: Math.sqrt(ll / determinant) };
};

describe('light and cellTemperature from the strings themselves', () => {
	it('are the stated ones while nothing is read', () => {
		const { shift, items } = best([]);
		expect(shift).toEqual({ irradiance: 0, cellTemperature: 0 });
		expect(items).toEqual([]);
	});

	it('come out where they were, within what the readings allow', () => {
		for (let seed = 1; seed <= 40; seed++) {
			const truth = { irradiance: 0.03, cellTemperature: -2 };
			const found = best(readingsAt(truth, 8, seed));
			const sigma = sigmaOf(found);
			expect(Math.abs(found.shift.irradiance - truth.irradiance)).toBeLessThan(
				4 * sigma.irradiance
			);
			expect(Math.abs(found.shift.cellTemperature - truth.cellTemperature)).toBeLessThan(
				4 * sigma.cellTemperature
			);
			expect(sigma.cellTemperature).toBeLessThan(0.3 * PRIOR.cellTemperature);
		}
	});

	it('give up the stated irradiance where the strings agree on another', () => {
		const found = best(readingsAt({ irradiance: -0.3, cellTemperature: 0 }, 8), [
			{ irradiance: -0.28, cellTemperature: 0 }
		]);
		expect(found.shift.irradiance).toBeCloseTo(-0.3, 1);
	});

	it('are hardly moved by strings that lost modules', () => {
		const healthy = readingsAt({ irradiance: 0, cellTemperature: 0 }, 8);
		const broken = healthy.map((reading, i) =>
			i === 0 || i === 2 ? { ...reading, measured: reading.measured - 38 } : reading
		);
		const moved = best(broken).shift.cellTemperature - best(healthy).shift.cellTemperature;
		expect(Math.abs(moved)).toBeLessThan(0.5);
		expect(best(broken).items[0]!.weight).toBeLessThan(0.05);
	});

	it('do not depend on the order of the readings', () => {
		fc.assert(
			fc.property(fc.integer({ min: 1, max: 1e6 }), (seed) => {
				const readings = readingsAt({ irradiance: 0.02, cellTemperature: 1 }, 5, seed);
				const one = best(readings).shift;
				const other = best([...readings].reverse()).shift;
				expect(other.irradiance).toBeCloseTo(one.irradiance, 6);
				expect(other.cellTemperature).toBeCloseTo(one.cellTemperature, 4);
			}),
			{ numRuns: 25 }
		);
	});

	it('offer two answers where the sensor and the strings each have one', () => {
		// Half of the strings speak for either side, so that neither can be left out.
		const readings = [
			...readingsAt({ irradiance: 0, cellTemperature: 0 }, 4, 2),
			...readingsAt({ irradiance: -0.9, cellTemperature: 0 }, 4, 3)
		];
		const answers = estimateShared(readings, PRIOR, [
			{ irradiance: 0, cellTemperature: 0 },
			{ irradiance: -0.9, cellTemperature: 0 }
		]);
		expect(answers.length).toBeGreaterThanOrEqual(2);
	});
});

describe('what a reading is predicted to be', () => {
	it('leaves the reading itself out', () => {
		const readings = readingsAt({ irradiance: 0.01, cellTemperature: 0.5 }, 6, 9);
		const whole = best(readings);
		const predicted = predictReading(whole, readings[0]!);
		const others = best(readings.slice(1));
		const fresh = predictReading(others, voltage(0));
		// Equal but for the weights, which follow the estimate they belong to: within a tenth of sigma.
		expect(Math.abs(predicted.value - fresh.value)).toBeLessThan(0.12);
		expect(predicted.sharedSigma / fresh.sharedSigma).toBeCloseTo(1, 1);
	});

	it('is surer the more comparable strings are read', () => {
		const sigma = (strings: number) =>
			predictReading(best(readingsAt({ irradiance: 0, cellTemperature: 0 }, strings)), voltage(0))
				.sharedSigma;
		expect(sigma(2)).toBeLessThan(sigma(1));
		expect(sigma(8)).toBeLessThan(sigma(2));
		expect(sigma(32)).toBeLessThan(sigma(8));
	});
});
