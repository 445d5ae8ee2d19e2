import { expose } from 'comlink';
import { drawExercise, follow, type Level } from '$core/training';
import { assess } from '$core/diagnosis';

/** How Zembo's own proposals lead to the part, from the first round of readings on. */
export interface ZembosWay {
	readonly readings: number;
	readonly minutes: number;
}

const core = {
	assess,
	zembosWay(number: number, level: Level): ZembosWay {
		const { tests, minutes } = follow(drawExercise(number, level).scenario);
		return { readings: tests.length, minutes };
	}
};
export type TrainingWorker = typeof core;

expose(core);
