import { operate } from '../../circuit';
import { powerAlone } from '../tested';
import { TRACKER } from './answer';
import { build, type ConfigurationParts } from './elements';
import { branchesOf, joined, type ArrayConfiguration, type ConfigurationModule } from './tree';

/** One way to add a module to a mix. */
interface Addition {
	readonly mix: ArrayConfiguration;
	readonly words: string;
	/** With it, W. */
	readonly power: number;
	/** More than before, W; less than 0 where it takes. */
	readonly gain: number;
}

export interface AdditionAnswer {
	readonly before: number;
	/** Best first. */
	readonly ways: readonly Addition[];
	/** The module by itself, W. */
	readonly alone: number;
	/** Whether the best way is worth the work. */
	readonly worthIt: boolean;
	readonly words: string;
}

/** Below this share of what it gives alone a module is better left on the ground; judgement. */
const WORTH = 0.35;

/**
 * "Add this module to that array": in series with each string, and as a string of its own, by the
 * curves; best first.
 *
 * @param of id of the module
 * @param placeId id of its place
 */
export function waysToAdd(
	mix: ArrayConfiguration,
	of: string,
	parts: ConfigurationParts,
	placeId = 'added'
): AdditionAnswer {
	const power = (one: ArrayConfiguration) => operate(build(one, parts).element, TRACKER).power;
	const before = power(mix);
	const added: ConfigurationModule = { kind: 'module', id: placeId, of, irradiance: 1 };
	const branches = branchesOf(mix);
	const ways = [
		...branches.map((branch, b) => ({
			mix: joined(mix, branch.id, 'series', added, `${placeId}-series`),
			words: branches.length === 1 ? 'in series with the others' : `in series with string ${b + 1}`
		})),
		{
			mix: joined(mix, mix.id, 'parallel', added, `${placeId}-parallel`),
			words: branches.length === 1 ? 'in parallel with the others' : 'as a string of its own'
		}
	]
		.map((way): Addition => {
			const now = power(way.mix);
			return { ...way, power: now, gain: now - before };
		})
		.sort((a, b) => b.power - a.power);
	const alone = powerAlone(parts.moduleOf(of), parts.sky);
	const [best] = ways;
	const worthIt = best!.gain >= WORTH * alone;
	const worst = ways.at(-1)!;
	const takes =
		worst.gain < 0 ? ` The worst way, ${worst.words}, takes ${(-worst.gain).toFixed(0)} W.` : '';
	return {
		before,
		ways,
		alone,
		worthIt,
		words: worthIt
			? `Best ${best!.words}: ${best!.gain.toFixed(0)} W more, of ${alone.toFixed(0)} W that it gives alone.${takes}`
			: `Leave it on the ground: the best way, ${best!.words}, brings ${best!.gain.toFixed(0)} W of the ${alone.toFixed(0)} W that it gives alone.${takes} Beside its own controller it gives all of them.`
	};
}
