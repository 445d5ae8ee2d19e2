import type { Random } from './random';

/*
 * Bodies: valid ones of every entry that Zembo takes, and what is made of them by dropping, exchanging and blowing up
 * their parts. A schema lets none of the latter through by chance alone, so most of them are near to valid.
 */

type Json = null | boolean | number | string | Json[] | { [key: string]: Json };

/** Values that have broken programs before. */
const ODD: readonly Json[] = [
	null,
	true,
	0,
	-1,
	1e308,
	-1e-308,
	Number.MAX_SAFE_INTEGER,
	2 ** 31,
	'',
	' ',
	'0',
	'OL',
	'\u0000',
	'\ud800',
	'=1+1',
	'picture:019c0000-0008-7000-8000-000000000001',
	'<script>alert(1)</script>',
	'../../../etc/passwd',
	"' or 1=1 --",
	'__proto__',
	'0000-00-00T00:00:00Z',
	'2026-02-30T25:61:61Z',
	'+275760-09-13T00:00:00.000Z',
	'9999-12-31T23:59:59Z',
	'0001-01-01T00:00:00Z',
	'019a8000-0000-7000-8000-000000000010',
	'ﷺ'.repeat(200),
	'x'.repeat(5000),
	[],
	{},
	{ __proto__: null },
	[[[[[[[[]]]]]]]]
];

/** A valid body, or one that is nearly so. */
export function mutated(body: unknown, random: Random): Json {
	let made = structuredClone(body) as Json;
	const changes = random.below(4);
	for (let i = 0; i < changes; i++) made = changedOnce(made, random);
	return made;
}

function changedOnce(value: Json, random: Random): Json {
	if (typeof value !== 'object' || value === null || random.below(6) === 0) {
		return random.below(3) === 0 && typeof value === 'number'
			? value * random.of([0, -1, 10, 1e6, 0.1])
			: random.of(ODD);
	}
	if (Array.isArray(value)) {
		const at = random.below(value.length + 1);
		if (at === value.length) return [...value, value[0] ?? random.of(ODD)];
		if (random.below(4) === 0) return value.filter((_, i) => i !== at);
		return value.map((one, i) => (i === at ? changedOnce(one, random) : one));
	}
	const keys = Object.keys(value);
	const key = keys.length > 0 ? random.of(keys) : 'key';
	switch (random.below(8)) {
		case 0: {
			const { [key]: _, ...rest } = value;
			return rest;
		}
		case 1:
			return { ...value, [random.of(['extra', '__proto__', 'constructor', 'id'])]: random.of(ODD) };
		default:
			return { ...value, [key]: changedOnce(value[key] ?? null, random) };
	}
}

/** Bytes that are no body of any kind, each with a content type. */
export function rawBody(random: Random): { readonly type: string; readonly bytes: Uint8Array } {
	const text = (type: string, words: string) => ({ type, bytes: new TextEncoder().encode(words) });
	const boundary = 'multipart/form-data; boundary=b';
	switch (random.below(9)) {
		case 0:
			return text('application/json', '{"a":'.repeat(30_000));
		case 1:
			return text('application/json', '[1,2');
		case 2:
			return text(boundary, '--b\r\nContent-Disposition: form-data; name="file"; filename="a');
		case 3:
			return text(boundary, 'no boundary at all');
		case 4:
			return text('multipart/form-data', '--b--');
		case 5:
			return text('application/x-www-form-urlencoded', '%zz=%&name=%00&__superform_json=[1');
		case 6:
			return text('text/plain', 'words');
		case 7: {
			const page = String(random.below(10 ** 6));
			const file = `--b\r\nContent-Disposition: form-data; name="file"; filename="${page}.zip"\r\n\r\nPK\u0003\u0004${page}\r\n--b--\r\n`;
			return text(boundary, file);
		}
		default:
			return { type: 'application/octet-stream', bytes: random.bytes(random.below(4000)) };
	}
}
