import { NEC_SIZES } from './nec-tables';

/** Square millimetres of a thousand circular mils. */
const MM2_PER_KCMIL = 0.506707;

/**
 * Cross-section of a size as people write it: "10 AWG", "#10", "2/0", "250 kcmil", "250 MCM", "6 mm²",
 * "6" (mm²). A decimal comma is read as a point.
 *
 * @returns mm2; null where the text names no size
 */
export function cableArea(typed: string | number): number | null {
	if (typeof typed === 'number') return Number.isFinite(typed) && typed > 0 ? typed : null;
	const text = typed.trim().toLowerCase().replace(',', '.');
	const aught = /^#?\s*([1-4]\/0)\s*(?:awg)?$/.exec(text);
	if (aught) return areaOfRow(`${aught[1]} AWG`);
	const gauge = /^#\s*(\d{1,2})$|^#?\s*(\d{1,2})\s*awg$/.exec(text);
	if (gauge) return areaOfRow(`${Number(gauge[1] ?? gauge[2])} AWG`);
	const circular = /^(\d{3,4})\s*(?:kcmil|mcm)$/.exec(text);
	if (circular) return Number(circular[1]) * MM2_PER_KCMIL;
	const metric = /^(\d+(?:\.\d+)?)\s*(?:mm2|mm²|sqmm)?$/.exec(text);
	return metric && Number(metric[1]) > 0 ? Number(metric[1]) : null;
}

/** Odd gauges that the tables leave out have their area by the gauge's definition (ASTM B258). */
function areaOfRow(name: string): number | null {
	const row = NEC_SIZES.find((size) => size.name === name);
	if (row) return row.area;
	const gauge = /^(\d+) AWG$/.exec(name)?.[1];
	if (gauge === undefined || Number(gauge) > 24) return null;
	const diameter = 0.127 * 92 ** ((36 - Number(gauge)) / 39);
	return (Math.PI / 4) * diameter ** 2;
}
