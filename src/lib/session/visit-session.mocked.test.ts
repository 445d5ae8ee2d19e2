import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import demo from '../../../demo/saltmarsh-2026-11-17.zembo-visit.json';
import { readVisitData, type VisitDocument, type VisitEvent } from '$core/document';
import { type Reading, type SafetyEntry, stringPlace, usualState } from '$core/visit';
import { assess } from '$core/diagnosis';
import { testId } from '../../../tests/support/scenario';
import { VisitSession, type Entry } from './visit-session.svelte';

/* The session against a server that answers as the real one does; the worker is the core itself. */

vi.mock('$lib/workers/assess', async () => {
	const { assess: inCore, judge } = await import('$core/diagnosis/assess');
	type Asked = Parameters<typeof inCore>;
	return {
		judgeInWorker: () => ({
			judge: (...args: Parameters<typeof judge>) => Promise.resolve(judge(...args))
		}),
		assessInWorker: () => ({ assess: (...args: Asked) => Promise.resolve(inCore(...args)) })
	};
});

const NOW = Date.UTC(2026, 10, 17, 12);

function readDemo(): VisitDocument {
	const read = readVisitData(structuredClone(demo));
	if (!read.ok) throw new Error(read.problem.what);
	return read.value;
}

interface Sent {
	readonly path: string;
	readonly body: Record<string, unknown>;
}
let sent: Sent[];
let plan: ((one: Sent) => Response | 'gone')[];
/** The line that the session listens on. */
class FakeLine {
	static last: FakeLine;
	onopen: (() => void) | null = null;
	onerror: (() => void) | null = null;
	onmessage: ((event: { data: string }) => void) | null = null;
	closed = false;
	constructor(readonly address: string) {
		FakeLine.last = this;
	}
	close(): void {
		this.closed = true;
	}
	say(event: VisitEvent): void {
		this.onmessage?.({ data: JSON.stringify(event) });
	}
}

let session: VisitSession;
beforeEach(() => {
	sent = [];
	plan = [];
	vi.stubGlobal('EventSource', FakeLine);
	vi.stubGlobal('fetch', (path: string, { body }: RequestInit) => {
		const one = { path, body: JSON.parse(String(body)) as Record<string, unknown> };
		sent.push(one);
		const reply = plan.shift()?.(one) ?? new Response(JSON.stringify(stored(one)), { status: 201 });
		return reply === 'gone' ? Promise.reject(new TypeError('gone')) : Promise.resolve(reply);
	});
	const document = readDemo();
	session = new VisitSession(document, assess(document.record, document.visit), NOW);
});
afterEach(() => vi.unstubAllGlobals());

/** What the server answers to what it stored. */
const stored = ({ path, body }: Sent) => (path.endsWith('/safety') ? { entry: body['entry'] } : {});
const refusing = (status: number, answer: object) => () =>
	new Response(JSON.stringify(answer), { status });

const [a1, a2] = readDemo().record.strings;
const entry = (value: number, string = a1!): Entry => ({
	place: stringPlace(string.id),
	quantity: 'open-circuit-voltage',
	state: usualState('open-circuit-voltage'),
	value,
	atVolts: null,
	typed: String(value)
});
/** Lets everything that was begun come to its end. */
const settled = () => vi.waitFor(() => expect(session.storing.size).toBe(0));

