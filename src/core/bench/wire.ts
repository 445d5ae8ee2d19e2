import { cableResistance } from '../circuit';
import { squareOverMean, type YearOfSun } from './power-distribution';

/** A run of cable between modules and what they feed. */
export interface WireAsk {
	/** One way, m. */
	readonly length: number;
	/** mm2 */
	readonly size: number;
	/** Conductor temperature, degC. */
	readonly temperature: number;
	/** Plain copper, or flexible tinned copper as PV cable has it. */
	readonly conductor: 'copper' | 'pvCable';
	/** At full power, A and V. */
	readonly amps: number;
	readonly volts: number;
	/** How the power of its year is spread. */
	readonly year: YearOfSun;
	/** Price of a kWh; null: not asked. */
	readonly price: number | null;
}

export interface WireAnswer {
	/** Both conductors, ohm. */
	readonly resistance: number;
	/** At full power, V and share of the volts. */
	readonly drop: number;
	readonly share: number;
	/** Heat at full power, W. */
	readonly power: number;
	readonly kWhAYear: number;
	readonly costAYear: number | null;
	/** What is usual. */
	readonly usual: boolean;
	/** The next sizes with what they would lose, mm2 and kWh a year. */
	readonly sizes: readonly {
		readonly size: number;
		readonly share: number;
		readonly kWh: number;
	}[];
}

/** Sizes that cable is made in, mm2. */
const SIZES = [1.5, 2.5, 4, 6, 10, 16, 25, 35, 50, 70, 95, 120, 150, 185, 240];
/** A drop of one to two percent of the DC volts is usual: common practice, no source. */
const USUAL_DROP = 0.02;
/** Drop in volts, percent and kWh a year of a run of copper. */
export function answerWire(ask: WireAsk): WireAnswer {
	// Heat goes with the square of the current, and most hours are below full sun.
	const hours = ask.year.sunHours * squareOverMean(ask.year);
	const of = (size: number) => {
		const resistance = cableResistance({ ...ask, size });
		const drop = resistance * ask.amps;
		const power = resistance * ask.amps ** 2;
		const kWh = (power * hours) / 1000;
		return {
			size,
			ohms: resistance,
			drop,
			share: ask.volts > 0 ? drop / ask.volts : 0,
			watts: power,
			kWh
		};
	};
	const own = of(ask.size);
	return {
		resistance: own.ohms,
		drop: own.drop,
		share: own.share,
		power: own.watts,
		kWhAYear: own.kWh,
		costAYear: ask.price === null ? null : own.kWh * ask.price,
		usual: own.share <= USUAL_DROP,
		sizes: SIZES.filter((size) => size > ask.size / 2.2 && size < ask.size * 4).map((size) =>
			of(size)
		)
	};
}
