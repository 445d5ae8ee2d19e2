/** Where an irradiance may come from. */
export const IRRADIANCE_SOURCES = [
	'sensor-in-plane',
	'control-module',
	'siblings',
	'clear-sky',
	'other'
] as const;
export type IrradianceSource = (typeof IRRADIANCE_SOURCES)[number];

/** Where a cell temperature may come from. */
export const TEMPERATURE_SOURCES = [
	'probe-on-back',
	'control-voc',
	'siblings',
	'from-air',
	'other'
] as const;
export type TemperatureSource = (typeof TEMPERATURE_SOURCES)[number];

/** Light and heat at one moment, shared by every string of the plane. */
export interface Conditions {
	readonly irradiance: {
		/** Plane-of-array, W/m2. */
		readonly value: number;
		/** Standard uncertainty relative to the value, 1. */
		readonly relativeStandardUncertainty: number;
		readonly source: IrradianceSource;
	};
	readonly cellTemperature: {
		/** degC */
		readonly value: number;
		/** K */
		readonly standardUncertainty: number;
		readonly source: TemperatureSource;
	};
}

interface SourceFacts {
	readonly words: string;
	/** One word for a narrow place. */
	readonly short: string;
	/** Relative for irradiance, K for temperature. */
	readonly standardUncertainty: number;
}

/** Usual standard uncertainties; judgement, and the user may type another. */
export const IRRADIANCE_SOURCE_FACTS: Readonly<Record<IrradianceSource, SourceFacts>> = {
	'sensor-in-plane': { words: 'Sensor in the plane', short: 'sensor', standardUncertainty: 0.03 },
	'control-module': {
		words: 'Known good module beside it',
		short: 'control',
		standardUncertainty: 0.025
	},
	siblings: {
		words: 'The strings themselves',
		short: 'strings',
		standardUncertainty: 0.025
	},
	'clear-sky': { words: 'Clear-sky estimate', short: 'clear sky', standardUncertainty: 0.12 },
	other: { words: 'Other', short: 'other', standardUncertainty: 0.05 }
};

export const TEMPERATURE_SOURCE_FACTS: Readonly<Record<TemperatureSource, SourceFacts>> = {
	'probe-on-back': { words: 'Probe on a module’s back', short: 'probe', standardUncertainty: 2 },
	'control-voc': {
		words: 'From a reference module’s voltage',
		short: 'control',
		standardUncertainty: 1.5
	},
	siblings: { words: 'The strings themselves', short: 'strings', standardUncertainty: 2 },
	'from-air': { words: 'Worked out from the air', short: 'from air', standardUncertainty: 5 },
	other: { words: 'Other', short: 'other', standardUncertainty: 3 }
};

/** Limits beyond which a figure is a slip of the finger rather than weather. */
export const CONDITION_LIMITS = {
	irradiance: [1, 1600],
	cellTemperature: [-45, 110]
} as const;

/** Below this light currents are not judged well, W/m2; common practice. */
export const DIM_IRRADIANCE = 400;
/** Change of light within a series from which its currents are taken again, relative; common practice. */
export const STEADY_SERIES = 0.05;
