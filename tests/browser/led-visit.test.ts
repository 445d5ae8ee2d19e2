import { Key, type WebDriver } from 'selenium-webdriver';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { meterCard } from '../../demo/saltmarsh';
import { ui } from '../../src/lib/messages/interface-messages';
import { speak } from '../../src/lib/messages/text';
import type { Server } from './own-server';
import { Person } from './person';
import { untilPage } from './waiting';

/* A visit led from plan to comparison and back on: at the terminal with its string fuses, and at the hall with rapid shutdown. */

/** As the interface of a site under IEC says it. */
const said = speak('en-GB');
const STAYS_LIVE = said(ui('live-view.title'));

const siteId = (n: number) => `019a800${n}-0000-7000-8000-000000000002`;
const revisionId = (n: number) => `019a800${n}-0000-7000-8000-000000000003`;

let server: Server;
let driver: WebDriver;
let person: Person;
beforeAll(async () => {
	person = await Person.atTheDemo();
	({ driver, server } = person);
	// Waits that a test can stand: an inverter without capacitors, and the edition of ten seconds.
	await changed(0, (record) => ({
		op: 'put',
		list: 'parts',
		value: {
			...record.parts.find(({ kind }) => kind === 'inverter')!,
			specs: { ...record.parts.find(({ kind }) => kind === 'inverter')!.specs, capacitorMinutes: 0 }
		}
	}));
	await changed(1, (record) => ({
		op: 'put',
		list: 'parts',
		value: {
			...record.parts.find(({ kind }) => kind === 'inverter')!,
			specs: { ...record.parts.find(({ kind }) => kind === 'inverter')!.specs, capacitorMinutes: 0 }
		}
	}));
	await changed(1, (record) => ({
		op: 'set',
		fact: 'rules',
		value: { ...record.rules, edition: 2014 }
	}));
});
afterAll(() => person?.leaves());

interface Recorded {
	readonly rules: object;
	readonly parts: { readonly kind: string; readonly specs: object }[];
}
const bases = [revisionId(0), revisionId(1)];

/** Changes a site's record as another program would. */
async function changed(n: number, step: (record: Recorded) => object): Promise<void> {
	const visit = await fetch(
		`${server.address}/visits/019a800${n}-0000-7000-8000-000000000004/visit.json`
	);
	const { record } = (await visit.json()) as { record: Recorded };
	const answer = await fetch(`${server.address}/sites/${siteId(n)}/changes`, {
		method: 'POST',
		headers: { 'content-type': 'application/json', origin: server.address },
		body: JSON.stringify({ id: crypto.randomUUID(), base: bases[n], change: [step(record)] })
	});
	if (!answer.ok) throw new Error(await answer.text());
	bases[n] = ((await answer.json()) as { id: string }).id;
}

/** Starts a visit and ends on its plan. */
async function startsAt(n: number, purpose: string): Promise<string> {
	await person.goTo(`/sites/${siteId(n)}`);
	await person.fill('by', 'Wren Halloway');
	await person.choose('select[name=purpose]', purpose);
	await person.press('Start a visit');
	await person.arrivesAt(/\/test-plan$/);
	await person.sees('Plan of the visit', 'h1');
	return new URL(await driver.getCurrentUrl()).pathname.split('/')[2]!;
}

interface Step {
	readonly key: string;
	readonly text: string;
	readonly field: boolean;
	readonly state: string;
}
/** The step that is open, as the page shows it; null where none is. */
const OPEN_STEP = `() => {
	const at = document.querySelector('[data-state=next], [data-state=not-proved], [data-state=waiting], [data-state=blocked]');
	return at && {
		key: at.dataset.step, text: at.innerText, state: at.dataset.state,
		field: at.querySelector('input[name=proof]') !== null
	};
}`;
const openStep = () => driver.executeScript<Step | null>(`return (${OPEN_STEP})()`);

/** A figure within the limit that the open step names. */
function proving(text: string): string {
	const [, least] = /at least ([\d.]+)/.exec(text) ?? [];
	return least ? String(Math.ceil(Number(least) * 1.5)) : '0';
}

/** Takes the open step, or waits until its time has passed; resolves with its key once it is settled. */
async function takesStep(figure?: string): Promise<string> {
	const step = await openStep();
	if (!step) throw new Error('no step is open');
	if (step.state === 'waiting') {
		await untilPage(driver, `() => (${OPEN_STEP})()?.state !== 'waiting'`, [], step.text);
		return takesStep(figure);
	}
	const at = `[data-step="${step.key}"]`;
	if (step.field) await person.fill('proof', figure ?? proving(step.text), at);
	await person.click(`${at} button.act`);
	// A figure that proves nothing stays, with its words.
	await untilPage(
		driver,
		`(key, state) => {
			const now = (${OPEN_STEP})();
			return now?.key !== key || now.state !== state;
		}`,
		[step.key, step.state],
		`${step.key} stays as it was`
	);
	return step.key;
}

