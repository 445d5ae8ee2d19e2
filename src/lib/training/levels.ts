import type { Level } from '$core/training';

/** What stands beside each level. */
export const LEVEL_WORDS: Readonly<
	Record<Level, { readonly name: string; readonly words: string }>
> = {
	'one-string': {
		name: 'One string',
		words:
			'A few strings with fuses. One thing is wrong with one of them, and a meter and a clamp find it.'
	},
	anything: {
		name: 'Anything',
		words:
			'Up to 17 strings. One thing is wrong: a part, a switch, the supply of shutdown devices, the record or the sensor.'
	},
	'as-it-comes': {
		name: 'As it comes',
		words:
			'Nothing, one thing or two; now and then a reading is taken wrong. As at a real array, nobody says which.'
	}
};
