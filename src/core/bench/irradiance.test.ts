import { describe, expect, it } from 'vitest';
import { HARROWGILL as LABEL } from '../../../demo/module-batch';
import {
	fitLabel,
	maximumPowerPoint,
	openCircuitVoltage,
	shortCircuitCurrent,
	translate
} from '../module';
import { irradianceOf } from './irradiance';
import { EMPTY_BATCH, type Control, type Take } from './module-batch';
import { nameplateOf } from './nameplate-of';

const FIT = fitLabel(nameplateOf(LABEL)!.nameplate);
const minute = (n: number) => new Date(Date.UTC(2026, 5, 1, 10, n)).toISOString();
const NOTHING = { volts: null, amps: null, watts: null };
function controlAt(
	moments: readonly (readonly [n: number, light: number, heat: number])[],
	share = 1
): Control {
	const takes = moments.map(([n, irradiance, cellTemperature]): Take => {
		const here = translate(FIT, irradiance, cellTemperature);
		return {
			id: `c${n}`,
			at: minute(n),
			volts: openCircuitVoltage(here),
			amps: share * shortCircuitCurrent(here),
			watts: null
		};
	});
	return { model: '', label: LABEL, share, takes };
}
const stated = { ...EMPTY_BATCH.sky, irradiance: 800, cellTemperature: 41 };

describe('light that is stated', () => {
	it('holds for every measurement, with its uncertainty', () => {
		const irradiance = irradianceOf({ control: null, sky: stated });
		expect(irradiance({ at: minute(0) })).toEqual(irradiance({ at: minute(500) }));
		expect(irradiance({ at: minute(0) })).toMatchObject({
			irradiance: 800,
			cellTemperature: 41,
			irradianceUncertainty: 0.05,
			from: 'stated'
		});
	});

	it('without the cells’ heat takes the usual one, less certainly', () => {
		const irradiance = irradianceOf({ control: null, sky: { ...stated, cellTemperature: null } })({
			at: minute(0)
		})!;
		expect(irradiance.cellTemperature).toBe(20 + 0.03 * 800);
		expect(irradiance.cellTemperatureUncertainty).toBeGreaterThan(
			irradianceOf({ control: null, sky: stated })({ at: minute(0) })!.cellTemperatureUncertainty
		);
	});

	it('is none where nothing is stated', () => {
		expect(irradianceOf(EMPTY_BATCH)({ at: minute(0) })).toBeNull();
	});
});

describe('light by the power of a control', () => {
	/** What a module like the control gives at its maximum in that light and heat, W. */
	const power = (irradiance: number, cellTemperature: number) => {
		const best = maximumPowerPoint(
			translate(fitLabel(nameplateOf(LABEL)!.nameplate), irradiance, cellTemperature)
		);
		return best.volts * best.amps;
	};
	const take = (cellTemperature?: number): Take => ({
		id: 'c',
		at: minute(0),
		volts: null,
		amps: null,
		watts: power(800, 45),
		...(cellTemperature !== undefined && { cellTemperature })
	});
	const by = (one: Take) =>
		irradianceOf({
			control: { model: '', label: LABEL, share: 1, takes: [one] },
			sky: EMPTY_BATCH.sky
		});

	it('is that in which it gives so much as hot as it is, not as at 25 °C', () => {
		const irradiance = by(take(45))({ at: minute(0) })!;
		expect(irradiance.irradiance).toBeCloseTo(800, 0);
		expect(irradiance.cellTemperature).toBeCloseTo(45, 6);
	});

	it('makes a module like it the same, where nobody measured their heat', () => {
		const irradiance = by(take())({ at: minute(0) })!;
		expect(power(irradiance.irradiance, irradiance.cellTemperature)).toBeCloseTo(power(800, 45), 1);
	});

	it('leaves a module as cool as it is', () => {
		const irradiance = by(take(45))({ at: minute(0), cellTemperature: 25 })!;
		expect(irradiance).toMatchObject({ cellTemperature: 25 });
		expect(irradiance.irradiance).toBeCloseTo(800, 0);
	});
});

describe('light that a control gives', () => {
	it('is that in which it stood', () => {
		const control = controlAt([[0, 742, 38]]);
		const irradiance = irradianceOf({ control, sky: EMPTY_BATCH.sky })({ at: minute(0) })!;
		expect(irradiance.irradiance).toBeCloseTo(742, 0);
		expect(irradiance.cellTemperature).toBeCloseTo(38, 0);
		expect(irradiance.from).toBe('control');
	});

	it('moves evenly from one take to the next', () => {
		const control = controlAt([
			[0, 700, 38],
			[10, 800, 42]
		]);
		const irradiance = irradianceOf({ control, sky: EMPTY_BATCH.sky });
		expect(irradiance({ at: minute(5) })!.irradiance).toBeCloseTo(750, 0);
		expect(irradiance({ at: minute(5) })!.cellTemperature).toBeCloseTo(40, 0);
		// Before the first and after the last the nearest holds.
		expect(irradiance({ at: minute(-30) })!.irradiance).toBeCloseTo(700, 0);
		expect(irradiance({ at: minute(60) })!.irradiance).toBeCloseTo(800, 0);
	});

	it('is doubted more the longer nobody looked, and the more the sun moved between', () => {
		const steady = irradianceOf({ control: controlAt([[0, 700, 38]]), sky: EMPTY_BATCH.sky });
		expect(steady({ at: minute(5) })!.irradianceUncertainty).toBe(
			steady({ at: minute(0) })!.irradianceUncertainty
		);
		expect(steady({ at: minute(40) })!.irradianceUncertainty).toBeGreaterThan(
			steady({ at: minute(15) })!.irradianceUncertainty
		);
		const moving = irradianceOf({
			control: controlAt([
				[0, 700, 38],
				[4, 900, 42]
			]),
			sky: EMPTY_BATCH.sky
		});
		expect(moving({ at: minute(2) })!.irradianceUncertainty).toBeGreaterThan(
			steady({ at: minute(2) })!.irradianceUncertainty
		);
	});

	it('allows for a control that has aged itself', () => {
		const aged = irradianceOf({ control: controlAt([[0, 700, 38]], 0.9), sky: EMPTY_BATCH.sky });
		expect(aged({ at: minute(0) })!.irradiance).toBeCloseTo(700, 0);
	});

	it('stands above what is stated; of a control never read nothing is known', () => {
		const control = controlAt([[0, 600, 35]]);
		expect(irradianceOf({ control, sky: stated })({ at: minute(0) })!.irradiance).toBeCloseTo(
			600,
			-1
		);
		const unread = { ...control, takes: [{ ...NOTHING, id: 'x', at: minute(0) }] };
		expect(irradianceOf({ control: unread, sky: EMPTY_BATCH.sky })({ at: minute(0) })).toBeNull();
	});
});
