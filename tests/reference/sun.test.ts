import { Body, Equator, Horizon, Observer } from 'astronomy-engine';
import { describe, expect, it } from 'vitest';
import { fromNominal, sunPosition } from '$core/conditions';

describe('solar position', () => {
	it('meets the worked example of Reda and Andreas, NREL/TP-560-34302 (from memory), to 0.01 degree', () => {
		const instant = Date.UTC(2003, 9, 17, 19, 30, 30);
		const { zenith, azimuth } = sunPosition(
			instant,
			{
				latitude: 39.742476,
				longitude: -105.1786,
				altitude: 1830.14,
				pressure: 820,
				airTemperature: 11
			},
			67
		);
		expect(Math.abs(zenith - 50.11162)).toBeLessThan(0.01);
		expect(Math.abs(azimuth - 194.34024)).toBeLessThan(0.01);
	});

	it.each([
		[54.2, -3.1],
		[-33.5, 18.4],
		[5, 120],
		[70, 25]
	])(
		'agrees with a general-purpose astronomy library over a year at %f, %f',
		(latitude, longitude) => {
			const observer = new Observer(latitude, longitude, 0);
			let worst = 0;
			for (let hour = 0; hour < 8766; hour += 5) {
				const instant = Date.UTC(2026, 0, 1, hour, 17);
				// Without air on both sides: refraction near the horizon differs by model, not by geometry.
				const ours = sunPosition(instant, { latitude, longitude, pressure: 0 });
				const date = new Date(instant);
				const equator = Equator(Body.Sun, date, observer, true, true);
				const theirs = Horizon(date, observer, equator.ra, equator.dec);
				if (theirs.altitude < -5) continue;
				const turn = ((ours.azimuth - theirs.azimuth + 540) % 360) - 180;
				const across = Math.abs(turn) * Math.cos((theirs.altitude * Math.PI) / 180);
				worst = Math.max(worst, Math.abs(90 - ours.zenith - theirs.altitude), across);
			}
			expect(worst).toBeLessThan(0.01);
		}
	);
});

describe('cell temperature from the air', () => {
	it('is 46 degC at NOCT 46, 20 degC air and 800 W/m2: the definition in IEC 61215', () => {
		expect(fromNominal(20, 800, 46)).toBe(46);
	});
});
