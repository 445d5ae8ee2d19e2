import { existsSync, readFileSync } from 'node:fs';
import { parse } from 'yaml';
import { expect, it } from 'vitest';

/* docs/glossary.md beside what it speaks of: the files it names, and the words that the check refuses. */

const rows = readFileSync('docs/glossary.md', 'utf8')
	.split('\n')
	.filter((line) => line.startsWith('| ') && !line.startsWith('| term '))
	.map((line) =>
		line
			.split('|')
			.slice(1, -1)
			.map((cell) => cell.trim())
	);

it.each(rows.map((row) => [row[0]!, row]))('%s is complete, and its file is there', (_, row) => {
	expect(row).toHaveLength(5);
	expect(row.every((cell) => cell !== '')).toBe(true);
	expect(existsSync(row[3]!.replaceAll('`', '')), row[3]).toBe(true);
});

it('every refused word stands beside the term to say instead', () => {
	const { flagWords } = parse(readFileSync('cspell.config.yaml', 'utf8')) as {
		flagWords: readonly string[];
	};
	const instead = new Set(rows.flatMap((row) => row[4]!.split(', ')));
	const refused = flagWords.map((entry) => entry.split('->')[0]!);
	expect(refused.filter((word) => !instead.has(word))).toEqual([]);
});
