import { productionYear } from '$core/training';
import type { MonitoredYear } from '$core/monitoring';
import { KILN_DAY } from './kiln-lane';
import { idsOf, lintwhite370 } from './site';

/* The ticket office's monitoring export, as its gateway would hand it out. */

const MINUTES = 15;
const FIRST_DAY = Date.UTC(2026, 1, 1);
const DAY = 86_400_000;
const dayOf = (month: number, day: number) =>
	Math.round((Date.UTC(2026, month - 1, day) - FIRST_DAY) / DAY);

/** Where the ticket office stands: in the open sea, since it is invented. */
export const KILN_PLACE = { latitude: 55.5, longitude: 2 } as const;

/** The readings behind the export: a module at half since 12 March, clipping on 22 April and 7 May alone. */
function kilnLaneYear(): MonitoredYear {
	const { weak } = KILN_DAY;
	return productionYear({
		seed: 370,
		start: FIRST_DAY,
		days: dayOf(11, 20) + 1,
		stepMinutes: MINUTES,
		units: 24,
		type: lintwhite370(idsOf(3)(1)),
		age: 4,
		rated: 290,
		plane: { tilt: 32, azimuth: 140 },
		observer: KILN_PLACE,
		planted: [
			{
				kind: 'at-share',
				unit: 12 * weak.branch + weak.module - 1,
				share: weak.left,
				from: dayOf(3, 12)
			}
		],
		bright: { days: [dayOf(4, 22), dayOf(5, 7)], mostElsewhere: 284 }
	});
}

/** The file: semicolons, decimal commas, three columns a unit, no lines for the night. */
export function kilnLaneExport(): string {
	const { times, units } = kilnLaneYear();
	const names = units.map((_, u) => `MI-${String(u + 1).padStart(2, '0')}`);
	const heading = [
		'Time',
		...names.flatMap((name) => [`${name} P (W)`, `${name} U (V)`, `${name} I (A)`])
	];
	const lines = [heading.join(';')];
	const figure = (value: number) => (Number.isNaN(value) ? '' : String(value).replace('.', ','));
	for (let t = 0; t < times.count; t++) {
		if (!units.some(({ power }) => power[t]! > 0)) continue;
		const stamp = new Date(times.start + t * times.step).toISOString();
		const cells = units.flatMap(({ power, volts: voltage, amps: current }) =>
			[power[t]!, voltage![t]!, current![t]!].map(figure)
		);
		lines.push(
			[
				`${stamp.slice(8, 10)}.${stamp.slice(5, 7)}.${stamp.slice(0, 4)} ${stamp.slice(11, 16)}`,
				...cells
			].join(';')
		);
	}
	return `${lines.join('\r\n')}\r\n`;
}
