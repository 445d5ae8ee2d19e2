import { writeFileSync } from 'node:fs';
import { join } from 'node:path';
import QRCode from 'qrcode';
import { Key, Origin, type WebDriver } from 'selenium-webdriver';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { openBrowser } from './own-browser';
import type { Server } from './own-server';
import { Person } from './person';

const SITE = '/sites/019a8000-0000-7000-8000-000000000002';

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

describe('an inherited array with no papers', () => {
	it('becomes a usable record in a dozen taps', async () => {
		await person.goTo('/sites/new');
		await person.fill('name', 'Net loft, Saltmarsh');
		await person.press('Make the site');
		await person.arrivesAt(/\/survey$/);
		let taps = 0;
		const tap = async (words: string) => {
			taps++;
			await person.press(words);
		};
		const choose = async (css: string, words: string) => {
			taps++;
			await person.choose(css, words);
		};
		await tap('More: Rows');
		await tap('More: Rows');
		await tap('Fewer: Modules in a row');
		await person.sees('44 modules');
		await choose('#type', 'Generic 60 cells 335 W');
		await person.sees('14.7 kW', 'aside');
		await tap('A box, DC out');
		await tap('Rapid shutdown');
		await choose('#end-type', 'Generic inverter 10 kW');
		await person.sees('1.47', 'aside');
		taps++;
		await person.tick('4 strings of 11');
		await person.sees('4', 'aside dl');
		await tap('Make the record');
		expect(taps).toBeLessThanOrEqual(12);
		await person.arrivesAt(/\/array-record$/);
		await person.sees('44', 'dl');
		await person.sees('14.7 kW', 'dl');
		await person.sees('1.47', 'dl');
		await person.sees('S1, S2, S3 and 1 more: string fuse or none', 'aside');
		await person.sees('Rapid-shutdown transmitter: there or not', 'aside');
	});

	it('gets its strings onto the plan, and shows where each module goes', async () => {
		await person.press('Map');
		await person.arrivesAt(/\/map$/);
		for (let row = 0; row < 4; row++) {
			await person.click(`[data-string=S${row + 1}] .choose`);
			await person.sees(`11 modules of S${row + 1} lie nowhere yet`);
			await pressCell(row, 0);
			await person.sees(`11 modules of S${row + 1} laid: stored`);
		}
		await pressCell(2, 3);
		await person.sees('S3\nmodule 4', '[aria-label="Where does this go"]');
		await person.sees('INV 1', '[aria-label="Where does this go"]');
	});

	it('is drawn and checked at once', async () => {
		await person.press('Diagram');
		await person.arrivesAt(/\/diagram$/);
		const drawn = await driver.executeScript<string>(
			'return document.querySelector("svg[role=img]").textContent'
		);
		expect(drawn).toContain('4 x 11 x 335 W');
		expect(drawn).toContain('place unknown');
		await person.press('Checks');
		await person.arrivesAt(/\/checks$/);
		await person.sees('Not recorded: the lowest air temperature');
		await person.press('Record');
		await person.arrivesAt(/\/array-record$/);
		await person.fill('lowest', '-19');
		await person.fill('hottestCell', '70');
		await person.press('Store site and rules');
		await person.sees('Stored.');
		await person.press('Checks');
		await person.arrivesAt(/\/checks$/);
		await person.sees(/≤ 1000 V \(.*\)\s*Found \d+ V cold \(11 in series\)/);
		await person.press('Revisions');
		await person.arrivesAt(/\/revisions$/);
		await person.sees('Lowest air temperature -19 °C, was unknown.');
	});

	it('says what is there and what is not, and takes parts from the library', async () => {
		await person.press('Record');
		await person.arrivesAt(/\/array-record$/);
		await person.find('.unseen li');
		await person.click('.unseen li:first-child a');
		await person.arrivesAt(/\/parts\/new\?kind=rapid-shutdown-device$/);
		await person.choose('select[name=library]', '1 module');
		await person.press('Add to the record');
		await person.arrivesAt(/\/array-record$/);
		await person.press('None');
		await person.sees('Looked for and not there');
		await person.choose('#kind', 'DC isolator');
		await person.click('.add button');
		await person.arrivesAt(/\/parts\/new\?kind=dc-disconnect$/);
		await person.fill('ratedVolts', '99999');
		await person.fill('mark', 'Q1');
		await person.press('Add to the record');
		await person.sees('99999 V is out of range here');
		await person.fill('ratedVolts', '1000');
		await person.press('Add to the record');
		await person.arrivesAt(/\/array-record$/);
		await person.sees('Q1');
	});
});

/** Presses the middle of a cell of the first plan, as a finger would. */
async function pressCell(row: number, column: number, plan = 0): Promise<void> {
	const { svg, x, y } = await cellPoint(row, column, plan);
	await driver.actions().move({ origin: svg, x, y }).click().perform();
}

