import { describe, expect, it } from 'vitest';
import { scaleGroup, solarTime, type ScaleAsk } from './scale';

const SOUTH = { tilt: 30, azimuth: 180 } as const;
const ask = (change: Partial<ScaleAsk> = {}): ScaleAsk => ({
	power: 1200,
	irradiance: 800,
	modules: 4,
	planes: [{ ...SOUTH, modules: 12 }],
	observer: { latitude: 50, longitude: 0 },
	day: Date.UTC(2026, 5, 21),
	batteryVoltage: null,
	capacity: null,
	...change
});
const hour = (at: number) => new Date(at).getUTCHours() + new Date(at).getUTCMinutes() / 60;

describe('a measured group scaled to an array', () => {
	it('has its power by modules and irradiance', () => {
		// 1200 W of 4 modules at 800 W/m2 are 375 W a module in full sun.
		expect(scaleGroup(ask()).fullSun).toBeCloseTo(12 * 375, 6);
	});

	it('peaks near noon towards the south, before and after it towards east and west', () => {
		const plane = (azimuth: number) => ({ tilt: 30, azimuth, modules: 12 });
		const noon = scaleGroup(ask());
		expect(hour(noon.peakAt)).toBeCloseTo(12, 0);
		expect(noon.peak).toBeGreaterThan(0.85 * noon.fullSun);
		const both = scaleGroup(ask({ planes: [plane(90), plane(270)] }));
		expect(hour(both.planes[0]!.peakAt)).toBeLessThan(11.5);
		expect(hour(both.planes[1]!.peakAt)).toBeGreaterThan(12.5);
		// Never together: their sum peaks below the sum of their peaks.
		expect(both.peak).toBeLessThan(both.planes[0]!.peak + both.planes[1]!.peak - 1);
		expect(both.energy).toBeCloseTo(both.planes[0]!.energy + both.planes[1]!.energy, 6);
	});

	it('is of one day wherever it stands', () => {
		const east = scaleGroup(ask({ observer: { latitude: 50, longitude: 150 } }));
		expect(east.energy).toBeCloseTo(scaleGroup(ask()).energy, 0);
	});

	it('has its moments in solar time, never a sixtieth minute', () => {
		const noon = Date.UTC(2026, 5, 21, 12);
		expect(solarTime(noon, 0)).toBe('12:00');
		expect(solarTime(noon - 1, 0)).toBe('12:00');
		expect(solarTime(noon, -15)).toBe('11:00');
		expect(solarTime(noon, 7.5)).toBe('12:30');
	});

	it('charges a battery at its peak, over its capacity', () => {
		const { peak, current, cRate } = scaleGroup(ask({ batteryVoltage: 52, capacity: 200 }));
		expect(current).toBeCloseTo(peak / 52, 9);
		expect(cRate).toBeCloseTo(peak / 52 / 200, 9);
		expect(scaleGroup(ask({ batteryVoltage: 52 })).cRate).toBeNull();
	});
});
