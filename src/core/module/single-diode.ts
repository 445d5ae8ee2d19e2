/**
 * The single-diode equation and its solutions.
 *
 *     I = IL - I0 (exp((V + I Rs)/a) - 1) - (V + I Rs)/Rsh
 *
 * De Soto, Klein, Beckman, Improvement and validation of a model for photovoltaic array
 * performance, Solar Energy 80 (2006), equation 1.
 *
 * All solvers work on the junction voltage Vd = V + I Rs. In Vd the equation is decreasing and
 * concave, so Newton started where the residual is negative walks down to the root without ever
 * passing it: the start is the bracket, and every solve ends on its own test of convergence.
 */
export interface SingleDiode {
	/** IL, A. */
	readonly photocurrent: number;
	/** I0, A. */
	readonly saturationCurrent: number;
	/** Rs, ohm. */
	readonly seriesResistance: number;
	/** Rsh, ohm; Infinity where nothing leaks. */
	readonly shuntResistance: number;
	/** a = n Ns k T/q, V. */
	readonly modifiedIdeality: number;
}

export interface OperatingPoint {
	/** V */
	readonly volts: number;
	/** A */
	readonly amps: number;
}

/** Steps after which a solve is given up; convergence takes 2 to 8, so this is a fuse, not a plan. */
const STEPS_AT_MOST = 200;
/**
 * A step below this share of |Vd| + a is the last. Newton leaves an error of at most step^2/(2a), so
 * with Vd at 30 to 40 a what is left lies below 1e-13 of Vd.
 */
const LAST_STEP = 1e-8;

/** The diode carries nearly all where the shunt would take less than this share at the most. */
const MOSTLY_DIODE = 0.8;

/**
 * Newton from above on a decreasing concave residual
 * `drive - I0 expm1(Vd/a) - Vd g`, whose root is the junction voltage.
 */
function junctionVoltage(
	drive: number,
	conductance: number,
	saturationCurrent: number,
	a: number,
	start: number
): number {
	let vd = start;
	for (let step = 0; step < STEPS_AT_MOST; step++) {
		const exponential = saturationCurrent * Math.exp(vd / a);
		const residual = drive - exponential + saturationCurrent - vd * conductance;
		const move = residual / (exponential / a + conductance);
		vd += move;
		if (Math.abs(move) <= LAST_STEP * (Math.abs(vd) + a)) break;
	}
	return vd;
}

/**
 * The same root where the diode carries nearly all of the drive: there its logarithm
 * `Vd - a ln((drive + I0 - Vd g)/I0)` is almost a straight line, and being convex it is walked down
 * from above in two or three steps.
 */
function junctionVoltageOfDiode(
	drive: number,
	conductance: number,
	saturationCurrent: number,
	a: number,
	start: number
): number {
	let vd = start;
	for (let step = 0; step < STEPS_AT_MOST; step++) {
		const carried = drive + saturationCurrent - vd * conductance;
		const miss = vd - a * Math.log(carried / saturationCurrent);
		const move = miss / (1 + (a * conductance) / carried);
		vd -= move;
		if (Math.abs(move) <= LAST_STEP * (Math.abs(vd) + a)) break;
	}
	return vd;
}

/**
 * Current at a terminal voltage.
 *
 * @param diode parameters at the present light and temperature
 * @param voltage terminal voltage in V, of either sign
 * @returns A; negative where the voltage drives current backwards
 */
export function currentAt(diode: SingleDiode, voltage: number): number {
	const { photocurrent: il, saturationCurrent: i0, modifiedIdeality: a } = diode;
	const rs = diode.seriesResistance;
	const gsh = 1 / diode.shuntResistance;
	if (rs === 0) return il - i0 * Math.expm1(voltage / a) - voltage * gsh;
	const gs = 1 / rs;
	// Two upper bounds of Vd: the drop of all the photocurrent in Rs, and the junction that alone
	// would carry everything that light and terminals can push into it.
	const byResistance = voltage + rs * (il + i0 + (voltage < 0 ? -voltage * gsh : 0));
	let byJunction = a * Math.log1p(il / i0);
	if (voltage > byJunction) byJunction = a * Math.log1p((il + voltage * gs) / i0);
	const start = byResistance < byJunction ? byResistance : byJunction;
	const vd = junctionVoltage(il + voltage * gs, gsh + gs, i0, a, start);
	return (vd - voltage) * gs;
}

