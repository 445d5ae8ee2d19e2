import { describe, expect, it } from 'vitest';
import { readingAt } from '../../../../tests/support/readings';
import { CAIRN_RIGG, HOLLIN_CREEK, KILN_LANE, SALTMARSH } from '../../../../tests/support/sites';
import {
	emptyVisit,
	type PartPoint,
	type Place,
	type Quantity,
	stringPlace,
	type SwitchingState,
	usualState,
	type Visit
} from '../../visit';
import type { CauseCode } from '../../faults';
import { type ArrayRecord, type PartKind, partsOf } from '../../record';
import { assess } from '../assess';

interface Read {
	readonly place: Place;
	readonly quantity: Quantity;
	readonly value: number;
	readonly state?: Partial<SwitchingState>;
}

const AT = '2026-06-01T10:00:00Z';

function visitWith(says: string, reads: readonly Read[]): Visit {
	return {
		...emptyVisit({ id: 'v', startedAt: AT, by: 'x', purpose: 'fault', reason: '' }),
		inverterSays: says,
		conditions: [
			{
				id: 'c',
				enteredAt: AT,
				by: 'x',
				basis: '',
				follows: false,
				fieldId: null,
				irradiance: { value: 800, relativeStandardUncertainty: 0.03, source: 'sensor-in-plane' },
				cellTemperature: { value: 40, standardUncertainty: 2, source: 'probe-on-back' }
			}
		],
		readings: reads.map(({ place, quantity, value, state }) =>
			readingAt(place, quantity, value, { state: { ...usualState(quantity), ...state } })
		)
	};
}

const part = (record: ArrayRecord, kind: PartKind, point: PartPoint): Place => ({
	kind: 'part',
	part: partsOf(record.parts, kind)[0]!.id,
	point
});
const unit = (module: number): Place => ({
	kind: 'module',
	string: KILN_LANE.record.strings[0]!.id,
	module,
	section: null
});
const chance = (record: ArrayRecord, visit: Visit, code: CauseCode): number =>
	assess(record, visit)
		.causes.flatMap(({ members }) => members)
		.filter((member) => member.code === code)
		.reduce((sum, { probability }) => sum + probability, 0);

const { record: SALT } = SALTMARSH;
const WINDOW = part(SALT, 'surge', 'window');
const EARTH_FUSE = part(SALT, 'inverter', 'earth-fuse');
const LOAD = part(SALT, 'dc-disconnect', 'load');
const A1 = stringPlace(SALT.strings[0]!.id);

/** A record of optimisers: the workshop's strings with other boxes behind the modules. */
const OPTIMISERS: ArrayRecord = {
	...HOLLIN_CREEK.record,
	system: 'optimisers',
	strings: HOLLIN_CREEK.record.strings.map((string) => ({
		...string,
		devices: { kind: 'optimiser', modulesPerDevice: 1, part: null }
	}))
};
const STRING = stringPlace(OPTIMISERS.strings[0]!.id);
const STANDBY = { transmitter: 'off', fuse: 'none' } as const;
const units = (odd: number): Read[] =>
	[1, 2, 3, 4, 5].map((m) => ({
		place: unit(m),
		quantity: 'unit-power',
		value: m === 3 ? odd : 240 + m
	}));

