import { invalidate, invalidateAll } from '$app/navigation';
import { navigating } from '$app/state';

/**
 * Loads the page's data anew, or only what hangs on a name, once a navigation under way is through:
 * loading meanwhile would give that navigation up, and the press that began it would be lost.
 */
export async function loadAnew(dependency?: string): Promise<void> {
	// One that gives way to the next one rejects; the next one is waited for then.
	while (navigating.complete) await navigating.complete.catch(() => undefined);
	await (dependency === undefined ? invalidateAll() : invalidate(dependency));
}
