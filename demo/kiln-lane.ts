import { type ArrayRecord, EMPTY_RECORD } from '$core/record';
import { randomFrom } from '$core/numerics';
import { agedModel, moduleAtConditions } from '$core/expectation';
import { usualState } from '$core/visit';
import { maximumPowerPoint } from '$core/module';
import { measurementPointsOf } from '$core/visit-plan';
import { arrivalOf, type MeterDay } from './readings';
import {
	field,
	idsOf,
	idsOfVisit,
	inspectionVisit,
	lintwhite370,
	part,
	readingsVisit,
	row,
	serials,
	string,
	walk
} from './site';

/* The ticket office: micro-inverters, two branches of twelve modules. */

const id = idsOf(3);
const ROOF = id(0x400);
const PART = (n: number) => id(0x500 + n);

const record: ArrayRecord = {
	...EMPTY_RECORD,
	system: 'micro-inverters',
	rules: {
		profile: 'IEC',
		edition: null,
		structure: 'building',
		lowest: -14,
		hottestCell: 68,
		alwaysFuse: false
	},
	inServiceSince: 2022,
	moduleTypes: [lintwhite370(id(1))],
	strings: ['K1', 'K2'].map((label, i) =>
		string({
			id: id(16 + i),
			label,
			moduleTypeId: id(1),
			moduleCount: 12,
			devices: { kind: 'micro-inverter', modulesPerDevice: 1, part: PART(1) },
			connectors: 'Tidelock',
			to: PART(2),
			input: `Branch ${i + 1}`,
			modules: serials('LW22', 70_410 + i * 200, 12, 2021),
			spans: [
				...row(ROOF, 2 * i, 0, 6),
				{ from: 7, count: 6, field: ROOF, row: 2 * i + 1, column: 5, step: 'left' as const }
			]
		})
	),
	fields: [field(ROOF, 'South-east pitch', 4, 6, 32, 140)],
	parts: [
		part(PART(1), 'micro-inverter', 'MI type', {
			model: 'Generic micro-inverter 290 W',
			specs: {
				acWatts: 290,
				acAmps: 1.26,
				maxVolts: 60,
				windowLow: 22,
				windowHigh: 48,
				modulesPerDevice: 1
			}
		}),
		part(PART(2), 'ac-disconnect', 'Q1', {
			place: 'Back door, inside',
			to: PART(3),
			specs: { ratedVolts: 230, ratedAmps: 63, lockable: 'yes' }
		}),
		part(PART(3), 'breaker', 'F7', {
			place: 'Board under the stairs',
			to: PART(4),
			specs: { amps: 40, poles: 2, dedicated: 'yes', farEnd: 'no' }
		}),
		part(PART(4), 'bus', 'Office board', { place: 'Under the stairs', to: PART(5) }),
		part(PART(5), 'meter', 'M1', {
			place: 'Under the stairs',
			specs: { measures: 'both ways', bothWays: 'yes' }
		}),
		part(PART(6), 'placard', 'P1', {
			place: 'Beside the meter',
			specs: { says: 'Micro-inverters on the roof', durable: 'printed', readable: 'yes' }
		})
	],
	absent: ['surge']
};

/** The walk through the ticket office, as a file. */
export function kilnLaneVisit(): string {
	const visit = { start: '2026-10-20T13:00:00Z', by: 'Tamsin Orrell', reason: 'Routine' };
	const inspection = walk(
		record,
		id,
		visit.start,
		visit.by,
		{
			clips: {
				outcome: 'finding',
				severity: 'mend-soon',
				words: 'Trunk cable hangs below two modules, clips broken.',
				place: { kind: 'module', stringId: id(17), module: 3 }
			},
			dirt: {
				outcome: 'finding',
				severity: 'note',
				words: 'Gull droppings on one module.',
				place: { kind: 'module', stringId: id(16), module: 9 }
			},
			leaks: { outcome: 'not-seen', words: 'Loft hatch painted shut' }
		},
		{ 'rack-live': 0.1, clearances: 450, 'bonding-ohms': 0.3, 'loss-of-mains': 0.2 }
	);
	return inspectionVisit(SITE, id, record, visit, inspection);
}

const SITE = {
	id: id(2),
	name: 'Kiln Lane ticket office',
	place: 'Roof over the counter, ladder at the yard side',
	timeZone: 'Etc/UTC'
};

/** One module at half: the eighth of the second branch; the other units feed what their modules give. */
export const KILN_DAY = {
	start: '2026-11-05T12:20:00Z',
	by: 'Tamsin Orrell',
	irradiance: 590,
	cellTemperature: 24,
	stated: { irradiance: 600, cellTemperature: 24 },
	weak: { branch: 1, module: 8, left: 0.5 }
} as const;

/** What the gateway lists of every unit in the same minute. */
function unitsDay(ids: (n: number) => string): MeterDay {
	const { start, by, irradiance, cellTemperature, weak } = KILN_DAY;
	const random = randomFrom(61);
	const { volts: voltage, amps: current } = maximumPowerPoint(
		moduleAtConditions(agedModel(record.moduleTypes[0]!, 4), irradiance, cellTemperature)
	);
	return {
		...arrivalOf(ids, KILN_DAY),
		readings: measurementPointsOf(record, 'unit-power').map(({ place }, n) => {
			const isWeak =
				place.kind === 'module' &&
				place.module === weak.module &&
				place.string === record.strings[weak.branch]!.id;
			const power =
				0.95 * voltage * current * (1 + 0.015 * random.normal()) * (isWeak ? weak.left : 1);
			const value = Math.round(power);
			return {
				id: ids(64 + n),
				place,
				quantity: 'unit-power' as const,
				state: { ...usualState('unit-power') },
				value,
				atVolts: null,
				typed: String(value),
				confirmed: false,
				source: 'typed' as const,
				takenAt: new Date(Date.parse(start) + (4 + n) * 15_000).toISOString(),
				by,
				supersedes: null
			};
		})
	};
}

/** The visit in which the gateway's list was read, as a file. */
export function kilnLaneReadings(): string {
	const ids = idsOfVisit(3, 1);
	return readingsVisit(
		SITE,
		ids,
		record,
		{
			...KILN_DAY,
			reason: 'One unit lags since March',
			inverterSays: '',
			recordedAt: '2026-10-19T13:00:00.000Z'
		},
		unitsDay(ids)
	);
}
