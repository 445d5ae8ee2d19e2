import { describe, expect, it } from 'vitest';
import { evaluateBatch } from './evaluate';
import { EMPTY_BATCH, NO_LABEL, type ModuleBatch, type BatchModule } from './module-batch';
import { noPoolWords, unjudgedWords } from './unjudged';

const LABEL = {
	...NO_LABEL,
	technology: 'poly' as const,
	cellsInSeries: 60,
	pmax: 225,
	vmp: 29.6,
	imp: 7.6,
	voc: 36.9,
	isc: 8.15
};
const TAKE = { id: 't1', at: '2026-06-01T10:00:00.000Z', volts: 34.1, amps: 6.2, watts: null };
const SKY = { ...EMPTY_BATCH.sky, irradiance: 800, cellTemperature: 40 };

function batchOf(modules: readonly Partial<BatchModule>[], sky = EMPTY_BATCH.sky): ModuleBatch {
	return {
		...EMPTY_BATCH,
		sky,
		modules: modules.map((module, n) => ({
			id: `m${n + 1}`,
			mark: `${n + 1}`,
			model: '',
			label: NO_LABEL,
			size: null,
			year: null,
			connector: '',
			looks: [],
			note: '',
			takes: [],
			...module
		}))
	};
}
const wordsOf = (batch: ModuleBatch) => unjudgedWords(evaluateBatch(batch, 2026)[0]!);

describe('a module of which nothing is said', () => {
	it('is not read yet', () => {
		expect(wordsOf(batchOf([{ label: LABEL }]))).toContain('No measurement');
	});

	it('has nothing to judge its figures by', () => {
		expect(wordsOf(batchOf([{ label: LABEL, takes: [TAKE] }]))).toContain(
			'Irradiance and cell temperature'
		);
	});

	it('has no label to take shares of', () => {
		expect(wordsOf(batchOf([{ takes: [TAKE] }], SKY))).toMatch(/nameplate is not complete: .*Pmax/);
	});

	it('names the figure that the meter did not give', () => {
		const voltageOnly = { ...TAKE, amps: null };
		expect(wordsOf(batchOf([{ label: LABEL, takes: [voltageOnly] }], SKY))).toMatch(
			/^Isc is missing/
		);
	});

	it('is judged once light and heat are stated', () => {
		expect(wordsOf(batchOf([{ label: LABEL, takes: [TAKE] }], SKY))).toBeNull();
	});
});

describe('a batch of which nothing can be put anywhere', () => {
	it.each([
		[batchOf([]), 'Nothing in this batch is measured yet'],
		[batchOf([{ label: LABEL }]), 'Nothing in this batch is measured yet'],
		[batchOf([{ label: LABEL, takes: [TAKE] }]), 'not graded. Irradiance'],
		[batchOf([{ label: LABEL, takes: [{ ...TAKE, amps: 0 }] }], SKY), 'next to nothing']
	])('says why', (batch, words) => {
		expect(noPoolWords(evaluateBatch(batch, 2026))).toContain(words);
	});
});

describe('a measurement at another angle than the reference', () => {
	it('is kept and says nothing of the module’s power', () => {
		const askew = { ...TAKE, otherAngle: true as const };
		const [only] = evaluateBatch(batchOf([{ label: LABEL, takes: [askew] }], SKY), 2026);
		expect(only!.share).toBeNull();
		expect(unjudgedWords(only!)).toContain('another angle');
		// Beside one in the plane that one alone counts.
		const [both] = evaluateBatch(
			batchOf([{ label: LABEL, takes: [TAKE, { ...askew, id: 't2', amps: 3 }] }], SKY),
			2026
		);
		const [plain] = evaluateBatch(batchOf([{ label: LABEL, takes: [TAKE] }], SKY), 2026);
		expect(both!.share).toBe(plain!.share);
	});
});
