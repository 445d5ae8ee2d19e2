import { ALL_SITES } from '../../../tests/support/sites';
import { EMPTY_RECORD } from '../record';
import { describe, expect, it } from 'vitest';
import { arrayRecord, normalFrom, visitOf, type Planted } from '../../../tests/support/scenario';
import { type StringFaultCode, USUAL_RATES } from '../faults';
import { assess } from './assess';
import { posteriorBehind } from './calibration';
import { inOrder } from './order';
import { readingAt } from '../../../tests/support/readings';

const record = arrayRecord();
const idOf = (label: string) => record.strings.find((string) => string.label === label)!.id;
const lineOf = (faults: Record<string, Planted>, label: string, more = {}) => {
	const { causes } = assess(record, visitOf({ record, faults, normal: normalFrom(5), ...more }));
	return causes.filter((cause) => cause.stringId === idOf(label))[0]!;
};
const codes = (cause: { members: readonly { code: string }[] }) =>
	cause.members.map((m) => m.code).sort();

describe('causes', () => {
	it.each<[StringFaultCode, string[], RegExp]>([
		[
			'bypass-diode-shorted',
			['bypass-diode-shorted', 'section-open'],
			/Bypass diode shorted|Substring open-circuit/
		],
		[
			'section-open',
			['bypass-diode-shorted', 'section-open'],
			/Bypass diode shorted|Substring open-circuit/
		],
		['module-missing', ['module-missing', 'module-shorted'], /Fewer modules/],
		['module-open', ['connector-open', 'module-open'], /Connector open/],
		['connector-open', ['connector-open', 'module-open'], /Connector open/],
		['fuse-blown', ['fuse-blown', 'reading-wrong'], /fuse blown/],
		['module-reversed', ['module-reversed'], /reverse-connected|two modules/],
		['connector-reversed', ['connector-reversed'], /reverse-connected/]
	])('%s comes first', (code, members, title) => {
		const line = lineOf({ A3: { code } }, 'A3');
		expect(codes(line)).toEqual(members);
		expect(line.probability).toBeGreaterThan(0.5);
		expect(`${line.title} ${line.perhaps ?? ''}`).toMatch(title);
	});

	it.each<StringFaultCode>(['soiling', 'connector-resistive'])(
		'%s is low current with its cause open, what it may be named',
		(code) => {
			const line = lineOf({ B3: { code, near: code === 'soiling' ? 0.16 : 5 } }, 'B3');
			expect(codes(line)).toContain(code);
			expect(line.members.length).toBeGreaterThan(1);
			expect(line.title).toBe('Low current, cause not determined');
			expect(line.lookAlikes).toContain('hot cell');
		}
	);

	it('tells soiling from resistance once the short-circuit current is read', () => {
		const quantities = [
			'open-circuit-voltage',
			'operating-current',
			'short-circuit-current'
		] as const;
		const soiling = lineOf({ B3: { code: 'soiling', near: 0.16 } }, 'B3', { quantities });
		expect(soiling.members[0].code).toBe('soiling');
		expect(codes(soiling)).not.toContain('connector-resistive');
		const connector = lineOf({ B3: { code: 'connector-resistive', near: 10 } }, 'B3', {
			quantities
		});
		expect(codes(connector)).toContain('connector-resistive');
		expect(codes(connector)).not.toContain('soiling');
	});

	it('finds several faults in different strings at once', () => {
		const faults: Record<string, Planted> = {
			A2: { code: 'bypass-diode-shorted' },
			A4: { code: 'module-missing' },
			B1: { code: 'fuse-blown' }
		};
		for (const [label, { code }] of Object.entries(faults)) {
			const line = lineOf(faults, label);
			expect(codes(line)).toContain(code);
			expect(line.probability).toBeGreaterThan(0.9);
		}
	});

	it('calls a healthy visit healthy', () => {
		for (let seed = 1; seed <= 20; seed++) {
			const { causes } = assess(record, visitOf({ record, normal: normalFrom(seed) }));
			expect(causes[0]!.members[0].code).toBe('healthy');
		}
	});

	it('suspects a reading with its sign or decimal mark wrong before the array', () => {
		const voc = visitOf({ record }).readings[0]!.value;
		for (const value of [-voc, 10 * voc]) {
			const { causes } = assess(
				record,
				visitOf({ record, typed: { 'A1 open-circuit-voltage': value } })
			);
			const line = causes.find((cause) => cause.stringId === idOf('A1'))!;
			expect(line.members[0].code).toBe('reading-wrong');
			expect(line.probability).toBeGreaterThan(0.9);
		}
	});

	it('names soiling on all and wrong conditions, and no string, when every current is low alike', () => {
		const [first] = assess(record, visitOf({ record, irradianceFactor: 0.75 })).causes;
		expect(codes(first!)).toEqual(['conditions-wrong', 'record-wrong', 'soiling']);
		expect(first!.stringId).toBeNull();
		const [brighter] = assess(record, visitOf({ record, irradianceFactor: 1.3 })).causes;
		expect(codes(brighter!)).toEqual(['conditions-wrong', 'record-wrong']);
	});

	it('names soiling on all by itself once one string was cleaned and read again', () => {
		const visit = visitOf({ record, irradianceFactor: 0.75 });
		const gained = (value: number) => ({
			...visit,
			readings: [...visit.readings, readingAt({ kind: 'array' }, 'cleaning-gain', value)]
		});
		expect(codes(assess(record, gained(28)).causes[0]!)).toEqual(['soiling']);
		expect(codes(assess(record, gained(0)).causes[0]!)).toContain('conditions-wrong');
	});

	it('shows its lines in the order of what they say', () => {
		const { causes } = assess(
			record,
			visitOf({ record, faults: { A3: { code: 'soiling', near: 0.05 } } })
		);
		expect(inOrder(causes).map(({ id }) => id)).toEqual(causes.map(({ id }) => id));
	});

	it('gives reasons in figures, for and against', () => {
		const line = lineOf({ A4: { code: 'module-missing' } }, 'A4');
		expect(line.reasons).toHaveLength(2);
		expect(line.reasons[0]).toMatchObject({ weighs: 'for' });
		expect(line.reasons[0]!.words).toMatch(
			/A4 open-circuit voltage: [\d.]+ V read; a healthy string gives [\d.]+ V, with this fault [\d.]+ V/
		);
	});

	it.each(ALL_SITES)(
		'where nothing was read or said it finds only what the record itself says of a part',
		({ record, visit }) => {
			const untouched = { ...visit, readings: [], curves: [], repairs: [], inverterSays: '' };
			for (const conditions of [[], visit.conditions]) {
				const { causes, noCauses, ruledOut } = assess(record, { ...untouched, conditions });
				const found = causes.filter(({ members }) => members[0].code !== 'healthy');
				expect(found.map(({ members }) => members[0].code)).toEqual(
					// Its controller does not suit its strings, by their labels.
					record.system === 'off-grid' ? ['controller-mismatch'] : []
				);
				expect(ruledOut).toEqual([]);
				if (found.length === 0) expect(noCauses).toMatch(/No causes yet/);
			}
		}
	);

	it('stays with numbers that are none when there is nothing or nonsense to go by', () => {
		const nothing = assess(record, { ...visitOf({ record }), readings: [] });
		expect(nothing.causes).toEqual([]);
		expect(nothing.noCauses).toContain('nothing is read');
		const dark = assess(record, { ...visitOf({ record }), conditions: [] });
		expect(dark.noCauses).toContain('irradiance');
		const typed = Object.fromEntries(
			record.strings.map((s, i) => [`${s.label} open-circuit-voltage`, (-1) ** i * 700 * i])
		);
		for (const cause of assess(record, visitOf({ record, typed })).causes) {
			expect(cause.probability).toBeGreaterThanOrEqual(0);
			expect(cause.probability).toBeLessThanOrEqual(1);
		}
		const none = assess(EMPTY_RECORD, { ...visitOf({ record }), readings: [] });
		expect(none.places).toEqual([]);
	});

	it('lists what was not tested', () => {
		const visit = visitOf({ record, quantities: ['open-circuit-voltage'] });
		expect(assess(record, visit).untested[0]).toMatch(/Current not read on A1, .*fuse/);
	});

	it('keeps its chances for other readings when a fault cannot show in them', () => {
		const visit = visitOf({ record, quantities: ['open-circuit-voltage'], normal: normalFrom(3) });
		const blown = assess(record, visit).causes.find((c) => c.members[0].code === 'fuse-blown');
		// Two poles; an array whose other readings are in order has rather fewer faults than usual.
		const kept = posteriorBehind(blown!.probability);
		expect(kept).toBeLessThan(2 * USUAL_RATES['fuse-blown']);
		expect(kept).toBeGreaterThan(0.3 * 2 * USUAL_RATES['fuse-blown']);
	});
});
