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
						cause: { words: expect.stringContaining('current is low') }
					}
				]
			}
		});
		const { clipping, energy } = (answer as { value: Record<string, { days?: string[] }[]> }).value;
		expect(clipping).toHaveLength(23);
		expect(clipping![0]!.days).toEqual(['2026-04-22', '2026-05-07']);
		expect(energy).toHaveLength(24);
	});

	it('goes by energies of whole days, and says what cannot be seen in them', () => {
		const units = Array.from({ length: 12 }, (_, i) => `K1 ${i + 1}`);
		const lines = Array.from({ length: 60 }, (_, day) => {
			const date = new Date(Date.UTC(2026, 4, 1 + day)).toISOString().slice(0, 10);
			const kWh = 1.4 + 0.2 * Math.sin(1.7 * day);
			return [date, ...units.map((_, u) => (u === 3 && day >= 30 ? kWh / 2 : kWh).toFixed(3))];
		});
		const csv = [['Date', ...units.map((unit) => `${unit} Energy (kWh)`)], ...lines].join('\n');
		expect(watch({ visit: kilnLane, csv })).toMatchObject({
			ok: true,
			value: {
				from: '2026-05-01',
				to: '2026-06-29',
				refused: 0,
				events: [{ unit: 'K1 4', kind: 'step', since: '2026-05-31', until: null }],
				clipping: [],
				notes: [expect.stringContaining('One figure a day'), expect.anything()]
			}
		});
	});

	it('takes the factors of shunts and dividers by heading', () => {
		const lines = Array.from({ length: 96 }, (_, i) => {
			const at = new Date(Date.UTC(2026, 4, 1) + i * 900_000).toISOString();
			return `${at},30,30`;
		});
		const csv = ['Time,K1 U (V),K1 shunt (mV)', ...lines].join('\n');
		const answer = watch({
			visit: kilnLane,
			csv,
			factors: { 'K1 U (V)': 11, 'K1 shunt (mV)': 0.2 }
		});
		// 330 V times 6 A for a day.
		expect(answer).toMatchObject({
			ok: true,
			value: { energy: [{ kWh: expect.closeTo(0.33 * 6 * 24, 0) }] }
		});
	});

	it('asks the questions that the screen asks', () => {
		const csv =
			'Time;Total (W)\n2026-06-05 11:00;1.760\n2026-06-05 12:00;3.400\n2026-06-05 13:00;0';
		const answer = watch({ visit: kilnLane, csv }) as { value: { doubts: readonly string[] } };
		expect(answer.value.doubts).toEqual([expect.stringContaining('1760')]);
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
