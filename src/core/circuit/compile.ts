import type { SingleDiode } from '../module';
import { chainOf, type Chain, type Counted } from './chain';
import {
	CLOSED,
	conductorResistance,
	moduleCountOf,
	poleConducts,
	type BusCircuit,
	type Device,
	type ModuleRun,
	type SubstringState,
	type StringCircuit
} from './description';
import { OffDevice, OPEN, SeriesDiode, SHORT } from './parts';
import { cellGroup, EvenSubstring, type Breakdown, type CellGroup, type Part } from './substring';
import { UnevenSubstring } from './uneven-substring';

/** What all strings of a bus share. */
export type Surroundings = Pick<BusCircuit, 'bypass' | 'breakdown' | 'transmitter'>;

/** Which part of a string is meant. */
export type Side =
	/** Between its two leads at the combiner, before diode, fuses and switch. */
	| 'source'
	/** Between the poles of the bus. */
	| 'bus';

const CELLS_PER_SUBSTRING = 20;
const NO_DEVICES: readonly Device[] = [];

/** A section's share of its module: each of m equal sections has Rs/m, Rsh/m and a/m. */
function substringOf(params: SingleDiode, substrings: number): SingleDiode {
	return {
		photocurrent: params.photocurrent,
		saturationCurrent: params.saturationCurrent,
		seriesResistance: params.seriesResistance / substrings,
		shuntResistance: params.shuntResistance / substrings,
		modifiedIdeality: params.modifiedIdeality / substrings
	};
}

/** One row of a half-cut section: half of the current, twice the ohms. */
function rowOf(substring: SingleDiode): SingleDiode {
	return {
		photocurrent: substring.photocurrent / 2,
		saturationCurrent: substring.saturationCurrent / 2,
		seriesResistance: substring.seriesResistance * 2,
		shuntResistance: substring.shuntResistance * 2,
		modifiedIdeality: substring.modifiedIdeality
	};
}

/** A section as a part, or the ohms that are left of it. */
export function substringPart(
	run: ModuleRun,
	state: SubstringState,
	surroundings: Surroundings,
	params: SingleDiode = run.params
): Part | number {
	// What the cells push through their own bridge, Isc times 1 milliohm, is left out.
	if (state.bypass === 'shorted') return SHORT;
	const bypass = state.bypass === 'whole' ? surroundings.bypass : null;
	if (state.cells === 'open') return bypass ? new SeriesDiode(bypass) : OPEN;
	const plain = substringOf(params, run.sections.length);
	const substring: SingleDiode = {
		...plain,
		seriesResistance: plain.seriesResistance + (state.resistance ?? 0)
	};
	const cells = Math.max(
		1,
		Math.round(
			(run.cellsInSeries ?? CELLS_PER_SUBSTRING * run.sections.length) / run.sections.length
		)
	);
	const { breakdown } = surroundings;
	if (!state.patches?.length) {
		return new EvenSubstring(
			cellGroup(substring, {
				share: 1,
				cells,
				irradiance: state.light,
				leak: state.leak,
				breakdown
			}),
			bypass
		);
	}
	const rows = run.halfCut ? ([0, 1] as const) : ([0] as const);
	const row = run.halfCut ? rowOf(substring) : substring;
	return new UnevenSubstring(
		rows.map((index) => rowGroups(row, state, index, rows.length, cells, breakdown)),
		bypass
	);
}

function rowGroups(
	row: SingleDiode,
	state: SubstringState,
	index: 0 | 1,
	rows: number,
	cells: number,
	breakdown: Breakdown | null
): CellGroup[] {
	const leak = state.leak === undefined ? undefined : state.leak * rows;
	const group = (count: number, irradiance: number) =>
		cellGroup(row, { share: count / cells, cells: count, irradiance, leak, breakdown });
	const groups: CellGroup[] = [];
	let left = cells;
	for (const patch of state.patches ?? []) {
		if ((patch.row ?? 0) !== index) continue;
		const count = Math.min(patch.cells, left);
		if (count <= 0) continue;
		left -= count;
		groups.push(group(count, state.light * patch.light));
	}
	if (left > 0) groups.push(group(left, state.light));
	return groups;
}

/** Whether a device passes its modules on. */
export function passes(device: Device, { transmitter }: Surroundings): boolean {
	if (device.condition === 'stuck-on') return true;
	if (device.condition === 'failed-off' || device.kind === 'optimiser') return false;
	return transmitter !== 'dead';
}

/** Equal sections, to be computed once. */
interface SubstringGroup {
	readonly run: ModuleRun;
	readonly state: SubstringState;
	readonly sign: 1 | -1;
	count: number;
}

function sameParams(a: SingleDiode, b: SingleDiode): boolean {
	return (
		a === b ||
		(a.photocurrent === b.photocurrent &&
			a.saturationCurrent === b.saturationCurrent &&
			a.seriesResistance === b.seriesResistance &&
			a.shuntResistance === b.shuntResistance &&
			a.modifiedIdeality === b.modifiedIdeality)
	);
}

/** Sections with patches are alike only where they are one and the same. */
function sameState(a: SubstringState, b: SubstringState): boolean {
	return (
		a === b ||
		(a.light === b.light &&
			a.bypass === b.bypass &&
			a.cells === b.cells &&
			(a.resistance ?? 0) === (b.resistance ?? 0) &&
			a.leak === b.leak &&
			!a.patches?.length &&
			!b.patches?.length)
	);
}

