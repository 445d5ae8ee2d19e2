import { type BatchModule, type ModuleBatch, NO_LABEL, type Take } from '../../bench';
import { readFigure, type FigureLimits } from '../figure';
import { BATCH_LIMITS } from '../module-batch';
import { instantOf, refuse, succeed } from '../../units';
import { figureCell, textCell, type Column, type ReadLine, type RefusedLine } from './table';

/** A figure that may carry its unit: "850 mA" is 0.85 A; a figure of another quantity is refused. */
function unitCell(
	limits: FigureLimits,
	units: Readonly<Record<string, number>>,
	words: string
): Column<number>['read'] {
	return (typed) => {
		const found = /(?<![a-zµ])[a-zµ]+$/i.exec(typed);
		if (!found) return readFigure(typed, limits);
		const figure = typed.slice(0, found.index).trimEnd();
		const factor = units[found[0].toLowerCase()];
		if (factor === undefined) {
			return refuse(
				`“${typed}” is not in ${words}. Put it into its own column, or give it in ${limits.unit}.`
			);
		}
		const wide = { ...limits, min: limits.min / factor, max: limits.max / factor };
		const read = readFigure(figure, wide);
		return read.ok ? succeed(Number((read.value * factor).toPrecision(12))) : read;
	};
}

const VOLTAGE = { v: 1, mv: 1e-3, volts: 1, vdc: 1 };
const CURRENT = { a: 1, ma: 1e-3, amps: 1, adc: 1 };
const POWER = { w: 1, kw: 1e3, watts: 1, mw: 1e-3 };

function timeCell(typed: string) {
	const instant = instantOf(typed);
	return instant === null
		? refuse(`“${typed}” is no time. Give it as 2026-06-01T10:05:00Z.`)
		: succeed(instant);
}

/** Columns of a list of tests: one line a take, several lines a module. */
export const BATCH_COLUMNS = {
	mark: {
		heading: 'Module',
		aliases: ['mark', 'number', 'no', 'nr', 'id', 'panel'],
		required: true,
		read: textCell(20)
	},
	model: { heading: 'Model', aliases: ['type', 'make'], required: false, read: textCell(80) },
	pmax: {
		heading: 'Label power, W',
		aliases: ['label power', 'pmax', 'label', 'rated', 'nameplate', 'wp'],
		required: false,
		read: unitCell(BATCH_LIMITS.pmax, POWER, 'watts')
	},
	vmp: {
		heading: 'Vmp, V',
		aliases: ['vmp', 'umpp', 'vmpp'],
		required: false,
		read: unitCell(BATCH_LIMITS.vmp, VOLTAGE, 'volts')
	},
	imp: {
		heading: 'Imp, A',
		aliases: ['imp', 'impp'],
		required: false,
		read: unitCell(BATCH_LIMITS.imp, CURRENT, 'amps')
	},
	voc: {
		heading: 'Label Voc, V',
		aliases: ['label voc', 'voc label'],
		required: false,
		read: unitCell(BATCH_LIMITS.voc, VOLTAGE, 'volts')
	},
	isc: {
		heading: 'Label Isc, A',
		aliases: ['label isc', 'isc label'],
		required: false,
		read: unitCell(BATCH_LIMITS.isc, CURRENT, 'amps')
	},
	year: {
		heading: 'Year',
		aliases: ['year of make', 'built'],
		required: false,
		read: figureCell(BATCH_LIMITS.year)
	},
	at: { heading: 'Time', aliases: ['at', 'taken', 'date'], required: false, read: timeCell },
	volts: {
		heading: 'Volts',
		aliases: ['voc', 'v', 'u', 'volts read', 'open circuit'],
		required: false,
		read: unitCell(BATCH_LIMITS.volts, VOLTAGE, 'volts')
	},
	amps: {
		heading: 'Amps',
		aliases: ['isc', 'a', 'i', 'amps read', 'short circuit'],
		required: false,
		read: unitCell(BATCH_LIMITS.amps, CURRENT, 'amps')
	},
	watts: {
		heading: 'Watts',
		aliases: ['w', 'p', 'watts read', 'power'],
		required: false,
		read: unitCell(BATCH_LIMITS.watts, POWER, 'watts')
	}
} as const;

type BatchLine = ReadLine<typeof BATCH_COLUMNS>;

/** What a list of tests would make of a batch. */
export interface BatchImport {
	readonly modules: readonly BatchModule[];
	/** Modules that are new, and takes that came to any. */
	readonly added: number;
	readonly takes: number;
	readonly refused: readonly RefusedLine[];
}

/**
 * Takes over a list of tests: a mark that is in the batch gets its takes, another becomes a module. A line
 * without a time is taken as measured now. A line whose label differs from that of the module is refused.
 */
export function importTests(
	batch: Pick<ModuleBatch, 'modules'>,
	lines: readonly BatchLine[],
	now: string,
	newId: () => string
): BatchImport {
	const modules = new Map(batch.modules.map((module) => [module.mark.toLowerCase(), module]));
	const refused: RefusedLine[] = [];
	let added = 0;
	let takes = 0;
	for (const { line, values } of lines) {
		const { mark, volts: voltage, amps: current, watts: power, at } = values;
		const key = mark!.toLowerCase();
		const known = modules.get(key);
		const label = {
			...(known?.label ?? NO_LABEL),
			...defined({
				pmax: values.pmax,
				vmp: values.vmp,
				imp: values.imp,
				voc: values.voc,
				isc: values.isc
			})
		};
		const differs = known && known.label.pmax !== null && label.pmax !== known.label.pmax;
		if (differs) {
			refused.push({
				line,
				why: `Module ${mark} has a label of ${known.label.pmax} W in the batch and ${label.pmax} W here. Mend one, or give it another mark.`
			});
			continue;
		}
		if (!known && modules.size >= BATCH_LIMITS.modules) {
			refused.push({
				line,
				why: `A batch holds ${BATCH_LIMITS.modules} modules at most. Make another for the rest.`
			});
			continue;
		}
		const module: BatchModule = known ?? {
			id: newId(),
			mark: mark!,
			model: '',
			label,
			size: null,
			year: null,
			connector: '',
			looks: [],
			note: '',
			takes: []
		};
		const take: Take | null =
			voltage === null && current === null && power === null
				? null
				: { id: newId(), at: at ?? now, volts: voltage, amps: current, watts: power };
		if (take && module.takes.length >= BATCH_LIMITS.takes) {
			refused.push({ line, why: `Module ${mark} has ${BATCH_LIMITS.takes} takes already.` });
			continue;
		}
		if (!known) added++;
		if (take) takes++;
		modules.set(key, {
			...module,
			label,
			model: values.model ?? module.model,
			year: values.year ?? module.year,
			takes: take ? [...module.takes, take] : module.takes
		});
	}
	return { modules: [...modules.values()], added, takes, refused };
}

/** What is not null. */
function defined<T extends object>(values: T): Partial<{ [K in keyof T]: NonNullable<T[K]> }> {
	return Object.fromEntries(
		Object.entries(values).filter(([, value]) => value !== null)
	) as Partial<{ [K in keyof T]: NonNullable<T[K]> }>;
}
