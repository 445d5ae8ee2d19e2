import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { NO_LABEL } from '../module-batch';
import { nameplateOf } from '../nameplate-of';
import { substitutesFor } from '../substitute';
import type { TestedModule } from '../tested';
import { answerBattery } from '../battery';
import { waysToAdd } from './add';
import { answerConfiguration } from './answer';
import { blockingEffect, shortedModule } from './protection';
import {
	joined,
	configurationOf,
	modulesOf,
	tidy,
	withPart,
	type ArrayConfiguration
} from './tree';

const tested = (id: string, vmp: number, imp: number): TestedModule => ({
	id,
	mark: id,
	model: '',
	plate: nameplateOf({ ...NO_LABEL, vmp, imp, cellsInSeries: Math.round(vmp / 0.5) })!.nameplate,
	labelWatts: vmp * imp,
	seriesFuse: 15
});
const POOL = [tested('a', 30, 8), tested('b', 30, 4), tested('c', 36, 8), tested('d', 18, 5)];
const parts = {
	sky: { irradiance: 1000, cellTemperature: 25 },
	blocking: false,
	moduleOf: (id: string) => POOL.find((module) => module.id === id)!
};
const leaf = (id: string, of: string): ArrayConfiguration => ({
	kind: 'module',
	id,
	of,
	irradiance: 1
});

describe('a mix', () => {
	it('of series of parallels meets its own laws: amps alike in series, volts alike in parallel', () => {
		const mix: ArrayConfiguration = {
			kind: 'series',
			id: 's',
			parts: [
				{ kind: 'parallel', id: 'p', parts: [leaf('1', 'b'), leaf('2', 'b')] },
				leaf('3', 'a')
			]
		};
		const { places, current, voltage, power, alonePower } = answerConfiguration(mix, parts);
		const at = (id: string) => places.find((place) => place.id === id)!;
		expect(at('1').voltage).toBeCloseTo(at('2').voltage, 6);
		expect(at('1').current + at('2').current).toBeCloseTo(at('3').current, 6);
		expect(at('1').voltage + at('3').voltage).toBeCloseTo(voltage, 4);
		expect(at('3').current).toBeCloseTo(current, 6);
		expect(power).toBeLessThanOrEqual(alonePower * 1.0001);
		expect(power).toBeGreaterThan(0.98 * alonePower);
	});

	it('never gives more than its modules one by one, whatever stands where', () => {
		const branch = fc.array(fc.constantFrom('a', 'b', 'c', 'd'), { minLength: 1, maxLength: 4 });
		fc.assert(
			fc.property(fc.array(branch, { minLength: 1, maxLength: 3 }), (strings) => {
				const { power, alonePower, places } = answerConfiguration(configurationOf(strings), parts);
				expect(power).toBeLessThanOrEqual(alonePower * 1.0005);
				expect(places.reduce((sum, place) => sum + place.power, 0)).toBeCloseTo(power, 1);
			}),
			{ numRuns: 25 }
		);
	});

	it('calls bypassed only what carries more than it can produce', () => {
		const does = (strings: string[][]) =>
			answerConfiguration(configurationOf(strings), parts).places.map((place) => [
				place.of,
				place.does
			]);
		// A 4 A module between two of 8 A: its diodes carry the difference.
		expect(does([['a', 'a', 'a', 'a', 'b']])).toContainEqual(['b', 'passed-by']);
		// Alike in voltage and current nothing is bypassed.
		expect(
			does([
				['a', 'a'],
				['a', 'a']
			]).every(([, one]) => one === 'gives')
		).toBe(true);
	});

	it('says who holds whom, who is passed by, and who is fed', () => {
		const words = (strings: string[][]) =>
			answerConfiguration(configurationOf(strings), parts).limits.join(' ');
		expect(words([['a', 'a', 'b']])).toMatch(/b (holds string 1|is bypassed)/);
		expect(
			words([
				['a', 'a', 'a'],
				['c', 'c', 'c']
			])
		).toContain('the others on the bus set its voltage');
		expect(
			words([
				['a', 'a'],
				['b', 'b']
			])
		).toBe('');
		expect(
			words([
				['a', 'a', 'a'],
				['a', 'a']
			])
		).toMatch(/fed|set its voltage/);
	});

	it('is edited by place, and tidied', () => {
		const mix = configurationOf([['a', 'a'], ['b']]);
		expect(modulesOf(mix).map(({ id }) => id)).toEqual(['1.1', '1.2', '2.1']);
		const without = withPart(mix, '2.1', () => null)!;
		expect(tidy(without)).toMatchObject({ kind: 'series' });
		expect(withPart(mix, 'nowhere', () => null)).toBe(mix);
		const more = joined(
			mix,
			'2.1',
			'series',
			{ kind: 'module', id: 'n', of: 'c', irradiance: 1 },
			'g'
		);
		expect(more).toMatchObject({ kind: 'parallel', parts: [{}, { kind: 'series', id: 'g' }] });
		expect(withPart(leaf('x', 'a'), 'x', () => null)).toBeNull();
	});
});

