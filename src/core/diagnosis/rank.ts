import { inSentence } from '../units';
import { type ArrayRecord, labelRanges } from '../record';
import type { Quantity, Reading } from '../visit';
import type { Family, Fault } from '../faults';
import type { Cause, CausePlace, Reason, RuledOut } from './cause';
import { lineOf, type BareMember } from './line';
import { reasonsFor } from './reasons';
import type { GroupPosterior, StringPosterior, Weighed } from './posterior';
import type { Scope } from './scope';
import { withinOf } from './within';
import { causeWords, readingPlace } from './words';

/** Lines below this are not worth their space. */
const WORTH_A_LINE = 0.005;
/** A cause is borne out by readings that make it so many times likelier, beside a string without a fault. */
const BORNE_OUT = 1.5;
/** Two causes of one family whose best fits differ by less than this cannot be told apart (ln). */
const ALIKE = 1.5;
/** From one operating point these look the same whatever their sizes; they share a line. */
const ALWAYS_TOGETHER: readonly Family[] = ['low-current', 'inside'];

/** Weighed classes of one code, gathered over its sizes. */
interface CodeWeight {
	readonly fault: Fault;
	readonly probability: number;
	/** Of the single classes of the code the likeliest. */
	readonly likeliest: Weighed;
	/** Chance of each place, given the code, [places]; empty where no reading tells. */
	readonly places: readonly number[];
}

/** What lines are made from. */
export interface RankBasis {
	readonly record: ArrayRecord;
	readonly posterior: GroupPosterior;
	readonly scopes: readonly Scope[];
	/** Whether strings of another group stand in the same light, so that they tell conditions from nameplate. */
	readonly amongOthers: boolean;
	/** Whether one string was cleaned and read again. */
	readonly cleaned: boolean;
}

/** The lines of one group, unsorted. */
export function causesOf(basis: RankBasis): Cause[] {
	const { posterior } = basis;
	return [
		...posterior.strings.flatMap((string, s) => stringCauses(string, s, basis)),
		...scopeCauses(basis),
		...sharedCauses(basis)
	].filter((cause) => cause.probability >= WORTH_A_LINE);
}

/** Chance and places of every fault code of a string. */
function byCode({ classes }: StringPosterior): CodeWeight[] {
	const weights = new Map<string, { fault: Fault; items: Weighed[] }>();
	for (const item of classes) {
		for (const { fault } of item.of.faults) {
			const entry = weights.get(fault.code) ?? { fault, items: [] };
			entry.items.push(item);
			weights.set(fault.code, entry);
		}
	}
	return [...weights.values()].map(({ fault, items }) => {
		const alone = items.filter(({ of }) => of.faults.length === 1);
		const leading = items.filter(({ of }) => of.faults[0]!.fault === fault);
		return {
			fault,
			probability: items.reduce((sum, item) => sum + item.probability, 0),
			likeliest: (alone.length > 0 ? alone : items).reduce((a, b) =>
				b.probability > a.probability ? b : a
			),
			places: mixedPlaces(leading)
		};
	});
}

function mixedPlaces(items: readonly Weighed[]): number[] {
	const places: number[] = [];
	let total = 0;
	for (const { probability, places: own } of items) {
		if (own.length === 0) continue;
		total += probability;
		own.forEach((share, at) => (places[at] = (places[at] ?? 0) + probability * share));
	}
	return total > 0 ? places.map((weight) => weight / total) : [];
}

/** Codes of one family that fit the readings equally well share a line. */
function gather(codes: readonly CodeWeight[]): CodeWeight[][] {
	const lines: CodeWeight[][] = [];
	for (const code of [...codes].sort((a, b) => b.probability - a.probability)) {
		const mate = lines.find(
			([first]) =>
				first!.fault.family === code.fault.family &&
				first!.fault.family !== 'unseen' &&
				(ALWAYS_TOGETHER.includes(code.fault.family) ||
					Math.abs(first!.likeliest.bestLog - code.likeliest.bestLog) < ALIKE)
		);
		if (mate) mate.push(code);
		else lines.push([code]);
	}
	return lines;
}

