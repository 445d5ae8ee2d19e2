import Database from 'better-sqlite3';
import type { WebDriver } from 'selenium-webdriver';
import sharp from 'sharp';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { isBareJpeg } from '$core/document';
import type { Server } from './own-server';
import { Person } from './person';
import { WAIT } from './waiting';

const SITE = '/sites/019a8001-0000-7000-8000-000000000002';

let server: Server;
let driver: WebDriver;
let person: Person;
let visit: string;
beforeAll(async () => {
	person = await Person.atTheDemo();
	({ driver, server } = person);
});
afterAll(async () => {
	await person?.leaves();
});

const stop = (key: string) => `[data-stop="${key}"]`;
const press = (key: string, nth: number) =>
	person.click(`${stop(key)} .acts button:nth-of-type(${nth})`);
const FITS = 1;
const FINDING = 2;
const NOT_SEEN = 3;

/** A busy picture of 12 megapixels, drawn by the browser, as JPEG with what a camera writes beside it. */
async function cameraPicture(): Promise<Buffer> {
	const base64 = await driver.executeAsyncScript<string>(`
		const done = arguments[arguments.length - 1];
		const canvas = new OffscreenCanvas(4000, 3000);
		const context = canvas.getContext('2d');
		const gradient = context.createLinearGradient(0, 0, 4000, 3000);
		gradient.addColorStop(0, '#124');
		gradient.addColorStop(1, '#fc8');
		context.fillStyle = gradient;
		context.fillRect(0, 0, 4000, 3000);
		let state = 7;
		const next = () => (state = (state * 1103515245 + 12345) % 2147483648) / 2147483648;
		for (let i = 0; i < 60000; i++) {
			context.fillStyle = 'hsl(' + Math.floor(next() * 360) + ' 60% 50%)';
			context.fillRect(next() * 4000, next() * 3000, 4 + next() * 60, 4 + next() * 60);
		}
		canvas.convertToBlob({ type: 'image/jpeg', quality: 0.92 }).then((blob) => {
			const reader = new FileReader();
			reader.onload = () => done(reader.result.split(',')[1]);
			reader.readAsDataURL(blob);
		});`);
	const plain = Buffer.from(base64, 'base64');
	return Buffer.concat([plain.subarray(0, 2), exif('2026:09:22 11:04:05'), plain.subarray(2)]);
}

/** An Exif segment with the time of taking and a place (JEITA CP-3451). */
function exif(time: string): Buffer {
	const tiff = Buffer.alloc(26 + 2 + 24 + 4 + 18 + 4 + 20);
	tiff.write('MM', 0);
	tiff.writeUInt16BE(42, 2);
	tiff.writeUInt32BE(8, 4);
	// The first directory: the Exif directory, and that of the place.
	tiff.writeUInt16BE(2, 8);
	const entry = (at: number, tag: number, type: number, count: number, value: number) => {
		tiff.writeUInt16BE(tag, at);
		tiff.writeUInt16BE(type, at + 2);
		tiff.writeUInt32BE(count, at + 4);
		tiff.writeUInt32BE(value, at + 8);
	};
	entry(10, 0x8769, 4, 1, 38);
	entry(22, 0x8825, 4, 1, 56);
	tiff.writeUInt16BE(1, 38);
	entry(40, 0x9003, 2, 20, 76);
	tiff.writeUInt16BE(1, 56);
	entry(58, 0x0001, 2, 2, 0x4e000000);
	tiff.write(time, 76);
	const body = Buffer.concat([Buffer.from('Exif\0\0'), tiff]);
	const head = Buffer.from([0xff, 0xe1, 0, 0]);
	head.writeUInt16BE(body.length + 2, 2);
	return Buffer.concat([head, body]);
}

const addPicture = (name: string, content: Buffer | string) =>
	person.choosesFile('input[data-photograph]', name, content);

