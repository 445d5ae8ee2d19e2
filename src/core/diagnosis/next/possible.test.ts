import { judgeByModel } from '../../assessment';
import { effectiveVisit } from '../../visit';
import { describe, expect, it } from 'vitest';
import { arrayRecord, normalFrom, visitOf, type Planted } from '../../../../tests/support/scenario';
import { traceGroups } from '../trace-groups';
import { outcomeInWords } from './outcome-words';
import { possibleAt } from './possible';
import type { Candidate } from './candidates';

const record = arrayRecord();
const stringOf = (faults: Record<string, Planted>, label = 'A2') => {
	const visit = visitOf({ record, faults, normal: normalFrom(4) });
	const [group] = traceGroups(
		record,
		effectiveVisit(record, visit),
		judgeByModel(record, effectiveVisit(record, visit)).peerGroups
	);
	return group!.posterior.strings.find(({ case: { string } }) => string.label === label)!;
};
const SEGMENT = { quantity: 'stretch-voltage' } as Candidate;

describe('what may be so at a string', () => {
	it('begins with nothing, and shares all chances', () => {
		const possible = possibleAt(stringOf({}));
		expect(possible[0]).toMatchObject({ code: 'healthy', suspect: null });
		expect(possible.reduce((sum, { probability }) => sum + probability, 0)).toBeCloseTo(1, 9);
	});

	it('is a fault at each of its places: a shorted diode at 36, an open joint at 13', () => {
		const possible = possibleAt(stringOf({ A2: { code: 'bypass-diode-shorted' } }));
		const diodes = possible.filter(({ code }) => code === 'bypass-diode-shorted');
		expect(diodes.map(({ suspect }) => suspect!.at)).toEqual(
			Array.from({ length: 36 }, (_, at) => at)
		);
		const open = possibleAt(stringOf({ A2: { code: 'connector-open' } }));
		expect(open.filter(({ code }) => code === 'connector-open')).toHaveLength(13);
	});

	it('is no place likelier than another while nothing tells them apart', () => {
		const diodes = possibleAt(stringOf({ A2: { code: 'bypass-diode-shorted' } })).filter(
			({ code }) => code === 'bypass-diode-shorted'
		);
		for (const { probability } of diodes) {
			expect(probability).toBeCloseTo(diodes[0]!.probability, 9);
		}
	});

	it('does not ask about what is next to impossible', () => {
		const codes = new Set(possibleAt(stringOf({})).map(({ code }) => code));
		expect(codes.has('connector-reversed')).toBe(false);
		expect(codes.has('connector-open')).toBe(false);
	});
});

describe('an outcome in words', () => {
	const string = stringOf({ A2: { code: 'bypass-diode-shorted' } });
	const possible = possibleAt(string);
	const indices = (wanted: (code: string, at: number) => boolean) =>
		possible.flatMap(({ code, suspect }, i) => (wanted(code, suspect?.at ?? -1) ? [i] : []));
	const said = (of: number[]) =>
		outcomeInWords(string, possible, SEGMENT, {
			probability: of.reduce((sum, i) => sum + possible[i]!.probability, 0),
			low: 200,
			high: 210,
			of
		});

	it('names the modules that a fault could then be at', () => {
		const { words, leaves, low, high } = said(
			indices((code, at) => code === 'bypass-diode-shorted' && at < 9)
		);
		expect(words).toBe('bypass diode shorted at modules 1 to 3');
		expect(leaves).toEqual(['bypass-diode-shorted']);
		expect([low, high]).toEqual([200, 210]);
	});

	it('names none where it could be at any', () => {
		expect(said(indices((code) => code === 'bypass-diode-shorted')).words).toBe(
			'bypass diode shorted'
		);
	});

	it('names the likeliest first, and a sound string as whole', () => {
		const { leaves } = said(indices((code) => code !== 'healthy'));
		expect(['bypass-diode-shorted', 'section-open']).toContain(leaves[0]);
		expect(said([0]).words).toBe('this string is healthy');
	});
});
