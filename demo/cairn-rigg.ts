import { type ArrayRecord, EMPTY_RECORD } from '$core/record';
import type { BusCircuit } from '$core/circuit';
import { agedModel, moduleAtConditions, stringAtConditions, USUAL_PARTS } from '$core/expectation';
import { inject, type PlacedFault } from '$core/faults';
import { meterDay, type PlantedDay } from './readings';
import {
	field,
	idsOf,
	idsOfVisit,
	inspectionVisit,
	moduleType,
	part,
	readingsVisit,
	string,
	walk
} from './site';

/* The relay hut: off-grid, three strings of two used modules of two types on a 48 V battery. */

const id = idsOf(2);
const RACK = id(0x400);
const PART = (n: number) => id(0x500 + n);

const record: ArrayRecord = {
	...EMPTY_RECORD,
	system: 'off-grid',
	rules: {
		profile: 'IEC',
		edition: null,
		structure: 'ground',
		lowest: -22,
		hottestCell: 60,
		alwaysFuse: true
	},
	inServiceSince: 2012,
	moduleTypes: [
		moduleType(
			id(1),
			'Harrowgill 225 P60',
			{
				technology: 'poly',
				cellsInSeries: 60,
				sections: 3,
				pmax: 225,
				vmp: 29.6,
				imp: 7.6,
				voc: 36.9,
				isc: 8.15,
				alphaIscPctPerK: 0.06,
				betaVocPctPerK: -0.33
			},
			{ systemVolts: 1000, seriesFuse: 15, bifacial: false, rearGainPct: null }
		),
		moduleType(
			id(5),
			'Fellside 300 P72',
			{
				technology: 'poly',
				cellsInSeries: 72,
				sections: 3,
				pmax: 300,
				vmp: 36.6,
				imp: 8.2,
				voc: 45.2,
				isc: 8.75,
				alphaIscPctPerK: 0.06,
				betaVocPctPerK: -0.32
			},
			{ systemVolts: 1000, seriesFuse: 15, bifacial: false, rearGainPct: null }
		)
	],
	strings: ['P1', 'P2', 'P3'].map((label, i) =>
		string({
			id: id(16 + i),
			label,
			moduleTypeId: i === 2 ? id(5) : id(1),
			moduleCount: 2,
			cableResistance: 0.12,
			cable: { length: 14, size: 4 },
			fuse: { rating: 12 },
			blockingDiode: 'schottky',
			to: PART(1),
			input: 'PV',
			modules: [
				{
					number: 1,
					serial: i === 2 ? 'FS72-11809' : `HG60-${8812 + i}`,
					deviceCode: null,
					year: i === 2 ? 2013 : 2011,
					state: 'in-service' as const,
					// One module of the other type stands in for a stolen one.
					moduleTypeId: i === 1 ? id(5) : null
				}
			],
			spans: [{ from: 1, count: 2, field: RACK, row: i, column: 0, step: 'right' as const }]
		})
	),
	fields: [field(RACK, 'Rack beside the hut', 3, 2, 38, 190, true)],
	parts: [
		part(PART(1), 'combiner', 'CB 1', {
			place: 'Behind the rack',
			to: PART(2),
			specs: { ratedVolts: 250, ratedAmps: 60, fusePoles: 'plus' }
		}),
		part(PART(2), 'dc-disconnect', 'Q1', {
			place: 'Hut, left of the door',
			to: PART(3),
			specs: { ratedVolts: 250, ratedAmps: 63, poles: 2, lockable: 'no' }
		}),
		part(PART(3), 'charge-controller', 'CC 1', {
			place: 'Hut, over the battery',
			model: 'Dunlin 150/45',
			to: PART(4),
			specs: {
				method: 'MPPT',
				maxVolts: 150,
				inputAmps: 45,
				chargeAmps: 45,
				batteryVolts: 48,
				inputs: 'PV'
			}
		}),
		part(PART(4), 'battery', 'BAT 1', {
			place: 'Hut, in the vented box',
			specs: {
				nominalVolts: 48,
				capacity: 220,
				absorptionVolts: 57.6,
				chemistry: 'lead, sealed',
				breakerAmps: 80
			}
		})
	],
	absent: ['surge', 'placard']
};

