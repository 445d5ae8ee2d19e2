import { millisOfClock } from '../../units/instant';

/** How an export writes its times. */
export const STAMP_FORMS = [
	'year-first',
	'day-first',
	'month-first',
	'unix-seconds',
	'unix-milliseconds'
] as const;
export type StampForm = (typeof STAMP_FORMS)[number];

/** A time as it was written: the clock's reading as if it were UTC, and its offset where it states one. */
export interface Stamp {
	/** ms since 1970-01-01 of that clock */
	readonly clock: number;
	/** ms ahead of UTC; null where none is written */
	readonly offset: number | null;
}

const PARTS =
	/^\s*(\d{1,4})[-./](\d{1,2})[-./](\d{1,4})(?:[T\s,]+(\d{1,2})[:.](\d{2})(?:[:.](\d{2})(?:[.,]\d+)?)?)?\s*([ap]\.?m\.?)?\s*(Z|UTC|GMT|[+-]\d{2}:?\d{2})?\s*$/i;

/** @returns null where the text is no time of that form, or one that no calendar has */
export function readStamp(text: string, form: StampForm): Stamp | null {
	if (form === 'unix-seconds' || form === 'unix-milliseconds') {
		const figure = Number(text);
		if (text.trim() === '' || !Number.isFinite(figure)) return null;
		return { clock: form === 'unix-seconds' ? figure * 1000 : figure, offset: 0 };
	}
	const found = PARTS.exec(text);
	if (!found) return null;
	const [first, second, third] = [Number(found[1]), Number(found[2]), Number(found[3])];
	const [year, month, day] =
		form === 'year-first'
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
	const found = /^([+-])(\d{2}):?(\d{2})$/.exec(written);
	if (!found) return 0;
	const minutes = Number(found[2]) * 60 + Number(found[3]);
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
	if (some.every((text) => /^\d{12,13}$/.test(text.trim()))) {
		return { form: 'unix-milliseconds', sure: true };
	}
	const yearFirst = some.every((text) => /^\s*\d{4}[-./]/.test(text));
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
