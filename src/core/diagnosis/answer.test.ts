import { describe, expect, it } from 'vitest';
import { arrayRecord, normalFrom, visitOf } from '../../../tests/support/scenario';
import { assess } from './assess';
import type { Cause, CauseMember } from './cause';
import { faultFrequencies } from './fault-frequencies';
import { inOrder } from './order';
import { remarksOn } from './remarks';
import { heldShort } from './unexplained';

const member = (code: CauseMember['code'], string = 's1'): CauseMember => ({
	code,
	place: { string },
	words: code,
	probability: 0.5,
	severity: '',
	size: null
});
const line = (probability: number, ...codes: CauseMember['code'][]): Cause => ({
	id: codes.join('+'),
	members: codes.map((code) => member(code)) as [CauseMember, ...CauseMember[]],
	probability,
	faulty: probability,
	stringId: 's1',
	title: '',
	perhaps: null,
	where: null,
	reasons: [],
	borneOut: true,
	lookAlikes: null
});
const unexplained = {
	readingId: 'r1',
	stringId: 's1',
	quantity: 'open-circuit-voltage',
	measured: 1.1,
	predicted: 460,
	standardUncertainty: 2
} as const;

describe('the order of lines', () => {
	it('is by probability, a danger a little ahead and nothing wrong a little behind', () => {
		const order = inOrder([
			line(0.52, 'healthy'),
			line(0.5, 'soiling'),
			line(0.48, 'earth-fault'),
			line(0.9, 'fuse-blown')
		]);
		expect(order.map(({ id }) => id)).toEqual(['fuse-blown', 'earth-fault', 'soiling', 'healthy']);
	});

	it('has what the readings speak for before what was as likely before them', () => {
		const guessed = { ...line(0.45, 'module-degraded'), borneOut: false };
		expect(inOrder([guessed, line(0.38, 'section-open')])[0]!.id).toBe('section-open');
		const { causes } = assess(
			arrayRecord(['A1', 'A2']),
			visitOf({ record: arrayRecord(['A1', 'A2']), quantities: ['short-circuit-current'] })
		);
		expect(causes[0]!.members[0].code).toBe('healthy');
		expect(causes.filter(({ stringId, borneOut }) => stringId && borneOut)).toEqual([]);
	});

	it('has what was found beside the strings before that nothing is wrong', () => {
		const first = (beside: number) =>
			inOrder([line(0.97, 'healthy'), line(beside, 'clipping')])[0]!.id;
		expect(first(0.99)).toBe('clipping');
		expect(first(0.3)).toBe('healthy');
		expect(inOrder([line(0.99, 'clipping'), line(0.98, 'fuse-blown')])[0]!.id).toBe('fuse-blown');
	});
});

describe('how frequent faults may be', () => {
	it('is more where somebody was called for one, and few in most arrays else', () => {
		const mean = (list: readonly number[]) => list.reduce((a, b) => a + b, 0) / list.length;
		expect(mean(faultFrequencies('fault', 4))).toBeGreaterThan(
			1.5 * mean(faultFrequencies('routine', 4))
		);
		expect(faultFrequencies('routine', 4)[0]).toBeLessThan(0.1);
	});

	it('expects as many in a small array as in a middling one where somebody was called', () => {
		const mean = (list: readonly number[]) => list.reduce((a, b) => a + b, 0) / list.length;
		const expected = (usual: number) => usual * mean(faultFrequencies('fault', usual));
		expect(expected(0.2)).toBeCloseTo(expected(0.8), 9);
		expect(faultFrequencies('routine', 0.2)).toEqual(faultFrequencies('routine', 0.8));
	});

	it('keeps a healthy array of many strings healthy', () => {
		const labels = Array.from({ length: 24 }, (_, i) => `${'ABCD'[i % 4]}${i}`);
		const record = arrayRecord(labels, 18);
		let accused = 0;
		for (let seed = 1; seed <= 30; seed++) {
			const { causes } = assess(record, visitOf({ record, normal: normalFrom(seed) }));
			accused += Number(causes[0]!.members[0].code !== 'healthy');
		}
		expect(accused).toBeLessThanOrEqual(2);
	});
});

describe('a reading that a cause leaves unexplained', () => {
	it('holds the cause below certainty, and no other', () => {
		const of = () => ['s1'];
		const [held] = heldShort([line(0.99, 'fuse-blown')], [unexplained], of);
		expect(held!.probability).toBe(0.88);
		expect(heldShort([line(0.99, 'fuse-blown')], [unexplained], () => ['s2'])[0]!.probability).toBe(
			0.99
		);
		expect(heldShort([line(0.99, 'reading-wrong')], [unexplained], of)[0]!.probability).toBe(0.99);
	});

	it('is listed with what the cause would give', () => {
		const record = arrayRecord();
		const visit = visitOf({
			record,
			normal: normalFrom(2),
			typed: { 'A1 open-circuit-voltage': 640, 'A1 operating-current': 3 }
		});
		const { unexplained: listed, causes } = assess(record, visit);
		const known = causes.some(
			({ members: [{ code }], probability }) => code === 'reading-wrong' && probability > 0.5
		);
		expect(known || listed.length > 0).toBe(true);
	});
});

describe('remarks', () => {
	const codes = (causes: Cause[], next: Parameters<typeof remarksOn>[1] = []) =>
		remarksOn(causes, next).map(({ code }) => code);

	it('say that the record is contradicted, and by which strings', () => {
		const [remark] = remarksOn([line(0.8, 'record-wrong')], []);
		expect(remark).toEqual({ code: 'record-contradicted', strings: ['s1'] });
	});

	it('say that causes cannot be told apart where no test parts them', () => {
		expect(codes([line(0.9, 'shade', 'soiling')])).toEqual(['not-separable', 'no-test-worthwhile']);
		const test = {
			stringId: 's1',
			information: 0.6,
			outcomes: [{ words: '', probability: 1, low: 0, high: 1, leaves: ['shade'] }]
		} as unknown as Parameters<typeof remarksOn>[1][number];
		expect(codes([line(0.9, 'shade', 'soiling')], [test])).toEqual([]);
	});

	it('say nothing where nothing is open', () => {
		expect(codes([line(0.95, 'healthy')])).toEqual([]);
	});
});