describe('a module more', () => {
	it('is best where its current or volts fit, and left on the ground where nothing does', () => {
		const same = waysToAdd(
			configurationOf([
				['a', 'a'],
				['a', 'a']
			]),
			'a',
			parts
		);
		expect(same.ways[0]!.gain).toBeGreaterThan(same.ways.at(-1)!.gain);
		const small = waysToAdd(configurationOf([['a', 'a', 'a']]), 'd', parts);
		expect(small.worthIt).toBe(false);
		expect(small.words).toContain('Leave it on the ground');
		const fits = waysToAdd(configurationOf([['a', 'a']]), 'c', parts);
		expect(fits.ways[0]!.words).toBe('in series with the others');
		expect(fits.worthIt).toBe(true);
	});
});

describe('a blocking diode', () => {
	it('costs its volts while all is lit, and keeps a dark string from taking', () => {
		const two = blockingEffect(
			configurationOf([
				['a', 'a', 'a'],
				['a', 'a', 'a']
			]),
			parts
		);
		expect(two.withDiode).toBeLessThan(two.without);
		expect(two.withDiode).toBeGreaterThan(0.98 * two.without);
		// At their maximum the others leave it nearly alone; with nothing drawn they all feed it.
		expect(two.darkMeasurements).toBeLessThan(0.5);
		expect(two.darkMeasurementsIdle).toBeGreaterThan(2);
		const lone = blockingEffect(configurationOf([['a', 'a']]), parts);
		expect(lone).toMatchObject({ darkMeasurements: 0, darkMeasurementsIdle: 0 });
	});
});

describe('a short in one module', () => {
	it('takes its volts, and its neighbours feed its string while nothing is drawn', () => {
		const mix = configurationOf([
			['a', 'a', 'a'],
			['a', 'a', 'a']
		]);
		const whole = answerConfiguration(mix, parts).power;
		const one = shortedModule(mix, parts, '1.2', 15);
		expect(one.power).toBeLessThan(0.95 * whole);
		expect(one.fed).toBeGreaterThan(1);
		expect(one.fuse).toBe('holds');
		// Alone in its branch it is a short across all the others.
		const parallel = configurationOf([['a'], ['a'], ['a'], ['a']]);
		const short = shortedModule(parallel, parts, '1.1', 10);
		expect(short.fed).toBeGreaterThan(3 * 8);
		expect(short.fuse).toBe('opens');
		expect(short.power).toBeLessThan(1);
		expect(shortedModule(configurationOf([['a', 'a']]), parts, '1.1', null)).toMatchObject({
			fed: 0,
			fuse: null
		});
	});
});

describe('a substitute', () => {
	it('is ranked by what speaks against it, then by power', () => {
		const mix = configurationOf([
			['a', 'a'],
			['a', 'a']
		]);
		const bare = { size: null, connector: null };
		const ranked = substitutesFor(
			{
				mix,
				place: '1.1',
				size: { length: 1650, width: 990 },
				connector: 'Tidelock',
				fuse: 15,
				was: POOL[0]!
			},
			[
				{ module: POOL[1]!, ...bare },
				{ module: POOL[0]!, size: { length: 1652, width: 990 }, connector: 'Tidelock' },
				{ module: POOL[2]!, ...bare },
				{ module: POOL[0]!, size: null, connector: 'Other' }
			],
			parts
		);
		expect(ranked[0]).toMatchObject({ fits: true, candidate: { connector: 'Tidelock' } });
		expect(Math.abs(ranked[0]!.cost)).toBeLessThan(0.01);
		expect(ranked.slice(1).every(({ fits }) => !fits)).toBe(true);
		expect(ranked.at(-1)!.candidate.module.id).toBe('b');
		expect(ranked.at(-1)!.points[0]!.words).toContain('holds the string down');
	});
});

describe('a battery', () => {
	it('gets its volts times the amps by PWM, and the maximum by MPPT', () => {
		const answer = answerBattery({
			mix: configurationOf([['c', 'c']]),
			parts,
			batteryVolts: 50,
			absorption: 57.6,
			capacity: 200,
			maxVolts: 90,
			chargeAmps: null,
			lowest: -20,
			hottestCell: 65
		});
		expect(answer.pwm.arrayVoltage).toBe(50);
		expect(answer.mppt.power).toBeGreaterThan(answer.pwm.power);
		expect(answer.rate).toBeCloseTo(answer.mppt.current / 200, 9);
		expect(answer.broken.join(' ')).toMatch(/62.6 V with MPPT.*the controller bears 90 V/);
	});
});
