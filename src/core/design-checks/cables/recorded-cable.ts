import type { PartOf, SiteRules } from '../../record';
import { refuse, type Result, succeed } from '../../units';
import { ROOF_ADDER, ROOF_ADDER_2014 } from '../../profiles';
import { rateCable, type CableRating, type CableSpec, type CableProblem } from './cable-rating';
import { assumedTerminals } from './nec-tables';

/** A recorded conductor's rating, with what was assumed in words. */
export interface RecordedRating extends CableRating {
	readonly spec: CableSpec;
	readonly assumed: readonly string[];
}

type Specs = PartOf<'conductor'>['specs'];

const INSULATION: Readonly<Record<NonNullable<Specs['rating']>, CableSpec['insulation']>> = {
	'60 °C': 60,
	'75 °C': 75,
	'90 °C': 90,
	'solar cable': 120
};
const TERMINALS = { '60 °C': 60, '75 °C': 75, '90 °C': 90 } as const;
const INSTALLATION: Readonly<Record<NonNullable<Specs['laid']>, CableSpec['installation']>> = {
	'free in air': 'free-air',
	'on a surface': 'on-surface',
	'touching others': 'touching',
	'in a raceway': 'raceway'
};
/** Above this size a conductor of unrecorded material may well be aluminium, mm2; common practice. */
const SURELY_COPPER = 10;

/**
 * What a recorded conductor is rated for where it lies.
 *
 * @returns nouns of what is missing from the record, or why no table covers it
 */
export function recordedRating(
	{ specs }: PartOf<'conductor'>,
	rules: Pick<SiteRules, 'profile' | 'edition'>
): Result<RecordedRating, readonly string[]> {
	const { size, rating, ambient, laid, roofHeight, material, together, terminals } = specs;
	const copper = material === 'copper' || rating === 'solar cable';
	const missing = [
		...(size === null ? ['its size'] : []),
		...(rating === null ? ['the temperature rating of its insulation'] : []),
		...(ambient === null ? ['its highest ambient temperature'] : []),
		...(laid === null ? ['how it is laid'] : []),
		...(laid === 'in a raceway' && together === null
			? ['how many current-carrying conductors share the raceway']
			: []),
		...(material === null && !copper && size !== null && size > SURELY_COPPER
			? ['its material']
			: [])
	];
	if (size === null || rating === null || ambient === null || laid === null || missing.length > 0) {
		return refuse(missing);
	}
	const us = rules.profile === 'US';
	const adder =
		us && laid === 'in a raceway' && roofHeight !== null ? roofAdder(roofHeight, rules) : 0;
	const spec: CableSpec = {
		profile: us ? 'NEC' : 'IEC',
		material: material ?? 'copper',
		area: size,
		insulation: INSULATION[rating],
		ambient: ambient + adder,
		installation: INSTALLATION[laid],
		conductors: together ?? undefined,
		terminals: us ? (terminals === null ? assumedTerminals(size) : TERMINALS[terminals]) : undefined
	};
	const rated = rateCable(spec);
	if (!rated.ok) return refuse([problemText(rated.problem)]);
	return succeed({
		...rated.value,
		spec,
		assumed: [
			...(material === null && rating !== 'solar cable' ? ['copper'] : []),
			...(us && terminals === null ? [`terminals for ${spec.terminals} °C (110.14(C))`] : []),
			...(together === null ? ['no other circuits bundled with it'] : []),
			...(adder > 0 ? [`${adder} K above the ambient air for a raceway close to the roof`] : [])
		]
	});
}

/** Why the tables give no figure, as a noun phrase. */
export function problemText(problem: CableProblem): string {
	switch (problem.code) {
		case 'too-thin':
			return `a table for sizes below ${problem.limit}`;
		case 'too-thick':
			return `a table for sizes above ${problem.limit}`;
		case 'too-warm':
			return `a table for so high an ambient temperature (insulation for ${problem.limit} °C)`;
		case 'no-table':
			return `a table for ${problem.limit}`;
	}
}

/** How much warmer a raceway above a roof is than the air, K. */
function roofAdder(height: number, { edition }: Pick<SiteRules, 'edition'>): number {
	if (edition === 2014) return ROOF_ADDER_2014.find(([upTo]) => height <= upTo)?.[1] ?? 0;
	return height < ROOF_ADDER.below ? ROOF_ADDER.kelvin : 0;
}
