export const PAGE_SIZES = ['A4', 'LETTER'] as const;
export type ReportPage = (typeof PAGE_SIZES)[number];
