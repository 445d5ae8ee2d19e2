import { weighEquipmentCase, type EquipmentCase, type EquipmentPosterior } from './equipment-case';
import type { EquipmentBasis } from './basis';
import { mismatchedControllers } from './controllers';
import { wetLeaks } from './insulation';
import { arcs, earthFaultFuses } from './inverter';
import { microInverters } from './units';
import { deadOptimisers } from './optimisers';
import { surgeProtectors, weldedSwitches } from './switchgear';

const SOURCES: readonly ((basis: EquipmentBasis) => readonly EquipmentCase[])[] = [
	weldedSwitches,
	surgeProtectors,
	earthFaultFuses,
	arcs,
	wetLeaks,
	deadOptimisers,
	microInverters,
	mismatchedControllers
];

/** Every part of this array whose fault stands apart from the strings' volts and amps, weighed. */
export function weighEquipment(basis: EquipmentBasis): EquipmentPosterior[] {
	const { standing, takes } = basis;
	return SOURCES.flatMap((source) => source(basis)).map((one) =>
		weighEquipmentCase(one, standing, takes)
	);
}

/** Chance that every part of which something was read or said is sound, and what was read of it right. */
export function allSound(equipmentCases: readonly EquipmentPosterior[]): number {
	return equipmentCases.reduce((product, { told, chances, rightIfSound }) => {
		return told ? product * chances[0]! * rightIfSound : product;
	}, 1);
}
