import { afterEach, beforeEach, describe, expect, it } from 'vitest';
import { cairnRiggBatch } from '../../../../demo/module-batch';
import { testId } from '../../../../tests/support/scenario';
import { openDatabase, type Db } from '../database/open';
import { createBatch, findBatch, listBatches, saveBatch } from './batches';

const ID = testId(1);
const batch = cairnRiggBatch();
const at = (minute: number) => `2026-06-01T10:0${minute}:00Z`;

let db: Db;
beforeEach(async () => {
	db = await openDatabase(':memory:');
	await createBatch(db, ID, batch, at(0));
});
afterEach(() => db.destroy());

describe('batches', () => {
	it('come back as they were stored, the last changed first in the list', async () => {
		expect(await findBatch(db, ID)).toEqual({ id: ID, version: 1, batch });
		await createBatch(db, testId(2), { ...batch, name: 'Other', modules: [] }, at(1));
		expect(await listBatches(db)).toMatchObject([
			{ name: 'Other', modules: 0 },
			{ name: batch.name, modules: 18 }
		]);
		expect(await findBatch(db, testId(3))).toBeNull();
	});

	it('keep what is there when they are made again', async () => {
		await createBatch(db, ID, { ...batch, name: 'Again' }, at(2));
		expect((await findBatch(db, ID))!.batch.name).toBe(batch.name);
	});

	it('take a change of the version it was made from alone', async () => {
		expect(await saveBatch(db, ID, 1, { ...batch, name: 'One' }, at(3))).toBe(2);
		expect(await saveBatch(db, ID, 1, { ...batch, name: 'Two' }, at(4))).toBeNull();
		expect((await findBatch(db, ID))!).toMatchObject({ version: 2, batch: { name: 'One' } });
		expect(await saveBatch(db, testId(9), 1, batch, at(5))).toBeNull();
	});
});
