import { strFromU8, unzipSync } from 'fflate';
import {
	LARGEST_ARCHIVE,
	LARGEST_FILE,
	readVisitDocument,
	type Problem
} from '$core/document/file';
import type { PhotographLine } from '$core/document/photograph';
import { pictureFile } from '$core/document/picture';
import { readSiteDocument, SITE_FORMAT, type SiteDocument } from '$core/document/site';
import type { VisitDocument } from '$core/document/visit';
import { refuse, succeed, type Result } from '$core/units/result';
import { fitToStore, type DecodedPicture } from '../photographs/decode';
import type { Pictures } from '../repositories/import';
import { SITE_FILE, VISIT_FILE } from './names';

/** What somebody hands in: a visit or a site, as a bare file or with its photographs. */
export type HandedIn =
	| { readonly kind: 'visit'; readonly document: VisitDocument; readonly pictures: Pictures }
	| { readonly kind: 'site'; readonly document: SiteDocument; readonly pictures: Pictures };

/** A site of many years in one file has more than a visit. */
const LARGEST_SITE_FILE = 2 * LARGEST_FILE;

const isZip = (bytes: Uint8Array) => bytes[0] === 0x50 && bytes[1] === 0x4b;

/** Reads what was handed in, by its content, whatever its name says. */
export async function readHandedIn(bytes: Uint8Array): Promise<Result<HandedIn, Problem>> {
	if (!isZip(bytes)) return readBare(strFromU8(bytes), new Map());
	let files: Record<string, Uint8Array>;
	let unpacked = 0;
	try {
		files = unzipSync(bytes, {
			filter: ({ name, originalSize }) => {
				const wanted = name === VISIT_FILE || name === SITE_FILE || name.startsWith('photographs/');
				if (!wanted) return false;
				unpacked += originalSize;
				if (unpacked > LARGEST_ARCHIVE) throw new Error('it unpacks to far more than it should');
				return true;
			}
		});
	} catch (error) {
		return refuse({
			what: `The archive cannot be unpacked: ${error instanceof Error ? error.message : String(error)}.`,
			where: '',
			mend: 'Copy it again, or export it again from the Zembo that made it.'
		});
	}
	const file = files[SITE_FILE] ?? files[VISIT_FILE];
	if (!file) {
		return refuse({
			what: `The archive holds neither ${VISIT_FILE} nor ${SITE_FILE}.`,
			where: '',
			mend: 'Choose an archive that Zembo exported.'
		});
	}
	const bare = readBare(strFromU8(file), new Map());
	if (!bare.ok) return bare;
	const { value } = bare;
	const photographs =
		value.kind === 'site'
			? value.document.visits.flatMap((visit) => visit.photographs)
			: value.document.photographs;
	const pictures = await picturesOf(photographs, files);
	return pictures.ok ? succeed({ ...value, pictures: pictures.value }) : pictures;
}

function readBare(text: string, pictures: Pictures): Result<HandedIn, Problem> {
	const isSite = text.slice(0, 400).includes(`"${SITE_FORMAT}"`);
	if (isSite && text.length <= LARGEST_SITE_FILE) {
		const site = readSiteDocument(text);
		return site.ok ? succeed({ kind: 'site', document: site.value, pictures }) : site;
	}
	const visit = readVisitDocument(text);
	return visit.ok ? succeed({ kind: 'visit', document: visit.value, pictures }) : visit;
}

/**
 * Pictures of the photographs that the file names, as they are stored. One that could not be decoded where
 * the archive was made is an empty file there, and is not taken in.
 */
async function picturesOf(
	photographs: readonly PhotographLine[],
	files: Readonly<Record<string, Uint8Array>>
): Promise<Result<Pictures, Problem>> {
	const pictures = new Map<string, DecodedPicture>();
	for (const photograph of photographs) {
		const where = pictureFile(photograph);
		const bytes = files[where];
		const mend = 'Export the archive again; this picture is not the one stored.';
		if (!bytes)
			return refuse({ what: 'A photograph that the file names is missing.', where, mend });
		if (bytes.length === 0) continue;
		const picture = await fitToStore(bytes);
		if (!picture.ok) return refuse({ what: picture.problem, where, mend });
		pictures.set(photograph.id, picture.value);
	}
	return succeed(pictures);
}
