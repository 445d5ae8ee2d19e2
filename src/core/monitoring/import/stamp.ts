import { millisOfClock } from '../../units';
import { inFigures } from './written-date';

/** How an export writes its times. */
export const STAMP_FORMS = [
	'year-first',
	'day-first',
	'month-first',
	'unix-seconds',
	'unix-milliseconds',
	'sheet-serial'
] as const;
export type StampForm = (typeof STAMP_FORMS)[number];

/** A time as it was written: the clock's reading as if it were UTC, and its offset where it states one. */
export interface Stamp {
	/** ms since 1970-01-01 of that clock */
	readonly clock: number;
	/** ms ahead of UTC; null where none is written */
	readonly offset: number | null;
}

/** Of a text without blanks at its ends and with one blank at most between its parts, so that it is read in one go. */
const PARTS =
	/^(\d{1,4})[-./](\d{1,2})[-./](\d{1,4})(?:(?:, |[T ,])(\d{1,2})[:.](\d{2})(?:[:.](\d{2})(?:[.,]\d{1,9})?)?)? ?([ap]\.?m\.?)? ?(Z|UTC|GMT|WET|WEST|CET|CEST|MEZ|MESZ|EET|EEST|[+-]\d{2}(?::?\d{2})?)?$/i;
/** Zones by the letters that exports write, hours ahead of UTC. */
const ZONES: Readonly<Record<string, number>> = {
	wet: 0,
	west: 1,
	cet: 1,
	cest: 2,
	mez: 1,
	mesz: 2,
	eet: 2,
	eest: 3
};
/** Days from 1970 back to the day that sheets count from (1899-12-30), and the serial dates that can be meant: 1990 to 2100. */
const SHEET_EPOCH = 25_569;
const SHEET = { from: 32_874, to: 73_050 };
const DAY = 86_400_000;

/** @returns null where the text is no time of that form, or one that no calendar has */
export function readStamp(text: string, form: StampForm): Stamp | null {
	if (form === 'unix-seconds' || form === 'unix-milliseconds') {
		const figure = Number(text);
		if (text.trim() === '' || !Number.isFinite(figure)) return null;
		return { clock: form === 'unix-seconds' ? figure * 1000 : figure, offset: 0 };
	}
	if (form === 'sheet-serial') {
		const serial = Number(text.trim().replace(',', '.'));
		if (!(serial >= SHEET.from && serial <= SHEET.to)) return null;
		// Sheets keep times as shares of a day; they are whole seconds.
		return { clock: Math.round(((serial - SHEET_EPOCH) * DAY) / 1000) * 1000, offset: null };
	}
	const found = PARTS.exec(inFigures(text));
	if (!found) return null;
	const [first, second, third] = [Number(found[1]), Number(found[2]), Number(found[3])];
	// Four figures in front are a year, whatever the others are; so is a month that was written as a word.
	const [year, month, day] =
		form === 'year-first' || found[1]!.length === 4
			? [first, second, third]
			: form === 'day-first'
				? [third, second, first]
				: [third, first, second];
	const hour = hourOf(Number(found[4] ?? 0), found[7]);
	const minute = Number(found[5] ?? 0);
	const seconds = Number(found[6] ?? 0);
	if (month < 1 || month > 12 || hour === null || hour > 24 || minute > 59 || seconds > 60) {
		return null;
	}
	const full = year < 100 ? 2000 + year : year;
	if (full < 1990 || full > 2100 || day < 1 || day > daysIn(full, month)) return null;
	return {
		clock: millisOfClock(full, month, day, hour, minute, seconds),
		offset: offsetOf(found[8])
	};
}

function hourOf(hour: number, half: string | undefined): number | null {
	if (!half) return hour;
	if (hour < 1 || hour > 12) return null;
	return (hour % 12) + (/^p/i.test(half) ? 12 : 0);
}

function daysIn(year: number, month: number): number {
	if (month === 2) return year % 4 === 0 && (year % 100 !== 0 || year % 400 === 0) ? 29 : 28;
	return [4, 6, 9, 11].includes(month) ? 30 : 31;
}

function offsetOf(written: string | undefined): number | null {
	if (!written) return null;
	const found = /^([+-])(\d{2}):?(\d{2})?$/.exec(written);
	if (!found) return (ZONES[written.toLowerCase()] ?? 0) * 3_600_000;
	const minutes = Number(found[2]) * 60 + Number(found[3] ?? 0);
	return (found[1] === '-' ? -1 : 1) * minutes * 60_000;
}

/**
 * The form in which all of some times can be read.
 *
 * @returns null where none fits; `sure` is false where day and month could change places
 */
export function guessForm(texts: readonly string[]): { form: StampForm; sure: boolean } | null {
	const some = texts.filter((text) => text.trim() !== '');
	if (some.length === 0) return null;
	if (some.every((text) => /^\d{9,10}$/.test(text.trim()))) {
		return { form: 'unix-seconds', sure: true };
	}
	// Twelve figures are a date and a time without marks where a calendar has them: 202603121415.
	if (
		some.every((text) => /^\d{12,13}$/.test(text.trim())) &&
		!some.every((text) => readStamp(text, 'year-first') !== null)
	) {
		return { form: 'unix-milliseconds', sure: true };
	}
	if (some.every((text) => readStamp(text, 'sheet-serial') !== null)) {
		return { form: 'sheet-serial', sure: true };
	}
	const yearFirst = some.every((text) => /^\d{4}[-./]/.test(inFigures(text)));
	const fitting = (yearFirst ? (['year-first'] as const) : (['day-first', 'month-first'] as const))
		.map((form) => ({ form, back: stepsBack(some, form) }))
		.filter(({ back }) => back !== null)
		.sort((a, b) => a.back! - b.back!);
	const [best, other] = fitting;
	return best ? { form: best.form, sure: !other || other.back! > best.back! } : null;
}

/** How often a list of times goes more than two days forth or back; null where one cannot be read. */
function stepsBack(texts: readonly string[], form: StampForm): number | null {
	let back = 0;
	let last: number | null = null;
	for (const text of texts) {
		const stamp = readStamp(text, form);
		if (!stamp) return null;
		if (last !== null && Math.abs(stamp.clock - last) > 2 * 86_400_000) back++;
		last = stamp.clock;
	}
	return back;
}
