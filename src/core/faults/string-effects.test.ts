import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { MODULE_NOW } from '../../../tests/support/scenario';
import {
	BLOCKING_SILICON,
	CLOSED,
	moduleCountOf,
	type StringCircuit,
	wholeString
} from '../circuit';
import {
	injectIntoString,
	STRING_EFFECTS,
	withPole,
	type StringEffectCode
} from './string-effects';

const N = 12;
const WHOLE: StringCircuit = {
	...wholeString(MODULE_NOW, N, 3, 0.4, 'A1'),
	fuses: { positive: { rating: 15, state: 'whole' }, negative: null },
	blockingDiode: { ...BLOCKING_SILICON, state: 'whole' },
	devices: [
		{ kind: 'rapid-shutdown', first: 0, covers: 2, condition: 'works', offVolts: 0.6 },
		{ kind: 'optimiser', first: 4, covers: 1, condition: 'works', offVolts: 1 }
	]
};
const CODES = Object.keys(STRING_EFFECTS) as StringEffectCode[];
const injected = (code: StringEffectCode, place: object, size = 1): StringCircuit => {
	const changed = injectIntoString(WHOLE, code, { string: 'A1', ...place }, size, MODULE_NOW);
	if (typeof changed === 'string') throw new Error(changed);
	return changed;
};
/** Every module by itself, from the negative end. */
const modulesOf = ({ modules }: StringCircuit) =>
	modules.flatMap((run) => Array.from({ length: run.count }, () => ({ ...run, count: 1 })));

describe('a fault of one module', () => {
	const anyModule = fc.integer({ min: 0, max: N - 1 });
	const anySubstring = fc.integer({ min: 0, max: 2 });

	it.each<[StringEffectCode, number]>([
		['bypass-diode-shorted', 0],
		['bypass-diode-open', 0],
		['section-open', 0],
		['section-resistive', 0.4],
		['hot-cell', 0.6],
		['shade', 0.5]
	])('%s changes the one section of the one module, and no other', (code, size) => {
		fc.assert(
			fc.property(anyModule, anySubstring, (module, substring) => {
				const changed = modulesOf(injected(code, { module, section: substring }, size));
				changed.forEach((run, m) =>
					run.sections.forEach((state, s) => {
						const here = m === module && s === substring;
						expect(JSON.stringify(state) !== JSON.stringify(modulesOf(WHOLE)[m]!.sections[s])).toBe(
							here
						);
					})
				);
			}),
			{ numRuns: 12 }
		);
	});

	it.each<[StringEffectCode, string]>([
		['module-open', 'open'],
		['module-shorted', 'bridged'],
		['module-reversed', 'reversed']
	])('%s leaves it %s', (code, state) => {
		const states = modulesOf(injected(code, { module: 4 })).map((run) => run.state);
		expect(states.filter((one) => one !== 'whole')).toEqual([state]);
		expect(states[4]).toBe(state);
	});

	it('dims all of its sections where shade names none', () => {
		const [lit, dim] = modulesOf(injected('shade', { module: 1 }, 0.5));
		expect(lit!.sections.map(({ light: irradiance }) => irradiance)).toEqual([1, 1, 1]);
		expect(dim!.sections.map(({ light: irradiance }) => irradiance)).toEqual([0.5, 0.5, 0.5]);
	});

	it('puts a leak across each of its sections, which together are the one of the module', () => {
		const leaky = modulesOf(injected('module-pid', { module: 2 }, 60))[2]!;
		expect(leaky.sections.map(({ leak }) => leak)).toEqual([20, 20, 20]);
	});

	it('adds to a resistance that is there', () => {
		const once = injected('section-resistive', { module: 3, section: 1 }, 0.2);
		const twice = injectIntoString(
			once,
			'section-resistive',
			{ string: 'A1', module: 3, section: 1 },
			0.3
		) as StringCircuit;
		expect(modulesOf(twice)[3]!.sections[1]!.resistance).toBeCloseTo(0.5, 9);
	});
});

