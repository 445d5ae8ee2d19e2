import { FORMAT, VERSION, type VisitDocument } from '$core/document';
import { emptyVisit } from '$core/visit';
import { field, idsOf, moduleType, part, serials, string } from '../../demo/site';
import { type ArrayRecord, EMPTY_RECORD } from '$core/record';

/* A made-up depot: inverters of 12 strings of 25 modules, every serial known. */

export const id = idsOf(0x77);
const STRINGS_EACH = 12;
const MODULES = 25;

const recordOf = (inverters: number): ArrayRecord => ({
	...EMPTY_RECORD,
	system: 'string-inverter',
	inServiceSince: 2020,
	moduleTypes: [
		moduleType(
			id(1),
			'Type 410',
			{
				technology: 'mono-PERC',
				cellsInSeries: 54,
				sections: 3,
				pmax: 410,
				vmp: 31.2,
				imp: 13.14,
				voc: 37.2,
				isc: 13.9,
				alphaIscPctPerK: 0.05,
				betaVocPctPerK: -0.27
			},
			{ systemVolts: 1500, seriesFuse: 25, bifacial: false, rearGainPct: null }
		)
	],
	fields: Array.from({ length: inverters }, (_, i) =>
		field(id(0x100 + i), `Hall ${i + 1}`, STRINGS_EACH, MODULES, 10, 180)
	),
	parts: Array.from({ length: inverters }, (_, i) => [
		part(id(0x200 + i), 'combiner', `CB ${i + 1}`, { place: `Hall ${i + 1}`, to: id(0x300 + i) }),
		part(id(0x300 + i), 'inverter', `INV ${i + 1}`, {
			place: `Hall ${i + 1}`,
			specs: { acWatts: 100_000, maxVolts: 1100, inputs: `${i + 1}A, ${i + 1}B` }
		})
	]).flat(),
	strings: Array.from({ length: inverters * STRINGS_EACH }, (_, n) => {
		const inverter = Math.floor(n / STRINGS_EACH);
		const row = n % STRINGS_EACH;
		return string({
			id: id(0x1000 + n),
			label: `${inverter + 1}.${row + 1}`,
			moduleTypeId: id(1),
			moduleCount: MODULES,
			fuse: { rating: 25 },
			to: id(0x200 + inverter),
			input: `${inverter + 1}${row < 6 ? 'A' : 'B'}`,
			modules: serials('DP', 100_000 + n * 200, MODULES, 2020),
			spans: [
				{ from: 1, count: MODULES, field: id(0x100 + inverter), row, column: 0, step: 'right' }
			]
		});
	})
});

/** A visit to the depot with nothing read yet. */
export const largeVisit = (inverters: number): VisitDocument => ({
	format: FORMAT,
	version: VERSION,
	site: { id: id(2), name: 'Depot', place: '', timeZone: 'Etc/UTC' },
	revision: { id: id(3), number: 1, createdAt: '2026-11-01T08:00:00Z' },
	record: recordOf(inverters) as VisitDocument['record'],
	visit: emptyVisit({
		id: id(4),
		startedAt: '2026-11-02T08:00:00Z',
		by: 'Wren Halloway',
		purpose: 'take-over',
		reason: ''
	}) as VisitDocument['visit'],
	inspection: [],
	photographs: []
});

/** 3,000 modules: 120 strings, 10 inverters. */
export const LARGE_SITE = largeVisit(10);
