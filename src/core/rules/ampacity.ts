import type { PartOf } from '../record/part';
import type { SiteRules } from '../record/record';
import { SOLAR_CABLE } from './profiles/iec';
import { AMBIENT_90, AMPACITY, ROOF_ADDER, ROOF_ADDER_2014 } from './profiles/us';

/** What a conductor carries at most, and where that comes from; words where it cannot be said. */
export type Ampacity =
	| {
			readonly known: true;
			/** In its surroundings, A. */
			readonly corrected: number;
			/** At the terminals' temperature, before correction, A. */
			readonly terminals: number;
			/** Highest fuse on it, A; null where the rule gives none. */
			readonly fuse: number | null;
			readonly formula: string;
			readonly clause: string;
	  }
	| { readonly known: false; readonly missing: readonly string[] };

/** Relative difference within which a size counts as the table's. */
const SAME_SIZE = 0.03;

export function ampacityOf(conductor: PartOf<'conductor'>, rules: SiteRules): Ampacity {
	return rules.profile === 'US' ? byTable(conductor, rules) : bySolarCable(conductor);
}

function bySolarCable({ specs: { size, laid } }: PartOf<'conductor'>): Ampacity {
	const missing = [
		...(size === null ? ['its size'] : []),
		...(laid === null ? ['how it is laid'] : [])
	];
	if (size === null || laid === null) return { known: false, missing };
	const table = laid === 'free in air' ? SOLAR_CABLE.free : SOLAR_CABLE.touching;
	const row = table.findLast(([rowSize]) => rowSize <= size * (1 + SAME_SIZE));
	if (!row) return { known: false, missing: [`a figure for ${size} mm² ${laid} in the table`] };
	return {
		known: true,
		corrected: row[1],
		terminals: row[1],
		fuse: null,
		formula: `${row[0]} mm² ${laid === 'free in air' ? 'free in air' : 'touching, on a surface'} bears ${row[1]} A`,
		clause: SOLAR_CABLE.clause
	};
}

function byTable({ specs }: PartOf<'conductor'>, { edition }: SiteRules): Ampacity {
	const { size, rating, ambient, laid, roofHeight } = specs;
	const missing = [
		...(size === null ? ['its size'] : []),
		...(rating === null ? ['the rating of its insulation'] : []),
		...(ambient === null ? ['its warmest surroundings'] : []),
		...(laid === null ? ['how it is laid'] : [])
	];
	if (size === null || rating === null || ambient === null || laid === null) {
		return { known: false, missing };
	}
	const row = AMPACITY.rows.findLast((line) => line.size <= size * (1 + SAME_SIZE));
	if (!row) return { known: false, missing: [`a row for ${size} mm² in the table`] };
	const adder = laid === 'in a raceway' && roofHeight !== null ? roofAdder(roofHeight, edition) : 0;
	const heat = ambient + adder;
	const correction = AMBIENT_90.rows.find(([upTo]) => heat <= upTo);
	if (!correction) return { known: false, missing: [`a correction for ${heat} °C in the table`] };
	const column = rating === 'solar cable' ? '90 °C' : rating;
	const [, factor] = correction;
	return {
		known: true,
		corrected: row.amps[column] * factor,
		terminals: row.amps['75 °C'],
		fuse: row.fuse,
		formula: `${row.awg} AWG in the ${column} column ${row.amps[column]} A x ${factor} at ${heat} °C${adder ? ` (${ambient} °C and ${adder} K above a roof)` : ''}; terminals ${row.amps['75 °C']} A at 75 °C`,
		clause: `${AMPACITY.clause}; ${AMBIENT_90.clause}`
	};
}

/** How much warmer a raceway above a roof is than the air, K. */
function roofAdder(height: number, edition: SiteRules['edition']): number {
	if (edition === 2014) return ROOF_ADDER_2014.find(([upTo]) => height <= upTo)?.[1] ?? 0;
	return height < ROOF_ADDER.below ? ROOF_ADDER.kelvin : 0;
}
