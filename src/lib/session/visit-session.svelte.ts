import { expectedAt } from '$core/assessment';
import {
	effectiveVisit,
	findCurrentReadings,
	keyOf,
	type MeasuredCurve,
	type Place,
	placeKey,
	type Quantity,
	QUANTITY_FACTS,
	type Reading,
	type RepairEntry,
	type SafetyEntry,
	stringPlace,
	type SwitchingState,
	type Visit
} from '$core/visit';
import { getContext, setContext } from 'svelte';
import { v7 as uuid } from 'uuid';
import type { VisitDocument, VisitEvent } from '$core/document';
import { entryHint, questionBeforeStoring } from '$core/expectation';
import { currentSafetyEntries, type Task } from '$core/isolation';
import { visitPlan } from '$core/visit-plan';
import type { Assessment } from '$core/diagnosis';
import { assessInWorker, judgeInWorker } from '$lib/workers/assess';
import { postEntry, type Posted } from './post-entry';
import { Resending } from './resending';
import { sendJson } from './send-json';
import { warmWorkers } from './warm-workers';

/** A figure that was typed at a place. */
export interface Entry {
	readonly place: Place;
	readonly quantity: Quantity;
	readonly state: SwitchingState | null;
	readonly value: number;
	readonly overRange?: true;
	readonly atVolts: number | null;
	readonly typed: string;
	readonly source?: Reading['source'];
}

/** Something the person has to answer before a reading is stored. */
export interface Question {
	readonly kind: 'surprising' | 'overtaken';
	readonly words: string;
	readonly reading: Reading;
}

/** A reading the server did not take, kept with what was typed. */
export interface Unsent {
	readonly reading: Reading;
	readonly words: string;
	/** Whether sending the same once more may succeed. */
	readonly again: boolean;
}

const LIST_OF_EVENT = {
	reading: 'readings',
	withdrawal: 'withdrawals',
	conditions: 'conditions',
	safety: 'safety',
	curve: 'curves',
	repair: 'repairs'
} as const satisfies Record<Exclude<VisitEvent, { kind: 'changed' }>['kind'], keyof Visit>;

type VisitList = (typeof LIST_OF_EVENT)[keyof typeof LIST_OF_EVENT];

const KEY = Symbol('visit');

/**
 * The visit on the screen: entries are assessed in a worker at once and stored by the server behind
 * it; what is not stored yet, or was refused, stays visible.
 */
export class VisitSession {
	document = $state.raw() as VisitDocument;
	assessment = $state.raw() as Assessment;
	question = $state.raw<Question | null>(null);
	unsent = $state.raw<readonly Unsent[]>([]);
	/** Ids on their way to the server. */
	storing = $state.raw<ReadonlySet<string>>(new Set());
	by = $state('');

	/** Whether a reading is not at the server yet, or was not taken by it. */
	pending = $derived(this.storing.size > 0 || this.unsent.length > 0);

	places = $derived(new Map(this.assessment.places.map((place) => [place.key, place])));
	/** The visit as it counts after its repairs. */
	effective = $derived(effectiveVisit(this.document.record, this.document.visit));
	/** Current readings, by the key of their place: asked for place by place. */
	#standing = $derived(findCurrentReadings(this.document.visit));
	/** What this visit still has to read, and has read. */
	plan = $derived(
		visitPlan(
			this.document.record,
			this.document.visit,
			this.assessment.places,
			this.document.inspection
		)
	);
	/** Verdicts by a limit, by key. */
	limits = $derived(new Map(this.assessment.limits.map((limit) => [limit.key, limit])));
	/** What the last figure hints at in the way it was read; null where nothing strikes. */
	hint = $state<string | null>(null);
	/** The server's clock, ms since 1970: this machine's, carried by what they differ. */
	now = $state(0);
	/** Whether causes and next tests are being worked out anew. */
	tracing = $state(false);
	/** Whether what others store is heard. */
	hearing = $state(false);
	#clockAhead = 0;
	#warmed = false;
	/** What got no answer is sent again when the connection is back, and now and then until it is. */
	readonly resending = new Resending();
	/** Codes of the likeliest cause of each string that is more likely faulty than not. */
	suspects = $derived(
		new Map(
			[...this.assessment.causes]
				.reverse()
				.filter(({ stringId, probability }) => stringId !== null && probability > 0.5)
				.map(({ stringId, members }) => [stringId!, members.map((member) => member.code)])
		)
	);

