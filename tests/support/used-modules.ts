import { nameplateOf, NO_LABEL, type TestedModule } from '$core/bench';
import { randomFrom } from '$core/numerics';

/** Used modules of three makes, each a little different. */
export function usedModules(count: number, seed: number): TestedModule[] {
	const random = randomFrom(seed);
	return Array.from({ length: count }, (_, i) => {
		const [vmp, imp] = random.pick([
			[29.6, 7.6],
			[30.8, 8.3],
			[36.6, 8.2]
		] as const);
		const kept = random.between(0.62, 1);
		const label = { ...NO_LABEL, vmp: vmp * random.between(0.97, 1.01), imp: imp * kept };
		return {
			id: `m${i}`,
			mark: String(i + 1),
			model: '',
			plate: nameplateOf({ ...label, technology: 'poly', cellsInSeries: 60 })!.nameplate,
			labelWatts: vmp * imp,
			seriesFuse: 15
		};
	});
}
