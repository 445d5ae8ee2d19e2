import { judged, placeAt } from '../../../tests/support/places';
import {
	atStandard,
	comparedStrings,
	judgeByModel,
	plainRule,
	expectedAt,
	reasonAt,
	verdictAt
} from '../assessment';
import {
	effectiveVisit,
	findCurrentReadings,
	type MeasuredCurve,
	stringPlace,
	type SwitchingState,
	USUAL_METERS,
	usualState,
	type Visit
} from '../visit';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { arrayRecord, NAMEPLATE, testId, visitOf } from '../../../tests/support/scenario';
import { HOLLIN_CREEK } from '../../../tests/support/sites';
import { BusSource, curveOf } from '../circuit';
import { CURVE_COLUMNS, matchColumns, pointsOfLines, pointsOfText, readTable } from '../document';
import { fitLabel, openCircuitVoltage, shortCircuitCurrent, translate } from '../module';
import { testEquipmentProblem } from '../isolation';
import { entryHint } from './entry-hint';
import { STC, translatedString, translatePoint } from './iec60891';
import { compareCurve } from './measured-curve';
import { agedModel, alike, moduleAtConditions, stringAtConditions, USUAL_PARTS } from './predict';

const record = arrayRecord();
const [type] = record.moduleTypes;

describe('a reading in its switching state', () => {
	const switched = (
		visit: Visit,
		label: string,
		state: Partial<SwitchingState> | null,
		value?: number
	) => ({
		...visit,
		readings: visit.readings.map((reading) => {
			const string = HOLLIN_CREEK.record.strings.find((one) => one.label === label)!;
			if (reading.place.kind !== 'string' || reading.place.string !== string.id) return reading;
			if (reading.quantity !== 'open-circuit-voltage') return reading;
			return {
				...reading,
				value: value ?? reading.value,
				state: state && {
					...usualState('open-circuit-voltage', { fused: false, devices: true }),
					...state
				}
			};
		})
	});
	const visit = visitOf({ record: HOLLIN_CREEK.record });
	const placeOf = (one: Visit, label: string) => {
		const string = HOLLIN_CREEK.record.strings.find((candidate) => candidate.label === label)!;
		const { places } = judgeByModel(HOLLIN_CREEK.record, effectiveVisit(HOLLIN_CREEK.record, one));
		return placeAt(places, string.id);
	};

	it('of nobody’s saying has no basis', () => {
		const place = placeOf(switched(visit, 'S1', null), 'S1');
		expect(place).toMatchObject({
			state: 'not-assessed',
			reason: expect.stringContaining('was not said')
		});
	});

	it('with the devices off is so many devices times their volts', () => {
		const place = judged(placeOf(switched(visit, 'S1', { transmitter: 'off' }, 6.5), 'S1'));
		expect(place.expected.value).toBeCloseTo(11 * 0.6, 6);
		expect(place.verdict).toBe('pass');
		const up = placeOf(switched(visit, 'S1', { transmitter: 'off' }, 46), 'S1');
		expect(verdictAt(up)).toBe('fail');
	});

	it('on a common bus is the bus’s volts, and says nothing of its own string to the others', () => {
		const lone = expectedAt(placeOf(visit, 'S1'))!.value;
		const joined = placeOf(switched(visit, 'S1', { siblings: 'joined' }), 'S1');
		expect(Math.abs(expectedAt(joined)!.value / lone - 1)).toBeLessThan(0.02);
		const other = (one: Visit) => expectedAt(placeOf(one, 'S2'))!.peers;
		expect(other(switched(visit, 'S1', { siblings: 'joined' }))).toBe(other(visit) - 1);
	});

	it('with a section covered has nothing to compare with', () => {
		expect(reasonAt(placeOf(switched(visit, 'S1', { covered: true }), 'S1'))).toContain('covered');
	});
});

