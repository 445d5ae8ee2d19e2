/** A text as HTML that shows it: tooltips are set as HTML, and labels are whatever somebody typed. */
export function escaped(text: string): string {
	return text.replace(/[&<>"']/g, (letter) => `&#${letter.charCodeAt(0)};`);
}