	/** @param now of the server, ms since 1970 */
	constructor(document: VisitDocument, assessment: Assessment, now: number) {
		this.document = document;
		this.assessment = assessment;
		this.by = document.visit.by;
		this.setClock(now);
		this.resending.add(() => this.#resendReadings());
	}

	/** Sets the clock by the server's: waits hang on it, and this machine's may jump. */
	setClock(now: number): void {
		this.#clockAhead = now - performance.now();
		this.now = now;
	}

	/** Lets the clock run on, and sends now and then what waits; call it about once a second. */
	tick(): void {
		this.now = performance.now() + this.#clockAhead;
		this.resending.whenDue();
	}

	/**
	 * Hears what others store in this visit, until the returned function is called. After a line that
	 * broke, what waits is sent and everything is loaded anew.
	 *
	 * @param told how many events the server had told when it read this visit, so that it can say
	 *   whether one was missed before the line stood
	 * @param reload loads the visit from the server
	 */
	hear(told: number, reload: () => Promise<void>): () => void {
		const line = new EventSource(`/visits/${this.document.visit.id}/events?since=${told}`);
		let broke = false;
		line.onopen = () => {
			this.hearing = true;
			if (broke) void this.resending.now().finally(reload);
			broke = false;
		};
		line.onerror = () => {
			this.hearing = false;
			broke = true;
		};
		line.onmessage = ({ data }: MessageEvent<string>) => {
			const event = JSON.parse(data) as VisitEvent;
			if (event.kind === 'changed') void reload();
			else void this.#takeIn(event);
		};
		return () => line.close();
	}

	async #takeIn(event: Exclude<VisitEvent, { kind: 'changed' }>): Promise<void> {
		const list = LIST_OF_EVENT[event.kind];
		const entries = this.document.visit[list] as readonly { readonly id: string }[];
		// One's own entry stands here already, or is on its way.
		if (entries.some(({ id }) => id === event.entry.id)) return;
		await this.#adopt({ [list]: [...entries, event.entry] });
	}

