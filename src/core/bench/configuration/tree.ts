/**
 * Modules in any series and parallel arrangement. Ids are of the places, so that one module type may stand
 * in many of them.
 */
export type ArrayConfiguration = ConfigurationModule | ConfigurationGroup;

export interface ConfigurationModule {
	readonly kind: 'module';
	readonly id: string;
	/** Id of the tested module or type that stands here. */
	readonly of: string;
	/** Share of the light that reaches it. */
	readonly irradiance: number;
}

interface ConfigurationGroup {
	readonly kind: 'series' | 'parallel';
	readonly id: string;
	readonly parts: readonly ArrayConfiguration[];
}

/** Every module of a mix, from the negative end. */
export function modulesOf(mix: ArrayConfiguration): ConfigurationModule[] {
	return mix.kind === 'module' ? [mix] : mix.parts.flatMap(modulesOf);
}

/** Branches in parallel at the top: the strings of the mix. */
export function branchesOf(mix: ArrayConfiguration): readonly ArrayConfiguration[] {
	return mix.kind === 'parallel' ? mix.parts : [mix];
}

/** The mix with one part, wherever it stands, made another; null takes it out. */
export function withPart(
	mix: ArrayConfiguration,
	id: string,
	change: (part: ArrayConfiguration) => ArrayConfiguration | null
): ArrayConfiguration | null {
	if (mix.id === id) return change(mix);
	if (mix.kind === 'module') return mix;
	const parts = mix.parts.flatMap((part) => withPart(part, id, change) ?? []);
	if (parts.length === 0) return null;
	return parts.every((part, i) => part === mix.parts[i]) && parts.length === mix.parts.length
		? mix
		: { ...mix, parts };
}

/** Groups of one part are that part, and a group within a group of its kind is one with it. */
export function tidy(mix: ArrayConfiguration): ArrayConfiguration {
	if (mix.kind === 'module') return mix;
	const parts = mix.parts
		.map(tidy)
		.flatMap((part) => (part.kind === mix.kind ? part.parts : [part]));
	return parts.length === 1 ? parts[0]! : { ...mix, parts };
}

/** A module put in series or in parallel with a part, after it. */
export function joined(
	mix: ArrayConfiguration,
	id: string,
	kind: 'series' | 'parallel',
	added: ConfigurationModule,
	groupId: string
): ArrayConfiguration {
	const changed = withPart(mix, id, (part) => ({ kind, id: groupId, parts: [part, added] }));
	return tidy(changed ?? added);
}

/** Strings of modules in parallel, by ids of what stands there. */
export function configurationOf(strings: readonly (readonly string[])[]): ArrayConfiguration {
	const branches = strings.map((modules, s): ArrayConfiguration => {
		const parts = modules.map((of, m): ConfigurationModule => ({
			kind: 'module',
			id: `${s + 1}.${m + 1}`,
			of,
			irradiance: 1
		}));
		return { kind: 'series', id: `s${s + 1}`, parts };
	});
	return tidy({ kind: 'parallel', id: 'all', parts: branches });
}
