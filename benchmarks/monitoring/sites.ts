import { readFileSync } from 'node:fs';
import { gunzipSync } from 'node:zlib';
import { answerTo, UNITS, type Answer, type Site } from './answer';

/*
 * Eight site-years of another generator, which shares nothing with the project: 12 units of 400 W, 15 minutes,
 * a year from 1 January 2025; stamps begin the interval, UTC.
 */

const FOLDER = 'tests/reference/data/monitoring';

/** What is hidden in a site-year. */
export interface SiteTruth extends Site {
	readonly snow?: boolean;
	/** Share of nameplate at which the inverters clip, where that is what is hidden. */
	readonly rated?: number;
	readonly scen: {
		readonly kind: 'healthy' | 'step' | 'intermittent';
		/** From 1. */
		readonly unit?: number;
		/** Day of the year from 0. */
		readonly from?: number;
		/** Share of output lost by a step. */
		readonly size?: number;
		/** kWh */
		readonly lost: number;
		/** Days of rain, and share of light that soiling takes by day. */
		readonly rains: readonly number[];
		readonly soiling?: readonly number[];
	};
}

export const SITES = (
	JSON.parse(readFileSync(`${FOLDER}/truth.json`, 'utf8')) as {
		readonly sites: Readonly<Record<string, SiteTruth>>;
	}
).sites;

export function exportOf(name: string): string {
	return gunzipSync(readFileSync(`${FOLDER}/${name}.csv.gz`)).toString('utf8');
}

/**
 * A site-year cut off at a level below its own ratings, in means of so many minutes, and what that takes.
 *
 * @param level W
 * @returns the export, and kWh lost by unit from 0
 */
export function clippedAt(
	name: string,
	level: number,
	minutes: 15 | 60
): { readonly csv: string; readonly lost: readonly number[] } {
	const every = minutes / 15;
	const [heading = '', ...lines] = exportOf(name).trim().split('\n');
	const lost = new Array<number>(UNITS).fill(0);
	const cut: string[] = [heading];
	for (let i = 0; i + every <= lines.length; i += every) {
		const rows = lines.slice(i, i + every).map((line) => line.split(','));
		const means = lost.map((_, u) => {
			const some = rows.map((row) => row[u + 1] ?? '').filter((cell) => cell !== '');
			for (const cell of some) lost[u]! += (Math.max(Number(cell) - level, 0) * 0.25) / 1000;
			const sum = some.reduce((all, cell) => all + Math.min(Number(cell), level), 0);
			return some.length === 0 ? '' : (sum / some.length).toFixed(1);
		});
		cut.push([rows[0]![0], ...means].join(','));
	}
	return { csv: cut.join('\n'), lost };
}

/** @throws where the export is refused */
export function answerOf(name: string, recorded: boolean, csv?: string): Answer {
	// A year that was cut off anew has another rating than the one it was generated with.
	return answerTo(SITES[name]!, csv ?? exportOf(name), recorded, csv === undefined);
}