/**
 * Terminal voltage at a current.
 *
 * @param current current out of the positive terminal in A, of either sign
 * @returns V; steeply negative above the photocurrent, where only the shunt carries the rest
 */
export function voltageAt(diode: SingleDiode, current: number): number {
	const { photocurrent: il, saturationCurrent: i0, modifiedIdeality: a } = diode;
	const gsh = 1 / diode.shuntResistance;
	const surplus = il - current;
	if (gsh === 0 && surplus <= -i0) return Number.NEGATIVE_INFINITY;
	const drop = current * diode.seriesResistance;
	if (surplus <= 0) return junctionVoltage(surplus, gsh, i0, a, 0) - drop;
	const byDiode = a * Math.log1p(surplus / i0);
	const leaked = byDiode * gsh;
	return leaked < MOSTLY_DIODE * surplus
		? junctionVoltageOfDiode(surplus, gsh, i0, a, byDiode) - drop
		: junctionVoltage(surplus, gsh, i0, a, Math.min(byDiode, surplus / gsh)) - drop;
}

/** Open-circuit voltage, V. */
export function openCircuitVoltage(diode: SingleDiode): number {
	return voltageAt(diode, 0);
}

/** Short-circuit current, A. */
export function shortCircuitCurrent(diode: SingleDiode): number {
	return currentAt(diode, 0);
}

/**
 * Maximum-power point, to 1e-9 relative.
 *
 * Both terminal quantities are explicit in the junction voltage, so dP/dVd = 0 is one equation in
 * one unknown; it falls from positive at short circuit to negative at open circuit, and Newton is
 * kept inside that bracket by bisection.
 */
export function maximumPowerPoint(diode: SingleDiode): OperatingPoint {
	const { photocurrent: il, saturationCurrent: i0, modifiedIdeality: a } = diode;
	const rs = diode.seriesResistance;
	const gsh = 1 / diode.shuntResistance;
	if (!(il > 0)) return { volts: 0, amps: 0 };
	let low = 0;
	let high = openCircuitVoltage(diode);
	let vd = high - a;
	for (let step = 0; step < STEPS_AT_MOST; step++) {
		if (!(vd > low && vd < high)) vd = (low + high) / 2;
		const exponential = i0 * Math.exp(vd / a);
		const current = il - exponential + i0 - vd * gsh;
		const slope = -(exponential / a + gsh);
		const curvature = -exponential / (a * a);
		const arm = vd - 2 * current * rs;
		const dPower = slope * arm + current;
		if (dPower > 0) low = vd;
		else high = vd;
		const move = -dPower / (curvature * arm + slope * (2 - 2 * slope * rs));
		const next = vd + move;
		const clipped = next > low && next < high ? next : (low + high) / 2;
		const done = Math.abs(clipped - vd) <= 1e-13 * high;
		vd = clipped;
		if (done) break;
	}
	const current = il - i0 * Math.expm1(vd / a) - vd * gsh;
	return { volts: vd - current * rs, amps: current };
}

/**
 * A module like this one with its current and its volts scaled.
 *
 * @param current factor on the current at every voltage, above 0
 * @param voltage factor on the voltage at every current, above 0
 */
export function scaledModule(module: SingleDiode, current: number, voltage: number): SingleDiode {
	return {
		photocurrent: module.photocurrent * current,
		saturationCurrent: module.saturationCurrent * current,
		seriesResistance: (module.seriesResistance * voltage) / current,
		shuntResistance: (module.shuntResistance * voltage) / current,
		modifiedIdeality: module.modifiedIdeality * voltage
	};
}
