import type { Exposure } from '$core/isolation';

/** How a test exposes the person who does it, in words. */
export const EXPOSURE_WORDS: Readonly<Record<Exposure, string>> = {
	'closed-cover': 'covers closed',
	'open-cover-live': 'cover open, live',
	'open-cover-dead': 'cover open: prove dead first',
	'joint-dead': 'connector opened: confirm no current first',
	roof: 'on the roof'
};
