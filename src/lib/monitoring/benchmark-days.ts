import { fromAbsolute } from '@internationalized/date';
import { seasonPoints } from '$core/monitoring';

/** A day on which the array is measured every year. */
export interface BenchmarkDay {
	/** As in 2026-06-21, at the site. */
	readonly date: string;
	readonly words: string;
}

const DAY = 86_400_000;

/** The benchmark days of a year: those that were set, or the equinoxes and solstices by the site's own calendar. */
export function benchmarkDays(
	year: number,
	timeZone: string,
	set: readonly string[] | null
): BenchmarkDay[] {
	if (set) {
		return set
			.filter((day) => day !== '02-29' || isLeap(year))
			.map((day) => ({ date: `${year}-${day}`, words: 'set for this site' }))
			.sort((a, b) => (a.date < b.date ? -1 : 1));
	}
	return seasonPoints(year).map(({ words, at }) => ({ date: localDate(at, timeZone), words }));
}

/** The next benchmark day from now on, and in how many days it comes. */
export function nextBenchmarkDay(
	now: number,
	timeZone: string,
	set: readonly string[] | null
): (BenchmarkDay & { readonly inDays: number }) | null {
	const today = localDate(now, timeZone);
	const year = Number(today.slice(0, 4));
	const coming = [year, year + 1]
		.flatMap((one) => benchmarkDays(one, timeZone, set))
		.find(({ date }) => date >= today);
	if (!coming) return null;
	const inDays = Math.round((Date.parse(coming.date) - Date.parse(today)) / DAY);
	return { ...coming, inDays };
}

export function localDate(instant: number, timeZone: string): string {
	return fromAbsolute(instant, timeZone).toString().slice(0, 10);
}

function isLeap(year: number): boolean {
	return new Date(Date.UTC(year, 1, 29)).getUTCMonth() === 1;
}
