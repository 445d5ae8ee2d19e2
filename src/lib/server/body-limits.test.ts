import { describe, expect, it } from 'vitest';
import { LARGEST_ARCHIVE } from '$core/document';
import { findRoutes } from '../../../tests/fuzz/routes';
import { bodyError, drain, sizeWords } from './body-limits';

const headers = (given: Record<string, string>) => new Headers(given);
const announced = (bytes: number) => headers({ 'content-length': String(bytes) });

describe('the length of a body', () => {
	it('is limited by the route', () => {
		expect(bodyError('/visits/[visit]/readings', announced(65_536))).toBeNull();
		expect(bodyError('/visits/[visit]/readings', announced(65_537))).toEqual({
			status: 413,
			announced: 65_537,
			most: 65_536
		});
		expect(bodyError('/sites/[site]/changes', announced(15_000_000))).toBeNull();
		expect(bodyError('/', announced(LARGEST_ARCHIVE))).toBeNull();
		expect(bodyError(null, announced(70_000))).toMatchObject({ status: 413 });
	});

	it('must be announced', () => {
		expect(bodyError('/', headers({ 'transfer-encoding': 'chunked' }))).toEqual({ status: 411 });
		expect(bodyError('/', headers({}))).toBeNull();
	});

	it('has limits for routes that there are', () => {
		const paths = findRoutes().map(({ path }) => path);
		for (const path of ['/', '/sites/new', '/library/entries', '/visits/[visit]/photographs']) {
			expect(paths).toContain(path);
		}
	});
});

it('a body is read to its end and forgotten', async () => {
	let pulled = 0;
	const body = new ReadableStream<Uint8Array>({
		pull(controller) {
			if (pulled++ < 5) controller.enqueue(new Uint8Array(1000));
			else controller.close();
		}
	});
	await drain(body);
	expect(pulled).toBe(6);
	await drain(null);
});

it('sizes are told in the unit that a person reads', () => {
	expect([sizeWords(65_536), sizeWords(16 * 1024 * 1024)]).toEqual(['64 kB', '16 MB']);
});
