import { describe, expect, it } from 'vitest';
import { answersTo, isLoopback, refusalToListen, WITHOUT_ACCOUNTS } from './hosts.mjs';

describe('the server answers', () => {
	it.each([
		'localhost',
		'localhost:4870',
		'LOCALHOST:4870',
		'localhost.',
		'zembo.localhost:4870',
		'127.0.0.1:4870',
		'127.1.2.3',
		'[::1]:4870'
	])('on loopback to %s', (header) => {
		expect(answersTo(header, '127.0.0.1')).toBe(true);
	});

	it.each([
		undefined,
		'',
		'attack.example',
		'attack.example:4870',
		'localhost.attack.example',
		'127.0.0.1.attack.example',
		'notlocalhost',
		'localhost@attack.example',
		'attack.example/localhost',
		'192.0.2.7:4870',
		'0.0.0.0:4870',
		'[::]:4870',
		'localhost:port',
		'lo calhost'
	])('on loopback not to %s', (header) => {
		expect(answersTo(header, '127.0.0.1')).toBe(false);
	});

	it('to the names that it was given, and to no part of them', () => {
		const named = 'zembo.ferry.example, roof.ferry.example:8443';
		expect(answersTo('zembo.ferry.example', '127.0.0.1', named)).toBe(true);
		expect(answersTo('Roof.Ferry.Example:8443', '127.0.0.1', named)).toBe(true);
		expect(answersTo('ferry.example', '127.0.0.1', named)).toBe(false);
		expect(answersTo('x.zembo.ferry.example', '127.0.0.1', named)).toBe(false);
		expect(answersTo('', '127.0.0.1', ',')).toBe(false);
	});

	it('on a network to the address that it listens on, or to any where it listens on all', () => {
		expect(answersTo('192.0.2.7:4870', '192.0.2.7')).toBe(true);
		expect(answersTo('192.0.2.8:4870', '192.0.2.7')).toBe(false);
		expect(answersTo('192.0.2.8:4870', '0.0.0.0')).toBe(true);
		expect(answersTo('[2001:db8::1]:4870', '::')).toBe(true);
		expect(answersTo('attack.example', '0.0.0.0')).toBe(false);
	});
});

describe('the server listens', () => {
	it.each(['localhost', '127.0.0.1', '::1'])('on %s', (host) => {
		expect(isLoopback(host)).toBe(true);
		expect(refusalToListen(host, {})).toBeNull();
	});

	it.each(['0.0.0.0', '::', '192.0.2.7', 'ferry.example'])(
		'on %s only where somebody accepts what that means',
		(host) => {
			expect(refusalToListen(host, {})).toContain(WITHOUT_ACCOUNTS);
			expect(refusalToListen(host, { [WITHOUT_ACCOUNTS]: '1' })).not.toBeNull();
			expect(refusalToListen(host, { [WITHOUT_ACCOUNTS]: 'yes' })).toBeNull();
		}
	);
});
