import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { Key, Origin, type WebDriver } from 'selenium-webdriver';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { ui } from '../../src/lib/messages/interface-messages';
import { speak } from '../../src/lib/messages/text';
import { printed } from './own-browser';
import type { Server } from './own-server';
import { Person } from './person';
import { WAIT } from './waiting';

/* What a record gives to others: lists, sheets, diagrams, revisions, and the library it draws from. */

const sitePath = (n: number) => `/sites/019a800${n}-0000-7000-8000-000000000002`;
const SALTMARSH = sitePath(0);
const HOLLIN_CREEK = sitePath(1);
const CAIRN_RIGG = sitePath(2);
const KILN_LANE = sitePath(3);

let server: Server;
let driver: WebDriver;
let person: Person;
beforeAll(async () => {
	person = await Person.atTheDemo();
	({ driver, server } = person);
});
afterAll(async () => {
	await person?.leaves();
});

/** What the page hands out as a file when a button is pressed. */
async function handedOut(button: string): Promise<string> {
	await driver.executeScript(`
		window.handedOut = null;
		const make = URL.createObjectURL;
		URL.createObjectURL = (blob) => {
			void blob.text().then((text) => (window.handedOut = text));
			URL.createObjectURL = make;
			return make.call(URL, blob);
		};
		HTMLAnchorElement.prototype.click = () => {};`);
	await person.press(button);
	await driver.wait(
		() => driver.executeScript<boolean>('return window.handedOut !== null'),
		WAIT,
		`${button} handed nothing out`
	);
	return driver.executeScript<string>('return window.handedOut');
}

describe('lists of a record', () => {
	it('go out with every string, and come back in without a change', async () => {
		await person.goTo(`${SALTMARSH}/lists`);
		const strings = await handedOut('Strings as CSV');
		expect(strings.split('\r\n')[0]).toContain('String');
		expect(strings.trim().split('\r\n')).toHaveLength(9);
		const modules = await handedOut('Modules as CSV');
		expect(modules.trim().split('\r\n').length).toBeGreaterThan(1);
		await person.choosesFile('section input[type=file]', 'strings.csv', strings, 0);
		await person.sees('Nothing would be taken over');
	});

	it('mend one string and say so in the revisions', async () => {
		await person.goTo(`${SALTMARSH}/lists`);
		await person.choosesFile('section input[type=file]', 'one.csv', 'String;Modules\nB4;11\n', 0);
		await person.press('Take over 1 changed string');
		await person.sees('1 changed string taken over from one.csv');
		await person.goTo(`${SALTMARSH}/revisions`);
		await person.sees('String B4: modules 11, was 12');
	});
});

describe('revisions', () => {
	it('of a visit stay what they were; any two are compared in words', async () => {
		await person.goTo(`${SALTMARSH}/array-record`);
		await person.fill('lowest', '-15');
		await person.press('Store site and rules');
		await person.sees('Stored.');
		await person.goTo(`${SALTMARSH}/revisions`);
		await person.sees('Lowest air temperature -15 °C, was -12 °C.');
		await person.fill('from', '1');
		await person.press('Compare');
		await person.arrivesAt(/from=1/);
		const words = await person.sees('String B4: modules 11, was 12');
		expect(words).toContain('Lowest air temperature -15 °C, was -12 °C.');
		await person.fill('to', '1');
		await person.press('Compare');
		await person.sees('Nothing differs between revision 1 and 1.');
		// The visit's file still has the twelve modules it was made with.
		const visit = await fetch(
			`${server.address}/visits/019a8000-0000-7000-8000-000000000004/visit.json`
		);
		const { revision, record } = (await visit.json()) as {
			revision: { number: number };
			record: { strings: { label: string; moduleCount: number }[] };
		};
		expect(revision.number).toBe(1);
		expect(record.strings.find(({ label }) => label === 'B4')?.moduleCount).toBe(12);
	});

	it('that do not exist are said so, and what was typed stays', async () => {
		await person.goTo(`${SALTMARSH}/revisions?from=first&to=last`);
		await person.sees('Lowest air temperature -15 °C');
		await person.goTo(`${SALTMARSH}/revisions?from=1&to=9999`);
		await person.sees('They are numbered from 1 to 3');
		expect(await (await person.find('input[name=to]')).getAttribute('value')).toBe('9999');
	});
});

