import { LARGEST_PICTURE, PICTURE, pictureType, storedSize } from '$core/document';
import { refuse, type Result, succeed } from '$core/units';

/** A picture made small, without what the camera wrote beside it. */
export interface SmallPicture {
	readonly blob: Blob;
	/** By the camera; by the file where the camera wrote none. */
	readonly takenAt: string;
}

/** Qualities that are tried, best first, until the picture is small enough. */
const QUALITIES = [0.86, 0.78, 0.7, 0.6, 0.5, 0.4];

/**
 * Reads a chosen file and makes it fit for storing: at most 2,048 px and 600 kB, as JPEG. Drawing it
 * anew leaves place and owner behind; the time is read first and kept.
 */
export async function smallPicture(file: File): Promise<Result<SmallPicture, string>> {
	if (file.size > LARGEST_PICTURE) {
		return refuse(`${file.name} has ${Math.round(file.size / 1048576)} MB. At most 60 are opened.`);
	}
	const head = new Uint8Array(await file.slice(0, 16).arrayBuffer());
	const type = pictureType(head);
	if (!type.ok) return refuse(`${file.name}: ${type.problem}`);
	let picture: ImageBitmap;
	try {
		picture = await createImageBitmap(file, { imageOrientation: 'from-image' });
	} catch {
		return refuse(`${file.name} begins like a picture but cannot be opened. It may be cut short.`);
	}
	const takenAt = await timeOf(file);
	let size = storedSize(picture.width, picture.height);
	try {
		for (;;) {
			const canvas = new OffscreenCanvas(size.width, size.height);
			const context = canvas.getContext('2d')!;
			// A drawing with see-through ground lands on white, as on paper.
			context.fillStyle = '#fff';
			context.fillRect(0, 0, size.width, size.height);
			context.drawImage(picture, 0, 0, size.width, size.height);
			for (const quality of QUALITIES) {
				const blob = await canvas.convertToBlob({ type: 'image/jpeg', quality });
				if (blob.size <= PICTURE.bytes) return succeed({ blob, takenAt });
			}
			size = { width: Math.round(size.width * 0.8), height: Math.round(size.height * 0.8) };
		}
	} finally {
		picture.close();
	}
}

async function timeOf(file: File): Promise<string> {
	try {
		const { parse } = await import('exifr');
		const read = (await parse(file, ['DateTimeOriginal', 'CreateDate'])) as
			| { DateTimeOriginal?: Date; CreateDate?: Date }
			| undefined;
		const taken = read?.DateTimeOriginal ?? read?.CreateDate;
		if (taken instanceof Date && !Number.isNaN(taken.getTime())) return taken.toISOString();
	} catch {
		// Pictures without such data are the rule, not a fault.
	}
	return new Date(file.lastModified).toISOString();
}
