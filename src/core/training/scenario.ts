import type { ArrayRecord, PartOf } from '../record';
import { drawArray, type ArrayWishes } from './array';
import { trueBuses } from './circuits';
import { drawTruth } from './drawn-truth';
import { exactReadings, type Exact } from './exact';
import { HIDDEN_CODES, hasPlaceFor, plant, type HiddenCode } from './planting';
import { type Random, randomFrom } from '../numerics';
import { takeReadings, type Scenario } from './taken-readings';
import type { HiddenFault, Truth } from './truth';

export type { Scenario } from './taken-readings';

/** What a scenario is told instead of drawing it. */
export interface Wishes extends ArrayWishes {
	/** The fault that it hides; 'healthy' for none. */
	readonly code?: HiddenCode | 'healthy' | undefined;
	/** No reading taken wrong, no second fault. */
	readonly plain?: boolean | undefined;
}

/** Of scenarios that are told nothing so many hide nothing, and so many a second fault. */
const HEALTHY_SHARE = 0.25;
const SECOND_FAULT = 0.15;
const STRING_CODES = HIDDEN_CODES.filter(
	(code) =>
		![
			'disconnect-open',
			'rsd-no-signal',
			'inverter-no-ac',
			'strings-swapped',
			'conditions-wrong',
			'clipping',
			'unequal-parallel',
			'record-wrong'
		].includes(code)
);

/** Draws a scenario; the same seed and wishes give the same one. */
export function drawScenario(seed: number, wishes: Wishes = {}): Scenario {
	const random = randomFrom(seed);
	const code =
		wishes.code ?? (random.chance(HEALTHY_SHARE) ? 'healthy' : random.pick(HIDDEN_CODES));
	let recorded = drawArray(random, wishes);
	for (let i = 0; i < 200 && code !== 'healthy' && !hasPlaceFor(code, recorded); i++) {
		recorded = drawArray(random, wishes);
	}
	const faults: HiddenFault[] = [];
	if (code !== 'healthy' && hasPlaceFor(code, recorded)) {
		faults.push(plant(code, recorded, random));
		const others = recorded.strings.filter(({ label }) => !faults[0]!.strings.includes(label));
		const second = random.pick(STRING_CODES);
		if (
			!wishes.plain &&
			random.chance(SECOND_FAULT) &&
			others.length > 1 &&
			(STRING_CODES as readonly string[]).includes(code) &&
			hasPlaceFor(second, recorded)
		) {
			faults.push(plant(second, recorded, random, others));
		}
	}
	const record = shortened(recorded, faults);
	const stated = drawTruth(record, faults, random);
	const { truth, entry } = stated;
	const leaks = new Map(
		record.strings.map(({ label }) => [
			label,
			{ share: random.uniform(), resistance: random.logBetween(2e6, 1e9) }
		])
	);
	const buses = trueBuses(record, truth);
	const free = exactReadings(truth, buses, leaks);
	const limited = withLimit(record, truth, free, random);
	const exact =
		limited.truth.acLimit === null || limited.truth.acLimit > free.ac
			? free
			: exactReadings(limited.truth, buses, leaks);
	return {
		seed,
		...takeReadings(limited.record, limited.truth, exact, entry, random, wishes.plain ?? false)
	};
}

/** Strings of unequal length on one input stand so in the record. */
function shortened(record: ArrayRecord, faults: readonly HiddenFault[]): ArrayRecord {
	const unequal = faults.find(({ code }) => code === 'unequal-parallel');
	if (!unequal) return record;
	return {
		...record,
		strings: record.strings.map((string) =>
			unequal.strings.includes(string.label)
				? { ...string, moduleCount: string.moduleCount - unequal.size! }
				: string
		)
	};
}

/** What the readings would be without one of the faults, exactly, by string. */
export function exactWithout(
	{ record, truth }: Pick<Scenario, 'record' | 'truth'>,
	fault: HiddenFault
): Exact {
	const sound = {
		...truth,
		faults: truth.faults.filter((other) => other !== fault),
		acLimit: null
	};
	const leaks = new Map(
		record.strings.map(({ label }) => [label, { share: 0.5, resistance: 1e9 }])
	);
	return exactReadings(sound, trueBuses(record, sound), leaks);
}

/** The inverter's rating: above what is offered, but where it is meant to clip. */
function withLimit(
	record: ArrayRecord,
	truth: Truth,
	{ ac }: Exact,
	random: Random
): { readonly record: ArrayRecord; readonly truth: Truth } {
	const clips = truth.faults.find(({ code }) => code === 'clipping');
	const rating = clips
		? ac * (1 - Math.max(0.08, clips.size!))
		: Math.max(ac * random.between(1.1, 1.6), 1000);
	const acPower = Math.max(100, Math.round(rating / 100) * 100);
	return {
		truth: { ...truth, acLimit: acPower },
		record: {
			...record,
			parts: record.parts.map((part) =>
				part.kind === 'inverter'
					? ({ ...part, specs: { ...part.specs, acWatts: acPower } } satisfies PartOf<'inverter'>)
					: part
			)
		}
	};
}
