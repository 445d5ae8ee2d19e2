import { spawn, type ChildProcess } from 'node:child_process';
import { Key, type WebDriver } from 'selenium-webdriver';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { id, LARGE_SITE } from '../../benchmarks/baseline/large-site';
import { CARD_DAY, exactFigure, meterCard, STRINGS } from '../../demo/saltmarsh';
import type { Server } from './own-server';
import { visitAtTheTerminal } from './own-visit';
import { Person } from './person';
import { WAIT } from './waiting';

/* Entering much, fast, and while things go wrong. */

let server: Server;
let driver: WebDriver;
let person: Person;
beforeAll(async () => {
	person = await Person.atTheDemo();
	({ driver, server } = person);
});
afterAll(() => person?.leaves());

interface StoredVisit {
	readonly readings: { readonly id: string; readonly value: number; readonly source: string }[];
}
const stored = async (visit: string) => {
	const file = await fetch(`${server.address}/visits/${visit}/visit.json`);
	return ((await file.json()) as { visit: StoredVisit }).visit;
};
const typedField = () =>
	driver.executeScript<string>('return document.querySelector("input[name=reading]")?.value ?? ""');

describe('twenty-four strings, three readings each', () => {
	/** What a person waits between two keys, s: an estimate for a practised hand, stated beside the count. */
	const SECONDS_A_KEY = 0.3;

	it('take at most their digits and two keys a reading', async () => {
		const record = {
			...LARGE_SITE.record,
			strings: LARGE_SITE.record.strings
				.slice(0, 24)
				.map((string) => ({ ...string, to: null, input: '1' }))
		};
		const body = new FormData();
		body.set('file', new Blob([JSON.stringify({ ...LARGE_SITE, record })]), 'depot.json');
		const imported = await fetch(`${server.address}/?/import`, {
			method: 'POST',
			body,
			headers: { origin: server.address, accept: 'application/json' }
		});
		expect(await imported.text()).not.toContain('"failure"');
		const visit = id(4);
		await person.goTo(`/visits/${visit}/test-conditions`);
		await person.fill('irradiance', '800');
		await person.fill('cellTemperature', '40');
		await person.press('Save and measure');
		await person.arrivesAt(/\/measurements$/);
		await person.answersForOwnProcedure();
		await person.hasFocus('reading');
		let keys = 0;
		let digits = 0;
		const enters = async (figure: string) => {
			keys += figure.length + 1;
			digits += figure.length;
			await person.types(figure, Key.ENTER);
		};
		const labels = record.strings.map(({ label }) => label);
		for (const [i, label] of labels.entries()) {
			await person.isAt(label, 'open-circuit-voltage');
			await enters(String(875 + (i % 4)));
		}
		// The volts of the input are typed once; its strings share them.
		await person.isAt(labels[0]!, 'operating-current', 'bus');
		await enters('730');
		for (const [i, label] of labels.entries()) {
			await person.isAt(label, 'operating-current');
			await enters((10.1 + (i % 3) / 10).toFixed(1));
		}
		await person.choose('#another', 'Positive-to-earth voltage');
		for (const [i, label] of labels.entries()) {
			await person.isAt(label, 'positive-to-earth');
			await enters(String(1 + (i % 5)));
		}
		const readings = 3 * labels.length;
		expect(keys).toBeLessThanOrEqual(digits + 2 * readings);
		let there = 0;
		await driver
			.wait(async () => (there = (await stored(visit)).readings.length) === readings, WAIT)
			.catch(async () => {
				throw new Error(`${there} of ${readings} are stored; ${await person.sees('', '.entry')}`);
			});
		console.log(
			`24 strings x 3 readings: ${keys} keys for ${digits} digits, ${(keys / readings).toFixed(1)} a reading; about ${((keys * SECONDS_A_KEY) / 60).toFixed(1)} min at ${SECONDS_A_KEY} s a key`
		);
	});
});

describe('a server that dies during entry', () => {
	it('has every reading after its restart that was shown as stored', async () => {
		const visit = await person.measures();
		const card = meterCard();
		for (const { mark, openCircuit } of card.slice(0, 5)) {
			await person.isAt(mark, 'open-circuit-voltage');
			await person.types(String(openCircuit), Key.ENTER);
		}
		await person.isAt(card[5]!.mark, 'open-circuit-voltage');
		// Those that are shown as stored at the moment of the crash.
		await person.hasStored(String(card[4]!.openCircuit));
		await server.kill();
		await person.types(String(card[5]!.openCircuit), Key.ENTER);
		await person.sees('The server did not answer', '.entry');
		await server.restart();
		const values = (await stored(visit)).readings.map(({ value }) => value);
		// The sixth may have been sent by itself already.
		expect(values.slice(0, 5)).toEqual(card.slice(0, 5).map(({ openCircuit }) => openCircuit));
		await driver.wait(async () => (await stored(visit)).readings.length === 6, WAIT);
		const all = (await stored(visit)).readings.map(({ value }) => value);
		expect(all).toEqual(card.slice(0, 6).map(({ openCircuit }) => openCircuit));
	});
});

