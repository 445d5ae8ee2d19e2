import { describe, expect, it } from 'vitest';
import { assess } from '$core/diagnosis';
import type { VisitDocument } from '$core/document';
import { type InspectionEntry, inspectionOf } from '$core/inspection';
import type { RepairEntry } from '$core/visit';
import { OWN_PROCEDURE } from '$core/isolation';
import { ALL_SITES, HOLLIN_CREEK, KILN_LANE, SALTMARSH } from '../../../tests/support/sites';
import { testId } from '../../../tests/support/scenario';
import type { Block } from './block';
import { inspectionBlocks } from './inspection-blocks';
import { outcomeBlocks, repairBlocks } from './outcome-blocks';
import { readingsBlocks } from './readings-blocks';
import {
	cautionBlocks,
	conditionsBlocks,
	recordBlocks,
	safetyBlocks,
	testEquipmentBlocks
} from './visit-blocks';

const NOW = Date.UTC(2026, 10, 26, 12);
const AT = '2026-11-26T10:00:00Z';
const assessed = ({ record, visit }: VisitDocument) => assess(record, visit);
const lines = (blocks: readonly Block[]): string[] =>
	blocks.flatMap((block): string[] => {
		switch (block.kind) {
			case 'heading':
			case 'text':
				return [block.text];
			case 'list':
				return block.items.flatMap(({ text, soft = [] }) => [text, ...soft]);
			case 'table':
				return block.rows.map((row) =>
					row.flatMap(({ text, soft = [] }) => [text, ...soft]).join(' | ')
				);
			case 'pictures':
				return block.pictures.map(({ id, words }) => `${id}: ${words}`);
			case 'drawing':
				return [block.words];
		}
	});
const text = (blocks: readonly Block[]) => lines(blocks).join('\n');

