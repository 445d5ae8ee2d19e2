import type { ModelJudgement } from '../assessment';
import {
	findCurrentReadings,
	type Place,
	placeKey,
	type Quantity,
	stringOfPlace,
	type SwitchingState,
	type Visit
} from '../visit';
import type { ArrayRecord, Part } from '../record';
import { Contraindications } from './contraindications';
import type { InspectionEntry } from '../inspection';
import { arrivalSteps, switchingOff, type Task, TASKS } from '../isolation';
import { wantedReadings, type Wanted } from './wanted';

/** One reading of the plan. */
export interface PlanItem {
	readonly key: string;
	readonly place: Place;
	readonly quantity: Quantity;
	readonly state: SwitchingState;
	readonly why: string;
	readonly done: boolean;
}

/** Readings that are taken at one place, so that it is gone to once. */
interface PlanStop {
	readonly title: string;
	readonly where: string;
	readonly items: readonly PlanItem[];
}

interface PlanBlock {
	readonly task: Task;
	readonly stops: readonly PlanStop[];
	/** Of what is not done yet, making safe included. */
	readonly seconds: number;
}

export interface VisitPlan {
	readonly blocks: readonly PlanBlock[];
	readonly seconds: number;
}

/** Seconds that a practised hand takes for a reading, walking within its stop included; judgement. */
const SECONDS: Readonly<Partial<Record<Quantity, number>>> = {
	'operating-current': 20,
	'open-circuit-voltage': 35,
	'positive-to-earth': 30,
	'negative-to-earth': 30,
	'fuse-resistance': 60,
	'insulation-resistance': 180,
	'short-circuit-current': 120
};
const USUAL_SECONDS = 40;
/** Of one step of making safe, and of going to a stop and opening its cover; judgement. */
const STEP_SECONDS = 25;
const STOP_SECONDS = 120;

/** The plan of a visit: what to measure where, in the blocks in which it can be done; re-made as readings come in. */
export function visitPlan(
	record: ArrayRecord,
	visit: Visit,
	places: ModelJudgement['places'],
	inspection: readonly InspectionEntry[] = []
): VisitPlan {
	const standing = findCurrentReadings(visit);
	const contraindications = new Contraindications(record, inspection, standing);
	const wanted = wantedReadings({ record, visit, standing, places }).filter(
		({ quantity, place }) => contraindications.against(quantity, place) === null
	);
	const blocks = TASKS.map((task): PlanBlock => {
		const stops = stopsOf(
			record,
			wanted.filter(({ block }) => block === task),
			(key) => standing.has(key)
		);
		return { task, stops, seconds: secondsOf(record, visit, task, stops) };
	}).filter(({ stops }) => stops.length > 0);
	return { blocks, seconds: blocks.reduce((sum, { seconds }) => sum + seconds, 0) };
}

/** Every reading of a plan in its order. */
export function itemsOf({ blocks }: VisitPlan): PlanItem[] {
	return blocks.flatMap(({ stops }) => stops.flatMap(({ items }) => items));
}

function stopsOf(
	record: ArrayRecord,
	wanted: readonly Wanted[],
	isDone: (key: string) => boolean
): PlanStop[] {
	const stops = new Map<string, { title: string; where: string; items: PlanItem[] }>();
	const partOf = partsByPlace(record);
	for (const { place, quantity, state, why } of wanted) {
		const part = partOf(place);
		const id = part?.id ?? place.kind;
		const stop = stops.get(id) ?? {
			title: part ? part.mark : place.kind === 'array' ? 'The whole array' : 'At the strings',
			where: part?.place ?? '',
			items: []
		};
		stops.set(id, stop);
		const key = placeKey(place, quantity);
		stop.items.push({ key, place, quantity, state, why, done: isDone(key) });
	}
	return [...stops.values()];
}

/** The part one stands at for a reading: that of the place, or the one the string's leads go to. */
function partsByPlace({ strings, parts }: ArrayRecord): (place: Place) => Part | null {
	const leadsTo = new Map(strings.map(({ id, to }) => [id, to]));
	const byId = new Map(parts.map((part) => [part.id, part]));
	return (place) => {
		const id = place.kind === 'part' ? place.part : leadsTo.get(stringOfPlace(place) ?? '');
		return byId.get(id ?? '') ?? null;
	};
}

function secondsOf(
	record: ArrayRecord,
	visit: Visit,
	task: Task,
	stops: readonly PlanStop[]
): number {
	const open = stops.filter(({ items }) => items.some(({ done }) => !done));
	if (open.length === 0) return 0;
	const reading = open
		.flatMap(({ items }) => items)
		.filter(({ done }) => !done)
		.reduce((sum, { quantity }) => sum + (SECONDS[quantity] ?? USUAL_SECONDS), 0);
	const settled = new Set(visit.safety.map(({ step }) => step));
	const steps = [...arrivalSteps(record, visit.meters), ...switchingOff(record, task)].filter(
		({ key }) => !settled.has(key)
	);
	const waits = steps.reduce((sum, { wait }) => sum + (wait?.seconds ?? 0), 0);
	return reading + open.length * STOP_SECONDS + steps.length * STEP_SECONDS + waits;
}
