import { By, Key, type WebDriver } from 'selenium-webdriver';
import { afterAll, beforeAll, beforeEach, describe, expect, it } from 'vitest';
import { openBrowser } from './own-browser';
import type { Server } from './own-server';
import { Person } from './person';
import { WAIT } from './waiting';

let server: Server;
let driver: WebDriver;
let person: Person;
let visit: string;
beforeAll(async () => {
	person = await Person.atTheDemo();
	({ driver, server } = person);
});
afterAll(() => person?.leaves());
beforeEach(async () => {
	visit = await person.measures();
});

const field = () => person.find('input[name=reading]');
const stored = async () => {
	const document = (await (await fetch(`${server.address}/visits/${visit}/visit.json`)).json()) as {
		visit: {
			readings: {
				id: string;
				value: number;
				typed: string;
				confirmed: boolean;
				supersedes: string | null;
			}[];
			withdrawals: unknown[];
		};
	};
	return document.visit;
};
const storedCount = (count: number) =>
	driver.wait(async () => (await stored()).readings.length === count, WAIT);

/** Pastes a text into the field of the reading. */
const pastes = (text: string) =>
	driver.executeScript(
		`const data = new DataTransfer();
		data.setData('text', arguments[0]);
		document.querySelector('input[name=reading]').dispatchEvent(
			new ClipboardEvent('paste', { clipboardData: data, bubbles: true, cancelable: true })
		);`,
		text
	);

