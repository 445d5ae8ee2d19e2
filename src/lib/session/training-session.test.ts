import { isRead } from '$core/assessment';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { drawExercise, firstRound, minutesOfFirstRound } from '$core/training';
import { stringPlace } from '$core/visit';
import { assess, type Assessment } from '$core/diagnosis';
import { fakeStorage } from '../../../tests/support/fake-storage';
import { doneExercises } from '../training/done-exercises';
import { TrainingSession } from './training-session.svelte';

const exercise = drawExercise(1, 'one-string');
const [first] = exercise.scenario.record.strings;
const session = () =>
	new TrainingSession(exercise, (record, visit) => Promise.resolve(assess(record, visit)));

beforeEach(fakeStorage);
afterEach(() => vi.unstubAllGlobals());

describe('somebody at an exercise', () => {
	it('reads, and each reading takes its minutes and stands first in the list', async () => {
		const running = session();
		running.read(stringPlace(first!.id), 'open-circuit-voltage');
		running.read({ kind: 'fuse', string: first!.id, pole: 'positive' }, 'fuse-resistance');
		await vi.waitFor(() => expect(running.assessment).not.toBeNull());
		expect(running.taken.map(({ n, where }) => [n, where])).toEqual([
			[2, `${first!.label}, fuse +`],
			[1, first!.label]
		]);
		expect(running.minutes).toBe(4.5);
		expect(running.visit.readings).toHaveLength(2);
	});

	it('reads the first round at once, in the minutes that it takes', async () => {
		const running = session();
		running.readFirstRound();
		await vi.waitFor(() => expect(running.assessment?.places[0]?.state).toBe('judged'));
		expect(running.taken).toHaveLength(firstRound(exercise).length);
		expect(running.minutes).toBe(minutesOfFirstRound(exercise));
		expect([...running.places.values()].every(isRead)).toBe(true);
	});

	it('is told where nobody knows what a reading would show', () => {
		const running = session();
		running.read({ kind: 'array' }, 'insulation-resistance');
		expect(running.problem).toContain('does not know');
		expect(running.taken).toEqual([]);
		expect(running.minutes).toBe(0);
		running.read(stringPlace(first!.id), 'open-circuit-voltage');
		expect(running.problem).toBe('');
	});

	it('has the newest judgement, whichever is ready first', async () => {
		const answers: ((assessment: Assessment) => void)[] = [];
		const running = new TrainingSession(
			exercise,
			() => new Promise<Assessment>((resolve) => answers.push(resolve))
		);
		const [early, late] = [running.judge(), running.judge()];
		const [old, young] = [1, 2].map(() => assess(exercise.scenario.record, exercise.visit));
		answers[1]!(young!);
		answers[0]!(old!);
		await Promise.all([early, late]);
		expect(running.assessment).toBe(young);
	});

	it('says what it is: the clock stands, and it is kept in this browser', () => {
		const running = session();
		const [fault] = exercise.scenario.truth.faults;
		running.tick();
		running.answer({ code: fault!.code, string: fault!.strings[0]!, spot: null });
		running.tick();
		expect(running.seconds).toBe(1);
		expect(running.marking).toMatchObject({ cause: true, string: true });
		running.read(stringPlace(first!.id), 'operating-current');
		expect(running.minutes).toBe(0);
		expect(doneExercises()).toMatchObject([{ level: 'one-string', number: 1, right: true }]);
	});
});
