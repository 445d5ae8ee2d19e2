import type { ModuleType, SiteRules } from '../record';
import { coldModuleVoltage } from './cold-voltage';
import { vmpAt } from './hot-voltage';

/** What is taken where nobody has said yet, degC; judgement. */
const ASSUMED = { lowest: -15, hottestCell: 70 } as const;

/** What is known of the inverters behind an array whose strings are not known. */
export interface InvertersSeen {
	readonly count: number;
	/** Inputs of each; null where not known. */
	readonly inputs: number | null;
	/** V */
	readonly maxVolts: number | null;
	readonly windowLow: number | null;
	readonly windowHigh: number | null;
}

/** A way the modules may be strung. */
export interface ProbableStrings {
	readonly strings: number;
	readonly modulesPerString: number;
	/** What speaks for it. */
	readonly reasons: readonly string[];
}

/** Ways that are shown. */
const SHOWN = 3;

/**
 * How so many equal modules are probably strung: strings of one length that stay under the highest DC
 * volts when cold, above the window's floor when hot, and share out over the inputs. Judgement ranks
 * them: an even share of inputs, strings as long as a row, and volts in the middle of the window.
 *
 * @param row modules in a row, as counted
 */
export function probableStrings(
	modules: number,
	row: number,
	type: ModuleType,
	rules: SiteRules,
	{ count, inputs, maxVolts: maxVoltage, windowLow, windowHigh }: InvertersSeen
): ProbableStrings[] {
	const lowest = rules.lowest ?? ASSUMED.lowest;
	// Where the US table does not cover the technology a proposal may rest on its typical coefficient.
	const cold =
		coldModuleVoltage(type, { ...rules, lowest }) ??
		coldModuleVoltage(type, { ...rules, lowest, profile: 'IEC' })!;
	const hot = vmpAt(type, rules.hottestCell ?? ASSUMED.hottestCell);
	const ceiling = maxVoltage ?? type.limits.systemVolts ?? 1000;
	const floor = windowLow ?? 0;
	const middle = windowLow !== null && windowHigh !== null ? (windowLow + windowHigh) / 2 : null;
	const lines = count * (inputs ?? 1);
	const ways: { way: ProbableStrings; score: number }[] = [];
	for (let length = 1; length <= modules; length++) {
		if (modules % length !== 0 || length * cold > ceiling || length * hot < floor) continue;
		const strings = modules / length;
		if (strings < count) continue;
		const reasons = [
			`Voc ${(length * cold).toFixed(1)} V at ${lowest} °C, maximum ${ceiling} V`,
			...(windowLow === null
				? []
				: [`Vmp ${(length * hot).toFixed(1)} V hot, window from ${windowLow} V`])
		];
		let score = 0;
		if (lines > 1 && strings % lines === 0) {
			score += 2;
			reasons.push(strings === lines ? 'one to each input' : `${strings / lines} to each input`);
		} else if (strings % count === 0) score += 1;
		if (length === row || (row % length === 0 && length > 1)) {
			score += 1;
			reasons.push(length === row ? 'as long as a row' : `${row / length} to a row`);
		}
		if (middle !== null) score += 2 * Math.max(0, 1 - Math.abs(length * hot - middle) / middle);
		else score += (length * cold) / ceiling;
		ways.push({ way: { strings, modulesPerString: length, reasons }, score });
	}
	return ways
		.sort((a, b) => b.score - a.score)
		.slice(0, SHOWN)
		.map(({ way }) => way);
}
