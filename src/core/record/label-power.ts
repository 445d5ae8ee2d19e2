import { typesInString, type ArrayRecord } from './record';
import { uncertainCells } from './path';
import { partsOf, type PartOf } from './part';

/** Power on the labels of all recorded modules together, W; modules of an unknown type count as none. */
export function labelPower(record: ArrayRecord): number {
	const pmax = new Map(record.moduleTypes.map(({ id, plate: nameplate }) => [id, nameplate.pmax]));
	const inStrings = record.strings.flatMap(typesInString);
	const counted = uncertainCells(record).map(({ moduleTypeId }) => moduleTypeId);
	return [...inStrings, ...counted].reduce((sum, id) => sum + (pmax.get(id) ?? 0), 0);
}

/** Modules in strings and modules that were only counted. */
export function moduleCount(record: Pick<ArrayRecord, 'strings' | 'fields'>): number {
	const inStrings = record.strings.reduce((sum, string) => sum + string.moduleCount, 0);
	return inStrings + uncertainCells(record).length;
}

/** AC power of all inverters together, W; null where one of them states none, or there is none. */
export function acPower(record: ArrayRecord): number | null {
	const inverters = partsOf(record.parts, 'inverter').map(({ specs }) => specs.acWatts);
	const types = partsOf(record.parts, 'micro-inverter');
	const power = (type: PartOf<'micro-inverter'> | undefined, modules: number, each: number) => {
		const one = type?.specs.acWatts ?? null;
		return one === null ? null : one * Math.ceil(modules / each);
	};
	const micro = record.strings.flatMap(({ devices, moduleCount: modules }) => {
		if (devices === null || devices === 'unknown' || devices.kind !== 'micro-inverter') return [];
		const type = types.find(({ id }) => id === devices.part);
		return [power(type, modules, devices.modulesPerDevice)];
	});
	// Modules that were only counted have the one type of micro-inverter that was seen.
	const counted = record.system === 'micro-inverters' ? uncertainCells(record).length : 0;
	const [seen, another] = types;
	if (counted > 0) {
		micro.push(another ? null : power(seen, counted, seen?.specs.modulesPerDevice ?? 1));
	}
	const all = [...inverters, ...micro];
	if (all.length === 0) return null;
	return all.reduce<number | null>(
		(sum, power) => (sum === null || power === null ? null : sum + power),
		0
	);
}

/** Label power over AC power; null where either is not known. */
export function dcAcRatio(record: ArrayRecord): number | null {
	const ac = acPower(record);
	const dc = labelPower(record);
	return ac === null || ac === 0 || dc === 0 ? null : dc / ac;
}
