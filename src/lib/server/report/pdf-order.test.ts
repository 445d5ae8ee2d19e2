import { PassThrough } from 'node:stream';
import { expect, it } from 'vitest';
import type { Report } from '$lib/report/block';
import { orderFrom, sendOrder } from './pdf-order';

const report: Report = {
	title: 'Dépôt № 4',
	subtitle: '',
	facts: [],
	blocks: [],
	signatures: [],
	footer: ''
};

it('an order arrives as it was sent, whatever pieces it is cut into', async () => {
	const pictures = [
		['a', new Uint8Array([0, 0, 0, 1, 255])],
		['b', new Uint8Array(70_000).fill(7)]
	] as const;
	async function* photographs() {
		yield* pictures;
	}
	const line = new PassThrough({ highWaterMark: 11 });
	const order = { report, page: 'A4', at: '2026-11-24T09:00:00Z' } as const;
	const [, arrived] = await Promise.all([
		sendOrder(order, photographs(), line),
		orderFrom(line as AsyncIterable<Uint8Array>)
	]);
	expect(arrived).toMatchObject(order);
	expect([...arrived.pictures].map(([id, bytes]) => [id, [...bytes]])).toEqual(
		pictures.map(([id, bytes]) => [id, [...bytes]])
	);
});
