import { Key } from 'selenium-webdriver';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { Person } from './person';
import { untilPage, WAIT } from './waiting';

const BATCH = '/bench/batches/019a8002-0000-7000-8000-000000007fff';

let person: Person;
beforeAll(async () => {
	person = await Person.atTheDemo();
});
afterAll(() => person?.leaves());

const stored = (test: string) =>
	person.driver.wait(
		async () => {
			const page = await (
				await fetch(person.server.address + BATCH, { headers: { accept: 'text/html' } })
			).text();
			return page.includes(test);
		},
		WAIT,
		`${test} was not stored`
	);
const power = async () =>
	Number((await (await person.find('[data-watts]')).getText()).replace(/[^0-9]/g, ''));

describe('Cairn Rigg’s batch', () => {
	it('is tested one after the other, by Enter alone', async () => {
		await person.goTo(BATCH);
		await person.sees('Module 19, new');
		await person.click('input[name=volts]');
		await person.types('33.1', Key.ENTER);
		await person.hasFocus('amps');
		await person.types('6.02', Key.ENTER);
		await person.sees('Module 20, new');
		await person.sees('Harrowgill', '[data-module="19"]');
		await stored('33.1');
	});

	it('keeps a take that the server did not answer, on the page and by leaving it', async () => {
		await person.driver.executeScript(
			'window.realFetch = fetch; window.fetch = (url, request) => request?.method === "PUT" ? Promise.reject(new TypeError("gone")) : realFetch(url, request)'
		);
		await person.click('input[name=volts]');
		await person.types('33.3', Key.ENTER, '6.11', Key.ENTER);
		await person.sees('Not stored yet');
		await person.press('Bench');
		await person.sees('Module 21, new');
		await person.driver.executeScript('window.fetch = realFetch');
		await person.press('Store again');
		await stored('33.3');
		await person.press('Bench');
		await person.arrivesAt(/\/bench$/);
		await person.goTo(BATCH);
		await person.sees('Harrowgill', '[data-module="20"]');
	});

	it('keeps a figure that cannot be, with what to mend', async () => {
		await person.click('input[name=volts]');
		await person.types('33.l', Key.ENTER, '5', Key.ENTER);
		await person.sees('33.l', '.entry .error');
		expect(await (await person.find('input[name=volts]')).getAttribute('value')).toBe('33.l');
		await person.retypes();
	});

	it('says what is odd about each, and opens to how it knows', async () => {
		await person.goTo(BATCH);
		await person.sees('A third of the voltage lost', '[data-module="5"]');
		await person.sees('Polarity reversed', '[data-module="15"]');
		await person.sees('out', '[data-module="8"]');
		await person.click('[data-module="17"] button');
		await person.sees('An estimate, no label', 'section[aria-label="Module 17"]');
		await person.press('Close');
		await person.click('[data-module="8"] button');
		await person.sees(
			'by the reference module measured in between',
			'section[aria-label="Module 8"]'
		);
		await person.sees('still kill', 'section[aria-label="Module 8"]');
	});

	it('measures the control in between', async () => {
		await person.goTo(BATCH);
		await person.press('Reference module');
		await person.sees('Reference module, again');
		await person.click('input[name=volts]');
		await person.types('38.2', Key.ENTER, '8.9', Key.ENTER);
		await stored('8.9');
	});

	it('asks for a point on a load, and then knows the fill factor', async () => {
		await person.goTo(BATCH);
		await person.sees('at most', '[data-module="1"]');
		await person.fill('mark', '40');
		await person.fill('volts', '34.6');
		await person.fill('amps', '6.4');
		await person.press('Point on a load');
		await person.fill('loadVolts', '26.5');
		await person.press('Save measurement');
		await person.sees('needs its voltage and its current');
		await person.fill('loadAmps', '5.4');
		await person.press('Save measurement');
		await stored('26.5');
		await person.click('[data-module="40"] button');
		await person.sees(/Fill factor.*\d\d %/s);
		await person.press('Close');
	});

	it('grades by fixed limits that are edited, and refuses those that do not fall', async () => {
		await person.press('Judged by');
		await person.choose('select[name=by]', 'fixed limits');
		await person.click('[data-module="4"] button');
		await person.sees('71 % of its nameplate; good from 85 %');
		await person.fill('limit-fair', '90');
		await person.types(Key.TAB);
		await person.sees('must fall from good over fair');
		await person.fill('limit-fair', '75');
		await person.types(Key.TAB);
		await person.sees('fair from 75 %');
		await person.sees('weak', '[data-module="4"]');
	});

	it('takes a list of tests as CSV, with units mixed, and names every line it refuses', async () => {
		await person.goTo(BATCH);
		await person.choosesFile(
			'input[type=file]',
			'tests.csv',
			'Module,Label power,Volts,Amps,Watts\n30,225 W,36000 mV,6500 mA,\n30,,36.1,6.52,\n31,225,36.2,95 W,\n32,250,,,\n33,225,12x,3,\n'
		);
		await person.sees('is not in amps');
		await person.sees('12x');
		await person.press('Take over');
		await person.sees('taken over from tests.csv');
		await person.sees('30', '[data-module="30"]');
	});

	it('is grouped into strings, compared with what stands, and looked at as a mix', async () => {
		await person.goTo(`${BATCH}/group`);
		await person.press('Find the grouping');
		await person.sees('of what its modules give one by one');
		const best = await power();
		expect(best).toBeGreaterThan(2000);
		const present = await person.find('textarea[name=present]');
		await present.sendKeys('1 2 4 | 3 18 5 | 10 11 99');
		await person.sees('no module 99');
		await present.clear();
		await present.sendKeys('1 2 4 | 3 18 5 | 10 11 12');
		await person.sees('Regrouped');
		await person.press('Look at it as a mix');
		await person.arrivesAt(/\/configuration\?of=/);
		// The same strings by the same circuit.
		const url = decodeURIComponent(await person.driver.getCurrentUrl());
		expect([url, Math.abs((await power()) / best - 1) < 0.01]).toEqual([url, true]);
	});

	it('has no layout where the window cannot be kept, and says so', async () => {
		await person.goTo(`${BATCH}/group`);
		await person.choose('select[name=layout]', 'strings by modules');
		await person.fill('strings', '30');
		await person.press('Find the grouping');
		await person.sees('60 modules are wanted');
		await person.fill('strings', '2');
		await person.fill('windowHigh', '20');
		await person.press('Find the grouping');
		await person.sees('must end above where it begins');
	});
});

