import { expectedAt, type ModelJudgement } from '../assessment';
import {
	type Meaning,
	meaningsOf,
	type Place,
	type Quantity,
	type Reading,
	stringKey,
	stringPlace,
	switchableOf,
	type SwitchingState,
	usualState,
	type Visit
} from '../visit';
import { type ArrayRecord, isAcBranch, labelPower, partsOf, type StringRecord } from '../record';
import { INSULATION } from '../profiles';
import type { Task } from '../isolation';
import { measurementPointsOf } from './measurement-points';

/** A reading that the visit wants, and why. */
export interface Wanted {
	readonly block: Task;
	readonly place: Place;
	readonly quantity: Quantity;
	readonly state: SwitchingState;
	readonly why: string;
}

/** What the plan looks at. */
export interface PlanBasis {
	readonly record: ArrayRecord;
	readonly visit: Visit;
	readonly standing: ReadonlyMap<string, Reading>;
	readonly places: ModelJudgement['places'];
}

/** Share of what is expected below which a string's current is gone. */
const NO_CURRENT_SHARE = 0.1;
/** And below which its volts are held down by its devices. */
const HELD_DOWN_SHARE = 0.1;

/** All that this visit wants to read, for its purpose, what the inverter says and what was read so far. */
export function wantedReadings(basis: PlanBasis): Wanted[] {
	const { record, visit } = basis;
	const meanings = meaningsOf(visit.inverterSays);
	const dcStrings = record.strings.filter((string) => !isAcBranch(string));
	const shareOf = sharesRead(basis);
	return [
		...closedCovers(record, dcStrings),
		...surgeWindows(basis, meanings),
		...supplyChain(record, shareOf, meanings),
		...openCover(basis, dcStrings, meanings),
		...acSide(record, meanings),
		...deadParts(basis, shareOf, dcStrings, meanings)
	];
}

/** What a string reads of what is expected of it, 1 for all of it; null where one of them is missing. */
type ShareRead = (
	stringId: string,
	quantity: 'open-circuit-voltage' | 'operating-current'
) => number | null;

function sharesRead({ standing, places }: PlanBasis): ShareRead {
	const expected = new Map(places.map((place) => [place.key, expectedAt(place)?.value]));
	return (stringId, quantity) => {
		const key = stringKey(stringId, quantity);
		const [read, whole] = [standing.get(key)?.value, expected.get(key)];
		return read === undefined || whole === undefined ? null : read / whole;
	};
}

function ofString(string: StringRecord, block: Task, quantity: Quantity, why: string): Wanted {
	return {
		block,
		place: stringPlace(string.id),
		quantity,
		state: usualState(quantity, switchableOf(string)),
		why
	};
}

function ofPart(
	id: string,
	point: Extract<Place, { kind: 'part' }>['point'],
	block: Task,
	quantity: Quantity,
	why: string,
	state = usualState(quantity)
): Wanted {
	return { block, place: { kind: 'part', part: id, point }, quantity, state, why };
}

function closedCovers(record: ArrayRecord, strings: readonly StringRecord[]): Wanted[] {
	return [
		...partsOf(record.parts, 'inverter').map(({ id }) =>
			ofPart(id, 'display', 'closed-covers', 'ac-power', 'what it feeds now')
		),
		...strings.map((string) =>
			ofString(
				string,
				'closed-covers',
				'operating-current',
				'tells irradiance, soiling and lost current apart'
			)
		),
		...measurementPointsOf(record, 'unit-power').map((spot) => ({
			block: 'closed-covers' as const,
			...spot,
			why: 'which unit lags its neighbours'
		}))
	];
}

/** Where a whole system is looked at, or something leaks to earth: a spent surge protector does. */
function surgeWindows({ record, visit }: PlanBasis, meanings: readonly Meaning[]): Wanted[] {
	if (!THOROUGH.includes(visit.purpose) && !hasMeaning(meanings, 'earth', 'insulation')) return [];
	return partsOf(record.parts, 'surge')
		.filter(({ specs }) => specs.window !== 'none')
		.map(({ id }) => ofPart(id, 'window', 'closed-covers', 'lamp', 'a spent one protects nothing'));
}

function hasMeaning(meanings: readonly Meaning[], ...wanted: Meaning['leadsTo'][]): boolean {
	return meanings.some(({ leadsTo }) => wanted.includes(leadsTo));
}

