/** Segments of addresses of earlier versions, which stand in bookmarks and printed QR codes, and what they are now. */
const OF_SITE = { 'take-over': 'array-record', watch: 'monitoring' };
const OF_VISIT = {
	plan: 'test-plan',
	'make-safe': 'isolation',
	conditions: 'test-conditions',
	measure: 'measurements',
	inspect: 'inspection',
	compare: 'comparison',
	trace: 'diagnosis',
	'put-right': 'repair',
	'hand-over': 'report'
};

const PATTERNS: readonly (readonly [RegExp, (...parts: string[]) => string])[] = [
	[
		pattern(String.raw`(/sites/[^/]+)`, OF_SITE),
		(site, stage, rest) => `${site}/${nowOf(OF_SITE, stage)}${rest}`
	],
	[
		pattern(String.raw`(/visits/[^/]+)`, OF_VISIT),
		(visit, stage, rest) => `${visit}/${nowOf(OF_VISIT, stage)}${rest}`
	],
	[/^\/practise(\/.*)?$/, (rest) => `/training${rest}`],
	[
		/^\/bench\/piles(?:(\/[^/]+)(?:(\/mix)|(\/.*))?)?$/,
		(batch, mix, rest) => `/bench/batches${batch}${mix === '' ? rest : '/configuration'}`
	]
];

function pattern(before: string, segments: Readonly<Record<string, string>>): RegExp {
	return new RegExp(`^${before}/(${Object.keys(segments).join('|')})(/.*)?$`);
}

function nowOf(segments: Readonly<Record<string, string>>, stage: string | undefined): string {
	return segments[stage ?? ''] ?? '';
}

/**
 * Where a page of an earlier version is today.
 *
 * @param path of an address, without its query
 * @returns null where the path is none of an earlier version
 */
export function currentPath(path: string): string | null {
	for (const [earlier, now] of PATTERNS) {
		const found = earlier.exec(path);
		if (found) return now(...found.slice(1).map((part) => part ?? ''));
	}
	return null;
}
