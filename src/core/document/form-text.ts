import { z } from 'zod';

/*
 * Forms hold what was typed, to the letter, so that a refusal never loses it. Each has a schema of
 * strings and a function that turns a form the schema has let through into values.
 */

/** Words that must be there. */
export const required = (longest: number, words: string) =>
	z.string().trim().min(1, { message: words }).max(longest);