describe('a page that is loaded again', () => {
	it('in the middle of a field keeps what was typed', async () => {
		await person.measures();
		await person.types('46');
		expect(await typedField()).toBe('46');
		await driver.navigate().refresh();
		await person.isAt('A1', 'open-circuit-voltage');
		await driver.wait(async () => (await typedField()) === '46', WAIT, 'what was typed is gone');
		await person.types('0.8', Key.ENTER);
		await person.sees('460.8 V', '[data-string=A1]');
	});
});

describe('two people in one visit', () => {
	it('both see what the other proved, read and said of the sky', async () => {
		const visit = await person.measures();
		await person.isAt('A1', 'open-circuit-voltage');
		const send = (path: string, body: object) =>
			fetch(`${server.address}/visits/${visit}/${path}`, {
				method: 'POST',
				headers: { 'content-type': 'application/json' },
				body: JSON.stringify(body)
			});
		const { readings } = (await (
			await fetch(`${server.address}/visits/019a8000-0000-7000-8000-000000000004/visit.json`)
		)
			.json()
			.then((document) => (document as { visit: { readings: object[] } }).visit)) as {
			readings: { id: string; value: number }[];
		};
		const theirs = { ...readings[3]!, id: crypto.randomUUID(), value: 451.2, supersedes: null };
		expect((await send('readings', theirs)).status).toBe(201);
		await person.sees('451.2 V', '[data-string=A4]');
		const back = {
			id: crypto.randomUUID(),
			readingId: theirs.id,
			at: new Date().toISOString(),
			by: 'Other'
		};
		expect((await send('withdrawals', back)).status).toBe(201);
		await driver.wait(
			async () => !(await person.sees('A4', '[data-string=A4]')).includes('451.2'),
			WAIT,
			'it is still there'
		);
	});
});

describe('instruments', () => {
	let instruments: ChildProcess;
	let meter: number;
	let inverter: number;
	beforeAll(async () => {
		[meter, inverter] = server.instruments;
		instruments = spawn(process.execPath, [
			'build-tools/instruments.js',
			String(meter),
			String(inverter)
		]);
		await new Promise<void>((resolve, reject) => {
			instruments.stdout!.once('data', () => resolve());
			instruments.once('exit', () => reject(new Error('they did not start')));
		});
	});
	afterAll(() => instruments?.kill());

	it('are asked by address; one that is not listed is refused in words', async () => {
		const visit = await visitAtTheTerminal(server.address);
		await person.goTo(`/visits/${visit}/instruments`);
		await person.fill('meter', '8.8.8.8:5025');
		await person.press('Ask it');
		await person.sees('not on the list of instrument networks');
		await person.fill('meter', `127.0.0.1:${meter}`);
		await person.press('Ask it');
		await person.sees('SIMULATED METER');
		await person.fill('inverter', `127.0.0.1:${inverter}`);
		await person.click('form:nth-of-type(2) button.act');
		await person.sees('SIMULATED INVERTER');
		await person.press('Keep its AC power as a reading');
		await person.sees('AC power.', '[data-kind=done]');
	});

	it('read every string in turn, once the meter stands still', async () => {
		const visit = await person.measures();
		for (const string of STRINGS.slice(0, 3)) {
			await person.isAt(string.label, 'open-circuit-voltage');
			await person.press('From the meter');
			await person.sees('V', `[data-string=${string.label}]`);
			const { value } = exactFigure(string, 'open-circuit-voltage', CARD_DAY);
			await driver.wait(
				async () =>
					(await stored(visit)).readings.some(
						(reading) =>
							reading.source === 'instrument' && Math.abs(reading.value / value - 1) < 0.003
					),
				WAIT,
				`${string.label} was not read`
			);
		}
		await person.sees('about one substring short', '[data-string=A2]');
		instruments.kill();
		await person.press('From the meter');
		await person.sees('Nothing listens at', '.entry');
	});
});

describe('a measured curve', () => {
	it('comes in as a file, is laid over the expected one, and its step is counted', async () => {
		const visit = await visitAtTheTerminal(server.address);
		await person.goTo(`/visits/${visit}/curves`);
		await person.press('Lay it over');
		await person.sees('A curve needs 3 points or more');
		const file = [
			'U [V];I [A]',
			'0;8,9',
			'150;8,85',
			'300;8,8',
			'345;8,5',
			'358;5,2',
			'375;5,1',
			'420;4,2',
			'445;2,1',
			'460;0'
		].join('\n');
		await person.choosesFile('section input[type=file]', 'curve.csv', file);
		await person.press('Take over 9 points of A1');
		await person.sees('A step at');
		await person.find('[data-drawn] canvas');
	});
});
