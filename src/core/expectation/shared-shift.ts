/**
 * Effective light and heat of a group of like strings, from their own readings.
 *
 * The strings of one plane share irradiance and temperature, so what they have in common is an
 * estimate of both, and differences between comparable strings are known far better than any absolute value.
 * Readings that do not go with the rest lose their weight (Student's t, 4 degrees of freedom, by
 * iterated reweighting: Lange, Little, Taylor, J. Am. Stat. Assoc. 84, 1989), and so does the stated
 * condition where the strings agree on another.
 */

/** A point in the plane of the two unknowns. */
export interface Shift {
	/** ln(effective light / stated light). */
	readonly irradiance: number;
	/** Effective heat less stated heat, K. */
	readonly cellTemperature: number;
}

/** One reading, expected value and uncertainty as functions of the shift. */
export interface SharedReading {
	readonly measured: number;
	/** Expected value, V or A. */
	at(shift: Shift): number;
	/** Standard uncertainty of this reading alone, V or A. */
	readonly ownSigma: number;
}

/** What the readings say of the shift: its best value, and the information about it. */
export interface SharedEstimate {
	readonly shift: Shift;
	/** Symmetric information matrix [ll, lh, hh]; its inverse is the covariance. */
	readonly information: readonly [number, number, number];
	readonly items: readonly WeighedReading[];
}

/** What is known of the shift before the readings: where it lies, and standard uncertainties about that. */
export interface ShiftPrior extends Shift {
	/** Middle of it; the stated conditions where it is left out. */
	readonly centre?: Shift;
}

interface WeighedReading {
	readonly reading: SharedReading;
	/** Derivatives of the expected value, per 1 and per K. */
	readonly slope: readonly [number, number];
	readonly expected: number;
	/** 0 to 1.25; below about 0.3 the reading does not go with the rest. */
	readonly weight: number;
}

const DEGREES_OF_FREEDOM = 4;
const ROUNDS = 40;
const STEP = { light: 1e-3, heat: 0.05 };

const studentWeight = (z: number) => (DEGREES_OF_FREEDOM + 1) / (DEGREES_OF_FREEDOM + z * z);
const studentCost = (z: number) =>
	((DEGREES_OF_FREEDOM + 1) / 2) * Math.log1p((z * z) / DEGREES_OF_FREEDOM);

/** The values of a reading and its slopes at a shift. */
function linearise(reading: SharedReading, shift: Shift): Omit<WeighedReading, 'weight'> {
	const { irradiance, cellTemperature } = shift;
	const along = (dl: number, dh: number) =>
		reading.at({ irradiance: irradiance + dl, cellTemperature: cellTemperature + dh });
	return {
		reading,
		expected: reading.at(shift),
		slope: [
			(along(STEP.light, 0) - along(-STEP.light, 0)) / (2 * STEP.light),
			(along(0, STEP.heat) - along(0, -STEP.heat)) / (2 * STEP.heat)
		]
	};
}

const CENTRE: Shift = { irradiance: 0, cellTemperature: 0 };

/** Distance of a shift from the middle of the prior, in standard uncertainties. */
function fromPrior(
	shift: Shift,
	{ irradiance, cellTemperature, centre = CENTRE }: ShiftPrior
): number {
	return Math.hypot(
		(shift.irradiance - centre.irradiance) / irradiance,
		(shift.cellTemperature - centre.cellTemperature) / cellTemperature
	);
}

function cost(readings: readonly SharedReading[], prior: ShiftPrior, shift: Shift): number {
	return readings.reduce(
		(sum, r) => sum + studentCost((r.measured - r.at(shift)) / r.ownSigma),
		studentCost(fromPrior(shift, prior))
	);
}

/** Weights, information and gradient at a shift. */
interface NormalEquations {
	readonly items: readonly WeighedReading[];
	readonly information: readonly [number, number, number];
	readonly gradient: readonly [number, number];
}

