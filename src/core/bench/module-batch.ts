import type { LoadPoint } from './fill-factor';
import type { Technology } from '../module';

/** What is on a module's back, as far as it can be read. */
export interface BatchNameplate {
	readonly technology: Technology | null;
	/** Cells in series; a half-cut module of 120 has 60. */
	readonly cellsInSeries: number | null;
	/** W */
	readonly pmax: number | null;
	/** V */
	readonly vmp: number | null;
	/** A */
	readonly imp: number | null;
	/** V */
	readonly voc: number | null;
	/** A */
	readonly isc: number | null;
	/** Maximum series fuse, A. */
	readonly seriesFuse: number | null;
}

export const NO_LABEL: BatchNameplate = {
	technology: null,
	cellsInSeries: null,
	pmax: null,
	vmp: null,
	imp: null,
	voc: null,
	isc: null,
	seriesFuse: null
};

/** What an eye sees of a module. */
export const LOOKS = [
	'cracked-glass',
	'browned',
	'snail-trails',
	'delaminated',
	'burnt-spot',
	'box-damaged',
	'connector-damaged',
	'frame-bent'
] as const;
export type Look = (typeof LOOKS)[number];

export const LOOK_WORDS: Readonly<Record<Look, string>> = {
	'cracked-glass': 'glass cracked',
	browned: 'browned',
	'snail-trails': 'snail trails',
	delaminated: 'delaminated',
	'burnt-spot': 'burnt spot',
	'box-damaged': 'junction box damaged',
	'connector-damaged': 'connector damaged',
	'frame-bent': 'frame bent'
};

/** Looks with which a module is a danger to whoever touches it, whatever power it makes. */
export const DANGEROUS_LOOKS: readonly Look[] = [
	'cracked-glass',
	'burnt-spot',
	'box-damaged',
	'delaminated'
];

/** A stick and its shadow on the glass, in one unit of length. */
export interface Shadow {
	readonly height: number;
	readonly length: number;
}

/** One measurement of one module in the sun. Amps are at short circuit through a rated switch or tester. */
export interface Take {
	readonly id: string;
	/** Instant, ISO 8601 in UTC. */
	readonly at: string;
	/** Open circuit, V; negative where the leads are the other way. */
	readonly volts: number | null;
	/** Short circuit, A. */
	readonly amps: number | null;
	/** On a load at its maximum, W. */
	readonly watts: number | null;
	/** On any known load, as near to its maximum as that gets, V and A; absent where that was not measured. */
	readonly load?: LoadPoint | undefined;
	/** Of its own cells, degC, where it differs from the batch's or the reference module's; absent where it was not measured. */
	readonly cellTemperature?: number | undefined;
	/** Taken at another angle to the sun than the reference module: its irradiance is known by shadows alone. */
	readonly otherAngle?: true | undefined;
	/** Of a stick held square to the glass, mm; absent where nobody looked. */
	readonly shadow?: Shadow | undefined;
}

export interface BatchModule {
	readonly id: string;
	/** As chalked on it: "7". */
	readonly mark: string;
	/** Maker's name for it, as far as it can be read; empty where not. */
	readonly model: string;
	readonly label: BatchNameplate;
	/** Length and width, mm; null where nobody measured. */
	readonly size: { readonly length: number; readonly width: number } | null;
	/** Year of make; null where unknown. */
	readonly year: number | null;
	/** Make of its connectors; empty where nobody looked. */
	readonly connector: string;
	readonly looks: readonly Look[];
	readonly note: string;
	/** In the order in which they were taken. */
	readonly takes: readonly Take[];
}

/** The known good module that is measured in between. */
export interface Control {
	readonly model: string;
	readonly label: BatchNameplate;
	/** What it is known to give of its label, share; 1 for a new one. */
	readonly share: number;
	readonly takes: readonly Take[];
	/** Somebody made sure that it lies in one plane with each module; absent where nobody said. */
	readonly samePlane?: true | undefined;
}

/** Light and heat as stated; null where unknown. */
interface BatchConditions {
	/** W/m2 */
	readonly irradiance: number | null;
	/** degC */
	readonly cellTemperature: number | null;
	/** Standard uncertainty of the light, relative. */
	readonly lightDoubt: number;
}

/** Shares of power at which a grade begins; anything below `weak` is out. */
export interface GradeLimits {
	readonly good: number;
	readonly fair: number;
	readonly weak: number;
}

/** Below 50 % out, 70 to 85 % fair: common practice, no source. */
export const USUAL_LIMITS: GradeLimits = { good: 0.85, fair: 0.7, weak: 0.5 };

export interface GradeProfile {
	/** By the band about what a module of its age should give, or by fixed limits. */
	readonly by: 'band' | 'limits';
	readonly limits: GradeLimits;
}

/** A heap of modules that are tested one after the other. */
export interface ModuleBatch {
	readonly name: string;
	readonly control: Control | null;
	readonly sky: BatchConditions;
	readonly profile: GradeProfile;
	readonly modules: readonly BatchModule[];
}

export const EMPTY_BATCH: ModuleBatch = {
	name: '',
	control: null,
	sky: { irradiance: null, cellTemperature: null, lightDoubt: 0.05 },
	profile: { by: 'band', limits: USUAL_LIMITS },
	modules: []
};
