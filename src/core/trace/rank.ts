import type { SiblingGroup } from '../expectation/group';
import { modulesAtShift } from '../expectation/group';
import { combine, ownDoubt } from '../expectation/error-model';
import { stringHere } from '../expectation/predict';
import type { Fault } from '../faults/fault';
import { coldCeiling, REVERSED_STRING, type Caution } from '../rules/cautions';
import type { Cause, CauseMember, Reason } from './cause';
import { testsFor } from './next-tests';
import { predictUnder, type GroupPosterior, type StringPosterior, type Weighed } from './posterior';
import { amount, causeWords, knownWords, lookAlikes, readingPlace } from './words';

/** Lines below this are not worth their space. */
const WORTH_A_LINE = 0.005;
/** Two causes of one family whose best fits differ by less than this cannot be told apart (ln). */
const ALIKE = 1.5;
/** From here on a line is named by its cause; below it by what is known. */
const NAMED = 0.9;

/** Weighed hypotheses of one code, gathered over its sizes. */
interface CodeWeight {
	readonly fault: Fault;
	readonly probability: number;
	readonly likeliest: Weighed;
}

/** The lines of one group, unsorted. */
export function causesOf(posterior: GroupPosterior): Cause[] {
	return [
		...posterior.strings.flatMap((string) => stringCauses(string, posterior)),
		...sharedCauses(posterior)
	].filter((cause) => cause.probability >= WORTH_A_LINE);
}

function byCode(string: StringPosterior): CodeWeight[] {
	const weights = new Map<string, { fault: Fault; items: Weighed[] }>();
	for (const item of string.hypotheses) {
		const { fault } = item.hypothesis;
		if (!fault) continue;
		const entry = weights.get(fault.code) ?? { fault, items: [] };
		entry.items.push(item);
		weights.set(fault.code, entry);
	}
	return [...weights.values()].map(({ fault, items }) => ({
		fault,
		probability: items.reduce((sum, item) => sum + item.probability, 0),
		likeliest: items.reduce((a, b) => (b.probability > a.probability ? b : a))
	}));
}

/** Codes of one family that fit the readings equally well share a line. */
function gather(codes: readonly CodeWeight[]): CodeWeight[][] {
	const lines: CodeWeight[][] = [];
	for (const code of [...codes].sort((a, b) => b.probability - a.probability)) {
		const mate = lines.find(
			([first]) =>
				first!.fault.family === code.fault.family &&
				Math.abs(first!.likeliest.bestLog - code.likeliest.bestLog) < ALIKE
		);
		if (mate) mate.push(code);
		else lines.push([code]);
	}
	return lines;
}

function stringCauses(string: StringPosterior, posterior: GroupPosterior): Cause[] {
	const { group } = posterior;
	const { label, id, moduleCount } = string.string;
	const ceiling = coldCeiling(group.model.type.plate.voc, moduleCount);
	// Whoever is right, a string that reads backwards is treated as reversed.
	const standing = string.readings.some(
		({ reading, measured }) => reading.quantity === 'open-circuit-voltage' && measured < 0
	)
		? [REVERSED_STRING]
		: [];
	const zeroClamp = string.readings.find(
		({ reading, measured }) => reading.quantity === 'operating-current' && Math.abs(measured) <= 0.2
	);
	const lines = gather(byCode(string)).map((line) => {
		const members: BareMember[] = line.map(({ fault, probability, likeliest }) => ({
			code: fault.code,
			place: { string: id },
			probability,
			severity: likeliest.hypothesis.severity.words
		}));
		// A blown fuse and a clamp that showed 0 by mistake give the same readings.
		const mistaken = zeroClamp && string.wrongReading.get(zeroClamp.reading.id);
		if (zeroClamp && mistaken && line[0]!.fault.code === 'fuse-blown') {
			members.push({
				code: 'reading-wrong',
				place: { string: id, reading: zeroClamp.reading.id },
				probability: mistaken,
				severity: ''
			});
		}
		return { members, weighed: line[0]!.likeliest };
	});
	const taken = new Set(lines.flatMap(({ members }) => members.map((m) => m.place.reading)));
	const causes = lines.map(({ members, weighed }) =>
		cause(members, label, ceiling, reasonsFor(weighed, string, posterior), standing)
	);
	for (const item of string.readings) {
		if (taken.has(item.reading.id)) continue;
		causes.push(
			cause(
				[
					{
						code: 'reading-wrong',
						place: { string: id, reading: item.reading.id },
						probability: string.wrongReading.get(item.reading.id)!,
						severity: ''
					}
				],
				readingPlace(label, item.reading.quantity),
				ceiling,
				reasonsFor(string.hypotheses[0]!, string, posterior),
				standing
			)
		);
	}
	return causes;
}

/** A member before it is put in words. */
type BareMember = Omit<CauseMember, 'words'>;

function cause(
	members: BareMember[],
	place: string,
	ceiling: number,
	reasons: readonly Reason[],
	standing: readonly Caution[] = []
): Cause {
	const sorted = members
		.sort((a, b) => b.probability - a.probability)
		.map((member) => ({ ...member, words: memberWords(member, members.length > 1) })) as [
		CauseMember,
		...CauseMember[]
	];
	const codes = sorted.map((member) => member.code);
	const probability = Math.min(
		1,
		sorted.reduce((sum, member) => sum + member.probability, 0)
	);
	const stringId = sorted[0].place.string ?? null;
	return {
		id: [stringId ?? 'visit', ...codes, sorted[0].place.reading ?? ''].filter(Boolean).join('/'),
		members: sorted,
		probability,
		stringId,
		...wordsOf(sorted, place, probability),
		reasons,
		lookAlikes: lookAlikes(codes),
		tests: testsFor(codes, place, ceiling, standing)
	};
}

