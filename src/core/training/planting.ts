import type { ArrayRecord, StringRecord } from '../record';
import { modulesPerDevice } from '../faults';
import type { Random } from '../numerics';
import type { HiddenFault } from './truth';

/** Faults that a scenario may hide, in the order of the catalogue; "soiling" is of one string. */
export const HIDDEN_CODES = [
	'bypass-diode-shorted',
	'section-open',
	'module-open',
	'module-shorted',
	'module-missing',
	'module-extra',
	'module-reversed',
	'module-degraded',
	'soiling',
	'shade',
	'connector-open',
	'connector-resistive',
	'connector-reversed',
	'fuse-blown',
	'blocking-diode-open',
	'disconnect-open',
	'rsd-no-signal',
	'rsd-device-off',
	'inverter-no-ac',
	'earth-fault',
	'strings-swapped',
	'record-wrong',
	'conditions-wrong',
	'clipping',
	'unequal-parallel'
] as const;
export type HiddenCode = (typeof HIDDEN_CODES)[number];

/** Share of dirty arrays in which all strings are. */
const ALL_DIRTY = 0.25;

/** Whether an array has what a fault needs. */
export function hasPlaceFor(code: HiddenCode, record: ArrayRecord): boolean {
	const { strings } = record;
	const [first] = strings;
	switch (code) {
		case 'fuse-blown':
		case 'connector-reversed':
			return strings.every(({ fuse }) => fuse !== null);
		case 'blocking-diode-open':
			return first!.blockingDiode === 'silicon';
		case 'rsd-no-signal':
		case 'rsd-device-off':
			return modulesPerDevice(first!) > 0;
		case 'strings-swapped':
			return new Set(strings.map(({ moduleCount }) => moduleCount)).size > 1;
		case 'unequal-parallel':
			return strings.filter(({ input }) => input === strings[0]!.input).length > 1;
		case 'conditions-wrong':
			return strings.length > 2;
		default:
			return true;
	}
}

/** A fault of a code somewhere in the array, on one of the strings given where it is of one string. */
export function plant(
	code: HiddenCode,
	record: ArrayRecord,
	random: Random,
	among: readonly StringRecord[] = record.strings
): HiddenFault {
	const string = random.pick(among);
	const n = string.moduleCount;
	const type = record.moduleTypes[0]!;
	const one = { code, strings: [string.label], input: string.input ?? undefined };
	const place = { string: string.label };
	const none = { at: null, size: null, placed: [] };
	switch (code) {
		case 'bypass-diode-shorted':
		case 'section-open': {
			const module = random.whole(0, n - 1);
			const substring = random.whole(0, type.plate.sections - 1);
			const at = module * type.plate.sections + substring;
			return {
				...one,
				at,
				size: null,
				placed: [{ code, place: { ...place, module, section: substring } }]
			};
		}
		case 'module-open':
		case 'module-shorted':
		case 'module-reversed': {
			const module = random.whole(0, n - 1);
			return { ...one, at: module, size: null, placed: [{ code, place: { ...place, module } }] };
		}
		case 'module-missing':
		case 'module-extra': {
			const size = random.chance(0.88) ? 1 : 2;
			return { ...one, at: null, size, placed: [{ code, place: { ...place, module: 0 }, size }] };
		}
		case 'module-degraded': {
			const module = random.whole(0, n - 1);
			const size = random.between(0.1, 0.6);
			return { ...one, at: module, size, placed: [{ code, place: { ...place, module }, size }] };
		}
		case 'soiling': {
			const size = random.between(0.05, 0.35);
			if (random.chance(ALL_DIRTY)) {
				const strings = record.strings.map(({ label }) => label);
				return {
					code,
					strings,
					at: null,
					size,
					placed: strings.map((label) => ({ code, place: { string: label }, size }))
				};
			}
			return { ...one, at: null, size, placed: [{ code, place, size }] };
		}
		case 'shade': {
			const size = random.between(0.25, 0.95);
			const count = Math.min(n, random.pick([1, 1, 2, 3, 5]));
			const first = random.whole(0, n - count);
			return {
				...one,
				at: null,
				size,
				placed: Array.from({ length: count }, (_, i) =>
					Array.from({ length: type.plate.sections }, (_, substring) => ({
						code,
						place: { ...place, module: first + i, section: substring },
						size
					}))
				).flat()
			};
		}
		case 'connector-open': {
			const connector = random.whole(0, n);
			return {
				...one,
				at: connector,
				size: null,
				placed: [{ code, place: { ...place, joint: connector } }]
			};
		}
		case 'connector-resistive': {
			const connector = random.whole(0, n);
			const size = random.logBetween(0.8, 12);
			return {
				...one,
				at: connector,
				size,
				placed: [{ code, place: { ...place, joint: connector }, size }]
			};
		}
		case 'earth-fault': {
			const connector = random.whole(0, n);
			const size = random.logBetween(300, 3e4);
			return {
				...one,
				at: connector,
				size,
				placed: [{ code, place: { ...place, joint: connector }, size }]
			};
		}
		case 'fuse-blown': {
			const pole = random.pick(['positive', 'negative'] as const);
			const at = pole === 'positive' ? 0 : 1;
			return { ...one, at, size: null, placed: [{ code, place: { ...place, pole } }] };
		}
		case 'connector-reversed':
			// Beside its comparable strings a reversed string has blown its fuse before anybody comes.
			return {
				...one,
				at: null,
				size: null,
				placed: [
					{ code, place },
					{ code: 'fuse-blown', place: { ...place, pole: 'positive' } }
				]
			};
		case 'blocking-diode-open':
			return { ...one, at: null, size: null, placed: [{ code, place }] };
		case 'rsd-device-off': {
			const each = modulesPerDevice(string);
			const device = random.whole(0, Math.ceil(n / each) - 1);
			return {
				...one,
				at: device,
				size: null,
				placed: [{ code, place: { ...place, module: device * each } }]
			};
		}
		case 'disconnect-open':
			return {
				code,
				input: string.input ?? undefined,
				strings: record.strings
					.filter(({ input }) => input === string.input)
					.map(({ label }) => label),
				...none,
				link: random.pick(['positive', 'negative'])
			};
		case 'rsd-no-signal':
			return {
				code,
				strings: record.strings.map(({ label }) => label),
				...none,
				link: random.pick(['supply-breaker', 'supply-disconnect', 'low-voltage', 'lamp', 'signal'])
			};
		case 'inverter-no-ac':
			return { code, strings: record.strings.map(({ label }) => label), ...none };
		case 'strings-swapped': {
			const other = random.pick(record.strings.filter(({ moduleCount }) => moduleCount !== n));
			return { code, strings: [string.label, other.label], ...none };
		}
		case 'record-wrong':
			return { ...one, ...none, size: random.pick([0.86, 0.91, 1.1, 1.16]) };
		case 'conditions-wrong':
		case 'clipping':
			return { code, strings: [], ...none, size: random.between(0.06, 0.3) };
		case 'unequal-parallel': {
			const { input } = record.strings[0]!;
			const shorter = random.pick(record.strings.filter((other) => other.input === input));
			return {
				code,
				strings: [shorter.label],
				input: input ?? undefined,
				...none,
				size: random.whole(1, 2)
			};
		}
	}
}
