import { type ModuleType, UNKNOWN_LIMITS, unknownSpecs } from '../../record';
import type { LibraryEntry } from './library';

/*
 * Generic types to start with. All are invented: typical figures of their kind, nobody's product.
 */

const id = (n: number) => `019a9000-0000-7000-8000-${n.toString(16).padStart(12, '0')}`;

type Row = readonly [
	name: string,
	technology: ModuleType['plate']['technology'],
	cells: number,
	pmax: number,
	vmp: number,
	imp: number,
	voc: number,
	isc: number,
	beta: number,
	systemVolts: number,
	seriesFuse: number
];

const MODULES: readonly Row[] = [
	['Generic 36 cells 100 W', 'poly', 36, 100, 17.9, 5.59, 22.1, 6.0, -0.32, 600, 10],
	['Generic 60 cells 250 W', 'poly', 60, 250, 30.3, 8.25, 37.6, 8.75, -0.32, 1000, 15],
	['Generic 72 cells 310 W', 'poly', 72, 310, 36.9, 8.4, 45.5, 8.9, -0.31, 1000, 15],
	['Generic 60 cells 300 W', 'mono-PERC', 60, 300, 32.4, 9.26, 39.8, 9.8, -0.29, 1000, 20],
	['Generic 60 cells 335 W', 'mono-PERC', 60, 335, 33.7, 9.94, 41.0, 10.5, -0.28, 1000, 20],
	['Generic 120 half cells 370 W', 'mono-PERC', 60, 370, 34.4, 10.76, 41.1, 11.35, -0.27, 1500, 20],
	['Generic 108 half cells 410 W', 'mono-PERC', 54, 410, 31.2, 13.14, 37.2, 13.9, -0.27, 1500, 25],
	['Generic 144 half cells 450 W', 'mono-PERC', 72, 450, 41.4, 10.87, 49.3, 11.5, -0.27, 1500, 20],
	['Generic 144 half cells 540 W', 'mono-PERC', 72, 540, 41.6, 12.98, 49.5, 13.85, -0.27, 1500, 25]
];

export const STARTING_SET: readonly LibraryEntry[] = [
	...MODULES.map(
		(
			[name, technology, cells, pmax, vmp, imp, voc, isc, beta, systemVoltage, seriesFuse],
			i
		): LibraryEntry => ({
			kind: 'module',
			id: id(i + 1),
			name,
			plate: {
				technology,
				cellsInSeries: cells,
				sections: 3,
				pmax,
				vmp,
				imp,
				voc,
				isc,
				alphaIscPctPerK: 0.05,
				betaVocPctPerK: beta
			},
			tolerance: { vocPct: 3, iscPct: 3 },
			limits: { ...UNKNOWN_LIMITS, systemVolts: systemVoltage, seriesFuse, bifacial: false }
		})
	),
	inverter(32, 'Generic inverter 5 kW, 2 inputs', 5000, 21.7, 600, 90, 560, 15, 'A, B'),
	inverter(33, 'Generic inverter 10 kW, 2 inputs', 10_000, 14.5, 1000, 200, 850, 30, 'A, B'),
	inverter(34, 'Generic inverter 25 kW, 3 inputs', 25_000, 36.3, 1000, 250, 850, 45, 'A, B, C'),
	inverter(
		35,
		'Generic inverter 50 kW, 5 inputs',
		50_000,
		72.2,
		1100,
		250,
		1000,
		60,
		'A, B, C, D, E'
	),
	{
		kind: 'charge-controller',
		id: id(48),
		name: 'Generic MPPT controller 60 A, 150 V',
		specs: {
			method: 'MPPT',
			maxVolts: 150,
			inputAmps: 70,
			chargeAmps: 60,
			batteryVolts: 48,
			inputs: 'PV'
		}
	},
	{
		kind: 'charge-controller',
		id: id(49),
		name: 'Generic PWM controller 30 A',
		specs: {
			method: 'PWM',
			maxVolts: 50,
			inputAmps: 30,
			chargeAmps: 30,
			batteryVolts: 24,
			inputs: 'PV'
		}
	},
	{
		kind: 'rapid-shutdown-device',
		id: id(64),
		name: 'Generic shutdown device, 1 module',
		specs: { modulesPerDevice: 1, offVolts: 0.6, inputVolts: 80, inputAmps: 15, watts: 700 }
	},
	{
		kind: 'rapid-shutdown-device',
		id: id(65),
		name: 'Generic shutdown device, 2 modules',
		specs: { modulesPerDevice: 2, offVolts: 1, inputVolts: 120, inputAmps: 15, watts: 1400 }
	},
	{
		kind: 'optimiser',
		id: id(66),
		name: 'Generic optimiser 450 W',
		specs: { modulesPerDevice: 1, offVolts: 1, inputVolts: 60, inputAmps: 14, watts: 450 }
	},
	{
		kind: 'micro-inverter',
		id: id(67),
		name: 'Generic micro-inverter 290 W',
		specs: {
			acWatts: 290,
			acAmps: 1.26,
			maxVolts: 60,
			windowLow: 22,
			windowHigh: 48,
			modulesPerDevice: 1
		}
	},
	{
		kind: 'battery',
		id: id(80),
		name: 'Generic battery 48 V 200 Ah',
		specs: {
			nominalVolts: 48,
			capacity: 200,
			absorptionVolts: 56.4,
			chemistry: 'lithium iron',
			breakerAmps: 125
		}
	},
	{
		kind: 'instrument',
		id: id(96),
		name: 'Generic multimeter, CAT III 1000 V',
		specs: {
			ratedVolts: 1000,
			category: 'CAT III',
			voltsPct: 0.5,
			voltsCounts: 2,
			voltsResolution: 0.1,
			ampsPct: null,
			ampsCounts: null,
			ampsResolution: null
		}
	},
	{
		kind: 'instrument',
		id: id(97),
		name: 'Generic DC clamp, 1500 V',
		specs: {
			ratedVolts: 1500,
			category: 'CAT III',
			voltsPct: 0.8,
			voltsCounts: 5,
			voltsResolution: 0.1,
			ampsPct: 2,
			ampsCounts: 5,
			ampsResolution: 0.01
		}
	}
];

function inverter(
	n: number,
	name: string,
	acPower: number,
	acCurrent: number,
	maxVoltage: number,
	windowLow: number,
	windowHigh: number,
	inputCurrent: number,
	inputs: string
): LibraryEntry {
	const specs = {
		...unknownSpecs('inverter'),
		acWatts: acPower,
		acAmps: acCurrent,
		maxVolts: maxVoltage,
		windowLow,
		windowHigh,
		inputAmps: inputCurrent,
		inputs,
		capacitorMinutes: 5
	};
	return { kind: 'inverter', id: id(n), name, specs };
}