/** A cell's middle from the middle of its plan. */
async function cellPoint(row: number, column: number, plan = 0) {
	await person.find('.plan svg');
	const svg = (await driver.findElements({ css: '.plan svg' }))[plan]!;
	await driver.executeScript('arguments[0].scrollIntoView({block: "center"})', svg);
	const [x, y] = await driver.executeScript<[number, number]>(
		`const [svg, row, column] = arguments;
		const box = svg.getBoundingClientRect();
		const view = svg.viewBox.baseVal;
		const scale = box.width / view.width;
		const x = (12 + (column + 0.5) * 34) * scale - box.width / 2;
		const y = (12 + (row + 0.5) * 46) * scale - box.height / 2;
		return [Math.round(x), Math.round(y)];`,
		svg,
		row,
		column
	);
	return { svg, x, y };
}

async function dragCell(
	from: readonly [number, number],
	to: readonly [number, number]
): Promise<void> {
	const { svg, x, y } = await cellPoint(...from);
	const goal = await cellPoint(...to);
	await driver
		.actions()
		.move({ origin: svg, x, y })
		.press()
		.move({ origin: svg, x: goal.x, y: goal.y })
		.release()
		.perform();
}

describe('the map', () => {
	it('shows findings where they were found, and an input’s modules', async () => {
		await person.goTo(`${SITE}/map`);
		await person.click('[data-string=A3] .choose');
		await person.sees(
			'Glass cracked from the lower left corner',
			'[aria-label="Where does this go"]'
		);
		await person.choose('#input', 'Input 2');
		const lit = await driver.findElements({ css: 'ol [aria-pressed=true]' });
		expect(lit).toHaveLength(4);
	});

	it('moves a module by dragging, two change places, and undo puts them back', async () => {
		await person.goTo(`${SITE}/map`);
		await dragCell([0, 0], [1, 0]);
		await person.sees('Module moved: stored');
		await pressCell(1, 0);
		await person.sees('A1\nmodule 1', '[aria-label="Where does this go"]');
		await person.press('Undo');
		await pressCell(1, 0);
		await person.sees('A2\nmodule 1', '[aria-label="Where does this go"]');
	});

	it('leaves a module where it was when it is let go outside', async () => {
		const { svg, x, y } = await cellPoint(0, 1);
		await driver
			.actions()
			.move({ origin: svg, x, y })
			.press()
			.move({ origin: Origin.VIEWPORT, x: 400, y: 400 })
			.move({ origin: Origin.VIEWPORT, x: 4, y: 400 })
			.release()
			.perform();
		await person.sees('beyond the edge: the module stays where it was');
		await pressCell(0, 1);
		await person.sees('A1\nmodule 2', '[aria-label="Where does this go"]');
	});

	it('is used by keyboard: choose, carry, put down, take off', async () => {
		const plan = await person.find('.plan svg');
		await driver.executeScript('arguments[0].focus()', plan);
		await person.types('m', Key.ARROW_DOWN, Key.ENTER);
		await person.sees('Module moved: stored');
		await person.types(Key.DELETE);
		await person.sees('Module 1 of A1 taken off the plan: stored');
		await person.press('Undo');
		await person.press('Undo');
		await pressCell(0, 0);
		await person.sees('A1\nmodule 1', '[aria-label="Where does this go"]');
	});

	it('puts strings in another order by keyboard, doubles them and takes them out', async () => {
		const order = () =>
			driver.executeScript<string>(
				'return [...document.querySelectorAll("ol > [data-string]")].map((row) => row.dataset.string).join(" ")'
			);
		await person.goTo(`${SITE}/map`);
		await person.click('[data-string=A2] .choose');
		await person.types(Key.chord(Key.ALT, Key.ARROW_UP));
		await person.sees('A2 moved: stored');
		expect(await order()).toBe('A2 A1 A3 A4 B1 B2 B3 B4');
		await person.press('Undo');
		await person.click('[data-string=A4] .choose');
		await person.press('Duplicate A4');
		await person.sees('A5 made from A4: stored');
		expect(await order()).toBe('A1 A2 A3 A4 A5 B1 B2 B3 B4');
		await person.click('[data-string=A5] .choose');
		await person.press('Take A5 out');
		await person.sees('A5 taken out: stored');
		expect(await order()).toBe('A1 A2 A3 A4 B1 B2 B3 B4');
	});

	it('adds a field, and refuses one that cannot be', async () => {
		await person.goTo(`${SITE}/map`);
		await person.press('Add a roof, rack or canopy');
		await person.fill('rows', '0', '.plans');
		await person.press('Add the field');
		await person.sees('0 is out of range here: 1 to 200');
		await person.fill('rows', '3', '.plans');
		await person.fill('azimuth', '90', '.plans');
		await person.press('Add the field');
		await person.sees('Field 3 stored: stored');
		await person.sees('faces 90°');
	});
});

