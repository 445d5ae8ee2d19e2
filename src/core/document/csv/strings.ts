import {
	type ArrayRecord,
	type ChangeStep,
	fuseWords,
	type StringRecord,
	UNSEEN_STRING
} from '../../record';
import { refuse, type Result, succeed } from '../../units';
import { readFigure } from '../figure';
import { RECORD_LIMITS } from '../record-limits';
import { figureCell, textCell, type ReadLine, type RefusedLine } from './table';
import { USUAL_CABLE_RESISTANCE } from '../survey';

/** Wrapped, since an empty cell and a fuse that is not there are two things. */
function fuseCell(typed: string): Result<Pick<StringRecord, 'fuse'>, string> {
	const word = typed.toLowerCase();
	if (word === 'none' || word === 'no') return succeed({ fuse: null });
	if (word === 'unknown' || word === '?') return succeed({ fuse: 'unknown' });
	const rating = readFigure(typed.replace(/a$/i, '').trimEnd(), RECORD_LIMITS.fuse);
	return rating.ok ? succeed({ fuse: { rating: rating.value } }) : refuse(rating.problem);
}

/** Columns of a list of strings. */
export const STRING_COLUMNS = {
	label: {
		heading: 'String',
		aliases: ['string mark', 'mark', 'str', 'label'],
		required: true,
		read: textCell(20)
	},
	modules: {
		heading: 'Modules',
		aliases: ['module count', 'count', 'panels', 'modules in series'],
		required: true,
		read: figureCell(RECORD_LIMITS.modules)
	},
	type: {
		heading: 'Module type',
		aliases: ['type', 'module'],
		required: false,
		read: textCell(80)
	},
	fuse: {
		heading: 'Fuse (A)',
		aliases: ['string fuse', 'fuse rating'],
		required: false,
		read: fuseCell
	},
	cable: {
		heading: 'Cable (ohm)',
		aliases: ['cable resistance', 'resistance'],
		required: false,
		read: figureCell(RECORD_LIMITS.ohms)
	},
	input: {
		heading: 'Input',
		aliases: ['inverter input', 'mppt', 'mppt input'],
		required: false,
		read: textCell(40)
	}
} as const;

type StringLine = ReadLine<typeof STRING_COLUMNS>;

export interface StringImport {
	readonly steps: readonly ChangeStep[];
	readonly added: number;
	readonly changed: number;
	readonly refused: readonly RefusedLine[];
}

/**
 * The change of a record that a list of strings asks for: a mark that is there is changed in what the
 * list says, a new one is added, and a line that says what is there already changes nothing.
 *
 * @param newId gives the id of each string that is added
 */
export function importStrings(
	record: ArrayRecord,
	lines: readonly StringLine[],
	newId: () => string
): StringImport {
	const types = new Map(record.moduleTypes.map((type) => [type.name.toLowerCase(), type]));
	const strings = new Map(record.strings.map((string) => [string.label.toLowerCase(), string]));
	const seen = new Map<string, number>();
	const steps: ChangeStep[] = [];
	const refused: RefusedLine[] = [];
	let added = 0;
	for (const { line, values } of lines) {
		const key = values.label!.toLowerCase();
		const twice = seen.get(key);
		if (twice !== undefined) {
			refused.push({
				line,
				why: `${values.label} stands on line ${twice} already. Give each string its own mark.`
			});
			continue;
		}
		const type = values.type === null ? undefined : types.get(values.type.toLowerCase());
		if (values.type !== null && !type) {
			refused.push({
				line,
				why: `There is no module type “${values.type}” in the record. Enter its label first.`
			});
			continue;
		}
		const known = strings.get(key);
		const moduleTypeId = type?.id ?? known?.moduleTypeId ?? record.moduleTypes[0]?.id;
		if (moduleTypeId === undefined) {
			refused.push({ line, why: 'The record holds no module type yet. Enter its label first.' });
			continue;
		}
		seen.set(key, line);
		const base = known ?? {
			...UNSEEN_STRING,
			id: newId(),
			label: values.label!,
			cableResistance: USUAL_CABLE_RESISTANCE,
			fuse: 'unknown' as const,
			input: null
		};
		const value: StringRecord = {
			...base,
			moduleTypeId,
			moduleCount: values.modules!,
			modules: base.modules.filter(({ number }) => number <= values.modules!),
			fuse: values.fuse ? values.fuse.fuse : base.fuse,
			cableResistance: values.cable ?? base.cableResistance,
			input: values.input ?? base.input
		};
		if (known && JSON.stringify(value) === JSON.stringify(known)) continue;
		if (!known) added++;
		steps.push({ op: 'put', list: 'strings', value });
	}
	return { steps, added, changed: steps.length - added, refused };
}

/** Every string of a record as lines under {@link STRING_COLUMNS}. */
export function stringRows(record: ArrayRecord): string[][] {
	const head = Object.values(STRING_COLUMNS).map(({ heading }) => heading);
	const names = new Map(record.moduleTypes.map(({ id, name }) => [id, name]));
	const rows = record.strings.map((string) => [
		string.label,
		String(string.moduleCount),
		names.get(string.moduleTypeId) ?? '',
		string.fuse !== null && string.fuse !== 'unknown' && string.fuse.rating !== null
			? String(string.fuse.rating)
			: fuseWords(string.fuse) === 'none'
				? 'none'
				: 'unknown',
		String(string.cableResistance),
		string.input ?? ''
	]);
	return [head, ...rows];
}
