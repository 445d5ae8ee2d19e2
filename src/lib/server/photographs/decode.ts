import sharp from 'sharp';
import { isBareJpeg, PICTURE, pictureType } from '$core/document';
import { refuse, type Result, succeed } from '$core/units';

/** A picture as it is stored: a JPEG that carries nothing but itself. */
export interface DecodedPicture {
	readonly bytes: Uint8Array;
	readonly type: 'image/jpeg';
	/** px */
	readonly width: number;
	/** px */
	readonly height: number;
}

/** A small file can unpack to a picture of any size; more px than a large camera takes are not decoded. */
const MOST_PIXELS = 64_000_000;
/** s, of computation for one picture */
const LONGEST = 20;
const QUALITIES = [88, 80, 70, 60, 50, 40, 30];
const WHITE = '#ffffff';

// One thread a picture: pictures wait for one another rather than everything else for them.
sharp.concurrency(1);
sharp.cache(false);

/**
 * Decodes a picture in full and encodes it anew, so that nothing of what stood beside the picture
 * remains, whatever its container: upright, on white, at most {@link PICTURE}'s side and bytes.
 */
export async function encodedAnew(bytes: Uint8Array): Promise<Result<DecodedPicture, string>> {
	const type = pictureType(bytes);
	if (!type.ok) return type;
	try {
		for (let side: number = PICTURE.side; side >= 16; side = Math.round(side * 0.8)) {
			const raw = await opened(bytes)
				.rotate()
				.resize(side, side, { fit: 'inside', withoutEnlargement: true })
				.flatten({ background: WHITE })
				.toColourspace('srgb')
				.raw()
				.toBuffer({ resolveWithObject: true });
			const { width, height, channels } = raw.info;
			for (const quality of QUALITIES) {
				const jpeg = await sharp(raw.data, { raw: { width, height, channels } })
					.jpeg({ quality })
					.toBuffer();
				if (jpeg.length <= PICTURE.bytes) {
					return succeed({ bytes: jpeg, type: 'image/jpeg', width, height });
				}
			}
		}
	} catch {
		// What the decoder says names its own parts, not what to do.
	}
	return refuse(
		'The picture begins like one but cannot be decoded. It may be cut short: choose it again, or take it once more.'
	);
}

/**
 * A stored picture as it may leave: as it is where it is a JPEG and nothing else, else encoded anew.
 *
 * @returns null where it cannot be decoded
 */
export async function fitToLeave(bytes: Uint8Array): Promise<Uint8Array | null> {
	if (isBareJpeg(bytes)) {
		try {
			await opened(bytes).metadata();
			return bytes;
		} catch {
			return null;
		}
	}
	const anew = await encodedAnew(bytes);
	return anew.ok ? anew.value.bytes : null;
}

/**
 * A picture of an archive as it is stored: kept to the byte where it is a JPEG and nothing else and
 * decodes in full, else encoded anew.
 */
export async function fitToStore(bytes: Uint8Array): Promise<Result<DecodedPicture, string>> {
	if (isBareJpeg(bytes) && bytes.length <= PICTURE.bytes) {
		try {
			const { info } = await opened(bytes).raw().toBuffer({ resolveWithObject: true });
			const { width, height } = info;
			if (Math.max(width, height) <= PICTURE.side) {
				return succeed({ bytes, type: 'image/jpeg', width, height });
			}
		} catch {
			// Encoding it anew says why it cannot be decoded.
		}
	}
	return encodedAnew(bytes);
}

function opened(bytes: Uint8Array) {
	return sharp(bytes, { limitInputPixels: MOST_PIXELS, failOn: 'truncated' }).timeout({
		seconds: LONGEST
	});
}
