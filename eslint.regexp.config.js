import regexp from 'eslint-plugin-regexp';
import ts from 'typescript-eslint';

/*
 * Regular expressions alone: one that backtracks takes minutes over a line that somebody made for it. Everything else
 * of TypeScript files is oxlint's business.
 */
export default [
	{
		ignores: ['**/*.svelte.ts'],
		files: ['src/**/*.ts', 'scripts/**/*.mjs', 'demo/**/*.ts', 'instruments/**/*.ts'],
		languageOptions: { parser: ts.parser },
		linterOptions: { noInlineConfig: true, reportUnusedDisableDirectives: 'off' },
		plugins: { regexp },
		rules: {
			'regexp/no-super-linear-backtracking': ['error', { report: 'potential' }],
			'regexp/no-super-linear-move': ['error', { report: 'potential' }],
			'regexp/no-misleading-capturing-group': 'error',
			'regexp/optimal-quantifier-concatenation': 'error'
		}
	}
];
