import { Key } from 'selenium-webdriver';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { HIDDEN, stringOfFault } from '../../demo/hidden';
import { answerTest } from '$core/training/answer';
import { randomFrom } from '$core/numerics';
import type { HiddenFault } from '$core/training';
import { readVisitDocument } from '$core/document';
import { QUANTITY_FACTS } from '$core/visit';
import { assess } from '$core/diagnosis';
import { hiddenScenario, hiddenVisit } from '../support/hidden-scenario';
import { Person } from './person';
import { WAIT } from './waiting';

/*
 * Planted faults of the demo are found by following the test that is proposed: what a meter would show
 * there is typed, until the page says that it is found. Here is one of each kind of question; the others
 * are followed without a page in demo/hidden.test.ts.
 */

let person: Person;
beforeAll(async () => {
	person = await Person.atTheDemo();
});
afterAll(() => person?.leaves());

const documentOf = async (visit: string) => {
	const answer = await fetch(`${person.server.address}/visits/${visit}/visit.json`);
	const read = readVisitDocument(await answer.text());
	if (!read.ok) throw new Error(read.problem.what);
	return read.value;
};

/** Follows one finding to its end; the keys of the readings that were taken. */
async function follows(name: keyof typeof HIDDEN, fault: HiddenFault): Promise<string[]> {
	const hidden = hiddenVisit(name);
	const { visit } = hidden;
	const random = randomFrom(7);
	const { record } = await documentOf(visit);
	const string = stringOfFault(record, fault);
	await person.goTo(`/visits/${visit}/diagnosis${string ? `?at=${string}` : ''}`);
	const taken: string[] = [];
	for (let i = 0; i < 40; i++) {
		const shown = await person.find('.what');
		if ((await shown.findElements({ css: '.found' })).length > 0) return taken;
		const key = (await (await person.find('[data-test]')).getAttribute('data-test')) ?? '';
		const document = await documentOf(visit);
		const { visit: entered } = document;
		const assessment = assess(record, entered);
		const test = assessment.next.find((one) => one.key === key)!;
		// What the page proposes is what the core proposes.
		expect(test).toBeDefined();
		const scenario = hiddenScenario(hidden, document);
		const value = answerTest(scenario, { ...test, ...(test.again && { again: true }) }, random);
		// A figure taken again comes out as before: none of the demo's was taken wrong.
		const before = entered.readings.findLast(
			(reading) =>
				reading.quantity === test.quantity &&
				JSON.stringify(reading.place) === JSON.stringify(test.place)
		);
		const figure = test.again ? before!.value : value!;
		const whole = QUANTITY_FACTS[test.quantity].unit === '';
		const typed = whole ? String(Math.round(figure)) : String(Number(figure.toPrecision(5)));
		await person.driver.executeScript(
			'document.querySelector("input[name=reading]").scrollIntoView({block: "center"})'
		);
		await person.click('input[name=reading]');
		await person.types(typed, Key.ENTER);
		taken.push(key);
		const settled = taken.length;
		await person.driver.wait(
			async () => {
				const { visit: now } = await documentOf(visit);
				return now.readings.length > entered.readings.length;
			},
			WAIT,
			`reading ${settled} (${key} ${typed}) was not stored`
		);
		await person.driver.wait(
			() =>
				person.driver.executeScript<boolean>(
					'return document.querySelector(".found") !== null || document.querySelector("[data-test]")?.dataset.test !== arguments[0]',
					key
				),
			WAIT,
			`the page still asks for ${key} after ${typed}`
		);
	}
	throw new Error(`not found by ${taken.join(', ')}`);
}

describe('following the proposed tests', () => {
	const [diode, missing, fuse] = HIDDEN.saltmarsh!.faults;

	it('counts the modules of the string that is one short', async () => {
		await follows('saltmarsh', missing!);
		await person.sees('Fewer modules than recorded', '.what h2');
	});

	it('draws the blown fuse, after the clamp was read again', async () => {
		const taken = await follows('saltmarsh', fuse!);
		expect(taken[0]).toContain('operating-current');
		await person.sees('String fuse blown', '.what h2');
		await person.sees('positive pole', '[data-where]');
	});

	it('halves its way to the shorted diode', async () => {
		const taken = await follows('saltmarsh', diode!);
		expect(taken.filter((key) => key.includes('stretch-voltage')).length).toBeGreaterThan(1);
		expect(taken.length).toBeLessThan(12);
		await person.sees('Bypass diode shorted', '.what h2');
		await person.sees('module 6, substring 2', '[data-where]');
	});

	it('finds the shutdown device that failed off', async () => {
		await follows('device', HIDDEN.device!.faults[0]!);
		await person.sees('Shutdown device failed off', '.what h2');
		await person.sees('device 4', '[data-where]');
	});

	it('finds the dead supply of the transmitter', async () => {
		const taken = await follows('dark', HIDDEN.dark!.faults[0]!);
		expect(taken.length).toBeLessThan(5);
		await person.sees('without signal', '.what h2');
		await person.sees('TX 1, low voltage', '[data-where]');
	});

	it('reads the lagging micro-inverter again before its module is blamed', async () => {
		const taken = await follows('office', HIDDEN.office!.faults[0]!);
		expect(taken).toEqual([expect.stringContaining('unit-power')]);
		await person.sees('Module degraded', '.what h2');
		await person.sees('module 8', '[data-where]');
	});

	it('finds the earth fault by the split of the volts', async () => {
		await follows('earth', HIDDEN.earth!.faults[0]!);
		await person.sees('Earth fault', '.what h2');
		await person.sees('connector above module 7', '[data-where]');
	});
});
