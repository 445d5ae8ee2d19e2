const ESCAPES: Readonly<Record<string, string>> = {
	'&': '&amp;',
	'<': '&lt;',
	'>': '&gt;',
	'"': '&quot;'
};

/** Words as they may stand in markup and its attributes. */
export function escapeMarkup(words: string): string {
	return words.replace(/[&<>"]/g, (letter) => ESCAPES[letter]!);
}
