/**
 * A difference in volts as a practitioner thinks of it: so many modules and sections short.
 */
export interface CountedDifference {
	/** Measured less expected, in modules. */
	readonly modules: number;
	/** Standard uncertainty, in modules. */
	readonly modulesSigma: number;
	/** Whole sections missing (positive) or too many (negative) that explain it; null if none do. */
	readonly substrings: number | null;
	readonly words: string;
}

/** A difference is told from nothing at this many standard uncertainties. */
const TOLD_APART = 2;
/** Volts this small a share of the expected are none. */
const NO_VOLTAGE = 0.06;

/**
 * @param measured V
 * @param expected V
 * @param sigma standard uncertainty of the expected value and reading together, V
 * @param moduleVoltage open-circuit voltage of one module here and now, V
 * @param sectionsPerModule bypass diodes in a module
 */
export function countDifference(
	measured: number,
	expected: number,
	sigma: number,
	moduleVoltage: number,
	substringsPerModule: number
): CountedDifference {
	const difference = measured - expected;
	const modules = difference / moduleVoltage;
	const modulesSigma = sigma / moduleVoltage;
	const counted = { modules, modulesSigma };
	if (measured < 0 && Math.abs(measured) > NO_VOLTAGE * expected) {
		return { ...counted, substrings: null, words: reversedWords(measured, expected, sigma) };
	}
	if (Math.abs(measured) <= NO_VOLTAGE * expected) {
		return { ...counted, substrings: null, words: 'no voltage: open circuit' };
	}
	if (Math.abs(difference) <= TOLD_APART * sigma) {
		return { ...counted, substrings: 0, words: 'no module or substring missing' };
	}
	const substringVoltage = moduleVoltage / substringsPerModule;
	if (TOLD_APART * sigma > substringVoltage) {
		return {
			...counted,
			substrings: null,
			words: `${Math.abs(modules).toFixed(1)} modules ${modules < 0 ? 'short' : 'too many'}, too uncertain to count substrings`
		};
	}
	const substrings = Math.round(-difference / substringVoltage);
	const rest = Math.abs(difference + substrings * substringVoltage);
	if (substrings === 0 || rest > Math.max(TOLD_APART * sigma, 0.25 * substringVoltage)) {
		return {
			...counted,
			substrings: null,
			words: `${Math.abs(modules).toFixed(2)} of a module ${modules < 0 ? 'short' : 'too many'}, not a whole substring`
		};
	}
	return {
		...counted,
		substrings,
		words: `about ${countWords(substrings, substringsPerModule)}`
	};
}

function reversedWords(measured: number, expected: number, sigma: number): string {
	return Math.abs(measured + expected) <= 3 * sigma
		? 'polarity reversed, magnitude correct'
		: 'polarity reversed, magnitude wrong too';
}

const NUMBER_WORDS = ['no', 'one', 'two', 'three', 'four', 'five', 'six'];
const numberWord = (n: number) => NUMBER_WORDS[n] ?? String(n);

/** "one substring short", "two modules and one substring short", "one module too many". */
function countWords(substrings: number, substringsPerModule: number): string {
	const total = Math.abs(substrings);
	const whole = Math.floor(total / substringsPerModule);
	const rest = total % substringsPerModule;
	const parts = [
		whole > 0 ? `${numberWord(whole)} module${whole > 1 ? 's' : ''}` : '',
		rest > 0 ? `${numberWord(rest)} substring${rest > 1 ? 's' : ''}` : ''
	].filter(Boolean);
	return `${parts.join(' and ')} ${substrings > 0 ? 'short' : 'too many'}`;
}
