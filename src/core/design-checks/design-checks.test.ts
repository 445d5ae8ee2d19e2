import { describe, expect, it } from 'vitest';
import {
	ALL_SITES,
	CAIRN_RIGG,
	HOLLIN_CREEK,
	KILN_LANE,
	SALTMARSH
} from '../../../tests/support/sites';
import {
	type ArrayRecord,
	EMPTY_RECORD,
	type Part,
	type PartOf,
	type StringFuse,
	UNKNOWN_LIMITS,
	unknownSpecs
} from '../record';
import { testId } from '../../../tests/support/scenario';
import { checkRecord } from './check-record';
import { CHECK_CODES, CHECK_VERDICTS, type Check, type CheckCode } from './check';

const checksOf = (record: ArrayRecord, code: CheckCode): Check[] =>
	checkRecord(record).filter((check) => check.code === code);
const verdicts = (record: ArrayRecord, code: CheckCode) =>
	checksOf(record, code).map(({ verdict }) => verdict);
const only = (record: ArrayRecord, code: CheckCode): Check => {
	const [check, ...more] = checksOf(record, code);
	if (!check || more.length > 0) throw new Error(`${more.length + 1} checks have the code ${code}`);
	return check;
};
/** The record with some figures of one kind of part changed. */
const specs = (record: ArrayRecord, kind: Part['kind'], figures: object): ArrayRecord => ({
	...record,
	parts: record.parts.map((part) =>
		part.kind === kind ? ({ ...part, specs: { ...part.specs, ...figures } } as Part) : part
	)
});
const rules = (record: ArrayRecord, change: Partial<ArrayRecord['rules']>): ArrayRecord => ({
	...record,
	rules: { ...record.rules, ...change }
});
const strings = (
	record: ArrayRecord,
	change: Partial<ArrayRecord['strings'][number]>
): ArrayRecord => ({
	...record,
	strings: record.strings.map((string) => ({ ...string, ...change }))
});
const nameplate = (
	record: ArrayRecord,
	change: Partial<ArrayRecord['moduleTypes'][number]['plate']>,
	limits: Partial<ArrayRecord['moduleTypes'][number]['limits']> = {}
): ArrayRecord => ({
	...record,
	moduleTypes: record.moduleTypes.map((type) => ({
		...type,
		plate: { ...type.plate, ...change },
		limits: { ...type.limits, ...limits }
	}))
});
/** The record with one more conductor. */
const wired = (
	record: ArrayRecord,
	figures: Partial<PartOf<'conductor'>['specs']>
): ArrayRecord => ({
	...record,
	parts: [
		...record.parts.filter(({ kind }) => kind !== 'conductor'),
		{
			id: testId(4000),
			kind: 'conductor',
			mark: 'W9',
			place: null,
			model: null,
			serial: null,
			to: null,
			specs: { ...unknownSpecs('conductor'), ...figures }
		}
	]
});
const PV_CABLE = { rating: 'solar cable', ambient: 60, laid: 'touching others', size: 4 } as const;

