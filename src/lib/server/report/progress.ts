import { OWN_LANE, tellServer } from '../lanes/relay';

/** How far reports are that somebody waits for, by the number they gave: a share, 0 to 1. */
const jobs = new Map<string, number>();

/** @param share null where the job is over */
export function tellProgress(job: string, share: number | null): void {
	// People ask the server, not the lane in which the report is made.
	if (OWN_LANE !== null) return tellServer({ kind: 'progress', job, share });
	if (share === null) jobs.delete(job);
	else jobs.set(job, share);
}

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
	tellProgress(job, 0);
	try {
		yield* make((share) => tellProgress(job, share));
	} finally {
		tellProgress(job, null);
	}
}
