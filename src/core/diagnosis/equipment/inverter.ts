import type { FaultCode } from '../../visit';
import { rateOf } from '../../faults';
import { partsOf } from '../../record';
import type { Reason } from '../cause';
import { messageFactor } from '../message';
import { CLOSED_RESISTANCE, OPEN_RESISTANCE } from '../part-figures';
import { statesOf, type EquipmentCase } from './equipment-case';
import { probeOf, type EquipmentBasis } from './basis';

function saidReasons(code: FaultCode, says: string, words: string): Reason[] {
	return messageFactor(code, says) > 1
		? [{ readingId: null, weighs: 'for', words: `The inverter says “${says.trim()}”. ${words}` }]
		: [];
}

/**
 * An inverter's own fuse between a pole and earth. That it is open is the message: the earth fault is
 * looked for at the strings, whose chance of one the same message raises.
 */
export function earthFaultFuses({ record, rates, says }: EquipmentBasis): EquipmentCase[] {
	return partsOf(record.parts, 'inverter').map(({ id, mark }): EquipmentCase => {
		const said = messageFactor('gfdi-fuse-blown', says);
		return {
			place: { part: id },
			where: `${mark}, earth-fault fuse`,
			states: statesOf([
				{ code: 'gfdi-fuse-blown', prior: rateOf('gfdi-fuse-blown', rates), said: said ** 2 }
			]),
			probes: [
				probeOf({ kind: 'part', part: id, point: 'earth-fuse' }, 'fuse-resistance', (code) =>
					code === 'gfdi-fuse-blown' ? OPEN_RESISTANCE : CLOSED_RESISTANCE
				)
			],
			reasons: saidReasons(
				'gfdi-fuse-blown',
				says,
				'Find the earth fault first: a new fuse blows again.'
			)
		};
	});
}

/** An inverter that stopped on an arc, or on the noise of none. */
export function arcs({ record, rates, says }: EquipmentBasis): EquipmentCase[] {
	const said = messageFactor('arc-fault', says);
	// Nothing but the message tells of an arc: without it there is nothing to weigh.
	if (said === 1) return [];
	return partsOf(record.parts, 'inverter').map(({ id, mark }) => ({
		place: { part: id },
		where: `a connector of a string on ${mark}`,
		states: statesOf([{ code: 'arc-fault', prior: rateOf('arc-fault', rates), said: said ** 2 }]),
		probes: [],
		reasons: saidReasons(
			'arc-fault',
			says,
			'Do not re-arm it before every connector of that string is inspected; infrared at the connectors and the insulation resistance lead there.'
		)
	}));
}