describe('the design checks of a record', () => {
	it('pass nothing and fail nothing where nothing is known', () => {
		expect(checkRecord(EMPTY_RECORD).filter(({ verdict }) => verdict === 'fail')).toEqual([]);
		for (const { record } of ALL_SITES) {
			const blind: ArrayRecord = {
				...record,
				rules: { ...record.rules, lowest: null, hottestCell: null, structure: null, edition: null },
				moduleTypes: record.moduleTypes.map((type) => ({ ...type, limits: UNKNOWN_LIMITS })),
				strings: record.strings.map((string) => ({
					...string,
					fuse: 'unknown',
					devices: 'unknown',
					input: null
				})),
				parts: record.parts.map((part) => {
					const none = Object.keys(part.specs).map((key) => [key, null]);
					return { ...part, specs: Object.fromEntries(none) } as Part;
				})
			};
			for (const { verdict, code, ...said } of checkRecord(blind)) {
				// Strings of two builds in one combiner are there to see.
				if (verdict === 'fail') expect(code).toBe('unequal-strings');
				// By the IEC no rapid shutdown is required.
				if (verdict === 'pass') expect(code).toBe('rapid-shutdown');
				expect(JSON.stringify(said)).not.toMatch(/NaN|undefined|Infinity/);
			}
		}
	});

	it('state requirement, finding and clause, and never say that anything is safe', () => {
		for (const { record } of ALL_SITES) {
			const checks = checkRecord(record);
			expect(new Set(checks.map(({ key }) => key)).size).toBe(checks.length);
			for (const { required, found, remark, clause, verdict, code } of checks) {
				expect(CHECK_CODES).toContain(code);
				expect(clause).not.toBe('');
				expect(`${required} ${found} ${remark}`).not.toMatch(/\bsafe/i);
				if (verdict === 'not-assessed') expect(remark).toMatch(/^Not recorded: /);
				if (verdict === 'fail' || verdict === 'pass') {
					expect(required).not.toBeNull();
					expect(found).not.toBeNull();
				}
			}
		}
	});

	it('have failures first', () => {
		const order = checkRecord(SALTMARSH.record).map(({ verdict }) =>
			CHECK_VERDICTS.indexOf(verdict)
		);
		expect(order[0]).toBe(0);
		expect(order).toEqual(order.toSorted((a, b) => a - b));
	});

	it('know the demo’s sites', () => {
		const failed = (record: ArrayRecord) =>
			checkRecord(record)
				.filter(({ verdict }) => verdict === 'fail')
				.map(({ code }) => code);
		expect(failed(SALTMARSH.record)).toEqual(['string-fuse', 'string-fuse']);
		expect(failed(HOLLIN_CREEK.record)).toEqual([]);
		expect(failed(KILN_LANE.record)).toEqual([]);
		expect(failed(CAIRN_RIGG.record)).toEqual([
			'string-fuse',
			'unequal-strings',
			'charge-voltage',
			'charge-voltage'
		]);
	});
});

