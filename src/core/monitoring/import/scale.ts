import { parseDecimal, refuse, type Result, succeed } from '../../units';

/** Largest factor that can be meant. */
const MOST = 1e6;

/**
 * The factor of a column that a logger measured through a shunt or a divider: "11", "1,3333", or as two figures,
 * "100/75" for a shunt of 100 A at 75 mV whose voltage stands in mV.
 *
 * @returns not 0; negative where a probe was the wrong way round
 */
export function parseScale(typed: string): Result<number, string> {
	const parts = typed.split('/').map((part) => parseDecimal(part.trim()));
	const [over, under] = parts;
	if (parts.length > 2 || !over?.ok || (under && !under.ok)) {
		return refuse(`“${typed}” is not a factor. Enter a figure such as 11, or two such as 100/75.`);
	}
	const scale = over.value / (under?.ok ? under.value : 1);
	return Number.isFinite(scale) && scale !== 0 && Math.abs(scale) <= MOST
		? succeed(scale)
		: refuse(`“${typed}” gives no factor between 0 and ${MOST}.`);
}
