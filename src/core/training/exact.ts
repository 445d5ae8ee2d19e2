import {
	type BusCircuit,
	BusSource,
	earthVoltage,
	METER_RESISTANCE,
	operate,
	type StringCircuit,
	StringSource,
	voltageInto
} from '../circuit';
import type { Truth } from './truth';

/** Everything an ideal meter would show at one string. */
interface ExactString {
	readonly voc: number;
	readonly isc: number;
	readonly running: number;
	readonly positiveToEarth: number;
	readonly negativeToEarth: number;
}

/** What an ideal meter would show of the whole array. */
export interface Exact {
	readonly strings: ReadonlyMap<string, ExactString>;
	/** Volts of each input as the inverter has them, V. */
	readonly inputs: ReadonlyMap<string, number>;
	/** W */
	readonly ac: number;
}

/** Cables, tracker and bridge pass on so much. */
const EFFICIENCY = 0.965;
const NO_LIMIT = { window: { least: 0, most: null }, ampsAtMost: null } as const;

/** Solves the array in daily work and every string alone. */
export function exactReadings(
	truth: Truth,
	buses: ReadonlyMap<string, BusCircuit>,
	leaks: ReadonlyMap<string, { readonly share: number; readonly resistance: number }>
): Exact {
	const stopped = truth.faults.some(({ code }) =>
		['inverter-no-ac', 'rsd-no-signal'].includes(code)
	);
	const open = new Set(
		truth.faults.flatMap(({ code, input }) => (code === 'disconnect-open' ? [input!] : []))
	);
	const free = new Map<string, number>();
	for (const [input, bus] of buses) {
		if (stopped || open.has(input)) continue;
		const { power } = operate(new BusSource(bus), {
			kind: 'tracker',
			...NO_LIMIT,
			wattsAtMost: null
		});
		free.set(input, power);
	}
	const offered = [...free.values()].reduce((sum, power) => sum + power, 0);
	const limit = truth.acLimit === null ? null : truth.acLimit / EFFICIENCY;
	const share = limit !== null && offered > limit ? limit / offered : 1;
	const strings = new Map<string, ExactString>();
	const inputs = new Map<string, number>();
	let dc = 0;
	for (const [input, bus] of buses) {
		const source = new BusSource(bus);
		const offer = free.get(input);
		const runs = offer !== undefined;
		const at = runs
			? operate(source, {
					kind: 'tracker',
					...NO_LIMIT,
					wattsAtMost: share < 1 ? offer * share : null
				})
			: null;
		const voltage = at ? at.volts : open.has(input) ? 0 : source.openVoltage;
		inputs.set(input, voltage);
		dc += at ? at.power : 0;
		const branches = at ? source.branchesAt(at.volts) : [];
		bus.strings.forEach((string, i) => {
			const voc = openVoltage(string, bus);
			const earthed = (bus.earth ?? []).some(
				({ at: where }) => typeof where === 'object' && where.string === string.name
			);
			const toEarth = earthed
				? earthVoltage({ ...bus, strings: [string] }, METER_RESISTANCE)
				: drift(voc, leaks.get(string.name)!);
			strings.set(string.name, {
				voc,
				isc: StringSource.of(string, bus, 'source').currentAt(0),
				running: branches[i] ?? 0,
				positiveToEarth: toEarth.positive,
				negativeToEarth: toEarth.negative
			});
		});
	}
	return { strings, inputs, ac: dc * EFFICIENCY };
}

/** Volts of an isolated string as a meter loads it. */
function openVoltage(string: StringCircuit, bus: BusCircuit): number {
	const source = StringSource.of(string, bus, 'source');
	return voltageInto(source, 1 / METER_RESISTANCE, 0);
}

/** A sound string leaks to earth through all of its insulation, as if at one place. */
function drift(
	voc: number,
	{ share, resistance }: { readonly share: number; readonly resistance: number }
) {
	const seen = (METER_RESISTANCE / (METER_RESISTANCE + resistance)) * voc;
	return { positive: (1 - share) * seen, negative: -share * seen };
}
