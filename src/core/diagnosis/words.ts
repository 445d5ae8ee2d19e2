import { inSentence } from '../units';
import type { CauseCode } from '../faults';
import { FAULTS, type Quantity, QUANTITY_FACTS } from '../visit';

/** A reading's place in words: "A3 open-circuit voltage". */
export function readingPlace(label: string, quantity: Quantity): string {
	return `${label} ${inSentence(QUANTITY_FACTS[quantity].words)}`;
}

/** A cause as the start of a sentence. */
export function causeWords(code: CauseCode): string {
	if (code === 'healthy') return 'Nothing wrong';
	if (code === 'reading-wrong') return 'This reading is wrong';
	if (code === 'conditions-wrong') return 'Irradiance or cell temperature not as stated';
	if (code === 'record-wrong') return 'Modules of another type than recorded';
	return FAULTS[code].words;
}

/** What is known before the cause is: said while no line is likely enough to be named. */
export function knownWords(code: CauseCode): string {
	switch (code) {
		case 'bypass-diode-shorted':
		case 'section-open':
			return 'Voltage low by one substring';
		case 'module-missing':
		case 'module-shorted':
		case 'rsd-device-off':
			return 'Voltage low by one module';
		case 'module-extra':
			return 'More voltage than recorded';
		case 'module-open':
		case 'connector-open':
			return 'String open-circuit';
		case 'fuse-blown':
		case 'blocking-diode-open':
			return 'Voltage but no current';
		case 'disconnect-open':
			return 'Voltage but no current';
		case 'module-reversed':
			return 'Voltage low by two modules';
		case 'connector-reversed':
			return 'Polarity reversed';
		case 'soiling':
		case 'shade':
		case 'module-degraded':
		case 'connector-resistive':
		case 'hot-cell':
		case 'section-resistive':
		case 'module-pid':
			return 'Low current';
		case 'module-wrong-type':
		case 'record-wrong':
			return 'Voltage and current differ from the record';
		case 'earth-fault':
			return 'A pole is connected to earth';
		case 'rsd-no-signal':
			return 'Voltage low on all strings';
		case 'inverter-no-ac':
		case 'inverter-derating':
		case 'mppt-mode-wrong':
			return 'Inverter draws less than available';
		case 'strings-swapped':
			return 'Two strings interchanged';
		case 'unequal-parallel':
			return 'Unequal strings on one input';
		case 'clipping':
			return 'The inverter is at its rating';
		case 'reading-wrong':
			return 'Doubtful reading';
		case 'conditions-wrong':
			return 'All strings deviate alike';
		case 'healthy':
			return 'No fault that these readings show';
		case 'bypass-diode-open':
		case 'fuse-wrong-rating':
		case 'blocking-diode-shorted':
		case 'rsd-device-stuck-on':
		case 'spd-failed':
		case 'disconnect-welded':
		case 'gfdi-fuse-blown':
			return 'Equipment fault';
		case 'cable-damaged':
		case 'moisture-intermittent':
			return 'Low insulation resistance when wet';
		case 'arc-fault':
			return 'AFCI trip';
		case 'controller-mismatch':
			return 'Controller and strings do not match';
		case 'optimiser-dead':
			return 'Standby voltage low';
		case 'micro-inverter-dead':
			return 'Unit power low';
	}
}

const LOW_CURRENT: readonly CauseCode[] = [
	'soiling',
	'shade',
	'module-degraded',
	'connector-resistive'
];

/** What would look the same and is told apart only by looking further. */
export function lookAlikes(codes: readonly CauseCode[]): string | null {
	if (codes.some((code) => LOW_CURRENT.includes(code))) {
		return 'A hot cell, a cracked ribbon or a leaking module lower the current in the same way; they are weighed as lines of their own and are rarer.';
	}
	if (codes.includes('cable-damaged') || codes.includes('moisture-intermittent')) {
		return 'A cable leaks as soon as it is sprayed; moisture goes with the dew: take it again at noon.';
	}
	if (codes.includes('earth-fault')) {
		return 'A damaged cable, moisture on wet mornings or a spent surge protector hold a pole to earth in the same way: isolate them and measure again.';
	}
	return null;
}

/** "452.8 V" with as many digits as its uncertainty deserves. */
export function amount(value: number, unit: string): string {
	if (unit === 'V') return `${value.toFixed(Math.abs(value) < 10 ? 2 : 1)} V`;
	if (unit === 'A') return `${value.toFixed(2)} A`;
	if (unit === 'ohm' && value >= 1e5) return 'open';
	const digits = Math.abs(value) >= 100 ? 0 : Math.abs(value) >= 10 ? 1 : 2;
	return `${Number(value.toFixed(digits))} ${unit}`.trim();
}
