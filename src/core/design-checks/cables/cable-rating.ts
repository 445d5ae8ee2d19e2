import { refuse, type Result, succeed } from '../../units';
import { EN50618_CLAUSES, en50618AmbientFactor, EN50618_SIZES, iecGroupingFactor } from './en50618';
import {
	NEC_CLAUSES,
	NEC_COLUMNS,
	NEC_PER_KELVIN,
	NEC_SIZES,
	necAmbientFactor,
	necGroupingFactor,
	type NecColumn
} from './nec-tables';
import { IEC_RATINGS, lowerRating, NEC_RATINGS, nextRating } from './standard-ratings';

export const CABLE_MATERIALS = ['copper', 'aluminium'] as const;
export const INSTALLATIONS = ['raceway', 'free-air', 'on-surface', 'touching'] as const;
/** Temperature ratings of insulation, degC; 120 for PV cable to EN 50618. */
export const INSULATIONS = [60, 75, 90, 120] as const;

/** A cable as it is laid. */
export interface CableSpec {
	readonly profile: 'NEC' | 'IEC';
	readonly material: (typeof CABLE_MATERIALS)[number];
	/** Cross-section, mm2. A size between two rows of the table counts as the thinner one. */
	readonly area: number;
	readonly insulation: (typeof INSULATIONS)[number];
	/** Ambient temperature where it lies, adders for roofs included, degC. */
	readonly ambient: number;
	readonly installation: (typeof INSTALLATIONS)[number];
	/** Current-carrying conductors that lie together; one pair where it is left out. */
	readonly conductors?: number | undefined;
	/** Temperature rating of the terminals, degC; no limit by terminals where it is left out. */
	readonly terminals?: NecColumn | undefined;
}

/** What a cable is rated for. */
export interface CableRating {
	/** As it is laid, at its terminals too, A. */
	readonly ampacity: number;
	/** By the table before correction, A. */
	readonly tabulated: number;
	/** Corrected for ambient and grouping, before the terminals' limit, A. */
	readonly corrected: number;
	/** At the terminals' temperature, uncorrected, A; null where no terminals were given. */
	readonly atTerminals: number | null;
	readonly ambientFactor: number;
	readonly groupingFactor: number;
	readonly limitedBy: 'insulation' | 'terminals';
	/** Largest fuse or breaker that protects it, A; null where it is beyond the standard ratings. */
	readonly maximumFuse: number | null;
	/** At 20 degC, ohm/km of one conductor. */
	readonly resistancePerKm: number;
	/** Row of the table that was read. */
	readonly row: string;
	readonly source: string;
}

/** Why a cable has no rating, as a code with the figure it is about. */
export type CableProblem =
	| { readonly code: 'too-thin' | 'too-thick'; readonly limit: string }
	| { readonly code: 'too-warm'; readonly limit: number }
	| { readonly code: 'no-table'; readonly limit: string };

/** Relative difference within which a cross-section counts as that of the table. */
const SAME_SIZE = 0.03;

/**
 * The ampacity of a cable as it is laid.
 *
 * Sources, none verified against the text: NEC 2020 Tables 310.16, 310.17, 310.15(B)(1), 310.15(C)(1),
 * 110.14(C), 240.4; EN 50618 Annex A, IEC 60364-5-52 Table B.52.17, IEC 60228 Table 3.
 *
 * @returns a problem where the tables give no figure; never a figure for a case that they do not cover
 */
export function rateCable(spec: CableSpec): Result<CableRating, CableProblem> {
	return spec.profile === 'NEC' ? byNec(spec) : byEn50618(spec);
}

/** The thickest row that is not thicker than the cable. */
function rowOf<Row>(
	rows: readonly Row[],
	areaOf: (row: Row) => number,
	nameOf: (row: Row) => string,
	area: number
): Result<Row, CableProblem> {
	const row = rows.findLast((one) => areaOf(one) <= area * (1 + SAME_SIZE));
	if (!row) return refuse({ code: 'too-thin', limit: nameOf(rows[0]!) });
	const last = rows.at(-1)!;
	// A thicker cable than the last row carries more; what it carries is in no table here.
	return area > areaOf(last) * (1 + SAME_SIZE)
		? refuse({ code: 'too-thick', limit: nameOf(last) })
		: succeed(row);
}

