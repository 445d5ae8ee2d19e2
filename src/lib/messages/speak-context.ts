import { getContext, setContext } from 'svelte';
import type { SiteRules } from '$core/record';
import { speak, type Speak, speakFor } from './text';

const KEY = Symbol('speak');

/** Has all components below speak the language of a site. */
export function provideSpeak(rules: () => Pick<SiteRules, 'profile'>): void {
	setContext<Speak>(KEY, (message) => speakFor(rules())(message));
}

/** Turns messages into text of the site's language; in British English where there is no site. */
export function useSpeak(): Speak {
	return getContext<Speak | undefined>(KEY) ?? speak('en-GB');
}
