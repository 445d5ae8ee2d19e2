import { z } from 'zod';
import { cableResistance } from '../circuit';
import type { StringDevices, StringRecord } from '../record';
import { figure, figureOrEmpty, figureOrUnknown, figureValue } from './figure';
import { required } from './form-text';
import { RECORD_LIMITS } from './record-limits';
import { USUAL_CABLE_RESISTANCE } from './survey';

export const stringFormSchema = z.object({
	/** Marks of the strings, separated by blanks or commas; A1-A4 counts up. */
	labels: required(2000, 'Type the mark of the string, or A1-A4 for four.'),
	moduleTypeId: z.uuid({ message: 'Choose the module type, or enter its label first.' }),
	moduleCount: figure(RECORD_LIMITS.modules),
	/** Ohms, or empty where the cable's measures are given. */
	cableResistance: figureOrEmpty(RECORD_LIMITS.ohms),
	cableLength: figureOrEmpty(RECORD_LIMITS.cableLength),
	cableSize: figureOrEmpty(RECORD_LIMITS.cableSize),
	cableConductor: z.enum(['copper', 'pvCable']).default('pvCable'),
	fuse: z.enum(['none', 'rated', 'unrated', 'unknown']),
	fuseRating: figureOrEmpty(RECORD_LIMITS.fuse),
	blockingDiode: z.enum(['none', 'silicon', 'schottky', 'unknown']),
	devices: z.enum(['none', 'rapid-shutdown', 'optimiser', 'micro-inverter', 'unknown']),
	modulesPerDevice: z.enum(['1', '2']),
	devicePart: z.string(),
	connectors: z.string().trim().max(60),
	to: z.string(),
	input: z.string().trim().max(40)
});
export type StringForm = z.infer<typeof stringFormSchema>;

export const EMPTY_STRING_FORM: StringForm = {
	labels: '',
	moduleTypeId: '',
	moduleCount: '',
	cableResistance: '0.3',
	cableLength: '',
	cableSize: '',
	cableConductor: 'pvCable',
	fuse: 'unknown',
	fuseRating: '',
	blockingDiode: 'unknown',
	devices: 'unknown',
	modulesPerDevice: '1',
	devicePart: '',
	connectors: '',
	to: '',
	input: ''
};

export function formOfString(string: StringRecord): StringForm {
	const { fuse, devices, cable } = string;
	const known = devices === 'unknown' ? null : devices;
	return {
		labels: string.label,
		moduleTypeId: string.moduleTypeId,
		moduleCount: String(string.moduleCount),
		cableResistance: String(string.cableResistance),
		cableLength: String(cable?.length ?? ''),
		cableSize: String(cable?.size ?? ''),
		cableConductor: cable ? (cable.conductor ?? 'copper') : 'pvCable',
		fuse:
			fuse === null
				? 'none'
				: fuse === 'unknown'
					? fuse
					: fuse.rating === null
						? 'unrated'
						: 'rated',
		fuseRating: fuse === null || fuse === 'unknown' ? '' : String(fuse.rating ?? ''),
		blockingDiode: string.blockingDiode,
		devices: devices === null ? 'none' : devices === 'unknown' ? 'unknown' : devices.kind,
		modulesPerDevice: known?.modulesPerDevice === 2 ? '2' : '1',
		devicePart: known?.part ?? '',
		connectors: string.connectors ?? '',
		to: string.to ?? '',
		input: string.input ?? ''
	};
}

/** Temperature at which the ohms of a cable are worked out from its measures, degC. */
const CABLE_TEMPERATURE = 40;

/** Ohms of the cable of a form: by its measures where they are given, else as typed. */
export function cableResistanceOfForm(
	form: Pick<StringForm, 'cableResistance' | 'cableLength' | 'cableSize' | 'cableConductor'>
): number | null {
	const length = figureOrUnknown(form.cableLength);
	const size = figureOrUnknown(form.cableSize);
	if (length === null || size === null) return figureOrUnknown(form.cableResistance);
	const resistance = cableResistance({
		length,
		size,
		temperature: CABLE_TEMPERATURE,
		conductor: form.cableConductor
	});
	return Number(resistance.toPrecision(3));
}

/** What a form says of a string beside its id, mark, modules and place. */
export function stringFieldsOfForm(
	form: StringForm
): Omit<StringRecord, 'id' | 'label' | 'modules' | 'spans'> {
	const length = figureOrUnknown(form.cableLength);
	const size = figureOrUnknown(form.cableSize);
	const rating = figureOrUnknown(form.fuseRating);
	const none = form.devices === 'none' || form.devices === 'unknown';
	return {
		moduleTypeId: form.moduleTypeId,
		moduleCount: figureValue(form.moduleCount),
		cableResistance: cableResistanceOfForm(form) ?? USUAL_CABLE_RESISTANCE,
		cable:
			length === null || size === null ? null : { length, size, conductor: form.cableConductor },
		fuse:
			form.fuse === 'none'
				? null
				: form.fuse === 'unknown'
					? 'unknown'
					: { rating: form.fuse === 'rated' ? rating : null },
		blockingDiode: form.blockingDiode,
		devices: none
			? form.devices === 'none'
				? null
				: 'unknown'
			: {
					kind: form.devices as StringDevices['kind'],
					modulesPerDevice: form.modulesPerDevice === '2' ? 2 : 1,
					part: form.devicePart === '' ? null : form.devicePart
				},
		connectors: form.connectors === '' ? null : form.connectors,
		to: form.to === '' ? null : form.to,
		input: form.input === '' ? null : form.input
	};
}
