import { judgeByModel, type PlaceResult } from '../assessment';
import {
	effectiveVisit,
	type EffectiveVisit,
	type SafetyEntry,
	stringKey,
	USUAL_METERS,
	usualState
} from '../visit';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { testId, visitOf } from '../../../tests/support/scenario';
import {
	ALL_SITES,
	CAIRN_RIGG,
	HOLLIN_CREEK,
	KILN_LANE,
	SALTMARSH
} from '../../../tests/support/sites';
import { type ArrayRecord, EMPTY_RECORD } from '../record';
import { gateOfReading, OWN_PROCEDURE } from './interlock';
import { whatStaysLive } from './live';
import { makingSafe, type Making } from './sequence';
import { TASKS, type SafetyStep, type Task } from './step';
import { switchingOff } from './switching-off';
import { closingProblem, switchingOn } from './switching-on';

const START = 1_764_000_000_000;
const NO_PLACES: ReadonlyMap<string, PlaceResult> = new Map();

/** A figure that proves a step, or none where nothing is read. */
const proving = ({ proof }: SafetyStep): number | null =>
	proof ? (proof.limit.least === undefined ? 0 : proof.limit.least * 1.2) : null;

/** Somebody who takes one step after another, and waits where time must pass. */
class Walker {
	safety: SafetyEntry[] = [];
	now = START;
	meters = USUAL_METERS;

	constructor(
		readonly record: ArrayRecord,
		readonly task: Task = 'dead',
		readonly places: ReadonlyMap<string, PlaceResult> = NO_PLACES
	) {}

	get visit(): EffectiveVisit {
		const { safety, meters } = this;
		return effectiveVisit(this.record, { ...SALTMARSH.visit, repairs: [], safety, meters });
	}

	get making(): Making {
		return makingSafe(this.record, this, this.places, this.task, () => this.now);
	}

	enter(step: string, value: number | null, withdrawn = false): void {
		const standing = this.safety.findLast((entry) => entry.step === step)?.id ?? null;
		this.safety = [
			...this.safety,
			{
				id: testId(0x5000 + this.safety.length),
				step,
				value,
				at: new Date(this.now).toISOString(),
				by: 'Tester',
				supersedes: standing,
				withdrawn
			}
		];
	}

	/** Settles what is next in a phase, until it is through or the step is reached. */
	walk(phase: 'arrival' | 'down' | 'up', until?: string): void {
		for (let guard = 0; guard < 400; guard++) {
			this.now += 20_000;
			const next = this.making[phase].find(({ state }) => state !== 'done');
			if (!next || next.step.key === until) return;
			if (next.state === 'blocked') throw new Error(JSON.stringify(next.step.blocked));
			if (next.state === 'waiting') this.now += next.remaining * 1000;
			this.enter(next.step.key, proving(next.step));
		}
		throw new Error('the sequence has no end');
	}
}

const keysOf = (steps: readonly SafetyStep[]) => steps.map(({ key }) => key);
/** Where the first step of a kind stands, at a part or string where one is named. */
const at = (steps: readonly SafetyStep[], kind: string, id = '') => {
	const index = keysOf(steps).findIndex((key) => key.startsWith(kind) && key.endsWith(id));
	if (index < 0) throw new Error(`no step ${kind} ${id}: ${keysOf(steps).join(' ')}`);
	return index;
};
const partOf = ({ parts }: ArrayRecord, mark: string) =>
	parts.find((part) => part.mark === mark)!.id;