/** The walk through the relay hut, as a file. */
export function cairnRiggVisit(): string {
	const visit = {
		start: '2026-10-06T10:15:00Z',
		by: 'Tamsin Orrell',
		reason: 'Battery low in September'
	};
	const inspection = walk(
		record,
		id,
		visit.start,
		visit.by,
		{
			shade: {
				outcome: 'finding',
				severity: 'mend-soon',
				words: 'A rowan has grown: it shades the lower row until ten.',
				place: { kind: 'string', stringId: id(18) }
			},
			cells: {
				outcome: 'finding',
				severity: 'note',
				words: 'Browned cells and snail trails on one module.',
				place: { kind: 'module', stringId: id(16), module: 2 }
			},
			'box-lock': {
				outcome: 'finding',
				severity: 'mend-soon',
				words: 'Q1 cannot be locked off.',
				place: { kind: 'part', partId: PART(2) }
			},
			electrode: { outcome: 'not-seen', words: 'Rock and heather over it' }
		},
		{ 'rack-live': 0.2, 'bonding-ohms': 0.9, insulation: 6 }
	);
	return inspectionVisit(SITE, id, record, visit, inspection);
}

const SITE = {
	id: id(2),
	name: 'Cairn Rigg relay hut',
	place: 'Rack on the south side of the hut; an hour on foot',
	timeZone: 'Etc/UTC'
};

const IRRADIANCE = 655;
const TEMPERATURE = 31;

/** Two modules in series on a battery: neither weak nor shaded module is ever bypassed. */
export const CAIRN_DAY = {
	seed: 51,
	start: '2026-10-14T11:10:00Z',
	by: 'Tamsin Orrell',
	irradiance: IRRADIANCE,
	cellTemperature: TEMPERATURE,
	stated: { irradiance: 660, cellTemperature: 31.5 },
	faults: [
		{
			code: 'module-degraded',
			strings: ['P1'],
			input: 'PV',
			at: 1,
			size: 0.56,
			placed: [{ code: 'module-degraded', place: { string: 'P1', module: 1 }, size: 0.56 }]
		},
		{
			code: 'shade',
			strings: ['P3'],
			input: 'PV',
			at: null,
			size: 0.5,
			placed: [0, 1, 2].map((substring) => ({
				code: 'shade' as const,
				place: { string: 'P3', module: 0, section: substring },
				size: 0.5
			}))
		}
	],
	buses: () => new Map([['PV', brokenBus()]])
} as const satisfies PlantedDay;

/** The three strings with their two types as recorded, and what is planted in them. */
function brokenBus(): BusCircuit {
	const here = (at: number) => {
		const type = record.moduleTypes[at]!;
		return { type, module: moduleAtConditions(agedModel(type, 14), IRRADIANCE, TEMPERATURE) };
	};
	const kinds = [here(0), here(1)];
	const strings = record.strings.map((one) => {
		const own = kinds.find(({ type }) => type.id === one.moduleTypeId)!;
		const others = new Map(
			kinds.filter((kind) => kind !== own).map((kind) => [kind.type.id, kind])
		);
		return stringAtConditions(one, agedModel(own.type, 14), { main: own.module, others });
	});
	const planted: readonly PlacedFault[] = CAIRN_DAY.faults.flatMap((fault) => [...fault.placed]);
	return planted.reduce<BusCircuit>(
		(bus, fault) => {
			const injected = inject(bus, fault);
			if (!injected.ok) throw new Error(injected.problem);
			return injected.value.bus;
		},
		{ ...USUAL_PARTS, strings }
	);
}

/** The visit in which the strings were read, as a file. */
export function cairnRiggReadings(): string {
	const ids = idsOfVisit(2, 1);
	return readingsVisit(
		SITE,
		ids,
		record,
		{
			...CAIRN_DAY,
			reason: 'Battery low since the first of October',
			inverterSays: '',
			recordedAt: '2026-10-05T10:15:00.000Z'
		},
		meterDay(record, ids, CAIRN_DAY)
	);
}