describe('voltages', () => {
	it('of too many modules fail, with the count that cold allows and the naive one', () => {
		const check = only(
			strings(SALTMARSH.record, { moduleCount: 24, spans: [] }),
			'string-voltage-cold'
		);
		expect(check.verdict).toBe('fail');
		expect(check.remark).toMatch(/At most 22 modules.* 24,/);
	});

	it('pass only where the limits of modules and inverter are both recorded', () => {
		const of = (record: ArrayRecord) => only(record, 'string-voltage-cold').verdict;
		expect(of(SALTMARSH.record)).toBe('pass');
		expect(of(nameplate(SALTMARSH.record, {}, { systemVolts: null }))).toBe('not-assessed');
		expect(of(specs(SALTMARSH.record, 'inverter', { maxVolts: null }))).toBe('not-assessed');
		expect(
			of(
				specs(nameplate(SALTMARSH.record, {}, { systemVolts: null }), 'inverter', { maxVolts: 500 })
			)
		).toBe('fail');
	});

	it('of a mixed string are the sum of its modules’', () => {
		const mixed = checksOf(CAIRN_RIGG.record, 'string-voltage-cold').find(
			({ about }) => about === 'P2'
		)!;
		const factor = (beta: number) => 1 + (beta / 100) * (-22 - 25);
		const voltage = 36.9 * factor(-0.33) + 45.2 * factor(-0.32);
		expect(mixed.found).toContain(`${voltage.toFixed(1)} V`);
	});

	it('of thin film without a coefficient are not read from the table for crystalline silicon', () => {
		const us = rules(nameplate(SALTMARSH.record, { betaVocPctPerK: null }), {
			profile: 'US',
			edition: 2020
		});
		expect(only(us, 'string-voltage-cold').verdict).toBe('pass');
		for (const technology of ['CdTe', 'CIGS', 'a-Si', 'tandem'] as const) {
			expect(only(nameplate(us, { technology }), 'string-voltage-cold').verdict).toBe(
				'not-assessed'
			);
		}
	});

	it('outside the MPPT window fail hot, and are noted cold', () => {
		const window = (figures: object) =>
			only(specs(SALTMARSH.record, 'inverter', figures), 'mppt-window').verdict;
		expect(window({ windowLow: 400 })).toBe('fail');
		expect(window({ windowHigh: 380 })).toBe('note');
		// Hot, Vmp is 341 V: even then above such a window.
		expect(window({ windowHigh: 330 })).toBe('fail');
		expect(window({ windowHigh: null })).toBe('not-assessed');
		expect(window({})).toBe('pass');
	});

	it('are held against each box once, by the highest of its strings', () => {
		expect(verdicts(CAIRN_RIGG.record, 'rated-voltage')).toEqual(['pass', 'pass']);
		// P1 reaches 85 V cold, P3 104 V: the box has to be rated for the highest.
		const low = specs(CAIRN_RIGG.record, 'combiner', { ratedVolts: 100 });
		expect(verdicts(low, 'rated-voltage')).toEqual(['fail', 'pass']);
	});

	it('have limits by structure', () => {
		const limit = (change: Partial<ArrayRecord['rules']>, moduleCount = 15) =>
			only(strings(rules(SALTMARSH.record, change), { moduleCount, spans: [] }), 'voltage-limit')
				.verdict;
		const us = { profile: 'US', edition: 2020 } as const;
		// 15 in series reach 670 V cold, 24 reach 1,073 V.
		expect(limit({ ...us, structure: 'dwelling' })).toBe('fail');
		expect(limit({ ...us, structure: 'other-building' })).toBe('pass');
		expect(limit({ ...us, structure: 'building' })).toBe('not-assessed');
		expect(limit({ ...us, structure: 'building' }, 12)).toBe('pass');
		expect(limit({ ...us, structure: 'ground' }, 24)).toBe('pass');
		expect(limit({ ...us, structure: null })).toBe('not-assessed');
		expect(limit({ profile: 'IEC', structure: 'other-building' }, 24)).toBe('fail');
		expect(limit({ profile: 'IEC', structure: 'ground' }, 24)).toBe('pass');
	});

	it('of an insulation test stay below what the modules are rated for', () => {
		const test = (systemVoltage: number | null) =>
			only(
				nameplate(SALTMARSH.record, {}, { systemVolts: systemVoltage }),
				'insulation-test-voltage'
			).verdict;
		expect([1000, 600, null].map(test)).toEqual(['pass', 'fail', 'not-assessed']);
	});
});

