import { describe, expect, it } from 'vitest';
import { testId } from '../../../tests/support/scenario';
import { SALTMARSH } from '../../../tests/support/sites';
import { type Reading, stringKey, stringPlace } from '../visit';
import { assess } from '../diagnosis';
import { Contraindications } from './contraindications';
import type { InspectionEntry } from '../inspection';
import { visitPlan } from './plan';

const { record, visit } = SALTMARSH;
const [a1, a2] = record.strings;
const finding = (
	stop: string,
	place: InspectionEntry['place'],
	severity: InspectionEntry['severity'] = 'act-now'
): InspectionEntry => ({
	id: testId(9000),
	stop,
	outcome: 'finding',
	severity,
	place,
	words: 'Seen',
	measured: null,
	infrared: null,
	photographs: [],
	at: '2026-11-17T10:00:00Z',
	by: 'Wren Halloway',
	supersedes: null,
	withdrawn: false
});
const at = (string: string, module: number) =>
	({ kind: 'module', stringId: string, module }) as const;
/** Standing readings of a string dry to earth. */
const dry = (ids: readonly string[]): ReadonlyMap<string, Reading> =>
	new Map(
		ids.flatMap((id) =>
			(['positive-to-earth', 'negative-to-earth'] as const).map((quantity) => [
				stringKey(id, quantity),
				{ value: 1 } as Reading
			])
		)
	);
const all = dry(record.strings.map(({ id }) => id));
const against = (
	inspection: readonly InspectionEntry[],
	place = stringPlace(a1!.id),
	standing = all
) =>
	new Contraindications(record, inspection, standing).against('insulation-wet', place)?.because ??
	null;

describe('a wet insulation test', () => {
	it('is forbidden by broken glass, whatever its priority', () => {
		expect(against([finding('glass', at(a1!.id, 4), 'note')])).toBe('broken-glass');
		expect(against([finding('glass', at(a2!.id, 4))])).toBeNull();
		expect(against([finding('glass', null)])).toBe('broken-glass');
	});

	it('of the whole array is forbidden by broken glass anywhere', () => {
		const whole = new Contraindications(record, [finding('glass', at(a2!.id, 4))], all);
		expect(whole.against('insulation-wet', { kind: 'array' })?.because).toBe('broken-glass');
	});

	it('is forbidden by an immediate defect of live parts, and by no lesser one', () => {
		expect(against([finding('connectors', at(a1!.id, 4))])).toBe('damaged-equipment');
		expect(against([finding('connectors', at(a1!.id, 4), 'mend-soon')])).toBeNull();
		const combiner = record.parts.find(({ kind }) => kind === 'combiner')!;
		const box = finding(`box-terminals/${combiner.id}`, { kind: 'part', partId: combiner.id });
		expect(against([box])).toBe('damaged-equipment');
	});

	it('comes after the dry tests', () => {
		expect(against([], stringPlace(a1!.id), new Map())).toBe('dry-tests-first');
		const insulation = new Map([
			[stringKey(a1!.id, 'insulation-resistance'), { value: 5 } as Reading]
		]);
		expect(against([], stringPlace(a1!.id), insulation)).toBeNull();
		expect(against([], { kind: 'array' } as never, dry([a1!.id]))).toBe('dry-tests-first');
		expect(against([], { kind: 'array' } as never, all)).toBeNull();
	});

	it('is allowed again where the finding was taken back', () => {
		const glass = finding('glass', at(a1!.id, 4));
		const back = { ...glass, id: testId(9001), supersedes: glass.id, withdrawn: true };
		expect(against([glass, back])).toBeNull();
	});
});

describe('other tests', () => {
	const burnt = new Contraindications(record, [finding('connectors', at(a1!.id, 3))], new Map());
	it('open no connector of a string with an immediate defect before its insulation was read', () => {
		const connector = { kind: 'joint', string: a1!.id, joint: 6 } as const;
		expect(burnt.against('joint-resistance', connector)?.because).toBe('insulation-first');
		expect(burnt.against('joint-resistance', { ...connector, string: a2!.id })).toBeNull();
		expect(burnt.against('open-circuit-voltage', stringPlace(a1!.id))).toBeNull();
		// Infrared looks at a connector and opens none.
		expect(burnt.against('joint-rise', connector)).toBeNull();
	});

	it('cover no module of broken glass', () => {
		const glass = new Contraindications(record, [finding('glass', at(a1!.id, 3))], new Map());
		const module = { kind: 'module', string: a1!.id, module: 3, section: 1 } as const;
		expect(glass.against('cover-current', module)?.because).toBe('broken-glass');
		expect(glass.against('cover-current', { ...module, module: 4 })).toBeNull();
	});
});

describe('plan and diagnosis', () => {
	const says = { ...visit, inverterSays: 'Insulation fault, Riso low' };
	const wet = (inspection: readonly InspectionEntry[]) => {
		const assessment = assess(record, says, inspection);
		const plan = visitPlan(record, says, assessment.places, inspection);
		return {
			proposed: assessment.next.some(({ quantity }) => quantity === 'insulation-wet'),
			planned: plan.blocks.some(({ stops }) =>
				stops.some(({ items }) => items.some(({ quantity }) => quantity === 'insulation-wet'))
			),
			withheld: assessment.remarks.flatMap((remark) =>
				remark.code === 'test-withheld' && remark.quantity === 'insulation-wet'
					? [remark.because]
					: []
			)
		};
	};

	it('agree that the wet test waits, and say why', () => {
		expect(wet([])).toEqual({ proposed: false, planned: false, withheld: ['dry-tests-first'] });
		expect(wet([finding('glass', at(a1!.id, 4))]).withheld).toContain('broken-glass');
	});
});
