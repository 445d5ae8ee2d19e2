import { z } from 'zod';
import {
	type ArrayRecord,
	EMPTY_RECORD,
	type Field,
	type Part,
	type StringDevices,
	type System,
	unknownSpecs,
	UNSEEN_STRING
} from '../record';
import { moduleTypeSchema, partSchema } from './record';
import { RECORD_LIMITS } from './record-limits';

const within = ({ min, max }: { readonly min: number; readonly max: number }) =>
	z.int().min(min).max(max);

export const BEHIND = ['nothing', 'dc-box', 'ac-box', 'unknown'] as const;

/** What a first look at an array gives: counts, a label, and what hangs behind the modules. */
export const surveySchema = z.strictObject({
	/** Ids that the screen made, so that the same survey sent twice is stored once. */
	fieldId: z.uuid(),
	rows: within(RECORD_LIMITS.rows),
	columns: within(RECORD_LIMITS.columns),
	moduleType: moduleTypeSchema,
	behind: z.enum(BEHIND),
	/** Where a box with DC out is; asked only then. */
	dcBox: z.enum(['rapid-shutdown', 'optimiser', 'unknown']),
	modulesPerDevice: z.union([z.literal(1), z.literal(2)]),
	/** Inverters or charge controllers, one part for each; the type of micro-inverter where they are that. */
	ends: z.array(partSchema).max(200),
	/** Null where nobody knows the strings yet. */
	strings: z
		.strictObject({
			ids: z.array(z.uuid()).min(1).max(500),
			modulesPerString: within(RECORD_LIMITS.modules)
		})
		.nullable()
});
export type Survey = z.infer<typeof surveySchema>;

function systemOf({ behind, dcBox, ends }: Survey): System | null {
	if (ends.some(({ kind }) => kind === 'charge-controller')) return 'off-grid';
	switch (behind) {
		case 'nothing':
			return 'string-inverter';
		case 'ac-box':
			return 'micro-inverters';
		case 'dc-box':
			return dcBox === 'unknown' ? null : dcBox === 'optimiser' ? 'optimisers' : 'rapid-shutdown';
		case 'unknown':
			return null;
	}
}

function devicesOf({
	behind,
	dcBox,
	modulesPerDevice,
	ends
}: Survey): StringDevices | null | 'unknown' {
	if (behind === 'nothing') return null;
	if (behind === 'ac-box') {
		const part = ends.find(({ kind }) => kind === 'micro-inverter')?.id ?? null;
		return { kind: 'micro-inverter', modulesPerDevice, part };
	}
	if (behind === 'unknown' || dcBox === 'unknown') return 'unknown';
	return { kind: dcBox, modulesPerDevice, part: null };
}

/** Ohms taken for a string's cable until somebody measures it; judgement: 70 m of 4 mm2. */
export const USUAL_CABLE_RESISTANCE = 0.3;

/** The record that a survey makes: what it saw is in it, and all else is unknown. */
export function recordOfSurvey(survey: Survey): ArrayRecord {
	const { moduleType, rows, columns, ends, strings } = survey;
	const field: Field = {
		id: survey.fieldId,
		name: 'Field 1',
		rows,
		columns,
		tilt: null,
		azimuth: null,
		lying: false,
		countedTypeId: moduleType.id
	};
	const inputs = ends.flatMap((end) =>
		'inputs' in end.specs && end.specs.inputs
			? end.specs.inputs.split(',').map((input) => input.trim())
			: []
	);
	const count = strings?.ids.length ?? 0;
	const each = strings?.modulesPerString ?? 0;
	return {
		...EMPTY_RECORD,
		system: systemOf(survey),
		moduleTypes: [moduleType],
		parts: ends,
		fields: [field],
		strings: (strings?.ids ?? []).map((id, i) => ({
			...UNSEEN_STRING,
			id,
			label: `S${i + 1}`,
			moduleTypeId: moduleType.id,
			moduleCount: each,
			cableResistance: USUAL_CABLE_RESISTANCE,
			fuse: 'unknown',
			devices: devicesOf(survey),
			// Only where one string goes to one input is it no guess.
			input: inputs.length === count ? inputs[i]! : null,
			to: ends.length === 1 ? ends[0]!.id : null
		}))
	};
}

/** What strings run to; micro-inverters are one type behind all modules. */
export type EndKind = 'inverter' | 'charge-controller' | 'micro-inverter';

/** An end of which only its mark is known. */
export function unseenEnd(id: string, kind: EndKind, mark: string): Part {
	const base = { id, mark, place: null, model: null, serial: null, to: null };
	return { ...base, kind, specs: unknownSpecs(kind) } as Part;
}
