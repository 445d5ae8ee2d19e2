import { error, type WebDriver } from 'selenium-webdriver';

/**
 * The longest that anything is waited for, ms: a fuse for a busy machine, never a pause. Nothing that works
 * comes near it, so it costs time only where a test fails.
 */
export const WAIT = 120_000;
/** The longest that one script of the driver may run, ms; below the driver's own limit of 30 s. */
const ONE_LOOK = 20_000;

/**
 * Looks in the page itself, so that waiting costs the driver one call: when something of the page
 * changed, and now and then for what no change tells of, such as a field's value.
 */
const waiting = (look: string) => `
	const [asked, within, done] = arguments;
	const look = (${look});
	const began = performance.now();
	let changed = true;
	const watch = new MutationObserver(() => (changed = true));
	watch.observe(document, { subtree: true, childList: true, attributes: true, characterData: true });
	const again = (looks) => {
		const answer = changed || looks % 10 === 0 ? look(...asked) : null;
		changed = false;
		if (answer) {
			watch.disconnect();
			done(answer);
		} else if (performance.now() - began > within) {
			watch.disconnect();
			done(null);
		} else setTimeout(again, 20, looks + 1);
	};
	again(0);`;

/** What the driver says of a script whose page went away under it. */
const PAGE_LEFT = /unloaded|navigat|context|detached|not attached/;

/**
 * Waits until a look into the page finds something, over pages that come and go.
 *
 * @param look a function's text, that gives what is waited for, or nothing as yet
 * @returns what the look gave
 * @throws with the words given, when it finds nothing within {@link WAIT}
 */
export async function untilPage<Found>(
	driver: WebDriver,
	look: string,
	asked: readonly unknown[],
	words: string
): Promise<Found> {
	const end = Date.now() + WAIT;
	for (let left = WAIT; left > 0; left = end - Date.now()) {
		try {
			const found = await driver.executeAsyncScript<Found | null>(
				waiting(look),
				asked,
				Math.min(left, ONE_LOOK)
			);
			if (found) return found;
		} catch (cause) {
			const gone = cause instanceof error.WebDriverError && PAGE_LEFT.test(cause.message);
			if (!gone) throw cause;
		}
	}
	throw new Error(words);
}
