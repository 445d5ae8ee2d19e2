import { readFileSync } from 'node:fs';
import { gunzipSync } from 'node:zlib';

/** A visit of the generator with its own module physics, as a visit file with what is hidden in it. */
export interface FieldCase {
	/** "healthy", or what was done to the target. */
	readonly kind: string;
	/** Label of the string it was done to. */
	readonly target?: string;
	readonly about: {
		readonly ns: number;
		/** Standard deviation of the cell temperatures of the strings, K. */
		readonly heat: number;
		/** Irradiance on the second plane over that on the first; null where there is one plane. */
		readonly planes: number | null;
		readonly bifacial: number;
		readonly clouds: string;
	};
	readonly file: unknown;
}

/** A visit in the neutral form with its truth. */
export interface NeutralCase {
	readonly id: string;
	readonly record: {
		readonly strings: readonly {
			readonly id: string;
			readonly input: string;
			readonly modules: number;
			readonly type: string;
		}[];
	};
	readonly readings: readonly {
		readonly id: string;
		readonly quantity: string;
		readonly place: { readonly string?: string };
		readonly value: number;
		readonly meter: { readonly resolution: number };
	}[];
	readonly truth: {
		readonly code: string;
		readonly faults: readonly { readonly code: string; readonly place: TruthPlace }[];
		readonly wrongReadings: readonly { readonly reading: string; readonly how: string }[];
	};
}

export interface TruthPlace {
	readonly string?: string;
	readonly strings?: readonly string[];
	readonly input?: string;
	readonly inverter?: unknown;
	readonly reading?: string;
}

/** The cases of a set: the fixed part that is kept here, or a whole one from a folder. */
export function casesOf<Case>(name: string, folder: string | null): readonly Case[] {
	const text = folder
		? readFileSync(`${folder}/${name}.json`, 'utf8')
		: gunzipSync(readFileSync(`tests/reference/data/field/${name}.json.gz`)).toString('utf8');
	return (JSON.parse(text) as { cases: Case[] }).cases;
}
