import type { Place, Quantity } from '$core/visit';
import type { Cause, CauseMember } from '$core/diagnosis';

/** What of a string's path is still suspect, in modules from its negative end. */
export interface SuspectSegment {
	/** From and to, 0 to the number of modules; null where no module or joint is suspect. */
	readonly span: readonly [from: number, to: number] | null;
	readonly fuse: boolean;
	/** The disconnect or its side of the path. */
	readonly beyond: boolean;
}

/** A reading as the drawing marks it. */
export interface ProbedReading {
	readonly place: Place;
	readonly quantity: Quantity;
}

/** What of a string its drawing counts by. */
export interface PathBuild {
	readonly modules: number;
	/** Of each module. */
	readonly substrings: number;
	/** Modules behind one device; 0 where there is none. */
	readonly perDevice: number;
}

/** Members with less of the string's uncertainty than this are not drawn. */
const DRAWN = 0.06;
const AT_FUSE = ['fuse-blown', 'fuse-wrong-rating', 'blocking-diode-open'];
const BEYOND = ['disconnect-open', 'connector-reversed'];
const NOWHERE = ['reading-wrong', 'conditions-wrong', 'healthy', 'record-wrong'];

function spanOf(
	{ place: { within } }: CauseMember,
	{ modules, substrings, perDevice }: PathBuild
): readonly [number, number] {
	if (!within) return [0, modules];
	const first = within.at[0]!;
	const last = within.at.at(-1)!;
	switch (within.spread) {
		case 'section':
			return [Math.floor(first / substrings), Math.floor(last / substrings) + 1];
		case 'module':
			return [first, last + 1];
		case 'device':
			return [first * perDevice, Math.min(modules, (last + 1) * perDevice)];
		default:
			// A joint lies between two modules: a little of both is drawn.
			return [Math.max(0, first - 0.4), Math.min(modules, last + 0.4)];
	}
}

/** The stretch that the causes of a string leave; it narrows as tests come in. */
export function suspectSegment(causes: readonly Cause[], build: PathBuild): SuspectSegment {
	const members = causes
		.flatMap((cause) => cause.members)
		.filter(({ probability }) => probability >= DRAWN);
	const placed = members.filter(({ code }) => ![...AT_FUSE, ...BEYOND, ...NOWHERE].includes(code));
	const spans = placed.map((member) => spanOf(member, build));
	return {
		span:
			spans.length === 0
				? null
				: [Math.min(...spans.map(([from]) => from)), Math.max(...spans.map(([, to]) => to))],
		fuse: members.some(({ code }) => AT_FUSE.includes(code)),
		beyond: members.some(({ code }) => BEYOND.includes(code))
	};
}

/** What is looked at, counted or clamped has no two probes. */
const WITHOUT_PROBES: readonly Quantity[] = [
	'operating-current',
	'module-count',
	'shade-seen',
	'cleaning-gain',
	'label-power'
];

/** Where the two probes of a reading go, in modules from the negative end; null where not on the modules. */
export function probePoints(
	{ place, quantity }: ProbedReading,
	modules: number
): readonly [number, number] | null {
	if (WITHOUT_PROBES.includes(quantity)) return null;
	switch (place.kind) {
		case 'stretch':
			return [place.from, place.to];
		case 'joint':
			return [Math.max(0, place.joint - 0.3), Math.min(modules, place.joint + 0.3)];
		case 'module':
			return [place.module - 1, place.module];
		case 'string':
			return [0, modules];
		default:
			return null;
	}
}
