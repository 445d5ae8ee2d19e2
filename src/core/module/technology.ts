/** Cell technologies a label may name. */
export const TECHNOLOGIES = [
	'poly',
	'mono-BSF',
	'mono-PERC',
	'TOPCon',
	'HJT',
	'IBC',
	'tandem',
	'CdTe',
	'CIGS',
	'a-Si'
] as const;

export type Technology = (typeof TECHNOLOGIES)[number];

/** How the band gap moves with temperature: Eg(T) = atReference (1 + perKelvin (T - 25 degC)). */
export interface BandGap {
	/** eV at 25 degC. */
	readonly atReference: number;
	/** Relative change, 1/K. */
	readonly perKelvin: number;
}

export interface TechnologyFacts {
	readonly words: string;
	readonly bandGap: BandGap;
	/** Plausible open-circuit voltage of one cell at standard test conditions, V: lowest, highest. */
	readonly vocPerCell: readonly [number, number];
	/** Coefficients of a typical label, %/K of Isc and of Voc. */
	readonly typical: { readonly alphaIscPctPerK: number; readonly betaVocPctPerK: number };
}

/** De Soto, Klein, Beckman, Solar Energy 80 (2006), equation 10. */
const SILICON_BAND_GAP: BandGap = { atReference: 1.121, perKelvin: -0.0002677 };

/**
 * Band gaps of the thin films are written from memory of the values commonly tabulated for this
 * model; volts per cell and typical coefficients are common practice, no source.
 */
export const TECHNOLOGY_FACTS: Readonly<Record<Technology, TechnologyFacts>> = {
	poly: {
		words: 'polycrystalline silicon',
		bandGap: SILICON_BAND_GAP,
		vocPerCell: [0.57, 0.66],
		typical: { alphaIscPctPerK: 0.055, betaVocPctPerK: -0.32 }
	},
	'mono-BSF': {
		words: 'monocrystalline silicon, plain back',
		bandGap: SILICON_BAND_GAP,
		vocPerCell: [0.58, 0.67],
		typical: { alphaIscPctPerK: 0.05, betaVocPctPerK: -0.31 }
	},
	'mono-PERC': {
		words: 'monocrystalline silicon, passivated back',
		bandGap: SILICON_BAND_GAP,
		vocPerCell: [0.63, 0.71],
		typical: { alphaIscPctPerK: 0.048, betaVocPctPerK: -0.27 }
	},
	TOPCon: {
		words: 'monocrystalline silicon, tunnel-oxide contacts',
		bandGap: SILICON_BAND_GAP,
		vocPerCell: [0.67, 0.75],
		typical: { alphaIscPctPerK: 0.045, betaVocPctPerK: -0.25 }
	},
	HJT: {
		words: 'silicon heterojunction',
		bandGap: SILICON_BAND_GAP,
		vocPerCell: [0.69, 0.77],
		typical: { alphaIscPctPerK: 0.04, betaVocPctPerK: -0.24 }
	},
	IBC: {
		words: 'monocrystalline silicon, back contacts',
		bandGap: SILICON_BAND_GAP,
		vocPerCell: [0.66, 0.75],
		typical: { alphaIscPctPerK: 0.05, betaVocPctPerK: -0.24 }
	},
	tandem: {
		words: 'tandem of silicon and a thin film on it',
		bandGap: SILICON_BAND_GAP,
		vocPerCell: [1.6, 2.05],
		typical: { alphaIscPctPerK: 0.04, betaVocPctPerK: -0.22 }
	},
	CdTe: {
		words: 'cadmium telluride film',
		bandGap: { atReference: 1.475, perKelvin: -0.0003 },
		vocPerCell: [0.72, 0.95],
		typical: { alphaIscPctPerK: 0.04, betaVocPctPerK: -0.28 }
	},
	CIGS: {
		words: 'copper indium gallium selenide film',
		bandGap: { atReference: 1.15, perKelvin: -0.00011 },
		vocPerCell: [0.52, 0.78],
		typical: { alphaIscPctPerK: 0.01, betaVocPctPerK: -0.3 }
	},
	'a-Si': {
		words: 'amorphous silicon film',
		bandGap: { atReference: 1.7, perKelvin: -0.0002677 },
		// Single, double and triple junctions.
		vocPerCell: [0.75, 2.6],
		typical: { alphaIscPctPerK: 0.08, betaVocPctPerK: -0.3 }
	}
};

/** What a label is taken for that names no technology. */
export const DEFAULT_TECHNOLOGY: Technology = 'mono-PERC';

const THIN_FILMS: readonly Technology[] = ['CdTe', 'CIGS', 'a-Si'];

/** Whether cells are a film on glass or foil rather than wafers. */
export function isThinFilm(technology: Technology): boolean {
	return THIN_FILMS.includes(technology);
}

/** Whether all cells are crystalline silicon; a tandem has a thin film on them. */
export function isCrystalline(technology: Technology): boolean {
	return technology !== 'tandem' && !isThinFilm(technology);
}
