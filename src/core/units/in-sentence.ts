/** A heading as it stands within a sentence: "operating current", but "AC power". */
export function inSentence(words: string): string {
	const [first = '', second = ''] = words;
	const isAcronym = second !== '' && second !== second.toLowerCase();
	return isAcronym || second === '-' ? words : first.toLowerCase() + words.slice(1);
}
