import { mkdtemp, rm } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';

/** A folder for as long as something is done with it. */
export async function withTemporaryFolder<T>(act: (folder: string) => Promise<T>): Promise<T> {
	const folder = await mkdtemp(join(tmpdir(), 'zembo-'));
	try {
		return await act(folder);
	} finally {
		await rm(folder, { recursive: true, force: true });
	}
}
