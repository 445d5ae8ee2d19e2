import { describe, expect, it } from 'vitest';
import { FAULT_CODES, QUANTITIES } from '../visit';
import type { CauseCode } from '../faults';
import { lineOf, type BareMember } from './line';
import { amount, causeWords, knownWords, lookAlikes, readingPlace } from './words';

const member = (
	code: CauseCode,
	probability: number,
	more: Partial<BareMember> = {}
): BareMember => ({
	code,
	place: { string: 's1' },
	probability,
	severity: '',
	size: null,
	...more
});
const SUBSTRING = { severity: 'one substring', size: 1 };

describe('a line of the answer', () => {
	it('has its members together, the likeliest first', () => {
		const line = lineOf(
			[member('section-open', 0.3, SUBSTRING), member('bypass-diode-shorted', 0.65, SUBSTRING)],
			'A1',
			[]
		);
		expect(line.probability).toBeCloseTo(0.95, 9);
		expect(line.members.map(({ code }) => code)).toEqual(['bypass-diode-shorted', 'section-open']);
		expect(line.stringId).toBe('s1');
	});

	it('is named once it is likely, its common size said once', () => {
		const line = lineOf(
			[member('section-open', 0.3, SUBSTRING), member('bypass-diode-shorted', 0.65, SUBSTRING)],
			'A1',
			[]
		);
		expect(line.title).toMatch(/^Bypass diode shorted, or .*\(one substring\)$/);
		expect(line.title.match(/one substring/g)).toHaveLength(1);
		expect(line.perhaps).toBeNull();
	});

	it('is told by what is known while it is not, with what it may be', () => {
		const line = lineOf([member('connector-open', 0.5), member('module-open', 0.2)], 'A1', []);
		expect(line.title).toBe('String open-circuit, cause not determined');
		expect(line.perhaps).toMatch(/^Perhaps connector open, or .*\.$/);
	});

	it('never names one of several causes of low current as if it were known', () => {
		const line = lineOf([member('soiling', 0.6), member('shade', 0.39)], 'A1', []);
		expect(line.title).toBe('Low current, cause not determined');
		expect(lineOf([member('soiling', 0.97)], 'A1', []).title).toBe(causeWords('soiling'));
	});

	it('leaves out what is next to nothing of it', () => {
		const { members } = lineOf([member('shade', 0.9), member('soiling', 0.001)], 'A1', []);
		expect(members.map(({ code }) => code)).toEqual(['shade']);
	});

	it('of one member that is next to nothing keeps it', () => {
		expect(lineOf([member('shade', 0)], 'A1', []).members).toHaveLength(1);
	});

	it('never is more than certain, and tells what of it is no fault of the array', () => {
		const line = lineOf(
			[
				member('fuse-blown', 0.8),
				member('reading-wrong', 0.3, { place: { string: 's1', reading: 'r1' } })
			],
			'A1',
			[]
		);
		expect(line.probability).toBe(1);
		expect(line.faulty).toBeCloseTo(0.7, 9);
		expect(line.members[1]!.words).toBe('The clamp showed 0 by mistake');
	});

	it('of a wrong reading alone names the place that is to be read again', () => {
		const line = lineOf(
			[member('reading-wrong', 0.9, { place: { string: 's1', reading: 'r1' } })],
			'A1 open-circuit volts',
			[]
		);
		expect(line.title).toBe('This reading is wrong: A1 open-circuit volts');
	});

	it('has an id by its place and members, so that it is the same after the next reading', () => {
		const ids = [
			lineOf([member('shade', 0.5)], 'A1', []).id,
			lineOf([member('shade', 0.7)], 'A1', []).id,
			lineOf([member('shade', 0.5, { place: { string: 's2' } })], 'A2', []).id,
			lineOf([member('clipping', 0.5, { place: { inverter: true } })], '', []).id,
			lineOf([member('soiling', 0.5, { place: {} })], '', []).id
		];
		expect(ids[0]).toBe(ids[1]);
		expect(new Set(ids).size).toBe(4);
	});

	it('of all strings is named at any chance', () => {
		const line = lineOf([member('soiling', 0.2, { place: {} })], 'the array', []);
		expect(line.title).toBe('Soiling on all strings');
		expect(line.stringId).toBeNull();
	});

	it('says where in the string its members lie', () => {
		const within = {
			spread: 'module' as const,
			at: [3],
			likeliest: 3,
			share: 0.97,
			words: 'module 4'
		};
		const at = { place: { string: 's1', within } };
		expect(lineOf([member('module-open', 0.9, at)], 'A1', []).where).toBe('module 4');
		expect(lineOf([member('module-open', 0.9)], 'A1', []).where).toBeNull();
	});
});

describe('the words of a cause', () => {
	const codes: readonly CauseCode[] = [
		...FAULT_CODES,
		'healthy',
		'reading-wrong',
		'conditions-wrong',
		'record-wrong'
	];

	it.each(codes)('%s begin a sentence, and so does what is known before it', (code) => {
		for (const words of [causeWords(code), knownWords(code)]) {
			expect(words).toMatch(/^[A-Z]/);
			expect(words).not.toMatch(/\.$/);
		}
	});

	it('warn of what looks the same', () => {
		expect(lookAlikes(['shade'])).toContain('hot cell');
		expect(lookAlikes(['earth-fault'])).toContain('surge protector');
		expect(lookAlikes(['moisture-intermittent'])).toContain('take it again at noon');
		expect(lookAlikes(['fuse-blown'])).toBeNull();
	});
});

describe('a figure in words', () => {
	it.each([
		[452.84, 'V', '452.8 V'],
		[0.553, 'V', '0.55 V'],
		[5.951, 'A', '5.95 A'],
		[1e8, 'ohm', 'open'],
		[0.12, 'ohm', '0.12 ohm'],
		[1234.6, 'W', '1235 W'],
		[4, '', '4']
	])('%d %s is %s', (value, unit, words) => {
		expect(amount(value, unit)).toBe(words);
	});

	it('has its place before it, whatever is read', () => {
		for (const quantity of QUANTITIES) {
			expect(readingPlace('A1', quantity)).toMatch(/^A1 (AC|DC|I-V|[a-z])/);
		}
	});
});
