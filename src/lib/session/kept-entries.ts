/* What is typed and not stored yet, kept over a reload of the page, by visit. */

export interface KeptEntries {
	/** Figures by place. */
	readonly typed: Readonly<Record<string, string>>;
	/** Running volts by input. */
	readonly bus: Readonly<Record<string, string>>;
}

const NONE: KeptEntries = { typed: {}, bus: {} };
const nameOf = (visitId: string) => `zembo-typed-${visitId}`;

/** What was typed before the page was loaded again. */
export function keptEntries(visitId: string): KeptEntries {
	const text = globalThis.sessionStorage?.getItem(nameOf(visitId));
	if (!text) return NONE;
	try {
		return { ...NONE, ...(JSON.parse(text) as Partial<KeptEntries>) };
	} catch {
		return NONE;
	}
}

export function keepEntries(visitId: string, entries: KeptEntries): void {
	const some = [entries.typed, entries.bus].some((list) => Object.values(list).some(Boolean));
	if (some) sessionStorage.setItem(nameOf(visitId), JSON.stringify(entries));
	else sessionStorage.removeItem(nameOf(visitId));
}
