import type { StringCircuit } from '../circuit';
import { scaledModule, type SingleDiode } from '../module';
import type { StringRecord } from '../record';
import type { FaultPlace } from './place';
import { modulesPerDevice, type Fault, type StringFaultCode } from './fault';
import {
	AGED,
	CELL,
	SOILING,
	INSIDE,
	LEAK,
	MODULES,
	ONE,
	otherTypes,
	RESISTANCES,
	SUBSTRINGS,
	shades
} from './sizes';
import { injectIntoString, type StringEffectCode } from './string-effects';
import { isRunning } from '../visit';

/** The string with the fault; as it was where it has no such part. Readings from outside do not tell the place. */
function faulty(
	circuit: StringCircuit,
	code: StringEffectCode,
	size: number,
	place: FaultPlace = {},
	other: SingleDiode | null = null
): StringCircuit {
	const changed = injectIntoString(circuit, code, place, size, other);
	return typeof changed === 'string' ? circuit : changed;
}

/** The same fault in one section after another, module by module. */
function inSubstrings(
	circuit: StringCircuit,
	code: 'bypass-diode-shorted' | 'section-open' | 'shade',
	count: number,
	size = 0
): StringCircuit {
	const each = circuit.sectionsPerModule;
	let changed = circuit;
	for (let i = 0; i < count; i++) {
		const module = Math.floor(i / each);
		const rest = count - module * each;
		if (i % each === 0 && rest >= each && code === 'shade') {
			changed = faulty(changed, code, size, { module });
			i += each - 1;
			continue;
		}
		changed = faulty(changed, code, size, { module, section: i % each });
	}
	return changed;
}

const always = () => true;
const fused = ({ fuse }: StringRecord) => fuse !== null;
const blocked = ({ blockingDiode }: StringRecord) =>
	blockingDiode !== 'none' && blockingDiode !== 'unknown';
const switched = (string: StringRecord) =>
	modulesPerDevice(string) > 0 &&
	string.devices !== null &&
	string.devices !== 'unknown' &&
	string.devices.kind === 'rapid-shutdown';

/** Readings of the whole string do not change. */
const unchanged = (circuit: StringCircuit): StringCircuit => circuit;

/** No current while running; alone at its own leads the string is as it was. */
const interrupted = (circuit: StringCircuit): StringCircuit =>
	faulty(circuit, 'connector-open', 0, { joint: 0 });