describe('a figure that is entered', () => {
	it('stands at once with its verdict, replaces what stood, and is stored behind that', async () => {
		const before = session.standing(a1!.id, 'open-circuit-voltage')!;
		expect(await session.enter(entry(476.2))).toBe(true);
		const reading = session.standing(a1!.id, 'open-circuit-voltage')!;
		expect(reading).toMatchObject({ value: 476.2, supersedes: before.id, source: 'typed' });
		expect(session.places.get(`${a1!.id}/open-circuit-voltage`)).toMatchObject({ verdict: 'pass' });
		await settled();
		expect(sent[0]).toMatchObject({
			path: expect.stringMatching(/\/readings$/),
			body: { id: reading.id }
		});
		expect(session.pending).toBe(false);
	});

	it('about ten times as large is asked about first, and stored if confirmed', async () => {
		expect(await session.enter(entry(4762))).toBe(false);
		expect(session.question?.words).toContain('about ten times as much');
		expect(sent).toEqual([]);
		session.dismiss();
		expect(session.question).toBeNull();
		await session.enter(entry(4762));
		expect(await session.confirm()).toBe(true);
		expect(session.standing(a1!.id, 'open-circuit-voltage')).toMatchObject({ confirmed: true });
	});

	it('read the wrong way is hinted at at once', async () => {
		await session.enter(entry(-476));
		expect(session.hint).toContain('Change the leads');
		await session.enter(entry(476));
		expect(session.hint).toBeNull();
	});

	it('that the server does not take does not look stored, and can be sent again', async () => {
		const before = session.standing(a1!.id, 'open-circuit-voltage')!;
		plan.push(() => 'gone');
		await session.enter(entry(470));
		await settled();
		await vi.waitFor(() => expect(session.unsent).toHaveLength(1));
		expect(session.unsent[0]).toMatchObject({
			again: true,
			words: expect.stringContaining('kept here')
		});
		expect(session.standing(a1!.id, 'open-circuit-voltage')!.id).toBe(before.id);
		await session.sendAgain(session.unsent[0]!);
		await settled();
		expect(session.unsent).toEqual([]);
		expect(sent[1]!.body['id']).toBe(sent[0]!.body['id']);
	});

	it('that got no answer is sent by itself when the connection is back', async () => {
		const reload = vi.fn(() => Promise.resolve());
		const others = vi.fn(() => Promise.resolve());
		session.hear(0, reload);
		session.resending.add(others);
		plan.push(
			() => 'gone',
			() => 'gone'
		);
		await session.enter(entry(470));
		await vi.waitFor(() => expect(session.unsent).toHaveLength(1));
		FakeLine.last.onerror!();
		FakeLine.last.onopen!();
		await vi.waitFor(() => expect(reload).toHaveBeenCalledTimes(1));
		// It waits where the answer stays away once more.
		expect([sent.length, session.unsent.length]).toEqual([2, 1]);
		FakeLine.last.onerror!();
		FakeLine.last.onopen!();
		await vi.waitFor(() => expect(reload).toHaveBeenCalledTimes(2));
		expect(sent.map(({ body }) => body['id'])).toEqual(Array(3).fill(sent[0]!.body['id']));
		expect(session.unsent).toEqual([]);
		expect(session.standing(a1!.id, 'open-circuit-voltage')).toMatchObject({ value: 470 });
		expect(others).toHaveBeenCalledTimes(2);
	});

	it('that is asked about does not take the place of another question', async () => {
		const reload = vi.fn(() => Promise.resolve());
		session.hear(0, reload);
		plan.push(
			() => 'gone',
			refusing(409, { kind: 'question', words: 'Far from what is expected.' })
		);
		await session.enter(entry(470));
		await vi.waitFor(() => expect(session.unsent).toHaveLength(1));
		await session.enter(entry(47, a2!));
		const asked = session.question;
		expect(asked).not.toBeNull();
		FakeLine.last.onerror!();
		FakeLine.last.onopen!();
		await vi.waitFor(() => expect(reload).toHaveBeenCalledTimes(1));
		expect(session.question).toBe(asked);
		expect(session.unsent).toHaveLength(1);
	});

	it('that was refused is not sent by itself', async () => {
		const reload = vi.fn(() => Promise.resolve());
		session.hear(0, reload);
		plan.push(refusing(409, { kind: 'make-safe', words: 'Isolate first.' }));
		await session.enter(entry(470));
		await vi.waitFor(() => expect(session.unsent).toHaveLength(1));
		FakeLine.last.onerror!();
		FakeLine.last.onopen!();
		await vi.waitFor(() => expect(reload).toHaveBeenCalledTimes(1));
		expect(sent).toHaveLength(1);
	});

	it('before which steps of making safe stand is refused with the next one', async () => {
		plan.push(refusing(409, { kind: 'make-safe', words: 'Make safe first. Next: AC off.' }));
		await session.enter(entry(470));
		await vi.waitFor(() => expect(session.unsent).toHaveLength(1));
		expect(session.unsent[0]!.words).toContain('Make safe first');
		session.forget(session.unsent[0]!);
		expect(session.pending).toBe(false);
	});

	it('where somebody else stored meanwhile shows theirs, and asks', async () => {
		const theirs: Reading = {
			...session.standing(a1!.id, 'open-circuit-voltage')!,
			id: testId(0x99),
			value: 470.4,
			by: 'Other'
		};
		plan.push(refusing(409, { kind: 'overtaken', words: 'Other stored 470.4', standing: theirs }));
		await session.enter(entry(471));
		await vi.waitFor(() => expect(session.question?.kind).toBe('overtaken'));
		expect(session.document.visit.readings.some(({ id }) => id === theirs.id)).toBe(true);
		expect(await session.confirm()).toBe(true);
		await settled();
		expect(sent.at(-1)!.body).toMatchObject({ value: 471, supersedes: theirs.id });
	});

	it('is taken back by undo, and what it replaced stands again', async () => {
		const before = session.standing(a2!.id, 'open-circuit-voltage')!;
		await session.enter(entry(470, a2!));
		await settled();
		const last = session.recent(1)[0]!;
		expect(last.value).toBe(470);
		expect((await session.undo())!.id).toBe(last.id);
		expect(session.standing(a2!.id, 'open-circuit-voltage')!.id).toBe(before.id);
	});
});

