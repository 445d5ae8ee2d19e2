import type { InspectionMessages } from '$core/inspection';
import type { RecordMessages } from '$core/record';

/** The record and its places in the words of IEC standards and the British trade. */
export const record = {
	'part.combiner': 'Combiner box',
	'part.dc-disconnect': 'DC isolator',
	'part.rapid-shutdown-device': 'Rapid-shutdown device',
	'part.transmitter': 'Rapid-shutdown transmitter',
	'part.optimiser': 'Optimiser',
	'part.micro-inverter': 'Micro-inverter',
	'part.inverter': 'Inverter',
	'part.charge-controller': 'Charge controller',
	'part.battery': 'Battery',
	'part.ac-disconnect': 'AC isolator',
	'part.breaker': 'PV breaker',
	'part.bus': 'Distribution board',
	'part.meter': 'Energy meter',
	'part.surge': 'Surge protective device',
	'part.conductor': 'Conductor',
	'part.placard': 'Label or placard',

	'defect-place.part': '{part} {mark}',
	'defect-place.part-removed': 'a part no longer in the record',
	'defect-place.string': 'string {string}',
	'defect-place.module': '{string}, module {module, number, ::group-off}'
} as const satisfies Record<keyof RecordMessages | keyof InspectionMessages, string>;
