import { describe, expect, it } from 'vitest';
import { STRING_FAULT_CODES, type CauseCode } from '../faults/fault';
import { coldCeiling, opensSomething, REVERSED_STRING, WHO_DECIDES } from '../rules/cautions';
import { testsFor } from './next-tests';

const CODES: readonly CauseCode[] = [...STRING_FAULT_CODES, 'reading-wrong', 'conditions-wrong'];
const CEILING = 609;

describe('what to measure next', () => {
	it.each(CODES)('%s has a test that says how, and what each outcome means', (code) => {
		const tests = testsFor([code], 'A3', CEILING);
		expect(tests.length).toBeGreaterThan(0);
		for (const { title, how, outcomes } of tests) {
			expect(title).toMatch(code === 'conditions-wrong' ? /irradiance/ : /A3/);
			expect(how.length).toBeGreaterThan(30);
			expect(outcomes).toMatch(/:/);
		}
	});

	it.each(CODES)('%s: each test carries its caution, with its source', (code) => {
		for (const { cautions } of testsFor([code], 'A3', CEILING)) {
			expect(cautions.length).toBeGreaterThan(0);
			for (const { words, source } of cautions) {
				expect(words.length).toBeGreaterThan(20);
				expect(source).toMatch(/common practice|NEC|IEC/);
			}
		}
	});

	it('says that it does not lead through making safe, exactly where a cover or joint is opened', () => {
		for (const code of CODES) {
			for (const { exposure, makeSafeFirst } of testsFor([code], 'A3', CEILING)) {
				expect(makeSafeFirst !== null).toBe(opensSomething(exposure));
				if (makeSafeFirst) expect(makeSafeFirst).toMatch(/take the steps of “Make safe”/);
			}
		}
	});

	it('puts the least exposure first: the clamp before the fuse is drawn', () => {
		const [first, second] = testsFor(['fuse-blown', 'reading-wrong'], 'B1', CEILING);
		expect(first).toMatchObject({
			exposure: 'closed-cover',
			title: 'Clamp the current of B1 again'
		});
		expect(second).toMatchObject({ exposure: 'open-cover-dead' });
		expect(second!.cautions[0]!.words).toMatch(/usually means reverse current/);
	});

	it('does not propose one test twice', () => {
		const titles = testsFor(['bypass-diode-shorted', 'section-open'], 'A2', CEILING).map(
			(t) => t.title
		);
		expect(titles).toEqual([...new Set(titles)]);
		expect(titles).toHaveLength(1);
	});

	it('puts a standing danger before every other caution', () => {
		for (const { cautions } of testsFor(['connector-reversed'], 'A1', CEILING, [REVERSED_STRING])) {
			expect(cautions[0]).toBe(REVERSED_STRING);
		}
	});

	it('names the volts that the kit must bear, cold', () => {
		const ceiling = coldCeiling(40.58, 12);
		expect(ceiling).toBeCloseTo(12 * 40.58 * 1.25, 9);
		const [halve] = testsFor(['connector-open'], 'A3', ceiling);
		expect(halve!.cautions.map((c) => c.words).join()).toContain('at least 609 V DC');
		expect(halve!.cautions.map((c) => c.words).join()).toMatch(/Touch neither side/);
	});

	it('never calls anything safe to do', () => {
		const said = CODES.flatMap((code) => testsFor([code], 'A3', CEILING))
			.map((test) => JSON.stringify(test))
			.join();
		expect(said).not.toMatch(/\b(is|are|be|it’s) safe\b|\bsafe to\b|\bsafely\b/i);
		expect(WHO_DECIDES).toMatch(/licensed person decide/);
	});
});
