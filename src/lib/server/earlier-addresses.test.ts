import { expect, it } from 'vitest';
import { currentPath } from './earlier-addresses';

it.each([
	['/sites/s1/take-over', '/sites/s1/array-record'],
	['/sites/s1/take-over/strings/a1', '/sites/s1/array-record/strings/a1'],
	['/sites/s1/watch/units/u1', '/sites/s1/monitoring/units/u1'],
	['/visits/v1/plan', '/visits/v1/test-plan'],
	['/visits/v1/make-safe', '/visits/v1/isolation'],
	['/visits/v1/conditions', '/visits/v1/test-conditions'],
	['/visits/v1/measure', '/visits/v1/measurements'],
	['/visits/v1/inspect', '/visits/v1/inspection'],
	['/visits/v1/compare', '/visits/v1/comparison'],
	['/visits/v1/trace', '/visits/v1/diagnosis'],
	['/visits/v1/put-right', '/visits/v1/repair'],
	['/visits/v1/hand-over', '/visits/v1/report'],
	['/practise', '/training'],
	['/practise/one-string/2', '/training/one-string/2'],
	['/bench/piles', '/bench/batches'],
	['/bench/piles/p1', '/bench/batches/p1'],
	['/bench/piles/p1/mix', '/bench/batches/p1/configuration'],
	['/bench/piles/p1/group', '/bench/batches/p1/group']
])('%s is now %s', (earlier, now) => {
	expect(currentPath(earlier)).toBe(now);
	expect(currentPath(now)).toBeNull();
});

it.each(['/', '/sites/s1', '/visits/v1/repairs', '/visits/v1/planned', '/bench', '/search'])(
	'%s is none of an earlier version',
	(path) => expect(currentPath(path)).toBeNull()
);
