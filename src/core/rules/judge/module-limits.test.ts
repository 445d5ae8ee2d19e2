import { describe, expect, it } from 'vitest';
import { readingAt } from '../../../../tests/support/readings';
import { arrayRecord, visitOf } from '../../../../tests/support/scenario';
import { expectReadings } from '../../expectation/expect';
import { stringKey, type Place } from '../../expectation/place';
import { judgeDiode, judgeModuleVolts, judgeStretch, judgeUnit } from './module-limits';

const record = arrayRecord();
const [string] = record.strings;
const expected = expectReadings(record, visitOf({ record }));
const volts = expected.places.find(
	({ key }) => key === stringKey(string!.id, 'open-circuit-voltage')
)!.moduleVolts!;
const { sections } = record.moduleTypes[0]!.plate;

const module = (section: number | null = null): Place => ({
	kind: 'module',
	string: string!.id,
	module: 4,
	section
});
const moduleVolts = (value: number) =>
	judgeModuleVolts(record, expected, readingAt(module(), 'open-circuit-voltage', value));
const sectionVolts = (value: number) =>
	judgeModuleVolts(record, expected, readingAt(module(2), 'section-voltage', value));

describe('one module', () => {
	it.each([
		['as it should', 1, 'fits', 'As one should give'],
		['within tolerance', 1.03, 'fits', 'As one should give'],
		['without a section', 1 - 1 / sections, 'off', `About 1 of ${sections} sections missing`],
		['without two', 1 - 2 / sections, 'off', `About 2 of ${sections} sections missing`],
		['without any', 0, 'off', 'No volts'],
		['reversed', -1, 'off', 'Reversed'],
		['too high', 1.15, 'look', 'Not as one should give']
	] as const)('that gives %s', (_, share, verdict, words) => {
		const judged = moduleVolts(share * volts);
		expect(judged.verdict).toBe(verdict);
		expect(judged.words).toContain(words);
	});

	it('has no basis where nothing is known of light and heat', () => {
		const dark = expectReadings(record, { ...visitOf({ record }), conditions: [] });
		const judged = judgeModuleVolts(record, dark, readingAt(module(), 'open-circuit-voltage', 40));
		expect(judged.verdict).toBe('no-basis');
	});
});

describe('one section', () => {
	it.each([
		[1, 'fits'],
		[0, 'off'],
		[-1, 'off'],
		[0.8, 'look']
	] as const)('that gives %d of its volts: %s', (share, verdict) => {
		expect(sectionVolts((share * volts) / sections).verdict).toBe(verdict);
	});
});

describe('a stretch between two parted joints', () => {
	const stretch = (value: number) =>
		judgeStretch(
			expected,
			readingAt({ kind: 'stretch', string: string!.id, from: 2, to: 8 }, 'stretch-voltage', value)
		);
	it('is told in modules', () => {
		expect(stretch(6 * volts).verdict).toBe('fits');
		expect(stretch(5 * volts)).toMatchObject({
			verdict: 'off',
			words: '1.00 modules’ volts are missing in this stretch.'
		});
		expect(stretch(0).words).toContain('the break is in this stretch');
	});
});

describe('a unit beside its neighbours', () => {
	const unit = (value: number, module = 1) =>
		readingAt({ kind: 'module', string: string!.id, module, section: null }, 'unit-power', value);
	const judge = (value: number, others: readonly number[]) => {
		const own = unit(value);
		const all = [own, ...others.map((watts, i) => unit(watts, i + 2))];
		return judgeUnit(new Map(all.map((one) => [one.id, one])), own);
	};
	it.each([
		[240, [238, 242, 241], 'fits'],
		[210, [238, 242, 241], 'look'],
		[120, [238, 242, 241], 'off'],
		[120, [238, 242], 'no-basis'],
		[0, [0, 0, 0], 'no-basis']
	] as const)('of %d W among %j: %s', (value, others, verdict) => {
		expect(judge(value, others).verdict).toBe(verdict);
	});
});

describe('a bypass diode in the diode test', () => {
	it.each([
		['diode-forward', 0.02, 'off', 'Shorted'],
		['diode-forward', 0.55, 'fits', 'sound'],
		['diode-forward', 9.99, 'off', 'Open'],
		['diode-reverse', 0.02, 'off', 'shorted'],
		['diode-reverse', 9.99, 'fits', 'blocks']
	] as const)('%s of %d V is %s', (quantity, value, verdict, words) => {
		const judged = judgeDiode(readingAt(module(1), quantity, value));
		expect(judged.verdict).toBe(verdict);
		expect(judged.words).toContain(words);
	});
});