describe('the order of strings', () => {
	const order = () =>
		driver.executeScript<string>(
			'return [...document.querySelectorAll("ol > [data-string]")].map((row) => row.dataset.string).join(" ")'
		);
	const drag = async (from: string, dx: number, rows: number) => {
		const grip = await person.find(`[data-string=${from}] .grip`);
		await driver.executeScript('arguments[0].scrollIntoView({block: "center"})', grip);
		const actions = driver.actions().move({ origin: grip }).press();
		for (let step = 0; step < 12; step++)
			actions.move({
				origin: Origin.POINTER,
				x: Math.round(dx / 12),
				y: Math.round((rows * 50) / 12)
			});
		await actions.release().perform();
	};

	it('is changed by dragging a grip, and undo puts it back', async () => {
		await person.goTo(`${SALTMARSH}/map`);
		await person.find('[data-string=A1]');
		expect(await order()).toBe('A1 A2 A3 A4 B1 B2 B3 B4');
		await drag('A1', 0, 2);
		await person.sees('A1 moved: stored');
		expect(await order()).toMatch(/^A2 (A3 )?A1 /);
		await person.press('Undo');
		await driver.wait(
			async () => (await order()) === 'A1 A2 A3 A4 B1 B2 B3 B4',
			WAIT,
			'the order did not come back'
		);
	});

	it('stays as it was when a string is let go outside', async () => {
		await person.goTo(`${SALTMARSH}/map`);
		await drag('A1', 700, 2);
		await person.find('[data-string=A1]');
		expect(await order()).toBe('A1 A2 A3 A4 B1 B2 B3 B4');
		await person.goTo(`${SALTMARSH}/map`);
		await person.find('[data-string=A1]');
		expect(await order()).toBe('A1 A2 A3 A4 B1 B2 B3 B4');
	});
});

describe('sheets to print', () => {
	it.each([
		[
			HOLLIN_CREEK,
			'en-US',
			/Switch the initiator OFF/,
			'rapid-shutdown devices behind the modules'
		],
		[
			CAIRN_RIGG,
			'en-GB',
			/Switch loads OFF[\s\S]*terminals stay live/,
			'charge controller and battery'
		],
		[KILN_LANE, 'en-GB', /one module/, 'micro-inverters behind the modules']
	] as const)(
		'the emergency card of %s, %s, names its order and its kind',
		async (...[site, language, order, kind]) => {
			await person.goTo(`${site}/emergency`);
			const text = await person.sees(kind);
			expect(text).toMatch(order);
			expect(text).toContain(speak(language)(ui('emergency-card.live')));
			expect((await printed(driver)).subarray(0, 5).toString()).toBe('%PDF-');
		}
	);

	it('marks are left out where they are not wanted, and carry one colour a string', async () => {
		await person.goTo(`${SALTMARSH}/marks`);
		await person.sees('A1');
		const marks = () => driver.findElements({ css: 'main .page li' });
		expect(await marks()).toHaveLength(24);
		await person.tick('Combiner');
		expect(await marks()).toHaveLength(16);
		const colours = await driver.executeScript<string[]>(
			'return [...document.querySelectorAll("main .page li")].map((li) => li.style.background)'
		);
		expect(colours[0]).toBe(colours[1]);
		expect(colours[0]).not.toBe(colours[2]);
	});

	it.each([
		[SALTMARSH, ['CB 1', 'Q1', 'INV 1', '10 mm²']],
		[HOLLIN_CREEK, ['Q', 'INV 1', '11 x']],
		[CAIRN_RIGG, ['1 x 300 W and 1 x 225 W', 'Battery']],
		[KILN_LANE, ['micro']]
	])('the diagram of %s draws what is recorded', async (site, words) => {
		await person.goTo(`${site}/diagram`);
		await person.find('svg[role=img]');
		const drawn = await driver.executeScript<string>(
			'return document.querySelector("main").textContent'
		);
		for (const word of words) expect(drawn.toLowerCase()).toContain(word.toLowerCase());
	});
});