describe('the conditions of a report', () => {
	it('have light, heat and meters, each with how sure it is and where it comes from', () => {
		const said = text(conditionsBlocks(SALTMARSH, assessed(SALTMARSH)));
		const { irradiance, cellTemperature } = SALTMARSH.visit.conditions.at(-1)!;
		expect(said).toContain(`${irradiance.value} W/m² ±`);
		expect(said).toContain(`cells ${cellTemperature.value} °C ±`);
		expect(said).toContain('sensor in the plane');
	});

	it('name the test equipment with its accuracy and rating', () => {
		const table = testEquipmentBlocks(SALTMARSH).find((block) => block.kind === 'table')!;
		expect(table.rows).toHaveLength(2);
		for (const row of table.rows) expect(row[1]!.text).toMatch(/^± \(.* %/);
	});

	it('are said to be missing where they are', () => {
		const bare = { ...SALTMARSH, visit: { ...SALTMARSH.visit, conditions: [] } };
		expect(text(conditionsBlocks(bare, assessed(bare)))).toContain('Not entered');
	});

	it('warn of light too dim to judge by', () => {
		const [first] = SALTMARSH.visit.conditions;
		const dim = {
			...SALTMARSH,
			visit: {
				...SALTMARSH.visit,
				conditions: [{ ...first!, irradiance: { ...first!.irradiance, value: 180 } }]
			}
		};
		const { warnings } = assessed(dim);
		expect(warnings.length).toBeGreaterThan(0);
		for (const words of warnings) {
			expect(lines(conditionsBlocks(dim, assessed(dim)))).toContain(words);
		}
	});
});

describe('the array of a report', () => {
	it.each(ALL_SITES.map((document) => [document.site.name, document] as const))(
		'has every string of %s, and only types that stand there',
		(_, { record }) => {
			const [strings, types] = recordBlocks(record).filter((block) => block.kind === 'table');
			expect(strings!.rows.map(([label]) => label!.text)).toEqual(
				record.strings.map(({ label }) => label)
			);
			const used = new Set(record.strings.map(({ moduleTypeId }) => moduleTypeId));
			expect(types!.rows).toHaveLength(record.moduleTypes.filter(({ id }) => used.has(id)).length);
		}
	);

	it('says what is not known rather than leaving it out', () => {
		const { record } = SALTMARSH;
		const blind = {
			...record,
			inServiceSince: null,
			strings: record.strings.map((string) => ({
				...string,
				fuse: 'unknown' as const,
				input: null
			}))
		};
		const said = text(recordBlocks(blind));
		expect(said).toContain('in service since unknown');
		expect(said.match(/unknown/g)!.length).toBeGreaterThan(record.strings.length);
	});
});

describe('making safe in a report', () => {
	it('says that nothing was done where nothing was', () => {
		expect(lines(safetyBlocks(HOLLIN_CREEK, assessed(HOLLIN_CREEK), NOW)).at(-1)).toMatch(
			/^No step/
		);
	});

	it('names who answered for a procedure of their own, and that nothing of it was proved', () => {
		const own = {
			id: testId(70),
			step: OWN_PROCEDURE,
			value: null,
			at: AT,
			by: 'Tamsin Orrell',
			supersedes: null,
			withdrawn: false
		};
		const document = {
			...HOLLIN_CREEK,
			visit: { ...HOLLIN_CREEK.visit, safety: [...HOLLIN_CREEK.visit.safety, own] }
		};
		const said = text(safetyBlocks(document, assessed(document), NOW));
		expect(said).toMatch(/^Isolation\nTamsin Orrell worked to a written procedure/);
	});
});

describe('the inspection of a report', () => {
	const stops = inspectionOf(KILN_LANE.record, []).flatMap((segment) => segment.stops);
	const entry = (n: number, more: Partial<InspectionEntry>): InspectionEntry => ({
		id: testId(200 + n),
		stop: stops[n]!.key,
		outcome: 'finding',
		severity: 'mend-soon',
		place: null,
		words: '',
		measured: null,
		infrared: null,
		photographs: [],
		at: AT,
		by: 'Tamsin Orrell',
		supersedes: null,
		withdrawn: false,
		...more
	});
	const inspected = (...inspection: InspectionEntry[]) =>
		lines(inspectionBlocks({ ...KILN_LANE, inspection }));

	it('is left out where nothing was looked at', () => {
		expect(inspected()).toEqual([]);
	});

	it('has findings with where they are, worst first, and their pictures', () => {
		const said = inspected(
			entry(1, { words: 'Label faded', severity: 'note' }),
			entry(2, { words: 'Glass cracked', severity: 'act-now', photographs: ['p-1'] })
		);
		expect(said.slice(0, 2)).toEqual([
			'Inspection',
			`2 of ${stops.length} inspection items were answered.`
		]);
		const at = (words: string) => said.findIndex((line) => line.includes(words));
		expect(at('Found: Glass cracked')).toBeGreaterThan(0);
		expect(at('Found: Glass cracked')).toBeLessThan(at('Found: Label faded'));
		expect(said.at(-1)).toBe('p-1: Glass cracked');
	});

	it('says that there is no finding where all fits, and lists what could not be seen', () => {
		expect(inspected(entry(1, { outcome: 'fits', severity: null })).join('\n')).toContain(
			'No defect'
		);
		const unseen = inspected(
			entry(1, { outcome: 'not-seen', severity: null, words: 'Snow on the modules' })
		);
		expect(unseen).toContain('Not inspected');
		expect(unseen.at(-1)).toContain('Snow on the modules');
	});

	it('has what passed, with its readings, and the photographs of what was not inspected', () => {
		const rack = stops.findIndex(({ key }) => key === 'rack-live');
		const said = inspected(
			entry(rack, { outcome: 'fits', severity: null, measured: 0.3 }),
			entry(1, { outcome: 'not-seen', severity: null, words: 'Snow', photographs: ['p-2'] })
		);
		expect(said).toContain('Passed');
		expect(said.join('\n')).toContain('0.3 V (required ≤ 5 V)');
		expect(said).toContain('p-2: Snow');
	});

	it('never has a limit beside a failure without what was found', () => {
		const rack = stops.findIndex(({ key }) => key === 'rack-live');
		const blocks = inspectionBlocks({
			...KILN_LANE,
			inspection: [entry(rack, { measured: 38, words: '38 V', severity: 'act-now' })]
		});
		const list = blocks.find((block) => block.kind === 'list')!;
		expect(list.items[0]).toMatchObject({
			text: expect.stringContaining('Found: 38 V'),
			soft: [expect.stringMatching(/^Required: .*≤ 5 V/)]
		});
	});
});

describe('the outcome of a report', () => {
	it('has a line for each cause with its chance, and what was not tested', () => {
		const assessment = assessed(SALTMARSH);
		const blocks = outcomeBlocks(SALTMARSH, assessment);
		const table = blocks.find((block) => block.kind === 'table')!;
		expect(table.rows.length).toBeGreaterThan(2);
		for (const row of table.rows) expect(row[2]!.text).toMatch(/%/);
		expect(lines(blocks).at(-1)).toMatch(/^Not tested: /);
	});

	it('says why there is none where nothing was read', () => {
		const unread = { ...SALTMARSH, visit: { ...SALTMARSH.visit, readings: [] } };
		const assessment = assessed(unread);
		const idle = { ...unread, inspection: [] };
		expect(text(outcomeBlocks(idle, assessment))).toContain(assessment.noCauses!);
		// An inspection without readings is complete; its defects are its outcome.
		const said = text(outcomeBlocks(unread, assessment));
		expect(said).not.toContain(assessment.noCauses!);
		expect(said).toMatch(/Defects: 1 Immediate/);
	});
});

describe('what was put right in a report', () => {
	const fuse: RepairEntry = {
		id: testId(90),
		code: 'fuse-blown',
		place: { kind: 'string', string: SALTMARSH.record.strings[0]!.id },
		step: 'repaired',
		kind: 'replace-fuse',
		words: 'Fuse at CB 1, plus',
		serial: 'GPV-15-0042',
		photograph: 'p-7',
		lookAgain: null,
		readingsBefore: null,
		at: AT,
		by: 'Tamsin Orrell'
	};
	const repaired = (...repairs: RepairEntry[]) => {
		const document = { ...SALTMARSH, visit: { ...SALTMARSH.visit, repairs } };
		return text(repairBlocks(document, assessed(document)));
	};

	it('is left out where nothing was', () => {
		expect(repaired()).toBe('');
	});

	it('has place, cause, words, serial, who, and whether its readings prove it', () => {
		const said = repaired(fuse);
		expect(said).toContain('String fuse blown');
		expect(said).toContain('serial GPV-15-0042');
		expect(said).toContain('Fuse at CB 1, plus');
		expect(said).toMatch(/Tamsin Orrell\./);
		expect(said).toMatch(/Open: |Proved by its readings\./);
		expect(said).toContain('p-7: ');
	});

	it('that was left has its day, and no proof', () => {
		const said = repaired({ ...fuse, step: 'accepted', kind: null, lookAgain: '2027-03-20' });
		expect(said).toContain('left as it is, look again on 2027-03-20');
		expect(said).not.toContain('Proved by');
	});
});

describe('the readings of a report', () => {
	it('have a band and a verdict, or why they have none', () => {
		const assessment = assessed(SALTMARSH);
		const [, table] = readingsBlocks(assessment, SALTMARSH.record);
		expect(table).toMatchObject({ kind: 'table' });
		for (const line of lines([table!])) {
			expect(line).toMatch(/± |no basis|not /i);
		}
	});

	it('are left out where there are none', () => {
		const unread = { ...SALTMARSH, visit: { ...SALTMARSH.visit, readings: [] } };
		expect(readingsBlocks(assessed(unread), unread.record)).toEqual([]);
	});
});

describe('the cautions of a report', () => {
	it('end with who decides, and are said once each', () => {
		for (const document of ALL_SITES) {
			const said = lines(cautionBlocks(document, assessed(document)));
			expect(said.at(-1)).toMatch(/decide/);
			const [, ...cautions] = said;
			expect(cautions.length).toBeGreaterThan(0);
		}
	});
});
