import { describe, expect, it } from 'vitest';
import type { Nameplate } from '../../module';
import { randomFrom } from '../../numerics';
import { usedModules } from '../../../../tests/support/used-modules';
import { NO_LABEL } from '../module-batch';
import { nameplateOf } from '../nameplate-of';
import { WARM_SUN, type TestedModule } from '../tested';
import {
	findGrouping,
	FREE_TARGET,
	groupingGives,
	type Grouping,
	type GroupingAsk,
	type Target
} from './grouping';

const nameplate = (vmp: number, imp: number): Nameplate =>
	nameplateOf({ ...NO_LABEL, technology: 'poly', vmp, imp, cellsInSeries: 60 })!.nameplate;

const ask = (modules: TestedModule[], wanted: GroupingAsk['wanted'], target?: Partial<Target>) => ({
	modules,
	wanted,
	target: { ...FREE_TARGET, ...target },
	sky: WARM_SUN
});

function found(asked: GroupingAsk): Grouping | null {
	const random = randomFrom(9);
	const running = findGrouping(asked, () => random.uniform());
	for (;;) {
		const { value, done } = running.next();
		if (done) return value;
	}
}

/** Every way of taking strings of a length out of a list, strings in no order. */
function* everyLayout(
	all: readonly string[],
	count: number,
	length: number
): Generator<{ strings: string[][]; out: string[] }> {
	if (count === 0) {
		yield { strings: [], out: [...all] };
		return;
	}
	if (all.length < count * length) return;
	const [first, ...rest] = all;
	// The first stays out, or stands in the next string: so that no layout comes twice.
	for (const layout of everyLayout(rest, count, length)) {
		yield { strings: layout.strings, out: [first!, ...layout.out] };
	}
	for (const others of choose(rest, length - 1)) {
		const left = rest.filter((id) => !others.includes(id));
		for (const layout of everyLayout(left, count - 1, length)) {
			yield { strings: [[first!, ...others], ...layout.strings], out: layout.out };
		}
	}
}

function* choose(all: readonly string[], count: number): Generator<string[]> {
	if (count === 0) {
		yield [];
		return;
	}
	for (let i = 0; i <= all.length - count; i++) {
		for (const rest of choose(all.slice(i + 1), count - 1)) yield [all[i]!, ...rest];
	}
}

describe('grouping a batch', () => {
	it.each([
		[6, 2, 3, 1],
		[7, 2, 3, 2],
		[8, 4, 2, 3],
		[9, 3, 3, 4],
		[10, 2, 5, 5],
		[8, 2, 3, 6]
	])(
		'comes within one percent of the best of all layouts: %i modules as %i strings of %i',
		(n, strings, modules, seed) => {
			const asked = ask(usedModules(n, seed), { kind: 'fixed', strings, modules });
			const power = (grouping: Grouping) => groupingGives(grouping, asked).power;
			let best = 0;
			for (const layout of everyLayout(
				asked.modules.map(({ id }) => id),
				strings,
				modules
			)) {
				best = Math.max(best, power(layout));
			}
			expect(power(found(asked)!)).toBeGreaterThan(0.99 * best);
		},
		60_000
	);

	it('puts like currents together, and says who holds whom where it cannot', () => {
		const strong = usedModules(1, 1)[0]!;
		const of = (id: string, imp: number): TestedModule => ({
			...strong,
			id,
			mark: id,
			plate: nameplate(30, imp)
		});
		const modules = [of('a', 8), of('b', 4), of('c', 8), of('d', 4)];
		const asked = ask(modules, { kind: 'fixed', strings: 2, modules: 2 });
		const { strings } = found(asked)!;
		expect(strings.map((ids) => [...ids].sort().join('')).sort()).toEqual(['ac', 'bd']);
		const mixed = groupingGives(
			{
				strings: [
					['a', 'b'],
					['c', 'd']
				],
				out: []
			},
			asked
		);
		expect(mixed.strings.map(({ heldBy }) => heldBy?.id)).toEqual(['b', 'd']);
		expect(groupingGives({ strings, out: [] }, asked).power).toBeGreaterThan(1.2 * mixed.power);
	});

	it('keeps the cold volts, and leaves out what it must', () => {
		const modules = usedModules(9, 7);
		const asked = ask(modules, { kind: 'free' }, { maxVolts: 150, lowest: -22, fuse: 15 });
		const gives = groupingGives(found(asked)!, asked);
		expect(gives.broken).toEqual([]);
		for (const { cold } of gives.strings) expect(cold!).toBeLessThanOrEqual(150);
		expect(gives.strings[0]!.modules.length).toBe(3);
	});

	it('names what a layout breaks: cold volts, fuse, current, window', () => {
		const modules = usedModules(6, 8);
		const ids = modules.map(({ id }) => id);
		const three = { strings: [ids.slice(0, 2), ids.slice(2, 4), ids.slice(4)], out: [] };
		const broken = groupingGives(three, {
			...ask(modules, { kind: 'free' }),
			target: { ...FREE_TARGET, maxVolts: 80, lowest: -20, inputAmps: 20, windowLow: 150 }
		}).broken.join(' ');
		expect(broken).toContain('in the cold');
		expect(broken).toContain('the input takes 20 A');
		expect(broken).toContain('too few in series');
		expect(broken).toContain('needs a fuse');
	});

	it('has no answer where there are too few modules', () => {
		expect(found(ask(usedModules(3, 1), { kind: 'fixed', strings: 2, modules: 2 }))).toBeNull();
	});
});