/** The transmitter's supply, where the inverter or the strings' volts point at it. */
function supplyChain(
	record: ArrayRecord,
	shareOf: ShareRead,
	meanings: readonly Meaning[]
): Wanted[] {
	const heldDown = record.strings.filter(({ id }) => {
		const share = shareOf(id, 'open-circuit-voltage');
		return share !== null && Math.abs(share) < HELD_DOWN_SHARE;
	});
	if (!hasMeaning(meanings, 'supply') && heldDown.length < 2) return [];
	const why = 'the devices hold the strings down: find the dark rung';
	return partsOf(record.parts, 'transmitter').flatMap(({ id }) => [
		ofPart(id, 'supply-breaker', 'open-live', 'ac-voltage', why),
		ofPart(id, 'supply-disconnect', 'open-live', 'ac-voltage', why),
		ofPart(id, 'low-voltage', 'open-live', 'dc-voltage', why),
		ofPart(id, 'lamp', 'closed-covers', 'lamp', why),
		ofPart(id, 'signal', 'closed-covers', 'lamp', why)
	]);
}

/** Purposes that look at everything a standard's visit looks at. */
const THOROUGH: readonly Visit['purpose'][] = ['take-over', 'insurance', 'after-repair'];

function openCover(
	{ record, visit }: PlanBasis,
	strings: readonly StringRecord[],
	meanings: readonly Meaning[]
): Wanted[] {
	const earth =
		hasMeaning(meanings, 'earth', 'insulation') || visit.purpose === 'insurance'
			? strings.flatMap((string) =>
					(['positive-to-earth', 'negative-to-earth'] as const).map((quantity) =>
						ofString(string, 'open-live', quantity, 'where a fault to earth lies')
					)
				)
			: [];
	const battery = partsOf(record.parts, 'battery').map(({ id }) =>
		ofPart(id, 'line', 'open-live', 'dc-voltage', 'polarity and state before anything is closed')
	);
	return [
		...strings.map((string) =>
			ofString(string, 'open-live', 'open-circuit-voltage', openWhy(string))
		),
		...earth,
		...battery
	];
}

function openWhy({ devices }: StringRecord): string {
	return devices !== null && devices !== 'unknown' && devices.kind === 'optimiser'
		? 'standby voltage counts the optimisers'
		: 'counts modules and substrings, shows polarity';
}

function acSide(record: ArrayRecord, meanings: readonly Meaning[]): Wanted[] {
	const always = record.system === 'micro-inverters';
	if (!always && !hasMeaning(meanings, 'ac')) return [];
	const why = always ? 'a branch without voltage produces nothing' : 'the inverter sees no AC';
	return [...partsOf(record.parts, 'ac-disconnect'), ...partsOf(record.parts, 'breaker')].flatMap(
		({ id }) =>
			(['load', 'line'] as const).map((point) => ofPart(id, point, 'open-live', 'ac-voltage', why))
	);
}

/** Whether a string has its volts and no current: then its fuses are read. */
function lacksCurrent(shareOf: ShareRead, { id }: StringRecord): boolean {
	const share = shareOf(id, 'operating-current');
	return share !== null && share < NO_CURRENT_SHARE;
}

function deadParts(
	{ record, visit }: PlanBasis,
	shareOf: ShareRead,
	strings: readonly StringRecord[],
	meanings: readonly Meaning[]
): Wanted[] {
	const all = visit.purpose === 'insurance';
	const fuses = strings
		.filter((string) => string.fuse !== null && (all || lacksCurrent(shareOf, string)))
		.flatMap((string): Wanted[] =>
			(['positive', 'negative'] as const)
				.filter((pole) => fusedPoles(record, string).includes(pole))
				.map((pole) => ({
					// Out of its holder, while the cover is open for the strings' volts.
					block: 'open-live',
					place: { kind: 'fuse', string: string.id, pole },
					quantity: 'fuse-resistance',
					state: usualState('fuse-resistance'),
					why: all ? 'every fuse' : `${string.label} has no current`
				}))
		);
	const insulated =
		THOROUGH.includes(visit.purpose) || hasMeaning(meanings, 'earth', 'insulation', 'arc');
	if (!insulated || strings.length === 0) return fuses;
	const why = 'leaks to earth';
	const insulation: Wanted[] =
		labelPower(record) > INSULATION.byGroupsAbove
			? strings.map((string) => ofString(string, 'dead', 'insulation-resistance', why))
			: [
					{
						block: 'dead',
						place: { kind: 'array' },
						quantity: 'insulation-resistance',
						state: usualState('insulation-resistance'),
						why
					}
				];
	const wet: Wanted[] = hasMeaning(meanings, 'insulation')
		? insulation.map((one) => ({
				...one,
				quantity: 'insulation-wet',
				why: 'leaks in the wet alone'
			}))
		: [];
	return [...fuses, ...insulation, ...wet];
}

/** Poles that carry a fuse, by the combiner's record; plus alone where that is not known. */
export function fusedPoles(
	{ parts }: Pick<ArrayRecord, 'parts'>,
	{ to }: StringRecord
): readonly ('positive' | 'negative')[] {
	const poles = partsOf(parts, 'combiner').find(({ id }) => id === to)?.specs.fusePoles ?? null;
	if (poles === 'both poles') return ['positive', 'negative'];
	return poles === 'minus' ? ['negative'] : ['positive'];
}
