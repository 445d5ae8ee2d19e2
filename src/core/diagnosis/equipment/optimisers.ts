import { standbyVoltage } from '../../expectation';
import { settledState, stringPlace, usualState } from '../../visit';
import { rateOf } from '../../faults';
import { figure } from '../part-figures';
import { statesOf, type EquipmentCase } from './equipment-case';
import { probeOf, type EquipmentBasis } from './basis';

/** Standby volts of one unit are as the maker says within so much, V, and alike within so much; judgement. */
const STANDBY = { common: 0.02, each: 0.04 };

/** Strings of optimisers: standby volts count the units, and one that is dead is missing. */
export function deadOptimisers({ record, rates }: EquipmentBasis): EquipmentCase[] {
	return record.strings.flatMap((string): EquipmentCase[] => {
		const { devices } = string;
		const standby = standbyVoltage(record, string);
		if (!standby || devices === null || devices === 'unknown' || devices.kind !== 'optimiser') {
			return [];
		}
		const { count, each } = standby;
		const voltage = (units: number) =>
			figure(
				units * each,
				Math.hypot(STANDBY.common * units * each, STANDBY.each * Math.sqrt(units), 0.05),
				2 * count * each
			);
		const state = {
			...usualState('open-circuit-voltage'),
			transmitter: 'off',
			fuse: 'none'
		} as const;
		return [
			{
				place: { string: string.id },
				where: string.label,
				states: statesOf([
					{ code: 'optimiser-dead', prior: 1 - (1 - rateOf('optimiser-dead', rates)) ** count }
				]),
				probes: [
					{
						...probeOf(
							stringPlace(string.id),
							'open-circuit-voltage',
							(code) => voltage(code === 'optimiser-dead' ? count - 1 : count),
							state
						),
						counts: ({ state: entered }) =>
							entered !== null && settledState(string, entered).transmitter === 'off'
					}
				],
				reasons: []
			}
		];
	});
}