function normalEquations(
	readings: readonly SharedReading[],
	prior: ShiftPrior,
	shift: Shift
): NormalEquations {
	const { centre = CENTRE } = prior;
	const priorWeight = studentWeight(fromPrior(shift, prior));
	const items = readings.map((reading) => {
		const line = linearise(reading, shift);
		return {
			...line,
			weight: studentWeight((reading.measured - line.expected) / reading.ownSigma)
		};
	});
	let ll = priorWeight / prior.irradiance ** 2;
	let hh = priorWeight / prior.cellTemperature ** 2;
	let lh = 0;
	let gl = -ll * (shift.irradiance - centre.irradiance);
	let gh = -hh * (shift.cellTemperature - centre.cellTemperature);
	for (const { reading, slope, expected, weight } of items) {
		const w = weight / reading.ownSigma ** 2;
		const miss = reading.measured - expected;
		ll += w * slope[0] * slope[0];
		lh += w * slope[0] * slope[1];
		hh += w * slope[1] * slope[1];
		gl += w * slope[0] * miss;
		gh += w * slope[1] * miss;
	}
	return { items, information: [ll, lh, hh], gradient: [gl, gh] };
}

function climb(
	readings: readonly SharedReading[],
	prior: ShiftPrior,
	start: Shift
): SharedEstimate {
	let shift = start;
	for (let round = 0; round < ROUNDS; round++) {
		const { information, gradient } = normalEquations(readings, prior, shift);
		const [ll, lh, hh] = information;
		const [gl, gh] = gradient;
		const determinant = ll * hh - lh * lh;
		const move = {
			light: (hh * gl - lh * gh) / determinant,
			heat: (ll * gh - lh * gl) / determinant
		};
		// A step is held short: the curve bends, and a first guess may be far away.
		const hold = Math.min(1, 0.3 / Math.abs(move.light), 12 / Math.abs(move.heat));
		shift = clampShift({
			irradiance: shift.irradiance + hold * move.light,
			cellTemperature: shift.cellTemperature + hold * move.heat
		});
		if (Math.abs(move.light) < 2e-5 && Math.abs(move.heat) < 2e-3) break;
	}
	const { items, information } = normalEquations(readings, prior, shift);
	return { shift, information, items };
}

/** The shift is kept to what the model is made for. */
function clampShift(shift: Shift): Shift {
	return {
		irradiance: Math.min(Math.max(shift.irradiance, -2.5), 1),
		cellTemperature: Math.min(Math.max(shift.cellTemperature, -60), 60)
	};
}

/**
 * Every distinct answer the readings allow, best first; one where they agree.
 *
 * @param prior standard uncertainties of the stated light (relative) and heat (K)
 * @param starts where to begin
 */
export function estimateShared(
	readings: readonly SharedReading[],
	prior: ShiftPrior,
	starts: readonly [Shift, ...Shift[]]
): [SharedEstimate, ...SharedEstimate[]] {
	const found = starts
		.map((start) => climb(readings, prior, clampShift(start)))
		.map((estimate) => ({ estimate, cost: cost(readings, prior, estimate.shift) }))
		.sort((a, b) => a.cost - b.cost);
	const distinct = found.filter(
		({ estimate }, i) =>
			!found.slice(0, i).some(({ estimate: better }) => near(estimate.shift, better.shift, prior))
	);
	return distinct.map(({ estimate }) => estimate) as [SharedEstimate, ...SharedEstimate[]];
}

function near(a: Shift, b: Shift, prior: Shift): boolean {
	return (
		Math.abs(a.irradiance - b.irradiance) < 0.1 * prior.irradiance &&
		Math.abs(a.cellTemperature - b.cellTemperature) < 0.1 * prior.cellTemperature
	);
}

/**
 * Expected value of one reading and its variance from everything but itself: the reading's own part
 * is taken out of the information before it is predicted.
 *
 * @returns value in V or A, and the standard uncertainty that the shared unknowns leave
 */
export function predictReading(
	estimate: SharedEstimate,
	reading: SharedReading
): { readonly value: number; readonly sharedSigma: number } {
	let [ll, lh, hh] = estimate.information;
	const own = estimate.items.find((item) => item.reading === reading);
	const line = own ?? linearise(reading, estimate.shift);
	const [sl, sh] = line.slope;
	let gl = 0;
	let gh = 0;
	if (own) {
		const w = own.weight / reading.ownSigma ** 2;
		const miss = reading.measured - own.expected;
		ll -= w * sl * sl;
		lh -= w * sl * sh;
		hh -= w * sh * sh;
		gl = -w * sl * miss;
		gh = -w * sh * miss;
	}
	const determinant = ll * hh - lh * lh;
	const value = line.expected + (sl * (hh * gl - lh * gh) + sh * (ll * gh - lh * gl)) / determinant;
	const variance = (sl * sl * hh - 2 * sl * sh * lh + sh * sh * ll) / determinant;
	return { value, sharedSigma: Math.sqrt(variance) };
}
