import { refuse, type Result, succeed } from '../units';

/** Stored photographs: longest side in px, and bytes. */
export const PICTURE = { side: 2048, bytes: 600_000 } as const;
/** Largest file that is opened at all, bytes. */
export const LARGEST_PICTURE = 60 * 1024 * 1024;

export const PICTURE_TYPES = ['image/jpeg', 'image/png', 'image/webp'] as const;
export type PictureType = (typeof PICTURE_TYPES)[number];

/** Name of its file in an archive. */
export function pictureFile({
	id,
	type
}: {
	readonly id: string;
	readonly type: PictureType;
}): string {
	return `photographs/${id}.${type === 'image/jpeg' ? 'jpg' : type.slice('image/'.length)}`;
}

const ascii = (bytes: Uint8Array, from: number, length: number) =>
	String.fromCharCode(...bytes.subarray(from, from + length));

/** Brands of the container that phones write as HEIC or HEIF, and AVIF beside them. */
const HEIC_BRANDS = ['heic', 'heix', 'hevc', 'heim', 'heis', 'mif1', 'msf1'];

/**
 * Kind of a picture by its first bytes, whatever its name says.
 *
 * @param bytes the file, or its first 12 bytes
 */
export function pictureType(bytes: Uint8Array): Result<PictureType, string> {
	if (bytes[0] === 0xff && bytes[1] === 0xd8 && bytes[2] === 0xff) return succeed('image/jpeg');
	if (bytes[0] === 0x89 && ascii(bytes, 1, 3) === 'PNG') return succeed('image/png');
	if (ascii(bytes, 0, 4) === 'RIFF' && ascii(bytes, 8, 4) === 'WEBP') return succeed('image/webp');
	if (ascii(bytes, 4, 4) === 'ftyp') {
		return refuse(
			HEIC_BRANDS.includes(ascii(bytes, 8, 4))
				? 'This is a HEIC picture, which browsers cannot open. Set the camera to JPEG (“most compatible”), or share the picture as JPEG, and choose it again.'
				: 'This is a film or a picture of a kind that is not read. Choose a JPEG, PNG or WebP.'
		);
	}
	return refuse('This is not a picture that can be read. Choose a JPEG, PNG or WebP.');
}

const START = 0xd8;
const END = 0xd9;
const SCAN = 0xda;
const ICC_PROFILE = 'ICC_PROFILE';

/** Segments that draw the picture: tables, frame, restart interval, scan, and JFIF's and Adobe's marks of how colours are coded. */
function draws(bytes: Uint8Array, at: number, marker: number): boolean {
	if (marker === 0xe2) return ascii(bytes, at + 4, ICC_PROFILE.length) === ICC_PROFILE;
	return (marker >= 0xc0 && marker <= 0xdd) || marker === 0xe0 || marker === 0xee;
}

/**
 * Whether a JPEG is a picture and nothing else: no segment in which a camera writes place, owner or
 * device (Exif, XMP, IPTC, comments), and nothing behind its end. ITU-T T.81 annex B, not verified
 * against the text.
 */
export function isBareJpeg(bytes: Uint8Array): boolean {
	if (bytes[0] !== 0xff || bytes[1] !== START) return false;
	let at = 2;
	while (at + 1 < bytes.length) {
		if (bytes[at] !== 0xff) return false;
		const marker = bytes[at + 1]!;
		if (marker === END) return at + 2 === bytes.length;
		if (!draws(bytes, at, marker) || at + 4 > bytes.length) return false;
		at += 2 + bytes[at + 2]! * 256 + bytes[at + 3]!;
		if (marker === SCAN) at = endOfScan(bytes, at);
	}
	return false;
}

/** Where the next segment begins; within a scan 0xFF is followed by zero or by a restart mark. */
function endOfScan(bytes: Uint8Array, from: number): number {
	let at = from;
	for (;;) {
		at = bytes.indexOf(0xff, at);
		if (at < 0) return bytes.length;
		const next = bytes[at + 1] ?? 0;
		if (next !== 0 && (next < 0xd0 || next > 0xd7)) return at;
		at += 2;
	}
}

/** Size of a picture whose longest side is at most {@link PICTURE}'s. */
export function storedSize(width: number, height: number): { width: number; height: number } {
	const share = Math.min(1, PICTURE.side / Math.max(width, height));
	return { width: Math.round(width * share), height: Math.round(height * share) };
}