describe('the way down', () => {
	it('of a string inverter follows the order, by the name of each device', () => {
		const { record } = SALTMARSH;
		const steps = switchingOff(record, 'dead');
		const part = (mark: string) => partOf(record, mark);
		const string = (label: string) => record.strings.find((one) => one.label === label)!.id;
		const order = [
			['down/stop', part('INV 1')],
			['down/off', part('Q10')],
			['down/ac-power', part('INV 1')],
			['down/clamp-proved', ''],
			['down/clamp-before', string('A1')],
			['down/clamp-before', string('B4')],
			['down/off', part('Q1')],
			['down/off', part('Q2')],
			['down/clamp-after', string('A1')],
			['down/dead-plus-minus', part('INV 1')],
			['down/dead-plus-earth', part('INV 1')],
			['down/dead-minus-earth', part('INV 1')],
			['down/meter-again', part('INV 1')],
			['down/fuses-out', '']
		].map(([kind, id]) => at(steps, kind!, id));
		expect(order).toEqual(order.toSorted((a, b) => a - b));
		expect(steps[at(steps, 'down/dead-plus-minus')]!.wait!.seconds).toBeGreaterThanOrEqual(300);
	});

	it('behind rapid shutdown begins at the initiator, and measures after the edition’s time', () => {
		const steps = switchingOff(HOLLIN_CREEK.record, 'dead');
		expect(steps[0]!.effect).toEqual({ kind: 'initiator-off' });
		expect(steps[1]).toMatchObject({ wait: { seconds: 30 }, proof: { limit: { most: 30 } } });
		const old = {
			...HOLLIN_CREEK.record,
			rules: { ...HOLLIN_CREEK.record.rules, edition: 2014 as const }
		};
		expect(switchingOff(old, 'dead')[1]!.wait!.seconds).toBe(10);
		// Volts behind the devices are read while they are fed, so live work leaves them on.
		expect(keysOf(switchingOff(HOLLIN_CREEK.record, 'open-live')).join()).not.toMatch(/initiator/);
	});

	it('of a battery opens PV before the battery, and says that its terminals stay live', () => {
		const steps = switchingOff(CAIRN_RIGG.record, 'dead');
		expect(at(steps, 'down/loads')).toBe(0);
		expect(at(steps, 'down/off', partOf(CAIRN_RIGG.record, 'Q1'))).toBeLessThan(
			at(steps, 'down/battery')
		);
		expect(JSON.stringify(steps)).toContain('isolation.battery.caution');
	});

	it('of micro-inverters is the branch breaker, then AC, then DC', () => {
		const steps = switchingOff(KILN_LANE.record, 'dead');
		const pairs = ['line-line', 'line-neutral', 'line-earth'];
		const order = [
			'down/off',
			...pairs.map((pair) => `down/branch-dead-${pair}`),
			'down/ac-connector'
		].map((kind) => at(steps, kind));
		expect(order).toEqual(order.toSorted((a, b) => a - b));
	});

	it('of optimisers waits below 50 V, near what they put out in standby', () => {
		const record: ArrayRecord = {
			...SALTMARSH.record,
			system: 'optimisers',
			strings: SALTMARSH.record.strings.map((string) => ({
				...string,
				devices: { kind: 'optimiser', modulesPerDevice: 1, part: null }
			}))
		};
		const steps = switchingOff(record, 'dead');
		const standby = steps[at(steps, 'down/standby')]!;
		expect(standby.title).toMatchObject({ params: { limit: 50, near: 12 } });
		expect(standby.proof!.limit).toEqual({ most: 50 });
		expect(at(steps, 'down/standby')).toBeLessThan(
			at(steps, 'down/off', partOf(SALTMARSH.record, 'Q1'))
		);
	});

	it('of nothing recorded asks what nobody knows, and of closed covers nothing', () => {
		expect(switchingOff(SALTMARSH.record, 'closed-covers')).toEqual([]);
		const arrival = makingSafe(
			EMPTY_RECORD,
			new Walker(EMPTY_RECORD),
			NO_PLACES,
			'dead',
			() => START
		).arrival;
		const ratingStep = arrival.find(({ step }) => step.key === 'arrival/kit-volts')!;
		expect(ratingStep.step.blocked.map(({ code }) => code)).toEqual([
			'isolation.arrival.strings-not-recorded'
		]);
	});

	it('has keys of its own for every step, on every site and for every task', () => {
		for (const { record } of ALL_SITES)
			for (const task of TASKS) {
				const keys = switchingOff(record, task).map(({ key }) => key);
				expect(new Set(keys).size).toBe(keys.length);
			}
	});
});