/** The catalogue of what may be wrong with one string. Rates are in `rates.ts`. */
export const CATALOGUE: readonly Fault[] = [
	{
		code: 'bypass-diode-shorted',
		family: 'lost-section',
		spread: 'section',
		found: always,
		severities: SUBSTRINGS,
		inject: (circuit, { size }) => inSubstrings(circuit, 'bypass-diode-shorted', size),
		shownBy: null
	},
	{
		code: 'section-open',
		family: 'lost-section',
		spread: 'section',
		found: always,
		severities: SUBSTRINGS,
		inject: (circuit, { size }) => inSubstrings(circuit, 'section-open', size),
		shownBy: null
	},
	{
		code: 'module-missing',
		family: 'lost-module',
		spread: 'string',
		found: always,
		severities: MODULES,
		inject: (circuit, { size }) => faulty(circuit, 'module-missing', size),
		shownBy: null
	},
	{
		code: 'module-shorted',
		family: 'lost-module',
		spread: 'module',
		found: always,
		severities: ONE,
		inject: (circuit) => faulty(circuit, 'module-shorted', 0),
		shownBy: null
	},
	{
		code: 'rsd-device-off',
		family: 'lost-module',
		spread: 'device',
		found: (string) => modulesPerDevice(string) > 0,
		severities: ONE,
		// A device that is off lets the current of the others by and its own modules' volts go.
		inject: (circuit, { size }) => faulty(circuit, 'module-missing', size),
		shownBy: null
	},
	{
		code: 'module-extra',
		family: 'more-modules',
		spread: 'string',
		found: always,
		severities: MODULES,
		inject: (circuit, { size }) => faulty(circuit, 'module-extra', size),
		shownBy: null
	},
	{
		code: 'module-open',
		family: 'open-path',
		spread: 'module',
		found: always,
		severities: ONE,
		inject: (circuit) => faulty(circuit, 'connector-open', 0, { joint: 1 }),
		shownBy: null
	},
	{
		code: 'connector-open',
		family: 'open-path',
		spread: 'joint',
		found: always,
		severities: ONE,
		inject: (circuit) => faulty(circuit, 'connector-open', 0, { joint: 1 }),
		shownBy: null
	},
	{
		code: 'fuse-blown',
		family: 'no-current',
		spread: 'pole',
		found: fused,
		severities: ONE,
		inject: (circuit, _, state) => (isRunning(state) ? interrupted(circuit) : circuit),
		shownBy: null
	},
	{
		code: 'blocking-diode-open',
		family: 'no-current',
		spread: 'string',
		found: blocked,
		severities: ONE,
		inject: (circuit, _, state) => (isRunning(state) ? interrupted(circuit) : circuit),
		shownBy: null
	},
	{
		code: 'module-reversed',
		family: 'turned',
		spread: 'module',
		found: always,
		severities: ONE,
		inject: (circuit) => faulty(circuit, 'module-reversed', 0),
		shownBy: null
	},
	{
		code: 'connector-reversed',
		family: 'swapped',
		spread: 'string',
		found: always,
		severities: ONE,
		// On a live bus a fuse opens; without one beside other strings the current may be any. Which way a clamp
		// was put round the conductor nobody knows, so a short-circuit current does not tell.
		inject: (circuit, _, state) => {
			if (state.shorted) return circuit;
			if (!isRunning(state)) return faulty(circuit, 'connector-reversed', 0);
			const stops =
				circuit.fuses?.positive || circuit.blockingDiode || state.siblings === 'isolated';
			return stops ? interrupted(circuit) : null;
		},
		shownBy: null
	},
	{
		code: 'soiling',
		family: 'low-current',
		spread: 'string',
		found: always,
		severities: SOILING,
		inject: (circuit, { size }) => faulty(circuit, 'soiling', size),
		shownBy: null
	},
	{
		code: 'shade',
		family: 'low-current',
		spread: 'string',
		found: always,
		severities: shades(),
		inject: (circuit, { size, second = 1 }) => inSubstrings(circuit, 'shade', second, size),
		shownBy: null
	},
	{
		code: 'module-degraded',
		family: 'low-current',
		spread: 'module',
		found: always,
		severities: AGED,
		inject: (circuit, { size }) => faulty(circuit, 'module-degraded', size),
		shownBy: null
	},
	{
		code: 'connector-resistive',
		family: 'low-current',
		spread: 'joint',
		found: always,
		severities: RESISTANCES,
		inject: (circuit, { size }) => faulty(circuit, 'connector-resistive', size),
		shownBy: null
	},
	{
		code: 'hot-cell',
		family: 'inside',
		spread: 'module',
		found: always,
		severities: CELL,
		inject: (circuit, { size }) => faulty(circuit, 'hot-cell', size, { module: 0, section: 0 }),
		shownBy: null
	},
	{
		code: 'section-resistive',
		family: 'inside',
		spread: 'section',
		found: always,
		severities: INSIDE,
		inject: (circuit, { size }) =>
			faulty(circuit, 'section-resistive', size, { module: 0, section: 0 }),
		shownBy: null
	},
	{
		code: 'module-pid',
		family: 'inside',
		spread: 'module',
		found: always,
		severities: LEAK,
		inject: (circuit, { size }) => faulty(circuit, 'module-pid', size),
		shownBy: null
	},
	{
		code: 'module-wrong-type',
		family: 'other-type',
		spread: 'module',
		found: always,
		severities: otherTypes([0.85, 1], [0.85, 1, 1.2]),
		inject: (circuit, { size, second = 1 }) =>
			faulty(
				circuit,
				'module-wrong-type',
				0,
				{},
				scaledModule(circuit.modules[0]!.params, size, second)
			),
		shownBy: null
	},
	{
		code: 'record-wrong',
		family: 'record',
		spread: 'string',
		found: always,
		severities: otherTypes([0.84, 0.91, 1, 1.09, 1.18], [0.84, 0.92, 1, 1.08, 1.18]),
		inject: (circuit, { size, second = 1 }) => ({
			...circuit,
			modules: circuit.modules.map((run) => ({
				...run,
				params: scaledModule(run.params, size, second)
			}))
		}),
		shownBy: null
	},
	{
		code: 'earth-fault',
		family: 'earth',
		spread: 'joint',
		found: always,
		severities: ONE,
		inject: unchanged,
		shownBy: ['positive-to-earth', 'negative-to-earth', 'insulation-resistance']
	},
	{
		code: 'bypass-diode-open',
		family: 'unseen',
		spread: 'section',
		found: always,
		severities: ONE,
		inject: unchanged,
		shownBy: ['diode-forward', 'cover-current']
	},
	{
		code: 'fuse-wrong-rating',
		family: 'unseen',
		spread: 'string',
		found: (string) => fused(string) && string.fuse !== 'unknown' && string.fuse?.rating !== null,
		severities: ONE,
		inject: unchanged,
		shownBy: ['fuse-rating']
	},
	{
		code: 'blocking-diode-shorted',
		family: 'unseen',
		spread: 'string',
		found: blocked,
		severities: ONE,
		inject: unchanged,
		shownBy: ['blocking-diode-reverse']
	},
	{
		code: 'rsd-device-stuck-on',
		family: 'unseen',
		spread: 'device',
		found: switched,
		severities: ONE,
		inject: unchanged,
		shownBy: ['volts-after-shutdown']
	}
];

const BY_CODE = new Map(CATALOGUE.map((fault) => [fault.code, fault]));

export function faultOf(code: StringFaultCode): Fault {
	return BY_CODE.get(code)!;
}
