import { expect, it } from 'vitest';
import { messagesOf, type Nothing } from './message';

const say = messagesOf<{ 'array.strings': { readonly count: number }; 'array.empty': Nothing }>();

it('a message is its code and what stands in it', () => {
	expect(say('array.strings', { count: 3 })).toEqual({
		code: 'array.strings',
		params: { count: 3 }
	});
	expect(say('array.empty')).toEqual({ code: 'array.empty', params: {} });
	// @ts-expect-error a sentence with a count is not said without one
	say('array.strings');
	// @ts-expect-error nor under a code that the table does not have
	say('array.full');
});
