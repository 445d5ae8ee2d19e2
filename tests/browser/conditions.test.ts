import type { WebDriver } from 'selenium-webdriver';
import type chrome from 'selenium-webdriver/chrome';
import { Key } from 'selenium-webdriver';
import { v7 as uuid } from 'uuid';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { fitLabel, openCircuitVoltage, shortCircuitCurrent, translate } from '$core/module';
import { meterCard } from '../../demo/saltmarsh';
import { SALTMARSH } from '../support/sites';
import { speak } from '../../src/lib/messages/text';
import type { Server } from './own-server';
import { visitAtTheTerminal } from './own-visit';
import { Person } from './person';
import { WAIT } from './waiting';

/** What these tests read and change of a visit's file. */
interface VisitFile {
	record: {
		fields: { id: string; tilt: number; azimuth: number }[];
		strings: { label: string }[];
	};
	visit: {
		id: string;
		readings: unknown[];
		safety: unknown[];
		conditions: { fieldId: string | null; irradiance: { value: number } }[];
	};
}

/* Conditions by every route, a series whose sun moves, test equipment, and what the report says of making safe. */

let server: Server;
let driver: WebDriver;
let person: Person;
beforeAll(async () => {
	person = await Person.atTheDemo();
	({ driver, server } = person);
});
afterAll(() => person?.leaves());

const PHONE = { width: 390, height: 844, deviceScaleFactor: 1, mobile: true };

const field = async (name: string) =>
	(await person.find(`input[name=${name}]`)).getAttribute('value');
const worksOut = async (way: string) => {
	if (!(await driver.executeScript<boolean>('return document.querySelector("details.panel").open')))
		await person.press('Work it out');
	await person.press(way);
};
const takesOver = () => person.press('Take it over above');

describe('conditions without a sensor', () => {
	let visit: string;

	it('come from a known good module, with how sure that is and what it was worked out from', async () => {
		visit = await visitAtTheTerminal(person.server.address);
		await person.goTo(`/visits/${visit}/test-conditions`);
		await worksOut('A known good module');
		const [type] = SALTMARSH.record.moduleTypes;
		const here = translate(fitLabel(type!.plate), 742, 39);
		await person.fill('isc', shortCircuitCurrent(here).toFixed(2));
		await person.fill('voc', openCircuitVoltage(here).toFixed(2));
		await takesOver();
		expect(Math.abs(Number(await field('irradiance')) - 742)).toBeLessThan(4);
		expect(Math.abs(Number(await field('cellTemperature')) - 39)).toBeLessThan(1);
		expect(await field('irradianceDoubt')).toBe('2.5');
		await person.sees('Worked out from control module');
	});

	it('come from a shadow, the back of a module and the air, and say what is missing', async () => {
		await person.goTo(`/visits/${visit}/test-conditions`);
		await worksOut('Sensor at the sun, and a shadow');
		await person.fill('square', '900');
		await person.fill('height', '10');
		await person.fill('shadow', '0');
		await takesOver();
		expect(await field('irradiance')).toBe('900');
		await person.fill('height', '0');
		await takesOver();
		await person.sees('must be above 0');
		await worksOut('probe on the back');
		await person.fill('back', '40');
		await takesOver();
		expect(Number(await field('cellTemperature'))).toBeCloseTo(42.7, 1);
		await worksOut('from the air');
		await person.fill('air', 'cold');
		await takesOver();
		await person.sees('is not a number');
	});

	it('come from a clear sky only while the sun stands high enough, by place and plane', async () => {
		await person.goTo(`/visits/${visit}/test-conditions`);
		await worksOut('Clear sky');
		await person.fill('latitude', '90');
		await person.fill('longitude', '0');
		await person.fill('tilt', '0');
		await person.fill('azimuth', '180');
		await takesOver();
		// At the pole the sun is never higher than 23.5 degrees: late in the year it is not there at all.
		await person.sees(/below the horizon|° high/);
	});

	it('come from the strings themselves once they are read', async () => {
		await person.goTo(`/visits/${visit}/test-conditions`);
		await worksOut('The strings themselves');
		await takesOver();
		await person.sees('No string has been read yet');
		await person.goTo(`/visits/${visit}/measurements`);
		const card = meterCard();
		for (const { mark, openCircuit } of card) {
			await person.isAt(mark, 'open-circuit-voltage');
			await person.types(String(openCircuit), Key.ENTER);
		}
		for (const { mark, busVolts: busVoltage, running } of card) {
			if (mark === 'A1' || mark === 'B1') {
				await person.isAt(mark, 'operating-current', 'bus');
				await person.types(String(busVoltage), Key.ENTER);
			}
			await person.isAt(mark, 'operating-current');
			await person.types(String(running), Key.ENTER);
		}
		await driver.wait(async () => {
			const file = await fetch(`${server.address}/visits/${visit}/visit.json`);
			const { visit: there } = (await file.json()) as { visit: { readings: unknown[] } };
			return there.readings.length === 2 * card.length;
		}, WAIT);
		await person.goTo(`/visits/${visit}/test-conditions`);
		await person.press('Work it out');
		await person.sees('Best at hand now: the strings themselves');
		await person.press('The strings themselves');
		await takesOver();
		// The truth of the card is 821 W/m2 and 41.7 degC.
		expect(Math.abs(Number(await field('irradiance')) / 821 - 1)).toBeLessThan(0.05);
		expect(Math.abs(Number(await field('cellTemperature')) - 41.7)).toBeLessThan(5);
		await person.press('Save and measure');
		await person.arrivesAt(/\/measurements$/);
		await person.sees('strings', '.sky');
		await person.sees('about one substring short', '[data-string=A2]');
	});

	it('that moved on say which strings to take again', async () => {
		await person.goTo(`/visits/${visit}/test-conditions`);
		await person.fill('irradiance', '700');
		await person.click('input[name=follows]');
		await person.press('Save and measure');
		await person.arrivesAt(/\/measurements$/);
		await person.goTo(`/visits/${visit}/test-conditions`);
		await person.sees('the sun had moved on,');
	});
});

