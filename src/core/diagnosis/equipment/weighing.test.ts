import { describe, expect, it } from 'vitest';
import { readingAt } from '../../../../tests/support/readings';
import { SALTMARSH } from '../../../../tests/support/sites';
import { type Place, placeKey, type Reading, usualState } from '../../visit';
import { USUAL_RATES } from '../../faults';
import { partsOf } from '../../record';
import { figure } from '../part-figures';
import { statesOf, weighEquipmentCase, type EquipmentCase } from './equipment-case';
import { probeOf, type EquipmentBasis } from './basis';
import { equipmentCauses } from './lines';
import { allSound } from './sources';
import { surgeProtectors, weldedSwitches } from './switchgear';

const { record } = SALTMARSH;
const [surge] = partsOf(record.parts, 'surge');
const [switchPart] = partsOf(record.parts, 'dc-disconnect');
const WINDOW: Place = { kind: 'part', part: surge!.id, point: 'window' };
const LOAD: Place = { kind: 'part', part: switchPart!.id, point: 'load' };

const standing = (...readings: Reading[]) =>
	new Map(readings.map((one) => [placeKey(one.place, one.quantity), one]));
const basis = (more: Partial<EquipmentBasis> = {}): EquipmentBasis => ({
	record,
	standing: new Map(),
	takes: () => [],
	rates: {},
	says: '',
	earthFound: 0,
	module: { voltage: 37, power: 250 },
	...more
});
const weigh = (
	of: EquipmentCase,
	readings: readonly Reading[] = [],
	takes: readonly Reading[] = []
) => weighEquipmentCase(of, standing(...readings), () => takes);

describe('a part of which nothing is known', () => {
	const [of] = surgeProtectors(basis());
	it('keeps its prior, and is not told of', () => {
		const { chances, told } = weigh({
			...of!,
			states: statesOf([{ code: 'spd-failed', prior: 0.02 }])
		});
		expect(chances[0]).toBeCloseTo(0.98, 9);
		expect(told).toBe(false);
		expect(
			allSound([weigh({ ...of!, states: statesOf([{ code: 'spd-failed', prior: 0.02 }]) })])
		).toBe(1);
	});

	it('has no line', () => {
		const unread = { ...of!, states: statesOf([{ code: 'spd-failed', prior: 0.3 }]) };
		expect(equipmentCauses(record, [weigh(unread)])).toEqual([]);
	});
});

describe('states of a part', () => {
	it('share all chances, the sound one first', () => {
		const states = statesOf([
			{ code: 'spd-failed', prior: 0.1 },
			{ code: 'cable-damaged', prior: 0.2, said: 3 }
		]);
		expect(states.map(({ code }) => code)).toEqual(['healthy', 'spd-failed', 'cable-damaged']);
		expect(states[0].prior).toBeCloseTo(0.7, 9);
		expect(states[2]!.said).toBe(3);
	});

	it('leave the sound one at least half, however many faults there are', () => {
		expect(statesOf([{ code: 'spd-failed', prior: 0.9 }])[0].prior).toBe(0.5);
	});
});

describe('a surge protector', () => {
	const at = (window: string) => ({
		...record,
		parts: record.parts.map((part) =>
			part.id === surge!.id ? { ...part, specs: { ...part.specs, window } } : part
		)
	});
	const chance = (window: string, readings: readonly Reading[] = []) => {
		const [of] = surgeProtectors(
			basis({ record: at(window) as typeof record, standing: standing(...readings) })
		);
		return weigh(of!, readings).chances[1]!;
	};

	it('is judged by what its window was recorded as', () => {
		expect(chance('spent')).toBeGreaterThan(0.9);
		expect(chance('good')).toBeLessThan(USUAL_RATES['spd-failed']);
	});

	it('by a look today, whatever was recorded once', () => {
		expect(chance('spent', [readingAt(WINDOW, 'lamp', 1)])).toBeLessThan(0.1);
		expect(chance('good', [readingAt(WINDOW, 'lamp', 0)])).toBeGreaterThan(0.5);
	});

	it('without a window is not asked', () => {
		const blind = surgeProtectors(basis({ record: at('none') as typeof record }));
		expect(blind.map(({ place }) => place.part)).not.toContain(surge!.id);
	});
});

