import { expect, it } from 'vitest';
import demo from '../../../demo/hollin-creek-2026-11-10.zembo-visit.json';
import { readVisitData, type VisitDocument } from '$core/document';
import { assess } from '$core/diagnosis';
import { assessed } from './assessed';

function readDemo(): VisitDocument {
	const read = readVisitData(structuredClone(demo));
	if (!read.ok) throw new Error(read.problem.what);
	return read.value;
}
const named = (id: string): VisitDocument => {
	const document = readDemo();
	return { ...document, visit: { ...document.visit, id } };
};

it('a visit that stands as it stood is not weighed anew', () => {
	const first = assessed(readDemo());
	expect(first).toEqual(assess(readDemo().record, readDemo().visit));
	expect(assessed(readDemo())).toBe(first);
});

it('every change of the visit or its record is weighed', () => {
	const { record, visit, ...rest } = readDemo();
	const first = assessed({ ...rest, record, visit });
	const fewer = { ...visit, readings: visit.readings.slice(1) };
	expect(assessed({ ...rest, record, visit: fewer })).toEqual(assess(record, fewer));
	const [string, ...others] = record.strings;
	const renamed = { ...record, strings: [{ ...string!, label: 'Z9' }, ...others] };
	expect(assessed({ ...rest, record: renamed, visit })).toEqual(assess(renamed, visit));
	expect(assessed({ ...rest, record, visit })).toEqual(first);
});

it('keeps the visits that were used last', () => {
	const first = assessed(named('one'));
	for (const id of ['two', 'three', 'four']) assessed(named(id));
	expect(assessed(named('one'))).toBe(first);
	for (let id = 0; id < 8; id++) assessed(named(String(id)));
	expect(assessed(named('one'))).not.toBe(first);
});