describe('a step', () => {
	it('comes only after every step before it, and is proved by its reading alone', () => {
		const walker = new Walker(SALTMARSH.record);
		const [first, second] = walker.making.down;
		expect([first!.state, second!.state]).toEqual(['next', 'later']);
		walker.enter(second!.step.key, null);
		expect(walker.making.down[1]!.state).toBe('later');
		walker.walk('down', `down/clamp-before/${SALTMARSH.record.strings[0]!.id}`);
		const clamp = () => walker.making.down.find(({ step }) => step.key.includes('clamp-before'))!;
		walker.enter(clamp().step.key, 0.6);
		expect(clamp().state).toBe('not-proved');
		walker.now += 1000;
		walker.enter(clamp().step.key, -0.1);
		expect(clamp().state).toBe('done');
	});

	it('that must wait is not proved by a reading taken too early', () => {
		const walker = new Walker(SALTMARSH.record);
		const end = SALTMARSH.record.parts.find(({ kind }) => kind === 'inverter')!.id;
		const key = `down/dead-plus-minus/${end}`;
		walker.walk('down', key);
		const waiting = () => walker.making.down.find(({ step }) => step.key === key)!;
		expect(waiting().state).toBe('waiting');
		expect(waiting().remaining).toBeGreaterThan(200);
		walker.enter(key, 0);
		walker.now += 10_000;
		expect(waiting().state).toBe('waiting');
		walker.now += 600_000;
		expect(waiting().state).not.toBe('done');
		walker.enter(key, 0.4);
		expect(waiting().state).toBe('done');
	});

	it('waits longer when the clock is set back, never shorter', () => {
		const walker = new Walker(HOLLIN_CREEK.record);
		const transmitter = HOLLIN_CREEK.record.parts.find(({ kind }) => kind === 'transmitter')!.id;
		walker.walk('down', `down/shutdown/${transmitter}`);
		const remaining = () =>
			walker.making.down.find(({ step }) => step.key === `down/shutdown/${transmitter}`)!.remaining;
		const before = remaining();
		walker.now -= 3_600_000;
		expect(remaining()).toBeGreaterThanOrEqual(before);
	});

	it('that is taken back opens all that followed again', () => {
		const walker = new Walker(SALTMARSH.record);
		walker.walk('down');
		expect(walker.making.down.every(({ state }) => state === 'done')).toBe(true);
		const [, second] = walker.making.down;
		walker.now += 1000;
		walker.enter(second!.step.key, null, true);
		expect(walker.making.down[1]!.state).toBe('next');
		expect(walker.making.down[2]!.state).toBe('later');
		walker.now += 1000;
		walker.enter(second!.step.key, null);
		// What was proved before it was done anew no longer holds.
		expect(walker.making.down[2]!.state).not.toBe('done');
	});

	it('can never be skipped, whatever is entered in whatever order', () => {
		const keys = switchingOff(SALTMARSH.record, 'dead').map(({ key }) => key);
		fc.assert(
			fc.property(
				fc.array(fc.tuple(fc.constantFrom(...keys), fc.constantFrom(0, 0.1, 5, null)), {
					maxLength: 40
				}),
				(entries) => {
					const walker = new Walker(SALTMARSH.record);
					for (const [key, value] of entries) {
						walker.now += 1000;
						walker.enter(key, value);
					}
					const states = walker.making.down.map(({ state }) => state);
					const open = states.findIndex((state) => state !== 'done');
					expect(states.slice(open + 1).every((state) => state === 'later')).toBe(true);
					// Forty seconds are no five minutes.
					expect(states.at(-1)).not.toBe('done');
				}
			),
			{ numRuns: 60 }
		);
	});
});