describe('a figure that was just read', () => {
	const voltage = { quantity: 'open-circuit-voltage' } as const;
	it.each([
		[-456, 'Change the leads'],
		[1004, 'Is the meter on AC|meter on AC'],
		[0.4, 'check the holder'],
		[455, null]
	])('of %d V where 456 V are expected', (value, words) => {
		const hint = entryHint({ ...voltage, value }, 456, []);
		if (words === null) expect(hint).toBeNull();
		else expect(hint).toMatch(new RegExp(words, 'i'));
	});

	it('turned clamps, dead ones and ones not zeroed are told apart', () => {
		const current = { quantity: 'operating-current' } as const;
		expect(entryHint({ ...current, value: -8.1 }, 8.1, [])).toContain('turn the clamp round');
		expect(entryHint({ ...current, value: 0.05 }, 8.1, [])).toContain('No current');
		const rest = { quantity: 'residual-current' } as const;
		expect(entryHint({ ...rest, value: 0.1 }, null, [])).toBeNull();
		expect(entryHint({ ...rest, value: 0.6 }, null, [])).toContain('Zero the clamp');
		expect(entryHint({ ...rest, value: 0.6 }, null, [{ ...rest, value: 0.62 }])).toContain(
			'Every string shows about 0.6 A'
		);
	});
});

describe('test equipment below the cold volts of a place', () => {
	const [a1] = record.strings;
	const reading = {
		place: stringPlace(a1!.id),
		quantity: 'open-circuit-voltage',
		state: usualState('open-circuit-voltage')
	} as const;
	const rated = (ratedVoltage: number | null, category: 2 | 3 | null = null) => ({
		volts: { ...USUAL_METERS.volts, ratedVolts: ratedVoltage, category },
		amps: USUAL_METERS.amps
	});

	it('is refused, with what can stand there and why', () => {
		expect(testEquipmentProblem(record, rated(600), reading)).toMatchObject({
			params: { needed: 609 }
		});
		expect(testEquipmentProblem(record, rated(1000), reading)).toBeNull();
		expect(testEquipmentProblem(record, rated(null), reading)).toBeNull();
		expect(testEquipmentProblem(record, rated(1000, 2), reading)!.code).toMatch(/category/);
		const cold = { ...record, rules: { ...record.rules, lowest: -10 } };
		expect(testEquipmentProblem(cold, rated(500), reading)).toMatchObject({
			params: { place: { params: { string: 'A1', lowest: -10 } } }
		});
	});

	it('is not asked about where nothing live is touched', () => {
		const fuse = { kind: 'fuse', string: a1!.id, pole: 'positive' } as const;
		const resistance = { place: fuse, quantity: 'fuse-resistance', state: null } as const;
		expect(testEquipmentProblem(record, rated(100), resistance)).toBeNull();
	});
});

describe('the plain 5 % rule', () => {
	it('passes a lost section, which the band does not', () => {
		const visit = visitOf({ record, faults: { A2: { code: 'bypass-diode-shorted' } } });
		const a2 = record.strings.find(({ label }) => label === 'A2')!;
		const rule = plainRule(record, findCurrentReadings(visit)).get(
			`${a2.id}/open-circuit-voltage`
		)!;
		expect(rule.passes).toBe(true);
		expect(rule.inModules).toBeGreaterThan(0.2);
		const [worst] = comparedStrings(record, judgeByModel(record, effectiveVisit(record, visit)));
		expect(worst).toMatchObject({ label: 'A2', voltage: { verdict: 'fail' } });
	});

	it('says nothing of fewer than three like strings', () => {
		const two = arrayRecord(['A1', 'A2']);
		expect(plainRule(two, findCurrentReadings(visitOf({ record: two }))).size).toBe(0);
	});
});

