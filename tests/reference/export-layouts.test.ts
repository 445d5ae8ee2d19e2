import { describe, expect, it } from 'vitest';
import {
	buildYear,
	guessLayout,
	layoutProblem,
	type PartSamples,
	SampleReader
} from '../../src/core/monitoring';
import { fixedZone } from '../../src/core/monitoring/import/clock';
import { EMPTY_RECORD } from '../../src/core/record';
import Papa from 'papaparse';

/*
 * One week of four modules as exports lay it out (common practice, no source): whatever the layout, each module has
 * its energy.
 */

const DAY = 86_400_000;
const HOUR = 3_600_000;
const STEP = HOUR / 4;
const START = Date.UTC(2026, 2, 26);
const DAYS = 7;
interface Row {
	readonly at: number;
	/** Power of each module, W. */
	readonly w: readonly number[];
}
const rows: Row[] = [];
for (let t = START; t < START + DAYS * DAY; t += STEP) {
	const h = (t % DAY) / HOUR - 12;
	const cloud = 0.5 + 0.5 * Math.abs(Math.sin(t / 7_777_777));
	const base =
		Math.max(0, Math.cos((h / 6) * (Math.PI / 2))) * (Math.abs(h) < 6 ? 1 : 0) * 330 * cloud;
	rows.push({ at: t, w: [1, 0.98, 0.6, 1.02].map((k) => Math.round(base * k * 10) / 10) });
}
/** kWh */
const TRUTH = [0, 1, 2, 3].map((u) => (rows.reduce((s, r) => s + r.w[u]!, 0) * 0.25) / 1000);
const names = ['Module 1', 'Module 2', 'Module 3', 'Module 4'];
const pad = (n: number) => String(n).padStart(2, '0');
const d = (t: number) => new Date(t);
const iso = (t: number) => d(t).toISOString().slice(0, 16).replace('T', ' ');
const MON = ['Jan', 'Feb', 'Mar', 'Apr', 'May', 'Jun', 'Jul', 'Aug', 'Sep', 'Oct', 'Nov', 'Dec'];
const WD = ['Sun', 'Mon', 'Tue', 'Wed', 'Thu', 'Fri', 'Sat'];
const dmy = (t: number, s = '.') =>
	`${pad(d(t).getUTCDate())}${s}${pad(d(t).getUTCMonth() + 1)}${s}${d(t).getUTCFullYear()}`;
const hm = (t: number) => `${pad(d(t).getUTCHours())}:${pad(d(t).getUTCMinutes())}`;
const ampm = (t: number) =>
	`${d(t).getUTCHours() % 12 || 12}:${pad(d(t).getUTCMinutes())} ${d(t).getUTCHours() < 12 ? 'AM' : 'PM'}`;
