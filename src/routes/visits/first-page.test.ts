import { expect, it } from 'vitest';
import { load } from './[visit]/+page.server';

it.each([
	['v1', '/visits/v1/measurements'],
	['\u0000\r\n', '/visits/%00%0D%0A/measurements']
])('a visit %j opens at its measurements, whatever its id looks like', (visit, location) => {
	const given = { params: { visit } } as Parameters<typeof load>[0];
	expect(() => load(given)).toThrow(expect.objectContaining({ status: 307, location }));
});
