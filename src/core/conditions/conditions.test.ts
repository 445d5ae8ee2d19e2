import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { NAMEPLATE } from '../../../tests/support/scenario';
import { fitLabel, openCircuitVoltage, shortCircuitCurrent, translate } from '../module';
import {
	fromAirAndWind,
	fromBackProbe,
	fromNominal,
	fromOpenCircuitVoltage
} from './cell-temperature';
import { clearSky, diffuseShare } from './clear-sky';
import { fromReferenceModule, irradianceFromIsc } from './reference-module';
import { diffuseModifier, incidenceAngle, incidenceModifier, onPlane } from './plane';
import { fromShadow } from './shadow';
import { sunPosition } from './sun';

const model = fitLabel(NAMEPLATE);

describe('a control module', () => {
	it('says the light and heat that its readings come from', () => {
		fc.assert(
			fc.property(
				fc.double({ min: 150, max: 1200, noNaN: true }),
				fc.double({ min: -10, max: 75, noNaN: true }),
				(irradiance, cellTemperature) => {
					const here = translate(model, irradiance, cellTemperature);
					const isc = shortCircuitCurrent(here);
					const found = fromReferenceModule(model, isc, openCircuitVoltage(here));
					if (!found.ok) throw new Error(found.problem);
					// Isc is not quite in proportion to light: series resistance and shunt take a little.
					expect(found.value.irradiance / irradiance).toBeCloseTo(1, 2);
					expect(found.value.cellTemperature).toBeCloseTo(cellTemperature, 0);
				}
			)
		);
	});

	it('follows its formula: half the current is half the light', () => {
		expect(irradianceFromIsc(model, NAMEPLATE.isc / 2, 25)).toBeCloseTo(500, 3);
	});

	it('is refused in words where no heat fits its volts', () => {
		expect(fromReferenceModule(model, 8, 80)).toMatchObject({
			ok: false,
			problem: expect.stringContaining('nameplate')
		});
		expect(fromReferenceModule(model, 0, 40).ok).toBe(false);
		expect(fromOpenCircuitVoltage(model, 40, 0)).toBeNull();
	});
});

describe('cell temperature', () => {
	it('by each route', () => {
		expect(fromBackProbe(45, 800)).toBeCloseTo(47.4, 9);
		expect(fromNominal(20, 800, 46)).toBe(46);
		expect(fromAirAndWind(20, 800, 0)).toBeCloseTo(52, 9);
		expect(fromAirAndWind(20, 800, 5)).toBeLessThan(fromAirAndWind(20, 800, 1));
	});
});

describe('the plane', () => {
	const noon = { zenith: 30, azimuth: 180, distance: 1 };
	it('sees the sun at the angle between ray and normal', () => {
		expect(incidenceAngle(noon, { tilt: 30, azimuth: 180 })).toBeCloseTo(0, 5);
		expect(incidenceAngle(noon, { tilt: 0, azimuth: 0 })).toBeCloseTo(30, 9);
		expect(incidenceAngle(noon, { tilt: 90, azimuth: 0 })).toBeCloseTo(120, 9);
	});

	it('lets less through its glass the flatter the ray', () => {
		expect(incidenceModifier(0)).toBeCloseTo(1, 9);
		expect(incidenceModifier(60)).toBeGreaterThan(0.93);
		expect(incidenceModifier(60)).toBeLessThan(0.97);
		expect(incidenceModifier(80)).toBeLessThan(0.75);
		expect(incidenceModifier(95)).toBe(0);
	});

	it('loses some of the even light too, the most of what comes up to it from the ground', () => {
		// Marion, Numerical method for angle-of-incidence correction factors (2017): glass on diffuse light, from memory.
		expect(diffuseModifier('sky', 0)).toBeGreaterThan(0.93);
		expect(diffuseModifier('sky', 0)).toBeLessThan(0.97);
		expect(diffuseModifier('sky', 30)).toBeGreaterThan(diffuseModifier('sky', 0));
		expect(diffuseModifier('ground', 10)).toBeLessThan(0.75);
		expect(diffuseModifier('ground', 90)).toBeCloseTo(diffuseModifier('sky', 90), 2);
		expect(diffuseModifier('sky', 12.5)).toBeCloseTo(
			(diffuseModifier('sky', 12) + diffuseModifier('sky', 13)) / 2,
			9
		);
	});

	it('enters the glass by its own angle, from around the sun as the beam does', () => {
		const sun = { zenith: 70, azimuth: 180, distance: 1 };
		const flat = { tilt: 0, azimuth: 180 };
		const of = (direct: number) =>
			onPlane(sun, flat, { global: 400, direct, diffuse: 200, extraterrestrial: 1000 }).effective;
		// An even sky alone, and one whose light all comes from around the sun.
		expect(of(0)).toBeCloseTo(200 * diffuseModifier('sky', 0), 9);
		expect(of(1000) - 1000 * Math.cos((70 * Math.PI) / 180) * incidenceModifier(70)).toBeCloseTo(
			200 * incidenceModifier(70),
			6
		);
	});

	it('gets on the level what falls on the level, and no beam from behind', () => {
		const sky = clearSky(noon);
		expect(onPlane(noon, { tilt: 0, azimuth: 0 }, sky).total).toBeCloseTo(sky.global, 6);
		expect(onPlane(noon, { tilt: 90, azimuth: 0 }, sky).beam).toBe(0);
		const square = onPlane(noon, { tilt: 30, azimuth: 180 }, sky);
		expect(square.total).toBeGreaterThan(950);
		expect(square.total).toBeLessThan(1150);
		expect(square.effective).toBeLessThanOrEqual(square.total);
	});

	it('gets nothing at night', () => {
		const night = { zenith: 110, azimuth: 0, distance: 1 };
		expect(onPlane(night, { tilt: 30, azimuth: 180 }, clearSky(night)).total).toBe(0);
	});
});

describe('the split of the light', () => {
	it('has no step between its pieces', () => {
		for (const kt of [0.22, 0.8]) {
			expect(diffuseShare(kt - 1e-9) - diffuseShare(kt + 1e-9)).toBeCloseTo(0, 2);
		}
	});
});

describe('a shadow', () => {
	it('as long as its object says 45 degrees and 71 % of the beam', () => {
		const { angle, beamShare } = fromShadow(10, 10);
		expect(angle).toBeCloseTo(45, 9);
		expect(beamShare).toBeCloseTo(Math.SQRT1_2, 9);
		expect(fromShadow(10, 0)).toEqual({ angle: 0, beamShare: 1 });
	});
});

describe('the sun', () => {
	it('is lifted by the air near the horizon, and not below it', () => {
		const place = { latitude: 50, longitude: 0 };
		const evening = Date.UTC(2026, 2, 20, 18, 0);
		const thin = sunPosition(evening, { ...place, pressure: 0 });
		const air = sunPosition(evening, place);
		expect(thin.zenith - air.zenith).toBeGreaterThan(0.3);
		expect(air.azimuth).toBe(thin.azimuth);
		const midnight = Date.UTC(2026, 2, 20, 0, 0);
		expect(sunPosition(midnight, place)).toEqual(sunPosition(midnight, { ...place, pressure: 0 }));
	});
});
