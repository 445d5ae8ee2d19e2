import { readFileSync } from 'node:fs';
import { dirname, join } from 'node:path';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { DEMO_TEMPLATE } from './demo-template';
import { Person } from './person';
import { WAIT } from './waiting';

const SITE = '/sites/019a8003-0000-7000-8000-000000000002';
const WATCH = `${SITE}/monitoring`;
const EXPORT = join(dirname(process.env[DEMO_TEMPLATE]!), 'kiln-lane-2026.csv');

let person: Person;
beforeAll(async () => {
	person = await Person.atTheDemo();
});
afterAll(() => person?.leaves());

/** Chooses an export and waits for what is said of it. */
async function chooses(
	name: string,
	content: string | Buffer,
	words: string | RegExp
): Promise<string> {
	await person.goTo(`${WATCH}/exports`);
	await person.choosesFile('input[name=export]', name, content);
	return person.sees(words);
}
/** Holds pieces of a file back until it is let go. */
const hold = () =>
	person.driver.executeScript(
		'window.realFetch = fetch; window.held = new Promise((go) => (window.letGo = go)); window.fetch = async (url, request) => { if (request?.method === "PUT") await held; return realFetch(url, request); }'
	);
const letGo = () => person.driver.executeScript('letGo()');

describe('Kiln Lane’s export', () => {
	it('can be taken back whole, and then nothing is there', async () => {
		await person.goTo(`${WATCH}/exports`);
		await person.press('Take it back');
		await person.sees('All its samples go');
		await person.press('Take it back whole');
		await person.driver.wait(
			async () => !(await (await person.find('body')).getText()).includes('What is in'),
			WAIT
		);
		await person.press('Underperforming units');
		await person.sees('No export yet');
	});

	it('that is stopped on its way leaves nothing', async () => {
		await chooses('kiln.csv', readFileSync(EXPORT), 'each found in the record');
		await hold();
		await person.press('Take it in');
		await person.press('Stop, and keep nothing');
		await letGo();
		await person.sees('Stopped. Nothing of it was kept.');
		await person.goTo(WATCH);
		await person.sees('No export yet');
	});

	it('leads from the file to one module at half since March, and to clipping that is no fault', async () => {
		const said = await chooses(
			'kiln-lane-2026.csv',
			readFileSync(EXPORT),
			'each found in the record'
		);
		expect(said).toContain('24 units');
		expect(said).toContain('no line is refused');
		await person.press('Take it in');
		await person.sees(/1,0\d\d,\d{3} samples of kiln-lane-2026\.csv are in/);
		await person.press('See the results');
		await person.sees('One unit underperforms', 'h1');
		await person.sees(
			'K2 8 gives half of what its peers give since 12 March 2026',
			'[data-event=step]'
		);
		const flat = await person.sees(
			'stood flat at 290 W on 2 days (22 April, 7 May)',
			'[data-flat=clipping]'
		);
		expect(flat).toContain('Not a fault');
	});

	it('shows each unit’s days, in a picture', async () => {
		await person.find('.heat [data-drawn] canvas');
	});

	it('leads on to what it points at, and to a visit planned for it', async () => {
		await person.press('Look, and plan a visit');
		await person.sees('K2 8 gives half', 'h1');
		await person.sees('current is low', '[data-cause]');
		await person.press('Start the visit');
		await person.sees('Say who goes there');
		await person.fill('by', 'Tamsin Orrell');
		await person.press('Start the visit');
		await person.arrivesAt(/\/test-plan$/);
		await person.sees('Plan of the visit', 'h1');
		await person.goTo(SITE);
		await person.sees('K2 8 gives half of what its peers give since 12 March 2026 (monitoring)');
	});

	it('says what clipping costs, and makes no year of a part of one', async () => {
		await person.goTo(`${WATCH}/clipping`);
		await person.sees('Clipping at 290 W');
		await person.sees(/\d kWh, [\d.]+ to \d/, '[data-flat=clipping]');
		await person.sees('needs a year of data', '[data-pays]');
		await person.press('7 May 2026');
		await person.find('.course [data-drawn] canvas');
	});

	it('is gone through in time, line by line', async () => {
		await person.goTo(`${WATCH}/course`);
		const points = async () =>
			Number(await (await person.find('.course')).getAttribute('data-points'));
		await person.driver.wait(async () => (await points()) > 100, WAIT);
		const week = await points();
		await person.press('Day');
		await person.driver.wait(async () => (await points()) < week, WAIT, 'a day has as many points');
		await person.press('All');
		await person.driver.wait(async () => (await points()) > 700, WAIT, 'all has too few points');
		await person.tick('in % of the label');
		await person.tick('K2 8');
		await person.driver.wait(
			async () => (await (await person.find('.course')).getAttribute('data-lines')) === '3',
			WAIT
		);
	});

	it('is compared with the weather of a file, and a wrong file is refused in words', async () => {
		await person.goTo(`${WATCH}/expected`);
		await person.sees('Under a clear sky');
		await person.choosesFile('input[name=weather]', 'none.csv', 'a,b\n1,2\n');
		await person.sees('none.csv: The first column does not hold times');
		const hours = Array.from({ length: 8760 }, (_, h) => {
			const at = new Date(Date.UTC(2025, 0, 1) + h * 3_600_000);
			const sun = Math.sin(((at.getUTCHours() - 6) / 12) * Math.PI);
			const season = 0.55 - 0.4 * Math.cos(((h / 24 + 10) / 365) * 2 * Math.PI);
			return `${at.toISOString().slice(0, 16)},${Math.max(0, 800 * sun * season).toFixed(0)},12`;
		});
		await person.choosesFile(
			'input[name=weather]',
			'gull-rock.csv',
			`time,ghi,temp_air\n${hours.join('\n')}`
		);
		await person.sees('8760 hours', '[data-weather]');
		await person.sees('corrected for heat');
		const clear = await (await person.find('[data-ratio]')).getText();
		await person.fill('losses', '30');
		await person.driver.wait(
			async () => (await (await person.find('[data-ratio]')).getText()) !== clear,
			WAIT
		);
	});
});

