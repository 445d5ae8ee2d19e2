import {
	type BatchModule,
	type Control,
	EMPTY_BATCH,
	evaluateBatch,
	type Take,
	USUAL_LIMITS
} from '$core/bench';
import { quantile, type Random, randomFrom } from '$core/numerics';
import { aged, corroded, drawModule, shownBy, type DrawnModule } from './grading/drawn-modules';
import { wilson } from './tracing/score';

/*
 * Grading of used modules that the project's own model did not make (grading/drawn-modules.ts): how far the share is
 * from the truth, how often its range holds it, and how often a grade is wrong without a word.
 */

const MODULES = 300;
const PER_BATCH = 10;
/** Share of the light that comes evenly from the sky. */
const EVEN = 0.12;
const STICK = 200;

interface Case {
	readonly name: string;
	readonly samePlane?: boolean;
	/** Between the planes of reference and module, degrees. */
	readonly off?: number;
	readonly shadows?: boolean;
	readonly takes?: number;
	readonly read: 'voc-isc' | 'load' | 'power';
	readonly temperatures?: boolean;
	/** The module is so much cooler than the reference module, K. */
	readonly cooler?: number;
	readonly corroded?: boolean;
}
const CASES: readonly Case[] = [
	{ name: 'Voc and Isc, one plane', samePlane: true, read: 'voc-isc' },
	{ name: 'the same, not checked', read: 'voc-isc' },
	{ name: 'with a point on a load', samePlane: true, read: 'load' },
	{ name: 'the same, three times', samePlane: true, read: 'load', takes: 3 },
	{ name: 'corroded, Voc and Isc', samePlane: true, read: 'voc-isc', corroded: true },
	{ name: 'corroded, with a point on a load', samePlane: true, read: 'load', corroded: true },
	{
		name: 'power, 20 K cooler, stated',
		samePlane: true,
		read: 'power',
		temperatures: true,
		cooler: 20
	},
	{ name: '10° off, not checked', off: 10, read: 'load' },
	{ name: '10° off, by shadows', off: 10, shadows: true, read: 'load' }
];

const ANGLE = Math.PI / 180;
const instant = (minutes: number) =>
	new Date(Date.UTC(2026, 5, 1, 10) + minutes * 60_000).toISOString();

/** The moments, the angles and the meter of one batch. */
class Batch {
	readonly #full: number;
	readonly #incidence: number;
	readonly #drift: number;
	readonly #gain: { volts: number; amps: number };
	constructor(
		readonly random: Random,
		readonly of: Case
	) {
		this.#full = random.between(750, 1000);
		this.#incidence = random.between(20, 50);
		this.#drift = random.between(-0.04, 0.04);
		this.#gain = { volts: 1 + 0.004 * random.normal(), amps: 1 + 0.01 * random.normal() };
	}

