import { describe, expect, it } from 'vitest';
import { readingAt } from '../../../tests/support/readings';
import { arrayRecord, testId, visitOf } from '../../../tests/support/scenario';
import {
	effectiveVisit,
	FAULT_CODES,
	type Place,
	placeKey,
	type Quantity,
	type Reading,
	type RepairEntry,
	stringPlace,
	stringsAt,
	usualState,
	type Visit
} from '../visit';
import { unknownSpecs } from '../record';
import { assess } from '../diagnosis';
import { repairCases, verdictsOf } from './cases';
import { partHistories } from './history';
import { REPAIR_KINDS, repairKindsFor, retakesFor } from './kinds';
import { substituteChecks } from './substitute';

const record = arrayRecord();
const [a1, a2] = record.strings;
const REPAIRED_AT = '2026-06-01T12:00:00Z';

const repair = (of: Partial<RepairEntry> & Pick<RepairEntry, 'code'>): RepairEntry => ({
	id: testId(5000),
	place: stringPlace(a1!.id),
	step: 'repaired',
	kind: 'other',
	words: '',
	serial: '',
	photograph: null,
	lookAgain: null,
	readingsBefore: null,
	at: REPAIRED_AT,
	by: 'Tester',
	...of
});

const reading = (
	place: Place,
	quantity: Quantity,
	value: number,
	takenAt = '2026-06-01T13:00:00Z',
	atVoltage: number | null = null
): Reading => {
	const state = usualState(quantity, { fused: true, devices: false });
	return readingAt(place, quantity, value, { state, atVolts: atVoltage, takenAt });
};

/** The visit with newer takes of the readings of a string. */
function retaken(visit: Visit, stringId: string, values: Partial<Record<Quantity, number>>): Visit {
	const newer = visit.readings.flatMap((before) => {
		const value = values[before.quantity];
		if (value === undefined || !('string' in before.place) || before.place.string !== stringId) {
			return [];
		}
		return [
			{
				...reading(before.place, before.quantity, value, undefined, before.atVolts),
				supersedes: before.id
			}
		];
	});
	return { ...visit, readings: [...visit.readings, ...newer] };
}

const casesOf = (visit: Visit) => repairCases(record, visit, verdictsOf(assess(record, visit)));

describe('what was read before a repair', () => {
	const blown = visitOf({ record, faults: { A1: { code: 'fuse-blown' } } });

	it('says nothing of its string afterwards, and all of the others', () => {
		const visit = { ...blown, repairs: [repair({ code: 'fuse-blown', kind: 'replace-fuse' })] };
		const now = effectiveVisit(record, visit);
		expect(now.readings).toHaveLength(blown.readings.length - 2);
		expect(now.readings.every(({ place }) => !('string' in place) || place.string !== a1!.id)).toBe(
			true
		);
		// What is left of it is what any string may have.
		for (const { stringId, probability } of assess(record, visit).causes) {
			if (stringId === a1!.id) expect(probability).toBeLessThan(0.1);
		}
	});

	it('is told by the order of entry, whatever the clock of the device says', () => {
		const slow = retaken(blown, a1!.id, { 'open-circuit-voltage': 460, 'operating-current': 8 });
		// The retest was taken on a device that is hours behind the server, or ahead of it.
		for (const takenAt of ['2026-06-01T08:00:00Z', '2026-06-01T20:00:00Z']) {
			const visit = {
				...slow,
				readings: slow.readings.map((one) => ({ ...one, takenAt })),
				repairs: [
					repair({
						code: 'fuse-blown',
						kind: 'replace-fuse',
						readingsBefore: blown.readings.length
					})
				]
			};
			const now = effectiveVisit(record, visit);
			const own = now.readings.filter(({ place }) => 'string' in place && place.string === a1!.id);
			expect(own.map(({ value }) => value).sort()).toEqual([460, 8]);
			// What is to be read again is found among the same readings.
			const [one] = casesOf(visit);
			expect(one!.retakes.some(({ after }) => after !== null)).toBe(true);
			expect(one!.retakes.every(({ after }) => after === null || after.takenAt === takenAt)).toBe(
				true
			);
		}
	});

	it('still counts where nothing was repaired', () => {
		const left = {
			...blown,
			repairs: [repair({ code: 'fuse-blown', step: 'accepted', kind: null })]
		};
		expect(effectiveVisit(record, left).readings).toEqual(blown.readings);
	});

	it('is dropped at every string that a repaired part concerns', () => {
		const part = {
			id: testId(700),
			kind: 'dc-disconnect' as const,
			mark: 'Q1',
			place: null,
			model: null,
			serial: null,
			to: null,
			specs: unknownSpecs('dc-disconnect')
		};
		const switched = {
			...record,
			parts: [part],
			strings: record.strings.map((string) =>
				string.input === 'A' ? { ...string, to: part.id } : string
			)
		};
		const place: Place = { kind: 'part', part: part.id, point: 'positive' };
		expect(stringsAt(switched, place).map(({ label }) => label)).toEqual(['A1', 'A2', 'A3', 'A4']);
		expect(stringsAt(record, { kind: 'array' })).toHaveLength(8);
	});
});

