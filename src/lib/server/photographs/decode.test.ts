import sharp from 'sharp';
import { describe, expect, it } from 'vitest';
import { isBareJpeg, PICTURE } from '$core/document';
import { encodedAnew, fitToLeave, fitToStore } from './decode';

const plain = (width: number, height: number) =>
	sharp({ create: { width, height, channels: 4, background: { r: 200, g: 20, b: 20, alpha: 0 } } });
/** What no encoder makes small. */
const noise = (width: number, height: number) =>
	sharp({
		create: {
			width,
			height,
			channels: 3,
			background: '#888',
			noise: { type: 'gaussian', mean: 128, sigma: 90 }
		}
	});

async function taken(bytes: Uint8Array) {
	const picture = await encodedAnew(bytes);
	if (!picture.ok) throw new Error(picture.problem);
	return picture.value;
}

describe('a picture encoded anew', () => {
	it.each(['png', 'webp', 'jpeg'] as const)('from %s is a bare JPEG', async (format) => {
		const bytes = await plain(40, 30).toFormat(format).toBuffer();
		const picture = await taken(bytes);
		expect(picture).toMatchObject({ type: 'image/jpeg', width: 40, height: 30 });
		expect(isBareJpeg(picture.bytes)).toBe(true);
	});
	it('lies on white where it was see-through', async () => {
		const { bytes } = await taken(await plain(8, 8).png().toBuffer());
		const { data } = await sharp(bytes).raw().toBuffer({ resolveWithObject: true });
		expect([...data].every((value) => value > 250)).toBe(true);
	});
	it('stands upright', async () => {
		const turned = await plain(40, 30).jpeg().withMetadata({ orientation: 6 }).toBuffer();
		expect(await taken(turned)).toMatchObject({ width: 30, height: 40 });
	});
	it('is as small as a stored one must be', async () => {
		const picture = await taken(await noise(2400, 1200).png().toBuffer());
		expect(picture.bytes.length).toBeLessThanOrEqual(PICTURE.bytes);
		expect(picture.width).toBeLessThanOrEqual(PICTURE.side);
		expect(picture.width / picture.height).toBeCloseTo(2, 1);
	});
	it('is refused where it is cut short, is none, or unpacks to more than any camera takes', async () => {
		const whole = await noise(300, 200).jpeg().toBuffer();
		const bomb = await plain(9000, 9000).png({ compressionLevel: 9 }).toBuffer();
		const html = Buffer.from('<svg xmlns="http://www.w3.org/2000/svg" width="9" height="9"/>');
		for (const bytes of [whole.subarray(0, 900), html, bomb, new Uint8Array()]) {
			expect(await encodedAnew(bytes)).toMatchObject({ ok: false });
		}
	});
});

/** Has the shape of a JPEG but no picture. */
const hollow = new Uint8Array([0xff, 0xd8, 0xff, 0xda, 0, 2, 0xff, 0xd9]);

it('a stored picture leaves as it is where it is bare, else without what stood beside it', async () => {
	const bare = await noise(20, 20).jpeg().toBuffer();
	expect(await fitToLeave(bare)).toBe(bare);
	const located = await sharp(bare)
		.withExif({ IFD3: { GPSLatitudeRef: 'N' } })
		.toBuffer();
	expect(isBareJpeg((await fitToLeave(located))!)).toBe(true);
	expect(await fitToLeave(new Uint8Array([0xff, 0xd8, 0xff]))).toBeNull();
	expect(await fitToLeave(hollow)).toBeNull();
});

it('a picture of an archive is kept to the byte where it is bare and decodes in full', async () => {
	const bare = await noise(20, 20).jpeg().toBuffer();
	expect(await fitToStore(bare)).toMatchObject({ ok: true, value: { bytes: bare, width: 20 } });
	expect(isBareJpeg(hollow)).toBe(true);
	expect(await fitToStore(hollow)).toMatchObject({ ok: false });
});
