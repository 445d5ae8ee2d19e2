import type { Place, Quantity, SwitchingState } from '../../visit';
import type { CauseCode } from '../../faults';
import type { Caution, Exposure } from '../../isolation';

/** What one outcome of a test would mean. */
export interface TestOutcome {
	/** What it would leave, in words. */
	readonly words: string;
	readonly probability: number;
	/** Figures that it stands for, in the quantity's unit; null: any other. */
	readonly low: number | null;
	readonly high: number | null;
	readonly leaves: readonly CauseCode[];
}

/** A test that would tell more. */
export interface ProposedTest {
	/** Key of place and quantity: the reading that it asks for. */
	readonly key: string;
	readonly place: Place;
	readonly quantity: Quantity;
	readonly state: SwitchingState;
	/** The string it is of; null where it is of a part that several share. */
	readonly stringId: string | null;
	/** A figure that stands is taken again. */
	readonly again: boolean;
	readonly title: string;
	readonly how: string;
	readonly meter: string;
	readonly exposure: Exposure;
	readonly minutes: number;
	/** Expected, bit. */
	readonly information: number;
	/** Information per minute, weighed by exposure. */
	readonly score: number;
	/** Likeliest first. */
	readonly outcomes: readonly TestOutcome[];
	/** Whether it is behind a cover or in a connector: isolation comes first. */
	readonly isolateFirst: boolean;
	readonly cautions: readonly Caution[];
}