describe('a mix', () => {
	it('redraws as it is typed, shaded and added to', async () => {
		await person.goTo(`${BATCH}/configuration?of=1%2B2%2B3`);
		const whole = await power();
		await person.click('.circuit button');
		await person.driver.executeScript(
			`const slider = document.querySelector('input[name=light]');
			slider.value = '20';
			slider.dispatchEvent(new Event('input', { bubbles: true }));
			slider.dispatchEvent(new Event('change', { bubbles: true }));`
		);
		await person.sees('20 % sun', '.circuit');
		await person.sees('bypassed', '.circuit');
		expect(await power()).toBeLessThan(0.72 * whole);
		await person.arrivesAt(/40|@20/);
		await person.fill('of', '1+2+3 | 6+(');
		await person.types(Key.TAB);
		await person.sees('missing at the end');
		await person.fill('of', '1+2+3 | 6+7+9');
		await person.types(Key.TAB);
		await person.fill('fuse', '8x');
		await person.sees('is not a number');
		await person.fill('fuse', '8');
		await person.sees('it never opens');
		await person.choose('select[name=adding]', '8,');
		await person.sees(/Best |Leave it on the ground/);
	});
});

describe('questions of their own', () => {
	it('tell two in series on a battery under shade', async () => {
		await person.goTo('/bench/battery');
		await person.sees('shading one does not look like a bypass', '[data-shade]');
		await person.sees('the controller stays at the shaded current', '[data-shade]');
		await person.fill('series', '10');
		await person.sees('the bypass works', '[data-shade]');
		await person.fill('vmp', '0');
		await person.sees('out of range');
		await person.sees('Fill in the figures');
	});

	it('wire the regrouped strings, and keep the question in the address', async () => {
		await person.goTo('/bench/wire?strings=5&seriesFuse=15&isc=8.75&fuse=12');
		await person.sees('35.0 A', '[data-fuse]');
		await person.choose('select[name=profile]', 'US');
		await person.sees('43.8 A', '[data-fuse]');
		await person.fill('strings', '1');
		await person.types(Key.TAB);
		await person.sees('Not required', '[data-fuse]');
		await person.arrivesAt(/strings=1&/);
	});

	it('size a cable by what was typed: current, strings, size and factor', async () => {
		await person.goTo('/bench/wire?amps=43.5&strings=4&isc=11.3&size=2.5&fuse=');
		// 1.25 x 4 x 11.3 A, and 2.5 mm² free in air carries 41 A.
		await person.sees('56.5 A', '[data-required]');
		await person.sees('Fail', '[data-verdict=fail]');
		await person.fill('size', '10 AWG');
		await person.choose('select[name=profile]', 'US');
		await person.sees('Found, 10 AWG');
		await person.fill('size', '6');
		await person.choose('select[name=profile]', 'IEC');
		await person.sees('Pass', '[data-verdict=pass]');
	});

	it('price a used watt against a new one', async () => {
		await person.goTo('/bench/worth');
		await person.sees('Cheaper than new', '[data-worth]');
		await person.fill('price', '90');
		await person.sees('Dearer than new', '[data-worth]');
	});

	it('begin a batch of one’s own', async () => {
		await person.goTo('/bench');
		await person.fill('name', 'Ferry yard');
		await person.press('Begin');
		await person.sees('Nothing measured yet');
		await person.sees('Module 1, new');
	});

	it('shows what is a default, and keeps what replaces it', async () => {
		const uncertainty = '.field:has([name=irradianceUncertainty])';
		await person.sees('Default', uncertainty);
		await person.fill('irradiance', '800');
		await person.types(Key.TAB);
		await person.sees('44 °C', '.field:has([name=cellTemperature])');
		await person.fill('irradianceUncertainty', '12');
		await person.types(Key.TAB);
		await untilPage(
			person.driver,
			`(css) => !document.querySelector(css).textContent.includes('Default')`,
			[uncertainty],
			'it is a default still'
		);
	});
});
