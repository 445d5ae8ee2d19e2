import type { ArrayRecord } from '$core/record';
import { checkRecord, type CheckVerdict } from '$core/design-checks';
import { cell, heading, soft, type Block } from './block';

const CHECK_VERDICT_WORDS: Readonly<Record<CheckVerdict, string>> = {
	fail: 'Fail',
	'not-assessed': 'Not assessed',
	note: 'Note',
	pass: 'Pass'
};

/** Every design check of the record: what is required, what was found, by which clause. */
export function designCheckBlocks(record: ArrayRecord): Block[] {
	const checks = checkRecord(record);
	if (checks.length === 0) return [];
	return [
		heading('Design checks'),
		{
			kind: 'table',
			columns: [
				{ words: 'Check', width: 1.8 },
				{ words: 'Required', width: 1.8 },
				{ words: 'Found', width: 2 },
				{ words: 'Verdict', width: 0.8 }
			],
			rows: checks.map((check) => [
				cell(check.title, [check.about]),
				cell(check.required ?? '—', [check.clause]),
				cell(check.found ?? '—', check.remark === '' ? [] : [check.remark]),
				cell(CHECK_VERDICT_WORDS[check.verdict])
			])
		},
		soft(
			'Clauses were not verified against the text. The edition that the authority has adopted decides.'
		)
	];
}
