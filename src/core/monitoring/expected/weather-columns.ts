import { refuse, type Result, succeed } from '../../units';

/** What a column of a weather file holds. */
export type WeatherQuantity = 'global' | 'direct' | 'diffuse' | 'air' | 'wind';

/** A column that is read: base unit = figure x factor + offset. */
export interface WeatherColumn {
	readonly column: number;
	readonly factor: number;
	readonly offset: number;
}

export type WeatherColumns = Readonly<Record<WeatherQuantity, WeatherColumn | null>>;

interface Meaning {
	/** Whole names of the quantity, in words without its unit. */
	readonly is: RegExp;
	/** What makes another quantity of it. */
	readonly not: RegExp;
	/** Units by their symbol in lower case, as factor and offset; the first stands where none is written. */
	readonly units: Readonly<Record<string, readonly [factor: number, offset: number]>>;
}

/** Irradiance, and energy on an area in an hour, in W/m2. */
const IRRADIANCE = {
	'w/m2': [1, 0],
	'kw/m2': [1000, 0],
	'wh/m2': [1, 0],
	'kwh/m2': [1000, 0],
	'kj/m2': [1 / 3.6, 0],
	'mj/m2': [1000 / 3.6, 0],
	'j/m2': [1 / 3600, 0],
	'j/cm2': [10_000 / 3600, 0]
} as const;

const MEANINGS: Readonly<Record<WeatherQuantity, Meaning>> = {
	global: {
		is: /^(ghi|gh|g|g\(h\)|global|irradiance|solar (irradiance|radiation)|global (horizontal )?(irradiance|irradiation|radiation)|global horizontal)$/,
		not: /direct|beam|diffuse|normal|plane|tilt|poa|gti|long/,
		units: IRRADIANCE
	},
	direct: {
		is: /^(dni|bni|direct normal( irradiance| irradiation| radiation)?|beam normal( irradiance)?)$/,
		not: /horizontal/,
		units: IRRADIANCE
	},
	diffuse: {
		is: /^(dhi|dif|diffuse|diffuse (horizontal )?(irradiance|irradiation|radiation)|diffuse horizontal)$/,
		not: /plane|tilt/,
		units: IRRADIANCE
	},
	air: {
		is: /^(t|ta|temp|temperature|t2m|tamb|tair|t amb|t air|temp air|dry ?bulb|(air|ambient|outdoor|dry ?bulb) temp(erature)?( 2 ?m)?|temperature (2 ?m|air|ambient))$/,
		not: /pressure|humid|dew|ground|soil|cell|module|wet/,
		units: {
			'°c': [1, 0],
			c: [1, 0],
			degc: [1, 0],
			'°f': [1 / 1.8, -32 / 1.8],
			f: [1 / 1.8, -32 / 1.8],
			degf: [1 / 1.8, -32 / 1.8],
			k: [1, -273.15]
		}
	},
	wind: {
		is: /^(wind|ws|ws10m|wind ?speed( 10 ?m)?|wind velocity|w?spd)$/,
		not: /direction|gust/,
		units: {
			'm/s': [1, 0],
			'km/h': [1 / 3.6, 0],
			kmh: [1 / 3.6, 0],
			mph: [0.447_04, 0],
			kn: [0.514_444, 0]
		}
	}
};
const QUANTITIES = Object.keys(MEANINGS) as WeatherQuantity[];

/**
 * The columns of a weather file by the whole meaning of their headings: a direct irradiance is no global one, an air
 * pressure no temperature.
 *
 * @param headings of all columns; the first holds the time
 */
export function weatherColumns(headings: readonly string[]): Result<WeatherColumns, string> {
	const found: Record<WeatherQuantity, WeatherColumn | null> = {
		global: null,
		direct: null,
		diffuse: null,
		air: null,
		wind: null
	};
	for (const [column, heading] of headings.entries()) {
		if (column === 0) continue;
		const { name, unit } = partsOf(heading);
		const quantity = QUANTITIES.find(
			(one) => MEANINGS[one].is.test(name) && !MEANINGS[one].not.test(name)
		);
		if (!quantity || found[quantity]) continue;
		const { units } = MEANINGS[quantity];
		const scale = unit === '' ? Object.values(units)[0]! : units[unit];
		if (!scale) {
			return refuse(
				`“${heading.trim()}” is in ${unit}, which is not read. Give it in ${Object.keys(units).join(', ')}.`
			);
		}
		found[quantity] = { column, factor: scale[0], offset: scale[1] };
	}
	return succeed(found);
}

/** "Air temperature (°F)" is "air temperature" and "°f"; "ghi_W/m2" is "ghi" and "w/m2". */
function partsOf(heading: string): { readonly name: string; readonly unit: string } {
	const plain = heading
		.toLowerCase()
		.replace(/_/g, ' ')
		.replaceAll('²', '2')
		.replace(/m\^2/g, 'm2');
	const bracketed = /[[(]([^[(\])]*)[\])]$/.exec(plain.trimEnd());
	// "g(h)" is a name and no unit.
	const unit = bracketed && bracketed[1] !== 'h' ? bracketed[1]!.trim() : null;
	if (unit !== null)
		return { name: tidy(plain.slice(0, bracketed!.index)), unit: unit.replace(/ /g, '') };
	const atEnd = / (k?wh?\/m2|[km]?j\/m2|j\/cm2|°[cf]|deg[cf]|m\/s|km\/h|mph)$/.exec(
		plain.trimEnd()
	);
	return atEnd
		? { name: tidy(plain.slice(0, atEnd.index)), unit: atEnd[1]! }
		: { name: tidy(plain), unit: '' };
}

function tidy(name: string): string {
	return name.replace(/[:,-]/g, ' ').replace(/ +/g, ' ').trim();
}
