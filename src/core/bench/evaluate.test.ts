import { describe, expect, it } from 'vitest';
import { HARROWGILL as LABEL } from '../../../demo/module-batch';
import {
	fitLabel,
	maximumPowerPoint,
	openCircuitVoltage,
	shortCircuitCurrent,
	translate,
	voltageAt
} from '../module';
import { referenceModuleDue } from './reference-module-due';
import { evaluateBatch } from './evaluate';
import { histogramOf, ranked } from './histogram';
import {
	EMPTY_BATCH,
	NO_LABEL,
	type ModuleBatch,
	type BatchModule,
	type Take
} from './module-batch';
import { labelFindings, nameplateOf } from './nameplate-of';

const FIT = fitLabel(nameplateOf(LABEL)!.nameplate);
const minute = (n: number) => new Date(Date.UTC(2026, 5, 1, 10, n)).toISOString();
/** What a module with these shares of its label shows. */
function take(
	n: number,
	irradiance: number,
	cellTemperature: number,
	voltage = 1,
	current = 1
): Take {
	const here = translate(FIT, irradiance, cellTemperature);
	return {
		id: `t${n}`,
		at: minute(n),
		volts: voltage * openCircuitVoltage(here),
		amps: current * shortCircuitCurrent(here),
		watts: null
	};
}
const module = (mark: string, takes: Take[], more: Partial<BatchModule> = {}): BatchModule => ({
	id: mark,
	mark,
	model: 'Harrowgill 225',
	label: LABEL,
	size: null,
	year: 2012,
	connector: '',
	looks: [],
	note: '',
	takes,
	...more
});
const batch = (modules: BatchModule[], controls: Take[]): ModuleBatch => ({
	...EMPTY_BATCH,
	control:
		controls.length > 0
			? { model: '', label: LABEL, share: 1, takes: controls, samePlane: true }
			: null,
	modules
});
const evaluated = (modules: BatchModule[], controls: Take[]) =>
	evaluateBatch(batch(modules, controls), 2026);

describe('a batch', () => {
	it('corrects the sun by the control in between, whatever the sun does', () => {
		const controls = [take(0, 900, 45), take(20, 700, 40)];
		const [first, second] = evaluated(
			[module('1', [take(5, 850, 43.75, 1, 0.8)]), module('2', [take(15, 750, 41.25, 1, 0.8)])],
			controls
		);
		expect(first!.share!).toBeCloseTo(0.8, 2);
		expect(second!.share!).toBeCloseTo(0.8, 2);
		expect(first!.irradiance).toBe('control');
		expect(first!.againstControl!).toBeCloseTo(0.8, 2);
		expect(first!.power!).toBeCloseTo(180, 0);
	});

	it('takes a control that has aged for what it is', () => {
		const aged = batch([module('1', [take(1, 800, 40, 1, 0.9)])], [take(0, 800, 40, 1, 0.9)]);
		const [result] = evaluateBatch({ ...aged, control: { ...aged.control!, share: 0.9 } }, 2026);
		expect(result!.share!).toBeCloseTo(0.9, 2);
		expect(result!.againstControl!).toBeCloseTo(1, 2);
	});

	it('goes by the stated light where there is no control, and says nothing without either', () => {
		const stated = { ...batch([module('1', [take(1, 800, 40)])], []) };
		const sky = { irradiance: 800, cellTemperature: 40, lightDoubt: 0.03 };
		const [result] = evaluateBatch({ ...stated, sky }, 2026);
		expect(result!.share!).toBeCloseTo(1, 3);
		expect(result!.irradiance).toBe('stated');
		expect(evaluateBatch(stated, 2026)[0]).toMatchObject({ share: null, irradiance: null });
		expect(evaluateBatch(stated, 2026)[0]!.graded.grade).toBe('unknown');
	});

	it.each<[string, number, number, string]>([
		['a third of the volts gone', 2 / 3, 1, 'section-gone'],
		['volts right and amps low', 1, 0.6, 'current-low'],
		['nothing at all', 0, 0, 'dead'],
		['volts and no current', 1, 0, 'no-current'],
		['current and no volts', 0, 1, 'no-volts'],
		['polarity', -1, 1, 'reversed'],
		['volts a little low', 0.87, 1, 'volts-low']
	])('says what is odd: %s', (_, voltage, current, code) => {
		const [result] = evaluated(
			[module('1', [take(1, 800, 40, voltage, current)])],
			[take(0, 800, 40)]
		);
		expect(result!.odd.map((odd) => odd.code)).toContain(code);
	});

	it('does not believe takes that differ, and tells dangerous looks once', () => {
		const takes = [take(1, 800, 40), take(2, 800, 40, 1, 0.85)];
		const [result] = evaluated(
			[module('1', takes, { looks: ['cracked-glass', 'browned'] })],
			[take(0, 800, 40)]
		);
		expect(result!.spread).toBeGreaterThan(0.1);
		expect(result!.odd.map(({ code }) => code)).toEqual(['scatter', 'danger']);
		expect(result!.odd[1]!.words).toContain('still kill');
	});

	it('grades by the band of its age, and by fixed limits', () => {
		const grade = (current: number, year: number | null, by: 'band' | 'limits') => {
			const one = batch(
				[module('1', [take(1, 800, 40, 1, current)], { year })],
				[take(0, 800, 40)]
			);
			const [result] = evaluateBatch({ ...one, profile: { ...one.profile, by } }, 2026);
			return result!.graded;
		};
		// Fourteen years take seven percent: usual for its age, fair by the limits.
		expect(grade(0.83, 2012, 'band').grade).toBe('good');
		expect(grade(0.83, 2012, 'limits')).toMatchObject({ grade: 'fair', near: true });
		expect(grade(0.83, 2025, 'band').grade).toBe('fair');
		expect(grade(0.6, 2012, 'limits').grade).toBe('weak');
		expect(grade(0.35, 2012, 'band').grade).toBe('out');
		expect(grade(0.35, null, 'band').grade).toBe('out');
	});

	it('estimates what has no label, and says that it is an estimate', () => {
		const bare = module('1', [take(1, 800, 40, 1, 1)], {
			label: NO_LABEL,
			size: { length: 1650, width: 990 }
		});
		const [result] = evaluated([bare], [take(0, 800, 40)]);
		expect(result!.estimate!.label.cellsInSeries).toBe(60);
		expect(Math.abs(result!.estimate!.power / 225 - 1)).toBeLessThan(0.1);
		expect(result!.estimate!.words).toContain('W/m²');
		// A share of an estimate made of the same readings would say nothing.
		expect(result!.share).toBeNull();
		const odd = evaluated([{ ...bare, size: { length: 800, width: 500 } }], [take(0, 800, 40)]);
		expect(odd[0]!.estimate!.words).toContain('no usual module');
	});

	it('does not take volts times amps for power: a grown series resistance shows on a load alone', () => {
		const here = translate(FIT, 800, 40);
		const grown = { ...here, seriesResistance: here.seriesResistance + 0.9 };
		const best = maximumPowerPoint(grown);
		const fresh = maximumPowerPoint(here);
		const truth = (best.volts * best.amps) / (fresh.volts * fresh.amps);
		const bare: Take = {
			id: 't1',
			at: minute(1),
			volts: openCircuitVoltage(grown),
			amps: shortCircuitCurrent(grown),
			watts: null
		};
		const current = 0.85 * bare.amps!;
		const controls = [take(0, 800, 40)];
		const [unloaded] = evaluated([module('1', [bare])], controls);
		expect(unloaded!.share!).toBeGreaterThan(truth + 0.1);
		expect(unloaded!.graded.atMost).toBe(true);
		expect(unloaded!.fillFactor).toBeNull();
		const load = { volts: voltageAt(grown, current), amps: current };
		const [loaded] = evaluated([module('1', [{ ...bare, load }])], controls);
		expect(loaded!.graded.atMost).toBe(false);
		expect(Math.abs(loaded!.share! - truth)).toBeLessThan(2 * loaded!.uncertainty);
		expect(loaded!.fillFactor!).toBeCloseTo(
			(best.volts * best.amps) / (bare.volts! * bare.amps!),
			2
		);
	});

	it('ranks by watts and counts by tenths', () => {
		const results = evaluated(
			[0.95, 0.5, 0.95].map((current, i) => module(String(i + 1), [take(1, 800, 40, 1, current)])),
			[take(0, 800, 40)]
		);
		expect(ranked(results).at(-1)!.module.mark).toBe('2');
		expect(histogramOf(results)[9]!.marks).toEqual(['1', '3']);
	});
});