describe('string fuses', () => {
	const { record } = SALTMARSH;
	const fused = (fuse: StringFuse): ArrayRecord => strings(record, { fuse });

	it('are required where the others exceed the module’s maximum series fuse', () => {
		expect(verdicts(fused(null), 'string-fuse')).toEqual(['fail', 'fail']);
		expect(verdicts(fused({ rating: 20 }), 'string-fuse')).toEqual(['pass', 'pass']);
		expect(verdicts(fused({ rating: 15 }), 'string-fuse')).toEqual(['fail', 'fail']);
		expect(verdicts(fused({ rating: 25 }), 'string-fuse')).toEqual(['fail', 'fail']);
		expect(verdicts(fused({ rating: null }), 'string-fuse')[0]).toBe('not-assessed');
		expect(verdicts(fused('unknown'), 'string-fuse')[0]).toBe('not-assessed');
	});

	it('are judged by the combiner where no input is recorded', () => {
		const blind = strings(fused(null), { input: null });
		expect(verdicts(blind, 'string-fuse')).toEqual(['fail', 'fail']);
	});

	it('never pass where nobody recorded what the strings are connected to', () => {
		const adrift = strings(fused(null), { input: null, to: null });
		expect(new Set(verdicts(adrift, 'string-fuse'))).toEqual(new Set(['not-assessed']));
		// Two strings can feed one another too little, whatever they are connected to.
		const two = { ...adrift, strings: adrift.strings.slice(0, 2) };
		expect(verdicts(two, 'string-fuse')).toEqual(['pass', 'pass']);
	});

	it('of two strings are not required, unless by the house rule', () => {
		const two = { ...fused(null), strings: fused(null).strings.slice(0, 2) };
		expect(only(two, 'string-fuse').verdict).toBe('pass');
		expect(only(rules(two, { alwaysFuse: true }), 'string-fuse').verdict).toBe('fail');
		const unseen = { ...fused('unknown'), strings: fused('unknown').strings.slice(0, 2) };
		expect(only(unseen, 'string-fuse').verdict).toBe('pass');
		const lost = nameplate(two, {}, { seriesFuse: null });
		expect(only(lost, 'string-fuse').verdict).toBe('not-assessed');
	});

	it('that no rule requires may still be too large', () => {
		const two = { ...fused({ rating: 30 }), strings: fused({ rating: 30 }).strings.slice(0, 2) };
		expect(only(two, 'string-fuse').verdict).toBe('fail');
		const small = {
			...fused({ rating: 12 }),
			strings: two.strings.map((one) => ({ ...one, fuse: { rating: 12 } }))
		};
		expect(only(small, 'string-fuse').verdict).toBe('note');
	});

	it('count the rear of bifacial modules', () => {
		// Three strings of 9 A: 18 A are below a series fuse of 20 A, with a fifth more they are not.
		const three = {
			...fused(null),
			strings: fused(null).strings.slice(0, 3)
		};
		const front = nameplate(three, { isc: 9, imp: 8.5 }, { seriesFuse: 20 });
		expect(only(front, 'string-fuse').verdict).toBe('pass');
		const rear = nameplate(front, {}, { bifacial: true, rearGainPct: 20 });
		expect(only(rear, 'string-fuse').verdict).toBe('fail');
	});

	it('of combiners in parallel are checked against their strings', () => {
		const joined = strings(record, { input: '1' });
		expect(verdicts(joined, 'sub-array-fuse')).toEqual(['pass', 'pass']);
		const weak = specs(joined, 'combiner', { ratedAmps: 50 });
		expect(verdicts(weak, 'sub-array-fuse')).toEqual(['not-assessed', 'not-assessed']);
		expect(verdicts(specs(weak, 'combiner', { outputFuse: 63 }), 'sub-array-fuse')).toEqual([
			'pass',
			'pass'
		]);
		expect(verdicts(specs(weak, 'combiner', { outputFuse: 125 }), 'sub-array-fuse')).toEqual([
			'fail',
			'fail'
		]);
		expect(verdicts(record, 'sub-array-fuse')).toEqual([]);
	});
});

describe('currents', () => {
	const { record } = SALTMARSH;
	it('beyond a box or an input fail', () => {
		expect(verdicts(record, 'rated-current')).toEqual(['pass', 'pass', 'pass', 'pass']);
		expect(verdicts(specs(record, 'combiner', { ratedAmps: 40 }), 'rated-current')).toContain(
			'fail'
		);
		// 43.1 A of Isc are 53.9 A with the factor of 1.25.
		expect(verdicts(specs(record, 'inverter', { inputAmps: 50 }), 'input-current')).toEqual([
			'fail',
			'fail'
		]);
		expect(verdicts(record, 'input-current')).toEqual(['pass', 'pass']);
	});
});

