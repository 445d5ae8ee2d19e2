import { fuseVerdict, type FuseVerdict, GPV_MULTIPLES, operate } from '../../circuit';
import { STC_IRRADIANCE } from '../../units';
import { TRACKER } from './answer';
import { branchCurrent, build, type ConfigurationParts } from './elements';
import { branchesOf, modulesOf, withPart, type ArrayConfiguration } from './tree';

/** What happens if one string of a mix is shorted at its leads. */
export interface ShortedBranch {
	/** From 1. */
	readonly branch: number;
	/** What the others push into it at the present light, A. */
	readonly current: number;
	/** What its fuse does at that; null without a rating. */
	readonly fuse: FuseVerdict | null;
	/** Light from which the fuse surely opens, W/m2; null where it never does in full sun. */
	readonly opensFrom: number | null;
	/** The least that its modules bear where that is less and no fuse is in, A; null where nothing says so. */
	readonly unprotected: number | null;
}

/** Hours of full sun that a day counts for here; Zembo default. */
export const FULL_SUN_HOURS = 5;

/** What a blocking diode does here. */
export interface BlockingEffect {
	/** With one in every string and without, W. */
	readonly withDiode: number;
	readonly without: number;
	/** Lost by them on a day of {@link FULL_SUN_HOURS}, kWh; less than 0 where they gain. */
	readonly lossADay: number;
	/** What a dark string takes from the others without one, A: at their maximum, and with nothing drawn. */
	readonly darkMeasurements: number;
	readonly darkMeasurementsIdle: number;
}

/**
 * Each string of a mix shorted in turn: what the others feed into the short, and whether the fuse of
 * that string opens. A module is no blocking diode, and a fuse opens only well above its rating.
 *
 * @param rating of the string fuses, A; null: none
 */
export function shortedBranches(
	mix: ArrayConfiguration,
	parts: ConfigurationParts,
	rating: number | null
): ShortedBranch[] {
	const branches = branchesOf(mix);
	if (branches.length < 2) return [];
	const shorts = branches.map((branch) => build(branch, parts).element.currentAt(0));
	const all = shorts.reduce((sum, current) => sum + current, 0);
	return branches.map((branch, b): ShortedBranch => {
		const current = all - shorts[b]!;
		const atFull = (current * STC_IRRADIANCE) / parts.sky.irradiance;
		const bears = modulesOf(branch).flatMap(({ of }) => parts.moduleOf(of).seriesFuse ?? []);
		return {
			branch: b + 1,
			current,
			fuse: rating === null ? null : fuseVerdict(current, rating),
			opensFrom:
				rating === null || GPV_MULTIPLES.opens * rating > atFull
					? null
					: (STC_IRRADIANCE * GPV_MULTIPLES.opens * rating) / atFull,
			unprotected:
				rating === null && bears.length > 0 && current > Math.min(...bears)
					? Math.min(...bears)
					: null
		};
	});
}

/** What a short in one module does to its mix. */
export interface ShortedModule {
	/** What is left, W. */
	readonly power: number;
	/** What the others push into its string while nothing is drawn, A. */
	readonly fed: number;
	/** What the string's fuse does at that; null without a rating. */
	readonly fuse: FuseVerdict | null;
}

/** One module bridged: its string loses its volts, and what is in parallel feeds it. */
export function shortedModule(
	mix: ArrayConfiguration,
	parts: ConfigurationParts,
	place: string,
	rating: number | null
): ShortedModule {
	const { element } = build(mix, { ...parts, bridged: place });
	const { power } = operate(element, TRACKER);
	const branch = branchesOf(mix).findIndex((one) => modulesOf(one).some(({ id }) => id === place));
	const fed = Math.max(0, -(branchCurrent(element, element.openVoltage)[branch] ?? 0));
	return { power, fed, fuse: rating === null ? null : fuseVerdict(fed, rating) };
}

/** What a blocking diode in every string costs, and what it keeps from flowing back. */
export function blockingEffect(mix: ArrayConfiguration, parts: ConfigurationParts): BlockingEffect {
	const power = (blocking: boolean) =>
		operate(build(mix, { ...parts, blocking }).element, TRACKER).power;
	const bare = build(mix, { ...parts, blocking: false });
	const { volts: voltage } = operate(bare.element, TRACKER);
	const taken = branchesOf(mix).map((branch, b) => {
		const shaded = modulesOf(branch).reduce<ArrayConfiguration>(
			(changed, { id }) =>
				withPart(changed, id, (part) =>
					part.kind === 'module' ? { ...part, irradiance: 0 } : part
				) ?? changed,
			mix
		);
		const { element } = build(shaded, { ...parts, blocking: false });
		const at = (where: number) => -(branchCurrent(element, where)[b] ?? 0);
		return { running: at(voltage), idle: at(element.openVoltage) };
	});
	const several = branchesOf(mix).length > 1;
	const most = (of: 'running' | 'idle') =>
		several ? Math.max(0, ...taken.map((one) => one[of])) : 0;
	const [withDiode, without] = [power(true), power(false)];
	return {
		withDiode,
		without,
		lossADay: ((without - withDiode) * FULL_SUN_HOURS) / 1000,
		darkMeasurements: most('running'),
		darkMeasurementsIdle: most('idle')
	};
}