/** Whether the readings speak for the codes of a line, or only leave what was thought of them before. */
function isBorneOut({ classes, before }: StringPosterior, line: readonly CodeWeight[]): boolean {
	const [whole] = classes;
	let [chance, prior] = [0, 0];
	for (const { of, probability } of classes) {
		if (!of.faults.some(({ fault }) => line.some((code) => code.fault === fault))) continue;
		chance += probability;
		prior += of.prior * before.factor;
	}
	return chance * before.whole > BORNE_OUT * prior * whole!.probability;
}

/** Beside a fault a size of 1 says nothing. */
const sizeOf = ({ fault, likeliest }: CodeWeight) => {
	const { severity } = likeliest.of.faults.find((one) => one.fault === fault)!;
	return { severity: severity.words, size: severity.words === '' ? null : severity.size };
};

function stringCauses(string: StringPosterior, index: number, basis: RankBasis): Cause[] {
	const { record, posterior, scopes } = basis;
	const { string: of } = string.case;
	const build = { string: of, type: posterior.group.model.type };
	const { label, id } = of;
	const zeroClamp = string.case.readings.find(
		({ item: { reading, measured } }) =>
			reading.quantity === 'operating-current' && Math.abs(measured) <= 0.2
	)?.item.reading;
	// A switch of one string alone looks like its fuse.
	const ownSwitch = scopes.findIndex(
		({ code, strings }) =>
			code === 'disconnect-open' && strings.length === 1 && strings[0] === index
	);
	const lines = gather(byCode(string)).map((line) => {
		const members: BareMember[] = line.map((code) => {
			const within = code.places.length > 0 && withinOf(code.fault.spread, code.places, build);
			return {
				code: code.fault.code,
				place: { string: id, ...(within && { within }) },
				probability: code.probability,
				...sizeOf(code)
			};
		});
		if (line[0]!.fault.family === 'no-current') {
			const mistaken = zeroClamp && string.wrongReading.get(zeroClamp.id);
			if (zeroClamp && mistaken) members.push(wrongReading(id, zeroClamp.id, mistaken));
			if (ownSwitch >= 0) {
				members.push({
					code: 'disconnect-open',
					place: { string: id, ...scopes[ownSwitch]!.place },
					probability: posterior.scopes[ownSwitch]!,
					severity: '',
					size: null
				});
			}
		}
		return { members, weighed: line[0]!.likeliest, borneOut: isBorneOut(string, line) };
	});
	const taken = new Set(lines.flatMap(({ members }) => members.map((m) => m.place.reading)));
	const causes = lines
		.filter(({ members }) => sum(members) >= WORTH_A_LINE)
		.map(({ members, weighed, borneOut }) => ({
			...lineOf(members, label, reasonsFor(record, weighed, string, posterior)),
			borneOut
		}));
	const quantityOf = new Map<string, Quantity>([
		...string.case.readings.map(({ item: { reading } }) => [reading.id, reading.quantity] as const),
		...[
			...(string.case.located?.readings ?? []),
			...Object.values(string.case.located?.earthRead ?? {})
		].flatMap((reading: Reading | null) =>
			reading ? [[reading.id, reading.quantity] as const] : []
		)
	]);
	for (const [reading, chance] of string.wrongReading) {
		// The voltage of an input is a line of its own, beside those of the strings.
		if (taken.has(reading) || chance < WORTH_A_LINE || !quantityOf.has(reading)) continue;
		causes.push(
			lineOf(
				[wrongReading(id, reading, chance)],
				readingPlace(label, quantityOf.get(reading)!),
				reasonsFor(record, string.classes[0]!, string, posterior)
			)
		);
	}
	return causes;
}

const sum = (members: readonly BareMember[]) =>
	members.reduce((total, { probability }) => total + probability, 0);

function wrongReading(string: string, reading: string, probability: number): BareMember {
	return {
		code: 'reading-wrong',
		place: { string, reading },
		probability,
		severity: '',
		size: null
	};
}

