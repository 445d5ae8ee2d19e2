import { factsOf, targetKey, type Target } from '$core/production/target';
import type { ArrayRecord } from '$core/record/record';

interface NamedUnit {
	readonly name: string;
	readonly target: Target | null;
	readonly quantities: readonly string[];
}

/** Units of a quantity as the charts ask for them: by part, or by name where nobody has matched them. */
export function partsWith(
	units: readonly NamedUnit[],
	quantity: string,
	record: ArrayRecord
): { key: string; label: string }[] {
	const parts = new Map<string, string>();
	for (const { name, target, quantities } of units) {
		if (!quantities.includes(quantity)) continue;
		const key = target ? targetKey(target) : `name:${name}`;
		const label = (target && factsOf(record, target)?.label) ?? (name || 'the whole export');
		if (!parts.has(key)) parts.set(key, label);
	}
	return [...parts].map(([key, label]) => ({ key, label }));
}
