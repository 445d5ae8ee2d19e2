import { invalidate, invalidateAll } from '$app/navigation';
import { navigating } from '$app/state';

/**
 * Loads the page's data anew, or only what hangs on a name, once a navigation under way is through:
 * loading meanwhile would give that navigation up, and the press that began it would be lost.
 *
 * Without a server nothing is loaded: the page would give way to one of an error, with all that it holds. A line that
 * is heard loads anew when it stands again.
 */
export async function loadAnew(dependency?: string): Promise<void> {
	if (!(await serverAnswers())) return;
	// One that gives way to the next one rejects; the next one is waited for then.
	while (navigating.complete) await navigating.complete.catch(() => undefined);
	await (dependency === undefined ? invalidateAll() : invalidate(dependency));
}

/** Whether the server can be reached, by what it answers most cheaply. */
async function serverAnswers(): Promise<boolean> {
	try {
		const { status } = await fetch('/_app/version.json', { cache: 'no-store' });
		// A proxy answers for a server that is gone.
		return status < 500;
	} catch {
		return false;
	}
}
