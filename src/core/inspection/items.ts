import { type ArrayRecord, type PartKind, stringGroups } from '../record';
import { DEAD_VOLTAGE } from '../assessment';
import type { Severity } from './entry';
import { INSULATION, insulationRow } from '../profiles';

/** Stretches of the walk, in the order of the energy. */
export const INSPECTION_STATIONS = [
	'array',
	'wiring',
	'roof',
	'earthing',
	'dc-boxes',
	'rapid-shutdown',
	'inverter',
	'battery',
	'ac-side',
	'labels',
	'tests'
] as const;
export type InspectionStation = (typeof INSPECTION_STATIONS)[number];

export const STATION_WORDS: Readonly<Record<InspectionStation, string>> = {
	array: 'Modules',
	wiring: 'Wiring on the roof',
	roof: 'Roof and fixings',
	earthing: 'Earthing and bonding',
	'dc-boxes': 'Combiners and DC disconnects',
	'rapid-shutdown': 'Rapid shutdown',
	inverter: 'Inverters and controllers',
	battery: 'Batteries',
	'ac-side': 'AC side',
	labels: 'Labels and placards',
	tests: 'Tests of the inspector'
};

/** A figure that the inspector measures, and within what it should lie. */
export interface MeasuredItem {
	readonly unit: string;
	readonly limit: { readonly most?: number; readonly least?: number };
	/** Clause, or "common practice". */
	readonly source: string;
	/** Priority of a figure beyond the limit. */
	readonly beyond: Severity;
}

export interface InspectionItem {
	readonly id: string;
	readonly station: InspectionStation;
	/** What to look at, said as it should be. */
	readonly words: string;
	/** Asked once for each part of these kinds; once for the array where absent. */
	readonly per?: readonly PartKind[];
	/** Only arrays that have it are asked. */
	readonly when?: (record: ArrayRecord) => boolean;
	/** By the array where its limit follows from it; null where there is none. */
	readonly measured?: (record: ArrayRecord) => MeasuredItem | null;
	/** Where it can hurt. */
	readonly caution?: string;
}

const has =
	(...kinds: PartKind[]) =>
	({ parts }: ArrayRecord) =>
		parts.some(({ kind }) => kinds.includes(kind));
const us = ({ rules }: ArrayRecord) => rules.profile === 'US';
const dcSide = ({ system }: ArrayRecord) => system !== 'micro-inverters';
const grid = ({ system }: ArrayRecord) => system !== 'off-grid';
const onRoof = ({ rules }: ArrayRecord) =>
	rules.structure !== 'ground' && rules.structure !== 'ground-into-building';
const shutsDown = ({ system }: ArrayRecord) =>
	system === 'rapid-shutdown' || system === 'optimisers' || system === 'micro-inverters';

/** Limit of the insulation resistance by the highest string voltage; null where it cannot be told. */
function insulationLimit(record: ArrayRecord): MeasuredItem | null {
	const voltages = stringGroups(record).map(
		({ types }) => types && types.reduce((sum, { plate: nameplate }) => sum + nameplate.voc, 0)
	);
	if (voltages.length === 0 || voltages.includes(null)) return null;
	const { testVolts: testVoltage, least } = insulationRow(
		Math.max(...voltages.map((voltage) => voltage!))
	);
	return {
		unit: 'Mohm',
		limit: { least },
		source: `${INSULATION.clause}, tested with ${testVoltage} V`,
		beyond: 'mend-soon'
	};
}