const wide = (
	head: string[],
	stamp: (t: number) => string,
	cell = (w: number, _u: number) => String(w),
	sep = ','
) => [head.join(sep), ...rows.map((r) => [stamp(r.at), ...r.w.map(cell)].join(sep))].join('\n');
const H = ['Time', ...names.map((n) => `${n} (W)`)];
const comma = (w: number) => String(w).replace('.', ',');
const cum = () => {
	const s = [0, 0, 0, 0];
	return rows.map((r) => ({ at: r.at + STEP, e: r.w.map((w, u) => (s[u]! += (w * 0.25) / 1000)) }));
};
const cumDay = () => {
	let s = [0, 0, 0, 0];
	let day = -1;
	return rows.map((r) => {
		const k = Math.floor(r.at / DAY);
		if (k !== day) {
			s = [0, 0, 0, 0];
			day = k;
		}
		return { at: r.at, e: r.w.map((w, u) => (s[u]! += (w * 0.25) / 1000)) };
	});
};
const hourly = rows.filter((r) => r.at % HOUR === 0);
const TOTAL = TRUTH.reduce((sum, energy) => sum + energy, 0);
const LAYOUTS: Readonly<Record<string, () => string>> = {
	plain: () => wide(H, iso),
	'semicolon comma dmy': () => wide(H, (t) => `${dmy(t)} ${hm(t)}`, comma, ';'),
	'month name': () =>
		wide(H, (t) => `${pad(d(t).getUTCDate())} ${MON[d(t).getUTCMonth()]} 2026 ${hm(t)}`),
	'mon dash': () =>
		wide(H, (t) => `${pad(d(t).getUTCDate())}-${MON[d(t).getUTCMonth()]}-26 ${hm(t)}`),
	'us long': () =>
		wide(H, (t) => `"${MON[d(t).getUTCMonth()]} ${d(t).getUTCDate()}, 2026 ${ampm(t)}"`),
	'us slash ampm': () =>
		wide(H, (t) => `${d(t).getUTCMonth() + 1}/${d(t).getUTCDate()}/2026 ${ampm(t)}`),
	compactZ: () => wide(H, (t) => `${d(t).toISOString().replace(/[-:]/g, '').slice(0, 15)}Z`),
	compact12: () => wide(H, (t) => iso(t).replace(/[-: ]/g, '')),
	excel: () => wide(H, (t) => (t / DAY + 25569).toFixed(6)),
	weekday: () => wide(H, (t) => `${WD[d(t).getUTCDay()]} ${dmy(t)} ${hm(t)}`),
	'weekday en': () =>
		wide(
			H,
			(t) =>
				`"${WD[d(t).getUTCDay()]}, ${pad(d(t).getUTCDate())} ${MON[d(t).getUTCMonth()]} 2026 ${hm(t)}:00"`
		),
	'weekday column': () =>
		[
			['Day', ...H].join(','),
			...rows.map((r) => [WD[d(r.at).getUTCDay()], iso(r.at), ...r.w].join(','))
		].join('\n'),
	range: () => wide(H, (t) => `${dmy(t)} ${hm(t)} - ${hm(t + STEP)}`),
	'range full': () => wide(H, (t) => `${iso(t)} - ${iso(t + STEP)}`),
	'range two columns': () =>
		[
			['From', 'To', ...names.map((n) => `${n} (W)`)].join(','),
			...rows.map((r) => [iso(r.at), iso(r.at + STEP), ...r.w].join(','))
		].join('\n'),
	'date + range time': () =>
		[
			['Date', 'Time', ...names.map((n) => `${n} (W)`)].join(','),
			...rows.map((r) => [dmy(r.at), `${hm(r.at)}-${hm(r.at + STEP)}`, ...r.w].join(','))
		].join('\n'),
	transposed: () =>
		[
			['Unit', ...rows.map((r) => iso(r.at))].join(','),
			...names.map((n, u) => [`${n} (W)`, ...rows.map((r) => r.w[u])].join(','))
		].join('\n'),
	'transposed bare': () =>
		[
			['', ...rows.map((r) => iso(r.at))].join(','),
			...names.map((n, u) => [n, ...rows.map((r) => r.w[u])].join(','))
		].join('\n'),
	'status text': () =>
		[
			['Time', ...names.flatMap((n) => [`${n} (W)`, `${n} status`])].join(','),
			...rows.map((r) =>
				[iso(r.at), ...r.w.flatMap((w) => [w, w > 0 ? 'MPP' : 'Standby'])].join(',')
			)
		].join('\n'),
	'status code': () =>
		[
			['Time', ...names.flatMap((n) => [`${n} (W)`, `${n} Status`])].join(','),
			...rows.map((r) => [iso(r.at), ...r.w.flatMap((w) => [w, w > 0 ? 307 : 0])].join(','))
		].join('\n'),
	'one status code': () =>
		[
			[...H, 'Status', 'Error code'].join(','),
			...rows.map((r) => [iso(r.at), ...r.w, 307, 0].join(','))
		].join('\n'),
	long: () =>
		[
			'Time,Unit,Power (W)',
			...rows.flatMap((r) => r.w.map((w, u) => `${iso(r.at)},${names[u]},${w}`))
		].join('\n'),
	'long unit first': () =>
		[
			'Unit,Time,Power (W)',
			...rows.flatMap((r) => r.w.map((w, u) => `${names[u]},${iso(r.at)},${w}`))
		].join('\n'),
	'long quantity': () =>
		[
			'Timestamp,Device,Parameter,Value',
			...rows.flatMap((r) => r.w.map((w, u) => `${iso(r.at)},${names[u]},Power (W),${w}`))
		].join('\n'),
	'long quantity and unit col': () =>
		[
			'Timestamp,Device,Parameter,Value,Unit',
			...rows.flatMap((r) => r.w.map((w, u) => `${iso(r.at)},${names[u]},Power,${w},W`))
		].join('\n'),
	'long status rows': () =>
		[
			'Time,Unit,Power (W),Status',
			...rows.flatMap((r) => r.w.map((w, u) => `${iso(r.at)},${names[u]},${w},OK`))
		].join('\n'),
	counter: () =>
		[
			['Time', ...names.map((n) => `${n} total energy (kWh)`)].join(','),
			...cum().map((r) => [iso(r.at), ...r.e.map((e) => (e + 4321).toFixed(4))].join(','))
		].join('\n'),
	'counter holes': () =>
		[
			['Time', ...names.map((n) => `${n} total energy (kWh)`)].join(','),
			...cum()
				.filter((_, i) => i % 97 < 80)
				.map((r) => [iso(r.at), ...r.e.map((e) => (e + 4321).toFixed(4))].join(','))
		].join('\n'),
	'counter of day': () =>
		[
			['Time', ...names.map((n) => `${n} energy today (kWh)`)].join(','),
			...cumDay().map((r) => [iso(r.at), ...r.e.map((e) => e.toFixed(4))].join(','))
		].join('\n'),
	'day counter bare': () =>
		[
			['Time', ...names.map((n) => `${n} E-day (Wh)`)].join(','),
			...cumDay().map((r) => [iso(r.at), ...r.e.map((e) => (e * 1000).toFixed(1))].join(','))
		].join('\n'),
	'mixed steps': () =>
		[
			H.join(','),
			...rows
				.filter((r) => {
					const h = d(r.at).getUTCHours();
					return (h > 5 && h < 19) || r.at % HOUR === 0;
				})
				.map((r) => [iso(r.at), ...r.w].join(','))
		].join('\n'),
	'quoted thousands kW->mW': () =>
		wide(
			H.map((h) => h.replace('(W)', '(mW)')),
			iso,
			(w) => `"${(w * 1000).toLocaleString('en-US')}"`
		),
	'space thousands': () =>
		wide(['Time', ...names.map((n) => `${n} (mW)`)], iso, (w) =>
			(w * 1000).toLocaleString('en-US').replace(/,/g, ' ')
		),
	apostrophe: () =>
		wide(['Time', ...names.map((n) => `${n} (mW)`)], iso, (w) =>
			(w * 1000).toLocaleString('en-US').replace(/,/g, '\u2019')
		),
	'unit row': () =>
		[
			'Time,' + names.join(','),
			',' + names.map(() => 'W').join(','),
			...rows.map((r) => [iso(r.at), ...r.w].join(','))
		].join('\n'),
	kW: () => wide(['Time', ...names.map((n) => `${n} [kW]`)], iso, (w) => (w / 1000).toFixed(4)),
	'Wh interval': () =>
		wide(['Time', ...names.map((n) => `${n} (Wh)`)], iso, (w) => (w / 4).toFixed(3)),
	'energy kWh interval': () =>
		wide(['Time', ...names.map((n) => `${n} Energy (kWh)`)], iso, (w) => (w / 4000).toFixed(5)),
	offset: () =>
		wide(
			H,
			(t) =>
				`${d(t + 2 * HOUR)
					.toISOString()
					.slice(0, 19)}+02:00`
		),
	'cet cest': () =>
		wide(H, (t) => {
			const s = t >= Date.UTC(2026, 2, 29, 1);
			return `${iso(t + (s ? 2 : 1) * HOUR)} ${s ? 'CEST' : 'CET'}`;
		}),
	unix: () => wide(H, (t) => String(t / 1000)),
	unixms: () => wide(H, (t) => String(t)),
	'date time cols': () =>
		[
			['Date', 'Time', ...names.map((n) => `${n} (W)`)].join(','),
			...rows.map((r) => [dmy(r.at, '/'), hm(r.at), ...r.w].join(','))
		].join('\n'),
	preamble: () =>
		[
			'Report of the plant',
			'Period: 10.03.2026 to 08.04.2026',
			'',
			wide(H, iso),
			'',
			`Total,${TRUTH.map((x) => x.toFixed(1)).join(',')}`
		].join('\n'),
	'total column': () =>
		[
			[...H, 'Total (W)'].join(','),
			...rows.map((r) => [iso(r.at), ...r.w, r.w.reduce((a, b) => a + b, 0).toFixed(1)].join(','))
		].join('\n'),
	tabs: () => wide(H, iso, String, '\t'),
	'all quoted': () =>
		wide(
			H.map((h) => `"${h}"`),
			(t) => `"${iso(t)}"`,
			(w) => `"${w}"`
		),
	gaps: () => wide(H, iso, (w, u) => (w === 0 ? ['-', 'N/A', '---', 'null'][u]! : String(w))),
	negative: () => wide(H, iso, (w) => String(w === 0 ? -1.5 : w)),
	daily: () => {
		const m = new Map<string, number[]>();
		for (const r of rows) {
			const k = iso(r.at).slice(0, 10);
			const s = m.get(k) ?? [0, 0, 0, 0];
			r.w.forEach((w, u) => (s[u]! += w / 4000));
			m.set(k, s);
		}
		return [
			['Date', ...names.map((n) => `${n} (kWh)`)].join(','),
			...[...m].map(([k, s]) => [k, ...s.map((x) => x.toFixed(4))].join(','))
		].join('\n');
	},
	descending: () =>
		[H.join(','), ...[...rows].reverse().map((r) => [iso(r.at), ...r.w].join(','))].join('\n'),
	'bom crlf': () => '\uFEFF' + wide(H, iso).replace(/\n/g, '\r\n'),
	'power volts amps': () =>
		[
			[
				'Time',
				...names.flatMap((n) => [`${n} Power (W)`, `${n} Voltage (V)`, `${n} Current (A)`])
			].join(','),
			...rows.map((r) =>
				[iso(r.at), ...r.w.flatMap((w) => [w, w > 0 ? 30 : 0, (w / 30).toFixed(2)])].join(',')
			)
		].join('\n'),
	'index column': () =>
		[['No.', ...H].join(','), ...rows.map((r, i) => [i + 1, iso(r.at), ...r.w].join(','))].join(
			'\n'
		),
	'two-level heading': () =>
		[
			['', ...names.flatMap((n) => [n, ''])].join(','),
			['Time', ...names.flatMap(() => ['Power (W)', 'Voltage (V)'])].join(','),
			...rows.map((r) => [iso(r.at), ...r.w.flatMap((w) => [w, w > 0 ? 30 : 0])].join(','))
		].join('\n'),
	'two-level repeated': () =>
		[
			['', ...names.flatMap((n) => [n, n])].join(','),
			['Time', ...names.flatMap(() => ['Power (W)', 'Voltage (V)'])].join(','),
			...rows.map((r) => [iso(r.at), ...r.w.flatMap((w) => [w, w > 0 ? 30 : 0])].join(','))
		].join('\n'),
	'serial numbers': () => wide(['Time', ...names.map((_, u) => `12170000${u + 1} P (W)`)], iso),
	'hourly means': () =>
		[
			H.join(','),
			...hourly.map((r) =>
				[
					iso(r.at),
					...r.w.map((_, u) =>
						(
							rows
								.filter((x) => x.at >= r.at && x.at < r.at + HOUR)
								.reduce((s, x) => s + x.w[u]!, 0) / 4
						).toFixed(2)
					)
				].join(',')
			)
		].join('\n'),
	'heading repeated': () => {
		const lines = wide(H, iso).split('\n');
		const out: string[] = [];
		lines.slice(1).forEach((l, i) => {
			if (i % 96 === 0) out.push(lines[0]!);
			out.push(l);
		});
		return out.join('\n');
	},
	'irradiance + temp': () =>
		[
			[...H, 'Irradiance (W/m²)', 'Module temperature (°C)'].join(','),
			...rows.map((r) =>
				[iso(r.at), ...r.w, (r.w[0]! * 3).toFixed(0), (10 + r.w[0]! / 12).toFixed(1)].join(',')
			)
		].join('\n'),
	'german heads': () =>
		wide(
			['Zeitstempel', ...names.map((_, u) => `Modul ${u + 1} Leistung [W]`)],
			(t) => `${dmy(t)} ${hm(t)}`,
			comma,
			';'
		),
	'trailing separator': () =>
		wide([...H, ''], iso)
			.split('\n')
			.map((l, i) => (i ? l + ',' : l))
			.join('\n'),
	'secs and tz name': () => wide(H, (t) => `${iso(t)}:00 UTC`),
	'kW comma in comma csv quoted': () =>
		wide(
			['Time', ...names.map((n) => `${n} (kW)`)],
			iso,
			(w) => `"${(w / 1000).toFixed(3).replace('.', ',')}"`
		),
	'two digit year': () => wide(H, (t) => `${dmy(t).replace('2026', '26')} ${hm(t)}`),
	'24:00': () => wide(H, (t) => (t % DAY === 0 ? `${iso(t - 1).slice(0, 10)} 24:00` : iso(t))),
	'no headings': () => rows.map((r) => [iso(r.at), ...r.w].join(',')).join('\n'),

	'eu thousands': () =>
		wide(
			['Time', ...names.map((n) => `${n} (mW)`)],
			(t) => `${dmy(t)} ${hm(t)}`,
			(w) => (w * 1000).toLocaleString('de-DE') + ',0',
			';'
		),
	'prefix P': () => wide(['Time', ...names.map((n) => `P ${n} [W]`)], iso),
	'Pac prefix': () => wide(['Time', ...names.map((n) => `Pac ${n}`)], iso),
	path: () => wide(['Time', ...names.map((n) => `${n}/Pac/W`)], iso),
	'path dots': () =>
		wide(['Time', ...names.map((n) => `plant.${n.replace(' ', '_')}.ac_power_w`)], iso),
	underscored: () =>
		wide(['timestamp', ...names.map((n) => `${n.replace(' ', '_')}_power_W`)], iso),
	'long by unit': () =>
		[
			'Time,Unit,Power (W)',
			...names.flatMap((n, u) => rows.map((r) => `${iso(r.at)},${n},${r.w[u]}`))
		].join('\n'),
	'long by unit no heads': () =>
		names.flatMap((n, u) => rows.map((r) => `${iso(r.at)},${n},${r.w[u]}`)).join('\n'),
	'long no heads': () =>
		rows.flatMap((r) => r.w.map((w, u) => `${iso(r.at)},${names[u]},${w}`)).join('\n'),
	'long many': () =>
		[
			'Time,Name,Power (W),Voltage (V),Current (A),Status',
			...rows.flatMap((r) =>
				r.w.map(
					(w, u) =>
						`${iso(r.at)},${names[u]},${w},${w ? 30 : 0},${(w / 30).toFixed(2)},${w ? 'MPP' : 'Night'}`
				)
			)
		].join('\n'),
	'long unit number': () =>
		[
			'Time,Module,Power (W)',
			...rows.flatMap((r) => r.w.map((w, u) => `${iso(r.at)},${u + 1},${w}`))
		].join('\n'),
	'summary lines': () => `${wide(H, iso)}\n\nSummary\nAverage,1,2,3,4\nMax,1,2,3,4`,
	'slash ms': () => wide(H, (t) => `${iso(t).replace(/-/g, '/')}:00.000`),
	'dashed dmy': () => wide(H, (t) => `${dmy(t, '-')} ${hm(t)}`),
	'point time': () => wide(H, (t) => `${dmy(t)} ${hm(t).replace(':', '.')}`),
	'iso Z ms': () => wide(H, (t) => d(t).toISOString()),
	'offset short': () =>
		wide(
			H,
			(t) =>
				`${d(t + HOUR)
					.toISOString()
					.slice(0, 19)}+01`
		),
	'offset bare': () =>
		wide(
			H,
			(t) =>
				`${d(t + HOUR)
					.toISOString()
					.slice(0, 19)}+0100`
		),
	'us short': () =>
		wide(
			H,
			(t) =>
				`${d(t).getUTCMonth() + 1}/${d(t).getUTCDate()}/26 ${d(t).getUTCHours()}:${pad(d(t).getUTCMinutes())}`
		),
	'names with comma': () => wide(['Time', ...names.map((n) => `"${n}, east (W)"`)], iso),
	'same headings': () => wide(['Time', 'Power (W)', 'Power (W)', 'Power (W)', 'Power (W)'], iso),
	'counter MWh': () =>
		[
			['Time', ...names.map((n) => `${n} Total energy (MWh)`)].join(','),
			...cum().map((r) => [iso(r.at), ...r.e.map((e) => ((e + 4321) / 1000).toFixed(5))].join(','))
		].join('\n'),
	'power and counter': () => {
		const c = cum();
		return [
			['Time', ...names.flatMap((n) => [`${n} Power (W)`, `${n} Total yield (kWh)`])].join(','),
			...rows.map((r, i) =>
				[iso(r.at), ...r.w.flatMap((w, u) => [w, (c[i]!.e[u]! + 99).toFixed(3)])].join(',')
			)
		].join('\n');
	},
	'power and day energy': () => {
		const c = cumDay();
		return [
			['Time', ...names.flatMap((n) => [`${n} Power (W)`, `${n} Daily yield (kWh)`])].join(','),
			...rows.map((r, i) =>
				[iso(r.at), ...r.w.flatMap((w, u) => [w, c[i]!.e[u]!.toFixed(3)])].join(',')
			)
		].join('\n');
	},
	'energy Wh counting': () =>
		[
			['Time', ...names.map((n) => `${n} Energy (Wh)`)].join(','),
			...cumDay().map((r) => [iso(r.at), ...r.e.map((e) => (e * 1000).toFixed(1))].join(','))
		].join('\n'),
	pipe: () => wide(H, iso, String, '|'),
	'negative sign': () => wide(H, iso, (w) => String(-w)),
	'transposed dmy kW': () =>
		[
			['Name', ...rows.map((r) => `${dmy(r.at)} ${hm(r.at)}`)].join(';'),
			...names.map((n, u) => [`${n} (kW)`, ...rows.map((r) => comma(r.w[u]! / 1000))].join(';'))
		].join('\n'),
	'units below, brackets': () =>
		[
			'Time,' + names.join(','),
			'[],' + names.map(() => '[W]').join(','),
			...rows.map((r) => [iso(r.at), ...r.w].join(','))
		].join('\n'),
	'units below, time format': () =>
		[
			'Time,' + names.join(','),
			'yyyy-mm-dd hh:mm,' + names.map(() => 'W').join(','),
			...rows.map((r) => [iso(r.at), ...r.w].join(','))
		].join('\n'),
	'three headings': () =>
		[
			'Plant A,,,,',
			'Time,' + names.join(','),
			',' + names.map(() => 'Power').join(','),
			',' + names.map(() => 'W').join(','),
			...rows.map((r) => [iso(r.at), ...r.w].join(','))
		].join('\n'),
	'zero padded kWh daily eu': () => {
		const m = new Map<string, number[]>();
		for (const r of rows) {
			const k = dmy(r.at);
			const q = m.get(k) ?? [0, 0, 0, 0];
			r.w.forEach((w, u) => (q[u]! += w / 4000));
			m.set(k, q);
		}
		return [
			['Datum', ...names.map((n) => `${n} (kWh)`)].join(';'),
			...[...m].map(([k, q]) => [k, ...q.map((x) => comma(Number(x.toFixed(3))))].join(';'))
		].join('\n');
	},
	'daily with sum': () => {
		const m = new Map<string, number[]>();
		for (const r of rows) {
			const k = iso(r.at).slice(0, 10);
			const q = m.get(k) ?? [0, 0, 0, 0];
			r.w.forEach((w, u) => (q[u]! += w / 4000));
			m.set(k, q);
		}
		return [
			['Date', ...names.map((n) => `${n} (kWh)`)].join(','),
			...[...m].map(([k, q]) => [k, ...q.map((x) => x.toFixed(4))].join(',')),
			['Total', ...TRUTH.map((x) => x.toFixed(2))].join(',')
		].join('\n');
	},
	matrix: () =>
		[
			[
				'Date',
				...Array.from({ length: 96 }, (_, i) => `${pad(Math.floor(i / 4))}:${pad((i % 4) * 15)}`)
			].join(','),
			...Array.from({ length: DAYS }, (_, k) =>
				[
					iso(START + k * DAY).slice(0, 10),
					...rows.slice(k * 96, k * 96 + 96).map((r) => r.w[0])
				].join(',')
			)
		].join('\n')
};

