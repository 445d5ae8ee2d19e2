import { describe, expect, it } from 'vitest';
import { field, row } from '../../../demo/site';
import { testRecord } from '../../../tests/support/monitored-record';
import type { ArrayRecord } from '../record';
import { fieldsToRecord } from './fields-to-record';
import { targetKey, type Target } from './target';

const EAST = '019c0000-0004-7000-8000-000000000101';
const WEST = '019c0000-0004-7000-8000-000000000102';

/** The branch K1 on one field and K2 on another. */
function recordOn(
	east: { tilt: number | null; azimuth: number | null },
	of: ArrayRecord = testRecord()
): ArrayRecord {
	const [k1, k2] = of.strings;
	const bare = { tilt: null, azimuth: null };
	return {
		...of,
		fields: [
			{ ...field(EAST, 'East', 1, 6, 0, 0), ...east },
			{ ...field(WEST, 'West', 1, 6, 0, 0), ...bare }
		],
		strings: [
			{ ...k1!, spans: row(EAST, 0, 0, 6) },
			{ ...k2!, spans: row(WEST, 0, 0, 6) }
		]
	};
}

const unknown = recordOn({ tilt: null, azimuth: null });
const modulesOf = (s: number): Target[] =>
	Array.from({ length: 6 }, (_, i) => ({
		kind: 'module',
		string: unknown.strings[s]!.id,
		module: i + 1
	}));
const targets = [...modulesOf(0), ...modulesOf(1)];
const facing = (some: readonly Target[], tilt: number, azimuth: number) => ({
	units: some.map(targetKey),
	tilt,
	azimuth
});
const EAST_AND_WEST = [facing(modulesOf(0), 30, 90), facing(modulesOf(1), 28, 270)];

describe('orientations inferred from an export', () => {
	it('fill in the fields of their own units', () => {
		const [east, west] = fieldsToRecord(unknown, targets, EAST_AND_WEST);
		expect(east!.fields).toEqual([{ ...unknown.fields[0], tilt: 30, azimuth: 90 }]);
		expect(west!.fields).toEqual([{ ...unknown.fields[1], tilt: 28, azimuth: 270 }]);
	});

	it('keep an angle that is recorded, and say where it contradicts', () => {
		const [kept] = fieldsToRecord(recordOn({ tilt: 25, azimuth: null }), targets, EAST_AND_WEST);
		expect(kept!.fields).toMatchObject([{ tilt: 25, azimuth: 90 }]);
		const [south] = fieldsToRecord(recordOn({ tilt: null, azimuth: 180 }), targets, EAST_AND_WEST);
		expect(south).toMatchObject({ fields: [], contradicting: [{ name: 'East' }] });
		const [full] = fieldsToRecord(recordOn({ tilt: 25, azimuth: 180 }), targets, EAST_AND_WEST);
		expect(full).toEqual({ fields: [], mixed: [], contradicting: [] });
	});

	it('are not taken around north for two', () => {
		const north = facing(modulesOf(0), 30, 356);
		const [known] = fieldsToRecord(recordOn({ tilt: null, azimuth: 4 }), targets, [north]);
		expect(known!.fields).toMatchObject([{ tilt: 30, azimuth: 4 }]);
	});

	it('leave a field alone that holds units of two', () => {
		const mixed = [
			facing([...modulesOf(0).slice(0, 3), ...modulesOf(1)], 30, 90),
			facing(modulesOf(0).slice(3), 30, 270)
		];
		const [one, other] = fieldsToRecord(unknown, targets, mixed);
		expect(one).toMatchObject({ fields: [{ name: 'West' }], mixed: [{ name: 'East' }] });
		expect(other).toMatchObject({ fields: [], mixed: [{ name: 'East' }] });
	});

	it('reach the fields of strings, inverters and of the whole array', () => {
		const [k1] = unknown.strings;
		const inverter = unknown.parts[0]!;
		const on = {
			...unknown,
			strings: unknown.strings.map((string) => ({ ...string, devices: null, to: inverter.id }))
		};
		const names = (target: Target) =>
			fieldsToRecord(on, [target], [facing([target], 30, 90)])[0]!.fields.map(({ name }) => name);
		expect(names({ kind: 'string', string: k1!.id })).toEqual(['East']);
		expect(names({ kind: 'inverter', part: inverter.id })).toEqual(['East', 'West']);
		expect(names({ kind: 'array' })).toEqual(['East', 'West']);
	});

	it('find nothing to fill in where no module is placed', () => {
		const bare = { ...unknown, strings: unknown.strings.map((s) => ({ ...s, spans: [] })) };
		expect(fieldsToRecord(bare, targets, EAST_AND_WEST)[0]!.fields).toEqual([]);
	});
});