describe('what others store', () => {
	it('is taken in, once, and heard from again after a line that broke', async () => {
		const reload = vi.fn(() => Promise.resolve());
		const deaf = session.hear(0, reload);
		FakeLine.last.onopen!();
		expect(session.hearing).toBe(true);
		expect(reload).not.toHaveBeenCalled();
		const theirs = { ...session.standing(a1!.id, 'open-circuit-voltage')! };
		const fresh: Reading = { ...theirs, id: testId(0x77), value: 468.1, supersedes: theirs.id };
		FakeLine.last.say({ kind: 'reading', entry: fresh });
		FakeLine.last.say({ kind: 'reading', entry: fresh });
		await vi.waitFor(() =>
			expect(session.standing(a1!.id, 'open-circuit-voltage')).toMatchObject({ value: 468.1 })
		);
		const again = session.document.visit.readings.filter(({ id }) => id === fresh.id);
		expect(again).toHaveLength(1);
		FakeLine.last.onerror!();
		expect(session.hearing).toBe(false);
		FakeLine.last.onopen!();
		await vi.waitFor(() => expect(reload).toHaveBeenCalledTimes(1));
		FakeLine.last.say({ kind: 'changed' });
		expect(reload).toHaveBeenCalledTimes(2);
		deaf();
		expect(FakeLine.last.closed).toBe(true);
	});

	it('comes with the whole visit, and what is on its way stays', async () => {
		let answer = (_: Response) => {};
		vi.stubGlobal('fetch', () => new Promise<Response>((resolve) => (answer = resolve)));
		await session.enter(entry(470));
		const own = session.standing(a1!.id, 'open-circuit-voltage')!;
		const others = readDemo();
		const said = { ...others.visit, inverterSays: 'Riso' };
		session.replace({ ...others, visit: said }, assess(others.record, said));
		await vi.waitFor(() =>
			expect(session.standing(a1!.id, 'open-circuit-voltage')!.id).toBe(own.id)
		);
		expect(session.document.visit.inverterSays).toBe('Riso');
		answer(new Response('{}', { status: 201 }));
		await settled();
	});

	it('comes with what the server had read before one’s own was stored, which stays too', async () => {
		const before = readDemo();
		await session.enter(entry(471));
		await settled();
		await session.settle('dead', 'arrival/weather', null);
		const steps = session.document.visit.safety.length;
		session.replace(before, assess(before.record, before.visit));
		await vi.waitFor(() =>
			expect(session.standing(a1!.id, 'open-circuit-voltage')).toMatchObject({ value: 471 })
		);
		expect(session.document.visit.safety).toHaveLength(steps);
	});

	it('of one’s own does not come twice', async () => {
		session.hear(0, () => Promise.resolve());
		await session.enter(entry(476.2));
		const own = session.standing(a1!.id, 'open-circuit-voltage')!;
		const count = session.document.visit.readings.length;
		FakeLine.last.say({ kind: 'reading', entry: own });
		await settled();
		expect(session.document.visit.readings).toHaveLength(count);
	});

	it('is conditions, withdrawals, curves and steps too', async () => {
		session.hear(0, () => Promise.resolve());
		const { visit } = session.document;
		FakeLine.last.say({
			kind: 'conditions',
			entry: { ...visit.conditions[0]!, id: testId(1), follows: true }
		});
		await vi.waitFor(() => expect(session.document.visit.conditions).toHaveLength(2));
		const back = { id: testId(2), readingId: visit.readings[0]!.id, at: visit.startedAt, by: 'x' };
		FakeLine.last.say({ kind: 'withdrawal', entry: back });
		await vi.waitFor(() => expect(session.document.visit.withdrawals).toHaveLength(1));
		const step: SafetyEntry = { ...visit.safety[0]!, id: testId(3), step: 'arrival/weather' };
		FakeLine.last.say({ kind: 'safety', entry: step });
		await vi.waitFor(() => expect(session.document.visit.safety).toHaveLength(2));
	});
});

