import { describe, expect, it } from 'vitest';
import { DEAD_VOLTAGE, NO_CURRENT } from '../assessment';
import {
	cautionsFor,
	coldCeiling,
	EARTH_FAULT,
	OPEN_STRING,
	opensSomething,
	REVERSED_STRING,
	generalCautions,
	type Exposure
} from './cautions';

const EXPOSURES: readonly Exposure[] = [
	'closed-cover',
	'open-cover-live',
	'open-cover-dead',
	'joint-dead',
	'roof'
];
const codesOf = (exposure: Exposure) => cautionsFor(exposure, 609).map(({ text }) => text.code);

describe('standing cautions', () => {
	it('stand once for each danger among the causes, and not for others', () => {
		const found = generalCautions([
			'connector-open',
			'module-open',
			'earth-fault',
			'soiling',
			'connector-reversed'
		]);
		expect(found).toEqual([OPEN_STRING, EARTH_FAULT, REVERSED_STRING]);
		expect(generalCautions(['shade'])).toEqual([]);
	});
});

describe('cautions', () => {
	it('rate the test equipment wherever a cover is open', () => {
		for (const at of EXPOSURES) {
			const rating = cautionsFor(at, 609).find(
				({ text }) => text.code === 'isolation.caution.test-equipment'
			);
			expect(rating !== undefined).toBe(opensSomething(at));
			if (rating) expect(rating.text.params).toEqual({ voltage: 609 });
		}
	});

	it('say how a part is proved dead, with the limits that the steps accept', () => {
		for (const at of ['open-cover-dead', 'joint-dead'] as const) {
			expect(cautionsFor(at, 609)).toContainEqual(
				expect.objectContaining({
					text: {
						code: 'isolation.caution.dead',
						params: { current: NO_CURRENT, voltage: DEAD_VOLTAGE }
					}
				})
			);
		}
		expect(codesOf('joint-dead')).toContain('isolation.caution.connector');
		expect(codesOf('roof')).toContain('isolation.caution.roof');
	});
});

describe('the most a place can show', () => {
	it('is label Voc of the whole string in hard frost', () => {
		// NEC Table 690.7(A), -36 to -40 degC, from memory: 1.25.
		expect(coldCeiling(40, 10)).toBe(500);
		expect(coldCeiling(49.4, 24)).toBeCloseTo(1482, 6);
	});
});