describe('entering readings', () => {
	it('refuses what is no figure, says how to mend it and keeps it', async () => {
		for (const [typed, words] of [
			['abc', 'not a number'],
			['453.2.1', 'more than one decimal mark'],
			['1e9', 'exponent'],
			['NaN', 'not a number'],
			['1000000000', '-30000 to 30000 V']
		] as const) {
			await person.retypes(typed, Key.ENTER);
			await person.sees(words, '#entry-words');
			expect(await (await field()).getAttribute('value')).toBe(typed);
		}
		await person.retypes(Key.DELETE, Key.ENTER);
		await person.sees('Nothing is typed here', '#entry-words');
		await person.isAt('A1', 'open-circuit-voltage');
		expect((await stored()).readings).toEqual([]);
	});

	it('takes a comma, and keeps what was typed to the letter', async () => {
		await person.types('460,8', Key.ENTER);
		await person.isAt('A2', 'open-circuit-voltage');
		await storedCount(1);
		expect((await stored()).readings[0]).toMatchObject({
			value: 460.8,
			typed: '460,8',
			confirmed: false
		});
	});

	it('asks about a tenfold figure before it stores it, and stores it if confirmed', async () => {
		await person.types('4608', Key.ENTER);
		await person.sees('about ten times as much', '.question');
		expect((await stored()).readings).toEqual([]);
		await person.press('Change it');
		await person.hasFocus('reading');
		await person.retypes('46.1', Key.ENTER);
		await person.sees('about a tenth', '.question');
		await person.press('Store it');
		await person.isAt('A2', 'open-circuit-voltage');
		await storedCount(1);
		expect((await stored()).readings[0]).toMatchObject({ value: 46.1, confirmed: true });
		// Whoever does not ask is asked by the server.
		const [reading] = (await stored()).readings;
		const answer = await fetch(`${server.address}/visits/${visit}/readings`, {
			method: 'POST',
			headers: { 'content-type': 'application/json' },
			body: JSON.stringify({
				...reading,
				id: '019a0000-0000-7000-8000-00000000abcd',
				place: { kind: 'string', string: '019a8000-0000-7000-8000-000000000012' },
				value: 4600,
				confirmed: false
			})
		});
		expect(answer.status).toBe(409);
		expect(await answer.json()).toMatchObject({ kind: 'question' });
	});

	it('loses no figure that is typed before the last one is judged', async () => {
		// One string of keys: nothing waits for the verdict between them.
		await person.types('460.8', Key.ENTER, '446.8');
		await person.isAt('A2', 'open-circuit-voltage');
		await driver.wait(
			async () => (await (await field()).getAttribute('value')) === '446.8',
			WAIT,
			'the second figure is not there'
		);
		await storedCount(1);
		expect((await stored()).readings[0]).toMatchObject({ value: 460.8 });
	});

	it('stores a figure once though Enter is pressed twice', async () => {
		await person.types('460.8', Key.ENTER, Key.ENTER);
		await person.isAt('A2', 'open-circuit-voltage');
		await storedCount(1);
		await person.types('446.8', Key.ENTER);
		await storedCount(2);
		expect((await stored()).readings.map(({ typed }) => typed)).toEqual(['460.8', '446.8']);
	});

	it('understands units, and stores “OL” as over range', async () => {
		await person.types('460,8 V', Key.ENTER);
		await storedCount(1);
		await person.goTo(`/visits/${visit}/measurements?quantity=insulation-resistance`);
		await person.types('>200', Key.ENTER);
		await storedCount(2);
		expect((await stored()).readings).toMatchObject([
			{ value: 460.8, typed: '460,8 V' },
			{ value: 200, overRange: true, typed: '>200' }
		]);
		await person.sees('over range, > 200', '.recent');
	});

	it('fills the places in order from a pasted column, after a preview', async () => {
		await pastes('460.8 V\n446,8\n459.9');
		await person.sees('446.8', '[role=dialog]');
		await person.press('Save 3 readings');
		await storedCount(3);
		expect((await stored()).readings.map(({ value }) => value)).toEqual([460.8, 446.8, 459.9]);
		await person.sees('446.8 V', '[data-string=A2]');
	});

	it('stores pasted currents at the voltage in the field, unit and all', async () => {
		await person.types('m');
		await person.isAt('A1', 'operating-current', 'bus');
		await person.types('388 V', Key.ENTER);
		await person.hasFocus('reading');
		await pastes('8.1\n8,2 A');
		await person.press('Save 2 readings');
		await storedCount(2);
		expect((await stored()).readings).toMatchObject([
			{ value: 8.1, atVolts: 388 },
			{ value: 8.2, atVolts: 388 }
		]);
	});

	it('says reversed polarity in words', async () => {
		await person.types('-460.8', Key.ENTER);
		await person.sees('polarity reversed, magnitude correct', '[data-string=A1]');
	});

	it('goes on, back, to the other quantity and undoes by keyboard alone', async () => {
		await person.types('460.8', Key.ENTER);
		await person.isAt('A2', 'open-circuit-voltage');
		await storedCount(1);
		await person.types('n');
		await person.isAt('A3', 'open-circuit-voltage');
		await person.types('p');
		await person.types(Key.ARROW_UP);
		await person.isAt('A1', 'open-circuit-voltage');
		await person.types('m');
		await person.isAt('A1', 'operating-current', 'bus');
		await person.types('n');
		await person.isAt('A2', 'operating-current', 'bus');
		// Undo goes back to the place whose reading is taken back, with its figure.
		await person.types(Key.chord(Key.CONTROL, 'z'));
		await person.isAt('A1', 'open-circuit-voltage');
		await driver.wait(async () => (await stored()).withdrawals.length === 1, WAIT);
		expect(await (await field()).getAttribute('value')).toBe('460.8');
		await person.sees('None yet', '.recent');
	});

	it('asks where amps were typed into the field of volts, and takes them when they are meant', async () => {
		await person.types('m');
		await person.isAt('A1', 'operating-current', 'bus');
		await person.types('6.4', Key.ENTER);
		await person.sees('next field', '#entry-words');
		await person.hasFocus('bus');
		await person.types(Key.BACK_SPACE, Key.BACK_SPACE, Key.BACK_SPACE, '388', Key.ENTER);
		await person.hasFocus('reading');
		await person.types(Key.chord(Key.SHIFT, Key.TAB), '999', Key.ENTER);
		await person.sees('no string operates above that', '#entry-words');
		await person.types(Key.ENTER);
		await person.hasFocus('reading');
	});

	it('lets two browsers write one visit: each sees the other’s readings, none is overwritten', async () => {
		const other = await openBrowser();
		try {
			const second = new Person(other, server);
			await second.goTo(`/visits/${visit}/measurements`);
			await second.isAt('A1', 'open-circuit-voltage');
			await person.types('460.8', Key.ENTER);
			await storedCount(1);
			await second.sees('460.8 V', '[data-string=A1]');
			await second.sees('460.8', '.entry .standing');
			await second.types('452.0', Key.ENTER);
			await storedCount(2);
			await person.sees('452.0 V', '[data-string=A1]');
			const [first, later] = (await stored()).readings;
			expect([first!.value, later!.value]).toEqual([460.8, 452]);
			expect(later!.supersedes).toBe(first!.id);
			// One whose line is down does not see it come, and is told before anything is replaced.
			await second.driver.executeScript('window.stop()');
			const answer = await fetch(`${server.address}/visits/${visit}/readings`, {
				method: 'POST',
				headers: { 'content-type': 'application/json' },
				body: JSON.stringify({ ...first, id: '019a0000-0000-7000-8000-00000000beef', value: 455 })
			});
			expect(await answer.json()).toMatchObject({
				kind: 'overtaken',
				words: expect.stringContaining('stored 452 for A1 meanwhile; yours is 455')
			});
		} finally {
			await other.quit();
		}
	});

	it('keeps a reading that the server did not take, and sends it again', async () => {
		await server.kill();
		await person.types('460.8', Key.ENTER);
		await person.sees('Not stored: A1 460.8', '.entry');
		await server.restart();
		await storedCount(1);
		await driver.wait(
			async () => (await driver.findElements(By.css('.question'))).length === 0,
			WAIT
		);
		await server.kill();
		await server.restart();
		expect((await stored()).readings[0]).toMatchObject({ value: 460.8 });
	});
});
