import { type PartPoint, placeKey, POLES, type Reading } from '../visit';
import { type ArrayRecord, partsOf } from '../record';
import type { Predicted } from './evidence';
import { CLOSED_RESISTANCE, OPEN_RESISTANCE } from './part-figures';
import { densityOf } from './located';
import type { ScopeLink, ScopeProbe } from './scope';

/** A point of a chain that energy passes, with the link that, broken, darkens it and all after it. */
interface ChainPoint extends Omit<ScopeProbe, 'predicted'> {
	readonly link: string;
	readonly fed: Predicted;
}

/** The points of a chain, in the order of the energy: dark from the broken link on. */
function probesOf(chain: readonly ChainPoint[]): ScopeProbe[] {
	return chain.map(({ link: _, fed, ...point }, index) => ({
		...point,
		predicted: (broken) => {
			const from = broken === null ? -1 : chain.findIndex(({ link }) => link === broken);
			return from >= 0 && index >= from
				? { value: 0, sigma: Math.max(0.02 * fed.scale, 0.1), scale: fed.scale }
				: fed;
		}
	}));
}

/**
 * Weighs the links of what strings share by what was read at its points.
 *
 * @param links names and shares before anything is read
 * @returns shares after it, and the density of the readings over that of sound links
 */
export function weighLinks(
	probes: readonly ScopeProbe[],
	links: readonly ScopeLink[],
	standing: ReadonlyMap<string, Reading>
): { readonly links: readonly ScopeLink[]; readonly own: number } {
	const read = probes.flatMap((probe) => {
		const reading = standing.get(keyOfProbe(probe));
		return reading ? [{ reading, probe }] : [];
	});
	const density = (broken: string | null) =>
		read.reduce(
			(product, { reading, probe }) => product * densityOf(reading, probe.predicted(broken)),
			1
		);
	const sound = density(null);
	const weights = links.map(({ link, share }) => share * density(link));
	const total = weights.reduce((sum, weight) => sum + weight, 0);
	return {
		own: total / sound,
		links: links.map(({ link }, i) => ({ link, share: total > 0 ? weights[i]! / total : 0 }))
	};
}

/** Key of the reading that a probe asks for. */
export function keyOfProbe({ part, point, quantity }: ScopeProbe): string {
	return placeKey({ kind: 'part', part, point }, quantity);
}

/** Both poles of a switch that is closed, by ohms. */
export function poleProbes(part: string): readonly ScopeProbe[] {
	return POLES.map((pole) => ({
		part,
		point: pole,
		quantity: 'pole-resistance',
		predicted: (broken) => (broken === pole ? OPEN_RESISTANCE : CLOSED_RESISTANCE)
	}));
}

const voltage = (value: number, share: number, scale: number): Predicted => ({
	value,
	sigma: share * value,
	scale
});
/** Line to neutral or line to line, anywhere: 120 to 480 V. */
const AC_FED = voltage(240, 0.35, 600);
const LAMP_ON: Predicted = { value: 1, sigma: 0.15, scale: 1 };

/** The transmitter's supply, from its breaker to the signal on the strings. */
export function supplyProbes({ parts }: Pick<ArrayRecord, 'parts'>): readonly ScopeProbe[] {
	const chain = partsOf(parts, 'transmitter').flatMap(({ id: part, specs }): ChainPoint[] => [
		{ part, point: 'supply-breaker', quantity: 'ac-voltage', link: 'supply-breaker', fed: AC_FED },
		{
			part,
			point: 'supply-disconnect',
			quantity: 'ac-voltage',
			link: 'supply-disconnect',
			fed: AC_FED
		},
		{
			part,
			point: 'low-voltage',
			quantity: 'dc-voltage',
			link: 'low-voltage',
			fed: voltage(specs.supplyVolts ?? 18, specs.supplyVolts === null ? 0.4 : 0.15, 60)
		},
		{ part, point: 'lamp', quantity: 'lamp', link: 'lamp', fed: LAMP_ON },
		{ part, point: 'signal', quantity: 'lamp', link: 'signal', fed: LAMP_ON }
	]);
	return probesOf(chain);
}

/** From the grid to the inverter. */
export function acProbes({ parts }: Pick<ArrayRecord, 'parts'>): readonly ScopeProbe[] {
	const point = (part: string, at: PartPoint, link: string): ChainPoint => ({
		part,
		point: at,
		quantity: 'ac-voltage',
		link,
		fed: AC_FED
	});
	return probesOf([
		...partsOf(parts, 'breaker').flatMap(({ id }) => [
			point(id, 'load', 'grid'),
			point(id, 'line', 'breaker')
		]),
		...partsOf(parts, 'ac-disconnect').flatMap(({ id }) => [
			point(id, 'load', 'ac-cable'),
			point(id, 'line', 'ac-disconnect')
		])
	]);
}