describe('faults with readings of their own', () => {
	it.each<[CauseCode, ArrayRecord, string, Read[], Read[]]>([
		[
			'disconnect-welded',
			SALT,
			'',
			[{ place: LOAD, quantity: 'dc-voltage', value: 470, state: { disconnect: 'open' } }],
			[{ place: LOAD, quantity: 'dc-voltage', value: 0.4, state: { disconnect: 'open' } }]
		],
		[
			'spd-failed',
			SALT,
			'',
			[{ place: WINDOW, quantity: 'lamp', value: 0 }],
			[{ place: WINDOW, quantity: 'lamp', value: 1 }]
		],
		[
			'gfdi-fuse-blown',
			SALT,
			'',
			[{ place: EARTH_FUSE, quantity: 'fuse-resistance', value: 5e6 }],
			[{ place: EARTH_FUSE, quantity: 'fuse-resistance', value: 0.2 }]
		],
		[
			'cable-damaged',
			SALT,
			'',
			[
				{ place: A1, quantity: 'insulation-resistance', value: 60 },
				{ place: A1, quantity: 'insulation-wet', value: 0.15 }
			],
			[
				{ place: A1, quantity: 'insulation-resistance', value: 60 },
				{ place: A1, quantity: 'insulation-wet', value: 30 }
			]
		],
		[
			'optimiser-dead',
			OPTIMISERS,
			'',
			[{ place: STRING, quantity: 'open-circuit-voltage', value: 10, state: STANDBY }],
			[{ place: STRING, quantity: 'open-circuit-voltage', value: 11, state: STANDBY }]
		],
		['micro-inverter-dead', KILN_LANE.record, '', [...units(0)], units(243)]
	])('%s is found by them, and goes where they are sound', (code, record, says, bad, good) => {
		const found = chance(record, visitWith(says, bad), code);
		expect(found).toBeGreaterThan(0.3);
		expect(chance(record, visitWith(says, good), code)).toBeLessThan(0.02);
	});

	it('says volts behind a switch nothing of its poles while it is closed', () => {
		const closed = visitWith('', [{ place: LOAD, quantity: 'dc-voltage', value: 470 }]);
		const open = { ...closed.readings[0]!.state!, disconnect: 'closed' } as const;
		const visit = { ...closed, readings: [{ ...closed.readings[0]!, state: open }] };
		expect(chance(SALT, visit, 'disconnect-welded')).toBe(0);
	});

	it('takes a leak that is there in the dry for no leak of the wet', () => {
		const dry = { place: A1, quantity: 'insulation-resistance', value: 0.1 } as const;
		const wet = { place: A1, quantity: 'insulation-wet', value: 0.06 } as const;
		expect(chance(SALT, visitWith('', [dry, wet]), 'cable-damaged')).toBeLessThan(0.05);
	});

	it('parts a dead unit from its module and from the AC at its drop by the tests it proposes', () => {
		const dark = visitWith('', units(0));
		const { next, causes } = assess(KILN_LANE.record, dark);
		expect(causes[0]!.where).toBe('K1, module 3');
		expect(next.map(({ quantity }) => quantity).sort()).toEqual([
			'ac-voltage',
			'open-circuit-voltage',
			// And the figure itself again: one in a hundred is wrong.
			'unit-power'
		]);
		const settled = (voltage: number, ac: number) =>
			assess(
				KILN_LANE.record,
				visitWith('', [
					...units(0),
					{ place: unit(3), quantity: 'open-circuit-voltage', value: voltage },
					{ place: unit(3), quantity: 'ac-voltage', value: ac }
				])
			).causes.find(({ members }) => members[0].code !== 'healthy')!.members[0].code;
		expect(settled(39.5, 231)).toBe('micro-inverter-dead');
		expect(settled(0.1, 231)).toBe('module-open');
		expect(settled(39.5, 0.4)).toBe('inverter-no-ac');
	});

	it('says nothing of units while none of them feeds', () => {
		const night = [1, 2, 3, 4].map((m): Read => ({
			place: unit(m),
			quantity: 'unit-power',
			value: 0
		}));
		const { causes } = assess(KILN_LANE.record, visitWith('', night));
		expect(causes.every(({ probability }) => Number.isFinite(probability))).toBe(true);
		expect(chance(KILN_LANE.record, visitWith('', night), 'micro-inverter-dead')).toBeLessThan(
			0.05
		);
	});

	it('believes a unit at half once it was read twice', () => {
		const once = visitWith('', units(122));
		const again = once.readings.find(({ value }) => value === 122)!;
		const twice: Visit = {
			...once,
			readings: [...once.readings, { ...again, id: 'again', supersedes: again.id, value: 121 }]
		};
		const before = chance(KILN_LANE.record, once, 'module-degraded');
		expect(chance(KILN_LANE.record, twice, 'module-degraded')).toBeGreaterThan(before);
		expect(chance(KILN_LANE.record, twice, 'module-degraded')).toBeGreaterThan(0.95);
	});

	it('takes a unit at half for a weak module, not a dead unit', () => {
		const { causes } = assess(KILN_LANE.record, visitWith('', units(122)));
		expect(causes[0]).toMatchObject({ where: 'K1, module 3' });
		expect(causes[0]!.members.map(({ code }) => code)).toEqual(['module-degraded']);
	});

	it('hears the inverter: an arc, and an earth-fault fuse whose fault is then looked for', () => {
		expect(chance(SALT, visitWith('Arc fault input 1', []), 'arc-fault')).toBeGreaterThan(0.7);
		expect(chance(SALT, visitWith('', []), 'arc-fault')).toBe(0);
		const voc = { place: A1, quantity: 'open-circuit-voltage', value: 460 } as const;
		const says = visitWith('GFDI fuse', [voc]);
		const { causes, next } = assess(SALT, says);
		expect(chance(SALT, says, 'gfdi-fuse-blown')).toBeGreaterThan(0.7);
		expect(chance(SALT, visitWith('', [voc]), 'gfdi-fuse-blown')).toBe(0);
		const line = causes.find(({ members }) => members[0].code === 'gfdi-fuse-blown')!;
		expect(line.reasons[0]!.words).toContain('Find the earth fault first');
		expect(next.some(({ quantity }) => quantity === 'positive-to-earth')).toBe(true);
	});

	it('asks for wet insulation where the message speaks of leaks, once the array was read dry', () => {
		const wet = ({ quantity }: { quantity: string }) => quantity === 'insulation-wet';
		const before = assess(SALT, visitWith('Riso low', []));
		expect(before.next.some(wet)).toBe(false);
		expect(before.remarks).toContainEqual(
			expect.objectContaining({ code: 'test-withheld', because: 'dry-tests-first' })
		);
		const dry = {
			place: { kind: 'array' },
			quantity: 'insulation-resistance',
			value: 200
		} as const;
		const { next } = assess(SALT, visitWith('Riso low', [dry]));
		expect(next[0]).toMatchObject({ quantity: 'insulation-wet', place: { kind: 'array' } });
	});

	it('holds a controller to its strings by their labels', () => {
		const { record } = CAIRN_RIGG;
		const onBattery = (absorptionVoltage: number, method: 'PWM' | 'MPPT') => ({
			...record,
			parts: record.parts.map((one) =>
				one.kind === 'charge-controller'
					? { ...one, specs: { ...one.specs, method } }
					: one.kind === 'battery'
						? { ...one, specs: { ...one.specs, absorptionVolts: absorptionVoltage } }
						: one
			)
		});
		const mismatch = (of: ArrayRecord) => chance(of, visitWith('', []), 'controller-mismatch');
		// Two modules hot against a battery of 48 V, and throwing half away by PWM on 24 V.
		expect(mismatch(onBattery(57.6, 'MPPT'))).toBeGreaterThan(0.9);
		expect(mismatch(onBattery(28.8, 'PWM'))).toBeGreaterThan(0.9);
		expect(mismatch(onBattery(28.8, 'MPPT'))).toBe(0);
	});
});