describe('the control', () => {
	const now = Date.UTC(2026, 5, 1, 10, 30);
	const due = (modules: BatchModule[], controls: Take[]) =>
		referenceModuleDue(batch(modules, controls), now);

	it('is asked for first, and again once the sun had time to move', () => {
		expect(due([], [])).toBeNull();
		const bare = { ...batch([], [take(0, 800, 40)]), modules: [] };
		expect(
			referenceModuleDue({ ...bare, control: { ...bare.control!, takes: [] } }, now)
		).toContain('first');
		expect(due([module('1', [take(27, 800, 40)])], [take(25, 800, 40)])).toBeNull();
		expect(due([module('1', [take(27, 800, 40)])], [take(5, 800, 40)])).toContain('25 min ago');
		// Nothing was measured since: nothing is to be held against it yet.
		expect(due([module('1', [take(1, 800, 40)])], [take(5, 800, 40)])).toBeNull();
	});
});

describe('a label', () => {
	it('is made whole by usual ratios, and says what was filled in', () => {
		const { nameplate, filled } = nameplateOf({ ...NO_LABEL, voc: 36.9, isc: 8.15 })!;
		expect(Math.abs(nameplate.pmax / 225 - 1)).toBeLessThan(0.05);
		expect(nameplate).toMatchObject({ cellsInSeries: 60, sections: 3 });
		expect(filled).toEqual(['Vmp', 'Imp', 'Pmax', 'technology', 'cells']);
		expect(nameplateOf({ ...NO_LABEL, pmax: 200, vmp: 30 })!.nameplate.imp).toBeCloseTo(6.67, 2);
		expect(nameplateOf(LABEL)!.filled).toEqual([]);
		expect(nameplateOf({ ...NO_LABEL, pmax: 200 })).toBeNull();
		// Vmp above Voc is misread: nothing is made of it.
		expect(nameplateOf({ ...LABEL, vmp: 40 })).toBeNull();
		expect(labelFindings({ ...LABEL, vmp: 40 })[0]!.words).toContain('must be below Voc');
		expect(labelFindings({ ...NO_LABEL, pmax: 200 })).toEqual([]);
		const best = maximumPowerPoint(fitLabel(nameplate).reference);
		expect(best.volts * best.amps).toBeCloseTo(nameplate.vmp * nameplate.imp, 0);
	});
});
