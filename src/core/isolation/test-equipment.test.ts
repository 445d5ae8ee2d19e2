import { describe, expect, it } from 'vitest';
import { ALL_SITES, SALTMARSH } from '../../../tests/support/sites';
import { type Quantity, stringPlace, usualState } from '../visit';
import { labelVoltageOf } from '../../../tests/support/label-voltage';
import { EMPTY_RECORD } from '../record';
import { say } from './messages';
import { highestColdVoltage, testEquipmentProblem, meterProblem } from './test-equipment';

const MOST = {
	voltage: 541.2,
	place: say('isolation.place.coldest', { string: 'A1', lowest: -8 })
};
const { record, visit } = SALTMARSH;
const [string] = record.strings;
const reading = (quantity: Quantity) => ({
	place: stringPlace(string!.id),
	quantity,
	state: usualState(quantity)
});
const rated = (voltage: number | null, category: 2 | 3 | 4 | null = 3) => ({
	volts: { ...visit.meters.volts, ratedVolts: voltage, category },
	amps: { ...visit.meters.amps, ratedVolts: voltage, category }
});

describe('the most that can stand at an array', () => {
	it.each(ALL_SITES.map(({ site, record }) => ({ name: site.name, record })))(
		'of $name is above what its labels say at 25 °C, and not above the hardest frost',
		({ record }) => {
			const most = highestColdVoltage(record);
			const label = Math.max(...record.strings.map((one) => labelVoltageOf(record, one)));
			expect(most!.voltage).toBeGreaterThan(label);
			expect(most!.voltage).toBeLessThanOrEqual(1.25 * label + 1e-9);
		}
	);

	it('of nothing recorded is not known', () => {
		expect(highestColdVoltage(EMPTY_RECORD)).toBeNull();
	});

	it('without the site’s lowest temperature is that of the hardest frost, and says so', () => {
		const frost = { ...record, rules: { ...record.rules, lowest: null } };
		const most = highestColdVoltage(frost)!;
		expect(most.place.code).toBe('isolation.place.hard-frost');
		expect(most.voltage).toBeGreaterThan(highestColdVoltage(record)!.voltage);
	});
});

describe('a meter', () => {
	it.each([
		['volts', 1000, 3, null],
		['volts', 541, 3, { code: 'isolation.rating.meter', params: { rated: 541, needed: 542 } }],
		['amps', 300, 4, { code: 'isolation.rating.clamp', params: { rated: 300 } }],
		['volts', 600, 2, { code: 'isolation.category.meter' }],
		['volts', null, null, null]
	] as const)('for %s rated %s V, CAT %s', (which, ratedVoltage, category, expected) => {
		const problem = meterProblem(which, { ratedVolts: ratedVoltage, category }, MOST);
		if (expected === null) expect(problem).toBeNull();
		else expect(problem).toMatchObject(expected);
	});
});

describe('a reading', () => {
	it('is refused for test equipment that does not bear its place', () => {
		const problem = (quantity: Quantity) =>
			testEquipmentProblem(record, rated(300), reading(quantity))?.code;
		expect(problem('open-circuit-voltage')).toBe('isolation.rating.meter');
		expect(problem('operating-current')).toBe('isolation.rating.clamp');
		expect(testEquipmentProblem(record, rated(1500), reading('open-circuit-voltage'))).toBeNull();
	});

	it('of dead parts, or from outside, is not', () => {
		for (const quantity of ['module-count', 'shade-seen', 'insulation-resistance'] as const) {
			expect(testEquipmentProblem(record, rated(300), reading(quantity))).toBeNull();
		}
	});

	it('with a rating that nobody read is not refused here: making safe asks for it', () => {
		expect(
			testEquipmentProblem(record, rated(null, null), reading('open-circuit-voltage'))
		).toBeNull();
	});
});
