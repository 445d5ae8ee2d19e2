import type { Observer } from '../../conditions';
import type { Times } from './grid';

/** One unit of an export with its output over time. */
export interface Unit {
	readonly key: string;
	/** As marked on the drawing, or as the export calls it. */
	readonly label: string;
	/** W; 0 where no part of the record is matched */
	readonly labelWatts: number;
	/** AC rating of its device, W; null where not known */
	readonly ratedWatts: number | null;
	/** Units of the same key are alike; null where nothing says so. */
	readonly like: string | null;
	readonly plane: { readonly tilt: number; readonly azimuth: number } | null;
	/** Mean power, W; NaN where there is none. Shape: times.count, as the others. */
	readonly power: Float64Array;
	/** DC volts and amps; null where the export has none. */
	readonly volts: Float64Array | null;
	readonly amps: Float64Array | null;
}

/** A day at the site: its date and its samples from `from` up to `to`, which is left out. */
export interface Day {
	/** As in 2026-03-12 */
	readonly date: string;
	readonly from: number;
	readonly to: number;
}

/** Everything that an analysis looks at. */
export interface MonitoredYear {
	readonly times: Times;
	readonly days: readonly Day[];
	readonly units: readonly Unit[];
	/** W/m2 in the plane, as a sensor said; null where there is none. */
	readonly irradiance: Float64Array | null;
	/** degC */
	readonly cellTemperature: Float64Array | null;
	readonly airTemperature: Float64Array | null;
	/** Where the site is; null where nobody said. */
	readonly observer: Observer | null;
}

export const HOUR = 3_600_000;
