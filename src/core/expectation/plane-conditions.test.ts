import { describe, expect, it } from 'vitest';
import { transposeIrradiance } from '../conditions';
import { arrayRecord, testId, visitOf } from '../../../tests/support/scenario';
import { type ArrayRecord, planesOf } from '../record';
import { conditionsForPlane, currentConditionsByPlane } from './plane-conditions';
import type { ConditionsEntry } from '../visit';

const field = (n: number, azimuth: number) => ({
	id: testId(n),
	name: azimuth < 180 ? 'east' : 'west',
	rows: 2,
	columns: 12,
	tilt: 30,
	azimuth,
	lying: false,
	countedTypeId: null
});
const record: ArrayRecord = {
	...arrayRecord(),
	fields: [field(600, 90), field(601, 270)],
	location: { latitude: 50, longitude: 0, altitude: 100 }
};
const [east, west] = planesOf(record) as [ReturnType<typeof planesOf>[number], never];
const [entry] = visitOf({ record }).conditions as [ConditionsEntry];
const on = (fieldId: string | null, change: Partial<ConditionsEntry> = {}): ConditionsEntry => ({
	...entry,
	...change,
	fieldId
});
const last = (conditions: readonly ConditionsEntry[], plane: typeof east, of = record) =>
	conditionsForPlane(of, { conditions }, plane).at(-1)!;

describe('conditions of a plane', () => {
	it('are those measured on it, as they are', () => {
		expect(last([on(testId(600))], east)).toEqual(on(testId(600)));
	});

	it('follow the sun from another plane: at ten in the morning the west side has less', () => {
		const carried = last([on(testId(600))], west);
		expect(carried.irradiance.value).toBeLessThan(0.85 * entry.irradiance.value);
		expect(carried.irradiance.relativeStandardUncertainty).toBeGreaterThan(0.04);
		expect(carried.irradiance.relativeStandardUncertainty).toBeLessThan(0.2);
		// Less irradiance leaves the cells cooler.
		expect(carried.cellTemperature.value).toBeLessThan(entry.cellTemperature.value);
	});

	it('say little where the place is not known, or nobody named the plane', () => {
		for (const wide of [
			last([on(testId(600))], west, { ...record, location: null }),
			last([on(null)], east)
		]) {
			expect(wide.irradiance.value).toBe(entry.irradiance.value);
			expect(wide.irradiance.relativeStandardUncertainty).toBeGreaterThan(0.25);
		}
	});

	it('are plain where there is one plane', () => {
		const one = { ...record, fields: record.fields.slice(0, 1) };
		expect(conditionsForPlane(one, { conditions: [on(null)] }, null)).toEqual([on(null)]);
		expect(currentConditionsByPlane(one, { conditions: [on(null)] })).toMatchObject([
			{ plane: null, source: 'measured' }
		]);
	});

	it('are told apart for people by where they were measured', () => {
		const sources = (...conditions: ConditionsEntry[]) =>
			currentConditionsByPlane(record, { conditions }).map(({ source }) => source);
		expect(sources(on(testId(600)))).toEqual(['measured', 'carried-over']);
		expect(sources(on(testId(600)), on(testId(601)))).toEqual(['measured', 'measured']);
		expect(sources(on(null))).toEqual(['plane-not-stated']);
	});
});

describe('transposition', () => {
	const noon = Date.UTC(2026, 5, 21, 12);
	const observer = { latitude: 50, longitude: 0 };
	const to = (from: object, plane: object, instant = noon) =>
		transposeIrradiance(
			800,
			{ tilt: 30, azimuth: 180, ...from },
			{ tilt: 30, azimuth: 180, ...plane },
			instant,
			observer
		);

	it('leaves the same plane as it is, and is surest there', () => {
		expect(to({}, {})!.value).toBeCloseTo(800, 9);
		expect(to({}, {})!.relativeStandardUncertainty).toBeCloseTo(0.03, 9);
		expect(to({}, { azimuth: 0, tilt: 60 })!.relativeStandardUncertainty).toBeGreaterThan(0.1);
	});

	it('gives east and west the same at noon, and more to the south', () => {
		const [a, b] = [90, 270].map((azimuth) => to({}, { azimuth })!.value);
		expect(a! / b!).toBeCloseTo(1, 1);
		expect(a!).toBeLessThan(800);
	});

	it('tells nothing while the sun is low or behind the plane that was measured', () => {
		expect(to({}, { azimuth: 90 }, Date.UTC(2026, 5, 21, 1))).toBeNull();
		expect(to({ azimuth: 270, tilt: 80 }, {}, Date.UTC(2026, 5, 21, 7))).toBeNull();
	});
});
