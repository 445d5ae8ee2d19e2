import { readFileSync } from 'node:fs';
import { describe, expect, it } from 'vitest';
import demo from '../../demo/saltmarsh-2026-11-17.zembo-visit.json';
import { COMMANDS, run } from './commands';

interface Answer {
	readonly noCauses?: string;
	readonly causes: {
		readonly probability: number;
		readonly members: { readonly code: string; readonly place: Record<string, unknown> }[];
	}[];
	readonly next: { readonly title: string; readonly information: number }[];
}
interface NeutralCase {
	readonly id: string;
	readonly truth: unknown;
	readonly readings: { readonly place: Record<string, unknown> }[];
}

const file = new URL('../../tests/reference/data/visits.json', import.meta.url);
const { cases } = JSON.parse(readFileSync(file, 'utf8')) as { cases: NeutralCase[] };
const given = (id: string) => {
	const { truth: _, ...rest } = cases.find((one) => one.id === id)!;
	return rest;
};
const trace = (input: unknown) => {
	const answer = run(COMMANDS.trace!, input);
	if (!answer.ok) throw new Error(JSON.stringify(answer.problem));
	return answer.value as Answer;
};
const first = (id: string) => trace(given(id)).causes[0]!;

describe('zembo trace', () => {
	it('answers a neutral visit in its own keys, best first, with next tests', () => {
		const { causes, next } = trace(given('e011'));
		expect(causes[0]!.members.map(({ code }) => code)).toContain('module-missing');
		expect(causes[0]!.members[0]!.place).toEqual({ string: 'S10' });
		expect(causes[0]!.probability).toBeGreaterThan(0.9);
		expect(next[0]!.title).toBe('Count the modules of S10');
		expect(next[0]!.information).toBeGreaterThan(0.3);
	});

	it('keys places as they are: input, pair, site, pole, joint, inverter, nothing', () => {
		expect(first('e012').members[0]!.place).toEqual({ site: true });
		expect(first('e006').members[0]!.place).toEqual({ strings: ['S3', 'S4'] });
		expect(first('e032').members[0]!.place).toEqual({ string: 'S2', pole: 'positive' });
		expect(first('e027').members[0]!.place).toEqual({ string: 'S2', modulesFromNegative: 17 });
		expect(first('e033').members[0]!.place).toEqual({ inverter: true });
		expect(first('e019').members[0]!.place).toEqual({ inputs: ['B'] });
		expect(first('e028').members[0]!.place).toEqual({ strings: ['S1'] });
		expect(first('e005')).toMatchObject({ members: [{ code: 'healthy', place: {} }] });
		expect(first('e034').members[0]!.place).toMatchObject({ reading: 'r14' });
	});

	it('answers many at once, and a visit file by its ids', () => {
		const many = run(COMMANDS.trace!, [given('e001'), given('e003')]);
		expect(many).toMatchObject({ ok: true, value: [{ causes: {} }, { causes: {} }] });
		const { causes } = trace(demo);
		expect(causes[0]!.members[0]!.place['string']).toMatch(/^019a8000-/);
	});

	it('says why not: no readings, no conditions, a string of another array, no such type', () => {
		const e005 = given('e005') as unknown as Record<string, unknown>;
		expect(trace({ ...e005, readings: [] }).noCauses).toContain('nothing is read');
		expect(trace({ ...e005, conditions: {} }).noCauses).toContain('irradiance');
		const [reading] = given('e005').readings;
		const elsewhere = run(COMMANDS.trace!, {
			...e005,
			readings: [{ ...reading, place: { string: 'Z9' } }]
		});
		expect(elsewhere).toMatchObject({ ok: false, problem: { mend: /another array/ } });
		expect(run(COMMANDS.trace!, { record: {}, readings: [] })).toMatchObject({ ok: false });
		const record = e005['record'] as { strings: object[] };
		expect(
			run(COMMANDS.trace!, {
				...e005,
				record: { ...record, strings: [{ ...record.strings[0], type: 'T9' }] }
			})
		).toMatchObject({ ok: false, problem: { where: 'record.strings' } });
	});

	it('is never certain of a part from one reading', () => {
		const one = given('e040');
		const [reading] = one.readings;
		for (const { probability, members } of trace({ ...one, readings: [reading] }).causes) {
			if (members[0]!.code !== 'healthy') expect(probability).toBeLessThan(0.6);
		}
	});
});
