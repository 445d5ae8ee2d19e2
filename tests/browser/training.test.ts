import { By, Key } from 'selenium-webdriver';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { drawExercise, measurementPointOf } from '$core/training/exercise';
import { type FaultCode, FAULTS } from '$core/visit';
import { Person } from './person';

let person: Person;
beforeAll(async () => {
	person = await Person.atTheDemo();
});
afterAll(() => person?.leaves());

const exercise = drawExercise(2, 'one-string');
const { record, truth } = exercise.scenario;
const [hidden] = truth.faults;
const readings = 2 * record.strings.length;

describe('a trainee', () => {
	it('begins at the page of practice', async () => {
		await person.goTo('/');
		await person.press('Training');
		await person.sees('Training', 'h1');
		await person.fill('number', 'two');
		await person.press('Begin');
		await person.sees('A whole number from 1 to 999999.');
		await person.fill('number', '2');
		await person.press('Begin');
		await person.arrivesAt(/\/training\/one-string\/2$/);
		await person.sees('One string 2', 'h1');
	});

	it('reads every string, place by place or in one round, and sees it judged', async () => {
		await person.press('Read volts and amps of every string');
		await person.sees(`${readings} readings`, '.clock');
		await person.sees(/Pass/, '.paths');
		await person.choose('select[name=at]', hidden!.strings[0]!);
		await person.choose('select[name=what]', 'Fuse resistance');
		await person.sees('At a real array', '.caution');
		await person.press('Read, 2.5 min');
		await person.sees(`${readings + 1} readings`, '.clock');
		await person.sees(`${hidden!.strings[0]!}, fuse +`, '[aria-label="Read so far"]');
	});

	it('is told what would tell most, for a hint', async () => {
		await person.press('What would Zembo read next');
		await person.sees(/\S/, '.notice[role=status]');
	});

	it('says what it is, and sees what was hidden', async () => {
		await person.choose('select[name=cause]', FAULTS[hidden!.code as FaultCode].words);
		await person.choose('select[name=string]', hidden!.strings[0]!);
		await person.press('Say so, stop the clock');
		const said = await person.sees('What was hidden', '[aria-label="How it was"]');
		expect(said).toContain('Found');
		expect(said).toContain('The cause: right');
		expect(said).toContain('The string: right');
		expect(said.includes('The place in it')).toBe(measurementPointOf(hidden!, record) !== null);
		await person.press('What Zembo would have taken');
		await person.sees(/what Zembo proposes takes \d+ readings?/, '[aria-label="How it was"]');
	});

	it('goes on to the next, and finds what was done on the page of practice', async () => {
		await person.press('Next exercise');
		await person.arrivesAt(/\/training\/one-string\/3$/);
		await person.sees('0 readings', '.clock');
		await person.goTo('/training');
		await person.sees('1 of 1 right', '[aria-label=Done]');
		expect(await (await person.find('input[name=number]')).getAttribute('value')).toBe('3');
	});

	it('does all of it by keyboard', async () => {
		await person.goTo('/training/one-string/2');
		const { driver } = person;
		const focused = () =>
			driver.executeScript<string>(
				'const at = document.activeElement; return (at.getAttribute("aria-label") ?? at.name ?? "") + "|" + at.innerText'
			);
		/** On with Tab until what has the focus says so. */
		const tabsTo = async (words: RegExp) => {
			for (let n = 0; n < 60; n++) {
				await driver.actions().sendKeys(Key.TAB).perform();
				if (words.test(await focused())) return;
			}
			throw new Error(`no Tab leads to ${words.source}`);
		};
		await tabsTo(/Read volts and amps/);
		await person.types(Key.ENTER);
		await person.sees(`${readings} readings`, '.clock');
		await tabsTo(/^cause/);
		await person.types(FAULTS[hidden!.code as FaultCode].words);
		await tabsTo(/^string/);
		await person.types(hidden!.strings[0]!);
		await tabsTo(/Say so/);
		await person.types(Key.ENTER);
		await person.sees('Found', '[aria-label="How it was"] h2');
		expect(await focused()).toContain('How it was');
		await tabsTo(/Next exercise/);
	});

	it('is told of an exercise that does not exist', async () => {
		await person.goTo('/training/one-string/none');
		await person.sees('There is no such exercise.');
		expect(await person.driver.findElements(By.css('.exercise'))).toEqual([]);
	});
});
