import { describe, expect, it } from 'vitest';
import { type Place, stringPlace } from '../visit';
import { assess } from '../diagnosis';
import {
	drawExercise,
	LEVELS,
	type Level,
	markAnswer,
	pointKindOf,
	measurementPointOf,
	type Answer,
	type Exercise
} from './exercise';
import { isTooMild } from './too-mild';
import { firstRound, offersAt, sharedMeasurementPoints, takeReading } from './virtual-meter';

/** The first exercise of a level that is as wanted. */
function firstOf(level: Level, wanted: (exercise: Exercise) => boolean): Exercise {
	for (let number = 1; number <= 300; number++) {
		const exercise = drawExercise(number, level);
		if (wanted(exercise)) return exercise;
	}
	throw new Error('none of 300 is');
}

/** The answer that names everything that is hidden. */
function rightAnswer({ scenario }: Exercise): Answer {
	const [fault] = scenario.truth.faults;
	if (!fault) return { code: 'healthy', string: null, spot: null };
	return {
		code: fault.code,
		string: fault.strings.length === 1 ? fault.strings[0]! : null,
		spot: measurementPointOf(fault, scenario.record)?.number ?? null
	};
}

describe('an exercise', () => {
	it('is the same for everybody by its number and level, with nothing read yet', () => {
		for (const level of LEVELS) {
			expect(drawExercise(7, level)).toEqual(drawExercise(7, level));
			expect(drawExercise(7, level).visit.readings).toEqual([]);
			expect(drawExercise(7, level).visit.conditions).toHaveLength(1);
		}
		expect(drawExercise(7, 'anything').scenario.truth).not.toEqual(
			drawExercise(8, 'anything').scenario.truth
		);
	});

	it('for a beginner hides one thing in one string, large enough to be found', () => {
		for (let number = 1; number <= 12; number++) {
			const { scenario } = drawExercise(number, 'one-string');
			const [fault, ...others] = scenario.truth.faults;
			expect(others).toEqual([]);
			expect(fault!.strings).toHaveLength(1);
			expect(isTooMild(fault!, scenario)).toBe(false);
			expect(scenario.record.strings.length).toBeLessThanOrEqual(5);
			expect(scenario.mistakes.size).toBe(0);
		}
	});

	it('as it comes sometimes hides nothing', () => {
		const isSound = ({ scenario }: Exercise) =>
			scenario.truth.faults.length === 0 && scenario.mistakes.size === 0;
		firstOf('as-it-comes', (exercise) => !isSound(exercise));
		const sound = firstOf('as-it-comes', isSound);
		expect(markAnswer(sound, { code: 'healthy', string: null, spot: null })).toEqual({
			cause: true,
			string: true,
			spot: null,
			truth: ['Nothing is wrong with this array.']
		});
		expect(markAnswer(sound, { code: 'soiling', string: null, spot: null }).cause).toBe(false);
	});
});

