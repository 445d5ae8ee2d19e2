import { describe, expect, it } from 'vitest';
import { SALTMARSH } from '../../../tests/support/sites';
import type { Assessment } from '$core/diagnosis';
import { remarkWords } from './answer-words';

const { record } = SALTMARSH;
const [a1, a2] = record.strings;
const words = (remarks: Assessment['remarks']) => remarkWords({ remarks, causes: [] }, record);

describe('remarks in words', () => {
	it('say each thing once, however many tests it withholds', () => {
		const withheld = (string: string) =>
			({
				code: 'test-withheld',
				quantity: 'stretch-voltage',
				place: { kind: 'stretch', string, from: 0, to: 6 },
				because: 'insulation-first',
				finding: { kind: 'string', stringId: a1!.id }
			}) as const;
		const said = words([withheld(a1!.id), withheld(a2!.id)]);
		expect(said).toHaveLength(1);
		expect(said[0]).toContain('A1');
	});

	it('name the place of what withholds a wet test', () => {
		const [said] = words([
			{
				code: 'test-withheld',
				quantity: 'insulation-wet',
				place: { kind: 'array' },
				because: 'broken-glass',
				finding: { kind: 'module', stringId: a2!.id, module: 4 }
			}
		]);
		expect(said).toMatch(/^Wet insulation test.*A2, module 4/);
	});
});
