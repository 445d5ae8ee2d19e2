import { describe, expect, it } from 'vitest';
import {
	CAIRN_RIGG,
	HOLLIN_CREEK,
	KILN_LANE,
	SALTMARSH,
	ALL_SITES
} from '../../../tests/support/sites';
import { partsOf, type Part, type PartOf } from '../record/part';
import { EMPTY_RECORD, type ArrayRecord } from '../record/record';
import { checkRecord, type Check } from './check-record';

const checksOf = (record: ArrayRecord, title: string): Check[] =>
	checkRecord(record).filter((check) => check.title.startsWith(title));
const only = (record: ArrayRecord, title: string): Check => {
	const [check, ...more] = checksOf(record, title);
	if (!check || more.length > 0) throw new Error(`${more.length + 1} checks are titled ${title}`);
	return check;
};
const withParts = (record: ArrayRecord, change: (part: Part) => Part): ArrayRecord => ({
	...record,
	parts: record.parts.map(change)
});
/** The record with some figures of one kind of part changed. */
const specs = (record: ArrayRecord, kind: Part['kind'], figures: object): ArrayRecord =>
	withParts(record, (part) =>
		part.kind === kind ? ({ ...part, specs: { ...part.specs, ...figures } } as Part) : part
	);

describe('the checks of a record', () => {
	it('find nothing in nothing, and never fall over on what is unknown', () => {
		expect(checkRecord(EMPTY_RECORD).every(({ outcome }) => outcome !== 'finding')).toBe(true);
		for (const { record } of ALL_SITES) {
			const blind: ArrayRecord = {
				...record,
				rules: { ...record.rules, lowest: null, hottestCell: null, structure: null },
				moduleTypes: record.moduleTypes.map((type) => ({
					...type,
					limits: { systemVolts: null, seriesFuse: null, bifacial: null }
				})),
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
			for (const check of checkRecord(blind)) {
				expect(check.outcome).not.toBe('finding');
				expect(check.words).not.toMatch(/NaN|undefined|Infinity|null/);
			}
		}
	});

	it('open to inputs, formula and clause, and never say that anything is safe', () => {
		for (const { record } of ALL_SITES) {
			const checks = checkRecord(record);
			expect(new Set(checks.map(({ key }) => key)).size).toBe(checks.length);
			for (const { words, clause, outcome, formula } of checks) {
				expect(clause).not.toBe('');
				expect(words).not.toMatch(/\bsafe/i);
				if (outcome !== 'unknown') expect(formula).not.toBe('');
			}
		}
	});

	it('put what is wrong first', () => {
		const outcomes = checkRecord(SALTMARSH.record).map(({ outcome }) => outcome);
		expect(outcomes[0]).toBe('finding');
		expect(outcomes.lastIndexOf('finding')).toBeLessThan(outcomes.indexOf('fits'));
	});

	it('know the demo’s sites', () => {
		const findings = (record: ArrayRecord) =>
			checkRecord(record)
				.filter(({ outcome }) => outcome === 'finding')
				.map(({ title, about }) => `${title}: ${about}`);
		expect(findings(SALTMARSH.record)).toEqual([
			'String fuse: needed, and its size: A1, A2 and 2 more',
			'String fuse: needed, and its size: B1, B2 and 2 more'
		]);
		expect(findings(HOLLIN_CREEK.record)).toEqual([]);
		expect(findings(KILN_LANE.record)).toEqual([]);
		expect(checksOf(CAIRN_RIGG.record, 'String against its battery').length).toBe(3);
	});
});

describe('volts', () => {
	it('of too many modules are a finding, with the count that cold allows and the naive one', () => {
		const { record } = SALTMARSH;
		const strings = record.strings.map((string) => ({ ...string, moduleCount: 24, spans: [] }));
		const check = only({ ...record, strings }, 'Volts of a cold string');
		expect(check.outcome).toBe('finding');
		expect(check.words).toContain('At most 22 modules');
		expect(check.words).toContain('label Voc alone would say 24');
	});

	it('of a mixed string are the sum of its modules’', () => {
		const [mixed] = checksOf(CAIRN_RIGG.record, 'Volts of a cold string').filter(
			({ about }) => about === 'P2'
		);
		const factor = (beta: number) => 1 + (beta / 100) * (-22 - 25);
		const volts = 36.9 * factor(-0.33) + 45.2 * factor(-0.32);
		expect(mixed!.words).toContain(`reach ${volts.toFixed(1)} V cold`);
	});

	it('below the window when hot are a finding; above it when cold are told', () => {
		const { record } = SALTMARSH;
		expect(only(specs(record, 'inverter', { windowLow: 400 }), 'Tracking window')).toMatchObject({
			outcome: 'finding'
		});
		expect(only(specs(record, 'inverter', { windowHigh: 380 }), 'Tracking window')).toMatchObject({
			outcome: 'note'
		});
	});

	it('above the rating of a box are a finding', () => {
		const low = specs(SALTMARSH.record, 'combiner', { ratedVolts: 500 });
		expect(
			checksOf(low, 'Volts of a switch').filter(({ outcome }) => outcome === 'finding')
		).toHaveLength(2);
	});
});

describe('string fuses', () => {
	const { record } = SALTMARSH;
	const fused = (fuse: ArrayRecord['strings'][number]['fuse']): ArrayRecord => ({
		...record,
		strings: record.strings.map((string) => ({ ...string, fuse }))
	});

	it('are asked for where the others exceed the module’s series fuse', () => {
		const [check] = checksOf(fused(null), 'String fuse');
		expect(check!.outcome).toBe('finding');
		expect(check!.words).toContain('have none');
	});

	it('of two strings are not asked for, unless the house says so', () => {
		const two = { ...fused(null), strings: fused(null).strings.slice(0, 2) };
		expect(only(two, 'String fuse')).toMatchObject({ outcome: 'fits' });
		const house = { ...two, rules: { ...two.rules, alwaysFuse: true } };
		expect(only(house, 'String fuse')).toMatchObject({ outcome: 'finding' });
	});

	it('of a right size say whether a short would open them', () => {
		const [check] = checksOf(fused({ rating: 20 }), 'String fuse');
		expect(check!.outcome).toBe('fits');
		// Three neighbours of 10.78 A are 32.3 A, more than 1.45 x 20 A.
		expect(check!.words).toContain('so it opens on a short');
		expect(checksOf(fused({ rating: null }), 'String fuse')[0]!.outcome).toBe('unknown');
		expect(checksOf(fused('unknown'), 'String fuse')[0]!.outcome).toBe('unknown');
	});

	it('of the US profile are sized by 1.5625 Isc and the next standard size', () => {
		const us = { ...fused({ rating: 15 }), rules: { ...record.rules, profile: 'US' as const } };
		expect(checksOf(us, 'String fuse')[0]!.words).toContain('20.0 A to 20.0 A');
	});
});

describe('currents', () => {
	const { record } = SALTMARSH;
	it('beyond a box, an input or a conductor are findings', () => {
		const outcome = (changed: ArrayRecord, title: string) =>
			checksOf(changed, title).map((check) => check.outcome);
		expect(outcome(record, 'Current of a switch')).toEqual(['fits', 'fits', 'fits', 'fits']);
		expect(outcome(specs(record, 'combiner', { ratedAmps: 40 }), 'Current of a switch')).toContain(
			'finding'
		);
		expect(outcome(specs(record, 'inverter', { inputAmps: 40 }), 'Current into an input')).toEqual([
			'finding',
			'finding'
		]);
		expect(outcome(record, 'Conductor')).toEqual(['fits']);
		expect(outcome(specs(record, 'conductor', { size: 2.5 }), 'Conductor')).toEqual(['finding']);
		expect(outcome(specs(record, 'conductor', { size: 1 }), 'Conductor')).toEqual(['unknown']);
	});
});

describe('electronics', () => {
	it('that the cold module exceeds are a finding', () => {
		expect(only(HOLLIN_CREEK.record, 'Device against').outcome).toBe('fits');
		const weak = specs(HOLLIN_CREEK.record, 'rapid-shutdown-device', {
			inputVolts: 45,
			inputAmps: 11
		});
		const check = only(weak, 'Device against');
		expect(check.outcome).toBe('finding');
		expect(check.words).toContain('Isc 11.4 A');
		expect(only(KILN_LANE.record, 'Device against').words).toContain('the device bears 60.0 V');
	});

	it('of a battery: headroom when hot, PWM’s loss, charge over capacity', () => {
		const { record } = CAIRN_RIGG;
		const [p1] = checksOf(record, 'String against its battery');
		expect(p1!.outcome).toBe('finding');
		expect(p1!.words).toContain('it cannot finish a charge on hot days');
		const pwm = specs(record, 'charge-controller', { method: 'PWM' });
		expect(checksOf(pwm, 'String against its battery')[0]!.words).toContain(
			'A PWM controller gives'
		);
		expect(only(record, 'Charge current').words).toContain('0.20 C');
	});
});

describe('the AC side', () => {
	const { record } = HOLLIN_CREEK;
	it('keeps the bus rule in the US profile, and only there', () => {
		expect(only(record, 'Sources on a bus')).toMatchObject({ outcome: 'fits' });
		const small = specs(record, 'bus', { busAmps: 200, mainAmps: 200 });
		const check = only(small, 'Sources on a bus');
		expect(check.outcome).toBe('finding');
		expect(check.words).toContain('leaves 40.0 A for PV, so inverters of at most 32.0 A');
		expect(checksOf(SALTMARSH.record, 'Sources on a bus')).toEqual([]);
	});

	it('finds a breaker that will trip warm', () => {
		expect(only(specs(record, 'breaker', { amps: 70 }), 'PV breaker')).toMatchObject({
			outcome: 'finding'
		});
	});

	it('tells the rapid-shutdown duty by edition and structure', () => {
		const duty = (change: Partial<ArrayRecord['rules']>, system = record.system) =>
			only({ ...record, system, rules: { ...record.rules, ...change } }, 'Rapid shutdown');
		expect(duty({}).words).toContain('at most 30 V within 30 s');
		expect(duty({ edition: 2014 }).words).toContain('within 10 s');
		expect(duty({ structure: 'ground' }).words).toContain('Not asked for');
		expect(duty({ structure: 'open-carport', edition: 2020 }).outcome).toBe('fits');
		expect(duty({ structure: 'open-carport', edition: 2023 }).words).toContain('open carport');
		expect(duty({}, 'string-inverter').outcome).toBe('finding');
		expect(duty({ edition: null }).outcome).toBe('unknown');
	});

	it('tells the ratio and expects clipping where it is high', () => {
		const inverter = partsOf(record.parts, 'inverter')[0] as PartOf<'inverter'>;
		expect(inverter.specs.acWatts).toBe(15_000);
		expect(only(record, 'Label power over').words).toContain('1.09');
		const small = specs(record, 'inverter', { acWatts: 10_000 });
		expect(only(small, 'Label power over').words).toContain('clipping, not a fault');
	});
});
