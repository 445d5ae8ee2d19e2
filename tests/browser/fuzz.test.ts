import { afterAll, beforeAll, expect, it } from 'vitest';
import { fuzz } from '../fuzz/fuzz';
import { startServer, type Server } from './own-server';

let server: Server;
beforeAll(async () => {
	server = await startServer({ demo: true });
});
afterAll(() => server?.remove());

it('answers random and mutated requests to every route without a fault of its own', async () => {
	const { failures, statuses } = await fuzz(server, { requests: 300, seed: 22 });
	expect(failures).toEqual([]);
	// Some of them get through: it is not one refusal that is tested again and again.
	expect(statuses.get(200)).toBeGreaterThan(30);
	expect(statuses.get(201)).toBeGreaterThan(0);
});
