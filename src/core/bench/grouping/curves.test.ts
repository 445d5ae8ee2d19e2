import { describe, expect, it } from 'vitest';
import { usedModules } from '../../../../tests/support/used-modules';
import { StringSource } from '../../circuit';
import { USUAL_PARTS } from '../../expectation';
import { stringOf, WARM_SUN } from '../tested';
import { currentOver, curveGrid, seriesVoltage } from './curves';

const POOL = usedModules(6, 11);
const grid = curveGrid(POOL, WARM_SUN, 3, false);
const source = (members: readonly number[]) =>
	StringSource.of(
		stringOf(
			'',
			members.map((m) => POOL[m]!),
			WARM_SUN
		),
		{ ...USUAL_PARTS },
		'source'
	);

describe('modules on one grid', () => {
	it('have currents from a little back-feed to a little above the largest short circuit', () => {
		const shorts = POOL.map((_, m) => source([m]).currentAt(0));
		expect(grid.current[0]).toBeLessThan(0);
		expect(grid.current.at(-1)!).toBeGreaterThan(Math.max(...shorts));
		expect(grid.modules).toHaveLength(POOL.length);
		for (const own of grid.modules) {
			for (let i = 1; i < own.length; i++) expect(own[i]).toBeLessThanOrEqual(own[i - 1]! + 1e-9);
		}
	});

	it('have volts as far as the longest string of the best goes', () => {
		const opens = POOL.map((_, m) => source([m]).openVoltage).sort((a, b) => b - a);
		expect(grid.voltage.at(-1)!).toBeCloseTo(opens[0]! + opens[1]! + opens[2]!, 6);
	});

	it('add in series to what the circuit gives', () => {
		const members = [0, 2, 5];
		const added = seriesVoltage(grid, members);
		const circuit = source(members);
		for (const i of [40, 90, 150, 190]) {
			expect(added[i]).toBeCloseTo(circuit.voltageAt(grid.current[i]!), 3);
		}
		expect(seriesVoltage(grid, []).every((voltage) => voltage === 0)).toBe(true);
	});
});

describe('a string over the volts of its bus', () => {
	const members = [1, 3, 4];
	const circuit = source(members);

	it('has the current that the circuit gives, within the grid’s step', () => {
		const current = currentOver(grid, seriesVoltage(grid, members));
		for (let v = 0; v < grid.voltage.length; v += 16) {
			const exact = Math.max(circuit.currentAt(grid.voltage[v]!), grid.current[0]!);
			expect(Math.abs(current[v]! - exact)).toBeLessThan(0.08);
		}
	});

	it('never rises with its volts', () => {
		const current = currentOver(grid, seriesVoltage(grid, members));
		for (let v = 1; v < current.length; v++)
			expect(current[v]).toBeLessThanOrEqual(current[v - 1]! + 1e-9);
	});

	it('is fed by others above its own volts, unless a diode blocks', () => {
		const short = seriesVoltage(grid, [1]);
		expect(currentOver(grid, short).at(-1)!).toBeLessThan(0);
		expect(currentOver({ ...grid, blocked: true }, short).at(-1)!).toBe(0);
	});
});