describe('marking', () => {
	it.each(Array.from({ length: 10 }, (_, n) => n + 1))(
		'exercise %i: all that is hidden is right, and nothing else is',
		(number) => {
			const exercise = drawExercise(number, 'one-string');
			const right = rightAnswer(exercise);
			const marking = markAnswer(exercise, right);
			expect(marking.cause).toBe(true);
			expect(marking.string).toBe(true);
			expect(marking.spot).toBe(pointKindOf(right.code) && right.spot !== null ? true : null);
			const other = exercise.scenario.record.strings.find(({ label }) => label !== right.string)!;
			expect(markAnswer(exercise, { ...right, string: other.label }).string).toBe(false);
			const cause = right.code === 'shade' ? 'soiling' : 'shade';
			expect(markAnswer(exercise, { ...right, code: cause }).cause).toBe(false);
			if (right.spot !== null) {
				expect(markAnswer(exercise, { ...right, spot: right.spot + 1 }).spot).toBe(false);
			}
			expect(marking.truth).toHaveLength(1);
			expect(marking.truth[0]).toContain(right.string);
		}
	);

	it('what several strings share is named by none of them alone', () => {
		const shared = firstOf(
			'anything',
			({ scenario }) => scenario.truth.faults[0]!.strings.length > 1
		);
		expect(markAnswer(shared, rightAnswer(shared))).toMatchObject({ cause: true, string: true });
	});

	it('a reading taken wrong is an answer of its own', () => {
		const exercise = firstOf('as-it-comes', ({ scenario }) =>
			scenario.visit.readings.some(
				({ id, place }) => scenario.mistakes.has(id) && 'string' in place
			)
		);
		const { record, visit, mistakes } = exercise.scenario;
		const wrong = visit.readings.find(({ id }) => mistakes.has(id))!;
		const at = record.strings.find(
			({ id }) => 'string' in wrong.place && id === wrong.place.string
		)!;
		const answer = { code: 'reading-wrong', string: at.label, spot: null } as const;
		expect(markAnswer(exercise, answer)).toMatchObject({ cause: true, string: true });
		expect(markAnswer(exercise, answer).truth.join(' ')).toContain(
			`A reading of ${at.label} comes out wrong`
		);
	});
});

describe('the virtual meter', () => {
	const exercise = drawExercise(3, 'one-string');
	const { record } = exercise.scenario;
	const [first] = record.strings;

	it('shows the same to everybody, and the second time about the same', () => {
		const place: Place = { kind: 'fuse', string: first!.id, pole: 'positive' };
		const once = takeReading(exercise, exercise.visit, place, 'fuse-resistance')!;
		expect(takeReading(exercise, exercise.visit, place, 'fuse-resistance')).toEqual(once);
		const voltage = (visit = exercise.visit) =>
			takeReading(exercise, visit, stringPlace(first!.id), 'open-circuit-voltage')!;
		const again = voltage(voltage().visit);
		expect(Math.abs(again.value - voltage().value)).toBeLessThan(
			0.02 * Math.abs(voltage().value) + 1
		);
		expect(again.visit.readings.at(-1)!.supersedes).toBe(voltage().visit.readings[0]!.id);
	});

	it('takes its minutes, and has a figure for all that it offers', () => {
		for (const string of record.strings) {
			for (const { quantity, kind } of offersAt(string)) {
				const id = string.id;
				const place: Place = {
					string: stringPlace(id),
					fuse: { kind: 'fuse', string: id, pole: 'negative' } as const,
					stretch: { kind: 'stretch', string: id, from: 0, to: 4 } as const,
					joint: { kind: 'joint', string: id, joint: 2 } as const,
					module: { kind: 'module', string: id, module: 3, section: null } as const,
					section: { kind: 'module', string: id, module: 3, section: 1 } as const
				}[kind];
				const taken = takeReading(exercise, exercise.visit, place, quantity);
				expect(taken, `${quantity} at ${kind}`).not.toBeNull();
				expect(Number.isFinite(taken!.value)).toBe(true);
				expect(taken!.minutes).toBeGreaterThan(0);
			}
		}
		for (const { place, quantity } of sharedMeasurementPoints(exercise)) {
			expect(takeReading(exercise, exercise.visit, place, quantity)).not.toBeNull();
		}
	});

	it('after the first round the strings can be judged, and what is hidden stands out', () => {
		// Volts and amps show no earth fault.
		const exercise = firstOf(
			'one-string',
			({ scenario }) => scenario.truth.faults[0]!.code !== 'earth-fault'
		);
		const { record } = exercise.scenario;
		let { visit } = exercise;
		for (const { place, quantity } of firstRound(exercise)) {
			visit = takeReading(exercise, visit, place, quantity)!.visit;
		}
		const { places, causes } = assess(record, visit);
		expect(places.filter(({ state }) => state === 'not-assessed')).toEqual([]);
		const [fault] = exercise.scenario.truth.faults;
		const hidden = record.strings.find(({ label }) => label === fault!.strings[0])!;
		expect(causes[0]!.stringId).toBe(hidden.id);
	});
});
