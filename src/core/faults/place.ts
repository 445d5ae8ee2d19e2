import { type ModuleRun, type SubstringState, type StringCircuit, withModule } from '../circuit';

/** Where a fault sits. Indices count from 0 at the negative end. */
export interface FaultPlace {
	/** Name of the string. */
	readonly string?: string | undefined;
	readonly module?: number | undefined;
	readonly section?: number | undefined;
	/** 0 below the first module, n above the last. */
	readonly joint?: number | undefined;
	readonly pole?: 'positive' | 'negative' | undefined;
	/** The other of two strings. */
	readonly other?: string | undefined;
}

/** The string with one section of one module changed. */
export function atSubstring(
	string: StringCircuit,
	{ module = 0, section: substring = 0 }: FaultPlace,
	change: (state: SubstringState) => SubstringState
): StringCircuit {
	return withModule(string, module, (run) => ({
		...run,
		sections: run.sections.map((state, i) => (i === substring ? change(state) : state))
	}));
}

/** The string with one module changed. */
export function atModule(
	string: StringCircuit,
	{ module = 0 }: FaultPlace,
	change: (run: ModuleRun) => ModuleRun
): StringCircuit {
	return withModule(string, module, change);
}

/** A module with all of its sections changed alike. */
export function everySubstring(
	run: ModuleRun,
	change: (state: SubstringState) => SubstringState
): ModuleRun {
	const [first] = run.sections;
	const alike = run.sections.every((state) => state === first);
	// Sections that are one object stay one, which lets the circuit count them without comparing.
	if (alike && first) {
		const changed = change(first);
		return { ...run, sections: run.sections.map(() => changed) };
	}
	return { ...run, sections: run.sections.map(change) };
}
