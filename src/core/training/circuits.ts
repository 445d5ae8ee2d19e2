import {
	BLOCKING_SILICON,
	type BusCircuit,
	type Device,
	type ModuleRun,
	type StringCircuit,
	WHOLE_SUBSTRING
} from '../circuit';
import { USUAL_PARTS } from '../expectation';
import { inject, modulesPerDevice } from '../faults';
import { scaledModule } from '../module';
import type { ArrayRecord, StringRecord } from '../record';
import type { Truth } from './truth';

/** Volts of a shutdown device that is off. */
const OFF_VOLTAGE = 0.6;

/** One string as it truly is before its faults: every module a little different. */
function trueString(record: ArrayRecord, string: StringRecord, truth: Truth): StringCircuit {
	const type = record.moduleTypes.find(({ id }) => id === string.moduleTypeId)!;
	const { sections: substrings, cellsInSeries } = type.plate;
	const runs: ModuleRun[] = truth.spread.get(string.label)!.map(([current, voltage]) => ({
		count: 1,
		params: scaledModule(truth.module, current, voltage),
		sections: Array.from({ length: substrings }, () => WHOLE_SUBSTRING),
		state: 'whole',
		cellsInSeries
	}));
	const each = modulesPerDevice(string);
	const devices: Device[] =
		each === 0
			? []
			: Array.from({ length: Math.ceil(runs.length / each) }, (_, i) => ({
					kind: 'rapid-shutdown',
					first: i * each,
					covers: Math.min(each, runs.length - i * each),
					condition: 'works',
					offVolts: OFF_VOLTAGE
				}));
	const fuse = string.fuse === null ? null : { rating: 20, state: 'whole' as const };
	return {
		name: string.label,
		modules: runs,
		sectionsPerModule: substrings,
		cableResistance: string.cableResistance,
		fuses: { positive: fuse, negative: fuse },
		...(devices.length > 0 && { devices }),
		...(string.blockingDiode === 'silicon' && {
			blockingDiode: { ...BLOCKING_SILICON, state: 'whole' as const }
		})
	};
}

/** The strings of the array as they truly are, by input. */
export function trueBuses(record: ArrayRecord, truth: Truth): Map<string, BusCircuit> {
	const swapped = truth.faults.find(({ code }) => code === 'strings-swapped')?.strings;
	const wearing = (string: StringRecord): StringRecord => {
		const other = swapped?.find((label) => label !== string.label);
		return swapped?.includes(string.label) && other !== undefined
			? { ...record.strings.find(({ label }) => label === other)!, input: string.input }
			: string;
	};
	const inputs = new Map<string, StringCircuit[]>();
	for (const string of record.strings) {
		const circuit = { ...trueString(record, wearing(string), truth), name: string.label };
		const input = string.input!;
		inputs.set(input, [...(inputs.get(input) ?? []), circuit]);
	}
	return new Map(
		[...inputs].map(([input, strings]) => [input, withFaults({ ...USUAL_PARTS, strings }, truth)])
	);
}

/** A bus with the hidden faults of its strings in it. */
function withFaults(bus: BusCircuit, { faults }: Truth): BusCircuit {
	let changed = bus;
	for (const fault of faults) {
		for (const placed of fault.placed) {
			if (!bus.strings.some(({ name }) => name === placed.place.string)) continue;
			const injected = inject(changed, placed);
			if (!injected.ok) throw new Error(`${fault.code}: ${injected.problem}`);
			changed = injected.value.bus;
		}
	}
	return faults.some(({ code }) => code === 'rsd-no-signal')
		? { ...changed, transmitter: 'dead' }
		: changed;
}
