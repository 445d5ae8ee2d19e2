import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import type { SafetyEntry } from '../visit';
import { step } from './arrival';
import { PRACTICE, say } from './messages';
import { incompleteSteps, progressOf, currentSafetyEntries } from './progress';
import type { SafetyStep } from './step';

const START = Date.UTC(2026, 10, 17, 9);
const at = (seconds: number) => new Date(START + 1000 * seconds).toISOString();
const clock = (seconds: number) => () => START + 1000 * seconds;

const SOME = say('isolation.fuses-out');
const DO = step('down', { key: 'do', title: SOME });
const WAIT = step('down', {
	key: 'wait',
	title: SOME,
	wait: { seconds: 300, why: SOME, source: PRACTICE },
	proof: { what: SOME, unit: 'V', limit: { most: 30 }, source: PRACTICE, beyond: SOME }
});
const LAST = step('down', { key: 'last', title: SOME });
const STEPS = [DO, WAIT, LAST];

let n = 0;
const entry = (
	key: string,
	seconds: number,
	value: number | null = null,
	more: Partial<SafetyEntry> = {}
): SafetyEntry => ({
	id: `e${++n}`,
	step: key,
	value,
	at: at(seconds),
	by: 'Tamsin Orrell',
	supersedes: null,
	withdrawn: false,
	...more
});
const states = (
	entries: readonly SafetyEntry[],
	seconds: number,
	steps: readonly SafetyStep[] = STEPS
) => progressOf(steps, entries, clock(seconds)).map(({ state }) => state);

describe('a sequence', () => {
	it('opens one step after the other', () => {
		expect(states([], 0)).toEqual(['next', 'later', 'later']);
		expect(states([entry('do', 0)], 300)).toEqual(['done', 'next', 'later']);
		expect(states([entry('do', 0), entry('wait', 300, 12)], 301)).toEqual(['done', 'done', 'next']);
	});

	it('waits from the step before, and says how long still', () => {
		const [, waiting] = progressOf(STEPS, [entry('do', 0)], clock(120));
		expect(waiting).toMatchObject({ state: 'waiting', remaining: 180 });
		expect(states([entry('do', 0)], 299)).toEqual(['done', 'waiting', 'later']);
	});

	it('that was proved before its time is not proved', () => {
		expect(states([entry('do', 0), entry('wait', 200, 2)], 400)).toEqual([
			'done',
			'not-proved',
			'later'
		]);
	});

	it('is not proved by a figure beyond the limit', () => {
		const entries = [entry('do', 0), entry('wait', 310, 31)];
		expect(states(entries, 311)).toEqual(['done', 'not-proved', 'later']);
		expect(incompleteSteps(progressOf(STEPS, entries, clock(311)))).toEqual([WAIT]);
	});

	it('is not settled by a tick where a reading is wanted', () => {
		expect(states([entry('do', 0), entry('wait', 310)], 311)[1]).toBe('not-proved');
	});

	it('counts what was entered while it was one step with others, until it is entered by itself', () => {
		const split = [
			{ ...WAIT, wait: null, key: 'dc', earlierKey: 'both' },
			{ ...WAIT, wait: null, key: 'ac', earlierKey: 'both' }
		];
		const both = entry('both', 5, 12);
		expect(states([both], 6, split)).toEqual(['done', 'done']);
		expect(states([both, entry('dc', 7, null, { withdrawn: true })], 8, split)).toEqual([
			'next',
			'later'
		]);
		expect(states([both, entry('ac', 7, 400)], 8, split)).toEqual(['done', 'not-proved']);
	});

	it('begins anew from a step that was done anew', () => {
		const first = entry('do', 0);
		const again = entry('do', 1000, null, { supersedes: first.id });
		expect(states([first, entry('wait', 320, 3), again], 1001)).toEqual([
			'done',
			'waiting',
			'later'
		]);
	});

	it('is held where something forbids a step', () => {
		const blocked = { ...DO, blocked: [say('isolation.category.clamp')] };
		expect(states([entry('do', 0)], 10, [blocked, LAST])).toEqual(['blocked', 'later']);
	});

	it('asks what time it is only while a step waits', () => {
		const never = () => {
			throw new Error('nobody should ask');
		};
		expect(() => progressOf(STEPS, [], never)).not.toThrow();
		expect(() => progressOf([DO, LAST], [entry('do', 0)], never)).not.toThrow();
		expect(() => progressOf(STEPS, [entry('do', 0)], never)).toThrow('nobody should ask');
	});

	it('has one open step at most, everything before it done and everything after it later', () => {
		const keys = fc.constantFrom('do', 'wait', 'last');
		const one = fc.record({
			key: keys,
			seconds: fc.integer({ min: 0, max: 2000 }),
			value: fc.option(fc.integer({ min: 0, max: 60 }))
		});
		fc.assert(
			fc.property(
				fc.array(one, { maxLength: 8 }),
				fc.integer({ min: 0, max: 3000 }),
				(list, now) => {
					const found = states(
						list.map(({ key, seconds, value }) => entry(key, seconds, value)),
						now
					);
					const open = found.findIndex((state) => state !== 'done');
					if (open < 0) return;
					expect(found.slice(open + 1).every((state) => state === 'later')).toBe(true);
					expect(found[open]).not.toBe('later');
				}
			)
		);
	});

	it('is never shortened by a clock that was set back', () => {
		expect(progressOf(STEPS, [entry('do', 1000)], clock(0))[1]).toMatchObject({
			state: 'waiting',
			remaining: 300
		});
	});
});

describe('what stands', () => {
	it('is the newest of a step that nobody took back', () => {
		const first = entry('wait', 0, 40);
		const second = entry('wait', 10, 12, { supersedes: first.id });
		expect(currentSafetyEntries([first, second]).get('wait')).toBe(second);
		const back = entry('wait', 20, null, { supersedes: second.id, withdrawn: true });
		expect(currentSafetyEntries([first, second, back]).has('wait')).toBe(false);
	});
});