describe('conductors', () => {
	const { record } = SALTMARSH;
	it('of a combiner carry all its strings', () => {
		expect(only(record, 'conductor-ampacity').verdict).toBe('pass');
		expect(only(specs(record, 'conductor', { size: 2.5 }), 'conductor-ampacity').verdict).toBe(
			'fail'
		);
		expect(only(specs(record, 'conductor', { size: 1 }), 'conductor-ampacity').verdict).toBe(
			'not-assessed'
		);
	});

	it('of strings carry the worst of them', () => {
		const [first, ...others] = record.strings;
		const strong = { ...record.moduleTypes[0]!, id: testId(77) };
		const mixed: ArrayRecord = {
			...record,
			moduleTypes: [
				...record.moduleTypes,
				{ ...strong, plate: { ...strong.plate, isc: 40, imp: 38 } }
			],
			strings: [first!, ...others.slice(0, -1), { ...others.at(-1)!, moduleTypeId: strong.id }]
		};
		const use = { ...PV_CABLE, use: 'one string' } as const;
		expect(only(wired(record, use), 'conductor-ampacity').verdict).toBe('pass');
		expect(only(wired(mixed, use), 'conductor-ampacity').verdict).toBe('fail');
	});

	it('without a fuse carry what the other strings feed into a fault', () => {
		const bare = strings(record, { fuse: null });
		const reverse = (size: number) =>
			verdicts(wired(bare, { ...PV_CABLE, size, use: 'one string' }), 'conductor-reverse-current');
		// Three others of 10.78 A feed 40.4 A.
		expect(reverse(2.5)).toEqual(['fail', 'fail']);
		expect(reverse(4)).toEqual(['pass', 'pass']);
		const adrift = wired(strings(bare, { input: null, to: null }), {
			...PV_CABLE,
			use: 'one string'
		});
		expect(new Set(verdicts(adrift, 'conductor-reverse-current'))).toEqual(
			new Set(['not-assessed'])
		);
		expect(
			verdicts(wired(record, { ...PV_CABLE, use: 'one string' }), 'conductor-reverse-current')
		).toEqual([]);
	});

	it('are protected by their fuse', () => {
		const fused = (rating: number, size: number) =>
			only(
				wired(strings(rules(record, { profile: 'US', edition: 2020 }), { fuse: { rating } }), {
					use: 'one string',
					rating: '90 °C',
					ambient: 30,
					laid: 'free in air',
					size
				}),
				'conductor-overcurrent'
			).verdict;
		// 240.4(D): 14, 12 and 10 AWG at most 15, 20 and 30 A.
		expect([15, 20].map((rating) => fused(rating, 2.08))).toEqual(['pass', 'fail']);
		expect([30, 35].map((rating) => fused(rating, 5.26))).toEqual(['pass', 'fail']);
	});

	it('in a raceway are not assessed while nobody counted what shares it', () => {
		const raceway = {
			rating: '90 °C',
			ambient: 33 + 40,
			laid: 'in a raceway',
			size: 5.26
		} as const;
		const us = rules(record, { profile: 'US', edition: 2020 });
		const verdict = (together: number | null) =>
			only(wired(us, { ...raceway, use: 'one string', together }), 'conductor-ampacity').verdict;
		// 40 A x 0.5 carry 13.5 A; adjusted for eight conductors 14 A, for twelve 10 A.
		expect([null, 2, 8, 12].map(verdict)).toEqual(['not-assessed', 'pass', 'pass', 'fail']);
	});

	it('for earthing have the size of their profile', () => {
		const earth = (size: number, change: Partial<ArrayRecord['rules']>) =>
			only(
				wired(rules(record, change), { use: 'earth', size, material: 'copper' }),
				'earthing-conductor'
			).verdict;
		expect([4, 6].map((size) => earth(size, {}))).toEqual(['fail', 'pass']);
		// The strings of an input bring 67 A with the factor: the row up to 100 A asks for 8 AWG.
		expect([5.26, 8.37].map((size) => earth(size, { profile: 'US', edition: 2020 }))).toEqual([
			'fail',
			'pass'
		]);
	});

	it('on the AC side carry the inverter, and lift its voltage little', () => {
		const us = rules(record, { profile: 'US', edition: 2020 });
		const output = {
			use: 'inverter output',
			rating: '90 °C',
			ambient: 30,
			laid: 'free in air',
			material: 'copper',
			length: 20
		} as const;
		const of = (size: number, code: CheckCode) =>
			only(wired(us, { ...output, size }), code).verdict;
		// 39.1 A x 1.25 = 48.9 A: 6 AWG has 55 A at 60 degC terminals, 8 AWG 40 A.
		expect([8.37, 13.3].map((size) => of(size, 'ac-conductor'))).toEqual(['fail', 'pass']);
		expect([4, 13.3].map((size) => of(size, 'ac-voltage-rise'))).toEqual(['note', 'pass']);
		const rise = only(wired(us, { ...output, size: 10 }), 'ac-voltage-rise');
		// √3 x 20 m x 39.1 A x 0.0199 ohm mm2/m over 10 mm2 of 400 V.
		expect(rise.found).toContain('0.67 %');
	});
});

