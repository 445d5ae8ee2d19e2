import { describe, expect, it } from 'vitest';
import { type Place, placeKey, type Quantity, stringPlace } from '../visit';
import { measurementPointAt } from '../visit-plan';
import { INVERTER_ID, scenarioId } from './array';
import { answerTest, busVoltageAt, withAnswer } from './answer';
import { trueBuses } from './circuits';
import { exactReadings } from './exact';
import { randomFrom } from '../numerics';
import { drawScenario, type Scenario } from './scenario';

const wishes = { plain: true, strings: 4, modules: 12, devices: false, fused: true } as const;
const ask = (scenario: Scenario, place: Place, quantity: Quantity, seed = 1) =>
	answerTest(scenario, measurementPointAt(scenario.record, place, quantity), randomFrom(seed));
const hiddenIn = ({ record, truth }: Scenario) =>
	record.strings.find(({ label }) => label === truth.faults[0]!.strings[0])!;
const soundIn = (scenario: Scenario) =>
	scenario.record.strings.find(({ id }) => id !== hiddenIn(scenario).id)!;

describe('what a virtual meter shows', () => {
	it('of a sound string is what the circuit gives, within the meter’s error', () => {
		const scenario = drawScenario(5, { ...wishes, code: 'healthy' });
		const leaks = new Map(
			scenario.record.strings.map(({ label }) => [label, { share: 0.5, resistance: 1e9 }])
		);
		const exact = exactReadings(
			scenario.truth,
			trueBuses(scenario.record, scenario.truth),
			leaks
		).strings;
		for (const { id, label } of scenario.record.strings) {
			const { voc, isc, running } = exact.get(label)!;
			for (const [quantity, value] of [
				['open-circuit-voltage', voc],
				['short-circuit-current', isc],
				['operating-current', running]
			] as const) {
				const shown = ask(scenario, stringPlace(id), quantity)!;
				expect(Math.abs(shown - value)).toBeLessThan(0.02 * Math.abs(value) + 0.3);
			}
		}
	});

	it('of a blown fuse is no way through, of a sound one next to none', () => {
		const scenario = drawScenario(404, { ...wishes, code: 'fuse-blown' });
		const [fault] = scenario.truth.faults;
		const poles = ['positive', 'negative'] as const;
		const resistance = poles.map((pole) =>
			ask(scenario, { kind: 'fuse', string: hiddenIn(scenario).id, pole }, 'fuse-resistance')!
		);
		expect(resistance[fault!.at!]!).toBeGreaterThan(1e5);
		expect(resistance[1 - fault!.at!]!).toBeLessThan(2);
	});

	it('of a stretch beyond an open joint is nothing, of the rest its modules', () => {
		const scenario = drawScenario(404, { ...wishes, code: 'connector-open' });
		const { id, moduleCount } = hiddenIn(scenario);
		const connector = scenario.truth.faults[0]!.at!;
		const voltage = (from: number, to: number) =>
			ask(scenario, { kind: 'stretch', string: id, from, to }, 'stretch-voltage')!;
		expect(Math.abs(voltage(0, moduleCount))).toBeLessThan(3);
		const whole = ask(scenario, stringPlace(soundIn(scenario).id), 'open-circuit-voltage')!;
		const each = whole / moduleCount;
		const [from, to] =
			connector > moduleCount / 2 ? [0, connector - 1] : [connector + 1, moduleCount];
		expect(voltage(from, to) / (to - from)).toBeGreaterThan(0.9 * each);
		expect(voltage(from, to) / (to - from)).toBeLessThan(1.1 * each);
	});

	it('of modules counted is their true number', () => {
		const scenario = drawScenario(77, { ...wishes, code: 'module-missing' });
		const hidden = hiddenIn(scenario);
		expect(ask(scenario, stringPlace(hidden.id), 'module-count')).toBe(
			hidden.moduleCount - scenario.truth.faults[0]!.size!
		);
		expect(ask(scenario, stringPlace(soundIn(scenario).id), 'module-count')).toBe(12);
	});

	it('of a switch is by pole', () => {
		const scenario = drawScenario(12, { ...wishes, code: 'disconnect-open' });
		const [fault] = scenario.truth.faults;
		const part = scenario.record.strings.find(({ input }) => input === fault!.input)!.to!;
		const resistance = (point: 'positive' | 'negative') =>
			ask(scenario, { kind: 'part', part, point }, 'pole-resistance')!;
		const sound = fault!.link === 'positive' ? 'negative' : 'positive';
		expect(resistance(fault!.link as 'positive')).toBeGreaterThan(1e5);
		expect(resistance(sound)).toBeLessThan(2);
	});

	it('of the supply of shutdown devices is dark from the broken link on', () => {
		const scenario = drawScenario(9, { code: 'rsd-no-signal', plain: true, devices: true });
		const [fault] = scenario.truth.faults;
		const part = scenarioId(9, 3);
		const chain = [
			// A dead lead beside live ones shows some volts all the same.
			['supply-breaker', 'ac-voltage', 60],
			['supply-disconnect', 'ac-voltage', 60],
			['low-voltage', 'dc-voltage', 5],
			['lamp', 'lamp', 0.5],
			['signal', 'lamp', 0.5]
		] as const;
		const from = chain.findIndex(([point]) => point === fault!.link);
		const fed = chain.map(
			([point, quantity, live]) => ask(scenario, { kind: 'part', part, point }, quantity)! > live
		);
		expect(fed).toEqual(chain.map((_, i) => i < from));
	});

	it('of the inverter’s display is none while it does not run', () => {
		const place: Place = { kind: 'part', part: INVERTER_ID, point: 'display' };
		const stopped = drawScenario(21, { ...wishes, code: 'inverter-no-ac' });
		expect(ask(stopped, place, 'ac-power')).toBe(0);
		const running = drawScenario(21, { ...wishes, code: 'healthy' });
		expect(ask(running, place, 'ac-power')!).toBeGreaterThan(100);
	});

	it('of soiling is what cleaning gains', () => {
		const scenario = drawScenario(33, { ...wishes, code: 'soiling' });
		const [fault] = scenario.truth.faults;
		const gain = ask(scenario, { kind: 'array' }, 'cleaning-gain')!;
		const all = fault!.strings.length > 1;
		const lost = all ? fault!.size! : 0;
		expect(gain).toBeGreaterThan((100 * lost) / (1 - lost) - 4);
		expect(gain).toBeLessThan((100 * lost) / (1 - lost) + 4);
	});

	it('is none where such an array has no such place', () => {
		const scenario = drawScenario(5, { ...wishes, code: 'healthy' });
		const place: Place = { kind: 'part', part: 'nobody', point: 'line' };
		expect(ask(scenario, place, 'dc-voltage')).toBeNull();
		expect(ask(scenario, { kind: 'array' }, 'insulation-resistance')).toBeNull();
	});
});

