import type { ModuleResult } from './evaluate';

/**
 * Why nothing is said of a tested module, and how to mend it; null where something is.
 */
export function unjudgedWords({
	module,
	plate,
	share,
	light
}: Pick<ModuleResult, 'module' | 'plate' | 'share' | 'light'>): string | null {
	if (share !== null) return null;
	if (module.takes.length === 0) return 'Nothing is read of it yet.';
	if (light === null) {
		return 'Nothing to judge its figures by: state light and cell temperature, or name a control module.';
	}
	return plate === null
		? 'No label to take shares of: type its label, or that of a module like it.'
		: 'Its figures tell no share of its label: volts and amps, or watts, are wanted.';
}

/** Why no module of a pile can be put anywhere, and how to mend it. */
export function noPoolWords(results: readonly ModuleResult[]): string {
	const read = results.filter(({ module }) => module.takes.length > 0);
	if (read.length === 0) return 'Nothing in this pile is measured yet. Test its modules first.';
	const words = read.map(unjudgedWords).find((one) => one !== null);
	return words === undefined
		? 'Every module of this pile makes next to nothing.'
		: `The modules are read, but not judged. ${words}`;
}