describe('a survey of another kind of array', () => {
	const survey = async (name: string) => {
		await person.goTo('/sites/new');
		await person.fill('name', name);
		await person.press('Make the site');
		await person.arrivesAt(/\/survey$/);
	};

	it('asks for a label, and keeps all that was chosen until there is one', async () => {
		await survey('Bait store');
		await person.press('A box, AC out');
		await person.press('Make the record');
		await person.sees('nameplate is missing', '[role=alert]');
		await person.choose('#type', 'Type the nameplate');
		await person.fill('pmax', '300');
		// Power alone says what the array is rated.
		await person.sees('7.2 kW', '[data-rated-power]');
		await person.fill('vmp', '45');
		await person.fill('imp', '9,26');
		await person.fill('voc', '39,8');
		await person.fill('isc', '9,8');
		await person.press('Make the record');
		await person.sees('Vmp 45 V must be below Voc 39.8 V');
		expect(await (await person.find('input[name=imp]')).getAttribute('value')).toBe('9,26');
		await person.fill('vmp', '32,4');
		await person.sees('7.2 kW', 'aside');
		// 24 micro-inverters of 290 W behind 24 modules of 300 W.
		await person.choose('#end-type', 'Generic micro-inverter 290 W');
		await person.sees('1.03', 'aside');
		await person.press('Make the record');
		await person.arrivesAt(/\/array-record$/);
		await person.sees('micro-inverters behind the modules');
		await person.sees('1.03', 'dl');
	});

	it('of two modules to a box, or of a battery, with nothing known of the strings', async () => {
		await survey('Ice house');
		await person.choose('#type', 'Generic 60 cells 335 W');
		await person.press('A box, DC out');
		await person.press('Optimiser');
		await person.press('Two modules each');
		await person.sees('Strings of 24 modules', 'aside');
		await person.press('Make the record');
		await person.arrivesAt(/\/array-record$/);
		await person.sees('optimisers behind the modules');
		await person.sees('Strings of 24 modules', 'aside');
	});

	it('says when so many modules do not share out', async () => {
		await survey('Slip');
		await person.choose('#type', 'Generic 60 cells 335 W');
		await person.tick('I know');
		await person.click('input[name=strings]');
		await person.retypes('5', Key.TAB);
		await person.sees('24 modules do not share out over 5 equal strings');
	});
});

describe('the library', () => {
	it('hands out types of devices as a list and takes them in again', async () => {
		await person.goTo('/library');
		await person.choose('#listed', 'Optimiser');
		const list = await handedOut('Optimiser types as CSV');
		const [head, first] = list.split('\r\n');
		expect(head).toContain('Highest input (V)');
		const changed = `${head}\r\n${first!.replace(/^[^,]+/, 'Dunlin 450')}\r\nToo much,1,1,99999,,\r\n`;
		await person.choosesFile('section input[type=file]', 'optimisers.csv', changed);
		await person.sees('1 type would be taken over; 1 line refused');
		await person.press('Take over 1 type');
		await person.sees('Dunlin 450, own');
	});

	it('goes from one Zembo to another as one file', async () => {
		await person.goTo('/library');
		const library = await handedOut('All as JSON');
		expect(JSON.parse(library)).toMatchObject({ format: 'zembo-library', version: 1 });
		const changed = library.replaceAll('Dunlin 450', 'Dunlin 460');
		await person.choosesFile('input[accept*=json]', 'library.json', changed);
		await person.sees('1 type taken over.');
		await person.sees('Dunlin 460, own');
		await person.sees(/^(?!.*Generic[^\n]*, own)/s);
		const same = readFileSync(join(person.files, 'library.json'), 'utf8');
		expect(same).toBe(changed);
	});

	it('changes an own type and takes it out again', async () => {
		await person.goTo('/library');
		await person.press('Dunlin 460');
		await person.arrivesAt(/\/library\/[0-9a-f-]+$/);
		await person.fill('inputAmps', '0');
		await person.press('Store the type');
		await person.sees('Something is not right yet');
		await person.fill('inputAmps', '13,7');
		await person.press('Store the type');
		await person.arrivesAt(/\/library$/);
		await person.sees('13.7 A');
		await person.press('Dunlin 460');
		await person.arrivesAt(/\/library\/[0-9a-f-]+$/);
		await person.press('Take it out of the library');
		await person.arrivesAt(/\/library$/);
		await driver.wait(
			async () => !(await person.sees('Library')).includes('Dunlin 460'),
			WAIT,
			'it is still there'
		);
	});
});