describe('steps of making safe', () => {
	it('are stored with the figure, at the time that the server says', async () => {
		plan.push(({ body }) => {
			const { entry: asked } = body as unknown as { entry: SafetyEntry };
			const at = '2026-11-17T12:34:56.000Z';
			return new Response(JSON.stringify({ entry: { ...asked, at } }), { status: 201 });
		});
		expect(await session.settle('dead', 'arrival/kit-volts', 1000)).toBeNull();
		expect(session.document.visit.safety.at(-1)).toMatchObject({
			step: 'arrival/kit-volts',
			value: 1000,
			at: '2026-11-17T12:34:56.000Z'
		});
	});

	it('that are refused say why, and nothing stands', async () => {
		plan.push(refusing(409, { words: '270 s must still pass.' }));
		const count = session.document.visit.safety.length;
		expect(await session.settle('dead', 'down/x', 0)).toBe('270 s must still pass.');
		expect(session.document.visit.safety).toHaveLength(count);
	});

	it('are taken back by an entry that supersedes', async () => {
		await session.settle('dead', 'arrival/weather', null);
		const first = session.document.visit.safety.at(-1)!;
		await session.reopen('dead', 'arrival/weather');
		expect(session.document.visit.safety.at(-1)).toMatchObject({
			supersedes: first.id,
			withdrawn: true
		});
	});
});

describe('the clock of a page', () => {
	it('is the server’s, carried on however this machine’s jumps', () => {
		const before = session.now;
		vi.spyOn(Date, 'now').mockReturnValue(0);
		session.tick();
		expect(session.now - before).toBeGreaterThanOrEqual(0);
		expect(session.now - before).toBeLessThan(60_000);
		session.setClock(NOW + 5000);
		expect(session.now).toBe(NOW + 5000);
		vi.restoreAllMocks();
	});
});

describe('a measured curve', () => {
	it('is stored once, and its refusal is said', async () => {
		const curve = {
			id: testId(0x55),
			stringId: a1!.id,
			points: [
				[0, 9],
				[400, 8],
				[476, 0]
			] as const,
			at: null,
			origin: 'typed',
			takenAt: '2026-11-17T12:00:00Z',
			by: 'x',
			supersedes: null
		};
		expect(await session.addCurve(curve)).toBeNull();
		expect(session.document.visit.curves).toEqual([curve]);
		plan.push(refusing(400, { words: 'no such string' }));
		expect(await session.addCurve({ ...curve, id: testId(0x56) })).toBe('no such string');
		expect(session.document.visit.curves).toHaveLength(1);
	});
});