describe('test equipment', () => {
	it('below the cold volts of the place is refused, with the reason', () => {
		const walker = new Walker(SALTMARSH.record);
		walker.walk('arrival', 'arrival/kit-volts');
		const ratingStep = () =>
			walker.making.arrival.find(({ step }) => step.key === 'arrival/kit-volts')!;
		expect(ratingStep().step.proof!.limit.least).toBe(536);
		walker.enter('arrival/kit-volts', 300);
		expect(ratingStep().state).toBe('not-proved');
		expect(ratingStep().step.proof!.beyond).toMatchObject({ params: { needed: 536 } });
		walker.meters = { ...USUAL_METERS, volts: { ...USUAL_METERS.volts, ratedVolts: 500 } };
		expect(ratingStep().state).toBe('blocked');
		expect(ratingStep().step.blocked).toMatchObject([
			{ code: 'isolation.rating.meter', params: { rated: 500, needed: 536 } }
		]);
	});
});

describe('what stays live', () => {
	const live = (walker: Walker) => whatStaysLive(walker.record, walker.making.switches)[0]!;

	it('on the string side is the string itself, whatever is switched', () => {
		const walker = new Walker(SALTMARSH.record);
		expect(live(walker)).toMatchObject({ modules: { state: 'live' }, end: { state: 'live' } });
		walker.walk('down');
		const after = live(walker);
		expect(after.modules.state).toBe('live');
		expect(after.modules.voltage).toBeGreaterThan(450);
		expect(after.bus).toMatchObject({ state: 'open' });
		expect(after.bus!.voltage).toBeLessThan(1);
		expect(after.end).toMatchObject({ state: 'proved', voltage: 0 });
	});

	it('is never said to be dead on any string’s own side, however far anybody went', () => {
		for (const { record } of ALL_SITES) {
			const walker = new Walker(record);
			for (let taken = 0; taken < 60; taken++) {
				for (const { modules, end } of whatStaysLive(record, walker.making.switches)) {
					expect(modules.state).toBe('live');
					expect(modules.voltage).toBeGreaterThan(0);
					// Read dead only after every step that proves it.
					const proved = walker.making.down
						.filter(({ step }) => step.effect?.kind === 'proved-dead')
						.some(({ state }) => state === 'done');
					expect(end.state === 'proved' && !proved).toBe(false);
				}
				const next = walker.making.down.find(({ state }) => state !== 'done');
				if (!next) break;
				walker.now += 1000 * (20 + next.remaining);
				walker.enter(next.step.key, proving(next.step));
			}
		}
	});

	it('behind an open switch may be charged until it is proved', () => {
		const walker = new Walker(SALTMARSH.record);
		const end = SALTMARSH.record.parts.find(({ kind }) => kind === 'inverter')!.id;
		walker.walk('down', `down/dead-plus-minus/${end}`);
		expect(live(walker).end.state).toBe('charged');
	});

	it('with the initiator off is devices times their volts, the modules’ own leads live behind them', () => {
		const walker = new Walker(HOLLIN_CREEK.record);
		expect(live(walker).modules.voltage).toBeGreaterThan(300);
		walker.walk('arrival');
		walker.walk('down');
		const { modules } = live(walker);
		expect(modules.voltage).toBeLessThan(30);
		expect(modules.state).toBe('live');
	});

	it('is fed by the battery until its breaker is off', () => {
		const walker = new Walker(CAIRN_RIGG.record);
		const battery = CAIRN_RIGG.record.parts.find(({ kind }) => kind === 'battery')!.id;
		walker.walk('down', `down/battery/${battery}`);
		expect(live(walker).end).toMatchObject({
			state: 'live',
			why: { code: 'isolation.live.by-battery' }
		});
		walker.walk('down');
		expect(live(walker).end.state).toBe('proved');
	});
});

