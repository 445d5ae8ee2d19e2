import { readdirSync, readFileSync } from 'node:fs';
import { IntlMessageFormat } from 'intl-messageformat';
import { describe, expect, it } from 'vitest';
import { type Catalogue, type Language, LANGUAGES, type MessageCode } from './catalogue';
import { enGB } from './en-GB';
import { enUS } from './en-US';
import { screens } from './en-US/interface';
import { isolation } from './en-US/isolation';
import { record } from './en-US/record';
import { visit } from './en-US/visit';

const CATALOGUES: Readonly<Record<Language, Catalogue>> = { 'en-GB': enGB, 'en-US': enUS };
const CODES = Object.keys(enGB) as MessageCode[];

/** Words that one English does not say, after the rest of the project has been told apart. */
const FOREIGN: Readonly<Record<Language, RegExp>> = {
	'en-GB':
		/\bground|(?:AC|DC|PV|the|open) disconnect|optimizer|energized|jewelry|aluminum|raceway|panelboard/i,
	'en-US': /\bearth|isolator|optimiser|energised|jewellery|aluminium|trunking|distribution board/i
};

/** Names of what is filled in, sorted. */
function argumentsOf(text: string, language: Language): string[] {
	const found = new Set<string>();
	type Element = { type: number; value?: unknown; options?: Record<string, { value: Element[] }> };
	const look = (elements: readonly Element[]): void => {
		for (const { type, value, options } of elements) {
			// 0 is text, 7 the # of a plural; all others name an argument.
			if (type !== 0 && type !== 7) found.add(String(value));
			for (const option of Object.values(options ?? {})) look(option.value);
		}
	};
	look(new IntlMessageFormat(text, language).getAst() as readonly Element[]);
	return [...found].toSorted();
}

const sentencesOf = (text: string) => text.split(/(?<=[.:;])\s+/);

describe.each(LANGUAGES)('the catalogue of %s', (language) => {
	const entries = CODES.map((code) => [code, CATALOGUES[language][code]] as const);

	it('fills in the same as the first one', () => {
		const differing = entries.filter(
			([code, text]) =>
				argumentsOf(text, language).join() !== argumentsOf(enGB[code], 'en-GB').join()
		);
		expect(differing).toEqual([]);
	});

	it('has no sentence of more than 25 words', () => {
		const long = entries.flatMap(([, text]) =>
			sentencesOf(text).filter((sentence) => sentence.split(/\s+/).length > 25)
		);
		expect(long).toEqual([]);
	});

	it('speaks its own English', () => {
		expect(entries.filter(([, text]) => FOREIGN[language].test(text))).toEqual([]);
	});

	it('names quantities, not units, and never says that a thing is safe', () => {
		const wrong = /\b(?:volts|amps|ohms|watts|safe|safely|joint|one’s|nobody)\b/i;
		expect(entries.filter(([, text]) => wrong.test(text))).toEqual([]);
	});
});

it('American English lists only what it says in other words', () => {
	const same = Object.entries({ ...isolation, ...record, ...visit, ...screens }).filter(
		([code, text]) => CATALOGUES['en-GB'][code as MessageCode] === text
	);
	expect(same).toEqual([]);
});

it('every message is said somewhere', () => {
	const sources = readdirSync('src', { recursive: true, encoding: 'utf8' })
		.filter((name) => /\.(?:ts|svelte)$/.test(name) && !/\.test\.ts$|messages\/en-/.test(name))
		.map((name) => readFileSync(`src/${name}`, 'utf8'))
		.join('\n');
	const said = [...sources.matchAll(/['`]([a-z-]+\.[^'`\s]+)['`](?!:)/g)].map(
		([, code]) => new RegExp(`^${code!.replaceAll('.', '\\.').replace(/\$\{[^}]+\}/g, '[\\w-]+')}$`)
	);
	const unsaid = CODES.filter((code) => !said.some((pattern) => pattern.test(code)));
	expect(unsaid).toEqual([]);
});
