import { factsOf, type Target, unitKey } from '$core/monitoring';
import type { ArrayRecord } from '$core/record';

interface NamedUnit {
	readonly name: string;
	readonly target: Target | null;
	readonly quantities: readonly string[];
}

/** A unit that a chart may show. */
export interface PartWith {
	readonly key: string;
	readonly label: string;
	/** W; 0 where not known */
	readonly labelWatts: number;
}

/** Units of a quantity as the charts ask for them: by part, or by name where nobody has matched them. */
export function partsWith(
	units: readonly NamedUnit[],
	quantity: string,
	record: ArrayRecord
): PartWith[] {
	const parts = new Map<string, PartWith>();
	for (const { name, target, quantities } of units) {
		if (!quantities.includes(quantity)) continue;
		const key = unitKey(name, target);
		const facts = target && factsOf(record, target);
		const label = facts?.label ?? (name || 'the whole export');
		if (!parts.has(key)) parts.set(key, { key, label, labelWatts: facts?.labelWatts ?? 0 });
	}
	return [...parts.values()];
}
