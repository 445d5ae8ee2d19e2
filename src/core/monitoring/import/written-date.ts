/*
 * Dates as people and spreadsheets write them, brought to figures: names of months and weekdays, a time without
 * marks, an interval of which the beginning counts.
 */

/** No date is longer; a cell that is, is none, and is not looked at further. */
const LONGEST = 64;

const MONTHS: readonly (readonly string[])[] = [
	['jan', 'january', 'januar', 'enero', 'ene', 'janvier', 'janv'],
	['feb', 'february', 'februar', 'febrero', 'février', 'fév', 'févr'],
	['mar', 'march', 'märz', 'mrz', 'mär', 'marzo', 'mars'],
	['apr', 'april', 'abril', 'abr', 'avril', 'avr'],
	['may', 'mai', 'mayo'],
	['jun', 'june', 'juni', 'junio', 'juin'],
	['jul', 'july', 'juli', 'julio', 'juillet', 'juil'],
	['aug', 'august', 'agosto', 'ago', 'août'],
	['sep', 'sept', 'september', 'septiembre', 'septembre'],
	['oct', 'october', 'okt', 'oktober', 'octubre', 'octobre'],
	['nov', 'november', 'noviembre', 'novembre'],
	['dec', 'december', 'dez', 'dezember', 'diciembre', 'dic', 'décembre', 'déc']
];
const MONTH_OF = new Map(MONTHS.flatMap((names, i) => names.map((name) => [name, i + 1] as const)));

const WEEKDAY =
	/^(mon|tue|wed|thu|fri|sat|sun|mo|di|mi|do|fr|sa|so|lun|mar|mié|jue|vie|sáb|dom|mer|jeu|ven|sam|dim)[a-zä-ÿ]*[.,]? /i;
const NAMED = /^(\d{1,2})[. -]{1,2}([a-zä-ÿ]{3,10})[., -]{1,2}(\d{2,4})(.*)$/i;
const NAMED_MONTH_FIRST = /^([a-zä-ÿ]{3,10})[. -]{1,2}(\d{1,2})[, -]{1,2}(\d{4})(.*)$/i;
const COMPACT = /^(\d{4})(\d{2})(\d{2})[T ]?(\d{2})(\d{2})(\d{2})?(Z|[+-]\d{2}:?\d{2})?$/i;
const COMPACT_DAY = /^(\d{4})(\d{2})(\d{2})$/;
const INTERVAL =
	/^(.{10,30}?\d{1,2}:\d{2}(?::\d{2})?) ?(?:-|–|—|to|bis) ?(?:.{0,20} )?\d{1,2}:\d{2}(?::\d{2})?$/i;

/**
 * @returns the date in figures, its year first where that is certain; the text itself where it is none of these
 */
export function inFigures(text: string): string {
	let plain = text.trim();
	if (plain.length > LONGEST) return '';
	if (!/\d/.test(plain)) return plain;
	plain = plain.replace(/ +/g, ' ');
	const interval = INTERVAL.exec(plain);
	if (interval) plain = interval[1]!;
	const compact = COMPACT.exec(plain);
	if (compact) {
		const [, year, month, day, hour, minute, second = '00', zone = ''] = compact;
		return `${year}-${month}-${day} ${hour}:${minute}:${second}${zone}`;
	}
	const day = COMPACT_DAY.exec(plain);
	if (day) return `${day[1]}-${day[2]}-${day[3]}`;
	if (!/[a-zä-ÿ]{2}/i.test(plain)) return plain;
	// "Mar 12, 2026" begins with a month, "mar 12.03.2026" with a Tuesday.
	const monthFirst = NAMED_MONTH_FIRST.exec(plain);
	const ofFirst = monthFirst && MONTH_OF.get(monthFirst[1]!.toLowerCase());
	if (ofFirst) return `${monthFirst[3]}-${ofFirst}-${monthFirst[2]}${monthFirst[4]}`;
	plain = plain.replace(WEEKDAY, '');
	const named = NAMED.exec(plain);
	const ofNamed = named && MONTH_OF.get(named[2]!.toLowerCase());
	if (ofNamed) return `${named[3]!.padStart(4, '20')}-${ofNamed}-${named[1]}${named[4]}`;
	return plain;
}
