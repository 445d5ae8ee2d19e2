export const MONTHS = [
	'Jan',
	'Feb',
	'Mar',
	'Apr',
	'May',
	'Jun',
	'Jul',
	'Aug',
	'Sep',
	'Oct',
	'Nov',
	'Dec'
] as const;

/** Labels of an axis of dates as in 2026-03-12: the names of the months, at their firsts. */
export const AT_MONTHS = {
	interval: (_: number, date: string) => date.endsWith('-01'),
	formatter: (date: string) => MONTHS[Number(date.slice(5, 7)) - 1]!
};
