import type { ArrayConfiguration, ConfigurationModule, ConfigurationParts } from '$core/bench';

/** A mix at rest with what it is solved with: what is asked beside its curve goes from this. */
export interface ConfigurationQuery {
	readonly mix: ArrayConfiguration;
	readonly parts: ConfigurationParts;
	/** Rating of the string fuses, A; null: none. */
	readonly fuse: number | null;
}

/** A place for a module that is put in; the notation gives it its number. */
export const placeFor = (of: string): ConfigurationModule => ({
	kind: 'module',
	id: 'new',
	of,
	irradiance: 1
});

export const FUSE_DOES = {
	holds: 'it never opens',
	uncertain: 'it may open or not: nothing is certain between its holding and its melting',
	opens: 'it opens'
} as const;
