import type { ModuleType, StringRecord } from '../record';
import { modulesPerDevice, partsOfSpread, type Spread } from '../faults';
import type { FaultOfSize } from './string-class';

/** One fault of one size at one place of its string. */
export interface Suspect extends FaultOfSize {
	/**
	 * Index of the part by the fault's spread: module, joint or device from the negative end, pole (0
	 * positive), section as module times sections plus section; 0 where it concerns the whole string.
	 */
	readonly at: number;
}

/** What locates a suspect: the string and the sections of its modules. */
export interface StringBuild {
	readonly string: StringRecord;
	readonly type: ModuleType;
}

/** How many places a fault of this spread has. */
export function placesOf(spread: Spread, { string, type }: StringBuild): number {
	return partsOfSpread(spread, string, type);
}

/** Modules, from 0, that a place of a spread covers: [first, count]. */
export function modulesAt(
	spread: Spread,
	at: number,
	{ string, type }: StringBuild
): readonly [first: number, count: number] {
	switch (spread) {
		case 'module':
			return [at, 1];
		case 'section':
			return [Math.floor(at / type.plate.sections), 1];
		case 'device': {
			const each = modulesPerDevice(string);
			return [at * each, Math.min(each, string.moduleCount - at * each)];
		}
		default:
			return [0, string.moduleCount];
	}
}
