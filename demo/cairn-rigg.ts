import { EMPTY_RECORD, type ArrayRecord } from '$core/record/record';
import { field, idsOf, inspectionVisit, moduleType, part, string, walk } from './site';

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
			{ systemVolts: 1000, seriesFuse: 15, bifacial: false }
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
			{ systemVolts: 1000, seriesFuse: 15, bifacial: false }
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
		{ 'bonding-ohms': 0.9, insulation: 6 }
	);
	return inspectionVisit(
		{
			id: id(2),
			name: 'Cairn Rigg relay hut',
			place: 'Rack on the south side of the hut; an hour on foot',
			timeZone: 'Etc/UTC'
		},
		id,
		record,
		visit,
		inspection
	);
}
