import { expectedOf, judgeByModel } from '../judge-by-model';
import { effectiveVisit, type Place } from '../../visit';
import { describe, expect, it } from 'vitest';
import { readingAt } from '../../../../tests/support/readings';
import { arrayRecord, visitOf } from '../../../../tests/support/scenario';
import { judgeDiode, judgeModuleVoltage, judgeSegment, judgeUnit } from './module-limits';

const record = arrayRecord();
const [string] = record.strings;
const expected = judgeByModel(record, effectiveVisit(record, visitOf({ record })));
const voltage = expectedOf(expected.places, string!.id)!.moduleVoltage;
const { sections: substrings } = record.moduleTypes[0]!.plate;

const module = (substring: number | null = null): Place => ({
	kind: 'module',
	string: string!.id,
	module: 4,
	section: substring
});
const moduleVoltage = (value: number) =>
	judgeModuleVoltage(record, expected, readingAt(module(), 'open-circuit-voltage', value));
const substringVoltage = (value: number) =>
	judgeModuleVoltage(record, expected, readingAt(module(2), 'section-voltage', value));

describe('one module', () => {
	it.each([
		['as it should', 1, 'pass', 'As one should give'],
		['within tolerance', 1.03, 'pass', 'As one should give'],
		[
			'without a section',
			1 - 1 / substrings,
			'fail',
			`About 1 of ${substrings} substrings missing`
		],
		['without two', 1 - 2 / substrings, 'fail', `About 2 of ${substrings} substrings missing`],
		['without any', 0, 'fail', 'No voltage'],
		['reversed', -1, 'fail', 'Reversed'],
		['too high', 1.15, 'marginal', 'Not as one should give']
	] as const)('that gives %s', (_, share, verdict, words) => {
		const judged = moduleVoltage(share * voltage);
		expect(judged.verdict).toBe(verdict);
		expect(judged.words).toContain(words);
	});

	it('has no basis where nothing is known of light and heat', () => {
		const dark = judgeByModel(
			record,
			effectiveVisit(record, { ...visitOf({ record }), conditions: [] })
		);
		const judged = judgeModuleVoltage(
			record,
			dark,
			readingAt(module(), 'open-circuit-voltage', 40)
		);
		expect(judged.verdict).toBe('not-assessed');
	});
});

describe('one section', () => {
	it.each([
		[1, 'pass'],
		[0, 'fail'],
		[-1, 'fail'],
		[0.8, 'marginal']
	] as const)('that gives %d of its volts: %s', (share, verdict) => {
		expect(substringVoltage((share * voltage) / substrings).verdict).toBe(verdict);
	});
});

describe('a stretch between two parted joints', () => {
	const segment = (value: number) =>
		judgeSegment(
			expected,
			readingAt({ kind: 'stretch', string: string!.id, from: 2, to: 8 }, 'stretch-voltage', value)
		);
	it('is told in modules', () => {
		expect(segment(6 * voltage).verdict).toBe('pass');
		expect(segment(5 * voltage)).toMatchObject({
			verdict: 'fail',
			words: '1.00 modules short in this string segment.'
		});
		expect(segment(0).words).toContain('the break is in this segment');
	});
});

describe('a unit beside its neighbours', () => {
	const unit = (value: number, module = 1) =>
		readingAt({ kind: 'module', string: string!.id, module, section: null }, 'unit-power', value);
	const judge = (value: number, others: readonly number[]) => {
		const own = unit(value);
		const all = [own, ...others.map((power, i) => unit(power, i + 2))];
		return judgeUnit(new Map(all.map((one) => [one.id, one])), own);
	};
	it.each([
		[240, [238, 242, 241], 'pass'],
		[210, [238, 242, 241], 'marginal'],
		[120, [238, 242, 241], 'fail'],
		[120, [238, 242], 'not-assessed'],
		[0, [0, 0, 0], 'not-assessed']
	] as const)('of %d W among %j: %s', (value, others, verdict) => {
		expect(judge(value, others).verdict).toBe(verdict);
	});
});

describe('a bypass diode in the diode test', () => {
	it.each([
		['diode-forward', 0.02, 'fail', 'Shorted'],
		['diode-forward', 0.55, 'pass', 'sound'],
		['diode-forward', 9.99, 'fail', 'Open'],
		['diode-reverse', 0.02, 'fail', 'shorted'],
		['diode-reverse', 9.99, 'pass', 'blocks']
	] as const)('%s of %d V is %s', (quantity, value, verdict, words) => {
		const judged = judgeDiode(readingAt(module(1), quantity, value));
		expect(judged.verdict).toBe(verdict);
		expect(judged.words).toContain(words);
	});
});