describe('the way back on', () => {
	const visit = visitOf({ record: SALTMARSH.record });
	const places = (readings = visit.readings) =>
		new Map(
			judgeByModel(
				SALTMARSH.record,
				effectiveVisit(SALTMARSH.record, { ...visit, readings })
			).places.map((place) => [place.key, place])
		);

	it('is blocked until polarity and volts of every string stand in their band', () => {
		const nothing = switchingOn(SALTMARSH.record, NO_PLACES)[0]!;
		expect(nothing.blocked[0]).toEqual({
			code: 'isolation.close.unread',
			params: { string: 'A1' }
		});
		expect(switchingOn(SALTMARSH.record, places())[0]!.blocked).toEqual([]);
		const [a1] = SALTMARSH.record.strings;
		const turned = visit.readings.map((reading) =>
			reading.place.kind === 'string' &&
			reading.place.string === a1!.id &&
			reading.quantity === 'open-circuit-voltage'
				? { ...reading, value: -reading.value }
				: reading
		);
		expect(closingProblem(a1!, places(turned))!.code).toBe('isolation.close.reversed');
		const short = turned.map((reading) =>
			reading.value < 0 ? { ...reading, value: -reading.value - 40 } : reading
		);
		expect(closingProblem(a1!, places(short))!.code).toMatch(/^isolation\.close\.failed/);
	});

	it('goes DC, then AC, and notes what the inverter says; a battery before its PV', () => {
		const grid = switchingOn(SALTMARSH.record, places());
		const order = ['up/polarity', 'up/fuses-in', 'up/dc', 'up/ac', 'up/display'];
		const found = order.map((kind) => at(grid, kind));
		expect(found).toEqual(found.toSorted((a, b) => a - b));
		const off = switchingOn(CAIRN_RIGG.record, NO_PLACES);
		expect(at(off, 'up/battery')).toBeLessThan(at(off, 'up/dc'));
		const shutdown = switchingOn(HOLLIN_CREEK.record, NO_PLACES);
		expect(shutdown[at(shutdown, 'up/initiator')]!.cautions).toHaveLength(1);
	});

	it('ends what was proved: going down again begins anew', () => {
		const walker = new Walker(SALTMARSH.record, 'dead', places());
		walker.walk('arrival');
		walker.walk('down');
		walker.walk('up');
		expect(walker.making.phase).toBe('up');
		expect(walker.making.up.every(({ state }) => state === 'done')).toBe(true);
		const gate = gateOfReading(
			SALTMARSH.record,
			walker.visit,
			places(),
			{
				place: { kind: 'array' },
				quantity: 'insulation-resistance',
				state: usualState('insulation-resistance')
			},
			() => walker.now
		);
		expect(gate.open).toBe(false);
		walker.now += 1000;
		walker.enter(walker.making.down[0]!.step.key, null);
		expect(walker.making.phase).toBe('down');
		expect(walker.making.down[1]!.state).toBe('next');
	});
});

describe('a reading behind a cover', () => {
	const place = { kind: 'string', string: SALTMARSH.record.strings[0]!.id } as const;
	const voc = {
		place,
		quantity: 'open-circuit-voltage',
		state: usualState('open-circuit-voltage')
	} as const;
	const current = {
		place,
		quantity: 'operating-current',
		state: usualState('operating-current')
	} as const;

	it('waits until its steps are settled, or somebody answers for a procedure of their own', () => {
		const walker = new Walker(SALTMARSH.record, 'open-live');
		const gate = (reading: typeof voc | typeof current) =>
			gateOfReading(SALTMARSH.record, walker.visit, NO_PLACES, reading, () => walker.now);
		expect(gate(voc)).toMatchObject({ open: false, next: { step: { key: 'arrival/weather' } } });
		walker.walk('arrival');
		expect(gate(current)).toEqual({ open: true, by: 'steps' });
		expect(gate(voc)).toMatchObject({ open: false, task: 'open-live' });
		walker.walk('down');
		expect(gate(voc)).toEqual({ open: true, by: 'steps' });
		const other = new Walker(SALTMARSH.record);
		other.enter(OWN_PROCEDURE, null);
		expect(gateOfReading(SALTMARSH.record, other.visit, NO_PLACES, voc, () => START)).toEqual({
			open: true,
			by: 'own-procedure'
		});
	});
});

it('the strings’ volts are found by the key that the sequences use', () => {
	const [a1] = SALTMARSH.record.strings;
	expect(stringKey(a1!.id, 'open-circuit-voltage')).toBe(`${a1!.id}/open-circuit-voltage`);
});
