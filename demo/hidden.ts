import type { HiddenFault } from '$core/training';
import type { ArrayRecord } from '$core/record';
import { CAIRN_DAY } from './cairn-rigg';
import { KILN_DAY } from './kiln-lane';
import { HOLLIN_DAYS } from './hollin-creek';

/** What is planted where, for whoever traces the demo: by visit, indices from 0 at the negative end. */
export interface HiddenVisit {
	readonly visit: string;
	readonly faults: readonly HiddenFault[];
	/** Light and heat that truly reached the cells, W/m2 and degC. */
	readonly irradiance: number;
	readonly cellTemperature: number;
}

const at = (
	code: HiddenFault['code'],
	string: string,
	place: number | null,
	size: number | null = null
): HiddenFault => ({ code, strings: [string], at: place, size, placed: [] });

/** Saltmarsh has its readings by its own way of planting; here is where the parts sit. */
const SALTMARSH: HiddenVisit = {
	visit: '019a8000-0000-7000-8000-000000000004',
	irradiance: 604,
	cellTemperature: 24.6,
	faults: [
		// The second section of module 6.
		at('bypass-diode-shorted', 'A2', 5 * 3 + 1, 1),
		at('module-missing', 'A4', null, 1),
		at('fuse-blown', 'B1', 0),
		at('connector-resistive', 'B3', 7, 5)
	]
};

const hollin = (n: number, day: keyof typeof HOLLIN_DAYS): HiddenVisit => ({
	visit: `019a8001-0000-7000-8000-00000000${n}004`,
	...HOLLIN_DAYS[day]
});

export const HIDDEN: Readonly<Record<string, HiddenVisit>> = {
	saltmarsh: SALTMARSH,
	device: hollin(1, 'low'),
	weak: hollin(2, 'weak'),
	dark: hollin(3, 'dark'),
	earth: hollin(4, 'earth'),
	hut: { visit: '019a8002-0000-7000-8000-000000001004', ...CAIRN_DAY },
	office: {
		visit: '019a8003-0000-7000-8000-000000001004',
		irradiance: KILN_DAY.irradiance,
		cellTemperature: KILN_DAY.cellTemperature,
		faults: [at('module-degraded', 'K2', KILN_DAY.weak.module - 1, 1 - KILN_DAY.weak.left)]
	}
};

/** Id of the string that carries a planted fault; null where several do. */
export function stringOfFault(record: ArrayRecord, { strings }: HiddenFault): string | null {
	return strings.length === 1
		? (record.strings.find(({ label }) => label === strings[0])?.id ?? null)
		: null;
}
