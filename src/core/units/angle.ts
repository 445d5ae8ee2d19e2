const DEGREE = Math.PI / 180;

export const sind = (angle: number) => Math.sin(angle * DEGREE);
export const cosd = (angle: number) => Math.cos(angle * DEGREE);
export const tand = (angle: number) => Math.tan(angle * DEGREE);
export const degrees = (radians: number) => radians / DEGREE;

/** The same direction from 0 up to 360 degrees. */
export function wrapDegrees(angle: number): number {
	return ((angle % 360) + 360) % 360;
}