describe('the walk', () => {
	it('asks what this array has, in the order of the energy', async () => {
		await person.goTo(SITE);
		await person.fill('by', 'Tamsin Orrell');
		await person.press('Start a visit');
		await person.arrivesAt(/\/test-plan$/);
		await person.press('Inspection');
		await person.arrivesAt(/\/inspection$/);
		visit = new URL(await driver.getCurrentUrl()).pathname.split('/')[2]!;
		const segments = await driver.findElements({ css: '.inspect nav button' });
		const names = await Promise.all(segments.map((one) => one.getText()));
		expect(names[0]).toContain('Modules');
		expect(names.join()).toContain('Rapid shutdown');
		expect(names.join()).not.toContain('Batteries');
	});

	it('takes what fits with one tap, and undo takes it back', async () => {
		await press('modules-alike', FITS);
		await person.sees('1 of');
		await press('frames', FITS);
		await person.sees('2 of');
		await person.press('Undo');
		await person.sees('1 of');
	});

	it('wants words of a finding and a reason for what was not seen', async () => {
		await press('glass', FINDING);
		await person.press('Store');
		await person.sees('Say what was found.', stop('glass'));
		await press('cells', NOT_SEEN);
		await person.press('too dark');
		await driver.executeScript(
			`[...document.querySelectorAll('[data-stop="cells"] form button')].find((one) => one.textContent.trim() === 'Store').click()`
		);
		await person.sees(/not seen\s+too dark/, stop('cells'));
	});

	it('stores a photograph small, without place and with its time', async () => {
		const picture = await cameraPicture();
		expect(picture.length).toBeGreaterThan(2_000_000);
		expect(isBareJpeg(picture)).toBe(false);
		await person.choose(`${stop('glass')} select[name=string]`, 'S2');
		await person.fill('module', '4', stop('glass'));
		const words = await person.find(`${stop('glass')} textarea`);
		await words.sendKeys('Cracked from the corner');
		await addPicture('crack.jpg', picture);
		await person.find(`${stop('glass')} form img`);
		await driver.executeScript(
			`[...document.querySelectorAll('[data-stop="glass"] form button')].find((one) => one.textContent.trim() === 'Store').click()`
		);
		await person.sees('S2, module 4', stop('glass'));
		const src = await (await person.find(`${stop('glass')} img`)).getAttribute('src');
		const stored = new Uint8Array(await (await fetch(src!)).arrayBuffer());
		expect(stored.length).toBeLessThanOrEqual(600_000);
		expect(isBareJpeg(stored)).toBe(true);
		const db = new Database(server.database, { readonly: true });
		const row = db
			.prepare('select taken_at, width, height from photograph where id = ?')
			.get(src!.split('/').at(-1));
		db.close();
		expect(row).toMatchObject({ width: 2048, height: 1536 });
		expect((row as { taken_at: string }).taken_at).toMatch(/^2026-09-22T/);
	});

	it('refuses what is no picture, with words, and keeps what was typed', async () => {
		await press('dirt', FINDING);
		const words = await person.find(`${stop('dirt')} textarea`);
		await words.sendKeys('Lichen');
		await addPicture(
			'phone.heic',
			Buffer.concat([Buffer.from([0, 0, 0, 24]), Buffer.from('ftypheic0000mif1')])
		);
		await person.sees('This is a HEIC picture', stop('dirt'));
		await addPicture('notes.jpg', 'these are words');
		await person.sees('This is not a picture', stop('dirt'));
		await addPicture('cut.jpg', Buffer.from([0xff, 0xd8, 0xff, 0xe0, 0, 16]));
		await person.sees('cannot be opened', stop('dirt'));
		expect(await words.getAttribute('value')).toBe('Lichen');
	});

	it('judges what is measured by its limit', async () => {
		await person.press('Tests of the inspector');
		const resistance = await person.find(`${stop('bonding-ohms')} input`);
		await resistance.sendKeys('much\n');
		await person.sees('is not a number', stop('bonding-ohms'));
		await resistance.clear();
		await resistance.sendKeys('0,4\n');
		await person.sees('0.4 ohm', stop('bonding-ohms'));
		const seconds = await person.find(`${stop('loss-of-mains')} input`);
		await seconds.sendKeys('7\n');
		await person.sees('7 s, required at most 2 s', stop('loss-of-mains'));
	});

	it('scales an infrared picture to full current and names its pattern', async () => {
		await press('infrared', 3);
		await person.choose(`${stop('infrared')} select[name=string]`, 'S3');
		await person.fill('module', '6', stop('infrared'));
		await person.choose(`${stop('infrared')} select[name=pattern]`, 'section');
		await person.fill('difference', '9', stop('infrared'));
		await person.fill('amps', '5,4', stop('infrared'));
		await person.sees('18 K at 10.79 A', stop('infrared'));
		await driver.executeScript(
			`[...document.querySelectorAll('[data-stop="infrared"] form button')].find((one) => one.textContent.trim() === 'Store').click()`
		);
		await person.sees('bypass diode conducts or is shorted', stop('infrared'));
	});

	it('keeps an answer that could not be sent, and stands on the map when it is', async () => {
		await server.kill();
		await press('waste', FITS);
		await person.sees('is not stored: The server did not answer');
		await server.restart();
		await driver.wait(
			async () => (await driver.findElements({ css: '.inspect .notice' })).length === 0,
			WAIT
		);
		await person.goTo(`/visits/${visit}/inspection`);
		await person.press('Tests of the inspector');
		await person.find(`${stop('waste')}[data-outcome=fits]`);
		await person.goTo(`${SITE}/map`);
		await person.click('[data-string=S2] .choose');
		await person.sees('Cracked from the corner', '[aria-label="Where does this go"]');
	});

	it('is told in the report', async () => {
		await person.goTo(`/visits/${visit}/report`);
		await person.sees('Cracked from the corner');
		await person.sees('too dark');
	});
});

