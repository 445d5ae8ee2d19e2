import { placeKey, stringPlace } from '../visit';
import type { CauseCode } from '../faults';
import { exactWithout, type Scenario } from './scenario';
import type { HiddenFault } from './truth';

/** Faults that no figure of the string shows by its size; they are never too mild. */
const NEVER_MILD: readonly CauseCode[] = [
	'earth-fault',
	'conditions-wrong',
	'record-wrong',
	'clipping',
	'unequal-parallel',
	'strings-swapped',
	'rsd-no-signal',
	'inverter-no-ac',
	'disconnect-open'
];

/** Whether no reading of its string lies two standard uncertainties from what it would be without the fault. */
export function isTooMild(fault: HiddenFault, scenario: Scenario): boolean {
	if (NEVER_MILD.includes(fault.code)) return false;
	const { record, visit, exact } = scenario;
	const string = record.strings.find(({ label }) => label === fault.strings[0])!;
	const sound = exactWithout(scenario, fault).strings.get(string.label)!;
	const n = string.moduleCount;
	const distance = (
		quantity: 'open-circuit-voltage' | 'operating-current' | 'short-circuit-current'
	) => {
		const key = placeKey(stringPlace(string.id), quantity);
		const reading = visit.readings.find((one) => placeKey(one.place, one.quantity) === key);
		const is = reading && exact.get(reading.id);
		if (is === undefined) return 0;
		const voltage = quantity === 'open-circuit-voltage';
		const was = voltage ? sound.voc : quantity === 'operating-current' ? sound.running : sound.isc;
		const { pctOfReading, counts, resolution } = voltage ? visit.meters.volts : visit.meters.amps;
		const meter = Math.hypot((pctOfReading / 100) * was, counts * resolution) / Math.sqrt(3);
		const spread = ((voltage ? 0.008 : 0.012) / Math.sqrt(n)) * was;
		const model = (voltage ? 0.0015 : 0.009) * was;
		return Math.abs(is - was) / Math.hypot(meter, spread, model);
	};
	return (
		Math.max(
			distance('open-circuit-voltage'),
			distance('operating-current'),
			distance('short-circuit-current')
		) < 2
	);
}
