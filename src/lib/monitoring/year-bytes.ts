import type { MonitoredYear } from '$core/monitoring';

/*
 * A watched year on its way from the server to the browser: a heading as JSON, then every series as
 * 32-bit floating-point numbers, one after the other.
 */

/** In bytes, so that the series begin at a multiple of four. */
const ALIGN = 4;

type Heading = Pick<MonitoredYear, 'times' | 'days' | 'observer'> & {
	readonly units: readonly (Omit<MonitoredYear['units'][number], 'power' | 'volts' | 'amps'> & {
		readonly has: readonly ('power' | 'volts' | 'amps')[];
	})[];
	readonly has: readonly ('irradiance' | 'cellTemperature' | 'airTemperature')[];
};

export function yearToBytes(year: MonitoredYear): Uint8Array<ArrayBuffer> {
	const series: Float64Array[] = [];
	const keep = <K extends string>(
		of: Partial<Record<K, Float64Array | null>>,
		keys: readonly K[]
	) =>
		keys.filter((key) => {
			const values = of[key];
			if (values) series.push(values);
			return Boolean(values);
		});
	const heading: Heading = {
		times: year.times,
		days: year.days,
		observer: year.observer,
		units: year.units.map(({ power, volts: voltage, amps: current, ...unit }) => ({
			...unit,
			has: keep({ power, volts: voltage, amps: current }, ['power', 'volts', 'amps'])
		})),
		has: keep(year, ['irradiance', 'cellTemperature', 'airTemperature'])
	};
	const text = new TextEncoder().encode(JSON.stringify(heading));
	const begin = Math.ceil((4 + text.length) / ALIGN) * ALIGN;
	const bytes = new Uint8Array(begin + 4 * series.length * year.times.count);
	new DataView(bytes.buffer).setUint32(0, text.length, true);
	bytes.set(text, 4);
	series.forEach((values, i) => {
		new Float32Array(bytes.buffer, begin + 4 * i * year.times.count, year.times.count).set(values);
	});
	return bytes;
}

export function yearFromBytes(buffer: ArrayBuffer): MonitoredYear {
	const length = new DataView(buffer).getUint32(0, true);
	const heading = JSON.parse(
		new TextDecoder().decode(new Uint8Array(buffer, 4, length))
	) as Heading;
	const { count } = heading.times;
	let at = Math.ceil((4 + length) / ALIGN) * ALIGN;
	const next = () => {
		const values = Float64Array.from(new Float32Array(buffer, at, count));
		at += 4 * count;
		return values;
	};
	const take = <K extends string>(has: readonly K[], key: K) => (has.includes(key) ? next() : null);
	const units = heading.units.map(({ has, ...unit }) => ({
		...unit,
		power: take(has, 'power') ?? new Float64Array(count).fill(Number.NaN),
		volts: take(has, 'volts'),
		amps: take(has, 'amps')
	}));
	return {
		times: heading.times,
		days: heading.days,
		observer: heading.observer,
		units,
		irradiance: take(heading.has, 'irradiance'),
		cellTemperature: take(heading.has, 'cellTemperature'),
		airTemperature: take(heading.has, 'airTemperature')
	};
}