describe('unequal strings on one input', () => {
	it('state what joining them loses', () => {
		const { record } = SALTMARSH;
		const short = {
			...record,
			strings: record.strings.map((string, i) =>
				i === 0 ? { ...string, moduleCount: 9, spans: [] } : string
			)
		};
		const check = only(short, 'unequal-strings');
		expect(check.verdict).toBe('fail');
		// A quarter fewer modules: 3 x 12 and 9 modules of 335 W are 15.1 kW apart; joined at least 5 % less.
		const [, lost, separate] = /lose ([\d.]+) W of (\d+) W/.exec(check.remark)!;
		// Their cables take one percent.
		expect(Number(separate) / (45 * 335)).toBeCloseTo(0.99, 2);
		expect(Number(lost)).toBeGreaterThan(0.05 * Number(separate));
		expect(Number(lost)).toBeLessThan(9 * 335);
		expect(verdicts(record, 'unequal-strings')).toEqual([]);
	});
});

describe('module electronics and batteries', () => {
	it('fail where the cold module exceeds them', () => {
		expect(only(HOLLIN_CREEK.record, 'module-electronics').verdict).toBe('pass');
		const change = (figures: object) =>
			only(specs(HOLLIN_CREEK.record, 'rapid-shutdown-device', figures), 'module-electronics')
				.verdict;
		expect(change({ inputVolts: 45 })).toBe('fail');
		expect(change({ inputAmps: 11 })).toBe('fail');
		expect(change({ watts: null })).toBe('not-assessed');
		expect(only(KILN_LANE.record, 'module-electronics').verdict).toBe('pass');
	});

	it('need MPPT headroom with MPPT alone', () => {
		const { record } = CAIRN_RIGG;
		expect(verdicts(record, 'charge-voltage')).toEqual(['fail', 'fail', 'pass']);
		// One 50 V string hot on a battery that absorbs at 49 V: PWM connects it, MPPT needs 5 V more.
		const low = specs(record, 'battery', { absorptionVolts: 49 });
		const p1 = (method: 'PWM' | 'MPPT' | null) =>
			checksOf(specs(low, 'charge-controller', { method }), 'charge-voltage').find(({ about }) =>
				about.startsWith('P1 ')
			)!.verdict;
		expect([p1('PWM'), p1('MPPT'), p1(null)]).toEqual(['pass', 'fail', 'not-assessed']);
		expect(only(record, 'charge-rate').found).toContain('0.20 C');
	});
});

describe('the interconnection', () => {
	const { record } = HOLLIN_CREEK;
	const bus = (figures: object, breaker: object = {}) =>
		only(specs(specs(record, 'bus', figures), 'breaker', breaker), 'busbar').verdict;
	const FULL = { busAmps: 200, mainAmps: 200 } as const;

	it('reads the recorded position of the breaker', () => {
		expect(bus({})).toBe('pass');
		expect(bus({}, { farEnd: 'no' })).toBe('fail');
		expect(bus({}, { farEnd: null })).toBe('not-assessed');
		// 200 A on 200 A leaves 40 A at the far end; 62.5 A x 1.25 are 78 A.
		expect(bus(FULL)).toBe('fail');
		expect(only(specs(record, 'bus', FULL), 'busbar').remark).toContain('40.0 A, so for 32.0 A');
	});

	it('knows every alternative of 705.12', () => {
		const near = { farEnd: 'no' } as const;
		// All sources together within the busbar: anywhere.
		expect(bus({ busAmps: 400, mainAmps: 300 }, near)).toBe('pass');
		expect(bus({ breakersAmps: 390 }, near)).toBe('pass');
		expect(bus({ breakersAmps: 410 }, near)).toBe('fail');
		expect(bus({ powerControlAmps: 400 }, near)).toBe('pass');
		const dwelling = rules(specs(specs(record, 'bus', { feed: 'centre' }), 'breaker', near), {
			structure: 'dwelling'
		});
		expect(only(dwelling, 'busbar').verdict).toBe('pass');
		expect(bus({ feed: 'centre' }, near)).toBe('fail');
	});

	it('on the supply side is held against the service', () => {
		const supply = { connection: 'supply side' } as const;
		expect(bus({ mainAmps: 400 }, supply)).toBe('pass');
		expect(bus({ mainAmps: 60 }, supply)).toBe('fail');
		expect(bus({ mainAmps: null }, supply)).toBe('not-assessed');
	});

	it('adds main and inverters by the IEC', () => {
		const board = (busCurrent: number) =>
			only(specs(SALTMARSH.record, 'bus', { busAmps: busCurrent, mainAmps: 100 }), 'busbar')
				.verdict;
		expect([160, 125].map(board)).toEqual(['pass', 'fail']);
		expect(only(SALTMARSH.record, 'busbar').verdict).toBe('not-assessed');
	});

	it('has a breaker that is neither too small nor too large', () => {
		const breaker = (current: number, maxBreaker: number | null = null) =>
			only(
				specs(specs(record, 'breaker', { amps: current }), 'inverter', { maxBreaker }),
				'pv-breaker'
			).verdict;
		expect([70, 80, 100].map((current) => breaker(current))).toEqual(['fail', 'pass', 'fail']);
		expect(breaker(100, 100)).toBe('pass');
		expect(breaker(125, 100)).toBe('fail');
		const iec = (current: number) =>
			only(specs(SALTMARSH.record, 'breaker', { amps: current }), 'pv-breaker').verdict;
		expect([32, 40, 50, 100].map(iec)).toEqual(['fail', 'note', 'pass', 'fail']);
	});

	it('states the ratio, and expects clipping where it is high', () => {
		const ratio = only(record, 'dc-ac-ratio');
		expect(ratio).toMatchObject({ verdict: 'note', found: '1.09', remark: '' });
		expect(only(specs(record, 'inverter', { acWatts: 10_000 }), 'dc-ac-ratio').remark).toMatch(
			/clipping/
		);
	});
});