/**
 * A chain before its modules have their light: the parts of one stretch of a string, equal sections
 * counted and ohms added up. Tracing asks the same string in many lights; it is gathered once.
 */
export class Gathering {
	private readonly substrings: SubstringGroup[] = [];
	private readonly others: Counted[] = [];
	resistance = 0;

	addSubstring(run: ModuleRun, state: SubstringState, sign: 1 | -1, count: number): void {
		for (const group of this.substrings) {
			if (
				group.sign === sign &&
				sameState(group.state, state) &&
				sameParams(group.run.params, run.params) &&
				group.run.sections.length === run.sections.length &&
				group.run.cellsInSeries === run.cellsInSeries
			) {
				group.count += count;
				return;
			}
		}
		this.substrings.push({ run, state, sign, count });
	}

	addPart(part: Part, count: number): void {
		this.others.push({ part, count, sign: 1 });
	}

	/** @param relit gives modules other parameters, as in another light */
	chain(surroundings: Surroundings, relit?: (params: SingleDiode) => SingleDiode): Chain {
		const parts: Counted[] = [];
		let { resistance } = this;
		for (const { run, state, sign, count } of this.substrings) {
			const params = relit ? relit(run.params) : run.params;
			const part = substringPart(run, state, surroundings, params);
			if (typeof part === 'number') resistance += part * count;
			else parts.push({ part, count, sign });
		}
		parts.push(...this.others);
		return chainOf(parts, resistance);
	}
}

function addModule(gathering: Gathering, run: ModuleRun, count: number): void {
	switch (run.state) {
		case 'absent':
			return;
		case 'bridged':
			gathering.resistance += SHORT * count;
			return;
		case 'open':
			gathering.resistance += OPEN * count;
			return;
		default: {
			const sign = run.state === 'reversed' ? -1 : 1;
			const { sections: substrings } = run;
			for (let i = 0; i < substrings.length;) {
				const state = substrings[i]!;
				let alike = 1;
				while (substrings[i + alike] === state) alike++;
				gathering.addSubstring(run, state, sign, alike * count);
				i += alike;
			}
		}
	}
}

/**
 * The part of a string between two joints as a chain: joint `from` lies below it and is left out,
 * joint `to` above it is counted in.
 */
function addModules(
	gathering: Gathering,
	string: StringCircuit,
	surroundings: Surroundings,
	from: number,
	to: number
): void {
	const off = string.devices?.filter((device) => !passes(device, surroundings)) ?? NO_DEVICES;
	let first = 0;
	for (const run of string.modules) {
		const low = Math.max(first, from);
		const high = Math.min(first + run.count, to);
		first += run.count;
		if (high <= low) continue;
		let hidden = 0;
		for (const { first: start, covers } of off) {
			hidden += Math.max(0, Math.min(start + covers, high) - Math.max(start, low));
		}
		if (high - low - hidden > 0) {
			addModule(gathering, run, high - low - hidden);
		}
	}
	for (const device of off) {
		if (device.first < from || device.first >= to) continue;
		gathering.addPart(new OffDevice(device.offVolts, surroundings.bypass), 1);
	}
	for (const { at, resistance } of string.joints ?? []) {
		if (at > from && at <= to) gathering.resistance += resistance === 'open' ? OPEN : resistance;
	}
}

/** The positive or the negative path between the string's lead and the bus, or its parts in the source side. */
function addPath(
	gathering: Gathering,
	string: StringCircuit,
	pole: 'positive' | 'negative',
	side: Side
): void {
	gathering.resistance += conductorResistance(string);
	if (side === 'source') return;
	const { blockingDiode, fuses } = string;
	if (fuses?.[pole]?.state === 'blown') gathering.resistance += OPEN;
	if (!poleConducts(string.disconnect ?? CLOSED, pole)) gathering.resistance += OPEN;
	if (pole === 'negative' || !blockingDiode) return;
	switch (blockingDiode.state) {
		case 'whole':
			gathering.addPart(new SeriesDiode(blockingDiode), 1);
			return;
		case 'open':
			gathering.resistance += OPEN;
			return;
		case 'shorted':
			gathering.resistance += SHORT;
	}
}

/**
 * The parts of a string cut at some of its joints, by stretch from the negative end; one stretch where
 * it is not cut. Cutting is for currents that leave at a joint, by an earth fault.
 *
 * @param cuts joints, rising, 0 to n
 */
export function gatherString(
	string: StringCircuit,
	surroundings: Surroundings,
	side: Side,
	cuts: readonly number[] = []
): readonly [Gathering, ...Gathering[]] {
	const bounds = [-1, ...cuts, moduleCountOf(string)];
	const segments = bounds.slice(1).map((to, i) => {
		const gathering = new Gathering();
		if (i === 0) addPath(gathering, string, 'negative', side);
		addModules(gathering, string, surroundings, bounds[i]!, to);
		if (i === bounds.length - 2) addPath(gathering, string, 'positive', side);
		return gathering;
	});
	return segments as [Gathering, ...Gathering[]];
}
