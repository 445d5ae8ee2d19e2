import { z } from 'zod';
import { PICTURE, PICTURE_TYPES } from './picture';
import { instant } from './record';

const side = z.int().min(1).max(PICTURE.side);
/** A stored photograph as a file names it; its picture lies beside the file. */
export const photographSchema = z.strictObject({
	id: z.uuid(),
	/** Instant by the camera, or by the file where the camera wrote none. */
	takenAt: instant,
	addedAt: instant,
	type: z.enum(PICTURE_TYPES),
	/** px */
	width: side,
	height: side
});
/** A photograph without its bytes. */
export type PhotographLine = z.infer<typeof photographSchema>;
