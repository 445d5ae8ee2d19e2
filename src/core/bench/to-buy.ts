import type { TestedModule } from './tested';

/** Modules that are missing for the wanted strings, and which kind completes them. */
export interface ModulesToBuy {
	readonly count: number;
	/** The kind that most of the modules are of; null where there is none to match. */
	readonly like: {
		readonly model: string;
		/** Ratings at STC that a bought module has to have: at least this current, this voltage within 5 %. */
		readonly imp: number;
		readonly vmp: number;
		readonly pmax: number;
		/** So many of that kind are here. */
		readonly here: number;
	} | null;
}

/** Relative difference in voltage and current within which two modules are of one kind; Zembo default. */
const ONE_KIND = 0.05;

/**
 * How many modules have to be bought so that strings of equal length can be made, and of which kind: in series
 * the current decides, in parallel the voltage, so both follow those that are here.
 *
 * @param wanted modules of all strings together
 */
export function modulesToBuy(taken: readonly TestedModule[], wanted: number): ModulesToBuy {
	const count = Math.max(0, wanted - taken.length);
	const alike = (a: TestedModule, b: TestedModule) =>
		Math.abs(a.plate.imp / b.plate.imp - 1) <= ONE_KIND &&
		Math.abs(a.plate.vmp / b.plate.vmp - 1) <= ONE_KIND;
	const groups = taken.map((one) => taken.filter((other) => alike(one, other)));
	const [most] = groups.toSorted((a, b) => b.length - a.length);
	if (!most || most.length === 0) return { count, like: null };
	const mean = (of: (one: TestedModule) => number) =>
		most.reduce((sum, one) => sum + of(one), 0) / most.length;
	return {
		count,
		like: {
			model: most.find(({ model }) => model !== '')?.model ?? '',
			imp: Math.max(...most.map(({ plate: nameplate }) => nameplate.imp)),
			vmp: mean(({ plate: nameplate }) => nameplate.vmp),
			pmax: mean(({ plate: nameplate }) => nameplate.pmax),
			here: most.length
		}
	};
}

/** The same in a sentence. */
export function wordsToBuy({ count, like }: ModulesToBuy): string {
	if (like === null) return `${count} modules of one kind.`;
	const kind = like.model === '' ? '' : ` like ${like.model}`;
	return `${count} ${count === 1 ? 'module' : 'modules'}${kind}, with Imp of at least ${like.imp.toFixed(1)} A and Vmp of ${like.vmp.toFixed(1)} V ± 5 % (${like.here} here are of that kind).`;
}
