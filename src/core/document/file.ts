import type { z } from 'zod';
import { refuse, type Result, succeed } from '../units';
import { parseJson } from './parse-json';
import { upgradeReadings } from './upgrade';
import { FORMAT, VERSION, visitDocumentSchema, type VisitDocument } from './visit';

/** What is wrong with a file or an input, where, and how to mend it. */
export interface Problem {
	readonly what: string;
	/** Path inside the data, or empty. */
	readonly where: string;
	readonly mend: string;
}

/** Largest visit file that is read, bytes: one with as many entries as a visit may have. */
export const LARGEST_FILE = 64 * 1024 * 1024;
/** Largest archive that is read, bytes; 300 photographs of a site have about 100 MB. */
export const LARGEST_ARCHIVE = 256 * 1024 * 1024;

/** The largest upload that can be what its name says. */
export function largestUpload(name: string): number {
	return /\.zip$/i.test(name) ? LARGEST_ARCHIVE : LARGEST_FILE;
}

/** The refusal of a file that is too large. */
export function tooLarge(bytes: number, largest = LARGEST_FILE): Problem {
	const [has, most] = [bytes, largest].map((size) => (size / 1048576).toFixed(0));
	return {
		what:
			largest === LARGEST_ARCHIVE
				? `The archive has ${has} MB; at most ${most} MB are read.`
				: `The file has ${has} MB; a visit file has at most ${most} MB.`,
		where: '',
		mend: 'Choose a visit or an archive that Zembo exported.'
	};
}

/** First issue of a refused schema, in words. */
export function problemOf(error: z.ZodError): Problem {
	const [first] = error.issues;
	const more = error.issues.length - 1;
	return {
		what: `${first?.message ?? 'Not the expected form'}${more > 0 ? ` (and ${more} more)` : ''}`,
		where: first?.path.join('.') ?? '',
		mend: 'Mend the value at this place, or export the visit again.'
	};
}

/** Reads a visit file's text. */
export function readVisitDocument(text: string): Result<VisitDocument, Problem> {
	if (text.length > LARGEST_FILE) return refuse(tooLarge(text.length));
	const data = readJsonText(
		text,
		'Choose a file that Zembo exported as a visit; it ends in .json and begins with {.'
	);
	return data.ok ? readVisitData(data.value) : data;
}

/** What a file's text holds. @param mend what to do where it is no JSON */
export function readJsonText(text: string, mend: string): Result<unknown, Problem> {
	const read = parseJson(text);
	return read.ok
		? read
		: refuse({ what: `The file is not JSON that can be read: ${read.problem}`, where: '', mend });
}

/** What makes a file of an earlier version one of this version. */
const UPGRADES = new Map<unknown, (data: object) => object>([
	// What version 1 did not know of the array, the schema takes as unknown.
	[1, (data) => upgradeReadings(data)],
	[2, (data) => upgradeReadings(data)],
	// Versions 3 to 7 lack what the schema takes as none.
	[3, (data) => ({ ...data, version: VERSION })],
	[4, (data) => ({ ...data, version: VERSION })],
	[5, (data) => ({ ...data, version: VERSION })],
	[6, (data) => ({ ...data, version: VERSION })],
	[7, (data) => ({ ...data, version: VERSION })],
	[VERSION, (data) => data]
]);

/** Reads a visit from data that was parsed already. */
export function readVisitData(data: unknown): Result<VisitDocument, Problem> {
	const head = data as { format?: unknown; version?: unknown } | null;
	if (typeof data !== 'object' || data === null || head?.format !== FORMAT) {
		return refuse({
			what: 'This is not a Zembo visit.',
			where: 'format',
			mend: `A visit file says "format": "${FORMAT}".`
		});
	}
	const upgrade = UPGRADES.get(head.version);
	if (!upgrade) {
		return refuse({
			what: `The file is version ${String(head.version)} of ${FORMAT}; this Zembo reads version 1 to ${VERSION}.`,
			where: 'version',
			mend: 'Open it with the Zembo that wrote it, or export it from there in this version.'
		});
	}
	const parsed = visitDocumentSchema.safeParse(upgrade(data));
	return parsed.success ? succeed(parsed.data) : refuse(problemOf(parsed.error));
}

/**
 * The text of a visit file; the same visit always gives the same bytes. What an earlier version stored beyond the
 * schema of today is written as it is stored, so that it never stays behind.
 */
export function writeVisitDocument(document: VisitDocument): string {
	const { success, data } = visitDocumentSchema.safeParse(document);
	return `${JSON.stringify(success ? data : document, null, '\t')}\n`;
}