/** kWh of each unit that an export holds, as it is read without a hand in it. */
function energies(csv: string): Map<string, number> {
	const { data: lines, meta } = Papa.parse<string[]>(csv.replace(/^\uFEFF/, ''));
	const guess = guessLayout(lines.slice(0, 400), meta.delimiter);
	if (!guess.ok) throw new Error(guess.problem);
	const { layout, headings } = guess.value;
	expect(layoutProblem(layout)).toBeNull();
	const reader = new SampleReader(layout, headings, fixedZone(0));
	const parts = new Map<string, Record<string, { at: number[]; value: number[] }>>();
	for (const cells of lines.slice(layout.headingLine)) {
		reader.read(cells, (unit, watched, at, value) => {
			const samples = parts.get(unit) ?? {};
			const list = (samples[watched] ??= { at: [], value: [] });
			list.at.push(at);
			list.value.push(value);
			parts.set(unit, samples);
		});
	}
	const named = [...parts].map(([name, samples]): PartSamples => {
		const sorted = Object.entries(samples).map(([watched, { at, value }]) => {
			const order = [...at.keys()].sort((a, b) => at[a]! - at[b]!);
			const pick = (list: readonly number[]) => Float64Array.from(order, (i) => list[i]!);
			return [watched, { at: pick(at), value: pick(value) }] as const;
		});
		return { key: name, name, target: null, samples: Object.fromEntries(sorted) };
	});
	const span = { from: START, to: START + (DAYS + 1) * DAY };
	const year = buildYear(EMPTY_RECORD, named, span, () => [], null)!;
	return new Map(
		year.units.map(({ key, power }) => [
			key,
			(power.reduce((sum, watts) => sum + (watts || 0), 0) * year.times.step) / HOUR / 1000
		])
	);
}

describe('an export', () => {
	it.each(Object.keys(LAYOUTS))('%s', (name) => {
		const found = [...energies(LAYOUTS[name]!())];
		const wanted =
			name === 'total column' ? [...TRUTH, TOTAL] : name === 'matrix' ? [TRUTH[0]!] : TRUTH;
		expect(found.map(([, energy]) => energy)).toEqual(
			wanted.map((energy): unknown => expect.closeTo(energy, energy > 10 ? 0 : 1))
		);
	});
});