	/** @param off degrees between the glass and that of the reference module */
	take(id: string, module: DrawnModule, minutes: number, off: number, cooler: number): Take {
		const { random, of } = this;
		const angle = this.#incidence + off;
		const relativeIrradiance = (at: number) => EVEN + (1 - EVEN) * Math.cos(at * ANGLE);
		const square = this.#full * (1 + (this.#drift * minutes) / 20) * (1 + 0.004 * random.normal());
		const irradiance = square * relativeIrradiance(angle);
		const cells =
			22 + 0.03 * square * relativeIrradiance(this.#incidence) - cooler + 1.5 * random.normal();
		const shown = shownBy(module, irradiance, cells);
		const voltage = (value: number) => value * this.#gain.volts * (1 + 0.001 * random.normal());
		const current = (value: number) => value * this.#gain.amps * (1 + 0.003 * random.normal());
		const loaded = shown.vmp * random.between(0.9, 1.02);
		return {
			id,
			at: instant(minutes),
			volts: of.read === 'power' ? null : voltage(shown.voc),
			amps: of.read === 'power' ? null : current(shown.isc),
			watts: of.read === 'power' ? voltage(shown.vmp) * current(shown.imp) : null,
			...(of.read === 'load' && {
				load: { volts: voltage(loaded), amps: current(shown.at(loaded)) }
			}),
			...(of.temperatures && { cellTemperature: cells + 1.5 * random.normal() }),
			...(of.shadows && {
				otherAngle: true as const,
				shadow: {
					height: STICK,
					length: STICK * Math.tan((angle + 1.5 * random.normal()) * ANGLE)
				}
			})
		};
	}
}

const GRADES = ['good', 'fair', 'weak', 'out'] as const;
const gradeOf = (share: number) =>
	share >= USUAL_LIMITS.good
		? 0
		: share >= USUAL_LIMITS.fair
			? 1
			: share >= USUAL_LIMITS.weak
				? 2
				: 3;

function score(of: Case, seed: number): string {
	const random = randomFrom(seed);
	const errors: number[] = [];
	let [held, atMostHeld, wrong, questioned, widths] = [0, 0, 0, 0, 0];
	for (let n = 0; n < MODULES; n += PER_BATCH) {
		const batch = new Batch(random, of);
		const reference = drawModule(random);
		const control: Control = {
			model: '',
			label: reference.label,
			share: shownBy(reference.module, 1000, 25).pmax / reference.label.pmax!,
			takes: [0, 10, 20, 30].map((minutes) => {
				const {
					load: _,
					otherAngle: __,
					...take
				} = batch.take(`c${n}-${minutes}`, reference.module, minutes, 0, 0);
				return take;
			}),
			...(of.samePlane && { samePlane: true as const })
		};
		const truths: number[] = [];
		const modules = Array.from({ length: PER_BATCH }, (_, i): BatchModule => {
			const { module: fresh, label } = drawModule(random);
			const old = aged(fresh, random);
			const module = of.corroded ? corroded(old, random.between(2, 5)) : old;
			truths.push(shownBy(module, 1000, 25).pmax / label.pmax!);
			// One plane is never quite one.
			const off = (of.off ?? 0) + (of.samePlane ? 0.7 : of.off ? 1 : 4) * random.normal();
			return {
				id: `${n + i}`,
				mark: `${n + i}`,
				model: '',
				label,
				size: null,
				year: 2014,
				connector: '',
				looks: [],
				note: '',
				takes: Array.from({ length: of.takes ?? 1 }, (_, take) =>
					batch.take(`${n + i}-${take}`, module, 1 + 2.5 * i + 9 * take, off, of.cooler ?? 0)
				)
			};
		});
		const results = evaluateBatch(
			{ ...EMPTY_BATCH, control, modules, profile: { by: 'limits', limits: USUAL_LIMITS } },
			2026
		);
		for (const [i, { share, uncertainty, graded }] of results.entries()) {
			if (share === null || graded.grade === 'unknown') {
				questioned++;
				continue;
			}
			const truth = truths[i]!;
			errors.push(share / truth - 1);
			widths += (2 * uncertainty) / truth;
			if (Math.abs(share - truth) <= 2 * uncertainty) held++;
			if (truth <= share + 2 * uncertainty) atMostHeld++;
			const [said, is] = [GRADES.indexOf(graded.grade), gradeOf(truth)];
			if (!graded.near && (graded.atMost ? is < said : is !== said)) wrong++;
		}
	}
	const sorted = errors.map(Math.abs).sort((a, b) => a - b);
	const percent = (share: number) => `${(100 * share).toFixed(1)} %`;
	const among = (hits: number) => {
		const [low, high] = wilson(hits, errors.length);
		return `${((100 * hits) / errors.length).toFixed(0)} % (${(100 * low).toFixed(0)} to ${(100 * high).toFixed(0)})`;
	};
	return [
		of.name.padEnd(34),
		percent(quantile(errors, 0.5)).padStart(8),
		percent(quantile(sorted, 0.9)).padStart(8),
		`±${percent(widths / errors.length)}`.padStart(9),
		among(held).padStart(18),
		among(atMostHeld).padStart(18),
		among(wrong).padStart(16),
		String(questioned).padStart(6)
	].join(' ');
}

console.log(`\nGrading of ${MODULES} used modules a case, by other physics; 95 % intervals`);
console.log(
	'case                                 middle   90 % of     range   holds the truth    truth at most   wrong in silence  asked'
);
CASES.forEach((of, i) => console.log(score(of, 40 + i)));