describe('two people at one record', () => {
	/** Another person's change of a string's fuse, sent as their screen would. */
	async function theirs(label: string, rating: number): Promise<void> {
		const page = await fetch(`${server.address}${SITE}/array-record/__data.json`);
		const text = await page.text();
		const newest = await driver.executeAsyncScript<{ id: string; strings: { label: string }[] }>(
			`const done = arguments[arguments.length - 1];
			fetch(arguments[0] + '/changes', { method: 'POST', headers: { 'content-type': 'application/json' }, body: '{}' }).then(() => done(null));`,
			SITE
		);
		expect(newest).toBeNull();
		expect(text.length).toBeGreaterThan(100);
		const database = await import('better-sqlite3');
		const db = new database.default(server.database, { readonly: true });
		const row = db
			.prepare(
				'select id, record from site_revision where site_id = ? order by number desc limit 1'
			)
			.get(SITE.split('/')[2]) as { id: string; record: string };
		db.close();
		const string = (JSON.parse(row.record) as { strings: { label: string }[] }).strings.find(
			(one) => one.label === label
		);
		const answer = await fetch(`${server.address}${SITE}/changes`, {
			method: 'POST',
			headers: { 'content-type': 'application/json', origin: server.address },
			body: JSON.stringify({
				id: crypto.randomUUID(),
				base: row.id,
				change: [{ op: 'put', list: 'strings', value: { ...string, fuse: { rating } } }]
			})
		});
		expect(answer.status).toBe(201);
	}

	it('who change different strings both keep what they did', async () => {
		await person.goTo(`${SITE}/array-record`);
		await theirs('B2', 16);
		await person.click('[data-string=A1] a');
		await person.arrivesAt(/\/strings\//);
		await person.fill('fuseRating', '20');
		await person.press('Store the change');
		await person.arrivesAt(/\/array-record$/);
		await person.sees('fuse 20 A', '[data-string=A1]');
		await person.sees('fuse 16 A', '[data-string=B2]');
	});

	it('who change the same one: the later is told, and keeps what was typed', async () => {
		await person.click('[data-string=A2] a');
		await person.arrivesAt(/\/strings\//);
		await person.fill('fuseRating', '25');
		await theirs('A2', 16);
		await person.press('Store the change');
		await person.sees('Somebody changed the same entry meanwhile');
		expect(await (await person.find('input[name=fuseRating]')).getAttribute('value')).toBe('25');
		await person.press('Store the change');
		await person.arrivesAt(/\/array-record$/);
		await person.sees('fuse 25 A', '[data-string=A2]');
	});

	it('keeps a change that could not be sent, and sends it again', async () => {
		await person.click('[data-string=A3] a');
		await person.arrivesAt(/\/strings\//);
		await person.fill('fuseRating', '30');
		await server.kill();
		await person.press('Store the change');
		await person.sees('The server did not answer');
		await server.restart();
		await person.press('Send again');
		await person.sees('stored, revision');
		await person.goTo(`${SITE}/array-record`);
		await person.sees('fuse 30 A', '[data-string=A3]');
	});
});

describe('lists', () => {
	const choose = (name: string, content: string, nth: number) =>
		person.choosesFile('section input[type=file]', name, content, nth);

	it('show what would be read, and why lines are refused, before anything is stored', async () => {
		await person.goTo(`${SITE}/lists`);
		await choose(
			'modules.csv',
			'String;Module;Serial;Year\r\nA2;1;SK-1;2018\r\nA2;2;SK-1;2018\r\nA2;99;SK-2;\r\nB1;1;SK-3;1066\r\nB1;2;SK-4;2019\r\n',
			1
		);
		await person.sees('2 modules would be taken over; 3 lines refused');
		await person.sees('Serial SK-1 stands at A2, module 1 (line 2) already');
		await person.sees('A2 has 12 modules; there is no module 99');
		await person.press('Take over 2 modules');
		await person.sees('2 modules taken over from modules.csv');
	});

	it('with other columns ask which is which', async () => {
		await person.goTo(`${SITE}/lists`);
		await choose('strings.csv', 'Feld;Anzahl\nC1;12\nC2;12\n', 0);
		await person.sees('Nothing in this file is called String or Modules');
		await driver.executeScript(`
			for (const [i, value] of ['0', '1'].entries()) {
				const list = document.querySelectorAll('section.panel')[0].querySelectorAll('select')[i];
				list.value = value;
				list.dispatchEvent(new Event('change', { bubbles: true }));
			}`);
		await person.press('Take over 2 new strings');
		await person.sees('2 new strings taken over from strings.csv');
	});

	it('of 20,000 lines are answered, and what is no list is refused', async () => {
		const lines = Array.from({ length: 20_000 }, (_, i) => `A1;${(i % 12) + 1};N${i};`);
		await choose('long.csv', `String;Module;Serial;Year\r\n${lines.join('\r\n')}`, 1);
		await person.sees('20000 modules would be taken over');
		await choose('broken.csv', 'String,Module\n"A1,1\nA2,2', 1);
		await person.sees('A quotation mark on line');
		await choose('picture.csv', '\u0000\u0001', 1);
		await person.sees('This is not a text file');
	});
});

describe('codes', () => {
	it('are read from a picture, and a doubled serial is noticed', async () => {
		await person.goTo(`${SITE}/array-record/strings/019a8000-0000-7000-8000-000000000014`);
		const picture = await QRCode.toBuffer('SK19040119', { width: 400 });
		await person.choosesFile('section input[data-codes]', 'code.png', picture);
		await person.sees('Read: SK19040119');
		const first = await person.find('input[aria-label="Serial of module 1"]');
		expect(await first.getAttribute('value')).toBe('SK19040119');
		await person.sees('SK19040119 stands at A1, module 2 already');
		await person.choosesFile(
			'section input[data-codes]',
			'none.png',
			await QRCode.toBuffer('x', { scale: 1, margin: 0 }).then((b) => b.subarray(0, 40))
		);
		await person.sees('No code was found in this picture');
	});
});

/** A still film of a code, as raw frames: what a camera held in front of it sees. */
function filmOf(code: string): Buffer {
	const { size, data } = QRCode.create(code, {}).modules;
	const [width, height, scale] = [640, 480, 10];
	const luma = Buffer.alloc(width * height, 255);
	const left = Math.floor((width - size * scale) / 2);
	const top = Math.floor((height - size * scale) / 2);
	for (let y = 0; y < size * scale; y++) {
		for (let x = 0; x < size * scale; x++) {
			const dark = data[Math.floor(y / scale) * size + Math.floor(x / scale)];
			if (dark) luma[(top + y) * width + left + x] = 0;
		}
	}
	const chroma = Buffer.alloc((width * height) / 2, 128);
	const frame = Buffer.concat([Buffer.from('FRAME\n'), luma, chroma]);
	return Buffer.concat([
		Buffer.from(`YUV4MPEG2 W${width} H${height} F10:1 Ip A1:1 C420jpeg\n`),
		frame,
		frame
	]);
}

describe('the camera', () => {
	it('reads one code after the other into the modules of a string', async () => {
		const camera = join(person.files, 'code.y4m');
		writeFileSync(camera, filmOf('SK-CAMERA-7'));
		const other = new Person(await openBrowser({ camera }), server);
		try {
			await other.goTo(`${SITE}/array-record/strings/019a8000-0000-7000-8000-000000000015`);
			await other.click('.scan button');
			await other.sees('Read: SK-CAMERA-7');
			const first = await other.find('input[aria-label="Serial of module 1"]');
			expect(await first.getAttribute('value')).toBe('SK-CAMERA-7');
			await other.sees('Next code goes to B2, module 2');
			await other.press('Close the camera');
		} finally {
			await other.driver.quit();
		}
	});
});

describe('sheets to print', () => {
	it('carry each string’s mark three times, and name each disconnect', async () => {
		await person.goTo(`${SITE}/marks`);
		await person.sees('A1');
		expect((await driver.findElements({ css: 'main .page li' })).length % 3).toBe(0);
		await person.goTo(`${SITE}/emergency`);
		await person.sees('Modules and their cables stay live in daylight');
		const text = await person.sees('536 V');
		expect(text.indexOf('Q10')).toBeLessThan(text.indexOf('Q1\n'));
		expect(text).not.toMatch(/\bsafe\b/i);
	});
});

describe('the library', () => {
	it('keeps an own type, refuses what cannot be, and hands itself out and in', async () => {
		await person.goTo('/library/new?kind=inverter');
		await person.fill('name', 'Fulmar 5');
		await person.fill('acWatts', '5 kV');
		await person.press('Store the type');
		await person.sees('is not a number');
		await person.fill('acWatts', '5 kW');
		await person.press('Store the type');
		await person.arrivesAt(/\/library$/);
		await person.sees('Fulmar 5, own');
		await person.choosesFile(
			'input[accept*=json]',
			'library.json',
			'{"format":"zembo-library","version":7}'
		);
		await person.sees('Invalid input');
		await person.choosesFile(
			'section input[type=file]',
			'types.csv',
			'Model;Cells in series;Pmax (W);Vmp (V);Imp (A);Voc (V);Isc (A)\nLinn 300;60;300;32,4;9,26;39,8;9,8\nBad;60;300;45;9;39;9,5\n'
		);
		await person.sees('1 type would be taken over; 1 line refused');
		await person.press('Take over 1 type');
		await person.sees('Linn 300, own');
	});
});
