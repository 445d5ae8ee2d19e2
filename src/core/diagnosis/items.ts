import {
	coarse,
	type GroupReading,
	type PeerGroup,
	rmsOf,
	type Shift,
	type TrackedVoltage
} from '../expectation';
import { densityNodes } from './density-nodes';
import { aloneOnTracker, type StringCase } from './string-case';
import { classTable, tableKey, type ClassTable } from './string-table';
import { trackedTable } from './tracked-table';
import type { Item } from './weigh-string';

/** Chance that a tracker sits beside its maximum: clipping, a limit, a search of its own; Zembo default. */
const OFF_MAXIMUM = 0.03;

/** Id of the voltage at which a current was read, beside that of the current. */
export const trackedId = (readingId: string) => `${readingId}/voltage`;

/**
 * The readings of every string as numbers, each with the table of what the classes of its string make of it
 * about a shift. Strings of equal build share their tables.
 *
 * @returns items by string and reading, [strings][readings]
 */
export function itemsOf(
	group: PeerGroup,
	cases: readonly StringCase[],
	centre: Shift
): { readonly items: readonly (readonly Item[])[]; readonly tables: readonly ClassTable[] } {
	const tables: ClassTable[] = [];
	const known = new Map<string, number>();
	const tableAt = (key: string, make: () => ClassTable) => {
		const index = known.get(key) ?? tables.push(make()) - 1;
		known.set(key, index);
		return index;
	};
	const items = cases.map((one) => {
		const { string, classes, readings, voltageRatio, tracked } = one;
		const alone = aloneOnTracker(one);
		const build = (atVoltage: number | null) =>
			`${tableKey({ string }, atVoltage)}/${classes.length}/${voltageRatio ?? ''}/${alone}`;
		const own = readings.map(({ item, atVoltage, voltageUncertainty, repeated }): Item => {
			const { quantity } = item.reading;
			const table = tableAt(`${quantity}/${build(atVoltage)}/${voltageUncertainty > 0}`, () =>
				classTable(group, string, classes, quantity, atVoltage, centre, voltageUncertainty, alone)
			);
			const { sigma, scatterUnit, atVoltage: about } = tables[table]!;
			const scatter = coarse(item.scatter);
			return {
				measured: item.measured,
				table,
				voltageOff: atVoltage === null || about === null ? 0 : atVoltage - about,
				repeated,
				id: item.reading.id,
				elsewhere: 0,
				shared: false,
				perExcess: perExcess(item, readings[0]!.item),
				nodes: densityNodes(sigma, scatterUnit, scatter)
			};
		});
		if (!tracked) return own;
		const beside = `${tracked.partners.length}/${tracked.expected.toFixed(1)}`;
		const table = tableAt(`tracked/${build(null)}/${beside}`, () =>
			trackedTable(group, string, classes, tracked, centre)
		);
		return [...own, trackedItem(tracked, tables[table]!, table)];
	});
	return { items, tables };
}

/**
 * Change of an operating current with the excess of the same string's voltage: a string whose voltage is
 * high is probably cooler than the others, and its current at the same voltage is then higher.
 *
 * @returns A/V
 */
function perExcess(current: GroupReading, voltage: GroupReading): number {
	const isPair =
		current.reading.quantity === 'operating-current' &&
		voltage.reading.quantity === 'open-circuit-voltage';
	if (!isPair) return 0;
	const warm = voltage.scatterUnit * rmsOf(voltage.scatter);
	const share = warm ** 2 / (warm ** 2 + voltage.knownSigma ** 2);
	return (share * current.perKelvin) / -voltage.scatterUnit;
}

/** The operating voltage of a tracker of few strings, to be weighed like a string's other readings. */
function trackedItem(tracked: TrackedVoltage, table: ClassTable, index: number): Item {
	const { measured, expected, readingId, partners } = tracked;
	const scatter = coarse(tracked.scatter);
	const beside = measured > 0.4 * expected && measured < 1.3 * expected;
	return {
		measured,
		table: index,
		voltageOff: 0,
		repeated: 1,
		id: trackedId(readingId),
		elsewhere: beside ? OFF_MAXIMUM / (0.9 * expected) : 0,
		shared: partners.length > 0,
		perExcess: 0,
		nodes: densityNodes(table.sigma, table.scatterUnit, scatter)
	};
}
