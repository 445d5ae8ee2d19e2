import { describe, expect, it } from 'vitest';
import { inSentence } from './in-sentence';

describe('a heading within a sentence', () => {
	it.each([
		['Operating current', 'operating current'],
		['AC power', 'AC power'],
		['I-V curve', 'I-V curve'],
		['PID', 'PID'],
		['', '']
	])('%s is written %s', (heading, words) => {
		expect(inSentence(heading)).toBe(words);
	});
});
