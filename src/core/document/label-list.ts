const RUN = /^(\p{L}*)(\d+)[-\u2013](?:\1)?(\d+)$/u;

/** Marks of a list: "A1-A4, B1" is A1, A2, A3, A4, B1. */
export function expandLabels(list: string): string[] {
	return list
		.split(/[\s,;]+/)
		.filter(Boolean)
		.flatMap((item) => {
			const run = RUN.exec(item);
			if (!run) return [item];
			const [, letters = '', first, last] = run;
			const from = Number(first);
			const to = Number(last);
			if (to < from || to - from > 500) return [item];
			return Array.from({ length: to - from + 1 }, (_, i) => `${letters}${from + i}`);
		});
}
