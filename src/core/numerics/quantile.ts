/** Median of some numbers; NaN of none. */
export function median(values: ArrayLike<number>): number {
	return quantile(values, 0.5);
}

/** Quantile between neighbours, 0 to 1; NaN of none. Sorts a copy. */
export function quantile(values: ArrayLike<number>, share: number): number {
	const sorted = new Float64Array(values).sort();
	if (sorted.length === 0) return Number.NaN;
	const at = share * (sorted.length - 1);
	const low = Math.floor(at);
	const high = Math.min(low + 1, sorted.length - 1);
	return sorted[low]! + (at - low) * (sorted[high]! - sorted[low]!);
}
