import type { HiddenFault, Scenario } from '$core/training';
import type { CauseCode } from '$core/faults';
import type { Cause, CauseMember } from '$core/diagnosis';

/*
 * Fixed rules of scoring. A line is right when a hidden fault is among its members and every member
 * belongs to that fault's group at the same place; the groups are what first readings cannot separate.
 */

const GROUPS: readonly (readonly CauseCode[])[] = [
	['bypass-diode-shorted', 'section-open'],
	['module-open', 'connector-open'],
	['module-missing', 'module-shorted', 'rsd-device-off'],
	['fuse-blown', 'blocking-diode-open', 'disconnect-open', 'reading-wrong'],
	['shade', 'module-degraded', 'soiling', 'connector-resistive']
];
/** What moves the readings of all strings alike, until one of them is cleaned. */
const OF_ALL: readonly CauseCode[] = ['conditions-wrong', 'record-wrong', 'soiling'];

function groupOf(code: CauseCode, ofString: boolean): readonly CauseCode[] {
	// A wrong record of one string is no wrong record of the array.
	if (code === 'record-wrong' && ofString) return [code];
	if (!ofString && OF_ALL.includes(code)) return OF_ALL;
	return GROUPS.find((group) => group.includes(code)) ?? [code];
}

/** Whether a member names the place of a hidden fault. */
function samePlace({ place }: CauseMember, fault: HiddenFault, { record }: Scenario): boolean {
	const ids = fault.strings.map(
		(label) => record.strings.find((string) => string.label === label)!.id
	);
	if (place.strings) return [...place.strings].sort().join() === [...ids].sort().join();
	if (place.string !== undefined) return ids.length === 1 && ids[0] === place.string;
	if (place.input !== undefined) return place.input === fault.input;
	return !['string', 'input'].some((key) => key in place) && ids.length !== 1;
}

/** Whether a line is right about one hidden fault. */
export function isRightAbout(line: Cause, fault: HiddenFault, scenario: Scenario): boolean {
	const group = groupOf(fault.code, fault.strings.length === 1);
	const here = line.members.filter((member) => samePlace(member, fault, scenario));
	return (
		here.some(({ code }) => code === fault.code) &&
		line.members.every((member) => group.includes(member.code)) &&
		here.length === line.members.length
	);
}

/**
 * Whether a mistake can be noticed at all: a figure at a string or a fuse that is not what it would have
 * been anyway. The drift of a sound pole to earth may be any.
 */
function isNoticeable(id: string, { visit, exact }: Scenario): boolean {
	const reading = visit.readings.find((one) => one.id === id)!;
	if (reading.quantity === 'fuse-resistance') return reading.value > 5;
	if (reading.quantity.endsWith('-to-earth')) return false;
	const right = exact.get(id)!;
	return Math.abs(reading.value - right) > 0.05 * Math.abs(right) + 0.5;
}

/**
 * Whether a line says something that is so.
 *
 * @param mild nothing that is hidden is large enough for the readings that were taken
 */
export function isRight(line: Cause, scenario: Scenario, mild: boolean): boolean {
	const { truth, mistakes } = scenario;
	const [{ code, place }] = line.members;
	if (code === 'healthy') {
		return mild && ![...mistakes.keys()].some((id) => isNoticeable(id, scenario));
	}
	if (code === 'reading-wrong' && line.members.length === 1) {
		return place.reading !== undefined && mistakes.has(place.reading);
	}
	return (
		truth.faults.some((fault) => isRightAbout(line, fault, scenario)) ||
		line.members.some(
			(member) =>
				member.code === 'reading-wrong' &&
				member.place.reading !== undefined &&
				mistakes.has(member.place.reading)
		)
	);
}

/** Wilson's interval of a share, 95 %. */
export function wilson(hits: number, of: number): readonly [number, number] {
	if (of === 0) return [0, 1];
	const z = 1.96;
	const p = hits / of;
	const middle = (p + (z * z) / (2 * of)) / (1 + (z * z) / of);
	const half = (z / (1 + (z * z) / of)) * Math.sqrt((p * (1 - p)) / of + (z * z) / (4 * of * of));
	return [middle - half, middle + half];
}
