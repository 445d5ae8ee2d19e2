import { expect, it } from 'vitest';
import { languageOf, speak, speakFor } from './text';

const off = { code: 'isolation.off.dc-disconnect', params: { mark: 'Q1' } } as const;

it('says a message in the language of the site’s standard', () => {
	expect(languageOf({ profile: 'IEC' })).toBe('en-GB');
	expect(speakFor({ profile: 'IEC' })(off)).toMatch(/isolator Q1/);
	expect(speakFor({ profile: 'US' })(off)).toMatch(/disconnect Q1/);
});

it('fills in figures and messages, and keeps a figure with its unit', () => {
	const text = speak('en-GB')({
		code: 'isolation.rating.clamp',
		params: {
			rated: 300,
			needed: 1482,
			place: { code: 'isolation.place.coldest', params: { string: 'A1', lowest: -8 } }
		}
	});
	expect(text).toContain('300\u00a0V');
	expect(text).toContain('1482\u00a0V');
	expect(text).toMatch(/A1 at -8\u00a0°C/);
});
