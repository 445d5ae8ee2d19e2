import { describe, expect, it } from 'vitest';
import { type BatchModule, EMPTY_BATCH, type ModuleBatch, NO_LABEL } from '$core/bench';
import { poolOf } from './pool';

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
const batch = (...modules: Partial<BatchModule>[]): ModuleBatch => ({
	...EMPTY_BATCH,
	sky: { ...EMPTY_BATCH.sky, irradiance: 800, cellTemperature: 40 },
	modules: modules.map((module, n) => ({
		id: `m${n}`,
		mark: String(n),
		model: '',
		label: LABEL,
		size: null,
		year: null,
		connector: '',
		looks: [],
		note: '',
		takes: [],
		...module
	}))
});

describe('the modules of a batch that can be arranged', () => {
	it('are those without a test too, by their nameplate and said to be', () => {
		const take = { id: 't', at: '2026-06-01T10:00:00.000Z', volts: 34.1, amps: 6.2, watts: null };
		const [tested, untested, ...none] = poolOf(
			batch({ takes: [take] }, {}, { label: NO_LABEL }),
			2026
		);
		expect(none).toEqual([]);
		expect(tested!.from).toBe('test');
		expect(untested).toMatchObject({ from: 'nameplate', grade: 'unknown' });
		expect(untested!.module.plate).toMatchObject({ pmax: 225, imp: 7.6 });
	});
});
