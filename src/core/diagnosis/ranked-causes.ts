import { type EffectiveVisit, findCurrentReadings, placeKey, type Reading } from '../visit';
import { type ArrayRecord, partsOf } from '../record';
import { atSameIrradiance } from '../expectation';
import type { EquipmentPosterior } from './equipment/equipment-case';
import { equipmentCauses } from './equipment/lines';
import { allSound } from './equipment/sources';
import { sideFindings } from './side-findings';
import type { InputVoltage } from './cases';
import type { Cause } from './cause';
import { lineOf } from './line';
import { trackedId } from './items';
import type { GroupPosterior, Weighed } from './posterior';
import { inOrder } from './order';
import { aloneOnTracker } from './string-case';
import { carriesNoCurrent } from './string-class';
import { causesOf } from './rank';
import type { Scope } from './scope';
import { acReadingOf, type Traced } from './trace-groups';

/** All lines, a fault before a reading that is to be taken again. */
export function rankedCauses(
	record: ArrayRecord,
	visit: EffectiveVisit,
	traced: readonly Traced[],
	equipmentCases: readonly EquipmentPosterior[]
): Cause[] {
	const standing = findCurrentReadings(visit);
	const acReading = acReadingOf(record, standing);
	const cleaned = standing.has(placeKey({ kind: 'array' }, 'cleaning-gain'));
	const acRating = partsOf(record.parts, 'inverter')[0]?.specs.acWatts ?? null;
	const chance = traced.reduce(
		(product, { posterior }) => product * posterior.healthy,
		allSound(equipmentCases)
	);
	const healthy = lineOf(
		[
			{
				code: 'healthy',
				place: {},
				probability: chance,
				severity: '',
				size: null
			}
		],
		'',
		[]
	);
	const amongOthers = ({ group }: GroupPosterior) =>
		traced.some(
			({ posterior: { group: other } }) =>
				other !== group && atSameIrradiance(other, group) && other.shared.size > 0
		);
	const ofGroups = traced.flatMap(({ posterior, scopes, inputs }) => [
		...causesOf({ record, posterior, scopes, amongOthers: amongOthers(posterior), cleaned }),
		...sideFindings({
			posterior,
			inputs,
			rates: record.rates,
			acReading,
			acRating,
			runs: 1 - scopeChance(scopes, posterior, STANDS_STILL)
		}),
		...doubtfulVoltage(record, posterior, scopes, inputs, standing)
	]);
	// What two types of module say of the one light is said once.
	const byId = new Map<string, Cause>();
	for (const line of [...ofGroups, ...equipmentCauses(record, equipmentCases)]) {
		const known = byId.get(line.id);
		if (!known || known.probability < line.probability) byId.set(line.id, line);
	}
	const lines = [...byId.values()];
	const whole = { ...healthy, title: 'Nothing wrong that these readings can show', perhaps: null };
	return inOrder([...lines, whole]);
}

const STANDS_STILL: readonly Scope['code'][] = ['inverter-no-ac', 'rsd-no-signal'];

function scopeChance(
	scopes: readonly Scope[],
	posterior: GroupPosterior,
	codes: readonly Scope['code'][]
): number {
	return scopes.reduce(
		(sum, { code }, i) => (codes.includes(code) ? sum + posterior.scopes[i]! : sum),
		0
	);
}

/** Chance that a string carries no current by a fault of its own. */
const noCurrent = (classes: readonly Weighed[]) =>
	classes.reduce((sum, { of, probability }) => (carriesNoCurrent(of) ? sum + probability : sum), 0);

/** Volts of an input that no running input has, unless what its strings share explains them. */
function doubtfulVoltage(
	record: ArrayRecord,
	posterior: GroupPosterior,
	scopes: readonly Scope[],
	inputs: ReadonlyMap<string, InputVoltage>,
	standing: ReadonlyMap<string, Reading>
): Cause[] {
	return [...inputs].flatMap(([input, { believed, read, best }]) => {
		const alone = posterior.strings.find(
			({ case: one }) => aloneOnTracker(one) && one.string.input === input
		);
		if (believed && !alone) return [];
		const explained = scopes.reduce(
			(sum, { strings }, i) =>
				strings.some((s) => posterior.strings[s]!.case.string.input === input)
					? sum + posterior.scopes[i]!
					: sum,
			posterior.strings
				.filter(({ case: { string } }) => string.input === input)
				.reduce((product, { classes }) => product * noCurrent(classes), 1)
		);
		const string = record.strings.find((one) => one.input === input);
		const reading = string && standing.get(`${string.id}/operating-current`);
		const line = lineOf(
			[
				{
					code: 'reading-wrong',
					place: { input, ...(reading && { reading: reading.id }) },
					probability: alone
						? (alone.wrongReading.get(trackedId(alone.case.tracked!.readingId)) ?? 0)
						: Math.max(0, 1 - explained),
					severity: '',
					size: null
				}
			],
			`voltage of input ${input}`,
			[
				{
					readingId: reading?.id ?? null,
					weighs: 'for',
					words: `Input ${input}: ${read.toFixed(1)} V read while it ran; its strings run near ${best.toFixed(0)} V. Their currents are judged at that.`
				}
			]
		);
		return line.probability > 0.02 ? [line] : [];
	});
}
