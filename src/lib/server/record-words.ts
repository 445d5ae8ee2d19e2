import type { RecordRefusal } from './repositories/sites';

/** Why a record was not stored, for the person who meant to. */
export function refusalWords(refusal: RecordRefusal): string {
	switch (refusal.kind) {
		case 'no-such-site':
			return 'This site is no longer in Zembo.';
		case 'changed-meanwhile':
			return `Somebody changed the same entry meanwhile (the record is revision ${refusal.newest.number} now). What you typed is kept: look at the new record on this page, then store again.`;
		case 'refused':
			return refusal.words;
	}
}
