import { z } from 'zod';
import { LEVELS } from '$core/training';

/* What somebody practised, kept in this browser alone: nobody else is told. */

const doneSchema = z.object({
	level: z.enum(LEVELS),
	number: z.int().positive(),
	/** Cause and string named rightly. */
	right: z.boolean(),
	readings: z.int(),
	minutes: z.number(),
	at: z.iso.datetime()
});
export type DoneExercise = z.infer<typeof doneSchema>;

const NAME = 'zembo-practised';
/** Exercises kept. */
const KEPT = 50;

/** The newest first; none where nothing, or something else, is kept. */
export function doneExercises(): DoneExercise[] {
	try {
		return z.array(doneSchema).parse(JSON.parse(localStorage.getItem(NAME) ?? '[]'));
	} catch {
		return [];
	}
}

export function keepExercise(done: DoneExercise): void {
	localStorage.setItem(NAME, JSON.stringify([done, ...doneExercises()].slice(0, KEPT)));
}
