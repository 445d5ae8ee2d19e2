import { describe, expect, it } from 'vitest';
import kilnLane from '../../demo/kiln-lane-2026-11-05.zembo-visit.json';
import { kilnLaneExport, KILN_PLACE } from '../../demo/kiln-lane-export';
import { COMMANDS, run } from './commands';

const watch = (input: unknown) => run(COMMANDS.watch!, input);

describe('zembo watch', () => {
	it('says of an export what the screen says', () => {
		const answer = watch({ visit: kilnLane, csv: kilnLaneExport(), ...KILN_PLACE });
		expect(answer).toMatchObject({
			ok: true,
			value: {
				from: '2026-02-01',
				to: '2026-11-20',
				units: 24,
				matched: 24,
				refused: 0,
				arrayEvents: [],
				notes: [],
				events: [
					{
						unit: 'K2 8',
						kind: 'step',
						since: '2026-03-12',
						until: null,
						cause: { words: expect.stringContaining('amps are low') }
					}
				]
			}
		});
		const { clipping, energy } = (answer as { value: Record<string, { days?: string[] }[]> }).value;
		expect(clipping).toHaveLength(23);
		expect(clipping![0]!.days).toEqual(['2026-04-22', '2026-05-07']);
		expect(energy).toHaveLength(24);
	});

	it.each([
		[{ visit: kilnLane }, 'csv'],
		[{ visit: {}, csv: 'a' }, ''],
		[{ visit: kilnLane, csv: 'no,times\n1,2' }, 'csv'],
		[{ visit: kilnLane, csv: 'Time,A P (W)\n2026-01-01 10:00,x\n2026-01-01 10:15,y' }, 'csv']
	])('refuses what it cannot read, and says where: %#', (input, where) => {
		const answer = watch(input);
		expect(!answer.ok && answer.problem.where).toContain(where);
	});
});
