import { describe, expect, it } from 'vitest';
import { arrayRecord, testId } from '../../../tests/support/scenario';
import {
	ALL_SITES,
	CAIRN_RIGG,
	HOLLIN_CREEK,
	KILN_LANE,
	SALTMARSH
} from '../../../tests/support/sites';
import { type ArrayRecord, type Part, stringGroups, unknownSpecs } from '../record';
import { coldStringVoltage } from './cold-voltage';
import { vmpAt } from './hot-voltage';
import { emergencyOrder } from '../isolation';
import { designIscOf } from './current-limits';

const said = (record: ArrayRecord) =>
	emergencyOrder(record).map(({ instruction: { code }, part }) =>
		part ? `${part.mark}: ${code}` : code
	);

const part = (kind: Part['kind'], mark: string, n: number): Part =>
	({
		id: testId(3000 + n),
		kind,
		mark,
		place: null,
		model: null,
		serial: null,
		to: null,
		specs: unknownSpecs(kind)
	}) as Part;

describe('the order of switching off', () => {
	it('of a string inverter: AC first, then DC', () => {
		expect(said(SALTMARSH.record)).toEqual([
			'Q10: isolation.emergency.lock-off',
			'Q1: isolation.emergency.lock-off',
			'Q2: isolation.emergency.lock-off'
		]);
	});

	it('of a roof with rapid shutdown: its initiator before anything else', () => {
		const [first, ...rest] = said(HOLLIN_CREEK.record);
		expect(first).toContain('isolation.off.initiator-at');
		expect(rest.length).toBeGreaterThan(0);
		const blind = HOLLIN_CREEK.record.parts.map((one) =>
			one.kind === 'transmitter' ? { ...one, specs: unknownSpecs('transmitter') } : one
		);
		expect(said({ ...HOLLIN_CREEK.record, parts: blind })[0]).toContain('initiator-not-recorded');
	});

	it('of a battery: loads, then PV, then the battery, whose terminals stay live', () => {
		const order = said(CAIRN_RIGG.record);
		expect(order[0]).toBe('isolation.off.loads');
		expect(order.at(-1)).toContain('isolation.emergency.battery');
		const battery = order.length - 1;
		const pv = order.findIndex((words) => words.includes('lock-off'));
		expect(pv).toBeGreaterThan(0);
		expect(pv).toBeLessThan(battery);
	});

	it('of micro-inverters: the AC side alone, there is no DC switch', () => {
		const marks = emergencyOrder(KILN_LANE.record).map(({ part: device }) => device?.kind);
		expect(new Set(marks).size).toBeGreaterThan(0);
		expect(marks).not.toContain('dc-disconnect');
	});

	it('takes the breaker where no AC disconnect is recorded, and both nowhere', () => {
		const record = arrayRecord(['A1']);
		const breaker = part('breaker', 'F1', 1);
		const disconnect = part('ac-disconnect', 'Q1', 2);
		expect(said({ ...record, parts: [breaker] })).toEqual(['F1: isolation.emergency.lock-off']);
		expect(said({ ...record, parts: [breaker, disconnect] })).toEqual([
			'Q1: isolation.emergency.lock-off'
		]);
		expect(said(record)).toEqual([]);
	});
});

describe('strings that a limit treats alike', () => {
	it('have the same modules and the same end, and are together all strings', () => {
		for (const { record } of ALL_SITES) {
			const groups = stringGroups(record);
			const strings = groups.flatMap((group) => [...group.strings]);
			expect(new Set(strings.map(({ id }) => id)).size).toBe(strings.length);
			for (const { strings: alike } of groups) {
				const voltage = alike.map((string) =>
					coldStringVoltage(
						Array<string>(string.moduleCount).fill(string.moduleTypeId),
						record.moduleTypes,
						{ ...record.rules, lowest: -10 }
					)
				);
				expect(voltage).not.toContain(null);
			}
		}
		expect(stringGroups(SALTMARSH.record)).toHaveLength(1);
	});

	it('part by length, by type and by where they end', () => {
		const record = arrayRecord(['A1', 'A2', 'A3']);
		const [a1, a2, a3] = record.strings;
		expect(stringGroups({ ...record, strings: [a1!, { ...a2!, moduleCount: 11 }] })).toHaveLength(
			2
		);
		const ends = [part('inverter', 'INV 1', 1), part('inverter', 'INV 2', 2)];
		const led = {
			...record,
			parts: ends,
			strings: [
				{ ...a1!, to: ends[0]!.id, input: null },
				{ ...a2!, to: ends[1]!.id, input: null },
				{ ...a3!, to: ends[0]!.id, input: null }
			]
		};
		expect(stringGroups(led).map(({ strings }) => strings.map(({ label }) => label))).toEqual([
			['A1', 'A3'],
			['A2']
		]);
	});

	it('of modules that are not in the record have no types', () => {
		const record = arrayRecord(['A1']);
		const lost = { ...record, moduleTypes: [] };
		expect(stringGroups(lost)[0]!.types).toBeNull();
		expect(designIscOf(record.strings[0]!, record)).toBe(10.78);
		expect(designIscOf(record.strings[0]!, lost)).toBeNull();
	});

	it('of bifacial modules have the rear’s gain in their current for limits', () => {
		const record = arrayRecord(['A1']);
		const bifacial = (rearGainPct: number | null) => ({
			moduleTypes: record.moduleTypes.map((type) => ({
				...type,
				limits: { ...type.limits, bifacial: true, rearGainPct }
			}))
		});
		expect(designIscOf(record.strings[0]!, bifacial(25))).toBeCloseTo(10.78 * 1.25, 9);
		expect(designIscOf(record.strings[0]!, bifacial(null))).toBeCloseTo(10.78 * 1.1, 9);
	});
});

describe('volts of a string hot and cold', () => {
	const { record } = SALTMARSH;
	const types = Array<string>(12).fill(record.moduleTypes[0]!.id);

	it('are the sum of its modules, and unknown where one thing is unknown', () => {
		const rules = { ...record.rules, lowest: -12 };
		const one = coldStringVoltage(types.slice(0, 1), record.moduleTypes, rules)!;
		expect(coldStringVoltage(types, record.moduleTypes, rules)).toBeCloseTo(12 * one, 6);
		expect(coldStringVoltage(types, record.moduleTypes, { ...rules, lowest: null })).toBeNull();
		expect(coldStringVoltage([...types, testId(404)], record.moduleTypes, rules)).toBeNull();
	});

	it('fall as the cells get hotter', () => {
		const [type] = record.moduleTypes;
		const voltage = [20, 40, 60, 80].map((cells) => vmpAt(type!, cells));
		expect(voltage).toEqual(voltage.toSorted((a, b) => b - a));
		expect(voltage[0]! - voltage[3]!).toBeGreaterThan(3);
	});
});
