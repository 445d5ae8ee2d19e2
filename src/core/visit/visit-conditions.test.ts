import { judged } from '../../../tests/support/places';
import { judgeByModel, verdictAt } from '../assessment';
import { effectiveVisit } from './effective-visit';
import { describe, expect, it } from 'vitest';
import { arrayRecord, NAMEPLATE, testId, visitOf } from '../../../tests/support/scenario';
import { byAir, byBackProbe, byClearSky, byReferenceModule, byShadow } from '../conditions';
import { fitLabel, openCircuitVoltage, shortCircuitCurrent, translate } from '../module';
import { conditionsFromPeers } from '../expectation';
import { conditionsAt, currentSeries } from './current-readings';
import type { ConditionsEntry, Visit } from './visit';

const record = arrayRecord();
const value = <T>(result: { ok: true; value: T } | { ok: false; problem: string }): T => {
	if (!result.ok) throw new Error(result.problem);
	return result.value;
};

describe('ways to the conditions', () => {
	it('a control module gives back the light and heat it was read in', () => {
		const here = translate(fitLabel(NAMEPLATE), 731, 43);
		const found = value(
			byReferenceModule(NAMEPLATE, shortCircuitCurrent(here), openCircuitVoltage(here))
		);
		expect(found.irradiance.value).toBeCloseTo(731, -0.5);
		expect(found.cellTemperature.value).toBeCloseTo(43, 0);
		expect(found.irradiance.relativeStandardUncertainty).toBe(0.025);
		expect(byReferenceModule(NAMEPLATE, 0, 40)).toMatchObject({ ok: false });
	});

	it('a clear sky at noon of midsummer is bright, and the night is refused', () => {
		const observer = { latitude: 47, longitude: 8 };
		const plane = { tilt: 30, azimuth: 180 };
		const noon = value(byClearSky(observer, plane, Date.UTC(2026, 5, 21, 11, 30)));
		expect(noon.irradiance.value).toBeGreaterThan(850);
		expect(noon.irradiance.value).toBeLessThan(1150);
		expect(noon.irradiance.relativeStandardUncertainty).toBeGreaterThanOrEqual(0.1);
		expect(byClearSky(observer, plane, Date.UTC(2026, 5, 21, 0, 0))).toMatchObject({
			problem: expect.stringContaining('below the horizon')
		});
		expect(byClearSky(observer, plane, Date.UTC(2026, 11, 21, 7, 45))).toMatchObject({ ok: false });
	});

	it('no shadow is square to the sun; a shadow as long as its object is half a right angle', () => {
		expect(value(byShadow(900, 10, 0)).irradiance.value).toBeCloseTo(900, 6);
		const tilted = value(byShadow(900, 10, 10));
		expect(tilted.basis).toContain('45° off');
		expect(tilted.irradiance.value / 900).toBeCloseTo(0.08 + 0.92 * Math.SQRT1_2, 6);
		// The flatter the sun, the less a shadow tells.
		const questions = [0, 5, 10, 20, 40].map(
			(shadow) => value(byShadow(900, 10, shadow)).irradiance.relativeStandardUncertainty
		);
		expect(questions).toEqual(questions.toSorted((a, b) => a - b));
		expect(questions.at(-1)!).toBeGreaterThan(3 * questions[0]!);
		expect(byShadow(900, 0, 3)).toMatchObject({ ok: false });
	});

	it('cells are warmer than back and air, and wind cools them', () => {
		expect(byBackProbe(40, 1000).cellTemperature.value).toBe(43);
		expect(byAir(20, null, 800).cellTemperature.value).toBeCloseTo(45, 6);
		expect(byAir(20, 5, 800).cellTemperature.value).toBeLessThan(
			byAir(20, 0, 800).cellTemperature.value
		);
	});
});

