import { fieldsOf, type Part, type PartFields, type PartKind } from '../record';
import { refuse, type Result, succeed } from '../units';
import { readFigure } from './figure';

/** What stands in the fields of a part's form, to the letter. */
export type TypedSpecs = Readonly<Record<string, string>>;
/** What is wrong, by field. */
export type FieldErrors = Readonly<Record<string, string>>;

type SpecValues = Record<string, number | string | null>;

/** Fields as typed for values as stored; unknown is empty. */
export function typedSpecs(
	fields: PartFields,
	specs: Readonly<Record<string, unknown>>
): TypedSpecs {
	return Object.fromEntries(Object.keys(fields).map((key) => [key, String(specs[key] ?? '')]));
}

/** Values of the fields of a table; an empty one is unknown. */
export function readSpecs(fields: PartFields, typed: TypedSpecs): Result<SpecValues, FieldErrors> {
	const values: SpecValues = {};
	const errors: Record<string, string> = {};
	for (const [key, field] of Object.entries(fields)) {
		const text = (typed[key] ?? '').trim();
		if (text === '') {
			values[key] = null;
			continue;
		}
		if (field.type !== 'figure') {
			values[key] = text;
			continue;
		}
		const read = readFigure(text, field);
		if (read.ok) values[key] = read.value;
		else errors[key] = read.problem;
	}
	return Object.keys(errors).length > 0 ? refuse(errors) : succeed(values);
}

export interface PartForm {
	readonly mark: string;
	readonly place: string;
	readonly model: string;
	readonly serial: string;
	/** Id of the next part, or empty. */
	readonly to: string;
	readonly specs: TypedSpecs;
}

export function formOfPart(part: Part): PartForm {
	return {
		mark: part.mark,
		place: part.place ?? '',
		model: part.model ?? '',
		serial: part.serial ?? '',
		to: part.to ?? '',
		specs: typedSpecs(fieldsOf(part.kind), part.specs)
	};
}

const orUnknown = (typed: string) => (typed.trim() === '' ? null : typed.trim());

/** The part of a form, or what is wrong by field. */
export function partOfForm(id: string, kind: PartKind, form: PartForm): Result<Part, FieldErrors> {
	const specs = readSpecs(fieldsOf(kind), form.specs);
	const errors: Record<string, string> = specs.ok ? {} : { ...specs.problem };
	if (form.mark.trim() === '') errors.mark = 'Give it a mark, as it stands on it: INV 1.';
	else if (form.mark.trim().length > 40) errors.mark = 'The mark is longer than 40 characters.';
	if (Object.keys(errors).length > 0 || !specs.ok) return refuse(errors);
	return succeed({
		id,
		kind,
		mark: form.mark.trim(),
		place: orUnknown(form.place),
		model: orUnknown(form.model),
		serial: orUnknown(form.serial),
		to: orUnknown(form.to),
		specs: specs.value
	} as Part);
}
