import { afterEach, beforeEach, describe, expect, it } from 'vitest';
import { cairnRiggPile } from '../../../../demo/pile';
import { testId } from '../../../../tests/support/scenario';
import { openDatabase, type Db } from '../database/open';
import { createPile, findPile, listPiles, savePile } from './piles';

const ID = testId(1);
const pile = cairnRiggPile();
const at = (minute: number) => `2026-06-01T10:0${minute}:00Z`;

let db: Db;
beforeEach(async () => {
	db = await openDatabase(':memory:');
	await createPile(db, ID, pile, at(0));
});
afterEach(() => db.destroy());

describe('piles', () => {
	it('come back as they were stored, the last changed first in the list', async () => {
		expect(await findPile(db, ID)).toEqual({ id: ID, version: 1, pile });
		await createPile(db, testId(2), { ...pile, name: 'Other', modules: [] }, at(1));
		expect(await listPiles(db)).toMatchObject([
			{ name: 'Other', modules: 0 },
			{ name: pile.name, modules: 18 }
		]);
		expect(await findPile(db, testId(3))).toBeNull();
	});

	it('keep what is there when they are made again', async () => {
		await createPile(db, ID, { ...pile, name: 'Again' }, at(2));
		expect((await findPile(db, ID))!.pile.name).toBe(pile.name);
	});

	it('take a change of the version it was made from alone', async () => {
		expect(await savePile(db, ID, 1, { ...pile, name: 'One' }, at(3))).toBe(2);
		expect(await savePile(db, ID, 1, { ...pile, name: 'Two' }, at(4))).toBeNull();
		expect((await findPile(db, ID))!).toMatchObject({ version: 2, pile: { name: 'One' } });
		expect(await savePile(db, testId(9), 1, pile, at(5))).toBeNull();
	});
});