describe('an array on two planes', () => {
	let visit: string;

	/** The terminal's visit under other ids, its outer bay turned to face east and nothing entered yet. */
	async function onTwoPlanes() {
		const there = await visitAtTheTerminal(server.address);
		const file = await fetch(`${server.address}/visits/${there}/visit.json`);
		const document = JSON.parse(
			(await file.text())
				.replaceAll('019a8000-0000-7000-8000', '019a8009-0000-7000-8000')
				.replaceAll(there, uuid())
		) as VisitFile;
		const outer = document.record.fields[1]!;
		outer.azimuth = 95;
		outer.tilt = 25;
		document.visit.conditions = [];
		// Its steps stand in the visit that it was made from.
		document.visit.safety = [];
		await person.goTo('/');
		await person.choosesFile('input[type=file]', 'visit.json', JSON.stringify(document));
		await person.arrivesAt(/import=done$/);
		return document.visit.id;
	}

	const stored = async () => {
		const file = await fetch(`${server.address}/visits/${visit}/visit.json`);
		return (await file.json()) as VisitFile;
	};

	/** Waits until the form stands at a plane of its own accord. */
	const opensAt = (words: string) =>
		driver.wait(
			async () =>
				words ===
				(await driver.executeScript(
					'return document.querySelector("select[name=fieldId]")?.selectedOptions[0]?.textContent'
				)),
			WAIT,
			words
		);

	it('takes conditions for each plane, one after the other', async () => {
		visit = await onTwoPlanes();
		await person.goTo(`/visits/${visit}/test-conditions`);
		await opensAt('Canopy, inner bay: 5°, facing south');
		await person.fill('irradiance', '838');
		await person.fill('cellTemperature', '41');
		await person.press('Save and enter another plane');
		await person.sees(/838 W\/m², 41 °C\s+Canopy, inner bay/, '.below');
		await opensAt('Canopy, outer bay: 25°, facing east');
		expect(await field('irradiance')).toBe('');
		await person.fill('irradiance', '412');
		await person.fill('cellTemperature', '30');
		await person.press('Save and measure');
		await person.arrivesAt(/\/measurements$/);
		const { record, visit: now } = await stored();
		expect(now.conditions.map(({ fieldId, irradiance }) => [fieldId, irradiance.value])).toEqual([
			[record.fields[0]!.id, 838],
			[record.fields[1]!.id, 412]
		]);
		expect(await person.sees('412', '.sky')).toContain('838');
	});

	it('judges each string by what its own plane receives', async () => {
		await person.goTo(`/visits/${visit}/measurements?quantity=short-circuit-current`);
		await person.answersForOwnProcedure();
		const { record } = await stored();
		const healthy = fitLabel(SALTMARSH.record.moduleTypes[0]!.plate);
		for (const { label } of record.strings) {
			const here = label.startsWith('A')
				? translate(healthy, 838, 41)
				: translate(healthy, 412, 30);
			await person.isAt(label, 'short-circuit-current');
			await person.types(shortCircuitCurrent(here).toFixed(2), Key.ENTER);
		}
		await driver.wait(
			async () => (await stored()).visit.readings.length === record.strings.length,
			WAIT
		);
		await person.goTo(`/visits/${visit}/comparison`);
		await person.sees('B4', 'ol.strings');
		const verdicts = await driver.executeScript<string[]>(
			'return [...document.querySelectorAll("ol.strings .quantity > [data-verdict]")].map((one) => one.dataset.verdict)'
		);
		expect(verdicts).toEqual(record.strings.map(() => 'pass'));
	});

	it('names the plane of what the strings say on a phone as well', async () => {
		const emulation = driver as chrome.Driver;
		await emulation.sendDevToolsCommand('Emulation.setDeviceMetricsOverride', PHONE);
		await person.sees(/Canopy, inner bay[^°]+°C\s+Pass/, '.sky .of-plane:nth-of-type(1)');
		await person.sees(/Canopy, outer bay[^°]+°C\s+Pass/, '.sky .of-plane:nth-of-type(2)');
		await emulation.sendDevToolsCommand('Emulation.clearDeviceMetricsOverride', {});
	});
});