/** The walk: common practice where no clause is named; numbers of clauses are from memory. */
export const INSPECTION_ITEMS: readonly InspectionItem[] = [
	{
		id: 'rack-live',
		station: 'array',
		words: 'Rack and frames are not live: voltage to earth, DC and AC, before anything is touched',
		measured: () => ({
			unit: 'V',
			limit: { most: DEAD_VOLTAGE },
			source: 'Zembo default',
			beyond: 'act-now'
		}),
		caution: 'If metal is live, do not touch it and do not climb. Find the earth fault first.'
	},
	{ id: 'modules-alike', station: 'array', words: 'Modules are alike and as recorded' },
	{
		id: 'glass',
		station: 'array',
		words: 'Glass unbroken, on both sides where visible',
		caution:
			'Broken modules still produce voltage. Isolate the string and measure its insulation resistance before touching. Never spray broken glass.'
	},
	{ id: 'frames', station: 'array', words: 'Frames straight, corners closed' },
	{ id: 'cells', station: 'array', words: 'No discolouration, snail trails or burn marks' },
	{
		id: 'junction-boxes',
		station: 'array',
		words: 'Junction boxes closed, glued fast, no heat marks'
	},
	{ id: 'fixings', station: 'array', words: 'Clamps and fixings tight, in their zones' },
	{ id: 'air-gap', station: 'array', words: 'Air gap behind the modules, no leaves or nests' },
	{
		id: 'clearances',
		station: 'array',
		words: 'Smallest clearance to ridge, hip and edges',
		when: onRoof,
		measured: ({ rules }) =>
			rules.profile === 'US'
				? {
						unit: 'mm',
						limit: { least: 457 },
						source:
							'IFC 1205.2, 18 in at the ridge; 914 mm (36 in) paths beside the array; not verified',
						beyond: 'mend-soon'
					}
				: {
						unit: 'mm',
						limit: { least: 300 },
						source: 'common practice; the mounting system’s instructions decide',
						beyond: 'mend-soon'
					}
	},
	{ id: 'shade', station: 'array', words: 'Nothing shades the array that was not there' },
	{ id: 'dirt', station: 'array', words: 'Glass clean, no lichen at the lower edge' },
	{
		id: 'cables-clear',
		station: 'wiring',
		words: 'No cable lies on the roof covering or a sharp edge'
	},
	{ id: 'clips', station: 'wiring', words: 'Cables clipped, bend radius kept, no strain' },
	{
		id: 'connectors',
		station: 'wiring',
		words: 'Connectors of one make, fully home, none in water',
		when: dcSide,
		caution: 'Look, do not pull. Never open a connector under load.'
	},
	{ id: 'drip-loops', station: 'wiring', words: 'Drip loops where cables enter' },
	{
		id: 'conduit',
		station: 'wiring',
		words: 'DC conductors inside the building run in metal raceway or metal-clad cable',
		when: (record) => us(record) && dcSide(record)
	},
	{ id: 'glands', station: 'wiring', words: 'Glands tight, unused entries closed' },
	{ id: 'flashing', station: 'roof', words: 'Flashings and sealant intact', when: onRoof },
	{ id: 'leaks', station: 'roof', words: 'No trace of water below the array', when: onRoof },
	{ id: 'frames-earthed', station: 'earthing', words: 'Every frame and rail is bonded' },
	{
		id: 'earth-size',
		station: 'earthing',
		words: 'Bonding conductor of the size that is asked for'
	},
	{ id: 'electrode', station: 'earthing', words: 'Electrode found and connected' },
	{
		id: 'box-rating',
		station: 'dc-boxes',
		words: 'Rating at or above the array’s voltage at the coldest',
		per: ['combiner', 'dc-disconnect']
	},
	{
		id: 'box-terminals',
		station: 'dc-boxes',
		words: 'Terminals tight, no heat marks, no water',
		per: ['combiner', 'dc-disconnect'],
		caution: 'The string side stays live in daylight.'
	},
	{
		id: 'box-fuses',
		station: 'dc-boxes',
		words: 'Fuses of the right size and DC rating',
		per: ['combiner']
	},
	{
		id: 'box-lock',
		station: 'dc-boxes',
		words: 'Can be switched off and locked',
		per: ['dc-disconnect']
	},
	{
		id: 'rs-marked',
		station: 'rapid-shutdown',
		words: 'Initiator marked and reachable',
		when: shutsDown
	},
	{
		id: 'rs-tested',
		station: 'rapid-shutdown',
		words: 'Voltage after the initiator was switched off',
		when: (record) => shutsDown(record) && us(record),
		measured: () => ({
			unit: 'V',
			limit: { most: 30 },
			source: 'NEC 690.12(B)(1), 30 V, not verified',
			beyond: 'mend-soon'
		}),
		caution: 'The limits protect firefighters. A device does not prove dead; a reading does.'
	},
	{
		id: 'inverter-cool',
		station: 'inverter',
		words: 'Cool, fans clear, ventilated',
		per: ['inverter', 'charge-controller']
	},
	{
		id: 'inverter-display',
		station: 'inverter',
		words: 'Display works; total energy and fault history noted',
		per: ['inverter', 'charge-controller']
	},
	{
		id: 'inverter-firmware',
		station: 'inverter',
		words: 'Firmware and grid code noted',
		per: ['inverter']
	},
	{
		id: 'battery-breaker',
		station: 'battery',
		words: 'Breaker within reach, polarity marked',
		per: ['battery'],
		caution: 'Battery terminals are always live. Use insulated tools. Keep covers on.'
	},
	{ id: 'battery-room', station: 'battery', words: 'Clearances and venting', per: ['battery'] },
	{ id: 'ac-dedicated', station: 'ac-side', words: 'Breaker feeds nothing else', per: ['breaker'] },
	{
		id: 'ac-far-end',
		station: 'ac-side',
		words: 'Back-fed breaker at the far end of the bus, bus rule kept',
		per: ['bus'],
		when: us
	},
	{
		id: 'ac-disconnect',
		station: 'ac-side',
		words: 'AC disconnect found, works, can be locked',
		per: ['ac-disconnect']
	},
	{
		id: 'meter',
		station: 'ac-side',
		words: 'Meter counts both ways (photograph its codes)',
		per: ['meter']
	},
	{
		id: 'surge',
		station: 'ac-side',
		words: 'Surge protection’s state window is good',
		per: ['surge']
	},
	{ id: 'label-disconnects', station: 'labels', words: 'Each disconnect and each source is named' },
	{
		id: 'label-dc',
		station: 'labels',
		words: 'Voltage and current marked at the DC disconnect',
		when: dcSide
	},
	{ id: 'label-other', station: 'labels', words: 'Where the other disconnect is stands at each' },
	{
		id: 'label-rs',
		station: 'labels',
		words: 'Rapid-shutdown placard with diagram',
		when: (r) => us(r) && shutsDown(r)
	},
	{
		id: 'label-made',
		station: 'labels',
		words: 'Engraved or printed to last, not written by hand'
	},
	{
		id: 'bonding-ohms',
		station: 'tests',
		words: 'Bonding from the farthest frame to the earth bar',
		measured: () => ({
			unit: 'ohm',
			limit: { most: 1 },
			source: 'common practice, 1 ohm',
			beyond: 'mend-soon'
		})
	},
	{ id: 'switches', station: 'tests', words: 'Each switch works and cuts what it says' },
	{
		id: 'loss-of-mains',
		station: 'tests',
		words: 'Loss of mains stops the inverter within',
		when: (record) => grid(record),
		measured: () => ({
			unit: 's',
			limit: { most: 2 },
			source: 'IEC 62116, IEEE 1547, 2 s, not verified',
			beyond: 'mend-soon'
		})
	},
	{
		id: 'insulation',
		station: 'tests',
		words: 'Insulation of the array',
		when: dcSide,
		measured: insulationLimit,
		caution:
			'Clear and bar the area. Isolate the array at both ends. Test at or below the module’s maximum system voltage. Discharge afterwards and confirm at most 5 V.'
	},
	{
		id: 'infrared',
		station: 'tests',
		words: 'Infrared under load: class of picture, load and wind noted',
		when: has('inverter', 'charge-controller', 'micro-inverter')
	},
	{ id: 'waste', station: 'tests', words: 'A way for broken modules to waste is agreed' }
];
