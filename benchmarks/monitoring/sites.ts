import { readFileSync } from 'node:fs';
import { gunzipSync } from 'node:zlib';
import type { ClockFinding } from '../../src/core/production/analysis/clock-check';
import { watchCommand } from '../../src/cli/watch';
import kilnLane from '../../demo/kiln-lane-2026-11-05.zembo-visit.json';

/*
 * Eight site-years of another generator, which shares nothing with the project: 12 units of 400 W, 15 minutes,
 * a year from 1 January 2025; stamps begin the interval, UTC.
 */

const FOLDER = 'tests/reference/data/monitoring';
/** Nameplate power of each unit, W. */
const NAMEPLATE = 400;
const UNITS = 12;
const DAY = 86_400_000;
const START = Date.UTC(2025, 0, 1);

/** What is hidden in a site-year. */
export interface SiteTruth {
	readonly latitude: number;
	readonly longitude: number;
	/** Planes that differ; absent where all units lie in one. */
	readonly planes?: readonly {
		readonly tilt: number;
		readonly azimuth: number;
		readonly units: readonly number[];
	}[];
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
		readonly dirt?: readonly number[];
	};
	readonly ratedShareOfNameplate: readonly number[];
}

export const SITES = (
	JSON.parse(readFileSync(`${FOLDER}/truth.json`, 'utf8')) as {
		readonly sites: Readonly<Record<string, SiteTruth>>;
	}
).sites;

/** As in 2025-05-21, of a day of the year from 0. */
export const dateOf = (day: number) => new Date(START + day * DAY).toISOString().slice(0, 10);

/** What `zembo watch` answers to a site-year. */
export interface Answer {
	readonly from: string;
	readonly to: string;
	readonly events: readonly {
		readonly unit: string;
		readonly kind: string;
		readonly since: string;
		readonly until: string | null;
		readonly level: number;
		readonly lost: number;
		readonly lostBand: { readonly low: number; readonly high: number };
	}[];
	readonly arrayEvents: readonly {
		readonly kind: string;
		readonly since: string;
		readonly until: string | null;
		readonly change: number;
		readonly washed: string | null;
	}[];
	readonly clipping: readonly {
		readonly unit: string;
		readonly kind: string;
		readonly level: number;
		readonly lost: { readonly value: number; readonly low: number; readonly high: number } | null;
	}[];
	readonly planes: readonly {
		readonly units: readonly string[];
		readonly tilt: number;
		readonly azimuth: number;
	}[];
	readonly clock: ClockFinding | null;
	readonly doubts: readonly string[];
	readonly notes: readonly string[];
}

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

/**
 * The visit file of a site: one branch of twelve modules with a micro-inverter each.
 *
 * @param recorded whether the planes stand in the record
 * @param known whether the inverters' rating stands there
 */
function visitOf(truth: SiteTruth, recorded: boolean, known: boolean) {
	const [string] = kilnLane.record.strings;
	const [type] = kilnLane.record.moduleTypes;
	const [field] = kilnLane.record.fields;
	const shares = new Set(truth.ratedShareOfNameplate);
	const acWatts = shares.size === 1 && known ? NAMEPLATE * truth.ratedShareOfNameplate[0]! : null;
	const planes = recorded ? truth.planes : undefined;
	const fields = (planes ?? [{ tilt: null, azimuth: null }]).map(({ tilt, azimuth }, i) => ({
		...field!,
		id: `019a8003-0000-7000-8000-0000000004${i.toString().padStart(2, '0')}`,
		rows: 1,
		columns: UNITS,
		tilt,
		azimuth
	}));
	const fieldOf = (unit: number) =>
		fields[Math.max(0, planes?.findIndex(({ units }) => units.includes(unit)) ?? 0)]!.id;
	return {
		...kilnLane,
		record: {
			...kilnLane.record,
			moduleTypes: [{ ...type!, plate: { ...type!.plate, pmax: NAMEPLATE } }],
			strings: [
				{
					...string!,
					label: 'U',
					moduleCount: UNITS,
					modules: [],
					spans: Array.from({ length: UNITS }, (_, i) => ({
						from: i + 1,
						count: 1,
						field: fieldOf(i + 1),
						row: 0,
						column: i,
						step: 'right'
					}))
				}
			],
			fields,
			parts: kilnLane.record.parts.map((part) =>
				part.kind === 'micro-inverter' ? { ...part, specs: { ...part.specs, acWatts } } : part
			)
		},
		visit: { ...kilnLane.visit, readings: [] }
	};
}

/** @throws where the export is refused */
export function answerOf(name: string, recorded: boolean, csv?: string): Answer {
	const truth = SITES[name]!;
	const own = exportOf(name);
	const { latitude, longitude } = truth;
	const answer = watchCommand({
		// A year that was cut off anew has another rating than the one it was generated with.
		visit: visitOf(truth, recorded, csv === undefined),
		csv: csv ?? own,
		latitude,
		longitude
	});
	if (!answer.ok) throw new Error(`${name}: ${answer.problem.what}`);
	return answer.value as Answer;
}