describe('a switch', () => {
	const [of] = weldedSwitches(basis());
	const open = {
		state: { ...usualState('dc-voltage'), disconnect: 'open', ac: 'off' }
	} as const;

	it('that shows volts behind it while it is open is welded', () => {
		const { chances } = weigh(of!, [readingAt(LOAD, 'dc-voltage', 300, open)]);
		expect(chances[1]).toBeGreaterThan(0.5);
	});

	it('that shows none is sound', () => {
		expect(weigh(of!, [readingAt(LOAD, 'dc-voltage', 0.4, open)]).chances[1]).toBeLessThan(0.001);
	});

	it('that is closed says nothing by its volts', () => {
		const closed = {
			state: { ...usualState('dc-voltage'), disconnect: 'closed' }
		} as const;
		const { read, told } = weigh(of!, [readingAt(LOAD, 'dc-voltage', 300, closed)]);
		expect(read).toEqual([]);
		expect(told).toBe(false);
	});

	it('is told with what its volts would be, sound and welded', () => {
		const posterior = weigh(of!, [readingAt(LOAD, 'dc-voltage', 300, open)]);
		const [line] = equipmentCauses(record, [posterior]);
		expect(line).toMatchObject({ where: switchPart!.mark, stringId: null });
		expect(line!.members[0].code).toBe('disconnect-welded');
		expect(line!.reasons[0]).toMatchObject({ weighs: 'for' });
		expect(line!.reasons[0]!.words).toMatch(/300\.0 V read; sound about 0\.00 V, with this fault/);
		expect(allSound([posterior])).toBeCloseTo(posterior.chances[0]! * posterior.rightIfSound, 12);
		// A figure that a sound switch cannot give leaves no room for nothing being wrong.
		expect(posterior.rightIfSound).toBeLessThan(0.01);
	});
});

describe('a reading that may be wrong', () => {
	const of: EquipmentCase = {
		place: { part: surge!.id },
		where: 'x',
		states: statesOf([{ code: 'spd-failed', prior: 0.001 }]),
		probes: [
			probeOf(WINDOW, 'dc-voltage', (code) =>
				code === 'healthy' ? figure(100, 1, 200) : figure(0, 1, 200)
			)
		],
		reasons: []
	};

	it('is likelier wrong the less it fits any state', () => {
		const wrong = (value: number) =>
			weigh(of, [readingAt(WINDOW, 'dc-voltage', value)]).read[0]!.wrong;
		expect(wrong(100)).toBeLessThan(0.01);
		expect(wrong(55)).toBeGreaterThan(0.95);
	});

	it('is believed once it was read twice', () => {
		const first = readingAt(WINDOW, 'dc-voltage', 0.2);
		const again = readingAt(WINDOW, 'dc-voltage', 0.3, { id: 'again', supersedes: first.id });
		const once = weigh(of, [first], [first]).chances[1]!;
		const twice = weigh(of, [again], [first, again]).chances[1]!;
		expect(twice).toBeGreaterThan(once);
	});

	it('two faults that it cannot part share a line', () => {
		const both: EquipmentCase = {
			...of,
			states: statesOf([
				{ code: 'spd-failed', prior: 0.02 },
				{ code: 'cable-damaged', prior: 0.01 }
			])
		};
		const lines = equipmentCauses(record, [weigh(both, [readingAt(WINDOW, 'dc-voltage', 0)])]);
		expect(lines).toHaveLength(1);
		expect(lines[0]!.members.map(({ code }) => code)).toEqual(['spd-failed', 'cable-damaged']);
	});
});
