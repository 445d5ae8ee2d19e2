import { describe, expect, it } from 'vitest';
import { DEAD_VOLTAGE, NO_CURRENT } from '../assessment';
import {
	BLOWN_FUSE,
	cautionsFor,
	coldCeiling,
	EARTH_FAULT,
	MAKE_SAFE_FIRST,
	OPEN_STRING,
	opensSomething,
	REVERSED_STRING,
	generalCautions,
	WHO_DECIDES,
	type Exposure
} from './cautions';

const EXPOSURES: readonly Exposure[] = [
	'closed-cover',
	'open-cover-live',
	'open-cover-dead',
	'joint-dead',
	'roof'
];
const said = (exposure: Exposure) =>
	cautionsFor(exposure, 609)
		.map(({ words }) => words)
		.join(' ');

describe('standing cautions', () => {
	it('stand once for each danger among the causes, and not for others', () => {
		const words = generalCautions([
			'connector-open',
			'module-open',
			'earth-fault',
			'soiling',
			'connector-reversed'
		]);
		expect(words).toEqual([OPEN_STRING, EARTH_FAULT, REVERSED_STRING]);
		expect(generalCautions(['shade'])).toEqual([]);
	});
});

describe('cautions', () => {
	it.each(EXPOSURES)(
		'%s: two people, a proved meter, and the sun that cannot be switched off',
		(at) => {
			expect(said(at)).toMatch(/in pairs or with a call-in/);
			expect(said(at)).toMatch(/Verify the meter on a known source before and after/);
			expect(said(at)).toMatch(/stay live in daylight/);
		}
	);

	it('rate the test equipment wherever a cover is open', () => {
		for (const at of EXPOSURES) {
			expect(said(at).includes('at least 609 V DC and CAT III')).toBe(opensSomething(at));
		}
		expect(said('open-cover-live')).toMatch(/non-contact tester does not detect DC/);
	});

	it('say how dead is proved, and what circulating current means', () => {
		for (const at of ['open-cover-dead', 'joint-dead'] as const) {
			expect(said(at)).toContain(`at most ${NO_CURRENT} A`);
			expect(said(at)).toMatch(/5 minutes if unknown/);
			expect(said(at)).toContain(`at most ${DEAD_VOLTAGE} V`);
			expect(said(at)).toMatch(/circulating: open nothing/);
		}
		expect(said('joint-dead')).toMatch(/Never open a connector under load/);
		expect(said('roof')).toMatch(/Never spray live or broken glass/);
	});

	it('have a source each, or say that there is none', () => {
		const all = [
			...EXPOSURES.flatMap((at) => cautionsFor(at, 609)),
			REVERSED_STRING,
			BLOWN_FUSE,
			OPEN_STRING
		];
		for (const { source } of all) expect(source).toMatch(/common practice|not verified/);
	});

	it('defer to who decides, and never call a thing safe', () => {
		expect(WHO_DECIDES).toMatch(
			/Local code, the manufacturer’s instructions and the licensed person/
		);
		const words = [...EXPOSURES.map(said), WHO_DECIDES, REVERSED_STRING.words, OPEN_STRING.words];
		for (const text of words) expect(text).not.toMatch(/\bsafe\b/i);
		expect(MAKE_SAFE_FIRST).toMatch(/only after no current was measured/);
	});
});

describe('the most a place can show', () => {
	it('is label Voc of the whole string in hard frost', () => {
		// NEC Table 690.7(A), -36 to -40 degC, from memory: 1.25.
		expect(coldCeiling(40, 10)).toBe(500);
		expect(coldCeiling(49.4, 24)).toBeCloseTo(1482, 6);
	});
});
