import { open, readFile, writeFile } from 'node:fs/promises';
import { join } from 'node:path';
import {
	LARGEST_ARCHIVE,
	LARGEST_FILE,
	type PhotographLine,
	pictureFile,
	type Problem,
	readSiteDocument,
	readVisitDocument,
	SITE_FORMAT,
	type SiteDocument,
	type VisitDocument
} from '$core/document';
import { refuse, type Result, succeed } from '$core/units';
import { fitToStore } from '../photographs/decode';
import type { Pictures, WaitingPicture } from '../repositories/import';
import { SITE_FILE, VISIT_FILE } from './names';
import { Unpacked } from './unpack';

/** What somebody hands in: a visit or a site, as a bare file or with its photographs. */
export type HandedIn =
	| { readonly kind: 'visit'; readonly document: VisitDocument; readonly pictures: Pictures }
	| { readonly kind: 'site'; readonly document: SiteDocument; readonly pictures: Pictures };

/** A site of many years in one file has more than a visit. */
const LARGEST_SITE_FILE = 2 * LARGEST_FILE;

const isWanted = (name: string) =>
	name === VISIT_FILE || name === SITE_FILE || name.startsWith('photographs/');

/**
 * Reads what was handed in, by its content, whatever its name says.
 *
 * @param path of the file
 * @param folder for its pictures, which wait there until they are stored
 */
export async function readHandedIn(
	path: string,
	folder: string
): Promise<Result<HandedIn, Problem>> {
	if (!(await isZip(path))) return readBare(await readFile(path, 'utf8'), new Map());
	let archive: Unpacked | null = null;
	try {
		archive = await Unpacked.open(path, isWanted, LARGEST_ARCHIVE);
		return await readUnpacked(archive, folder);
	} catch (error) {
		// A full disk is no fault of the archive.
		if (error instanceof Error && 'syscall' in error) throw error;
		return refuse({
			what: `The archive cannot be unpacked: ${error instanceof Error ? error.message : String(error)}.`,
			where: '',
			mend: 'Copy it again, or export it again from the Zembo that made it.'
		});
	} finally {
		archive?.close();
	}
}

async function isZip(path: string): Promise<boolean> {
	const file = await open(path);
	try {
		const { buffer } = await file.read(Buffer.alloc(2), 0, 2, 0);
		return buffer.toString('latin1') === 'PK';
	} finally {
		await file.close();
	}
}

async function readUnpacked(archive: Unpacked, folder: string): Promise<Result<HandedIn, Problem>> {
	const file = (await archive.read(SITE_FILE)) ?? (await archive.read(VISIT_FILE));
	if (!file) {
		return refuse({
			what: `The archive holds neither ${VISIT_FILE} nor ${SITE_FILE}.`,
			where: '',
			mend: 'Choose an archive that Zembo exported.'
		});
	}
	const bare = readBare(file.toString('utf8'), new Map());
	if (!bare.ok) return bare;
	const { value } = bare;
	const photographs =
		value.kind === 'site'
			? value.document.visits.flatMap((visit) => visit.photographs)
			: value.document.photographs;
	const pictures = await picturesOf(photographs, archive, folder);
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
 * Pictures of the photographs that the file names, as they are stored, one after the other. One that could not be
 * decoded where the archive was made is an empty file there, and is not taken in.
 */
async function picturesOf(
	photographs: readonly PhotographLine[],
	archive: Unpacked,
	folder: string
): Promise<Result<Pictures, Problem>> {
	const pictures = new Map<string, WaitingPicture>();
	for (const photograph of photographs) {
		const where = pictureFile(photograph);
		const bytes = await archive.read(where);
		const mend = 'Export the archive again; this picture is not the one stored.';
		if (!bytes)
			return refuse({ what: 'A photograph that the file names is missing.', where, mend });
		if (bytes.length === 0) continue;
		const picture = await fitToStore(bytes);
		if (!picture.ok) return refuse({ what: picture.problem, where, mend });
		const { bytes: fit, ...facts } = picture.value;
		const path = join(folder, `${pictures.size}.jpg`);
		await writeFile(path, fit);
		pictures.set(photograph.id, { ...facts, read: () => readFile(path) });
	}
	return succeed(pictures);
}