describe('a repair', () => {
	const sound = visitOf({ record });
	const valueOf = (quantity: Quantity) =>
		sound.readings.find(
			({ place, quantity: read }) =>
				read === quantity && 'string' in place && place.string === a1!.id
		)!.value;
	const blown = {
		...visitOf({ record, faults: { A1: { code: 'fuse-blown' } } }),
		repairs: [repair({ code: 'fuse-blown', kind: 'replace-fuse' })]
	};

	it('is open until its readings are taken again, and closed by them', () => {
		const [open] = casesOf(blown);
		expect(open!.open).toMatch(/2 of 2 readings to take again/);
		expect(open!.retakes[0]!.before).not.toBeNull();
		const again = retaken(blown, a1!.id, {
			'open-circuit-voltage': valueOf('open-circuit-voltage'),
			'operating-current': valueOf('operating-current')
		});
		const [closed] = casesOf(again);
		expect(closed!.open).toBeNull();
		expect(closed!.retakes.every(({ verdict }) => verdict === 'pass')).toBe(true);
	});

	it('stays open where what is read again is off', () => {
		const again = retaken(blown, a1!.id, {
			'open-circuit-voltage': valueOf('open-circuit-voltage'),
			'operating-current': 0
		});
		expect(casesOf(again)[0]!.open).toMatch(/1 of the readings taken again fails/);
	});

	it('of a part is proved by the reading at its very place too', () => {
		const place: Place = { kind: 'fuse', string: a1!.id, pole: 'positive' };
		const visit = {
			...blown,
			readings: [...blown.readings, reading(place, 'fuse-resistance', 1e8, '2026-06-01T11:00:00Z')],
			repairs: [repair({ code: 'fuse-blown', kind: 'replace-fuse', place })]
		};
		const keys = casesOf(visit)[0]!.retakes.map(({ key }) => key);
		expect(keys).toContain(placeKey(place, 'fuse-resistance'));
		expect(keys).toHaveLength(3);
	});

	it('that is left, or shown not to be needed, is nothing to prove', () => {
		const left = {
			...blown,
			repairs: [repair({ code: 'soiling', step: 'accepted', kind: null, lookAgain: '2027-03-20' })]
		};
		expect(casesOf(left)[0]).toMatchObject({ open: null, retakes: [] });
	});

	it('of a blown earth-fault fuse is open while the earth fault is neither found nor excluded', () => {
		const fuse = repair({
			code: 'gfdi-fuse-blown',
			kind: 'replace-fuse',
			place: { kind: 'array' }
		});
		const visit = { ...sound, repairs: [fuse] };
		expect(casesOf(visit)[0]!.open).toMatch(/the message, not the fault.*A1/s);
		const excluded = {
			...visit,
			repairs: [
				fuse,
				repair({
					id: testId(5001),
					code: 'earth-fault',
					step: 'excluded',
					kind: null,
					words: 'every string above 20 Mohm, wet and dry'
				})
			]
		};
		const gfdi = casesOf(excluded).find(({ code }) => code === 'gfdi-fuse-blown')!;
		expect(gfdi.open).toMatch(/readings to take again/);
	});
});

describe('kinds of repair', () => {
	it('are the usual ones first, all of them for every cause, and something to read after', () => {
		for (const code of FAULT_CODES) {
			expect([...repairKindsFor(code)].sort()).toEqual(Object.keys(REPAIR_KINDS).sort());
			expect(retakesFor(code).length).toBeGreaterThan(0);
		}
		expect(repairKindsFor('section-open')[0]).toBe('bridge-section');
		expect(retakesFor('earth-fault')).toContain('insulation-resistance');
	});
});

describe('history', () => {
	it('shows the part that failed again first', () => {
		const years = [
			repair({ code: 'soiling', place: stringPlace(a2!.id), at: '2027-05-01T10:00:00Z' }),
			repair({ code: 'fuse-blown', at: '2024-05-01T10:00:00Z' }),
			repair({ code: 'fuse-blown', at: '2026-05-01T10:00:00Z' })
		];
		const [first, second] = partHistories(years);
		expect(first).toMatchObject({ again: true });
		expect(first!.entries.map(({ at }) => at.slice(0, 4))).toEqual(['2024', '2026']);
		expect(second).toMatchObject({ again: false });
		// Two entries of one day are one visit's work.
		const day = [repair({ code: 'soiling' }), repair({ code: 'shade' })];
		expect(partHistories(day)[0]!.again).toBe(false);
	});
});

describe('a substitute', () => {
	const [type] = record.moduleTypes;
	const other = (imp: number, seriesFuse: number | null) => ({
		...type!,
		plate: { ...type!.plate, imp },
		limits: { ...type!.limits, seriesFuse, systemVolts: 600 }
	});

	it('is checked for current, volts, fuse and system volts', () => {
		const alike = substituteChecks(a1!, type!, other(type!.plate.imp, 20));
		expect(alike.map(({ fits }) => fits)).toEqual([true, true, true, false]);
		const weak = substituteChecks(a1!, type!, other(0.9 * type!.plate.imp, 10));
		expect(weak[0]).toMatchObject({ fits: false });
		expect(weak[0]!.words).toContain('limit the full string');
		expect(weak[2]).toMatchObject({ fits: false });
		expect(substituteChecks(a1!, type!, other(type!.plate.imp, null))[2]!.words).toContain(
			'read them'
		);
	});
});
