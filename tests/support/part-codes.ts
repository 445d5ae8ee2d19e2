import type { NameOfPart } from '$core/record';

/** Names parts by their codes, where a test is about something else than their names. */
export const partCode: NameOfPart = (kind) => kind;