function wordsOf(
	members: readonly [CauseMember, ...CauseMember[]],
	place: string,
	probability: number
): Pick<Cause, 'title' | 'perhaps'> {
	const [first] = members;
	const listed = listMembers(members);
	if (first.code === 'reading-wrong') return { title: `${listed}: ${place}`, perhaps: null };
	// Low current has causes that are not weighed yet, so it is never named for certain.
	const known = knownWords(first.code);
	const named =
		first.place.string === undefined || (probability >= NAMED && known !== 'Low current');
	return named
		? { title: listed, perhaps: null }
		: { title: `${known}, cause open`, perhaps: `Perhaps ${lowerFirst(listed)}.` };
}

/** "This, or that (one section)": a size that all members share is said once. */
function listMembers(members: readonly CauseMember[]): string {
	const [first] = members;
	const size = first?.severity ?? '';
	const shared = members.length > 1 && size !== '' && members.every((m) => m.severity === size);
	const listed = members
		.map(({ words }) => (shared ? words.replace(` (${size})`, '') : words))
		.map((words, i) => (i === 0 ? words : lowerFirst(words)))
		.join(', or ');
	return shared ? `${listed} (${size})` : listed;
}

function memberWords({ code, severity, place }: BareMember, among: boolean): string {
	if (code === 'soiling' && place.string === undefined) return 'Dirt on all strings';
	// Beside other causes of no current the wrong reading can only be the clamp's.
	if (code === 'reading-wrong' && among) return 'The clamp showed 0 by mistake';
	return severity ? `${causeWords(code)} (${severity})` : causeWords(code);
}

function lowerFirst(words: string): string {
	return words.charAt(0).toLowerCase() + words.slice(1);
}

/** Every reading of the string against the cause and against the whole string. */
function reasonsFor(
	weighed: Weighed,
	string: StringPosterior,
	{ group, best }: GroupPosterior
): Reason[] {
	const modules = modulesAtShift(group, best);
	return string.readings.map((item) => {
		const { quantity, atVolts } = item.reading;
		const unit = quantity === 'open-circuit-voltage' ? ('V' as const) : ('A' as const);
		const whole = stringHere(item.string, group.model, modules);
		const healthy = predictUnder(string.hypotheses[0]!.hypothesis, whole, item)!;
		const under = predictUnder(weighed.hypothesis, whole, item);
		const sigma = Math.max(spread(group, item, healthy), under ? spread(group, item, under) : 0);
		const said = `${readingPlace(item.string.label, quantity)}: ${amount(item.measured, unit)} read${
			atVolts === null ? '' : ` at ${amount(atVolts, 'V')}`
		}; a whole string gives ${amount(healthy.value, unit)}`;
		const zHealthy = Math.abs(item.measured - healthy.value) / sigma;
		if (!weighed.hypothesis.fault) {
			return {
				readingId: item.reading.id,
				weighs: zHealthy > 3 ? 'for' : 'neither',
				words: `${said} ± ${amount(2 * sigma, unit)}${zHealthy > 3 ? ', which this figure cannot be' : ', which fits'}.`
			};
		}
		if (!under) {
			return {
				readingId: item.reading.id,
				weighs: 'neither',
				words: `${said}; with this fault no figure can be foretold.`
			};
		}
		const zUnder = Math.abs(item.measured - under.value) / sigma;
		const weighs = zHealthy - zUnder > 1 ? 'for' : zUnder - zHealthy > 1 ? 'against' : 'neither';
		return {
			readingId: item.reading.id,
			weighs,
			words: `${said}, with this fault ${amount(under.value, unit)}, both ± ${amount(2 * sigma, unit)}.`
		};
	});
}

function spread(
	group: SiblingGroup,
	item: Parameters<typeof predictUnder>[2],
	prediction: { value: number; perVolt: number }
): number {
	return combine(
		ownDoubt(item.reading.quantity, prediction, item.string, group.series, item.reading.atVolts)
	);
}

function sharedCauses({ shared, best, group }: GroupPosterior): Cause[] {
	if (group.shared.size === 0) return [];
	const light = Math.expm1(best.light);
	const statedLight = `${(100 * group.doubt.light).toFixed(0)} %`;
	const reasons: Reason[] = [
		{
			readingId: null,
			weighs: Math.abs(best.light) > group.doubt.light ? 'for' : 'against',
			words: `The strings together read as if ${Math.abs(100 * light).toFixed(1)} % ${light < 0 ? 'less' : 'more'} light came in than stated and allowed for; up to about ${statedLight} is usual.`
		},
		{
			readingId: null,
			weighs: Math.abs(best.heat) > group.doubt.heat ? 'for' : 'against',
			words: `Their volts are as of cells ${Math.abs(best.heat).toFixed(1)} K ${best.heat > 0 ? 'warmer' : 'cooler'} than stated; up to about ${group.doubt.heat.toFixed(0)} K is usual.`
		}
	];
	const dirt: BareMember = {
		code: 'soiling',
		place: {},
		probability: shared.soiling,
		severity: ''
	};
	const conditions: BareMember = {
		code: 'conditions-wrong',
		place: {},
		probability: shared['conditions-wrong'],
		severity: ''
	};
	const ceiling = Math.max(
		...group.strings.map((string) => coldCeiling(group.model.type.plate.voc, string.moduleCount))
	);
	const line = (members: BareMember[]) => cause(members, 'the array', ceiling, reasons);
	// Less light on all strings may be dirt; what is left of the shift cannot be.
	const alike = best.light < -group.doubt.light && Math.abs(best.heat) < 3 * group.doubt.heat;
	return alike ? [line([dirt, conditions])] : [line([conditions]), line([dirt])];
}
