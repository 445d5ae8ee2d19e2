/** How far reports are that somebody waits for, by the number they gave: a share, 0 to 1. */
const jobs = new Map<string, number>();

export function progressOfJob(job: string): number | null {
	return jobs.get(job) ?? null;
}

/**
 * The pieces of a file whose progress can be asked for until the last is handed out.
 *
 * @param make told where to say its progress
 */
export async function* withProgress(
	job: string | undefined,
	make: (onProgress: (share: number) => void) => AsyncIterable<Uint8Array>
): AsyncGenerator<Uint8Array> {
	if (job === undefined) return yield* make(() => undefined);
	jobs.set(job, 0);
	try {
		yield* make((share) => jobs.set(job, share));
	} finally {
		jobs.delete(job);
	}
}