describe('conditions from the strings themselves', () => {
	it('are found without any sensor, and faults of single strings do not move them', () => {
		const visit = visitOf({
			record,
			irradiance: 700,
			cellTemperature: 38,
			faults: { A2: { code: 'bypass-diode-shorted' }, B1: { code: 'fuse-blown' } }
		});
		const found = value(
			conditionsFromPeers(record, effectiveVisit(record, { ...visit, conditions: [] }))
		);
		expect(found.irradiance.source).toBe('siblings');
		expect(Math.abs(found.irradiance.value / 700 - 1)).toBeLessThan(0.06);
		expect(Math.abs(found.cellTemperature.value - 38)).toBeLessThan(6);
		expect(found.irradiance.relativeStandardUncertainty).toBeLessThan(0.1);
	});

	it('need currents for the light and volts for the heat', () => {
		const voltage = visitOf({ record, quantities: ['open-circuit-voltage'] });
		expect(conditionsFromPeers(record, effectiveVisit(record, voltage))).toMatchObject({
			problem: expect.stringContaining('operating current')
		});
		expect(
			conditionsFromPeers(record, effectiveVisit(record, { ...voltage, readings: [] }))
		).toMatchObject({
			problem: expect.stringContaining('No string has been read yet')
		});
	});

	it('taken as the visit’s own are not told to the strings again: verdicts stay', () => {
		const visit = visitOf({ record, faults: { A2: { code: 'bypass-diode-shorted' } } });
		const found = value(conditionsFromPeers(record, effectiveVisit(record, visit)));
		const entry = { ...visit.conditions[0]!, ...found };
		const verdicts = (one: Visit) =>
			judgeByModel(record, effectiveVisit(record, one)).places.map(
				(place) => `${place.key} ${verdictAt(place)}`
			);
		const off = (list: string[]) => list.filter((words) => words.endsWith(' fail'));
		expect(off(verdicts({ ...visit, conditions: [entry] }))).toEqual(off(verdicts(visit)));
	});
});

describe('a series in a sun that moves', () => {
	const base = visitOf({ record, quantities: ['open-circuit-voltage', 'operating-current'] });
	const [first] = base.conditions;
	const entry = (minute: number, irradiance: number, follows: boolean): ConditionsEntry => ({
		...first!,
		id: testId(900 + minute),
		enteredAt: `2026-06-01T10:${String(minute).padStart(2, '0')}:00Z`,
		follows,
		irradiance: { ...first!.irradiance, value: irradiance }
	});

	it('has light in between, and none beyond its ends', () => {
		const visit = { conditions: [entry(0, 800, false), entry(20, 700, true)] };
		expect(conditionsAt(visit, '2026-06-01T10:10:00Z')!.irradiance).toBeCloseTo(750, 6);
		expect(conditionsAt(visit, '2026-06-01T09:00:00Z')!.irradiance).toBe(800);
		expect(conditionsAt(visit, '2026-06-01T11:00:00Z')!.irradiance).toBe(700);
		expect(conditionsAt({ conditions: [] }, '2026-06-01T11:00:00Z')).toBeNull();
	});

	it('begins anew with a correction, which stands for all', () => {
		const visit = {
			conditions: [entry(0, 800, false), entry(10, 300, true), entry(20, 810, false)]
		};
		expect(currentSeries(visit)).toHaveLength(1);
		expect(conditionsAt(visit, '2026-06-01T10:05:00Z')!.irradiance).toBe(810);
	});

	it('judges each current in its own light, and says which to take again', () => {
		// The light falls by a tenth while the strings are read, one a minute.
		const conditions = [
			entry(0, first!.irradiance.value, false),
			entry(20, 0.9 * first!.irradiance.value, true)
		];
		const readings = base.readings.map((reading, i) => {
			const minute = 1 + (i % 8) * 2;
			const takenAt = `2026-06-01T10:${String(minute).padStart(2, '0')}:00Z`;
			const factor = reading.quantity === 'operating-current' ? 1 - (0.1 * minute) / 20 : 1;
			return { ...reading, takenAt, value: reading.value * factor };
		});
		const moved = judgeByModel(record, effectiveVisit(record, { ...base, conditions, readings }));
		expect(moved.places.filter((place) => verdictAt(place) === 'fail')).toEqual([]);
		expect(moved.warnings.join(' ')).toContain(
			'The sun moved 10 % while they were read: take A1 to B4 again.'
		);
		// Its own expected value falls with the light.
		const current = moved.places
			.filter(({ quantity }) => quantity === 'operating-current')
			.map(judged);
		expect(current[7]!.expected.value).toBeLessThan(0.95 * current[0]!.expected.value);
		const ignored = judgeByModel(
			record,
			effectiveVisit(record, { ...base, conditions: [conditions[0]!], readings })
		);
		expect(
			Math.abs(judged(ignored.places.find(({ key }) => key === current[7]!.key)!).relative!)
		).toBeGreaterThan(Math.abs(current[7]!.relative!));
	});

	it('is stale when a current is read long after it, and dim below 400 W/m2', () => {
		const late = base.readings.map((reading) => ({ ...reading, takenAt: '2026-06-01T11:30:00Z' }));
		const { warnings } = judgeByModel(record, effectiveVisit(record, { ...base, readings: late }));
		expect(warnings.join(' ')).toContain('read more than 20 minutes after');
		const dim = { ...base, conditions: [entry(0, 390, false)] };
		expect(judgeByModel(record, effectiveVisit(record, dim)).warnings.join(' ')).toContain(
			'too low to assess current'
		);
	});
});
