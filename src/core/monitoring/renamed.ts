/** A unit's name and the days for which it has samples, since 1970-01-01. */
interface NamedSpan {
	readonly name: string;
	readonly first: number;
	readonly last: number;
	readonly quantities: readonly string[];
}

/** Days between the end of the old name and the beginning of the new. */
const NEAR = 7;

/**
 * The name that a unit had before: the one whose samples of the same quantities end where this one's
 * begin. Null where none or more than one does.
 */
export function earlierName(unit: NamedSpan, all: readonly NamedSpan[]): string | null {
	const before = all.filter(
		(other) =>
			other.name !== unit.name &&
			other.last - unit.first <= 0 &&
			unit.first - other.last <= NEAR &&
			other.quantities.some((quantity) => unit.quantities.includes(quantity))
	);
	return before.length === 1 ? before[0]!.name : null;
}

/** Says that units of an export end where others begin, as they do when they are renamed; null where none do. */
export function renamedQuestion(all: readonly NamedSpan[]): string | null {
	const begun = all.filter((unit) =>
		all.some(
			(other) =>
				other.last <= unit.first &&
				unit.first - other.last <= NEAR &&
				other.first < other.last &&
				other.quantities.some((quantity) => unit.quantities.includes(quantity))
		)
	);
	if (begun.length === 0) return null;
	const names = begun.slice(0, 3).map(({ name }) => `“${name}”`);
	return `${names.join(', ')}${begun.length > 3 ? ` and ${begun.length - 3} more` : ''} ${begun.length === 1 ? 'begins' : 'begin'} where other units end. If they were renamed, match both names to the same part of the record.`;
}