describe('translation, IEC 60891 procedure 2', () => {
	const how = translatedString(type!, 12);
	it('goes there and back to the same point', () => {
		const any = fc.record({
			irradiance: fc.double({ min: 200, max: 1100, noNaN: true }),
			cellTemperature: fc.double({ min: -5, max: 70, noNaN: true })
		});
		fc.assert(
			fc.property(any, any, (from, to) => {
				const point = { volts: 400, amps: 6 };
				const there = translatePoint(point, how, from, to);
				const back = translatePoint(there, how, to, from);
				// The correction of current is linear in the difference, so it comes back to second order.
				const second = Math.abs(how.alpha * (to.cellTemperature - from.cellTemperature)) ** 2;
				expect(Math.abs(back.amps / point.amps - 1)).toBeLessThan(second + 1e-9);
				expect(Math.abs(back.volts - point.volts)).toBeLessThan(0.5);
			})
		);
	});

	it('agrees with the model it does not share: ends of a module within 1 %', () => {
		const fit = fitLabel(NAMEPLATE);
		const from = { irradiance: 700, cellTemperature: 45 };
		const here = translate(fit, from.irradiance, from.cellTemperature);
		const one = translatedString(type!, 1);
		const voc = translatePoint({ volts: openCircuitVoltage(here), amps: 0 }, one, from, STC);
		const isc = translatePoint({ volts: 0, amps: shortCircuitCurrent(here) }, one, from, STC);
		expect(Math.abs(voc.volts / NAMEPLATE.voc - 1)).toBeLessThan(0.01);
		expect(Math.abs(isc.amps / NAMEPLATE.isc - 1)).toBeLessThan(0.01);
	});

	it('carries every string’s readings to standard conditions, by its mark', () => {
		const carried = atStandard(
			record,
			effectiveVisit(record, visitOf({ record, irradiance: 800, cellTemperature: 45 }))
		);
		const a1 = carried.get('A1')!;
		expect(Math.abs(a1.voc! / (12 * NAMEPLATE.voc) - 1)).toBeLessThan(0.03);
		expect(a1.running).toBe(true);
	});
});

describe('a measured curve', () => {
	const visit = visitOf({ record, irradiance: 800, cellTemperature: 45 });
	const [a1] = record.strings;
	const whole = stringAtConditions(
		a1!,
		agedModel(type!, 6),
		alike(moduleAtConditions(agedModel(type!, 6), 800, 45))
	);
	const measured = (shadedSubstrings: number): MeasuredCurve => {
		const [run] = whole.modules;
		const shaded = {
			...run!,
			count: 1,
			sections: run!.sections.map((substring, i) =>
				i < shadedSubstrings ? { ...substring, light: 0.5 } : substring
			)
		};
		const modules = shadedSubstrings > 0 ? [shaded, { ...run!, count: 11 }] : [run!];
		const curve = curveOf(new BusSource({ ...USUAL_PARTS, strings: [{ ...whole, modules }] }), 80);
		return {
			id: testId(77),
			stringId: a1!.id,
			points: Array.from(curve.volts, (v, i) => [v, curve.amps[i]!] as const),
			at: { irradiance: 800, cellTemperature: 45 },
			origin: 'typed',
			takenAt: visit.startedAt,
			by: 'Tester',
			supersedes: null
		};
	};

	it('of a whole string lies on the expected one, without a step', () => {
		const { steps, shares } = compareCurve(record, effectiveVisit(record, visit), measured(0))!;
		expect(steps).toEqual([]);
		expect(Math.abs(shares.pmax - 1)).toBeLessThan(0.06);
	});

	it.each([1, 2])('with %d sections in half the light shows a step of as many', (count) => {
		const { steps, words } = compareCurve(record, effectiveVisit(record, visit), measured(count))!;
		expect(steps).toHaveLength(1);
		expect(steps[0]!.substrings).toBe(count);
		expect(words.join(' ')).toContain(`about ${count} section`);
	});

	it('without conditions or of no string has nothing to lie over', () => {
		expect(
			compareCurve(record, effectiveVisit(record, { ...visit, conditions: [] }), measured(0))
		).toBeNull();
		expect(
			compareCurve(record, effectiveVisit(record, visit), { ...measured(0), stringId: testId(404) })
		).toBeNull();
	});

	it('is read from a file with other headings and commas, or from typed lines', () => {
		const head = ['U [V]', 'I [A]'];
		const rows = [
			['400,5', '5,1'],
			['0', '8,9'],
			['400,5', '5,2']
		];
		const { lines } = readTable(rows, matchColumns(head, CURVE_COLUMNS), CURVE_COLUMNS);
		expect(pointsOfLines(lines)).toEqual([
			[0, 8.9],
			[400.5, 5.2]
		]);
		expect(pointsOfText('410 8,1\n0 8,9; 456 0')).toEqual([
			[0, 8.9],
			[410, 8.1],
			[456, 0]
		]);
		expect(pointsOfText('410')).toBeNull();
		expect(pointsOfText('volts amps')).toBeNull();
	});
});
