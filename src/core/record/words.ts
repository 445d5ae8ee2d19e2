import type { BlockingDiodeRecord, ModuleState, Structure, System } from './record';

export const SYSTEM_WORDS: Readonly<Record<System, string>> = {
	'string-inverter': 'string inverter, nothing behind the modules',
	'rapid-shutdown': 'rapid-shutdown devices behind the modules',
	optimisers: 'optimisers behind the modules',
	'micro-inverters': 'micro-inverters behind the modules',
	'off-grid': 'charge controller and battery'
};

export const STRUCTURE_WORDS: Readonly<Record<Structure, string>> = {
	building: 'on or in a building, use not recorded',
	dwelling: 'on a one- or two-family dwelling',
	'other-building': 'on or in another building',
	'pv-only-building': 'on a building that houses PV equipment alone',
	ground: 'ground mount, conductors enter no building',
	'ground-into-building': 'ground mount, conductors enter a building',
	'open-carport': 'open carport or canopy'
};

export const BLOCKING_WORDS: Readonly<Record<BlockingDiodeRecord, string>> = {
	none: 'none',
	silicon: 'silicon',
	schottky: 'Schottky',
	unknown: 'unknown'
};

export const MODULE_STATE_WORDS: Readonly<Record<ModuleState, string>> = {
	'in-service': 'in service',
	damaged: 'damaged',
	bypassed: 'bypassed',
	removed: 'taken out'
};
