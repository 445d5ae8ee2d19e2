import { HOUR, type Unit, type MonitoredYear } from '../series/year';

/** What one unit made. */
export interface UnitEnergy {
	readonly unit: string;
	/** kWh in all. */
	readonly energy: number;
	/** kWh per kW of its label; null where that is not known. */
	readonly specific: number | null;
	/** Highest share of label power that lasted one step. */
	readonly bestShare: number | null;
	/** kWh by day; NaN where nothing was said. */
	readonly byDay: Float64Array;
	/** Share of the time between the day's first and last light of all units for which it said anything. */
	readonly complete: number;
}

/** Energy of each unit, and of each day. */
export function energyOf(
	{ times, days, units }: Pick<MonitoredYear, 'times' | 'days' | 'units'>,
	lit: Uint8Array
): UnitEnergy[] {
	const hours = times.step / HOUR;
	return units.map((unit) => {
		const byDay = new Float64Array(days.length).fill(Number.NaN);
		let best = 0;
		let said = 0;
		let asked = 0;
		days.forEach(({ from, to }, d) => {
			let sum = 0;
			let some = false;
			for (let t = from; t < to; t++) {
				const power = unit.power[t]!;
				asked += lit[t]!;
				if (Number.isNaN(power)) continue;
				some = true;
				said += lit[t]!;
				sum += power * hours;
				if (power > best) best = power;
			}
			if (some) byDay[d] = sum / 1000;
		});
		const energy = byDay.reduce((all, kWh) => all + (Number.isNaN(kWh) ? 0 : kWh), 0);
		const perLabel = (value: number) => (unit.labelWatts > 0 ? value / unit.labelWatts : null);
		return {
			unit: unit.key,
			energy,
			specific: perLabel(energy * 1000),
			bestShare: perLabel(best),
			byDay,
			complete: asked === 0 ? 1 : said / asked
		};
	});
}

/** Samples at which at least one unit made more than a trace of its label. */
export function litTimes(units: readonly Unit[], count: number): Uint8Array {
	const lit = new Uint8Array(count);
	for (const { power, labelWatts: ratedPower } of units) {
		const least = Math.max(0.01 * ratedPower, 1);
		for (let t = 0; t < count; t++) if (power[t]! >= least) lit[t] = 1;
	}
	return lit;
}

/** Levels of a record, of which each holds the whole: the array, its inverters, its strings, its modules. */
const LEVELS = ['array', 'inverter', 'string', 'module'] as const;
/** A unit that nobody matched and that makes what all others make together is their total. */
const SAME = 0.03;

/**
 * Keys of the units whose energies add up to what the array generated: a total is not counted beside its parts.
 *
 * @param energy of all units of an export
 */
export function countedOnce(
	energy: readonly Pick<UnitEnergy, 'unit' | 'energy'>[]
): ReadonlySet<string> {
	const levelOf = ({ unit }: { readonly unit: string }) =>
		LEVELS.find((level) => unit === level || unit.startsWith(`${level}:`)) ?? null;
	const sum = (some: readonly Pick<UnitEnergy, 'energy'>[]) =>
		some.reduce((all, one) => all + one.energy, 0);
	const levels = LEVELS.map((level) => energy.filter((one) => levelOf(one) === level));
	const [fullest = []] = [...levels].sort((a, b) => sum(b) - sum(a) || b.length - a.length);
	const unmatched = energy.filter((one) => levelOf(one) === null);
	const counted = [...fullest, ...unmatched];
	const isTotal = (one: Pick<UnitEnergy, 'unit' | 'energy'>) => {
		const others = sum(counted.filter((other) => other !== one));
		return counted.length > 2 && Math.abs(one.energy - others) <= SAME * others;
	};
	return new Set(
		counted.filter((one) => !(unmatched.includes(one) && isTotal(one))).map(({ unit }) => unit)
	);
}
