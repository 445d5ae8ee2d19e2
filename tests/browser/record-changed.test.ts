import { v7 as uuid } from 'uuid';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { Person } from './person';

/* The array record changes while a visit is open: it is said, shown and carried over on request. */

const VISIT = '019a8000-0000-7000-8000-000000000004';
const SITE = '019a8000-0000-7000-8000-000000000002';

let person: Person;
beforeAll(async () => {
	person = await Person.atTheDemo();
});
afterAll(() => person?.leaves());

interface VisitFile {
	readonly revision: { readonly id: string; readonly number: number };
	readonly record: {
		readonly strings: readonly { readonly id: string; readonly label: string }[];
	};
}
const file = async () =>
	(await (await fetch(`${person.server.address}/visits/${VISIT}/visit.json`)).json()) as VisitFile;

/** What the record page sends when somebody counts eleven modules in A4. */
async function countsEleven(): Promise<void> {
	const { revision, record } = await file();
	const a4 = record.strings.find(({ label }) => label === 'A4')!;
	const value = { ...a4, moduleCount: 11, spans: [] };
	const answer = await fetch(`${person.server.address}/sites/${SITE}/changes`, {
		method: 'POST',
		headers: { 'content-type': 'application/json', origin: person.server.address },
		body: JSON.stringify({
			id: uuid(),
			base: revision.id,
			change: [{ op: 'put', list: 'strings', value }]
		})
	});
	expect(answer.status).toBe(201);
}

describe('a visit whose array record changes', () => {
	it('says so, shows what is judged differently, and is carried over when asked', async () => {
		await person.goTo(`/visits/${VISIT}/comparison`);
		const before = await file();
		await countsEleven();
		expect((await file()).revision).toEqual(before.revision);
		await person.goTo(`/visits/${VISIT}/comparison`);
		await person.sees('The array record has changed', '[data-record-changed]');
		await person.press('Show changes');
		await person.sees(/A4.*\n.*Judged differently[\s\S]*A4/, '[data-record-changed]');
		await person.press('Carry this visit over');
		await person.driver.wait(
			async () => (await person.driver.findElements({ css: '[data-record-changed]' })).length === 0,
			120_000
		);
		expect((await file()).revision.number).toBe(before.revision.number + 1);
	});

	it('is not carried over to a record that changed once more, nor without being looked at', async () => {
		const send = (revision: string) =>
			fetch(`${person.server.address}/visits/${VISIT}/record`, {
				method: 'POST',
				headers: { 'content-type': 'application/json', origin: person.server.address },
				body: JSON.stringify({ revision })
			});
		expect((await send(uuid())).status).toBe(409);
	});
});
