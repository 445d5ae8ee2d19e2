import { watchCommand } from '../../src/cli/watch';
import type { ClockFinding } from '../../src/core/monitoring';
import kilnLane from '../../demo/kiln-lane-2026-11-05.zembo-visit.json';

/** Units of a site-year, and the nameplate power of each, W. */
export const UNITS = 12;
export const NAMEPLATE = 400;
/** The year of all of them begins here. */
export const START = Date.UTC(2025, 0, 1);
export const DAY = 86_400_000;

/** As in 2025-05-21, of a day of the year from 0. */
export const dateOf = (day: number) => new Date(START + day * DAY).toISOString().slice(0, 10);

/** What a record can say of a site. */
export interface Site {
	readonly latitude: number;
	readonly longitude: number;
	/** Planes that differ; absent where all units lie in one. */
	readonly planes?: readonly {
		readonly tilt: number;
		readonly azimuth: number;
		/** From 1. */
		readonly units: readonly number[];
	}[];
	readonly ratedShareOfNameplate: readonly number[];
}

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
	readonly questions: readonly string[];
	readonly notes: readonly string[];
}

/**
 * The visit file of a site: one branch of twelve modules with a micro-inverter each.
 *
 * @param recorded whether the planes stand in the record
 * @param known whether the inverters' rating stands there
 */
function visitOf(site: Site, recorded: boolean, known: boolean) {
	const [string] = kilnLane.record.strings;
	const [type] = kilnLane.record.moduleTypes;
	const [field] = kilnLane.record.fields;
	const shares = new Set(site.ratedShareOfNameplate);
	const acPower = shares.size === 1 && known ? NAMEPLATE * site.ratedShareOfNameplate[0]! : null;
	const planes = recorded ? site.planes : undefined;
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
				part.kind === 'micro-inverter'
					? { ...part, specs: { ...part.specs, acWatts: acPower } }
					: part
			)
		},
		visit: { ...kilnLane.visit, readings: [] }
	};
}

/**
 * What `zembo watch` answers to an export of a site.
 *
 * @param recorded whether the planes stand in the record
 * @param known whether the inverters' rating stands there
 * @throws where the export is refused
 */
export function answerTo(site: Site, csv: string, recorded: boolean, known: boolean): Answer {
	const { latitude, longitude } = site;
	const answer = watchCommand({ visit: visitOf(site, recorded, known), csv, latitude, longitude });
	if (!answer.ok) throw new Error(answer.problem.what);
	return answer.value as Answer;
}
