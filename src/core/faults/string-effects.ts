import type { SingleDiode } from '../module';
import {
	CLOSED,
	type Disconnect,
	type Fuse,
	moduleCountOf,
	type ModuleState,
	type StringCircuit
} from '../circuit';
import type { FaultCode } from '../visit';
import { atModule, atSubstring, everySubstring, type FaultPlace } from './place';

/**
 * What a fault makes of its string; words where this string has no such part.
 *
 * @param size in the unit of the code's scale; 0 where it has none
 * @param other one module of another type, for the code that needs it
 */
type StringEffect = (
	string: StringCircuit,
	place: FaultPlace,
	size: number,
	other: SingleDiode | null
) => StringCircuit | string;

const inState =
	(state: ModuleState): StringEffect =>
	(string, place) =>
		atModule(string, place, (run) => ({ ...run, state }));

/** Modules that are not there; those that stand keep their numbers. */
const withoutModules: StringEffect = (string, { module = 0 }, size) => {
	const n = moduleCountOf(string);
	let left = string;
	for (let i = 0; i < Math.min(Math.round(size), n); i++) {
		left = atModule(left, { module: (module + i) % n }, (run) => ({ ...run, state: 'absent' }));
	}
	return left;
};

const lessIrradiance =
	(where: 'section' | 'string'): StringEffect =>
	(string, place, size) => {
		const dim = (state: { light: number }) => ({ light: state.light * (1 - size) });
		if (where === 'string') {
			return {
				...string,
				modules: string.modules.map((run) =>
					everySubstring(run, (state) => ({ ...state, ...dim(state) }))
				)
			};
		}
		return place.section === undefined
			? atModule(string, place, (run) =>
					everySubstring(run, (state) => ({ ...state, ...dim(state) }))
				)
			: atSubstring(string, place, (state) => ({ ...state, ...dim(state) }));
	};

const atConnector =
	(resistance: (size: number) => number | 'open'): StringEffect =>
	(string, { joint: connector = 0 }, size) => ({
		...string,
		joints: [...(string.joints ?? []), { at: connector, resistance: resistance(size) }]
	});

const fuse =
	(change: (fuse: Fuse, size: number) => Fuse): StringEffect =>
	(string, { pole = 'positive' }, size) => {
		const { positive = null, negative = null } = string.fuses ?? {};
		const found = pole === 'positive' ? positive : negative;
		if (!found) return `String ${string.name} has no fuse in its ${pole} pole.`;
		return { ...string, fuses: { positive, negative, [pole]: change(found, size) } };
	};

const blockingDiode =
	(state: 'open' | 'shorted'): StringEffect =>
	(string) =>
		string.blockingDiode
			? { ...string, blockingDiode: { ...string.blockingDiode, state } }
			: `String ${string.name} has no blocking diode.`;

/** A pole that does not follow the handle. */
export function withPole(
	disconnect: Disconnect | undefined,
	pole: 'positive' | 'negative',
	condition: 'stuck-open' | 'welded'
): Disconnect {
	return { ...(disconnect ?? CLOSED), [pole]: condition };
}

const pole =
	(condition: 'stuck-open' | 'welded'): StringEffect =>
	(string, { pole: which = 'positive' }) => ({
		...string,
		disconnect: withPole(string.disconnect, which, condition)
	});

const device =
	(
		kind: 'rapid-shutdown' | 'optimiser',
		change: { condition: 'failed-off' | 'stuck-on'; offVolts?: number }
	): StringEffect =>
	(string, { module = 0 }) => {
		const covers = (d: { kind: string; first: number; covers: number }) =>
			d.kind === kind && module >= d.first && module < d.first + d.covers;
		if (!string.devices?.some(covers)) {
			return `Module ${module + 1} of string ${string.name} has no such device behind it.`;
		}
		return {
			...string,
			devices: string.devices.map((d) => (covers(d) ? { ...d, ...change } : d))
		};
	};

/** Faults that change one string and nothing else. */
export const STRING_EFFECTS = {
	'bypass-diode-shorted': (string, place) =>
		atSubstring(string, place, (state) => ({ ...state, bypass: 'shorted' })),
	'section-resistive': (string, place, size) =>
		atSubstring(string, place, (state) => ({
			...state,
			resistance: (state.resistance ?? 0) + size
		})),
	'bypass-diode-open': (string, place) =>
		atSubstring(string, place, (state) => ({ ...state, bypass: 'open' })),
	'section-open': (string, place) =>
		atSubstring(string, place, (state) => ({ ...state, cells: 'open' })),
	'module-open': inState('open'),
	'module-shorted': inState('bridged'),
	'module-missing': withoutModules,
	'unequal-parallel': withoutModules,
	'module-extra': (string, place, size) =>
		atModule(string, place, (run) => ({ ...run, count: 1 + Math.round(size) })),
	'module-reversed': inState('reversed'),
	'module-degraded': (string, place, size) =>
		atModule(string, place, (run) => ({
			...run,
			params: { ...run.params, photocurrent: run.params.photocurrent * (1 - size) }
		})),
	'module-pid': (string, place, size) =>
		atModule(string, place, (run) =>
			everySubstring(run, (state) => ({ ...state, leak: size / run.sections.length }))
		),
	'module-wrong-type': (string, place, _, other) =>
		other
			? atModule(string, place, (run) => ({ ...run, params: other }))
			: 'Another module type must be given with this fault.',
	'hot-cell': (string, place, size) =>
		atSubstring(string, place, (state) => ({
			...state,
			patches: [...(state.patches ?? []), { cells: 1, light: 1 - size }]
		})),
	soiling: lessIrradiance('string'),
	shade: lessIrradiance('section'),
	'connector-open': atConnector(() => 'open'),
	'connector-resistive': atConnector((size) => size),
	'connector-reversed': (string) => ({ ...string, leadsReversed: !string.leadsReversed }),
	'fuse-blown': fuse((found) => ({ ...found, state: 'blown' })),
	'fuse-wrong-rating': fuse((found, size) => ({ ...found, rating: size })),
	'blocking-diode-open': blockingDiode('open'),
	'blocking-diode-shorted': blockingDiode('shorted'),
	'disconnect-open': pole('stuck-open'),
	'disconnect-welded': pole('welded'),
	'rsd-device-off': device('rapid-shutdown', { condition: 'failed-off' }),
	'rsd-device-stuck-on': device('rapid-shutdown', { condition: 'stuck-on' }),
	'optimiser-dead': device('optimiser', { condition: 'failed-off', offVolts: 0 })
} as const satisfies Partial<Record<FaultCode, StringEffect>>;

export type StringEffectCode = keyof typeof STRING_EFFECTS;

/** One string as a fault leaves it; words where it has no such part. */
export function injectIntoString(
	string: StringCircuit,
	code: StringEffectCode,
	place: FaultPlace,
	size: number,
	other: SingleDiode | null = null
): StringCircuit | string {
	return (STRING_EFFECTS[code] as StringEffect)(string, place, size, other);
}
