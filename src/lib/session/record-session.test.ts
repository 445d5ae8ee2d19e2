import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { arrayRecord, testId } from '../../../tests/support/scenario';
import { applyChange, type ArrayRecord, type RecordChange } from '$core/record';
import { RecordSession } from './record-session.svelte';

/* The session against a server that answers as the real one does, or does not answer. */

const base = arrayRecord(['A1', 'A2']);
const [a1, a2] = base.strings;
const shorter = (count: number): RecordChange => [
	{ op: 'put', list: 'strings', value: { ...a1!, moduleCount: count } }
];
const other: RecordChange = [{ op: 'put', list: 'strings', value: { ...a2!, moduleCount: 9 } }];

interface Sent {
	readonly id: string;
	readonly base: string;
	readonly change: RecordChange;
}
interface Reply {
	readonly status: number;
	readonly body: object;
}

/** Answers in turn; what is not planned is stored as the server would. */
class FakeServer {
	sent: Sent[] = [];
	plan: ((sent: Sent) => Reply | 'gone')[] = [];
	record: ArrayRecord = base;
	number = 1;

	answer = (_: unknown, request: RequestInit): Promise<Response> => {
		const sent = JSON.parse(String(request.body)) as Sent;
		this.sent.push(sent);
		const reply = (this.plan.shift() ?? ((one) => this.store(one)))(sent);
		if (reply === 'gone') return Promise.reject(new TypeError('fetch failed'));
		return Promise.resolve(new Response(JSON.stringify(reply.body), { status: reply.status }));
	};

	store({ change }: Sent): Reply {
		const changed = applyChange(this.record, change);
		if (!changed.ok) throw new Error(changed.problem);
		this.record = changed.value;
		this.number++;
		return { status: 200, body: this.revision };
	}

	get revision() {
		return {
			id: testId(7000 + this.number),
			number: this.number,
			createdAt: '2026-06-01T10:00:00.000Z'
		};
	}
}

let server: FakeServer;
let session: RecordSession;
beforeEach(() => {
	server = new FakeServer();
	vi.stubGlobal('fetch', server.answer);
	session = new RecordSession(testId(1), { ...server.revision, record: base });
});
afterEach(() => vi.unstubAllGlobals());

const counts = () => session.record.strings.map(({ moduleCount }) => moduleCount);

describe('a change of the record on the screen', () => {
	it('shows before it is stored, and is stored behind that', async () => {
		const stored = session.change('A1 has 11', shorter(11));
		expect(counts()).toEqual([11, 12]);
		expect(session.pending).toBe(true);
		expect(await stored).toBe(true);
		expect(session.pending).toBe(false);
		expect(session.number).toBe(2);
		expect(session.undoable).toBe('A1 has 11');
	});

	it('goes out one after the other, each on what the last one made', async () => {
		await Promise.all([
			session.change('A1 has 11', shorter(11)),
			session.change('A2 has 9', other),
			session.change('A1 has 10', shorter(10))
		]);
		expect(server.sent.map((one) => one.base)).toEqual([testId(7001), testId(7002), testId(7003)]);
		expect(new Set(server.sent.map(({ id }) => id)).size).toBe(3);
		expect(counts()).toEqual([10, 9]);
		expect(server.record).toEqual(session.record);
	});

	it('is taken back by undo, newest first, until there is nothing left', async () => {
		await session.change('A1 has 11', shorter(11));
		await session.change('A2 has 9', other);
		expect(await session.undo()).toBe(true);
		expect(counts()).toEqual([11, 12]);
		expect(session.undoable).toBe('A1 has 11');
		expect(await session.undo()).toBe(true);
		expect(session.record).toEqual(base);
		expect(session.undoable).toBeNull();
		expect(await session.undo()).toBe(false);
		expect(server.record).toEqual(base);
	});

	it('that finds nothing to act on is refused here, and never sent', async () => {
		expect(await session.change('?', [{ op: 'remove', list: 'parts', id: testId(404) }])).toBe(
			false
		);
		expect(session.refusal).toContain('no longer in the record');
		expect(server.sent).toEqual([]);
		expect(session.record).toEqual(base);
	});

	it('takes in what somebody else stored meanwhile', async () => {
		const theirs = applyChange(base, other);
		if (!theirs.ok) throw new Error(theirs.problem);
		server.record = theirs.value;
		server.plan.push((sent) => {
			const { body } = server.store(sent);
			return { status: 200, body: { ...body, record: server.record } };
		});
		await session.change('A1 has 11', shorter(11));
		expect(counts()).toEqual([11, 9]);
	});
});

describe('a change that the server does not take', () => {
	it('is taken off the screen, with its words and what stands there now', async () => {
		const theirs = applyChange(base, shorter(8));
		if (!theirs.ok) throw new Error(theirs.problem);
		server.plan.push(() => ({
			status: 409,
			body: {
				words: 'A1 was changed meanwhile.',
				newest: { ...server.revision, number: 5, record: theirs.value }
			}
		}));
		expect(await session.change('A1 has 11', shorter(11))).toBe(false);
		expect(session.refusal).toBe('A1 was changed meanwhile.');
		expect(counts()).toEqual([8, 12]);
		expect(session.number).toBe(5);
		expect(session.undoable).toBeNull();
	});

	it('for want of a server stays visible, is sent again as the same, and can be given up', async () => {
		server.plan.push(() => 'gone');
		expect(await session.change('A1 has 11', shorter(11))).toBe(false);
		expect(counts()).toEqual([11, 12]);
		expect(session.pending).toBe(true);
		expect(session.refusal).toContain('did not answer');
		expect(await session.tryAgain()).toBe(true);
		expect(server.sent[1]!.id).toBe(server.sent[0]!.id);
		expect(counts()).toEqual([11, 12]);
		server.plan.push(() => ({ status: 503, body: { words: 'The disk is full.' } }));
		await session.change('A1 has 10', shorter(10));
		expect(session.refusal).toBe('The disk is full.');
		session.forget();
		expect(counts()).toEqual([11, 12]);
		expect(session.pending).toBe(false);
		expect(await session.tryAgain()).toBe(true);
	});
});

describe('what the server sends anew', () => {
	it('is taken where it is newer and nothing is on its way', async () => {
		const theirs = applyChange(base, other);
		if (!theirs.ok) throw new Error(theirs.problem);
		const newer = { ...server.revision, number: 3, record: theirs.value };
		const stored = session.change('A1 has 11', shorter(11));
		session.replace(newer);
		expect(counts()).toEqual([11, 12]);
		await stored;
		session.replace(newer);
		expect(counts()).toEqual([12, 9]);
		session.replace({ ...newer, number: 2, record: base });
		expect(counts()).toEqual([12, 9]);
	});
});