describe('modules that are not as many as recorded', () => {
	it('leave their places empty, those that stand keeping their numbers', () => {
		const left = modulesOf(injected('module-missing', { module: 11 }, 2));
		expect(left).toHaveLength(N);
		expect(left.flatMap(({ state }, i) => (state === 'absent' ? [i] : []))).toEqual([0, 11]);
	});

	it('never are fewer than none', () => {
		const left = modulesOf(injected('module-missing', { module: 0 }, 40));
		expect(left.every(({ state }) => state === 'absent')).toBe(true);
	});

	it('may be more', () => {
		expect(moduleCountOf(injected('module-extra', { module: 5 }, 2))).toBe(N + 2);
	});
});

describe('a fault of the whole string', () => {
	it('soiling lies on all alike, over what light there was', () => {
		const shaded = injected('shade', { module: 0 }, 0.5);
		const dirty = injectIntoString(shaded, 'soiling', { string: 'A1' }, 0.2) as StringCircuit;
		const irradiance = modulesOf(dirty).map(({ sections: substrings }) => substrings[0]!.light);
		expect(irradiance[0]).toBeCloseTo(0.4, 9);
		for (const other of irradiance.slice(1)) expect(other).toBeCloseTo(0.8, 9);
	});

	it('joints gather: a bad one does not make the one before good', () => {
		const first = injected('connector-resistive', { joint: 3 }, 2);
		const both = injectIntoString(first, 'connector-open', { joint: 7 }, 0) as StringCircuit;
		expect(both.joints).toEqual([
			{ at: 3, resistance: 2 },
			{ at: 7, resistance: 'open' }
		]);
	});

	it('leads swapped twice are right again', () => {
		const once = injected('connector-reversed', {});
		expect(once.leadsReversed).toBe(true);
		expect(injectIntoString(once, 'connector-reversed', {}, 0)).toMatchObject({
			leadsReversed: false
		});
	});

	it('a fuse blows, or is of another rating, in its own pole', () => {
		expect(injected('fuse-blown', {}).fuses).toEqual({
			positive: { rating: 15, state: 'blown' },
			negative: null
		});
		expect(injected('fuse-wrong-rating', { pole: 'positive' }, 30).fuses!.positive).toEqual({
			rating: 30,
			state: 'whole'
		});
	});

	it('a pole of a switch stays where it is, whatever the handle does', () => {
		expect(injected('disconnect-open', { pole: 'negative' }).disconnect).toEqual({
			...CLOSED,
			negative: 'stuck-open'
		});
		expect(withPole({ ...CLOSED, handle: 'off' }, 'positive', 'welded')).toEqual({
			handle: 'off',
			positive: 'welded',
			negative: 'works'
		});
	});

	it('a device fails off, stays on or is dead, and the others work on', () => {
		const conditions = (code: StringEffectCode, module: number) =>
			injected(code, { module }).devices!.map(({ condition }) => condition);
		expect(conditions('rsd-device-off', 1)).toEqual(['failed-off', 'works']);
		expect(conditions('rsd-device-stuck-on', 0)).toEqual(['stuck-on', 'works']);
		expect(conditions('optimiser-dead', 4)).toEqual(['works', 'failed-off']);
		expect(injected('optimiser-dead', { module: 4 }).devices![1]!.offVolts).toBe(0);
	});
});

describe('a part that is not there', () => {
	it.each<[StringEffectCode, object, RegExp]>([
		['fuse-blown', { pole: 'negative' }, /has no fuse in its negative pole/],
		['rsd-device-off', { module: 3 }, /Module 4 of string A1 has no such device/],
		['optimiser-dead', { module: 0 }, /Module 1 of string A1 has no such device/]
	])('is said of %s at %o', (code, place, words) => {
		expect(injectIntoString(WHOLE, code, { string: 'A1', ...place }, 1)).toMatch(words);
	});

	it('is said of a blocking diode and of another type as well', () => {
		const bare = { ...WHOLE, blockingDiode: null };
		expect(injectIntoString(bare, 'blocking-diode-open', {}, 0)).toMatch(/no blocking diode/);
		expect(injectIntoString(WHOLE, 'module-wrong-type', {}, 0)).toMatch(/must be given/);
	});
});

describe('every fault', () => {
	it.each(CODES)('%s leaves the string it was given as it was', (code) => {
		const before = JSON.stringify(WHOLE);
		const place = { module: code === 'optimiser-dead' ? 4 : 0, section: 0, joint: 0 };
		expect(injected(code, place, 0.5)).not.toBe(WHOLE);
		expect(JSON.stringify(WHOLE)).toBe(before);
	});
});