	/** The entry of making safe that stands for a step. */
	#standingStep(step: string): SafetyEntry | null {
		return currentSafetyEntries(this.document.visit.safety).get(step) ?? null;
	}

	/**
	 * Stores that a step was done, or what its proving reading showed.
	 *
	 * @returns words where the server refuses it
	 */
	async settle(task: Task, step: string, value: number | null): Promise<string | null> {
		return this.#sendStep(task, step, value, false);
	}

	/** Takes a step back: it and what follows are open again. */
	async reopen(task: Task, step: string): Promise<string | null> {
		return this.#sendStep(task, step, null, true);
	}

	async #sendStep(
		task: Task,
		step: string,
		value: number | null,
		withdrawn: boolean
	): Promise<string | null> {
		const entry: SafetyEntry = {
			id: uuid(),
			step,
			value,
			at: new Date(this.now).toISOString(),
			by: this.by.trim() || this.document.visit.by,
			supersedes: this.#standingStep(step)?.id ?? null,
			withdrawn
		};
		const answer = await sendJson<{ entry: SafetyEntry }>(
			`/visits/${this.document.visit.id}/safety`,
			{ task, entry }
		);
		if (!answer.ok) return answer.words;
		const { safety } = this.document.visit;
		if (!safety.some(({ id }) => id === entry.id)) {
			await this.#adopt({ safety: [...safety, answer.body.entry] });
		}
		return null;
	}

	/** Stores a measured curve; words where the server refuses it. */
	async addCurve(curve: MeasuredCurve): Promise<string | null> {
		const answer = await sendJson(`/visits/${this.document.visit.id}/curves`, curve);
		if (!answer.ok) return answer.words;
		const { curves } = this.document.visit;
		if (!curves.some(({ id }) => id === curve.id))
			await this.#adopt({ curves: [...curves, curve] });
		return null;
	}

	/** Stores what was done about a cause; words where the server refuses it. */
	async addRepair(repair: Omit<RepairEntry, 'readingsBefore'>): Promise<string | null> {
		const answer = await sendJson(`/visits/${this.document.visit.id}/repairs`, repair);
		if (!answer.ok) return answer.words;
		const { repairs } = this.document.visit;
		if (!repairs.some(({ id }) => id === repair.id)) {
			// After which readings it came the server says, whose order counts.
			const { repair: stored } = answer.body as { repair: RepairEntry };
			await this.#adopt({ repairs: [...repairs, stored] });
		}
		return null;
	}

	/**
	 * Takes what the server sent anew. Every list of a visit only grows, so what stands here and not
	 * there is on its way, or was stored after the server had read: it stays.
	 */
	replace(document: VisitDocument, assessment: Assessment): void {
		const here = this.document.visit;
		const later: Partial<Record<VisitList, unknown[]>> = {};
		for (const list of Object.values(LIST_OF_EVENT)) {
			const entries = document.visit[list] as readonly { readonly id: string }[];
			const known = new Set(entries.map(({ id }) => id));
			const mine = (here[list] as typeof entries).filter(({ id }) => !known.has(id));
			if (mine.length > 0) later[list] = [...entries, ...mine];
		}
		this.document = document;
		this.assessment = assessment;
		if (Object.keys(later).length > 0) void this.#adopt(later as Partial<VisitDocument['visit']>);
	}

	/** Readies the workers for the first figure, where one may be typed. */
	warm(): void {
		if (this.#warmed) return;
		this.#warmed = true;
		void warmWorkers(this.document.record, this.document.visit);
	}

	/** Shows why one comes and what the inverter says; the server has it already. */
	setPurpose(purpose: Visit['purpose'], inverterSays: string): void {
		const visit = { ...this.document.visit, purpose, inverterSays };
		this.document = { ...this.document, visit };
	}

	/** The mark of a string, as at the roof and the combiner. */
	labelOf(stringId: string): string {
		return this.document.record.strings.find(({ id }) => id === stringId)?.label ?? '';
	}

	standing(stringId: string, quantity: Quantity): Reading | null {
		return this.currentAt(stringPlace(stringId), quantity);
	}

	currentAt(place: Place, quantity: Quantity): Reading | null {
		return this.#standing.get(placeKey(place, quantity)) ?? null;
	}

	/** Assesses and stores a figure; true if the next place may follow. */
	async enter(entry: Entry): Promise<boolean> {
		return this.#put({
			source: 'typed',
			...entry,
			id: uuid(),
			confirmed: false,
			takenAt: new Date().toISOString(),
			by: this.by.trim() || this.document.visit.by,
			supersedes: this.currentAt(entry.place, entry.quantity)?.id ?? null
		});
	}

	/** Stores the reading that was asked about. */
	async confirm(): Promise<boolean> {
		const asked = this.question;
		this.question = null;
		return asked ? this.#put({ ...asked.reading, confirmed: true }) : false;
	}

	dismiss(): void {
		this.question = null;
	}

	async sendAgain(item: Unsent): Promise<void> {
		this.forget(item);
		await this.#put(item.reading);
	}

	forget(item: Unsent): void {
		this.unsent = this.unsent.filter((other) => other !== item);
	}

	/** Takes the newest standing reading back; null if there is none. */
	async undo(): Promise<Reading | null> {
		const last = this.recent(1)[0];
		if (!last) return null;
		const withdrawal = {
			id: uuid(),
			readingId: last.id,
			at: new Date().toISOString(),
			by: this.by.trim() || this.document.visit.by
		};
		const response = await postEntry(this.document.visit.id, 'withdrawals', withdrawal);
		if (!response.ok) return null;
		await this.#adopt({ withdrawals: [...this.document.visit.withdrawals, withdrawal] });
		return last;
	}

	/** The newest standing readings, newest first. */
	recent(count: number): Reading[] {
		return [...this.#standing.values()]
			.sort((a, b) => (a.takenAt < b.takenAt ? 1 : -1))
			.slice(0, count);
	}

	async #put(reading: Reading): Promise<boolean> {
		const { record, visit } = this.document;
		const tried = { ...visit, readings: [...visit.readings, reading] };
		const judgement = await judgeInWorker().judge(record, tried);
		const place = judgement.places.find(({ key }) => key === keyOf(reading));
		const expected = (place && expectedAt(place)?.value) ?? null;
		const question = reading.confirmed
			? null
			: questionBeforeStoring(reading.value, expected, QUANTITY_FACTS[reading.quantity].unit);
		if (question) {
			this.question = { kind: 'surprising', words: question, reading };
			return false;
		}
		const others = [...findCurrentReadings(visit).values()].filter(
			({ id }) => id !== reading.supersedes
		);
		this.hint = entryHint(reading, expected, others);
		this.storing = new Set([...this.storing, reading.id]);
		this.document = { ...this.document, visit: tried };
		this.assessment = { ...this.assessment, ...judgement };
		void this.#traceAnew();
		void this.#store(reading);
		return true;
	}

	async #store(reading: Reading): Promise<void> {
		const response = await postEntry(this.document.visit.id, 'readings', reading);
		this.storing = new Set([...this.storing].filter((id) => id !== reading.id));
		if (!response.ok) await this.#refused(reading, response);
	}

	/** Sends what got no answer, in the order of its taking, until one gets none again. */
	async #resendReadings(): Promise<void> {
		for (const item of this.unsent.filter(({ again }) => again)) {
			const response = await postEntry(this.document.visit.id, 'readings', item.reading);
			// A question that stands is not put aside for another one.
			if (!response.ok && (response.again || this.question)) return;
			// Dropped, or sent by hand, meanwhile.
			if (!this.unsent.includes(item)) continue;
			this.forget(item);
			if (!response.ok) await this.#refused(item.reading, response);
			else await this.#adopt({ readings: [...this.document.visit.readings, item.reading] });
		}
	}

	/** What the server did not take must not look stored. */
	async #refused(reading: Reading, response: Extract<Posted, { ok: false }>): Promise<void> {
		const without = this.document.visit.readings.filter(({ id }) => id !== reading.id);
		const { refusal } = response;
		if (refusal.kind === 'overtaken' && refusal.standing) {
			const { standing } = refusal;
			await this.#adopt({
				readings: without.some(({ id }) => id === standing.id) ? without : [...without, standing]
			});
			this.question = {
				kind: 'overtaken',
				words: refusal.words,
				reading: { ...reading, supersedes: standing.id }
			};
			return;
		}
		await this.#adopt({ readings: without });
		if (refusal.kind === 'question') {
			this.question = { kind: 'surprising', words: refusal.words, reading };
			return;
		}
		this.unsent = [...this.unsent, { reading, words: refusal.words, again: response.again }];
	}

	/** Answers of the inspection as they stand now: a defect may forbid a test. */
	setInspection(inspection: VisitDocument['inspection']): void {
		this.document = { ...this.document, inspection };
		void this.#traceAnew();
	}

	async #adopt(change: Partial<VisitDocument['visit']>): Promise<void> {
		const visit = { ...this.document.visit, ...change };
		this.document = { ...this.document, visit };
		const { record } = this.document;
		const judgement = await judgeInWorker().judge(record, visit);
		// What came in meanwhile is judged by its own turn.
		if (this.document.visit !== visit) return;
		this.assessment = { ...this.assessment, ...judgement };
		void this.#traceAnew();
	}

	/** Causes and next tests follow the verdicts; of entries in quick turn only the last is traced. */
	async #traceAnew(): Promise<void> {
		if (this.tracing) return;
		this.tracing = true;
		try {
			for (let traced: VisitDocument | null = null; traced !== this.document;) {
				const document: VisitDocument = this.document;
				const { record, visit, inspection } = document;
				const assessment = await assessInWorker().assess(record, visit, inspection);
				traced = document;
				if (visit === this.document.visit) this.assessment = assessment;
			}
		} finally {
			this.tracing = false;
		}
	}
}

export function provideVisit(session: VisitSession): VisitSession {
	return setContext(KEY, session);
}

export function useVisit(): VisitSession {
	return getContext<VisitSession>(KEY);
}