describe('test equipment', () => {
	it('whose rating is below the cold volts closes the field, with the reason', async () => {
		const visit = await visitAtTheTerminal(person.server.address);
		await person.goTo(`/visits/${visit}/test-conditions`);
		await person.fill('voltsRating', '300');
		await person.press('Store the meters');
		await person.sees('Stored.');
		await person.goTo(`/visits/${visit}/measurements`);
		await person.sees('536 V', '.entry');
		expect(await driver.findElements({ css: 'input[name=reading]' })).toHaveLength(0);
		await person.goTo(`/visits/${visit}/test-conditions`);
		await person.fill('voltsRating', '40');
		await person.press('Store the meters');
		await person.sees('40 V is out of range');
		await person.fill('voltsRating', '1000');
		await person.press('Store the meters');
		await person.sees('Stored.');
		await person.goTo(`/visits/${visit}/measurements`);
		await person.isAt('A1', 'open-circuit-voltage');
	});
});

describe('the report', () => {
	it('says who answered for making safe, or what was proved and what was not', async () => {
		const own = await visitAtTheTerminal(person.server.address);
		await person.goTo(`/visits/${own}/report`);
		await person.sees('worked to a written procedure of their own');
		await person.goTo('/sites/019a8001-0000-7000-8000-000000000002');
		await person.fill('by', 'Wren Halloway');
		await person.press('Start a visit');
		await person.arrivesAt(/\/test-plan$/);
		const visit = new URL(await driver.getCurrentUrl()).pathname.split('/')[2]!;
		await person.goTo(`/visits/${visit}/report`);
		await person.sees('No step of isolation was recorded');
		await person.goTo(`/visits/${visit}/isolation?task=dead`);
		await person.click('[data-step="arrival/weather"] button.act');
		await person.find('[data-step="arrival/weather"][data-state=done]');
		await person.goTo(`/visits/${visit}/report`);
		// The hall is under the NEC.
		const said = speak('en-US');
		const frame = said({ code: 'isolation.arrival.frame-ac', params: {} });
		const text = await person.sees(`Not completed: ${frame}`);
		expect(text).toContain(said({ code: 'isolation.arrival.weather', params: {} }));
	});
});

describe('making safe on a phone', () => {
	it('is taken with a thumb: large fields, the stage in sight, nothing beyond the edge', async () => {
		await (driver as chrome.Driver).sendDevToolsCommand(
			'Emulation.setDeviceMetricsOverride',
			PHONE
		);
		await person.goTo('/visits/019a8001-0000-7000-8000-000000000004/make-safe?task=dead');
		const { least, beyond, stage } = await driver.executeScript<{
			least: number;
			beyond: number;
			stage: boolean;
		}>(`
			const targets = [...document.querySelectorAll('.page button, .page a.act, .page summary')].filter((one) => one.offsetParent);
			const rail = document.querySelector('.rail [aria-current]').getBoundingClientRect();
			return {
				least: Math.min(...targets.map((one) => one.getBoundingClientRect().height)),
				beyond: document.documentElement.scrollWidth - innerWidth,
				stage: rail.left >= 0 && rail.right <= innerWidth
			};`);
		expect(least).toBeGreaterThanOrEqual(44);
		expect(beyond).toBeLessThanOrEqual(0);
		expect(stage).toBe(true);
		expect(server.address).toContain('127.0.0.1');
	});
});