function byNec(spec: CableSpec): Result<CableRating, CableProblem> {
	const { material, insulation, ambient, installation, conductors = 2, terminals } = spec;
	const row = rowOf(
		NEC_SIZES,
		({ area }) => area,
		({ name }) => name,
		spec.area
	);
	if (!row.ok) return row;
	const size = row.value;
	// PV wire is rated 90 degC in wet places; the tables have no column above.
	const column: NecColumn = insulation === 120 ? 90 : insulation;
	const at = NEC_COLUMNS.indexOf(column);
	const free = installation === 'free-air';
	const ampacities = (free ? size.freeAir : size.raceway)[material];
	if (!ampacities) return refuse({ code: 'no-table', limit: `${material}, ${size.name}` });
	const ambientFactor = necAmbientFactor(ambient, column);
	if (ambientFactor === null) return refuse({ code: 'too-warm', limit: column });
	const groupingFactor = necGroupingFactor(conductors);
	const tabulated = ampacities[at]!;
	const corrected = tabulated * ambientFactor * groupingFactor;
	const atTerminals =
		terminals === undefined
			? null
			: (size.raceway[material]?.[NEC_COLUMNS.indexOf(terminals)] ?? null);
	const ampacity = Math.min(corrected, atTerminals ?? Infinity);
	return succeed({
		ampacity,
		tabulated,
		corrected,
		atTerminals,
		ambientFactor,
		groupingFactor,
		limitedBy: ampacity < corrected ? 'terminals' : 'insulation',
		maximumFuse: necMaximumFuse(ampacity, size.smallConductor[material]),
		resistancePerKm: size.resistance[material] * (1 - NEC_PER_KELVIN[material] * (75 - 20)),
		row: size.name,
		source: `${free ? NEC_CLAUSES.freeAir : NEC_CLAUSES.raceway}, ${column} °C column; ${NEC_CLAUSES.ambient}, ${NEC_CLAUSES.grouping}, ${NEC_CLAUSES.terminals}, ${NEC_CLAUSES.overcurrent}; not verified`
	});
}

/** Next standard rating up to 800 A, the one below above that, never above the small conductor's own. */
function necMaximumFuse(ampacity: number, smallConductor: number | null): number | null {
	const next = nextRating(NEC_RATINGS, ampacity);
	const byAmpacity = next !== null && next <= 800 ? next : lowerRating(NEC_RATINGS, ampacity);
	return byAmpacity === null ? null : Math.min(byAmpacity, smallConductor ?? Infinity);
}

function byEn50618(spec: CableSpec): Result<CableRating, CableProblem> {
	const { material, insulation, ambient, installation, conductors = 2 } = spec;
	if (material !== 'copper') return refuse({ code: 'no-table', limit: material });
	if (insulation !== 120) return refuse({ code: 'no-table', limit: `${insulation} °C` });
	if (installation === 'raceway') return refuse({ code: 'no-table', limit: 'conduit' });
	const row = rowOf(
		EN50618_SIZES,
		({ size }) => size,
		({ size }) => `${size} mm²`,
		spec.area
	);
	if (!row.ok) return row;
	const { size, ampacity: ampacities, resistance } = row.value;
	const ambientFactor = en50618AmbientFactor(ambient);
	if (ambientFactor === null) return refuse({ code: 'too-warm', limit: 90 });
	const circuits = Math.ceil(conductors / 2);
	const groupingFactor = iecGroupingFactor(circuits);
	if (groupingFactor === null) return refuse({ code: 'no-table', limit: `${circuits} circuits` });
	const tabulated = ampacities[installation];
	const ampacity = tabulated * ambientFactor * groupingFactor;
	return succeed({
		ampacity,
		tabulated,
		corrected: ampacity,
		atTerminals: null,
		ambientFactor,
		groupingFactor,
		limitedBy: 'insulation',
		maximumFuse: lowerRating(IEC_RATINGS, ampacity),
		resistancePerKm: resistance,
		row: `${size} mm²`,
		source: `${EN50618_CLAUSES.table}; ${EN50618_CLAUSES.ambient}; ${EN50618_CLAUSES.grouping}; ${EN50618_CLAUSES.resistance}; not verified`
	});
}
