import { afterEach, beforeEach, expect, it, vi } from 'vitest';
import { fakeStorage } from '../../../tests/support/fake-storage';
import { doneExercises, keepExercise, type DoneExercise } from './done-exercises';

let kept: Map<string, string>;
beforeEach(() => {
	kept = fakeStorage();
});
afterEach(() => vi.unstubAllGlobals());

const done = (number: number): DoneExercise => ({
	level: 'one-string',
	number,
	right: number % 2 === 0,
	readings: 10,
	minutes: 15.5,
	at: '2026-11-17T10:00:00.000Z'
});

it('what was practised stands with the newest first', () => {
	expect(doneExercises()).toEqual([]);
	keepExercise(done(1));
	keepExercise(done(2));
	expect(doneExercises()).toEqual([done(2), done(1)]);
});

it('only the last fifty are kept', () => {
	for (let n = 1; n <= 60; n++) keepExercise(done(n));
	expect(doneExercises()).toHaveLength(50);
	expect(doneExercises()[0]!.number).toBe(60);
	expect(doneExercises().at(-1)!.number).toBe(11);
});

it('what is not understood is as nothing, and does not stand in the way', () => {
	const [name] = (keepExercise(done(1)), [...kept.keys()]);
	for (const text of ['not json', '{}', '[{"level":"unheard-of"}]', 'null']) {
		kept.set(name!, text);
		expect(doneExercises()).toEqual([]);
		keepExercise(done(3));
		expect(doneExercises()).toEqual([done(3)]);
	}
});
