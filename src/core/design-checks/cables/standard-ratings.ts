/** Standard ratings of fuses and breakers, A: NEC 240.6(A), not verified. */
export const NEC_RATINGS: readonly number[] = [
	1, 3, 6, 10, 15, 20, 25, 30, 35, 40, 45, 50, 60, 70, 80, 90, 100, 110, 125, 150, 175, 200, 225,
	250, 300, 350, 400, 450, 500, 600, 700, 800, 1000, 1200, 1600, 2000, 2500, 3000, 4000, 5000, 6000
];

/** Ratings of gPV fuse links and DC breakers in common use, A: IEC 60269-6, not verified. */
export const IEC_RATINGS: readonly number[] = [
	1, 2, 3, 4, 5, 6, 8, 10, 12, 15, 16, 20, 25, 30, 32, 35, 40, 50, 63, 80, 100, 125, 160, 200, 250,
	315, 400, 500, 630, 800, 1000, 1250, 1600
];

/** The smallest standard rating at or above a current, A; null above the largest. */
export function nextRating(ratings: readonly number[], current: number): number | null {
	return ratings.find((rating) => rating >= current) ?? null;
}

/** The largest standard rating at or below a current, A; null below the smallest. */
export function lowerRating(ratings: readonly number[], current: number): number | null {
	return ratings.findLast((rating) => rating <= current) ?? null;
}
