import type { CauseCode } from '../faults/fault';
import { FAULTS } from '../faults/codes';
import type { StringQuantity } from '../expectation/quantity';

/** A reading's place in words: "A3, open circuit". */
export function readingPlace(label: string, quantity: StringQuantity): string {
	const words: Readonly<Record<StringQuantity, string>> = {
		'open-circuit-voltage': 'open-circuit volts',
		'operating-current': 'operating current',
		'short-circuit-current': 'short-circuit current'
	};
	return `${label} ${words[quantity]}`;
}

/** A cause as the start of a sentence. */
export function causeWords(code: CauseCode): string {
	if (code === 'healthy') return 'Nothing wrong';
	if (code === 'reading-wrong') return 'This reading is wrong';
	if (code === 'conditions-wrong') return 'Light or heat not as stated';
	return FAULTS[code].words;
}

/** What is known of a string before its cause is: said while no line is likely enough to be named. */
export function knownWords(code: CauseCode): string {
	switch (code) {
		case 'bypass-diode-shorted':
		case 'section-open':
			return 'A section’s volts are missing';
		case 'module-missing':
			return 'A module’s volts are missing';
		case 'module-open':
		case 'connector-open':
			return 'The path is open';
		case 'fuse-blown':
			return 'Volts but no current';
		case 'module-reversed':
			return 'Two modules’ volts are missing';
		case 'connector-reversed':
			return 'Polarity reversed';
		case 'soiling':
		case 'connector-resistive':
			return 'Low current';
		case 'reading-wrong':
			return 'A doubtful reading';
		case 'conditions-wrong':
			return 'All strings alike';
		case 'healthy':
			return 'Nothing that these readings show';
	}
}

/** What would look the same and is not weighed yet. */
export function lookAlikes(codes: readonly CauseCode[]): string | null {
	if (codes.includes('soiling') || codes.includes('connector-resistive')) {
		return 'Shade, an aged module and a hot cell lower the current in the same way; this version does not weigh them.';
	}
	if (codes.includes('module-missing')) {
		return 'A shorted module, or an electronic device that is off, takes away the same volts; this version does not weigh them.';
	}
	if (codes.includes('fuse-blown')) {
		return 'An open blocking diode or disconnect looks the same; this version does not weigh them.';
	}
	return null;
}

/** "452.8 V" with as many digits as its uncertainty deserves. */
export function amount(value: number, unit: 'V' | 'A'): string {
	return `${value.toFixed(unit === 'V' ? 1 : 2)} ${unit}`;
}
