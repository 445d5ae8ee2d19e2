import { expect, it } from 'vitest';
import { placeOfDefect } from '$core/inspection';
import { SALTMARSH } from '../../../tests/support/sites';
import { languageOf, partNamesFor, speak, speakFor } from './text';

const off = { code: 'isolation.off.dc-disconnect', params: { mark: 'Q1' } } as const;

it('says a message in the language of the site’s standard', () => {
	expect(languageOf({ profile: 'IEC' })).toBe('en-GB');
	expect(speakFor({ profile: 'IEC' })(off)).toMatch(/isolator Q1/);
	expect(speakFor({ profile: 'US' })(off)).toMatch(/disconnect Q1/);
});

it('names parts in the language of the site’s standard, also within a message', () => {
	expect(partNamesFor({ profile: 'IEC' })('dc-disconnect')).toBe('DC isolator');
	expect(partNamesFor({ profile: 'US' })('dc-disconnect')).toBe('DC disconnect');
	const { record } = SALTMARSH;
	const part = record.parts.find(({ kind }) => kind === 'dc-disconnect')!;
	const place = placeOfDefect(record, { kind: 'part', partId: part.id })!;
	expect(speak('en-GB')(place)).toBe(`DC isolator ${part.mark}`);
	expect(speak('en-US')(place)).toBe(`DC disconnect ${part.mark}`);
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