describe('a visit with an answer in it', () => {
	const scenario = drawScenario(5, { ...wishes, code: 'healthy' });
	const [string] = scenario.record.strings;
	const empty = { ...scenario.visit, readings: [] };
	const spot = measurementPointAt(scenario.record, stringPlace(string!.id), 'operating-current');

	it('reads a running current at the volts of its bus', () => {
		const bus = busVoltageAt(scenario, string!.id)!;
		const open = ask(scenario, stringPlace(string!.id), 'open-circuit-voltage')!;
		expect(bus).toBeGreaterThan(0.6 * open);
		expect(bus).toBeLessThan(open);
		expect(withAnswer(empty, spot, 5, 1, bus).readings[0]).toMatchObject({
			value: 5,
			atVolts: bus
		});
	});

	it('replaces the figure that stood at the place', () => {
		const once = withAnswer(empty, spot, 5, 1, 300);
		const twice = withAnswer(once, spot, 5.2, 2, 310);
		expect(twice.readings).toHaveLength(2);
		expect(twice.readings[1]).toMatchObject({
			supersedes: once.readings[0]!.id,
			// The volts that stood with the first figure hold for the second.
			atVolts: 300
		});
		expect(placeKey(twice.readings[1]!.place, twice.readings[1]!.quantity)).toBe(
			placeKey(spot.place, spot.quantity)
		);
	});
});
