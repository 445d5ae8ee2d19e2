/** The mark that follows one: "7" after "6", "B8" after "B7"; empty where it ends in no number. */
export function markAfter(mark: string): string {
	const number = /(?<!\d)\d+$/.exec(mark);
	return number ? `${mark.slice(0, number.index)}${Number(number[0]) + 1}` : '';
}
