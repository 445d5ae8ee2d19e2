import { type ArrayRecord, EMPTY_RECORD } from '$core/record';
import { PHOTOGRAPHS } from './photographs';
import { meterDay, type PlantedDay } from './readings';
import {
	field,
	idsOf,
	idsOfVisit,
	inspectionVisit,
	lintwhite370,
	part,
	readingsVisit,
	row,
	string,
	walk
} from './site';

/* The workshop hall: pitched roof, a rapid-shutdown device behind every module, one transmitter. */

const id = idsOf(1);
const ROOF = id(0x400);
const PART = (n: number) => id(0x500 + n);

const record: ArrayRecord = {
	...EMPTY_RECORD,
	system: 'rapid-shutdown',
	rules: {
		profile: 'US',
		edition: 2020,
		structure: 'other-building',
		lowest: -19,
		hottestCell: 70,
		alwaysFuse: false
	},
	inServiceSince: 2021,
	moduleTypes: [lintwhite370(id(1))],
	strings: ['S1', 'S2', 'S3', 'S4'].map((label, i) =>
		string({
			id: id(16 + i),
			label,
			moduleTypeId: id(1),
			moduleCount: 11,
			cableResistance: 0.25,
			cable: { length: 28, size: 4 },
			connectors: 'Tidelock',
			devices: { kind: 'rapid-shutdown', modulesPerDevice: 1, part: PART(1) },
			to: PART(3),
			input: i < 2 ? '1' : '2',
			modules: Array.from({ length: 11 }, (_, m) => ({
				number: m + 1,
				serial: null,
				deviceCode: `RD-${String(3100 + i * 11 + m)}`,
				year: null,
				state: 'in-service' as const,
				moduleTypeId: null
			})),
			spans: row(ROOF, i, i % 2 === 0 ? 0 : 10, 11, i % 2 === 0 ? 'right' : 'left')
		})
	),
	fields: [field(ROOF, 'South pitch', 4, 11, 24, 172)],
	parts: [
		part(PART(1), 'rapid-shutdown-device', 'RD type', {
			model: 'Generic shutdown device, 1 module',
			specs: { modulesPerDevice: 1, offVolts: 0.6, inputVolts: 80, inputAmps: 15, watts: 700 }
		}),
		part(PART(2), 'transmitter', 'TX 1', {
			place: 'In the box beside the inverter',
			specs: {
				supplyBreaker: 'Breaker 18, workshop panel',
				acDisconnect: 'Q10',
				supplyVolts: 12,
				core: 'plus',
				initiator: 'Red switch by the workshop door'
			}
		}),
		part(PART(3), 'dc-disconnect', 'Q1', {
			place: 'Under the inverter',
			to: PART(4),
			specs: { ratedVolts: 600, ratedAmps: 60, poles: 4, lockable: 'yes' }
		}),
		part(PART(4), 'inverter', 'INV 1', {
			place: 'Workshop, north wall',
			model: 'Fulmar 15 S2',
			serial: 'FU15-000932',
			to: PART(5),
			specs: {
				acWatts: 15_000,
				acAmps: 62.5,
				maxVolts: 600,
				windowLow: 180,
				windowHigh: 500,
				inputAmps: 35,
				inputs: '1, 2',
				acVolts: 240,
				phases: '1',
				arcFault: 'yes',
				groundFault: 'yes',
				capacitorMinutes: 5
			}
		}),
		part(PART(5), 'ac-disconnect', 'Q10', {
			place: 'Outside, north wall',
			to: PART(6),
			specs: { ratedVolts: 240, ratedAmps: 100, lockable: 'yes' }
		}),
		part(PART(6), 'breaker', 'F18', {
			place: 'Workshop panel',
			to: PART(7),
			specs: { amps: 80, poles: 2, dedicated: 'yes', farEnd: 'yes' }
		}),
		part(PART(7), 'bus', 'Workshop panel', {
			place: 'Workshop, by the door',
			specs: { busAmps: 400, mainAmps: 400 }
		}),
		part(PART(8), 'placard', 'P1', {
			place: 'Workshop door',
			specs: { says: 'Rapid shutdown, with diagram', durable: 'by hand', readable: 'yes' }
		})
	],
	absent: ['meter', 'surge']
};

