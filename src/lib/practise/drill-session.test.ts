import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { drawExercise } from '$core/drill/exercise';
import { firstRound, minutesOfFirstRound } from '$core/drill/virtual-meter';
import { stringPlace } from '$core/expectation/place';
import { assess, type Assessment } from '$core/trace/assess';
import { fakeStorage } from '../../../tests/support/fake-storage';
import { doneExercises } from './done-exercises';
import { DrillSession } from './drill-session.svelte';

const exercise = drawExercise(1, 'one-string');
const [first] = exercise.scenario.record.strings;
const session = () =>
	new DrillSession(exercise, (record, visit) => Promise.resolve(assess(record, visit)));

beforeEach(fakeStorage);
afterEach(() => vi.unstubAllGlobals());

describe('somebody at an exercise', () => {
	it('reads, and each reading takes its minutes and stands first in the list', async () => {
		const drill = session();
		drill.read(stringPlace(first!.id), 'open-circuit-voltage');
		drill.read({ kind: 'fuse', string: first!.id, pole: 'positive' }, 'fuse-resistance');
		await vi.waitFor(() => expect(drill.assessment).not.toBeNull());
		expect(drill.taken.map(({ n, where }) => [n, where])).toEqual([
			[2, `${first!.label}, fuse +`],
			[1, first!.label]
		]);
		expect(drill.minutes).toBe(4.5);
		expect(drill.visit.readings).toHaveLength(2);
	});

	it('reads the first round at once, in the minutes that it takes', async () => {
		const drill = session();
		drill.readFirstRound();
		await vi.waitFor(() => expect(drill.assessment?.places[0]?.reading).toBeTruthy());
		expect(drill.taken).toHaveLength(firstRound(exercise).length);
		expect(drill.minutes).toBe(minutesOfFirstRound(exercise));
		expect([...drill.places.values()].every(({ reading }) => reading !== null)).toBe(true);
	});

	it('is told where nobody knows what a reading would show', () => {
		const drill = session();
		drill.read({ kind: 'array' }, 'insulation-resistance');
		expect(drill.trouble).toContain('does not know');
		expect(drill.taken).toEqual([]);
		expect(drill.minutes).toBe(0);
		drill.read(stringPlace(first!.id), 'open-circuit-voltage');
		expect(drill.trouble).toBe('');
	});

	it('has the newest judgement, whichever is ready first', async () => {
		const answers: ((assessment: Assessment) => void)[] = [];
		const drill = new DrillSession(
			exercise,
			() => new Promise<Assessment>((resolve) => answers.push(resolve))
		);
		const [early, late] = [drill.judge(), drill.judge()];
		const [old, young] = [1, 2].map(() => assess(exercise.scenario.record, exercise.visit));
		answers[1]!(young!);
		answers[0]!(old!);
		await Promise.all([early, late]);
		expect(drill.assessment).toBe(young);
	});

	it('says what it is: the clock stands, and it is kept in this browser', () => {
		const drill = session();
		const [fault] = exercise.scenario.truth.faults;
		drill.tick();
		drill.answer({ code: fault!.code, string: fault!.strings[0]!, spot: null });
		drill.tick();
		expect(drill.seconds).toBe(1);
		expect(drill.marking).toMatchObject({ cause: true, string: true });
		drill.read(stringPlace(first!.id), 'operating-current');
		expect(drill.minutes).toBe(0);
		expect(doneExercises()).toMatchObject([{ level: 'one-string', number: 1, right: true }]);
	});
});
