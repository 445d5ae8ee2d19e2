import { describe, expect, it } from 'vitest';
import { HARROWGILL as LABEL } from '../../../demo/module-batch';
import { fitLabel, openCircuitVoltage, shortCircuitCurrent, translate } from '../module';
import { alignmentOf } from './alignment';
import { evaluateBatch } from './evaluate';
import {
	EMPTY_BATCH,
	type ModuleBatch,
	type BatchModule,
	type Shadow,
	type Take
} from './module-batch';
import { nameplateOf } from './nameplate-of';

/** The shadow of a stick of 200 mm where the sun stands at an angle to the glass, degrees. */
const shadowAt = (angle: number): Shadow => ({
	height: 200,
	length: 200 * Math.tan((angle * Math.PI) / 180)
});

describe('the angles of two modules', () => {
	it('are one where their shadows are', () => {
		expect(alignmentOf(shadowAt(40), shadowAt(40), false)).toMatchObject({
			factor: 1,
			by: 'shadow'
		});
	});

	it('take from the light what the cosine and the even light of the sky say', () => {
		const { factor, uncertainty } = alignmentOf(shadowAt(55), shadowAt(45), false);
		const irradiance = (angle: number) => 0.08 + 0.92 * Math.cos((angle * Math.PI) / 180);
		expect(factor).toBeCloseTo(irradiance(55) / irradiance(45), 9);
		expect(uncertainty).toBeGreaterThan(0.03);
		expect(uncertainty).toBeLessThan(0.12);
		// The flatter the ray, the more an angle's error weighs.
		expect(alignmentOf(shadowAt(20), shadowAt(20), false).uncertainty).toBeLessThan(uncertainty);
	});

	it('are doubted where nobody checked, or one shadow is missing', () => {
		const checked = alignmentOf(undefined, undefined, true);
		const taken = alignmentOf(undefined, shadowAt(30), false);
		expect(checked).toMatchObject({ factor: 1, by: 'same-plane' });
		expect(taken).toMatchObject({ factor: 1, by: 'not-checked' });
		// 10 degrees between them are 17 % with the sun at 45 degrees to the glass.
		expect(2 * taken.uncertainty).toBeGreaterThanOrEqual(0.17);
		expect(checked.uncertainty).toBeLessThan(0.02);
	});
});

describe('a module at another angle than the reference module', () => {
	const FIT = fitLabel(nameplateOf(LABEL)!.nameplate);
	const take = (n: number, irradiance: number, more: Partial<Take> = {}): Take => {
		const here = translate(FIT, irradiance, 40);
		return {
			id: `t${n}`,
			at: new Date(Date.UTC(2026, 5, 1, 10, n)).toISOString(),
			volts: openCircuitVoltage(here),
			amps: shortCircuitCurrent(here),
			watts: null,
			cellTemperature: 40,
			...more
		};
	};
	const evaluated = (
		takes: readonly Take[],
		control: Partial<NonNullable<ModuleBatch['control']>> = {}
	) => {
		const module: BatchModule = {
			id: 'm',
			mark: '1',
			model: '',
			label: LABEL,
			size: null,
			year: 2024,
			connector: '',
			looks: [],
			note: '',
			takes
		};
		return evaluateBatch(
			{
				...EMPTY_BATCH,
				control: { model: '', label: LABEL, share: 1, takes: [take(0, 800)], ...control },
				modules: [module]
			},
			2026
		)[0]!;
	};
	const irradiance = (angle: number) => 0.08 + 0.92 * Math.cos((angle * Math.PI) / 180);
	const flatter = (800 * irradiance(55)) / irradiance(45);

	it('is judged by both shadows', () => {
		const askew = take(1, flatter, { otherAngle: true, shadow: shadowAt(55) });
		const known = evaluated([askew], { takes: [take(0, 800, { shadow: shadowAt(45) })] });
		expect(known.share).toBeCloseTo(1, 2);
		expect(known.how).toContain('shadows');
		expect(evaluated([askew]).share).toBeNull();
	});

	it('that nobody looked at has a range that holds the truth', () => {
		const unseen = evaluated([take(1, flatter)]);
		expect(unseen.share! + 2 * unseen.uncertainty).toBeGreaterThan(1);
		const checked = evaluated([take(1, 800)], { samePlane: true });
		expect(checked.uncertainty).toBeLessThan(0.6 * unseen.uncertainty);
	});

	it('measured three times, the reference module in between, is known better', () => {
		const controls = [0, 2, 4, 6].map((n) => take(n, 800));
		const of = (count: number) =>
			evaluated(
				[1, 3, 5].slice(0, count).map((n) => take(n, 800)),
				{ takes: controls, samePlane: true }
			).uncertainty;
		expect(of(3)).toBeLessThan(0.95 * of(1));
	});
});