describe('the server', () => {
	const send = async (bytes: readonly number[] | Uint8Array, id = crypto.randomUUID()) => {
		const answer = await fetch(
			`${server.address}/visits/${visit}/photographs?id=${id}&takenAt=2026-11-25T10:00:00Z`,
			{
				method: 'POST',
				body: new Uint8Array(bytes),
				headers: { origin: server.address, 'content-type': 'image/jpeg' }
			}
		);
		return { status: answer.status, id, words: await answer.text() };
	};
	const stored = (id: string) =>
		new Database(server.database, { readonly: true })
			.prepare<[string], { type: string; width: number; bytes: Buffer }>(
				'select type, width, bytes from photograph where id = ?'
			)
			.get(id);

	it('takes no picture that is none, too large, or cannot be decoded', async () => {
		const jpeg = [0xff, 0xd8, 0xff, 0xe0, 0, 4, 0, 0];
		expect((await send([1, 2, 3])).words).toContain('not a picture');
		expect((await send([...jpeg, ...Array<number>(600_001).fill(0)])).words).toContain(
			'at most 600'
		);
		const cut = await send([...jpeg, 0xff, 0xda]);
		expect(cut.status).toBe(400);
		expect(stored(cut.id)).toBeUndefined();
	});

	it('stores a picture of any kind without place and owner, and only one under an id', async () => {
		const drawn = sharp({ create: { width: 9, height: 6, channels: 3, background: '#456' } });
		const located = drawn.withExif({ IFD0: { Artist: 'Somebody' }, IFD3: { GPSLatitudeRef: 'N' } });
		for (const picture of [located.clone().webp(), located.clone().png(), located.clone().jpeg()]) {
			const bytes = await picture.toBuffer();
			expect(bytes.includes('Somebody')).toBe(true);
			const { status, id } = await send(bytes);
			expect(status).toBe(201);
			const row = stored(id)!;
			expect(row).toMatchObject({ type: 'image/jpeg', width: 9 });
			expect(isBareJpeg(row.bytes)).toBe(true);
			expect((await send(bytes, id)).status).toBe(201);
			const other = await sharp(bytes).negate().toBuffer();
			expect((await send(other, id)).status).toBe(409);
		}
	});
});