function scopeCauses({ record, posterior, scopes }: RankBasis): Cause[] {
	return scopes.flatMap((scope, i) => {
		const probability = posterior.scopes[i]!;
		if (probability < WORTH_A_LINE) return [];
		if (scope.code === 'disconnect-open' && scope.strings.length === 1) {
			// It shares the line of its string's fuse where there is one.
			const own = byCode(posterior.strings[scope.strings[0]!]!).filter(
				({ fault: { family } }) => family === 'no-current'
			);
			if (own.reduce((total, code) => total + code.probability, 0) >= WORTH_A_LINE) return [];
		}
		const strings = scope.strings.map((s) => posterior.strings[s]!.case.string);
		const labels = strings.map(({ label }) => label);
		const reasons: Reason[] = [
			{
				readingId: null,
				weighs: 'for',
				words: `${labelRanges(record, labels)}: all their readings together are as ${inSentence(causeWords(scope.code))} leaves them.`
			}
		];
		const links = [...scope.links].sort((a, b) => b.share - a.share);
		const [best] = links;
		const telling = best && best.share > 1.5 / scope.links.length;
		const place: CausePlace = {
			...scope.place,
			...(best && { linkShare: best.share }),
			...(telling && { link: best.link })
		};
		const line = lineOf(
			[{ code: scope.code, place, probability, severity: '', size: null }],
			'',
			reasons
		);
		const part = record.parts.find(({ id }) => id === scope.place.part)?.mark;
		const input = scope.place.input === undefined ? null : `input ${scope.place.input}`;
		const where = [part ?? input, telling ? best.link.replaceAll('-', ' ') : null].filter(Boolean);
		return [
			{
				...line,
				where:
					scope.code === 'strings-swapped'
						? labels.join(' and ')
						: where.length > 0
							? where.join(', ')
							: null
			}
		];
	});
}

function sharedCauses({
	posterior: { shared, best, group },
	amongOthers,
	cleaned
}: RankBasis): Cause[] {
	if (group.shared.size === 0) return [];
	const irradiance = Math.expm1(best.irradiance);
	const statedIrradiance = `${(100 * group.uncertainty.irradiance).toFixed(0)} %`;
	const reasons: Reason[] = [
		{
			readingId: null,
			weighs: Math.abs(best.irradiance) > group.uncertainty.irradiance ? 'for' : 'against',
			words: `The strings together read as if ${Math.abs(100 * irradiance).toFixed(1)} % ${irradiance < 0 ? 'less' : 'more'} irradiance reached them than stated; up to about ${statedIrradiance} is usual.`
		},
		{
			readingId: null,
			weighs:
				Math.abs(best.cellTemperature) > group.uncertainty.cellTemperature ? 'for' : 'against',
			words: `Their voltages match cells ${Math.abs(best.cellTemperature).toFixed(1)} K ${best.cellTemperature > 0 ? 'warmer' : 'cooler'} than stated; up to about ${group.uncertainty.cellTemperature.toFixed(0)} K is usual.`
		}
	];
	const member = (code: 'soiling' | 'conditions-wrong' | 'record-wrong'): BareMember => ({
		code,
		place: {},
		probability: shared[code],
		severity: '',
		size: null
	});
	const line = (members: BareMember[]) => lineOf(members, 'the array', reasons);
	// Only cleaning a string tells soiling on all of them from conditions that were not as stated.
	const notAsStated = [member('conditions-wrong'), ...(cleaned ? [] : [member('soiling')])];
	const dirty = cleaned ? [line([member('soiling')])] : [];
	// Strings of another type in the same light tell the conditions from the nameplate.
	if (!amongOthers) return [line([...notAsStated, member('record-wrong')]), ...dirty];
	const strings = group.strings.map(({ id }) => id);
	return [line(notAsStated), line([{ ...member('record-wrong'), place: { strings } }]), ...dirty];
}

/** A cause with less than this share of what it had before the readings is ruled out. */
const RULED_OUT = 0.02;
/** Causes that were never worth a thought are not said to be ruled out. */
const WORTH_RULING = 0.001;

/** What the readings of a string leave next to no room for, with the reading that says most. */
export function ruledOut(
	{ record, posterior }: Pick<RankBasis, 'record' | 'posterior'>,
	string: StringPosterior
): RuledOut[] {
	return byCode(string).flatMap((code): RuledOut[] => {
		const prior = string.classes
			.filter(({ of }) => of.faults.length === 1 && of.faults[0]!.fault === code.fault)
			.reduce((total, { of }) => total + of.prior, 0);
		if (prior < WORTH_RULING || code.probability > RULED_OUT * prior) return [];
		const [against] = reasonsFor(record, code.likeliest, string, posterior).filter(
			({ weighs }) => weighs === 'against'
		);
		if (!against) return [];
		return [
			{
				stringId: string.case.string.id,
				code: code.fault.code,
				words: `${causeWords(code.fault.code)}: ${against.words}`
			}
		];
	});
}
