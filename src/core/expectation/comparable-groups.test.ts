import { judged, placeAt } from '../../../tests/support/places';
import { judgeByModel, expectedAt, verdictAt } from '../assessment';
import { effectiveVisit, stringOfPlace, type Visit } from '../visit';
import { describe, expect, it } from 'vitest';
import { arrayRecord, normalFrom, testId, visitOf } from '../../../tests/support/scenario';
import {
	agedModel,
	moduleAtConditions,
	predictValue,
	runningVoltage,
	stringAtConditions
} from './predict';
import { maximumPowerPoint } from '../module';
import type { ArrayRecord } from '../record';

const plain = arrayRecord();
const fieldOf = (id: string, name: string, azimuth: number) => ({
	id,
	name,
	rows: 4,
	columns: 12,
	tilt: 25,
	azimuth,
	lying: false,
	countedTypeId: null
});
const EAST = testId(500);
const WEST = testId(501);
const span = (field: string, row: number, from = 1, count = 12) => ({
	from,
	count,
	field,
	row,
	column: from - 1,
	step: 'right' as const
});
const fields = [fieldOf(EAST, 'east', 90), fieldOf(WEST, 'west', 270)];
/** Strings of input A face east, those of B west. */
const twoPlanes: ArrayRecord = {
	...plain,
	fields,
	strings: plain.strings.map((string, i) => ({
		...string,
		spans: [span(string.input === 'A' ? EAST : WEST, i)]
	}))
};

/** A visit in which the strings of input B receive a share of the irradiance of A. */
function dimmed(share: number, seed: number): Visit {
	const visit = visitOf({ record: plain, normal: normalFrom(seed) });
	const dim = visitOf({ record: plain, normal: normalFrom(seed), irradianceFactor: share });
	const isB = new Set(plain.strings.filter(({ input }) => input === 'B').map(({ id }) => id));
	return {
		...visit,
		readings: visit.readings.map((reading, i) =>
			isB.has(stringOfPlace(reading.place)!) ? dim.readings[i]! : reading
		)
	};
}
const verdicts = (record: ArrayRecord, visit: Visit) =>
	judgeByModel(record, effectiveVisit(record, visit)).places.map(verdictAt);

describe('an array in two planes', () => {
	it('is judged plane by plane, so that a healthy one has no fail', () => {
		for (let seed = 1; seed <= 12; seed++) {
			const visit = dimmed(0.6 + 0.03 * seed, seed);
			expect(verdicts(twoPlanes, visit)).not.toContain('fail');
		}
	});

	it('tells a fault in either plane all the same', () => {
		const visit = dimmed(0.7, 3);
		const low = visit.readings.find(
			({ place, quantity }) =>
				quantity === 'operating-current' && stringOfPlace(place) === plain.strings[6]!.id
		)!;
		const readings = visit.readings.map((reading) =>
			reading === low ? { ...reading, value: 0.85 * reading.value } : reading
		);
		const { places } = judgeByModel(twoPlanes, effectiveVisit(twoPlanes, { ...visit, readings }));
		expect(verdictAt(placeAt(places, plain.strings[6]!.id, 'operating-current'))).toBe('fail');
	});

	it('has an answer of its own for each plane', () => {
		const { groups } = judgeByModel(twoPlanes, effectiveVisit(twoPlanes, dimmed(0.65, 5)));
		expect(groups.map(({ plane }) => plane?.name)).toEqual(['east', 'west']);
		const [east, west] = groups;
		expect((1 + west!.irradiance.relative) / (1 + east!.irradiance.relative)).toBeCloseTo(0.65, 1);
		expect(new Set(groups.map(({ key }) => key)).size).toBe(2);
	});

	it('computes a string that lies on both from what the others say of each', () => {
		const split: ArrayRecord = {
			...twoPlanes,
			strings: twoPlanes.strings.map((string, i) =>
				i === 0 ? { ...string, spans: [span(EAST, 0, 1, 8), span(WEST, 0, 9, 4)] } : string
			)
		};
		const visit = dimmed(0.65, 5);
		const { places, peerGroups } = judgeByModel(split, effectiveVisit(split, visit));
		const [east, west] = peerGroups;
		const string = split.strings[0]!;
		const current = placeAt(places, string.id, 'operating-current');
		// The four modules in less light hold the current of the string down, or are bypassed.
		const whole = judgeByModel(twoPlanes, effectiveVisit(twoPlanes, visit)).places.find(
			({ key }) => key === current.key
		)!;
		expect(expectedAt(current)!.value).toBeLessThan(0.8 * expectedAt(whole)!.value);
		expect(east!.elsewhere.get(string.id)!.filter(Boolean)).toHaveLength(4);
		expect(west!.elsewhere.size).toBe(0);
	});
});

describe('planes that nobody recorded', () => {
	it('are asked about where whole inputs are of two kinds, and nothing is called a fault', () => {
		const visit = dimmed(0.7, 8);
		const { questions, places } = judgeByModel(plain, effectiveVisit(plain, visit));
		const labels = questions[0]!.strings.map((ids) =>
			ids.map((id) => plain.strings.find((string) => string.id === id)!.label)
		);
		expect(labels).toEqual([
			['A1', 'A2', 'A3', 'A4'],
			['B1', 'B2', 'B3', 'B4']
		]);
		expect(places.map(verdictAt)).not.toContain('fail');
	});

	it('are not asked about for one low string, dead strings, or steady ones', () => {
		const asked = (typed: Record<string, number>) =>
			judgeByModel(
				plain,
				effectiveVisit(plain, visitOf({ record: plain, normal: normalFrom(2), typed }))
			).questions;
		expect(asked({})).toEqual([]);
		expect(asked({ 'B2 operating-current': 5 })).toEqual([]);
		expect(
			asked(Object.fromEntries(['B1', 'B2', 'B3', 'B4'].map((s) => [`${s} operating-current`, 0])))
		).toEqual([]);
	});
});

describe('strings of two types in one light', () => {
	it('help a lone string of the other type to its expected value', () => {
		const other = testId(9);
		const [type] = plain.moduleTypes;
		const mixed: ArrayRecord = {
			...plain,
			moduleTypes: [type!, { ...type!, id: other, name: 'Other' }],
			strings: plain.strings.map((string, i) =>
				i === 7 ? { ...string, moduleTypeId: other } : string
			)
		};
		const visit = visitOf({ record: mixed, irradianceFactor: 0.85, temperatureShift: 4 });
		const { places } = judgeByModel(mixed, effectiveVisit(mixed, visit));
		const lone = judged(placeAt(places, mixed.strings[7]!.id, 'operating-current'));
		const module = moduleAtConditions(agedModel(type!, 5.9), 812 * 0.85 * (1 - 0.015), 50);
		const string = stringAtConditions(mixed.strings[7]!, agedModel(type!, 5.9), {
			main: module,
			others: new Map()
		});
		const atVoltage = Math.round(runningVoltage(string, 0.985 * maximumPowerPoint(module).amps));
		expect(lone.expected.value).toBeCloseTo(
			predictValue(string, 'operating-current', atVoltage),
			0
		);
		expect(lone.verdict).toBe('pass');
	});
});
