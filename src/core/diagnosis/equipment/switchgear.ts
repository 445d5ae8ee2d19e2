import { placeKey, usualState } from '../../visit';
import { rateOf } from '../../faults';
import { partsOf, partsOnward } from '../../record';
import { figure } from '../part-figures';
import { statesOf, type EquipmentCase } from './equipment-case';
import { probeOf, type EquipmentBasis } from './basis';

/** Volts behind a switch that is open: none, or those of its strings where a pole is welded. */
export function weldedSwitches({ record, rates, module }: EquipmentBasis): EquipmentCase[] {
	return partsOf(record.parts, 'dc-disconnect').map(({ id, mark }): EquipmentCase => {
		const modules = record.strings
			.filter((string) => partsOnward(record, string.to).some((part) => part.id === id))
			.map(({ moduleCount }) => moduleCount);
		const voltage = Math.max(1, ...modules) * (module?.voltage ?? 40);
		const open = { ...usualState('dc-voltage'), disconnect: 'open', ac: 'off' } as const;
		return {
			place: { part: id },
			where: mark,
			states: statesOf([{ code: 'disconnect-welded', prior: rateOf('disconnect-welded', rates) }]),
			probes: [
				{
					...probeOf(
						{ kind: 'part', part: id, point: 'load' },
						'dc-voltage',
						// One welded pole of two leaves the meter's own path alone: any share of the volts.
						(code) =>
							code === 'disconnect-welded'
								? figure(0.75 * voltage, 0.25 * voltage, voltage)
								: figure(0, 0.012 * voltage, voltage),
						open
					),
					counts: ({ state }) => state?.disconnect === 'open'
				}
			],
			reasons: []
		};
	});
}

/** How seldom a protector whose window was recorded as spent is sound after all; judgement. */
const WINDOW_LIES = 0.03;

/** A surge protector by its window: in the record, or looked at on this visit. */
export function surgeProtectors({ record, rates, standing }: EquipmentBasis): EquipmentCase[] {
	return partsOf(record.parts, 'surge')
		.filter(({ specs }) => specs.window !== 'none')
		.map(({ id, mark, specs }): EquipmentCase => {
			// A look today counts more than what was once recorded.
			const looked = standing.has(placeKey({ kind: 'part', part: id, point: 'window' }, 'lamp'));
			const window = looked || specs.window === 'none' ? null : specs.window;
			const prior = rateOf('spd-failed', rates);
			const spent = window === 'good' ? WINDOW_LIES : 1;
			const sound = window === 'spent' ? WINDOW_LIES * prior : 1;
			return {
				place: { part: id },
				where: mark,
				states: statesOf([{ code: 'spd-failed', prior, said: spent }], sound),
				probes: [
					probeOf({ kind: 'part', part: id, point: 'window' }, 'lamp', (code) =>
						figure(code === 'spd-failed' ? 0 : 1, 0.01, 1)
					)
				],
				reasons:
					window === null
						? []
						: [
								{
									readingId: null,
									weighs: window === 'spent' ? 'for' : 'against',
									words: `Its window is recorded as ${window}.`
								}
							]
			};
		});
}
