import type { PlaceResult } from '$core/assessment';
import {
	type Answer,
	type Exercise,
	firstRound,
	markAnswer,
	type Marking,
	takeReading
} from '$core/training';
import { type Place, placeWords, type Quantity, QUANTITY_FACTS, type Visit } from '$core/visit';
import type { ArrayRecord } from '$core/record';
import type { Assessment } from '$core/diagnosis';
import { keepExercise } from '../training/done-exercises';
import { readingFigure } from '$lib/text/reading-figure';

/** A reading as it stands in the list. */
export interface TakenLine {
	readonly n: number;
	readonly where: string;
	readonly what: string;
	readonly figure: string;
}

type Assess = (record: ArrayRecord, visit: Visit) => Promise<Assessment>;

/** Somebody at an exercise: what was read, what it took, and what they say it is. */
export class TrainingSession {
	visit = $state.raw() as Visit;
	taken = $state.raw<readonly TakenLine[]>([]);
	/** Of work at the array, by what each reading takes. */
	minutes = $state(0);
	/** Seconds since the exercise was opened. */
	seconds = $state(0);
	hints = $state(0);
	problem = $state('');
	assessment = $state.raw<Assessment | null>(null);
	marking = $state.raw<Marking | null>(null);
	places: ReadonlyMap<string, PlaceResult> = $derived(
		new Map(this.assessment?.places.map((place) => [place.key, place]))
	);
	#asked = 0;

	constructor(
		readonly exercise: Exercise,
		private readonly assess: Assess
	) {
		this.visit = exercise.visit;
	}

	get record(): ArrayRecord {
		return this.exercise.scenario.record;
	}

	/** One second more; once something is said the clock stands. */
	tick(): void {
		if (!this.marking) this.seconds += 1;
	}

	read(place: Place, quantity: Quantity): void {
		this.#take(place, quantity);
		void this.judge();
	}

	/** Volts and amps of every string, one after the other. */
	readFirstRound(): void {
		for (const { place, quantity } of firstRound(this.exercise)) this.#take(place, quantity);
		void this.judge();
	}

	#take(place: Place, quantity: Quantity): void {
		const reading = takeReading(this.exercise, this.visit, place, quantity);
		this.problem = reading ? '' : 'This exercise does not know what that would show.';
		if (!reading) return;
		this.visit = reading.visit;
		if (!this.marking) this.minutes += reading.minutes;
		const line: TakenLine = {
			n: this.taken.length + 1,
			where: placeWords(this.record, place),
			what: QUANTITY_FACTS[quantity].words,
			figure: readingFigure({ value: reading.value, quantity })
		};
		this.taken = [line, ...this.taken];
	}

	/** Has the readings judged; the newest answer counts. */
	async judge(): Promise<void> {
		const asked = ++this.#asked;
		const assessment = await this.assess(this.record, this.visit);
		if (asked === this.#asked) this.assessment = assessment;
	}

	answer(answer: Answer): void {
		const marking = markAnswer(this.exercise, answer);
		this.marking = marking;
		const { level, number } = this.exercise;
		keepExercise({
			level,
			number,
			right: marking.cause && marking.string,
			readings: this.taken.length,
			minutes: this.minutes,
			at: new Date().toISOString()
		});
	}
}
