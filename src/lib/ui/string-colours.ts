import type { StringRecord } from '$core/record';

/**
 * Eight hues that colour-blind readers tell apart, after Okabe and Ito (Color Universal Design, 2008),
 * darkened or lightened so that figures stand on them at 7:1. A colour never stands without its mark.
 */
const STRING_COLOURS = [
	{ fill: '#005b8e', ink: '#ffffff', name: 'blue' },
	{ fill: '#e69f00', ink: '#000000', name: 'orange' },
	{ fill: '#005c44', ink: '#ffffff', name: 'green' },
	{ fill: '#d687b2', ink: '#000000', name: 'pink' },
	{ fill: '#f0e442', ink: '#000000', name: 'yellow' },
	{ fill: '#933300', ink: '#ffffff', name: 'rust' },
	{ fill: '#56b4e9', ink: '#000000', name: 'sky' },
	{ fill: '#3b3b3b', ink: '#ffffff', name: 'black' }
] as const;
export type StringColour = (typeof STRING_COLOURS)[number];

/** Colour of each string by its place in the record, by id. */
export function coloursOf(strings: readonly StringRecord[]): ReadonlyMap<string, StringColour> {
	return new Map(
		strings.map(({ id }, i) => [id, STRING_COLOURS[i % STRING_COLOURS.length]!] as const)
	);
}
