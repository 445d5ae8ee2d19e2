import { IntlMessageFormat } from 'intl-messageformat';
import type { Message, MessageValue } from '$core/message';
import { type NameOfPart, PART_NAMES, type SiteRules } from '$core/record';
import type { Catalogue, KnownMessage, Language, MessageCode } from './catalogue';
import { enGB } from './en-GB';
import { enUS } from './en-US';

const CATALOGUES: Readonly<Record<Language, Catalogue>> = { 'en-GB': enGB, 'en-US': enUS };

/** Turns a message into text. */
export type Speak = (message: KnownMessage) => string;

/** Units between which and their figure a line never breaks. */
const FIGURE_AND_UNIT = /(\d) (?=(?:V|A|W|Ω|s|min|°C)(?![\p{L}\d]))/gu;

function speakIn(language: Language): Speak {
	const parsed = new Map<MessageCode, IntlMessageFormat>();
	const formatOf = (code: MessageCode) => {
		const known = parsed.get(code);
		if (known) return known;
		const made = new IntlMessageFormat(CATALOGUES[language][code], language, undefined, {
			ignoreTag: true
		});
		parsed.set(code, made);
		return made;
	};
	const speak: Speak = ({ code, params }) => {
		const values = Object.fromEntries(
			Object.entries(params as Record<string, MessageValue>).map(([name, value]) => [
				name,
				isMessage(value) ? speak(value) : value
			])
		);
		return String(formatOf(code).format(values)).replace(FIGURE_AND_UNIT, '$1\u00a0');
	};
	return speak;
}

/** Messages stand in messages: the catalogue has every code that the core can make. */
function isMessage(value: MessageValue): value is Message<MessageCode> {
	return typeof value === 'object';
}

const SPEAK: Readonly<Record<Language, Speak>> = {
	'en-GB': speakIn('en-GB'),
	'en-US': speakIn('en-US')
};

/** The language that a site's standard is written in. */
export const languageOf = ({ profile }: Pick<SiteRules, 'profile'>): Language =>
	profile === 'US' ? 'en-US' : 'en-GB';

/** Messages in the language of a site. */
export const speakFor = (rules: Pick<SiteRules, 'profile'>): Speak => SPEAK[languageOf(rules)];

/** Names of parts in the language of a site. */
export const partNamesFor =
	(rules: Pick<SiteRules, 'profile'>): NameOfPart =>
	(kind) =>
		speakFor(rules)(PART_NAMES[kind]);

/** Messages in a language. */
export const speak = (language: Language): Speak => SPEAK[language];
