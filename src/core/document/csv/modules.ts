import {
	type ArrayRecord,
	type ChangeStep,
	MODULE_STATE_WORDS,
	MODULE_STATES,
	type ModuleDetail,
	type StringRecord
} from '../../record';
import { RECORD_LIMITS } from '../record-limits';
import { figureCell, textCell, wordCell, type ReadLine, type RefusedLine } from './table';

const STATES = Object.fromEntries(MODULE_STATES.map((state) => [MODULE_STATE_WORDS[state], state]));

/** Columns of a list of single modules. */
export const MODULE_COLUMNS = {
	string: {
		heading: 'String',
		aliases: ['string mark', 'mark', 'str'],
		required: true,
		read: textCell(20)
	},
	number: {
		heading: 'Module',
		aliases: ['number', 'module number', 'position', 'pos', 'no'],
		required: true,
		read: figureCell(RECORD_LIMITS.modules)
	},
	serial: {
		heading: 'Serial',
		aliases: ['serial number', 'serial no', 'sn', 's n'],
		required: false,
		read: textCell(60)
	},
	deviceCode: {
		heading: 'Device code',
		aliases: ['device', 'code', 'optimiser', 'device serial'],
		required: false,
		read: textCell(60)
	},
	year: {
		heading: 'Year',
		aliases: ['year of make', 'made', 'built'],
		required: false,
		read: figureCell(RECORD_LIMITS.year)
	},
	state: { heading: 'State', aliases: ['condition'], required: false, read: wordCell(STATES) }
} as const;

type ModuleLine = ReadLine<typeof MODULE_COLUMNS>;

/** What a list of modules would do to a record. */
export interface ModuleImport {
	readonly steps: readonly ChangeStep[];
	readonly taken: number;
	readonly refused: readonly RefusedLine[];
}

/** Where each serial of a record stands. */
export function serialsOf(record: Pick<ArrayRecord, 'strings'>): Map<string, string> {
	const places = new Map<string, string>();
	for (const { label, modules } of record.strings) {
		for (const { number, serial } of modules) {
			if (serial !== null) places.set(serial, `${label}, module ${number}`);
		}
	}
	return places;
}

/**
 * The change of a record that a list of modules asks for; a line that says what is there already changes
 * nothing. A line that names no string of the record, a
 * number beyond its string, or a serial that stands elsewhere, is refused with the reason.
 */
export function importModules(record: ArrayRecord, lines: readonly ModuleLine[]): ModuleImport {
	const strings = new Map(record.strings.map((string) => [string.label.toLowerCase(), string]));
	const details = new Map<string, Map<number, ModuleDetail>>();
	const serials = new Map<string, { readonly where: string; readonly line: number | null }>();
	for (const [serial, where] of serialsOf(record)) serials.set(serial, { where, line: null });
	const refused: RefusedLine[] = [];
	let taken = 0;
	for (const { line, values } of lines) {
		const string = strings.get(values.string!.toLowerCase());
		const number = values.number!;
		if (!string) {
			refused.push({
				line,
				why: `There is no string ${values.string} in the record. Add it, or mend the mark.`
			});
			continue;
		}
		if (number > string.moduleCount) {
			const why = `${string.label} has ${string.moduleCount} modules; there is no module ${number}.`;
			refused.push({ line, why });
			continue;
		}
		const where = `${string.label}, module ${number}`;
		const other = values.serial === null ? undefined : serials.get(values.serial);
		if (other && other.where !== where) {
			const on = other.line === null ? other.where : `${other.where} (line ${other.line})`;
			refused.push({
				line,
				why: `Serial ${values.serial} stands at ${on} already. One of the two is misread.`
			});
			continue;
		}
		if (values.serial !== null) serials.set(values.serial, { where, line });
		const known = details.get(string.id) ?? detailsOf(string);
		const before = known.get(number);
		const detail: ModuleDetail = {
			number,
			serial: values.serial ?? before?.serial ?? null,
			deviceCode: values.deviceCode ?? before?.deviceCode ?? null,
			year: values.year ?? before?.year ?? null,
			state: values.state ?? before?.state ?? null,
			moduleTypeId: before?.moduleTypeId ?? null
		};
		if (JSON.stringify(detail) === JSON.stringify(before ?? unknownModule(number))) continue;
		known.set(number, detail);
		details.set(string.id, known);
		taken++;
	}
	const steps = record.strings.flatMap((string): ChangeStep[] => {
		const known = details.get(string.id);
		if (!known) return [];
		return [{ op: 'put', list: 'strings', value: { ...string, modules: inOrder(known) } }];
	});
	return { steps, taken, refused };
}

function unknownModule(number: number): ModuleDetail {
	const unknown = { serial: null, deviceCode: null, year: null, state: null, moduleTypeId: null };
	return { number, ...unknown };
}

function detailsOf(string: StringRecord): Map<number, ModuleDetail> {
	return new Map(string.modules.map((module) => [module.number, module]));
}

function inOrder(details: ReadonlyMap<number, ModuleDetail>): ModuleDetail[] {
	return [...details.values()].sort((a, b) => a.number - b.number);
}

/** Every module of a record as lines under {@link MODULE_COLUMNS}. */
export function moduleRows(record: ArrayRecord): string[][] {
	const head = Object.values(MODULE_COLUMNS).map(({ heading }) => heading);
	const rows = record.strings.flatMap((string) => {
		const details = detailsOf(string);
		return Array.from({ length: string.moduleCount }, (_, i) => {
			const detail = details.get(i + 1);
			return [
				string.label,
				String(i + 1),
				detail?.serial ?? '',
				detail?.deviceCode ?? '',
				String(detail?.year ?? ''),
				detail?.state ? MODULE_STATE_WORDS[detail.state] : ''
			];
		});
	});
	return [head, ...rows];
}