/** The walk through the workshop hall, as a file. */
export function hollinCreekVisit(): string {
	const visit = {
		start: '2026-09-22T09:30:00Z',
		by: 'Wren Halloway',
		reason: 'Taking over from the former operator'
	};
	const inspection = walk(
		record,
		id,
		visit.start,
		visit.by,
		{
			'label-made': {
				outcome: 'finding',
				severity: 'mend-soon',
				words: 'Rapid-shutdown placard is written by hand and fades.',
				place: { kind: 'part', partId: PART(8) },
				photographs: [PHOTOGRAPHS.label]
			},
			'cables-clear': {
				outcome: 'finding',
				severity: 'mend-soon',
				words: 'Cable lies on the sheeting below the last module.',
				place: { kind: 'module', stringId: id(18), module: 11 }
			},
			'rs-tested': {
				outcome: 'finding',
				severity: 'act-now',
				words: '46 V after 30 s on S3: one device does not switch off.',
				measured: 46,
				place: { kind: 'string', stringId: id(18) }
			},
			leaks: { outcome: 'not-seen', words: 'Insulation covers the inside' }
		},
		{ 'rack-live': 0.3, clearances: 620, 'bonding-ohms': 0.2, 'loss-of-mains': 0.5, insulation: 35 }
	);
	return inspectionVisit(SITE, id, record, visit, inspection);
}

const SITE = {
	id: id(2),
	name: 'Workshop hall, Hollin Creek',
	place: 'Pitched roof over the boat workshop',
	timeZone: 'Etc/UTC'
};
const BY = 'Wren Halloway';

/** What is planted at each later visit; indices count from 0 at the negative end. */
export const HOLLIN_DAYS = {
	low: {
		seed: 41,
		start: '2026-10-13T10:20:00Z',
		by: BY,
		irradiance: 742,
		cellTemperature: 33.5,
		stated: { irradiance: 755, cellTemperature: 32 },
		faults: [
			{
				code: 'rsd-device-off',
				strings: ['S2'],
				input: '1',
				at: 3,
				size: null,
				placed: [{ code: 'rsd-device-off', place: { string: 'S2', module: 3 } }]
			}
		]
	},
	weak: {
		seed: 44,
		start: '2026-10-27T10:50:00Z',
		by: BY,
		irradiance: 688,
		cellTemperature: 29,
		stated: { irradiance: 700, cellTemperature: 28 },
		faults: [
			{
				code: 'module-degraded',
				strings: ['S4'],
				input: '2',
				at: 8,
				size: 0.14,
				placed: [{ code: 'module-degraded', place: { string: 'S4', module: 8 }, size: 0.14 }]
			}
		]
	},
	dark: {
		seed: 42,
		start: '2026-11-10T11:05:00Z',
		by: BY,
		irradiance: 512,
		cellTemperature: 20.5,
		stated: { irradiance: 520, cellTemperature: 20 },
		faults: [
			{
				code: 'rsd-no-signal',
				strings: ['S1', 'S2', 'S3', 'S4'],
				at: null,
				link: 'low-voltage',
				size: null,
				placed: []
			}
		]
	},
	earth: {
		seed: 43,
		start: '2026-11-20T10:40:00Z',
		by: BY,
		irradiance: 468,
		cellTemperature: 17.5,
		stated: { irradiance: 475, cellTemperature: 18 },
		earth: true,
		faults: [
			{
				code: 'earth-fault',
				strings: ['S1'],
				input: '1',
				at: 7,
				size: 4000,
				placed: [{ code: 'earth-fault', place: { string: 'S1', joint: 7 }, size: 4000 }]
			}
		]
	}
} as const satisfies Readonly<Record<string, PlantedDay>>;

const WHY: Readonly<Record<keyof typeof HOLLIN_DAYS, readonly [reason: string, says: string]>> = {
	low: ['S2 behind its neighbours', ''],
	weak: ['S4 behind its neighbours', ''],
	dark: ['No yield since the weekend', 'Rapid shutdown active'],
	earth: ['Stops on wet mornings', 'Insulation low']
};

/** One of the later visits, as a file. */
export function hollinCreekReadings(day: keyof typeof HOLLIN_DAYS): string {
	const planted = HOLLIN_DAYS[day];
	const [reason, inverterSays] = WHY[day];
	const ids = idsOfVisit(1, 1 + Object.keys(HOLLIN_DAYS).indexOf(day));
	return readingsVisit(
		SITE,
		ids,
		record,
		{ ...planted, reason, inverterSays, recordedAt: '2026-09-21T09:30:00.000Z' },
		meterDay(record, ids, planted)
	);
}