describe('an orientation that nobody recorded', () => {
	it('is inferred from clear days, and recorded with one press', async () => {
		await person.goTo(`${SITE}/map`);
		await person.press('change');
		// The driver's clearing of a field is no input of a person.
		for (const angle of ['tilt', 'azimuth']) await person.fill(angle, ' ');
		await person.press('Store the field');
		await person.sees('tilt unknown, azimuth unknown');
		await person.goTo(WATCH);
		const said = await person.sees(/Tilt about \d+°, azimuth about \d+°/, '[data-plane]');
		const [tilt, azimuth] = said.match(/\d+(?=°)/g)!.map(Number);
		expect(Math.abs(tilt! - 32)).toBeLessThanOrEqual(6);
		expect(Math.abs(azimuth! - 140)).toBeLessThanOrEqual(10);
		await person.press(`Record ${tilt}° and ${azimuth}°`);
		// With it in the record nothing is left to be inferred.
		await person.driver.wait(
			async () => (await person.driver.findElements({ css: '[data-plane]' })).length === 0,
			WAIT
		);
		await person.goTo(`${SITE}/map`);
		await person.sees(`${tilt}° tilt, faces ${azimuth}°`);
	});
});

describe('benchmark days', () => {
	it('are announced on the site’s page and take a measurement', async () => {
		await person.goTo(`${WATCH}/benchmark`);
		await person.sees(/% of nameplate power a year/);
		await person.press('Save measurement');
		await person.sees('Enter who measured');
		await person.find('[data-year-on-year]');
		expect(await (await person.find('input[name=instrument]')).getAttribute('value')).toBe(
			'Reference cell 1'
		);
		await person.fill('watts', '6200');
		await person.fill('irradiance', '80O');
		await person.sees('is not a number');
		await person.fill('irradiance', '800');
		await person.fill('cellTemperature', '38');
		await person.fill('by', 'Tamsin Orrell');
		await person.press('Save measurement');
		await person.driver.wait(
			async () => (await person.driver.findElements({ css: 'tbody tr' })).length === 9,
			WAIT
		);
	});
	it('can be other days, and nonsense keeps what was typed', async () => {
		await person.goTo(`${WATCH}/settings`);
		await person.fill('days', '06-21, 13-01');
		await person.sees('Write each day as month and day');
		const today = new Date();
		const soon = new Date(today.getTime() + 3 * 86_400_000).toISOString().slice(5, 10);
		await person.fill('days', soon);
		await person.press('Store');
		await person.sees('Stored.');
		await person.goTo(SITE);
		await person.sees('Benchmark day in 3 days', '[data-benchmark]');
	});
});

describe('an export that is not as it seems', () => {
	it.each([
		['photo.csv', Buffer.from([0x89, 0x50, 0x4e, 0x47, 0, 0, 0, 13]), 'not a text file'],
		['empty.csv', '', 'The file is empty'],
		['notes.csv', 'a,b\nc,d\n', 'No line begins with a time']
	])('%s is refused in words', async (name, content, words) => {
		await chooses(name, content, words);
	});

	it('in kW that says W is doubted before it is stored', async () => {
		const said = await chooses(
			'kw.csv',
			'Time,K1 P (W)\n2026-06-01 12:00,2.1\n2026-06-01 12:15,2.2\n2026-06-01 12:30,2.3\n',
			'perhaps these are kW'
		);
		expect(said).toContain('1 unit, each found in the record');
		await person.choose('select[aria-label="Unit of measure of K1 P (W)"]', 'kW');
		await person.sees('2100 W');
	});

	it('with lines that cannot be read names each, and takes the rest in', async () => {
		await chooses(
			'gaps.csv',
			'Time,Unit,Energy (Wh)\n2026-12-01 12:00,K1,200\n2026-12-01 12:15,K1,-5\n2026-12-01 12:30,K1,x\n2026-12-01 12:45,K1,210\n2026-12-01 13:00,K1,190\n2026-12-01 13:15,K1,180\n2026-12-01 13:30,K1,170\n2026-12-01 13:45,K1,170\n2026-12-01 14:00,K1,150\n2026-12-01 14:15,K1,120\n',
			'2 lines refused'
		);
		await person.press('Take it in');
		await person.sees('8 samples of gaps.csv are in');
		await person.press('2 lines refused');
		await person.sees('Energy in the interval of -5');
	});

	it('with a unit under a new name is matched by hand to the part that it is', async () => {
		await chooses(
			'renamed.csv',
			'Time,MI-08b P (W)\n2026-11-21 12:00,101\n2026-11-21 12:15,102\n2026-11-21 12:30,103\n',
			'0 found in the record'
		);
		await person.press('Take it in');
		await person.sees('3 samples of renamed.csv are in');
		await person.sees('1 of 26 are matched to nothing yet');
		await person.choose('select[aria-label="MI-08b in the record"]', 'K1 8');
		await person.sees('Each unit is a part of the record');
	});
});
