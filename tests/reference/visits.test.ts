import { isRead, verdictAt } from '$core/assessment';
import { describe, expect, it } from 'vitest';
import {
	agedModel,
	alike,
	moduleAtConditions,
	predictValue,
	stringAtConditions
} from '$core/expectation';
import type { StringQuantity } from '$core/visit';
import { AGEING_PER_YEAR } from '$core/expectation/allowances';
import { assess } from '$core/diagnosis';
import { firstLines } from '../support/first-lines';
import { INDEPENDENT_VISITS, knownVisit } from '../support/independent-visits';

/*
 * Source: 40 service visits simulated by an independent generator (numpy), with hidden faults and
 * their truth. Expected values, verdicts and causes are held against what it says is so.
 */

const CASES = INDEPENDENT_VISITS.map((given) => ({ id: given.id, given, ...knownVisit(given) }));
/** This version takes conditions from a sensor alone; the rest of the visits have none. */
const WITH_SENSOR = CASES.filter(({ visit }) => visit.conditions.length > 0);

/** Relative misses of whole strings at the true light, heat and ageing. */
function misses(quantity: StringQuantity): number[] {
	return CASES.flatMap(({ given: { truth, record: given }, record, readings, whole }) =>
		readings
			.filter(({ reading, string }) => reading.quantity === quantity && whole.has(string.label))
			.map(({ string, exact, exactVoltage }) => {
				const type = record.moduleTypes.find(({ id }) => id === string.moduleTypeId)!;
				const power =
					AGEING_PER_YEAR.current + AGEING_PER_YEAR.voltage + AGEING_PER_YEAR.fillFactor;
				const years = (given.yearsInService * truth.ageingPerYear) / power;
				const model = agedModel(type, years);
				const irradiance = truth.irradiance * (1 - truth.commonSoiling);
				const module = moduleAtConditions(model, irradiance, truth.cellTemperature);
				return (
					exact /
						predictValue(stringAtConditions(string, model, alike(module)), quantity, exactVoltage) -
					1
				);
			})
	);
}

const rms = (values: readonly number[]) => Math.hypot(...values) / Math.sqrt(values.length);
const mean = (values: readonly number[]) => values.reduce((sum, v) => sum + v, 0) / values.length;

describe('expected values of whole strings at the true conditions', () => {
	it('open-circuit volts to half a percent, though the modules of the generator differ', () => {
		const voltage = misses('open-circuit-voltage');
		expect(voltage.length).toBeGreaterThan(200);
		expect(rms(voltage)).toBeLessThan(0.005);
		expect(Math.abs(mean(voltage))).toBeLessThan(0.003);
	});

	it('operating current to a percent at the true volts', () => {
		const current = misses('operating-current');
		expect(current.length).toBeGreaterThan(150);
		expect(rms(current)).toBeLessThan(0.011);
		expect(Math.abs(mean(current))).toBeLessThan(0.004);
	});

	it('short-circuit current a little high, as the stronger modules of a string carry it', () => {
		const current = misses('short-circuit-current');
		expect(current.length).toBeGreaterThan(50);
		expect(mean(current)).toBeGreaterThan(0);
		expect(rms(current)).toBeLessThan(0.026);
	});
});

describe('verdicts', () => {
	it.each(WITH_SENSOR)(
		'$id accuses no reading of a whole string',
		({ record, visit, ...known }) => {
			const { places } = assess(record, visit);
			const accused = places
				.filter(isRead)
				.filter((place) => verdictAt(place) === 'fail')
				.map((place) => known.readings.find(({ reading }) => reading === place.reading)!)
				.filter(({ string, wrong }) => known.whole.has(string.label) && !wrong);
			expect(accused.map(({ string, reading }) => `${string.label} ${reading.quantity}`)).toEqual(
				[]
			);
		}
	);

	it('calls every reading off that was spoilt, unless it came out as it would have anyway', () => {
		const spoilt = WITH_SENSOR.flatMap(({ record, visit, readings }) => {
			const { places } = assess(record, visit);
			return readings
				.filter(({ wrong, reading, exact }) => wrong && Math.abs(reading.value - exact) > 1)
				.map(({ reading }) =>
					verdictAt(places.filter(isRead).find((place) => place.reading === reading)!)
				);
		});
		expect(spoilt.length).toBeGreaterThanOrEqual(9);
		expect(new Set(spoilt)).toEqual(new Set(['fail']));
	});
});

/**
 * First lines that are not right, and why. Below two standard uncertainties of the best reading of the
 * string: e016 (a module of 12 at 77 %, beside a reading taken at a tenth), e022 (1.06 ohm), e035 (6 ohm
 * at a third of the sun), e039 (a section of 24 modules, by a meter that shows whole volts). e013: five
 * modules shaded by 84 % are bypassed, and what is left of their volts looks like a lost section. e040:
 * a reading that was wrong stands first, and what is hidden beside it second.
 */
const NOT_RIGHT = ['e013', 'e016', 'e022', 'e035', 'e039', 'e040'];

describe('causes', () => {
	const lines = firstLines(new URL('./data/visits.json', import.meta.url));

	it.each(lines.filter(({ id }) => !NOT_RIGHT.includes(id)))(
		'$id: $hidden is among what the first line names, and nothing else',
		({ right }) => {
			expect(right).toBe(true);
		}
	);

	it('that are first and not right are less likely than not, or a reading that was wrong', () => {
		expect(lines.filter(({ right }) => !right).map(({ id }) => id)).toEqual(NOT_RIGHT);
		for (const { codes } of lines.filter(({ id }) => ['e022', 'e035', 'e039'].includes(id))) {
			expect(codes[0]).toBe('healthy');
		}
	});

	it('where no string is alive, what they share is named before the strings', () => {
		for (const { given, record, visit } of WITH_SENSOR) {
			const { warnings } = assess(record, visit);
			const said = warnings.some((words) =>
				words.startsWith('No string that was read has voltage')
			);
			expect(said).toBe(given.truth.code === 'rsd-no-signal');
		}
	});
});