describe('protection', () => {
	const { record } = HOLLIN_CREEK;
	it('by rapid shutdown is required by edition and structure', () => {
		const duty = (change: Partial<ArrayRecord['rules']>, system = record.system) =>
			only({ ...rules(record, change), system }, 'rapid-shutdown');
		expect(duty({}).required).toContain('at most 30 V within 30 s');
		expect(duty({}).required).toContain('1 m/3 ft');
		expect(duty({ edition: 2014 }).required).toContain('within 10 s');
		expect(duty({ edition: 2026 }).verdict).toBe('note');
		expect(duty({ structure: 'ground' }).verdict).toBe('pass');
		expect(duty({ structure: 'pv-only-building' }, 'string-inverter').verdict).toBe('pass');
		expect(duty({ structure: 'pv-only-building', edition: 2014 }, 'string-inverter').verdict).toBe(
			'fail'
		);
		expect(duty({ structure: 'open-carport', edition: 2020 }, 'string-inverter').verdict).toBe(
			'fail'
		);
		expect(duty({ structure: 'open-carport', edition: 2023 }, 'string-inverter').verdict).toBe(
			'pass'
		);
		expect(duty({}, 'string-inverter').verdict).toBe('fail');
		expect(duty({ edition: null }).verdict).toBe('not-assessed');
	});

	it('against arc faults and ground faults is recorded or not assessed', () => {
		const of = (code: CheckCode, figures: object) =>
			only(specs(record, 'inverter', figures), code).verdict;
		expect(['yes', 'no', null].map((arcFault) => of('arc-fault-protection', { arcFault }))).toEqual(
			['pass', 'fail', 'not-assessed']
		);
		expect(
			['yes', 'no', null].map((groundFault) => of('ground-fault-protection', { groundFault }))
		).toEqual(['pass', 'fail', 'not-assessed']);
	});

	it('against surges is rated for the strings, and not spent', () => {
		const spd = (figures: object) =>
			only(specs(SALTMARSH.record, 'surge', figures), 'dc-spd').verdict;
		// 12 modules of 40.58 V: 487 V at STC, 584 V with the factor of 1.2.
		expect([600, 550, null].map((ratedVoltage) => spd({ ratedVolts: ratedVoltage }))).toEqual([
			'pass',
			'fail',
			'not-assessed'
		]);
		expect(spd({ window: 'spent' })).toBe('fail');
	});
});
