import { mkdirSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { afterEach, expect, it, vi } from 'vitest';
import { withTemporaryFolder } from '../temporary-folder';
import { backUpInOwnProcess } from './own-process';

afterEach(() => vi.unstubAllEnvs());

const DATABASE = '/srv/zembo/zembo.db';

/** What comes of a copy for which a tool with this text is started. */
const by = (tool: string) =>
	withTemporaryFolder(async (folder) => {
		writeFileSync(join(folder, 'package.json'), '{"type":"module"}');
		writeFileSync(join(folder, 'backup.js'), tool);
		vi.stubEnv('ZEMBO_TOOLS', folder);
		return backUpInOwnProcess(DATABASE, Date.now());
	});

it('is asked for a copy of this database now', async () => {
	const told = `process.argv[2] === 'now' && process.env.ZEMBO_DATABASE === '${DATABASE}' || process.exit(1)`;
	expect(await by(told)).toBeNull();
});

it('says what the other process says where it fails', async () => {
	expect(await by(`console.error('The disk is full.'); process.exit(1)`)).toBe('The disk is full.');
	expect(await by('process.exit(3)')).toMatch(/backup\.js/);
});

it('is made here where the tool is not built', () =>
	withTemporaryFolder(async (folder) => {
		vi.stubEnv('ZEMBO_TOOLS', folder);
		mkdirSync(join(folder, 'data'));
		expect(await backUpInOwnProcess(join(folder, 'data', 'none.db'), Date.now())).toContain(
			'none.db'
		);
	}));