/** Takes steps until one is open whose key says so, or none is. */
async function takesStepsTo(key: RegExp): Promise<void> {
	for (let n = 0; n < 120; n++) {
		const step = await openStep();
		if (!step || key.test(step.key)) return;
		await takesStep();
	}
	throw new Error(`the way to ${key} has no end`);
}

describe('the terminal with its string fuses', () => {
	let visit: string;

	it('has a plan in blocks, and an inverter’s text leads to its first test and caution', async () => {
		visit = await startsAt(0, 'A fault is reported');
		const plan = await person.sees('Measure live, cover open');
		expect(plan.indexOf('Inspect and clamp')).toBeLessThan(plan.indexOf('Measure live'));
		await person.click('#says');
		await person.types('GFDI fuse blown', Key.TAB);
		await person.sees('Do not replace the fuse before the earth fault is found');
		await person.sees('Positive-to-earth voltage: A1 to A4');
		await person.click('#says');
		await person.retypes(Key.DELETE, Key.TAB);
		await person.sees(/^(?!.*Positive-to-earth)/s);
	});

	it('refuses test equipment below its cold volts, and leads step by step to the fuses', async () => {
		await person.goTo(`/visits/${visit}/isolation?task=open-live`);
		await takesStepsTo(/kit-volts/);
		await takesStep('300');
		await person.sees('536 V', '[data-state=not-proved]');
		await takesStep('1000');
		await takesStepsTo(/^down\//);
		await person.sees('live in daylight, whatever is switched', `[aria-label="${STAYS_LIVE}"]`);
		await takesStepsTo(/clamp-before/);
		await takesStep('0.7');
		await person.sees('is circulating', '[data-state=not-proved]');
		await takesStep('0.1');
		await takesStepsTo(/dead-plus-minus/);
		await person.find(`[aria-label="${STAYS_LIVE}"] [data-live=charged]`);
		await takesStep('310');
		await person.sees('Not dead', '[data-state=not-proved]');
		await takesStep('0.4');
		await takesStepsTo(/^up\//);
		await person.find(`[aria-label="${STAYS_LIVE}"] [data-live=proved]`);
		await person.sees(said(ui('isolation-page.complete')));
	});

	it('blocks going back on while a string is unread, reversed or out of band', async () => {
		await person.press(said(ui('isolation-steps.show-return-to-service')));
		await person.sees('A1: measure polarity', '[data-state=blocked]');
	});

	it('is measured: in the order of the plan, and by the combiner check', async () => {
		await person.goTo(`/visits/${visit}/test-conditions`);
		await person.fill('irradiance', '838');
		await person.fill('cellTemperature', '41');
		await person.press('Save and measure');
		await person.arrivesAt(/\/measurements$/);
		const card = meterCard();
		for (const { mark, openCircuit } of card) {
			await person.isAt(mark, 'open-circuit-voltage');
			await person.types(String(openCircuit), Key.ENTER);
		}
		await person.goTo(`/visits/${visit}/combiner`);
		await person.sees('Close nothing:');
		await person.sees('about one substring short', '[data-string=A2]');
		await person.click('[data-string=A1] .cells button:nth-child(2)');
		await person.sees('A1, fuse +', '.entry h1');
		await person.types('0.02', Key.ENTER);
		await person.sees('A1', '.entry h1[data-quantity=residual-current]');
		await person.types('0.6', Key.ENTER);
		await person.sees('Zero the clamp', '.entry');
		await person.sees('A2', '.entry h1[data-quantity=open-circuit-voltage]');
	});

	it('keeps its lights where a string is off, and is compared with the plain rule beside', async () => {
		await person.goTo(`/visits/${visit}/comparison`);
		const text = await person.sees('The 5 % rule would pass it');
		// The missing module comes before the lost section.
		expect(text.indexOf('A4')).toBeLessThan(text.indexOf('A2'));
		await person.sees('Carried to 1000 W/m² and 25 °C');
		await person.sees('circulates');
	});

	it('goes back on only when every string stands in its band', async () => {
		await person.goTo(`/visits/${visit}/measurements?quantity=open-circuit-voltage`);
		for (const mark of ['A2', 'A4']) {
			await person.click(`[data-string=${mark}] .place`);
			await person.isAt(mark, 'open-circuit-voltage');
			await person.types('459.9', Key.ENTER);
			await person.sees('459.9', `[data-string=${mark}]`);
		}
		await person.goTo(`/visits/${visit}/isolation?task=open-live`);
		await person.press(said(ui('isolation-steps.show-return-to-service')));
		await takesStepsTo(/up\/display/);
		await person.sees('An inverter checks the grid before it starts');
		// Going back on ends what was proved: behind the cover is closed to readings again.
		await person.goTo(`/visits/${visit}/measurements?quantity=open-circuit-voltage`);
		await person.find('.entry .gate');
	});
});

describe('the hall with rapid shutdown', () => {
	it('shuts down, waits for the edition’s time, measures, and is proved dead', async () => {
		const visit = await startsAt(1, 'Taking over');
		await person.goTo(`/visits/${visit}/isolation?task=dead`);
		await takesStepsTo(/down\/initiator/);
		await takesStep();
		await person.sees('Time allowed for the devices to shut down', '[data-state=waiting]');
		await person.sees('leads live behind them', `[aria-label="${STAYS_LIVE}"]`);
		await untilPage(driver, `() => (${OPEN_STEP})()?.state === 'next'`, [], 'it never ends');
		await takesStep('64');
		await person.sees('A device has not shut down', '[data-state=not-proved]');
		await takesStep('6.6');
		await takesStepsTo(/^up\//);
		await person.sees(said(ui('isolation-page.complete')));
	});

	it('with its transmitter’s supply dead shows a ladder whose dark rung is where to look', async () => {
		const visit = await startsAt(1, 'A fault is reported');
		await person.click('#says');
		await person.types('Rapid shutdown active', Key.TAB);
		await person.sees('Indicator:');
		await person.goTo(`/visits/${visit}/measurements?quantity=ac-voltage`);
		await person.answersForOwnProcedure();
		for (const rung of ['supply breaker', 'its AC disconnect']) {
			await person.sees(rung, '.entry h1');
			await person.click('input[name=reading]');
			await person.types('238', Key.ENTER);
		}
		await person.goTo(`/visits/${visit}/measurements?quantity=dc-voltage`);
		await person.click('[data-spot*="low-voltage"]');
		await person.sees('low-voltage supply', '.entry h1');
		await person.click('input[name=reading]');
		await person.types('0.1', Key.ENTER);
		await person.sees('supply is down', '[data-spot*="low-voltage"]');
		await person.hasStored('0.10 V');
		await person.goTo(`/visits/${visit}/comparison`);
		await person.sees('Look at “low-voltage supply”');
	});

	it('reads volts in the state that is said: devices off are so many times their volts', async () => {
		const visit = await startsAt(1, 'Routine');
		await person.goTo(`/visits/${visit}/test-conditions`);
		await person.fill('irradiance', '700');
		await person.fill('cellTemperature', '35');
		await person.press('Save and measure');
		await person.arrivesAt(/\/measurements$/);
		await person.answersForOwnProcedure();
		await person.click('.entry details summary');
		await person.choose('select[name=state-transmitter]', 'off');
		await person.find('.entry summary strong');
		await person.click('input[name=reading]');
		await person.types('6.6', Key.ENTER);
		await person.sees('Pass', '[data-string=S1]');
		await person.sees('6.6 V', '[data-string=S1]');
	});
});

describe('the two smaller places', () => {
	it.each([
		[2, 'Operating current: P1 to P3', 'open-circuit-voltage', 'Switch Q1 ON', 'Switch loads OFF'],
		[3, 'Unit AC power:', 'unit-power', 'Switch Q1 ON', 'the unit’s AC connector']
	])(
		'site %d goes from plan over measuring and comparison to back on',
		async (n, planned, first, on, off) => {
			const visit = await startsAt(n, 'Routine');
			await person.sees(planned);
			await person.goTo(`/visits/${visit}/isolation?task=dead`);
			await person.sees(off);
			await person.goTo(`/visits/${visit}/measurements`);
			await person.find(`.entry h1[data-quantity=${first}]`);
			await person.answersForOwnProcedure();
			await person.hasFocus('reading');
			await person.types('231', Key.ENTER);
			await person.press(n === 3 ? 'Comparison' : 'Undo');
			if (n === 3) {
				await person.arrivesAt(/\/comparison$/);
				await person.sees('three others are the least to compare it with');
			}
			await person.goTo(`/visits/${visit}/isolation?task=dead`);
			await person.press(said(ui('isolation-steps.show-return-to-service')));
			await person.sees(on);
		}
	);
});
