import { readFileSync } from 'node:fs';
import { describe, expect, it } from 'vitest';
import { readVisitDocument } from '$core/document';
import { assess } from '$core/diagnosis';
import { cardTable, PLANTED, saltmarshVisit } from './saltmarsh';
import { VISITS } from './visits';

const beside = (name: string) => readFileSync(new URL(name, import.meta.url), 'utf8');

describe('the demo', () => {
	it.each(Object.entries(VISITS))('holds %s as its planted array gives it', (name, write) => {
		expect(beside(`./${name}`)).toBe(write());
	});

	it('prints the card that its planted array gives', () => {
		expect(beside('./README.md')).toContain(cardTable());
	});

	it('shows every planted fault, and no other string', () => {
		const read = readVisitDocument(saltmarshVisit());
		if (!read.ok) throw new Error(read.problem.what);
		const { record, visit } = read.value;
		const { causes } = assess(record, visit);
		const found = record.strings.flatMap(({ id, label }) => {
			const first = causes.find((cause) => cause.stringId === id);
			return first && first.probability > 0.5
				? [[label, first.members.map((member) => member.code)] as const]
				: [];
		});
		expect(found.map(([label]) => label)).toEqual(Object.keys(PLANTED));
		for (const [label, codes] of found) expect(codes).toContain(PLANTED[label]!.code);
	});
});
