import { BusSource, operate } from '../circuit';
import { agedModel, moduleAtConditions, stringAtConditions, USUAL_PARTS } from '../expectation';
import {
	type ArrayRecord,
	marksOf,
	type ModuleType,
	parallelStrings,
	type StringRecord,
	typesInString
} from '../record';
import { STC_CELL_TEMPERATURE, STC_IRRADIANCE } from '../units';
import {
	amount,
	answered,
	notAssessed,
	PLACES,
	stringPlaces,
	type Check,
	type CheckBase
} from './check';

/** Voc of strings in parallel may differ by so much: IEC 62548-1, matched within 5 %, not verified. */
const MATCHED = 0.05;
/** Hours at full sun that a year counts for here; Zembo default, the site's own yield decides. */
const FULL_SUN_HOURS = 1000;

const TRACKER = {
	kind: 'tracker',
	window: { least: 0, most: null },
	ampsAtMost: null,
	wattsAtMost: null
} as const;

/** What joining unequal strings costs. */
interface JoiningLoss {
	/** Each string at its own maximum, together, and joined, W at STC. */
	readonly separate: number;
	readonly joined: number;
	/** Relative difference of the highest and lowest Voc, 1. */
	readonly spread: number;
}

/** Strings in parallel on one input that are not of the same build, with the power that is lost by it. */
export function unequalStringChecks(record: ArrayRecord): Check[] {
	return parallelStrings(record).flatMap(({ strings }): Check[] => {
		const builds = new Set(strings.map((string) => typesInString(string).toSorted().join()));
		// Optimisers make each string's voltage that of the input.
		const held = strings.some(
			({ devices }) => devices !== null && devices !== 'unknown' && devices.kind === 'optimiser'
		);
		if (builds.size < 2 || held) return [];
		const base: CheckBase = {
			key: `unequal/${strings[0].id}`,
			code: 'unequal-strings',
			title: 'Unequal strings in parallel',
			about: marksOf(strings),
			places: stringPlaces(strings),
			clause: 'IEC 62548-1: strings in parallel matched within 5 % of Voc, not verified',
			at: PLACES.strings
		};
		const loss = joiningLoss(record, strings);
		if (!loss) return [notAssessed(base, ['the module’s nameplate'])];
		const lost = Math.max(loss.separate - loss.joined, 0);
		const matched = loss.spread <= MATCHED;
		return [
			answered(base, matched ? 'note' : 'fail', {
				required: `Voc within ${100 * MATCHED} %`,
				found: `Voc ${(100 * loss.spread).toFixed(1)} % apart`,
				remark: `Joined they lose ${amount(lost, 'W')} of ${amount(loss.separate, 'W')} at STC, about ${amount((lost * FULL_SUN_HOURS) / 1000, 'kWh')} a year at ${FULL_SUN_HOURS} full-sun hours. Connect them to inputs of their own.`,
				inputs: strings.map((string) => [string.label, `${string.moduleCount} modules`] as const),
				formula:
					'power of the joined curve at its maximum against the sum of the strings’ own maxima, new modules at STC'
			})
		];
	});
}

/** @returns null where a nameplate is missing */
function joiningLoss(
	record: Pick<ArrayRecord, 'moduleTypes'>,
	strings: readonly StringRecord[]
): JoiningLoss | null {
	const types = new Map(record.moduleTypes.map((type) => [type.id, type]));
	const known = strings.every((string) => typesInString(string).every((id) => types.has(id)));
	if (!known) return null;
	const circuits = strings.map((string) => circuitOf(string, types));
	const powerOf = (list: typeof circuits) =>
		operate(new BusSource({ ...USUAL_PARTS, strings: list }), TRACKER).power;
	const voltages = circuits.map(
		(one) => new BusSource({ ...USUAL_PARTS, strings: [one] }).openVoltage
	);
	const highest = Math.max(...voltages);
	return {
		separate: circuits.reduce((sum, one) => sum + powerOf([one]), 0),
		joined: powerOf(circuits),
		spread: (highest - Math.min(...voltages)) / highest
	};
}

function circuitOf(string: StringRecord, types: ReadonlyMap<string, ModuleType>) {
	const here = (type: ModuleType) =>
		moduleAtConditions(agedModel(type, 0), STC_IRRADIANCE, STC_CELL_TEMPERATURE);
	const main = types.get(string.moduleTypeId)!;
	const others = new Map(
		string.modules.flatMap(({ moduleTypeId }) => {
			if (moduleTypeId === null) return [];
			const type = types.get(moduleTypeId)!;
			return [[moduleTypeId, { module: here(type), type }] as const];
		})
	);
	return stringAtConditions(string, agedModel(main, 0), { main: here(main), others });
}
